import { singularName } from '../../../../model/names';
import { kindFromName } from '../../../../reading/en/kind-words';
import { isEnd, isFeature, isManner, isSubstance } from '../words/lexicon';
import { WAY_WORDS } from '../words/operations';
import { isPlural, partsOf, type Word } from '../words/words';
import { type KnownName, lastWordsOf, namesAt } from './known-names';
import { beginsFacing, DETERMINERS, endsName, isJoint, isPastName, namesHere, PRONOUN, UNITS } from './name-ends';
import { isPartNoun } from './part-nouns';
import { placeOfNext } from './place-before';
import type { Sentence } from './sentence';

/** Something named in a sentence: how many of it, under which name, and what it is known as. */
export interface NounPhrase {
  readonly name: string;
  readonly words: readonly string[];
  readonly known?: KnownName;
  readonly count?: number;
  readonly total?: number;
  /** All but so many of them. */
  readonly but?: number;
  /** Which of them, by the numbers of their places: "impellers 2 and 3". */
  readonly numbered?: readonly number[];
  /** "the remaining", "the outside": which of them, as said. */
  readonly which?: string;
  /** The part of it that is meant: "the lip". */
  readonly feature?: string;
  /** In which state it is said to be: "new", "old", "greased". */
  readonly state: readonly string[];
  readonly every?: true;
  /** "Its gasket". */
  readonly own?: true;
  readonly quoted?: true;
  readonly pronoun?: true;
  readonly from: number;
  readonly to: number;
  /** Where its number begins. */
  readonly fromCount?: number;
}

/** "Press in the new one": what was named, in another state. */
const NEW_ONE = /^(?:(?:the|a) )?(?:new|old) ones?\b|^the same$|^each (?:one|of them)\b/;
/** Words before a name that are no part of it. */
export const STATE =
  /^(?:new|fresh|old|used|worn|original|same|existing|spare|replacement|whole|entire|complete|hot|cold|warm|heated|dirty|damaged|broken|greased|oiled|soaked|cleaned|assembled)$/;
/** "The remaining two", "the outside two": words that say which of several, beside a number. */
const WHICH =
  /^(?:remaining|other|last|first|second|third|outside|outer|inside|inner|opposite|middle|centre|center|upper|lower|top|bottom|left|right|front|rear|next)$/;
/** What is left of something. */
export const REST = /^(?:remains?|traces?|rests?|residues?|bits|pieces)$/;
const MEASURED = /^(?:n·m|nm|newton\w*|bar|psi|litres?|liters?|degrees|°c|°)$/;
/** Words with which something else begins. */

/** What is named at a word; undefined where nothing is. `end` is the word after it. */
export function nounPhraseAt(sentence: Sentence, start: number): { phrase: NounPhrase; end: number } | undefined {
  const { words, lows } = sentence;
  let at = start;
  let count: number | undefined;
  let total: number | undefined;
  let fromCount: number | undefined;
  let but: number | undefined;
  const state: string[] = [];
  let every = false;
  let isOwn = false;
  const which: string[] = [];

  const first = lows[at] ?? '';
  if (/^(?:anything|something|nothing|whatever)$/.test(first)) return undefined;
  if (PRONOUN.test(first) && !isAllBut(sentence, at) && !namesHere(sentence, at) && isPronounAlone(sentence, at)) {
    const word = words[at] as Word;
    return {
      phrase: { name: first, words: [first], state: [], pronoun: true, from: word.from, to: word.to },
      end: at + 1,
    };
  }
  const newOne = NEW_ONE.exec(lows.slice(at, at + 3).join(' '))?.[0];
  if (newOne) {
    const end = at + newOne.split(' ').length;
    const [from, to] = [(words[at] as Word).from, (words[end - 1] as Word).to];
    const it = /ones|same|each/.test(newOne) ? 'them' : 'it';
    return {
      phrase: {
        name: it,
        words: [it],
        state: /same|each/.test(newOne) ? [] : [newOne.includes('new') ? 'new' : 'old'],
        pronoun: true,
        from,
        to,
      },
      end,
    };
  }
  for (let turns = 0; turns < 8; turns += 1) {
    const low = lows[at] ?? '';
    const word = words[at];
    const inBrackets = bracketedAt(sentence, at);
    // "Twelve (12) bolts", "(8) bolts".
    if (inBrackets && (count === undefined || count === inBrackets.count) && !isJoint(words[inBrackets.end])) {
      ({ count, end: at } = inBrackets);
      fromCount ??= word?.from;
      continue;
    }
    if (word && namesHere(sentence, at, 'part') && !(word.value !== undefined)) break;
    if (DETERMINERS.test(low)) {
      isOwn = /^(?:its|their)$/.test(low);
      at += 1;
    } else if (isAllBut(sentence, at)) {
      but = words[at + 2]?.value;
      at += 3;
      if (lows[at] === 'of') at += 1;
    } else if (/^(?:all|each|every|both)$/.test(low)) {
      every = true;
      if (low === 'both') count = 2;
      at += lows[at + 1] === 'of' ? 2 : 1;
    } else if (
      (STATE.test(low) && !namesHere(sentence, at, 'substance')) ||
      (low === 'clean' && namesHere(sentence, at + 1, 'substance'))
    ) {
      state.push(low);
      at += 1;
    } else if (low === 'pair' && lows[at + 1] === 'of') {
      count = 2;
      at += 2;
    } else if (/^(?:set|bunch|lot)$/.test(low) && lows[at + 1] === 'of') at += 2;
    else if (WHICH.test(low) && /^(?:row|circle|line|ring|set) of$/.test(lows.slice(at + 1, at + 3).join(' '))) {
      // "The outer row of bolts".
      which.push(...lows.slice(at, at + 2));
      at += 3;
    } else if (count !== undefined && /^(?:more|further|additional|extra)$/.test(low) && !isJoint(words[at + 1]))
      at += 1;
    else if (word?.value !== undefined && Number.isInteger(word.value) && isCounting(sentence, at)) {
      if (count === undefined || every) count = word.value;
      fromCount ??= word.from;
      at += 1;
      // "Eight nos. bolts", "4x screws".
      if (/^(?:[x×]|nos|pcs)$/.test(lows[at] ?? '') && !isJoint(words[at + 1])) at += 1;
      if (lows[at] === 'of') {
        const counted = ofHowMany(sentence, at);
        if (counted) {
          total = counted.total;
          at = counted.end;
        }
      }
    } else if (WHICH.test(low) && isWhichOfThem(sentence, at)) {
      which.push(low);
      at += 1;
    } else {
      const place = placeOfNext(sentence, at);
      if (place === 0) break;
      which.push(...lows.slice(at, at + place));
      at += place;
    }
  }
  // "Renew all four": those that were named.
  if (every && count !== undefined && isJoint(words[at]) && at > start && !namesHere(sentence, at, 'part')) {
    const [from, to] = [(words[start] as Word).from, (words[at - 1] as Word).to];
    return { phrase: { name: 'all', words: lows.slice(start, at), state: [], pronoun: true, from, to }, end: at };
  }
  // "The inside of the sleeve" is the sleeve, and inside is where.
  const inner = /^(?:inside|outside|underside)$/.test(lows[at] ?? '') && lows[at + 1] === 'of';
  const whole = inner ? nounPhraseAt(sentence, at + 2) : undefined;
  if (whole && !whole.phrase.pronoun)
    return { phrase: { ...whole.phrase, feature: sentence.text(at, at + 1) }, end: whole.end };
  const named = nameAt(sentence, at);
  if (!named) return undefined;
  let end = named.end;
  let { known } = named;
  let nameWords = named.words;
  let feature: string | undefined;
  let nameOfWhole: string | undefined;
  // "The plunger diameter" is the plunger, and the diameter is where.
  const behind = lows[end] ?? '';
  if (
    known?.kind === 'part' &&
    isFeature([behind]) &&
    !beginsFacing(sentence, end) &&
    (isJoint(words[end + 1]) || isManner(lows[end + 1] ?? ''))
  ) {
    feature = behind;
    end += 1;
  }
  const numbers = known ? numbersAt(sentence, end, known) : [];
  if (numbers.length > 0) end += 2 * numbers.length - 1;
  const whose = lows[end] === 'of' ? nounPhraseAt(sentence, end + 1) : undefined;
  const joined = whose && partOfWhole(sentence, whose.phrase, nameWords);
  const isOwnPart = kindFromName(nameWords.join(' ')) !== 'other' && !isFeature(nameWords);
  // "The nuts of the gland" are the gland nuts; where none are called so, they are still no gland.
  if (whose && joined) {
    known = joined;
    nameWords = joined.name.split(' ');
    ({ end } = whose);
  } else if (whose && !known && isOwnPart && isOwnedByPart(sentence, whose.phrase, nameWords)) {
    // "The O-rings of the valve plugs", where the series knows no O-rings.
    nameOfWhole = `${oneOf(whose.phrase)} ${sentence.text(at, end)}`;
    nameWords = nameOfWhole.split(' ');
    ({ end } = whose);
  } else if (lows[end] === 'of' && !known && !isOwnPart) {
    // "The lip of the seal" is the seal, and the lip is where.
    if (
      whose &&
      !whose.phrase.pronoun &&
      (REST.test(nameWords.at(-1) ?? '') ||
        isStuff(whose.phrase) ||
        isFeature(nameWords) ||
        isEnd(nameWords.at(-1) ?? '') ||
        whose.phrase.known?.kind === 'part')
    ) {
      feature = sentence.text(start, end);
      ({ known } = whose.phrase);
      if (isFeature(nameWords) && nameWords.at(-1) !== 'half') nameOfWhole = whose.phrase.name;
      nameWords = [...whose.phrase.words];
      count = whose.phrase.count;
      total = whose.phrase.total;
      state.push(...whose.phrase.state);
      end = whose.end;
    }
  }
  const last = words[end - 1] as Word;
  const from = (words[at] as Word).from;
  // "Screws (3)" are three of them; "the guard (3)" is the third on a drawing.
  const nameEnd = end;
  const behindName = bracketedAt(sentence, end);
  if (behindName && !named.quoted) {
    if (count === undefined && isPlural(lows[end - 1] ?? '')) {
      ({ count } = behindName);
      fromCount = from;
    }
    ({ end } = behindName);
  }
  return {
    phrase: {
      name: known?.name ?? nameOfWhole ?? named.name(nameEnd),
      words: nameWords,
      ...(known && { known }),
      ...(count !== undefined && { count }),
      ...(total !== undefined && { total }),
      ...(but !== undefined && { but }),
      ...(numbers.length > 0 && { numbered: numbers }),
      ...(fromCount !== undefined && { fromCount }),
      ...(which.length > 0 && { which: `the ${which.join(' ')}` }),
      ...(feature !== undefined && { feature }),
      state,
      ...(every && { every }),
      ...(isOwn && { own: true }),
      ...(named.quoted && { quoted: true }),
      from: feature === undefined || known !== undefined ? from : (words[end - nameWords.length] ?? last).from,
      to: last.to,
    },
    end,
  };

  function ofHowMany(inside: Sentence, of: number): { total: number | undefined; end: number } | undefined {
    const behind = /^(?:the|these|those)$/.test(inside.lows[of + 1] ?? '') ? of + 2 : of + 1;
    const number = inside.words[behind];
    if (number?.value !== undefined && !UNITS.test(inside.lows[behind + 1] ?? ''))
      return { total: number.value, end: behind + 1 };
    return behind > of + 1 ? { total: undefined, end: behind } : undefined;
  }
}

/** "All but two of the bolts". */
function isAllBut({ words, lows }: Sentence, at: number): boolean {
  return lows[at + 1] === 'but' && /^(?:all|every)$/.test(lows[at] ?? '') && words[at + 2]?.value !== undefined;
}

/** "Impeller 2", "impellers 2 and 3" of one at each stage. */
function numbersAt({ words, lows }: Sentence, start: number, { numbered }: KnownName): number[] {
  const numbers: number[] = [];
  for (let at = start; ; at += 2) {
    const number = words[at]?.value;
    // "One at a time" is no number of a place.
    if (number === undefined || !numbered?.has(number) || /^(?:at|by|after|or|of)$/.test(lows[at + 1] ?? '')) break;
    if (UNITS.test(lows[at + 1] ?? '')) break;
    numbers.push(number);
    if (!/^(?:and|,|&)$/.test(lows[at + 1] ?? '')) break;
  }
  return numbers;
}

/** A number that counts parts, and measures nothing: "four foot bolts" are no feet. */
function isCounting(sentence: Sentence, at: number): boolean {
  const next = sentence.lows[at + 1] ?? '';
  if (!UNITS.test(next) || namesHere(sentence, at + 1, 'part')) return true;
  const head = sentence.lows[at + 2] ?? '';
  return next === 'foot' && !isJoint(sentence.words[at + 2]) && isPlural(head) && !/^(?:pounds|lbs)$/.test(head);
}

/** "(12)", "(10 pcs)". */
function bracketedAt({ words, lows }: Sentence, at: number): { count: number; end: number } | undefined {
  const count = words[at + 1]?.value;
  const close = /^(?:pcs?|pieces?|off|each|x)$/.test(lows[at + 2] ?? '') ? at + 3 : at + 2;
  return lows[at] === '(' && lows[close] === ')' && count !== undefined && Number.isInteger(count)
    ? { count, end: close + 1 }
    : undefined;
}

function isPronounAlone(sentence: Sentence, at: number): boolean {
  const next = sentence.words[at + 1];
  const low = sentence.lows[at] ?? '';
  if (/^(?:it|them|they)$/.test(low)) return true;
  if (next?.low === 'of') return false;
  return isJoint(next) || (next !== undefined && (isManner(next.low) || WAY_WORDS[next.low] !== undefined));
}

/** "The remaining two bolts", "the outside bolts" of several; but "outside diameter" is a name. */
function isWhichOfThem(sentence: Sentence, at: number): boolean {
  const next = sentence.words[at + 1];
  if (!next) return false;
  if (next.value !== undefined || WHICH.test(next.low)) return true;
  const before = sentence.words[at - 1];
  const names = namesAt(sentence.names, sentence.words, at + 1);
  return (
    names.some(({ kind, length }) => kind === 'part' && length > 0) &&
    before !== undefined &&
    (before.value !== undefined ||
      /^(?:remaining|other|opposite|last|next|first|second|third)$/.test(sentence.lows[at] ?? ''))
  );
}

interface Named {
  readonly words: readonly string[];
  readonly known?: KnownName;
  readonly quoted?: true;
  readonly end: number;
  name(end: number): string;
}

/** A name known to the series, or the words up to where something else begins. */
function nameAt(sentence: Sentence, at: number): Named | undefined {
  const { words, lows } = sentence;
  const word = words[at];
  if (!word) return undefined;
  const own = (end: number) => sentence.text(at, end);
  // "Torque 25 N·m" names nothing.
  if (word.value !== undefined && MEASURED.test(lows[at + 1] ?? '') && !namesHere(sentence, at)) return undefined;
  if (word.quoted) return { words: word.parts, quoted: true, end: at + 1, name: () => own(at + 1).slice(1, -1) };
  const [known] = namesAt(sentence.names, words, at);
  let end = at;
  while (end < words.length && !endsName(sentence, at, end)) end += 1;
  // "Valve cap wrench" is no valve cap, and "seal case screws" no seal case.
  const isWhole =
    known &&
    (at + known.length >= end ||
      isPastName(sentence, at + known.length) ||
      numbersAt(sentence, at + known.length, known).length > 0);
  if (known && isWhole) {
    return { words: lows.slice(at, at + known.length), known, end: at + known.length, name: own };
  }
  if (end === at) return undefined;
  return { words: lows.slice(at, end), end, name: own };
}

/** The part of the series that is called after the one it belongs to: "nuts" of the gland are "gland nuts". */
function partOfWhole({ names }: Sentence, whole: NounPhrase, words: readonly string[]): KnownName | undefined {
  const parts = partsOf([...whole.words, ...words].join(' '));
  const found = (names.get(parts[0] ?? '') ?? []).find(
    (entry) => entry.kind === 'part' && entry.parts.join(' ') === parts.join(' '),
  );
  return found && { kind: found.kind, id: found.id, name: found.name, length: parts.length };
}

/** A part of the series, or what nobody named yet and is called as parts are. */
export function isCalledPart({ known, pronoun, name }: NounPhrase): boolean {
  return known ? known.kind === 'part' : !pronoun && isPartNoun(name) && !NO_CERTAIN_PART.test(name);
}

/** What parts are called, and much else. */
const NO_CERTAIN_PART = /\b(?:part|end|set|group|half|halve|stop|support|joint|suction)s?$/i;

/** Whether a part that nobody named yet is called after another: there is none like it, and the other is a part. */
function isOwnedByPart({ names }: Sentence, whole: NounPhrase, words: readonly string[]): boolean {
  const isKnownKind = lastWordsOf(names).has(partsOf(words.at(-1) ?? '').at(-1) ?? '');
  return (
    !isKnownKind &&
    isCalledPart(whole) &&
    !AROUND.test(whole.name) &&
    whole.feature === undefined &&
    whole.state.length === 0 &&
    whole.words.length + words.length < 5
  );
}

export const AROUND = /^(?:pump|machine|unit|equipment|system|line)s?$/i;

/** The name of one, whether one or several are named: "valve plug" of "the valve plugs". */
export function oneOf({ known, name }: NounPhrase): string {
  return known?.name ?? singularName(name);
}

/** Grease, oil, sealant: what is put on or filled in, whether the series has it or not. */
export function isStuff({ known, words }: NounPhrase): boolean {
  return known ? known.kind === 'substance' : isSubstance(words);
}
