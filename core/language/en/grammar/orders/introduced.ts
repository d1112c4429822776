import { objectsAt } from '../acts/objects';
import { isCalledPart, type NounPhrase } from '../names/noun-phrase';
import { FASTENS, isFeature, isManner } from '../words/lexicon';
import { verbAt } from '../words/operations';
import { isPlural, type Word } from '../words/words';
import { type Piece, wordsIn } from './piece';

/* A thing is named first, and what is done to "it" stands behind: put with its name, it is an order like others. */

/** What a sentence begins with: the thing, its words, and what of it goes with the order. */
interface Introduced {
  readonly thing: NounPhrase;
  readonly words: readonly Word[];
  /** Where it is, or what it holds; said behind it. */
  readonly told: readonly Word[];
  /** Said of it beforehand, and stays there: "the cups are leather". */
  readonly stays?: true;
  /** What it holds, which "it" may be as well. */
  readonly held?: NounPhrase;
  /** There is one of it at each of several places. */
  readonly isAtEach?: boolean;
}

/** The order behind it, and the pronoun that stands for the thing. */
interface Order {
  readonly comma: number;
  readonly verb: number;
  readonly pronoun: number;
  readonly length: number;
}

/** "There's a pin through the shaft, push it out", "eight bolts hold the head, take them out", "the ring, pull it out". */
export function introduced(piece: Piece): void {
  const first = piece.skipFillers(0);
  const start = THERE_IS.test(piece.lows(first)) ? first : piece.orderStart();
  const order = orderBehind(piece, start);
  const intro = order && introAt(piece, start, order);
  if (!order || !intro || !agrees(piece, intro, order)) return;
  const { pronoun, length } = order;
  // "The three of them": so many.
  const count = piece.words.slice(pronoun, pronoun + length).find(({ value }) => value !== undefined);
  const named = count ? [count, ...withoutDeterminer(intro.words)] : intro.words;
  const isWay = piece.isWay(pronoun + length) && (intro.told.length > 0 || piece.isLast(pronoun + length));
  const way = piece.words.slice(pronoun + length, pronoun + length + (isWay ? 1 : 0));
  piece.words.splice(pronoun, length + way.length, ...way, ...named, ...intro.told);
  if (!intro.stays) piece.words.splice(start, order.verb - start);
}

const PRONOUNS =
  /^(?:(?:all |both |each )?(?:the )?(?:\S+ )?of (?:them|those|these)|it|them|those|these|that|both)(?=$| (?!of\b|is\b|are\b))/;
const THERE_IS =
  /^(?:there's|there is|there are|there're|(?:you|you'll|we|we'll|i)(?: will)? (?:find|see|have)|you've got)(?= )/;
const IS_THERE = /^(?:there's|there is|there are|there're|sits?|is|are|lies|comes|you(?:'ll| will)? (?:find|see))$/;
const HOLDS = /^(?:holds?|holding|keeps?|keeping|secures?|retains?|fastens?|locks?) /;
const HELD_IN = /^(?:in(?: its)? place|on|down|in|together|back)$/;
const IS_HELD =
  /^(?:is|are) (?:(?:held|hold|kept|fixed|fastened|secured|retained|bolted|screwed|clamped|locked)(?: (?:on|down|in|in place|together|from behind))?|on) (?:by|with) /;
const HAS = /^(?:has|have|carries|carry|comes? with|(?:has|have) got) /;
const ON_IT = /^(?:on|in|inside|behind|under|round|around|through)(?: (?:it|them|each))?$/;
const STAYS = /^(?:stays?|sits?|lives?|remains?|comes?|is|are) (?!held|fixed|fitted|left-hand)[^:;]*$/;
const PLACED =
  'under|behind|below|beneath|inside|in|on|between|round|around|at|through|across|holding|underneath|against|from|of';
const WHERE = new RegExp(`^(?:${PLACED}) \\w`);
/** Where something named is, and no way: "the ring on the shaft", but not "ring on, then". */
const AT_NAMED = new RegExp(
  `^(?:(?:${PLACED}) (?:the|a|an|each|either|both|every|all|its|their|your|it|them|there|that|this)\\b|(?:top and bottom|left and right) of |underside )`,
);
const BEHIND = /^(?:behind|in front|from behind|at the back|inside|outside|each)$/;
/** Behind one of these stands what is said of it. */
const SAYS_MORE = /^(?:is|are|has|have|holds?|keeps?|stays?|sits?|comes?|goes|go|must|should|can|may|will|,)$/;
const UNDOES = /^(?:undo|loosen|slacken|unscrew|crack|back|remove|spin|unbolt|run|tap|drive|knock|drift)$/;

const SHAPES: readonly ((piece: Piece, start: number, order: Order) => Introduced | undefined)[] = [
  thereIs,
  whereThereIs,
  holdsPart,
  isHeldBy,
  hasPart,
  isSo,
  alone,
];

function introAt(piece: Piece, start: number, order: Order): Introduced | undefined {
  for (const shape of SHAPES) {
    const found = shape(piece, start, order);
    if (found) return found;
  }
  return undefined;
}

/** Behind a comma, "so" or a colon. */
function orderBehind(piece: Piece, start: number): Order | undefined {
  for (let comma = start + 1; comma < piece.words.length; comma += 1) {
    if (!/^(?:,|so|:|-|–|—)$/.test(piece.low(comma)) || piece.low(comma + 1) === 'that') continue;
    let verb = comma + 1;
    while (
      /^(?:so|and|then|please|just|now|simply|only|i|we|you|,)$/.test(piece.low(verb)) ||
      isManner(piece.low(verb))
    )
      verb += 1;
    const order = verbAt(piece.lowsFrom(verb), 0);
    if (!order || piece.knows(verb)) continue;
    const pronoun = verb + order.length;
    const said = PRONOUNS.exec(piece.lows(pronoun))?.[0];
    if (said !== undefined) return { comma, verb, pronoun, length: wordsIn(said) };
  }
  return undefined;
}

/** Whether the pronoun can stand for it: "it" for one, "them" for several. */
function agrees(piece: Piece, { thing, held, isAtEach }: Introduced, { verb, pronoun, length }: Order): boolean {
  const isOne = length === 1 && /^(?:it|that)$/.test(piece.low(pronoun));
  const areSeveral = isSeveral(thing) || isAtEach === true;
  if (isOne === areSeveral) return false;
  if (!held) return true;
  // "The ring holds the spring, so compress it": the spring, or nobody knows.
  return isSeveral(held) !== areSeveral || (FASTENS.test(thing.words.at(-1) ?? '') && UNDOES.test(piece.low(verb)));
}

function isSeveral({ words, count, every }: NounPhrase): boolean {
  return isPlural(words.at(-1) ?? '') || (count ?? 1) > 1 || every === true;
}

/** One thing, called as parts are unless whatever it is called will do. */
function thingAt(
  piece: Piece,
  from: number,
  to: number,
  however = false,
): { thing: NounPhrase; end: number } | undefined {
  const { phrases, end } = objectsAt(piece.sentence().slice(from, to), 0);
  const [thing, other] = phrases;
  if (!thing || other || thing.pronoun || isFeature(thing.words)) return undefined;
  return however || isCalledPart(thing) ? { thing, end: from + end } : undefined;
}

/** "There is an O-ring under it", "there's six bolts round the cover". */
function thereIs(piece: Piece, start: number, { comma }: Order): Introduced | undefined {
  const there = THERE_IS.exec(piece.lows(start))?.[0];
  const at = start + wordsIn(there ?? '');
  const found = there === undefined ? undefined : thingAt(piece, at, comma);
  if (!found || found.end > comma) return undefined;
  const where = piece.words.slice(found.end, comma);
  if (where.length > 0 && !WHERE.test(piece.lows(found.end))) return undefined;
  // "Under it" tells no more than where the trainer is.
  const told = where.length > 2 ? where : [];
  return { thing: found.thing, words: piece.words.slice(at, found.end), told };
}

/** "In the housing there are two seals", "under each plunger sits a seal case". */
function whereThereIs(piece: Piece, start: number, { comma }: Order): Introduced | undefined {
  if (!WHERE.test(piece.lows(start))) return undefined;
  for (let at = start + 2; at < comma - 1; at += 1) {
    const length = [3, 2, 1].find((n) => IS_THERE.test(piece.lows(at).split(' ').slice(0, n).join(' ')));
    const found = length === undefined ? undefined : thingAt(piece, at + length, comma);
    if (length === undefined || found?.end !== comma) continue;
    const told = piece.words.slice(start, at).filter(({ low }) => low !== ',');
    const isAtEach = told.some(({ low }) => /^(?:each|every|both|all)$/.test(low));
    const words = piece.words.slice(at + length, comma);
    const isHere = told.length === 2 && /^(?:it|there|that)$/.test(told[1]?.low ?? '');
    return { thing: found.thing, words, told: isHere ? [] : told, isAtEach };
  }
  return undefined;
}

/** "Eight M8 bolts hold the top manifold": those of the manifold. */
function holdsPart(piece: Piece, start: number, { comma }: Order): Introduced | undefined {
  const holds = piece.words.findIndex((_, i) => i > start && i < comma && HOLDS.test(piece.lows(i)));
  const by = holds < 0 ? undefined : thingAt(piece, start, holds);
  const held = by?.end === holds ? thingAt(piece, holds + 1, comma) : undefined;
  if (!by || !held || !isEndOf(piece, held.end, comma, HELD_IN)) return undefined;
  const told = ownedBy(piece, piece.words.slice(holds + 1, held.end));
  return { thing: by.thing, words: piece.words.slice(start, holds), told, held: held.thing };
}

/** "The housing is held by two nuts behind": the nuts of the housing. */
function isHeldBy(piece: Piece, start: number, { comma, verb }: Order): Introduced | undefined {
  const is = piece.words.findIndex((_, i) => i > start && i < comma && IS_HELD.test(piece.lows(i)));
  const held = is < 0 ? undefined : thingAt(piece, start, is);
  const at = is + wordsIn(IS_HELD.exec(piece.lows(is))?.[0].trim() ?? '');
  const by = held?.end === is ? thingAt(piece, at, comma) : undefined;
  if (!held || !by || !isEndOf(piece, by.end, comma, BEHIND)) return undefined;
  const owner = piece.words.slice(start, is);
  // "The cover is held by a clip, lift it off": the cover.
  const isOne = !isSeveral(held.thing) && !isSeveral(by.thing);
  if (isOne && !UNDOES.test(piece.low(verb))) return { thing: held.thing, words: owner, told: [], stays: true };
  return { thing: by.thing, words: piece.words.slice(at, by.end), told: ownedBy(piece, owner), held: held.thing };
}

/** "Each plunger has a copper washer on it": the washer of the plunger. */
function hasPart(piece: Piece, start: number, { comma }: Order): Introduced | undefined {
  const has = piece.words.findIndex((_, i) => i > start && i < comma && HAS.test(piece.lows(i)));
  const owner = has < 0 ? undefined : thingAt(piece, start, has);
  const at = has + wordsIn(HAS.exec(piece.lows(has))?.[0].trim() ?? '');
  const found = owner?.end === has ? thingAt(piece, at, comma) : undefined;
  if (!owner || !found || !isEndOf(piece, found.end, comma, ON_IT)) return undefined;
  const told = ownedBy(piece, piece.words.slice(start, has));
  return { thing: found.thing, words: piece.words.slice(at, found.end), told, isAtEach: isSeveral(owner.thing) };
}

/** "The cups are leather", "the rotating part stays on the shaft". */
function isSo(piece: Piece, start: number, { comma, pronoun }: Order): Introduced | undefined {
  const is = piece.words.findIndex((_, i) => i > start && i < comma && STAYS.test(piece.lowsUpTo(i, comma)));
  const found = is < 0 ? undefined : thingAt(piece, start, is, true);
  if (found?.end !== is) return undefined;
  // "The seals are behind the spacers, drive those out": which?
  const isNearer = /^(?:those|these|that)$/.test(piece.low(pronoun)) && is < comma - 2;
  return isNearer ? undefined : { thing: found.thing, words: piece.words.slice(start, is), told: [], stays: true };
}

/** "The wear ring, pull it out", "four staybolt nuts, 24 mm, crack them". */
function alone(piece: Piece, start: number, { comma }: Order): Introduced | undefined {
  if (verbAt(piece.lowsFrom(start), 0) && !piece.knows(start)) return undefined;
  const first = piece.words.findIndex(({ low }, i) => i > start && (low === ',' || AT_NAMED.test(piece.lows(i))));
  const found = thingAt(piece, start, Math.min(first < 0 ? comma : first, comma));
  if (!found) return undefined;
  // "Set screws on the collar, three of them, back them out".
  const number = /, \S+ of (?:them|those)$/.test(piece.lowsUpTo(found.end, comma)) ? comma - 3 : -1;
  const count = piece.words[number]?.value === undefined ? [] : piece.words.slice(number, number + 1);
  const told = piece.words.slice(found.end, count.length > 0 ? number - 1 : comma);
  const isSize = /^, [\d/.-]+ ?(?:mm|in|inch)$/.test(piece.lowsUpTo(found.end, comma));
  const isWhere = AT_NAMED.test(piece.lows(found.end)) && !told.some(({ low }) => SAYS_MORE.test(low));
  // "New O-ring on each cartridge, wet it" puts one there, "new gasket, cut it flush" as well.
  const isPut = found.thing.state.includes('new');
  if ((told.length > 0 && !isSize && !isWhere) || isPut) return undefined;
  const named = piece.words.slice(start, found.end);
  return { thing: found.thing, words: count.length > 0 ? [...count, ...withoutDeterminer(named)] : named, told };
}

function isEndOf(piece: Piece, at: number, comma: number, rest: RegExp): boolean {
  const between = piece.lowsUpTo(at, comma);
  return at <= comma && (between === '' || rest.test(between));
}

function ownedBy(piece: Piece, owner: readonly Word[]): Word[] {
  const [first] = owner;
  const at = first ? piece.words.indexOf(first) : 0;
  return [piece.as(at, 'of', true), piece.as(at, 'the', true), ...withoutDeterminer(owner)];
}

function withoutDeterminer(words: readonly Word[]): readonly Word[] {
  return /^(?:the|a|an|both|all|your|each)$/.test(words[0]?.low ?? '') ? words.slice(1) : words;
}
