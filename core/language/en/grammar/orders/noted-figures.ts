import { kindFromName } from '../../../../reading/en/kind-words';
import { objectsAt } from '../acts/objects';
import { SET_BY_TURNING } from '../acts/turned-and-set';
import { torqueAt } from '../names/figures';
import { isJoint } from '../names/name-ends';
import { nounPhraseAt } from '../names/noun-phrase';
import { stuffAt } from '../told-along/applied';
import * as lexicon from '../words/lexicon';
import { verbAt, WAY_WORDS } from '../words/operations';
import { NAMED } from '../words/told-words';
import type { Piece } from './piece';

/* Notes of figures, amounts and switches, without a verb. */

/** "Power off", "air on": switched, for neither can be taken off. */
export function bareSupply(piece: Piece, at: number): boolean {
  const way =
    /^(?:power|mains|supply|breaker|current|electricity|air|water|steam) (off|on)(?= ?[,.;]| and | then | at | again| slowly|$)/.exec(
      piece.lows(at),
    )?.[1];
  if (way === undefined || piece.knows(at)) return false;
  piece.words.splice(at, 0, piece.as(at, 'switch', true));
  return true;
}

/** "Valves open", "both gate valves shut": turned so. */
export function bareValves(piece: Piece, at: number): boolean {
  const said =
    /^(?:(?:all|both|the|suction|discharge|inlet|outlet|gate|isolating) )*valves? (open|shut|closed)(?= ?[,.;]| and |$)/.exec(
      piece.lows(at),
    );
  if (!said || at > piece.skipFillers(0)) return false;
  const last = at + said[0].split(' ').length - 1;
  piece.words.splice(last, 1);
  piece.words.splice(at, 0, piece.as(at, said[1] === 'open' ? 'open' : 'close', true));
  return true;
}

/** "Bearing cover, 4 screws, 8 N·m", "key, impeller, lock washer, nut 35 N·m": what is tightened was put on before. */
export function bareTorqued(piece: Piece, at: number): boolean {
  const sentence = piece.sentence();
  const first = nounPhraseAt(sentence, at)?.phrase;
  const isStart = at <= piece.skipFillers(0);
  if (!isStart || first?.known?.kind !== 'part' || lexicon.FASTENS.test(first.name)) return false;
  const stop = piece.words.findIndex(({ low }, i) => i > at && /^[.;]$/.test(low));
  const figure = piece.words.findIndex(
    (_, i) => i > at && (stop < 0 || i < stop) && torqueAt(sentence, i) !== undefined,
  );
  const listed = piece.words.slice(0, Math.max(figure, 0));
  const fasteners = listed.findLastIndex(({ low }) => lexicon.FASTENS.test(low));
  // What stands before the comma is what they hold.
  const comma = listed.slice(0, Math.max(fasteners, 0)).findLastIndex(({ low }) => low === ',');
  const saysWhatIsDone = listed.some(
    ({ low }, i) =>
      i >= at && (WAY_WORDS[low] !== undefined || (verbAt([low], 0)?.is === 'movement' && !piece.knows(i))),
  );
  if (comma <= at || saysWhatIsDone) return false;
  piece.words.splice(comma, 0, piece.behind(comma - 1, 'on'));
  piece.words.splice(at, 0, piece.as(at, 'put', true));
  piece.manner = 'bare';
  piece.readTo = comma + 2;
  return true;
}

const SCREWED = /\b(?:nut|bolt|screw|stud|capscrew|gland|cap|plug|union|fitting|nipple|clamp)s?$/i;

/** "Gland nuts finger tight only". */
export function bareTight(piece: Piece, at: number): boolean {
  const isFirst = at <= piece.skipFillers(0) || (piece.low(at - 1) === ',' && piece.manner === 'bare');
  if (!isFirst || (verbAt(piece.lowsFrom(at), 0) && !piece.knows(at))) return false;
  const things = objectsAt(piece.sentence(), at);
  const areFasteners =
    things.phrases.length > 0 &&
    things.phrases.every(({ name, known }) => SCREWED.test(name) || known?.kind === 'part');
  if (!areFasteners || !/^(?:(?:only|just) )?(?:finger|hand)[- ]tight\b/.test(piece.lows(things.end))) return false;
  piece.words.splice(at, 0, piece.as(at, 'start', true));
  piece.manner = 'bare';
  return true;
}

/** "Shaft run-out 0.03 max between V-blocks", "bearing bush: max wear 0.2 mm". */
export function bareMeasured(piece: Piece, at: number): boolean {
  if (at > piece.skipFillers(0)) return false;
  const behind = piece.behindPart(at);
  if (behind === at || !SIZED.test(piece.lows(behind))) return false;
  // What it has to be stands behind what is measured.
  const feature =
    piece.low(behind) === ':' ? behind : piece.words.findIndex(({ low }, i) => i >= behind && FEATURE.test(low));
  if (piece.low(feature) === ':') piece.words[feature] = piece.as(feature, ',');
  else piece.words.splice(feature + 1, 0, piece.behind(feature, ','));
  piece.words.splice(at, 0, piece.as(at, 'measure', true));
  piece.manner = 'bare';
  return true;
}

const SIZES = 'run-?out|thickness|clearance|play|float|diameter|wear|length|height|width|backlash';

const FEATURE = new RegExp(`^(?:${SIZES})$`);

const LIMIT = 'max|maximum|min|minimum';

const SIZED = new RegExp(
  `^(?:: )?(?:(?:${LIMIT}|end|axial|radial|free|front|rear|outside|inside) )*(?:${SIZES})(?: (?:${LIMIT}|front|rear|of|not over|not below|not under|not above|up to|at least|at most|(?:not|no) more than|less than|under|below|(?:on|at|in) (?:the )?[\\w-]+)(?: \\.)?)* [\\d.,]+`,
);

/** "Stroke knob to zero": turned to that. */
export function bareSet(piece: Piece, at: number): boolean {
  const first = NAMED.test(piece.low(at)) ? at + 1 : at;
  const end = piece.behindPart(first);
  const isSet = end > first && SET_BY_TURNING.test(piece.low(end - 1)) && SET_TO.test(piece.lows(end));
  if (isSet) piece.words.splice(at, 0, piece.as(at, 'turn', true));
  return isSet;
}

const SET_TO = /^(?:back )?(?:to|at) (?:zero|\d|full|max|min|maximum|minimum|half|the (?:stop|mark))/;

/** "Oil in up to the mark": filled in. */
export function bareFilled(piece: Piece, at: number): boolean {
  const said =
    /^(?:(?:fresh|new|clean) )?(?:[\w-]+ )?(?:oil|water|coolant|liquid|glycol) (?:[\d.,]+ ?(?:l|ml|litres?|liters?|cc|cl) )?(?:back )?in(?= (?:up )?(?:to|until|till)\b| ?[,.;]|$)/.exec(
      piece.lows(at),
    )?.[0];
  if (said === undefined) return false;
  const words = said.split(' ');
  // "Gear oil" where there is a gear; but an oil cooler is a part.
  const stuff = words.findIndex((word) => lexicon.isSubstance([word]));
  if (piece.behindPart(at) > at + stuff) return false;
  const ways = words.at(-2) === 'back' ? 2 : 1;
  piece.words.splice(at + words.length - ways, ways);
  piece.words.splice(at, 0, piece.as(at, 'fill', true));
  return true;
}

/** "A drop of thread locker on each bolt", "anti-seize on the threads". */
export function bareSubstance(piece: Piece, at: number): boolean {
  if (lexicon.CAUTION_OPENING.test(piece.lows(at)) || lexicon.REMARK_OPENING.test(piece.lows(at))) return false;
  // "Is there oil in the gearbox?" asks.
  if (/^(?:is|are|was|were|has|have|do|does)$/.test(piece.low(at))) return false;
  if ((verbAt(piece.lowsFrom(at), 0) && piece.low(at + 1) !== 'of') || piece.knows(at)) return false;
  const sentence = piece.sentence();
  const stuff = stuffAt(sentence, at);
  const end = stuff?.end;
  if (end === undefined || !/^(?:on|onto|to|around|round|into|in|under|between|over|down)$/.test(piece.low(end)))
    return false;
  const place = nounPhraseAt(sentence, end + 1);
  // With its amount it is something to put on, wherever that is.
  const isNamed =
    place?.phrase.known?.kind === 'part' ||
    lexicon.isFeature(place?.phrase.words ?? []) ||
    kindFromName(place?.phrase.words.at(-1) ?? '') !== 'other';
  const isShort = place !== undefined && place.phrase.words.length < 3;
  if (!isNamed && (stuff?.applied.amount === undefined || !isShort)) return false;
  if (place && !isJoint(piece.words[place.end]) && !lexicon.isManner(piece.low(place.end))) return false;
  piece.words.splice(at, 0, piece.as(at, 'apply', true));
  return true;
}
