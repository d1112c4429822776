import nlp from 'compromise';
import { LRUCache } from 'lru-cache';
import { singularWord } from '../../../../model/names';
import { joinNames } from './called-so';

/** One word, number or mark of what was said, with where it stands. */
export interface Word {
  /** Lower case; a hyphenated word is one word. */
  readonly low: string;
  /** Its parts by which names are compared: "low-pressure" is two, in the singular where it may be a plural. */
  readonly parts: readonly string[];
  readonly from: number;
  readonly to: number;
  readonly value?: number;
  /** What it is read as, where that is not what stands there. */
  readonly as?: string;
  /** Said in quotes: the name is meant just so. */
  readonly quoted?: true;
}

/** An inch mark stands behind its number; a quote stands before what it quotes. */
const TOKEN = /(?<=\d)["″”](?!\w)|"[^"]+"|'em(?!\p{L})|\d+(?:[.,/]\d+)*|[\p{L}\p{M}]+(?:['’·./-][\p{L}\p{M}\d]+)*|\S/gu;
const ONES = 'one|two|three|four|five|six|seven|eight|nine';
const TENS = 'ten|eleven|twelve|\\w+teen|(?:twen|thir|for|fif|six|seven|eigh|nine)ty(?:-\\w+)?';
/** Numbers in one word, as an alternation. */
export const NUMBERS = `${ONES}|${TENS}`;
const NUMBER_WORD = new RegExp(`^(?:${NUMBERS}|(?:${ONES})-(?:${TENS})|hundred|thousand|dozen)$`);
const NUMBER_JOINT = /^(?:hundred|thousand|and|point)$/;
/** "A new one" counts nothing. */
const NO_NUMBER_BEFORE = /^(?:new|old|other|another|sound|good|spare|this|that|the|each|every|which|any|right|wrong)$/;

const SIGNALS = /^(?:attention|caution|warning|danger|important|notice)$/;

/** Whether a word ends a sentence: a full stop, or a dash with room on both sides that is no "from - to". */
export function endsSentence(words: readonly Word[], at: number): boolean {
  const [before, word, next] = [words[at - 1], words[at], words[at + 1]];
  // "Attention! The magnet pulls in" is one caution.
  if (word?.low === '!' && SIGNALS.test(before?.low ?? '')) return false;
  if (!word || /^[.;!?]$/.test(word.low)) return word !== undefined;
  if (!before || !next || !/^[-–—]$/.test(word.low)) return false;
  const isRange = before.value !== undefined || next.value !== undefined;
  return before.to < word.from && word.to < next.from && !isRange;
}

/** Names as they are shortened on work cards. Common practice. */
const SHORT_NAMES: Readonly<Record<string, string>> = {
  assy: 'assembly',
  pwr: 'power',
  cplg: 'coupling',
  brg: 'bearing',
  brgs: 'bearings',
  gskt: 'gasket',
  gskts: 'gaskets',
  hsg: 'housing',
  csg: 'casing',
  vlv: 'valve',
  vlvs: 'valves',
  mtr: 'motor',
  alu: 'aluminium',
};

/** Words as they are typed in a hurry. */
const SHORT: Readonly<Record<string, string>> = {
  ...SHORT_NAMES,
  thru: 'through',
  whilst: 'while',
  she: 'it',
  her: 'it',
  "she's": "it's",
  n: 'and',
  dont: "don't",
  cant: "can't",
  em: 'them',
  "'em": 'them',
  insp: 'inspect',
  chk: 'check',
  tq: 'torque',
  rmv: 'remove',
  't/o': 'remove',
  repl: 'replace',
  cw: 'clockwise',
  ccw: 'counterclockwise',
  acw: 'anticlockwise',
};

/** Reads words, marks and numbers, also numbers said in words. */
export function wordsOf(text: string): readonly Word[] {
  return wordsRead.memo(text);
}

/** The same pieces of a line are read several times, and again at every key. */
const wordsRead = new LRUCache<string, readonly Word[]>({ max: 500, memoMethod: readWords });

function readWords(text: string): readonly Word[] {
  const mark = (NUMBER_MARK.exec(text) ?? LIST_MARK.exec(text))?.[0].length ?? 0;
  const tokens = [...text.matchAll(TOKEN)].filter(({ index }) => index >= mark);
  const single = tokens.map((hit): Word => {
    const [said] = hit;
    const at = { from: hit.index, to: hit.index + said.length };
    if (/^["″”]$/.test(said) && /\d/.test(text[hit.index - 1] ?? ''))
      return { low: 'inch', parts: ['inch'], as: ' in', ...at };
    if (said.startsWith('"'))
      return { low: said.toLowerCase(), parts: partsOf(said.slice(1, -1)), quoted: true, ...at };
    const typed = said.toLowerCase().replaceAll('’', "'");
    // "50 N" is a force, "knobs n cover" two things.
    const isAnd =
      said === '+' && /\p{L}{2,}\s+$/u.test(text.slice(0, at.from)) && /^\s+\p{L}{2,}/u.test(text.slice(at.to));
    // "24 n m" is a torque.
    const isNewton = said === 'N' || (said === 'n' && /^[\s.]*m\b/i.test(text.slice(at.to)));
    const low = isAnd || said === '&' ? 'and' : isNewton ? 'n' : (SHORT[typed] ?? typed);
    return {
      low,
      parts: partsOf(low),
      ...(/^\d/.test(low) && { value: numberIn(low) }),
      ...(low !== typed && { as: low }),
      ...at,
    };
  });
  ordinals(single);
  mixedNumbers(single);
  abbreviated(single);
  timesBehind(single);
  joinedPlaces(single);
  withoutAbbreviationDots(single, text);
  spokenMarks(single);
  throughBolts(single);
  soManyOff(single);
  const plain = withoutReferences(single);
  const words = plain.some(({ low }) => NUMBER_WORD.test(low)) ? withNumbers(plain, text) : plain;
  return joinNames(words);
}

/** "Two full turns" is "2 full turns". */
export function inDigits(text: string): string {
  return wordsOf(text)
    .map(({ low, value }) => value ?? low)
    .join(' ');
}

/** What a line of a list begins with: "1.", "a)", "Step 12:", a dash or a dot. */
/** "Seven: ...", "Step two. ..." */
const NUMBER_MARK = new RegExp(`^\\s*(?:step |number )?(?:${NUMBERS})\\s*[:.)]\\s+`, 'i');
const LIST_MARK =
  /^\s*(?:\(?\d{1,3}[.):](?=\s)|\(?[a-z]\)|(?:step|task|job)\s+\d{1,3}(?:\s*[.:)–—-])?|(?:re-?assembly|dis-?assembly|dismantling|removal|installation|inspection|refitting|cleaning)\s*:|[-–—•·▪●◦‣](?=\s))\s*/i;

/** "No. 2 grease", "70 ft. lbs": the dot ends no sentence. */
function withoutAbbreviationDots(words: Word[], text: string): void {
  for (let at = words.length - 2; at > 0; at -= 1) {
    const [before, word] = [words[at - 1] as Word, words[at] as Word];
    if (word.low !== '.' || before.to !== word.from) continue;
    const isUnit = words[at - 2]?.value !== undefined && DOTTED_UNIT.test(before.low);
    // "With an arbor press. Seat the ring": a word, and its sentence ends.
    const isEnd = (isUnit || ALSO_WORDS.test(before.low)) && /^\s+\p{Lu}\p{Ll}/u.test(text.slice(word.to));
    if ((isUnit || DOTTED.test(before.low)) && !isEnd) words.splice(at, 1);
  }
}

const DOTTED_UNIT = /^(?:ft|lbs?|in|min|sec|hr|approx|deg|mm|nm|l)$/;
const DOTTED = /^(?:no|nr|nos|approx|ca|dia|incl|max|min|nom|fig|pos|qty|temp|press|resp|vs)$/;

const ALSO_WORDS = /^(?:no|max|min|press|temp)$/;

/** "2nd" is "second". */
function ordinals(words: Word[]): void {
  for (let at = words.length - 2; at >= 0; at -= 1) {
    const [number, ending] = [words[at] as Word, words[at + 1] as Word];
    const low = ORDINALS[`${number.low}${ending.low}`];
    if (low === undefined || number.to !== ending.from) continue;
    words.splice(at, 2, { low, parts: [low], from: number.from, to: ending.to });
  }
}

const ORDINALS: Readonly<Record<string, string>> = {
  ...{ '1st': 'first', '2nd': 'second', '3rd': 'third', '4th': 'fourth', '5th': 'fifth', '6th': 'sixth' },
};

/** "Remove the circlip full stop", "the screws comma then the plate": marks as some say them when they dictate. */
function spokenMarks(words: Word[]): void {
  for (let at = words.length - 1; at > 0; at -= 1) {
    const said = `${words[at]?.low} ${words[at + 1]?.low ?? ''}`.trim();
    const length = /^(?:full stop|new line|new paragraph)$/.test(said) ? 2 : 1;
    const low = length === 2 ? '.' : words[at]?.low === 'comma' ? ',' : undefined;
    if (low === undefined) continue;
    const [first, last] = [words[at] as Word, words[at + length - 1] as Word];
    words.splice(at, length, { low, parts: [low], as: low, from: first.from, to: last.to });
  }
}

/** "Through bolts" are called so, and nothing goes through a bolt. */
function throughBolts(words: Word[]): void {
  for (let at = words.length - 2; at >= 0; at -= 1) {
    const [word, next] = [words[at] as Word, words[at + 1] as Word];
    const isCalled = word.low === 'through' && /^(?:bolt|stud|rod)s?$/.test(next.low);
    if (!isCalled || /^holes?$/.test(words[at + 2]?.low ?? '')) continue;
    words.splice(at, 2, {
      low: `through-${next.low}`,
      parts: [...word.parts, ...next.parts],
      from: word.from,
      to: next.to,
    });
  }
}

/** "4 off cover bolts", "2 no. seals": so many of them, as parts lists count. */
function soManyOff(words: Word[]): void {
  for (let at = words.length - 3; at >= 0; at -= 1) {
    const isCount =
      /^\d{1,3}$/.test(words[at]?.low ?? '') && /^(?:off|no|nos|pcs|pieces|ea)$/.test(words[at + 1]?.low ?? '');
    const next = words[at + 2]?.low ?? '';
    const isNamed = /^\p{L}/u.test(next) && !NOT_COUNTED.test(next) && !next.endsWith('ly');
    if (isCount && isNamed && BEFORE_COUNT.test(words[at - 1]?.low ?? '')) words.splice(at + 1, 1);
  }
}

/** "3 off with the pick" counts nothing of the kind. */
const NOT_COUNTED =
  /^(?:all|the|both|these|those|of|to|at|about|and|then|with|using|by|from|in|on|a|an|it|them|before|after|until|when|if|more|less)$/;
/** "Take 4 off" says which way; "remove 4 off" only how many. */
const BEFORE_COUNT =
  /^(?:|[,.;:(]|and|remove|refit|fit|install|renew|replace|loosen|slacken|tighten|torque|discard|check|inspect|clean|new|old)$/;

/** "1 1/4 in", "1-1/8 in": one number. */
function mixedNumbers(words: Word[]): void {
  for (let at = words.length - 2; at >= 0; at -= 1) {
    const [whole, next] = [words[at] as Word, words[at + 1] as Word];
    const length = next.low === '-' && whole.to === next.from ? 2 : 1;
    const part = words[at + length];
    const isMixed = /^\d{1,2}$/.test(whole.low) && /^\d{1,2}\/(?:2|3|4|8|16|32|64)$/.test(part?.low ?? '');
    // "2 1/2 in sockets" are two of that size.
    const isCount = length === 1 && isPlural(words[at + 3]?.low ?? '');
    if (!isMixed || isCount || part?.value === undefined || part.value >= 1) continue;
    const low = `${whole.low}-${part.low}`;
    words.splice(at, length + 1, {
      low,
      parts: [low],
      from: whole.from,
      to: part.to,
      value: (whole.value ?? 0) + part.value,
    });
  }
}

/** "The guard (item 12)" points at a drawing that stands elsewhere. */
function withoutReferences(words: readonly Word[]): readonly Word[] {
  if (!words.some(({ low }) => low === '(')) return words;
  const left: Word[] = [];
  for (let at = 0; at < words.length; at += 1) {
    const end = words.findIndex(({ low }, i) => i > at && low === ')');
    const isReference = words[at]?.low === '(' && end > at && REFERENCE.test(words[at + 1]?.low ?? '');
    if (isReference && end - at < 5) at = end;
    else left.push(words[at] as Word);
  }
  return left;
}

const REFERENCE = /^(?:item|items|pos|position|ref|part|no|nr|#)$/;

/** "w/ both O-rings", "w/o sealant". */
function abbreviated(words: Word[]): void {
  for (let at = 0; at + 1 < words.length; at += 1) {
    const [word, slash, next] = [words[at], words[at + 1], words[at + 2]];
    // "Grease seal w silicone grease".
    if (word?.low === 'w' && at > 0 && /^\p{L}{2,}/u.test(slash?.low ?? ''))
      words[at] = { ...word, low: 'with', parts: ['with'], as: 'with' };
    if (word?.low !== 'w' || slash?.low !== '/') continue;
    const isWithout = next?.low === 'o' && next.from === slash.to;
    const low = isWithout ? 'without' : 'with';
    words.splice(at, isWithout ? 3 : 2, { ...word, to: (isWithout ? next : slash).to, low, parts: [low], as: low });
  }
}

/** "Cover bolts x6" are "cover bolts (6)"; "M8 x 30" is a size. */
function timesBehind(words: Word[]): void {
  for (let at = 1; at + 1 < words.length; at += 1) {
    const [before, times, count] = [words[at - 1] as Word, words[at] as Word, words[at + 1] as Word];
    const isCount =
      count.value !== undefined && Number.isInteger(count.value) && /^(?:|[,.;:])$/.test(words[at + 2]?.low ?? '');
    if (!/^[x×]$/.test(times.low) || !isCount || !isPlural(before.low)) continue;
    const bracket = (low: string, place: number): Word => ({ low, parts: [low], from: place, to: place, as: low });
    words.splice(at, 2, bracket('(', times.from), count, bracket(')', count.to));
  }
}

/** "On to the rod" is "onto the rod". */
function joinedPlaces(words: Word[]): void {
  for (let at = words.length - 3; at > 0; at -= 1) {
    const [before, on, to, next] = words.slice(at - 1, at + 3) as [Word, Word, Word, Word];
    if (on.low !== 'on' || to.low !== 'to' || !/^(?:the|a|an|its|their|each|every|both)$/.test(next.low)) continue;
    if (/^(?:hold|holding|hang|go|goes|move|moving|carry|get|come|keep|latch|back)$/.test(before.low)) continue;
    if (/^(?:next|last|first|stop|mark|slot|shoulder|line|end)$/.test(words[at + 3]?.low ?? '')) continue;
    words.splice(at, 2, { ...on, to: to.to, low: 'onto', parts: ['onto'], as: 'onto' });
  }
}

function withNumbers(words: readonly Word[], text: string): Word[] {
  const read: Word[] = [];
  for (let i = 0; i < words.length; i += 1) {
    const word = words[i] as Word;
    const before = words[i - 1]?.low ?? '';
    if (!NUMBER_WORD.test(word.low) || (word.low === 'one' && NO_NUMBER_BEFORE.test(before))) {
      read.push(word);
      continue;
    }
    let end = i;
    while (isNumberGoingOn(words, end)) end += 1;
    const last = words[end] as Word;
    const value = word.low === 'dozen' ? 12 : numberSaid.memo(text.slice(word.from, last.to)).value;
    read.push(value === undefined ? word : { ...word, to: last.to, value });
    i = value === undefined ? i : end;
  }
  return read;
}

const numberSaid = new LRUCache<string, { value: number | undefined }>({
  max: 500,
  memoMethod: (text) => {
    const [said] = nlp(text).numbers().json() as { number?: { num?: number } }[];
    return { value: said?.number?.num };
  },
});

function isNumberGoingOn(words: readonly Word[], at: number): boolean {
  const next = words[at + 1]?.low ?? '';
  if (next === 'and' || next === 'point') return NUMBER_JOINT.test(words[at]?.low ?? '') && isNumber(words[at + 2]);
  return isNumber(words[at + 1]) && next !== 'one';
}

function isNumber(word: Word | undefined): boolean {
  return word !== undefined && NUMBER_WORD.test(word.low);
}

/** "3,5", "1/2" and "17" as numbers. */
export function numberIn(said: string): number {
  const [over = '', under] = said.split('/');
  const value = Number(isThousands(over) ? over.replaceAll(',', '') : over.replace(',', '.'));
  return under ? value / Number(under) : value;
}

/** "1,000" may be a thousand, or one in the way of other countries. */
export function isThousands(said: string): boolean {
  return /^[1-9]\d{0,2}(?:,\d{3})+(?:\.\d+)?$/.test(said);
}

const singulars = new Map<string, string>();

/** A name or word as it is compared: lower case, hyphens open, the last part in the singular. */
export function partsOf(name: string): string[] {
  const parts = name
    .toLowerCase()
    .split(/[\s-]+/)
    .filter(Boolean)
    .map((part) => SHORT_NAMES[part] ?? part);
  const last = parts.at(-1);
  return last === undefined ? parts : [...parts.slice(0, -1), singular(last)];
}

export function singular(word: string): string {
  const known = singulars.get(word);
  if (known !== undefined) return known;
  const made = /^\d/.test(word) ? word : singularWord(word);
  singulars.set(word, made);
  return made;
}

/** Whether a word is said of several. */
export function isPlural(word: string): boolean {
  return singular(word) !== word;
}

/** Whether a name ends in a word that is said of several. */
export function namesSeveral(name: string): boolean {
  return isPlural(name.toLowerCase().split(/\s+/).at(-1) ?? '');
}

/** The same names are met at every key that is typed. */
const strayWords = new LRUCache<string, string[]>({ max: 500, memoMethod: tagged });

/** Words that belong in no name, as a language library tags them. */
export function strayWordsIn(name: string): readonly string[] {
  return strayWords.memo(name);
}

function tagged(name: string): string[] {
  const terms = nlp(name).terms().json() as { text: string; terms: { tags: string[] }[] }[];
  return terms.flatMap(({ text, terms: [term] }) => (term?.tags.some((tag) => STRAY_TAGS.includes(tag)) ? [text] : []));
}

/** "Ring good", "cover open": a name ends with what it is called, and not with how it is. */
export function endsInAdjective(name: string): boolean {
  return adjectives.memo(name);
}

const adjectives = new LRUCache<string, boolean>({
  max: 500,
  memoMethod: (name) => {
    const terms = nlp(name).terms().json() as { terms: { tags: string[] }[] }[];
    const tags = terms.at(-1)?.terms[0]?.tags ?? [];
    return terms.length > 1 && tags.includes('Adjective') && !tags.includes('Comparative');
  },
});

const STRAY_TAGS = ['Adverb', 'Pronoun', 'Preposition', 'Conjunction', 'Determiner', 'Modal', 'Negative'];
