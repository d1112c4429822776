import { objectsAt } from '../acts/objects';
import { stuffAt } from '../told-along/applied';
import * as lexicon from '../words/lexicon';
import { verbAt } from '../words/operations';
import { singular } from '../words/words';
import type { Piece } from './piece';

/* What something is given, gets or needs: a wipe, a coat of oil. */

/** "Give the faces a quick wipe": wipe them. */
export function given(piece: Piece, at: number): boolean {
  const things = /^(?:give|giving|gave)$/.test(piece.low(at)) ? objectsAt(piece.sentence(), at + 1) : undefined;
  if (things && coated(piece, at, at + 1, things.end)) return true;
  const verb = things && givenVerb(piece, things.end);
  if (!things || !verb) return false;
  piece.words.splice(things.end, verb.length);
  // "Give the nuts a final pull": with the wrench.
  const isTightened = verb.low === 'pull' && things.phrases.every(({ name }) => lexicon.FASTENS.test(name));
  piece.words[at] = piece.as(at, isTightened ? 'tighten' : verb.low);
  return true;
}

/** The verb in what something is given: "a quick wipe", "a good clean"; and how many words it takes. */
export function givenVerb(piece: Piece, at: number): { low: string; length: number } | undefined {
  const said = GIVEN.exec(piece.lows(at));
  const low = said?.[2] && (verbAt([said[2]], 0) ? said[2] : singular(said[2]));
  return said && low && verbAt([low], 0) ? { low, length: said[0].split(' ').length } : undefined;
}

/** "A quick wipe", "a couple of good whacks". */
const GIVEN =
  /^(a couple of|a few|another|an|a|two|three|some) (?:(?:good|quick|light|sharp|final|last|little|proper) )?([a-z]+)(?= |$)/;

/** "Give the shaft a light coat of oil", "everything gets a coat of oil first": it is coated with that. */
export function coated(piece: Piece, at: number, from: number, stop: number): boolean {
  const start = from > at ? stop : stop + 1;
  const stuff = stuffAt(piece.sentence(), start);
  if (
    !stuff ||
    !(piece.isLast(stuff.end - 1) || ENDS_STUFF.test(piece.low(stuff.end)) || lexicon.isManner(piece.low(stuff.end)))
  )
    return false;
  const [thing, put] = [piece.words.slice(from, stop), piece.words.slice(start, stuff.end)];
  piece.words.splice(at, stuff.end - at, piece.as(at, 'coat', true), ...thing, piece.as(stop, 'with', true), ...put);
  return true;
}

const ENDS_STUFF = /^(?:and|then|before|after|while|with|using|on|so|to|all|or)$/;
