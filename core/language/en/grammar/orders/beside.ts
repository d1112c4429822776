import { kindFromName } from '../../../../reading/en/kind-words';
import { objectsAt } from '../acts/objects';
import { namesAt } from '../names/known-names';
import { NAMED } from '../words/told-words';
import type { Piece } from './piece';

/* Where something is, told right behind its name. */

/** Behind the place that is told there: "the plunger *of cylinder 1*", "the gasket *behind the cover*". */
export function behindPlace(piece: Piece, at: number): number {
  if (!OPENS.test(piece.low(at))) return at;
  const beside = BESIDE.exec(piece.lows(at))?.[0];
  if (beside) {
    const { phrases, end } = objectsAt(piece.sentence(), at + beside.split(' ').length);
    const [thing, other] = phrases;
    const isPart = thing?.known?.kind === 'part' || kindFromName(thing?.name ?? '') !== 'other';
    return isPart && !other ? end : at;
  }
  if (!/^(?:at|on|of|in|from)$/.test(piece.low(at))) return at;
  const from = /^(?:the|each|every|both)$/.test(piece.low(at + 1)) ? at + 2 : at + 1;
  const place = namesAt(piece.names, piece.words, from).find(({ kind }) => kind === 'place' || kind === 'places');
  return place ? from + place.length : at;
}

const OPENS = /^(?:at|on|of|in|from|next|behind|inside|under|underneath|beside|above|below|beneath)$/;
const BESIDE =
  /^(?:on (?:top|the (?:end|front|back|side|bottom)) of|next to|behind|inside|under|underneath|beside|above|below|beneath)(?= )/;

const AWAY =
  /^(?:right |straight )?(?:(?:up|down) and (?:out|off)|back (?:on|in|off)|off|out|away|clear|loose|back|from(?= (?:the|its|a|both|all) ))(?= |$)/;

/** "Lift the cover behind the pulley off": off, the one that is there. */
export function wayBeforePlace(piece: Piece): void {
  for (let at = piece.words.length - 3; at > 1; at -= 1) {
    const place = behindPlace(piece, at);
    const way = place > at ? AWAY.exec(piece.lows(place))?.[0] : undefined;
    if (way === undefined || !isNamedBefore(piece, at)) continue;
    const end = place + way.split(' ').length;
    // "Off the shaft", "out of the bore" goes on saying from where.
    const from = /^(?:of|from)$/.test(piece.low(end)) ? end + 1 : end;
    const things = from > end || NAMED.test(piece.low(end)) ? objectsAt(piece.sentence(), from) : undefined;
    const behind = things && things.phrases.length > 0 ? things.end : end;
    if (behind > end && !BESIDE.test(piece.lows(at))) continue;
    // "Off of cylinder 1" would be from there.
    if (piece.low(at) === 'of') piece.words[at] = piece.as(at, 'at');
    const told = piece.words.splice(at, place - at);
    piece.words.splice(behind - told.length, 0, ...told);
  }
}

function isNamedBefore(piece: Piece, at: number): boolean {
  return (
    kindFromName(piece.low(at - 1)) !== 'other' || piece.words.some((_, i) => i < at && piece.behindPart(i) === at)
  );
}
