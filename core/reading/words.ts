/**
 * What words mean, for those who know no language: the bench asks here. Which language is read is decided in this file
 * alone.
 */
export {
  countIn,
  energyOf,
  isFillingPort,
  isKeptFluid,
  type Line,
  linesIn,
  namesSame,
  releasesToo,
  runsPump,
  sharesWord,
  standsInHoles,
  tellingWords,
} from './en/safety-words';
