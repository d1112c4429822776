import { objectsAt } from '../acts/objects';
import { torqueAt } from '../names/figures';
import * as lexicon from '../words/lexicon';
import { verbAt } from '../words/operations';
import type { Word } from '../words/words';
import type { Piece } from './piece';

/** "24 N·m on the cover bolts", "torque for the bolts is 24 N·m", "the bolts are 24 N·m": torque them to that. */
export function figureFirst(piece: Piece, at: number): boolean {
  return figureOn(piece, at) || figureIs(piece, at);
}

function figureOn(piece: Piece, at: number): boolean {
  const end = torqueAt(piece.sentence(), at)?.end ?? at;
  if (end === at || !/^(?:on|for)$/.test(piece.low(end))) return false;
  const things = fastenersAt(piece, end + 1);
  return things > end + 1 && order(piece, at, things, [end + 1, things], [at, end]);
}

function figureIs(piece: Piece, at: number): boolean {
  const opening = FIGURE_FOR.exec(piece.lows(at))?.[0].split(' ').length ?? 0;
  const from = at + opening;
  const isOrder = verbAt(piece.lowsFrom(from), 0) !== undefined && !piece.knows(from);
  const things = fastenersAt(piece, from);
  if (isOrder || things === from || !/^(?:is|are|gets?|takes?|to|at|with|:|=|,)$/.test(piece.low(things))) return false;
  const figure = /^(?:to|at)$/.test(piece.low(things + 1)) ? things + 2 : things + 1;
  const end = torqueAt(piece.sentence(), figure)?.end ?? figure;
  return end > figure && order(piece, at, end, [from, things], [figure, end]);
}

const FIGURE_FOR =
  /^(?:the )?(?:final )?(?:torque|tightening torque|torque (?:value|figure|setting|spec)|figure) (?:for|on)(?= )/;

/** Where fasteners that are named from a place on end. */
function fastenersAt(piece: Piece, at: number): number {
  const { phrases, end } = objectsAt(piece.sentence(), at);
  // "Front cover, eight nuts, 45 N·m": what they hold goes on before.
  const areFasteners = phrases.every(
    ({ known, name }) => (known?.kind === 'part' && phrases.length === 1) || lexicon.FASTENS.test(name),
  );
  return phrases.length > 0 && areFasteners ? end : at;
}

function order(piece: Piece, from: number, to: number, things: [number, number], figure: [number, number]): boolean {
  const words: Word[] = [
    piece.as(from, 'torque', true),
    ...piece.words.slice(...things),
    piece.as(from, 'to', true),
    ...piece.words.slice(...figure),
  ];
  piece.words.splice(from, to - from, ...words);
  return true;
}
