/**
 * What words mean, for those who know no language: the bench asks here. Which language is read is decided in this file
 * alone.
 */

export { benchDirectionSaid } from './en/direction-words';
export { mentioned as partsNamed } from './en/mentions';
export {
  countIn,
  energyOf,
  holdsCharge,
  isBesideLiquid,
  isCheckValve,
  isFillingPort,
  isKeptFluid,
  isLinePart,
  isSumpOil,
  type Line,
  linesIn,
  namesPump,
  namesSame,
  releasesToo,
  runsPump,
  saysByHand,
  saysLiquid,
  sharesWord,
  standsClosed,
  standsInHoles,
  staysByHand,
  takesNut,
  tellingWords,
} from './en/safety-words';
export { turnsThread } from './en/wording';
