import { objectsAt } from '../acts/objects';
import * as lexicon from '../words/lexicon';
import { verbAt } from '../words/operations';
import { NAMED, PASSIVE, STATES } from '../words/told-words';
import { baseOf } from '../words/verb-forms';
import type { Word } from '../words/words';
import { type Piece, wordsIn } from './piece';

/** What is told of a thing between its name and what is done to it. */
interface Between {
  readonly from: number;
  /** Where "is removed" begins. */
  readonly is: number;
  /** The participle. */
  readonly done: number;
  /** It stands in commas, dashes or brackets, and may be said last. */
  readonly isEnclosed: boolean;
}

/** "The screws at the front are taken out", "the cover, which is heavy, is removed": the order for it, and then what was told. */
export function toldOfIt(piece: Piece, at: number): boolean {
  // "A vane that rocks must be replaced": only such a one.
  const isOfAny = /^(?:an?|any|each|every|one)$/.test(piece.low(at));
  const isNamed = !isOfAny && (NAMED.test(piece.low(at)) || piece.words[at]?.value !== undefined);
  const between = isNamed ? betweenAt(piece, at) : undefined;
  if (!between || !isOneThing(piece, at, between.from)) return false;
  const { from, is, done, isEnclosed } = between;
  const way = piece.isWay(done + 1) ? [piece.words[done + 1] as Word] : [];
  const adverbs = piece.words.slice(is, done).filter(({ low }) => lexicon.isManner(low));
  const order = [...adverbs, piece.based(done, 'past'), ...way, ...piece.words.slice(at, from)];
  const told = piece.words.slice(isEnclosed ? from + 1 : from, isEnclosed ? is - 1 : is);
  const behind = done + 1 + way.length;
  if (isEnclosed) {
    const end = piece.clauseEnd(behind);
    piece.words.splice(end, 0, piece.behind(end - 1, ','), ...told);
    piece.words.splice(at, behind - at, ...order);
  } else piece.words.splice(at, behind - at, ...order, ...told);
  piece.manner = 'done';
  return true;
}

const CLOSES: Readonly<Record<string, string>> = { ',': ',', '(': ')', '-': '-', '–': '–', '—': '—' };
const WHERE =
  /^(?:at|on|in|under|underneath|below|beneath|behind|above|between|inside|outside|around|round|near|next|beside|against|from|for|with|through|across|opposite|holding|securing|retaining|fixing|fastening|connecting|joining|supporting|locating|covering|facing|nearest|shown|marked|arrowed|located|fitted|mounted)$/;
const RELATIVE = /^(?:that|which|who)$/;
/** What stands in commas and is no remark: another thing, or when it is done. */
const NO_REMARK = /^(?:and|then|or|but|if|when|unless|where|once|as|together|along|with|plus|also|its|their|the)$/;

function betweenAt(piece: Piece, at: number): Between | undefined {
  const from = piece.words.findIndex(({ low }, i) => i > at + 1 && opensBetween(low));
  if (from < 0) return undefined;
  const [opening, first] = [piece.low(from), piece.low(from + 1)];
  const closing = CLOSES[opening];
  if (opening === ',' && NO_REMARK.test(first)) return undefined;
  const isRelative = RELATIVE.test(opening);
  for (let is = from + (closing ? 3 : 1); is < piece.words.length - 1; is += 1) {
    if (/^(?:[.;]|and|then)$/.test(piece.low(is)) || (closing === undefined && piece.low(is) === ',')) return undefined;
    const done = doneAt(piece, is);
    if (done === undefined || (closing !== undefined && piece.low(is - 1) !== closing)) continue;
    if (closing === undefined && !isRelative && piece.words.slice(from, is).some(({ low }) => TELLS.test(low)))
      return undefined;
    // "The seal that is fitted in the cover is driven out": the second of them.
    if (isRelative && !piece.words.slice(from + 1, is).some(({ low }) => SAYS.test(low))) continue;
    return { from, is, done, isEnclosed: closing !== undefined };
  }
  return undefined;
}

function opensBetween(low: string): boolean {
  return CLOSES[low] !== undefined || WHERE.test(low) || RELATIVE.test(low);
}

/** With one of these the words between say something by themselves. */
const TELLS = /^(?:means?|you|we|i|it|they|is|are|has|have|that|which|if|when)$/;
const SAYS =
  /^(?:is|are|has|have|was|were|\w+s|sit|lie|hold|hang|run|go|come|keep|carry|belong|stick|stand|rest|bear)$/;

/** The participle of a passive that begins there, where it tells something done and not how it is. */
function doneAt(piece: Piece, is: number): number | undefined {
  const passive = PASSIVE.exec(piece.lows(is));
  if (!passive) return undefined;
  let done = is + wordsIn(passive[0].trim());
  while (lexicon.isManner(piece.low(done)) || /^(?:then|now|also|always|just|next|only|first)$/.test(piece.low(done)))
    done += 1;
  const base = baseOf(piece.low(done), 'past');
  if (base === undefined || !verbAt([base], 0)) return undefined;
  const isState = STATES.test(piece.low(done)) && !/^(?:out|off|away|apart)$/.test(piece.low(done + 1));
  const isOrder = passive[1] !== undefined || piece.words.slice(is, done).some(({ low }) => /^(?:then|now)$/.test(low));
  return isState && !isOrder ? undefined : done;
}

function isOneThing(piece: Piece, at: number, from: number): boolean {
  const { phrases, end } = objectsAt(piece.sentence().slice(at, from), 0);
  const [thing, other] = phrases;
  return thing !== undefined && !other && !thing.pronoun && !lexicon.isFeature(thing.words) && at + end === from;
}
