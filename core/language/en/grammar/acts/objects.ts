import { byName, pluralName, singularName } from '../../../../model/names';
import type { Series } from '../../../../model/series';
import { type Verb, verbOf } from '../../../../model/verbs';
import { kindFromName } from '../../../../reading/en/kind-words';
import { numberWord } from '../../counted';
import { lastWordsOf, namesAt, partsEndingIn } from '../names/known-names';
import { beginsFacing, isJoint } from '../names/name-ends';
import { type NounPhrase, nounPhraseAt } from '../names/noun-phrase';
import { placeCalled } from '../names/place-before';
import type { SaidAct, SaidPart } from '../names/said';
import { Sentence } from '../names/sentence';
import { isPartOrShort } from '../names/short-names';
import * as lexicon from '../words/lexicon';
import { verbAt } from '../words/operations';
import { isPlural, partsOf, wordsOf } from '../words/words';
import { nameAfterOwner } from './owners';
import { type OpenAct, partOf, type Reading, toolOf } from './reading';

export interface Objects {
  readonly phrases: readonly NounPhrase[];
  readonly from: number;
  readonly end: number;
}

/** What the verb is done to: one thing or a list of things. */
export function objectsAt(sentence: Sentence, start: number): Objects {
  const phrases: NounPhrase[] = [];
  let at = start;
  for (;;) {
    const found = nounPhraseAt(sentence, at);
    if (!found) break;
    phrases.push(found.phrase);
    at = found.end;
    const joint = listJointAt(sentence, at);
    if (joint === 0) break;
    const next = nounPhraseAt(sentence, at + joint);
    if (!next || !isListed(sentence, at + joint, next.phrase)) break;
    // "Fit the head, the vent plug facing the outlet": which way it goes on.
    if (/^(?:facing|pointing|looking|toward|towards)$/.test(sentence.lows[next.end] ?? '')) break;
    // "Volute on, nuts finger tight": the nuts are.
    if (
      sentence.lows[at] === ',' &&
      /^(?:in )?(?:just |only )?(?:finger|hand)[- ]tight\b/.test(sentence.lows.slice(next.end).join(' '))
    )
      break;
    at += joint;
  }
  return { phrases: withSharedWords(sentence, phrases), from: start, end: at };
}

function listJointAt(sentence: Sentence, at: number): number {
  const said = sentence.lows.slice(at, at + 4).join(' ');
  const joint = /^(?:, and|, or|,|and|&|\+|together with|along with|as well as|plus)(?= |$)/.exec(said)?.[0];
  return joint ? joint.split(' ').length : 0;
}

function isListed(sentence: Sentence, at: number, next: NounPhrase): boolean {
  if (next.pronoun || /^(?:it|them|they)$/.test(sentence.lows[at + 1] ?? '')) return false;
  const told = sentence.lows.slice(at).join(' ');
  const behind = sentence.words.findIndex(({ to }) => to === next.to) + 1;
  // "The gears are fitted, driving gear first": in which order.
  if (sentence.lows[at - 1] === ',' && /^(?:first|last)$/.test(sentence.lows[behind] ?? '')) return false;
  if (STATES_OF_NEXT.test(sentence.lows.slice(behind).join(' '))) return false;
  // "Inspect the slippers, any rounding of the edges": what is looked for.
  if (sentence.lows[at - 1] === ',' && /^any /.test(told)) return false;
  if (/^(?:count|catch|write|call|tell|ask) |^go to \d/.test(told) || lexicon.REMARK_OPENING.test(told)) return false;
  if (next.known?.kind === 'part') return true;
  // "Lock washer, impeller, key off".
  const isShort = next.words.length === 1 && lastWordsOf(sentence.names).has(partsOf(next.name).at(-1) ?? '');
  const isOffNext = /^(?:off|out)$/.test(sentence.lows[at + 1] ?? '') && isJoint(sentence.words[at + 2]);
  if (sentence.lows[at - 1] === ',' && isShort && isOffNext) return true;
  if (sentence.lows[at - 1] === ',' && !/\band\b/.test(sentence.lows.slice(at).join(' '))) return false;
  // "The poppet and seat for wear" are two parts, and nothing is seated.
  const isKind = kindFromName(next.name) !== 'other';
  const verb = verbAt(sentence.lows, at);
  // "Pull the plunger and seal out": a seal, and nothing is sealed.
  const isMoved =
    sentence.lows[at - 1] === 'and' &&
    (verb === undefined || (verb.is === 'verb' && verb.length === 1)) &&
    /^(?:off|out|from|in|on|back|away)$/.test(sentence.lows[behind] ?? '');
  if (isKind && isMoved) return true;
  const isNamed = isKind && isJoint(sentence.words[at + next.words.length]);
  return (
    (verb === undefined || isNamed) &&
    !beginsFacing(sentence, at) &&
    !lexicon.MANNER_PHRASE.test(sentence.lows.slice(at).join(' '))
  );
}

/** "... the lantern ring lies in the middle", "... and the bearing will drop out": a statement, and no more of a list. */
const STATES_OF_NEXT =
  /^(?:lies|sits|stays?|remains?|belongs?|stands?|hangs?|points?|is|are|will|would|can|may|might|should|must|(?:comes?|goes|go|moves?|turns?) with|drops?|falls?)(?= |$)/;

/** "The upper male and female glands": what one says of several is said of each. */
function withSharedWords(sentence: Sentence, phrases: readonly NounPhrase[]): NounPhrase[] {
  const last = phrases.at(-1);
  if (phrases.length < 2 || !last) return [...phrases];
  const find = (words: readonly string[]) => {
    const text = words.join(' ');
    const piece = new Sentence(text, wordsOf(text), sentence.names);
    return namesAt(sentence.names, piece.words, 0).find(
      ({ kind, length }) => kind === 'part' && length === piece.words.length,
    );
  };
  // "The strainer and the strainer screw" are two things, and not one of them twice.
  const named = new Set(phrases.map(({ known }) => known?.id));
  const shared = phrases.map((phrase): NounPhrase => {
    // "Boot and new clamps" are a boot, and clamps.
    if (phrase.known || (phrase !== last && last.state.length > phrase.state.length)) return phrase;
    // "Key, impeller and the nut" are three, where there is an impeller nut.
    const isThing = phrase !== last && kindFromName(phrase.name) !== 'other';
    if (isThing && hasArticle(sentence, last)) return phrase;
    const head = last.words.at(-1) ?? '';
    const lead = phrases[0]?.words.slice(0, -1) ?? [];
    if (sharesHead(sentence, phrase, last)) {
      const rest = last.words.slice(1);
      const name = [...phrase.words, ...rest].join(' ');
      const own = find([...phrase.words, ...rest]);
      return { ...phrase, ...(own && { known: own }), name: own?.name ?? name, words: (own?.name ?? name).split(' ') };
    }
    const known =
      find([...phrase.words, head]) ?? find([...lead, ...phrase.words]) ?? find([...lead, ...phrase.words, head]);
    return known && !named.has(known.id)
      ? { ...phrase, known, name: known.name, words: known.name.split(' ') }
      : phrase;
  });
  return shared;
}

function hasArticle({ lows, words }: Sentence, phrase: NounPhrase): boolean {
  const at = words.findIndex(({ from }) => from >= phrase.from);
  return [lows[at], lows[at - 1]].some((low) => /^(?:the|a|an|its)$/.test(low ?? ''));
}

/** "The inlet and outlet valves", where the series has neither: both are valves. */
function sharesHead({ lows, words }: Sentence, phrase: NounPhrase, last: NounPhrase): boolean {
  const [word, other] = phrase.words;
  if (word === undefined || other !== undefined || last.known || last.words.length < 2) return false;
  if (last.words.length > 2 && !lexicon.SAYS_WHICH.test(last.words[0] ?? '')) return false;
  const behind = words.findIndex(({ to }) => to === phrase.to) + 1;
  return lexicon.SAYS_WHICH.test(word) && lows[behind] === 'and' && lows[behind + 1] === last.words[0];
}

function isDirt(words: readonly string[]): boolean {
  const last = words.at(-1) ?? '';
  return lexicon.DIRT.test(last) && !/^(?:gaskets?|marks?|tape|scale|product|film)$/.test(last);
}

/** "Metal parts", "the loose bits". */
const ANY_KIND = /^(?:metal|rubber|plastic|loose|small|other|remaining|removed|internal|inner|moving|wet|dirty|worn)$/;

/** "All parts", "the rest": no part of the list. */
function isAnyPart({ known, quoted, words, every }: NounPhrase): boolean {
  const isOne = words.length === 1 || (words.length === 2 && (every || ANY_KIND.test(words[0] ?? '')));
  return !known && !quoted && isOne && lexicon.ANY_PARTS.test(words.at(-1) ?? '');
}

/** "Hold one plate and tighten the other". */
function isTheOther({ known, quoted, words }: NounPhrase): boolean {
  return !known && !quoted && /^(?:other|others|other ones?)$/.test(words.join(' '));
}

/** "Insert the assembly": what was put together before. */
function isAssembly({ known, quoted, words }: NounPhrase): boolean {
  return !known && !quoted && words.length === 1 && words[0] === 'assembly';
}

/** Around the pump, or the whole of it, and no part. */
function isAround(words: readonly string[]): boolean {
  if (words.length === 1 && /^(?:pump|machine|unit|equipment|joint)$/.test(words[0] ?? '')) return true;
  return /^(?:breaker|supply|mains|power|isolator|bench|floor|workshop|area|surroundings)$/.test(words.at(-1) ?? '');
}

/** A bore, a thread, an edge: unless a part is called so. */
function isNoPart({ series }: Reading, { known, quoted, words }: NounPhrase): boolean {
  // "The casing ring clearance" is measured, however long its name.
  if (
    !known &&
    !quoted &&
    words.length > 2 &&
    (MEASURED.test(words.at(-1) ?? '') || lexicon.isFeature(words.slice(-1)))
  )
    return true;
  if (known || quoted || !(lexicon.isFeature(words) || lexicon.isSubstance(words) || isDirt(words) || isAround(words)))
    return false;
  if (HALVED.test(words.slice(-2).join(' '))) return false;
  const parts = partsOf(words.join(' '));
  return partsEndingIn(series, parts).length === 0;
}

const HALVED = /^(?:coupling|casing|case|body|housing|shell|collar|flange|hub|split) hal(?:f|ves)$/;
const MEASURED =
  /^(?:clearances?|run-?out|play|float|gaps?|diameters?|thickness|lengths?|heights?|depths?|wear|pressures?|temperatures?|levels?|alignment|backlash|preload|tension|tightness|condition|position|setting|squareness|straightness)$/;

/** What is set need not be a part: "the stroke", "the air regulator"; but a short name of one is asked about. */
function isSettingOnly({ series }: Reading, { words }: NounPhrase): boolean {
  const parts = partsOf(words.join(' '));
  return partsEndingIn(series, parts).length === 0;
}

/** Puts what was named where it belongs: parts, what is put on, or what is no part at all. */
export function takeObjects(reading: Reading, phrases: readonly NounPhrase[], act: OpenAct): void {
  const { effect } = verbOf(act.verb);
  for (const phrase of phrases) {
    takeNumbers(phrase, act);
    if (phrase.which && !takePlace(phrase, act)) act.how.push(phrase.which);
    act.how.push(...(act.verb === 'renew' ? phrase.state.filter((state) => state !== 'new') : phrase.state));
    const other = reading.acts.findLast((one) => one !== act && one.parts.length > 0)?.parts;
    if (isTheOther(phrase) && other?.length === 1) {
      act.parts.push(...other.map(({ count: _one, ...part }) => part));
      act.how.push('the other');
      reading.verbs.push('other', 'ones');
      continue;
    }
    if (phrase.pronoun || isAssembly(phrase)) {
      reading.verbs.push(...phrase.words);
      if (/^(?:everything|all)$/.test(phrase.name) && effect === 'stays') {
        act.about = 'everything';
        continue;
      }
      // One that was put in, as in "and cleaned", is whatever was named.
      const isIt = phrase.name === 'it' && phrase.words.length === 1 && phrase.to > phrase.from;
      const isEither = isCautionedOf(reading, act, phrase) || (isIt && isOfAim(reading, act));
      const named = (isEither ? [] : isIt ? reading.meantByIt(phrase.from) : reading.meant()) ?? [];
      // One thing that was fitted before is no assembly.
      const isWhole = !isAssembly(phrase) || reading.acts.length > 1 || named.length > 1;
      // "The seats come away with the case, push them out": the seats.
      const own = named.filter(({ name }) => !reading.along.has(name));
      const areMany = phrase.name === 'them' && own.length > 0 && own.every((part) => reading.isSaidInPlural(part));
      const those = areMany ? own : named;
      const all = !isWhole ? [] : phrase.name === 'both' ? those.map(({ count: _all, ...part }) => part) : those;
      // "Cover on, eight bolts, start them by hand": the bolts.
      const meant = all.length > 1 && /^(?:torque|start-by-hand)$/.test(act.verb) ? tightenedOf(all) : all;
      // "Draw the plunger at cylinder 2 and clean it": that one.
      const there = isIt ? reading.acts.findLast((one) => one !== act && one.parts.length > 0) : undefined;
      if (there && meant.length > 0 && meant.every(({ name }) => there.parts.some((part) => part.name === name)))
        samePlace(there, act);
      // "Wash everything and lay it on a cloth".
      const before = isOfLast(reading, act);
      if (meant.length === 0 && effect === 'stays' && isOfEverything(reading, act)) act.about = 'everything';
      else if (meant.length === 0 && effect === 'stays' && before !== undefined) act.about = before;
      else if (meant.length === 0 && reading.isFirstWord && isDoneToPump(act.verb)) act.about = 'the pump';
      else if (meant.length === 0)
        reading.doubts.push({ kind: 'pronoun', from: phrase.from, to: phrase.to, text: phrase.name, offers: [] });
      act.parts.push(...meant);
    } else if (
      (phrase.known?.kind === 'place' || phrase.known?.kind === 'places') &&
      // "The rods" of three are the places; "the rod" may be a part.
      (lexicon.isFeature(phrase.words.slice(0, 1)) || isPlural(phrase.words.at(-1) ?? ''))
    ) {
      const said = { ...phrase, known: undefined };
      // "The plungers", where the places are called so and there are ceramic plungers.
      const isPart =
        phrase.known.kind === 'places' && verbOf(act.verb).object === 'parts' && isPartOrShort(said, reading.series);
      if (isPart) act.parts.push({ ...partOf(phrase), name: phrase.words.join(' ') });
      else if (act.parts.length > 0) act.how.push(phrase.name);
      else act.about = phrase.name;
      if (phrase.feature) feature(act, phrase.feature);
    } else if (APPLIES.includes(act.verb) && !phrase.known && lexicon.isSubstance(phrase.words)) {
      act.applied.push({ name: phrase.words.join(' '), ...(phrase.feature && { amount: phrase.feature }) });
    } else if (APPLIES.includes(act.verb) && phrase.known?.kind === 'substance') {
      act.applied.push({ name: phrase.known.name, ...(phrase.feature && { amount: phrase.feature }) });
    } else if (phrase.known?.kind === 'substance' && /^(?:inspect|measure)$/.test(act.verb)) {
      act.about = phrase.known.name;
    } else if (
      act.verb === 'hold' &&
      (phrase.known?.kind === 'tool' || (!phrase.known && lexicon.isToolName(phrase.words)))
    ) {
      act.tools.push(toolOf(phrase));
    } else if (act.verb === 'adjust' && !phrase.known && !phrase.quoted && isSettingOnly(reading, phrase)) {
      act.about = phrase.feature ? `${phrase.feature} ${phrase.name}` : phrase.name;
    } else if (isAnyPart(phrase) && effect === 'stays' && act.verb !== 'hold') {
      act.about = phrase.every ? `all ${pluralName(singularName(phrase.name))}` : phrase.name;
    } else if (isAnyPart(phrase)) {
      reading.doubts.push({ kind: 'pronoun', from: phrase.from, to: phrase.to, text: phrase.name, offers: [] });
    } else if (isNoPart(reading, phrase) && effect === 'stays') {
      const told = phrase.feature ? phrase.words.join(' ') : phrase.name;
      act.about = phrase.fromCount === undefined ? told : `${numberWord(phrase.count ?? 1)} ${told}`;
      if (phrase.feature) feature(act, phrase.feature);
    } else {
      act.parts.push({ ...ownPart(phrase, reading.series, act.parts), ...nameAfterOwner(reading, phrase, act) });
      if (phrase.feature) feature(act, phrase.feature);
    }
  }
  // "Grease the bore and the piston seal": what is no part is told beside those.
  if (act.about !== undefined && act.parts.length > 0 && verbOf(act.verb).object === 'parts') {
    act.how.unshift(`and the ${act.about.replace(/^the /, '')}`);
    delete act.about;
  }
  if (phrases.length === 0) {
    const last = reading.acts.at(-2);
    if (last && last.parts.length > 0 && verbOf(last.verb).object === 'parts') act.parts.push(...tightened(last, act));
    // "Drain the casing and flush with water".
    else if (
      last?.about !== undefined &&
      last.verb !== 'test' &&
      /^(?:clean|lubricate|apply-compound|inspect)$/.test(act.verb)
    )
      act.about = last.about;
    else if (!last) act.parts.push(...reading.named);
  }
}

/** "The flange with its gasket": one gasket, however many there are; "the first impeller": one of six. */
export function ownPart(phrase: NounPhrase, series: Series, owners: readonly SaidPart[]): SaidPart {
  const part = partOf(phrase);
  const known = byName(series.components, part.name);
  const isOneOfMany = known !== undefined && known.count > 1 && known.positionSetId === undefined;
  const isOneOwner =
    owners.length > 0 && owners.every(({ name, count }) => (count ?? byName(series.components, name)?.count) === 1);
  const isTold = (phrase.own && isOneOwner) || /^the (?:first|second|third|last|next)$/.test(phrase.which ?? '');
  const isOne = isOneOfMany && isTold && part.count === undefined && !isPlural(phrase.words.at(-1) ?? '');
  return isOne ? { ...part, count: 1 } : part;
}

function samePlace({ positionSetId, positionIds, positionNames = [] }: OpenAct, act: OpenAct): void {
  if (act.positionIds.length > 0 || positionIds.length === 0) return;
  act.positionIds = [...positionIds];
  act.positionNames = [...(act.positionNames ?? []), ...positionNames];
  if (positionSetId) act.positionSetId = positionSetId;
}

/** "Wipe the seal bores and look them over": what is no part and was cleaned just before. */
function isOfLast({ acts }: Reading, act: OpenAct): string | undefined {
  const last = acts.findLast((one) => one !== act);
  const isDone = last && /^(?:clean|inspect|measure|dress|lubricate|mark)$/.test(last.verb) && last.parts.length === 0;
  return isDone ? last.about : undefined;
}

/** "Caps off, watch for the shims, tag them": the caps or the shims. */
function isCautionedOf({ acts }: Reading, act: OpenAct, { name, from, to }: NounPhrase): boolean {
  const caution = acts.findLast((one) => one !== act && one.parts.length > 0)?.cautions.at(-1)?.text ?? '';
  const thing = /\b(?:the|its|those|these|their|any) ((?:[\w-]+ )?[\w-]+)$/i.exec(caution)?.[1];
  const isAlike = thing !== undefined && to > from && isPlural(thing.split(' ').at(-1) ?? '') === (name === 'them');
  return isAlike && kindFromName(thing) !== 'other';
}

/** What one may do to a whole pump. */
function isDoneToPump(verb: Verb): boolean {
  return /^(?:lay|clean|hold|move|inspect)$/.test(verb);
}

function isOfEverything({ acts }: Reading, act: OpenAct): boolean {
  const last = acts.findLast((one) => one !== act && (one.parts.length > 0 || one.about !== undefined));
  return last?.about === 'everything' || /^all \w+$/.test(last?.about ?? '');
}

/** "To change a plunger undo the nut and slide it off": the plunger or the nut. */
function isOfAim(reading: Reading, act: OpenAct): boolean {
  const last = reading.acts.findLast((one) => one !== act && one.parts.length > 0);
  const [part] = last?.parts ?? [];
  if (!part || !last?.why.some((why) => /^to\b/i.test(why))) return false;
  return reading.inLine.some(({ name, count, to }) => count === 1 && name !== part.name && to <= part.from);
}

/** "Fit the impeller and nut, torque to 90 N·m": of what was fitted, the nut is tightened. */
function tightened({ parts }: SaidAct, { verb }: OpenAct): readonly SaidPart[] {
  return verb === 'torque' || verb === 'start-by-hand' ? tightenedOf(parts) : parts;
}

/** Of several parts those that are tightened: the fasteners, or whatever takes a torque. */
export function tightenedOf(parts: readonly SaidPart[]): readonly SaidPart[] {
  const fasteners = parts.filter(({ name }) => lexicon.FASTENS.test(name));
  return fasteners.length > 0 ? fasteners : parts.filter(({ name }) => !TAKES_NO_TORQUE.test(name));
}

const TAKES_NO_TORQUE = /\b(?:gasket|o-ring|ring|seal|packing|washer|shim|key|diaphragm|spring|ball)s?$/i;

/** "Impeller 2" of one at each stage is the one of stage 2. */
function takeNumbers({ numbered = [], known }: NounPhrase, act: OpenAct): void {
  for (const number of numbered) {
    const place = known?.numbered?.get(number);
    if (!place) continue;
    act.positionSetId = place.setId;
    act.positionIds = [...act.positionIds, place.id];
    act.positionNames = [...(act.positionNames ?? []), place.name];
  }
}

/** "The left chamber" of a left and a right one is the one at the left. */
function takePlace({ which, known }: NounPhrase, act: OpenAct): boolean {
  const place = known && placeCalled(known, which?.replace(/^the /, '') ?? '');
  if (!place) return false;
  act.positionSetId = place.setId;
  act.positionIds = [...act.positionIds, place.id];
  act.positionNames = [...(act.positionNames ?? []), place.name, which ?? ''];
  return true;
}

const APPLIES: readonly Verb[] = ['lubricate', 'apply-compound', 'wrap'];

function feature(act: OpenAct, said: string): void {
  if (act.applied.length > 0 && APPLIES.includes(act.verb))
    act.applied[0] = { ...(act.applied[0] as SaidAct['applied'][number]), where: said };
  else act.how.push(said);
}

/** Verbs that name what is put on. */
export const GREASES: Readonly<Record<string, string>> = { grease: 'grease', oil: 'oil' };

/** The one grease or oil that the series has, if it has one only. */
export function onlySubstance({ consumables }: Series, name: string): string {
  const fitting = consumables.filter(
    (one) =>
      one.name
        .toLowerCase()
        .split(/[\s-]+/)
        .at(-1) === name,
  );
  return fitting.length === 1 ? (fitting[0]?.name ?? name) : name;
}
