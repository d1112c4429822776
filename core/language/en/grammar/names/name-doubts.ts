import letterSteps from 'damerau-levenshtein';
import { LRUCache } from 'lru-cache';
import { pluralName } from '../../../../model/names';
import type { Series } from '../../../../model/series';
import { kindFromName } from '../../../../reading/en/kind-words';
import { isCalledSo } from '../words/called-so';
import { BY_PLACE, FASTENS, isFeature, isSubstance, isToolName } from '../words/lexicon';
import { beginsVerb, verbAt } from '../words/operations';
import { baseOf } from '../words/verb-forms';
import { endsInAdjective, isPlural, NUMBERS, namesSeveral, partsOf, singular, strayWordsIn } from '../words/words';
import { endsIn, type PartName, partNamesOf, partsBeginningWith, partsEndingIn } from './known-names';
import { isPartNoun, OF_CANNED_MOTOR } from './part-nouns';
import type { Doubt, SaidPart } from './said';

/**
 * What has to be asked about a name that the series does not know; undefined where it may be a new part. What is moved may
 * well be a part, whatever it is called; what is looked at, greased or bent need not be.
 */
export function doubtAboutName(
  { name, quoted, from, to }: SaidPart,
  series: Series,
  isMoved: boolean,
): Doubt | undefined {
  if (quoted) return undefined;
  const parts = partsOf(name);
  const known = partNamesOf(series);
  const key = parts.join(' ');
  if (known.some((other) => other.key === key)) return undefined;
  const asked = (kind: Doubt['kind'], names: readonly string[]): Doubt => ({
    kind,
    from,
    to,
    text: name,
    offers: [...names.map((known) => (namesSeveral(name) ? pluralName(known) : known)), `"${name}"`],
  });
  const isElse = [...series.tools, ...series.consumables].some((other) => partsOf(other.name).join(' ') === key);
  // "The fork", where there is an assembly fork among the tools.
  const isShortTool =
    kindFromName(name) === 'other' &&
    partsEndingIn(series, parts).length === 0 &&
    series.tools.some((tool) => endsIn(partsOf(tool.name), parts));
  if (isElse || isShortTool || (isOdd(name, parts) && !isCalledSo(name))) return asked('odd-name', []);
  // "Allen screws" says how they are driven, and not which they are.
  const called = DRIVEN.test(parts[0] ?? '') && FASTENS.test(name) ? parts.slice(1) : parts;
  const longer = partsEndingIn(series, called).map((other) => other.name);
  if (longer.length > 0) return asked('which-part', longer);
  // "Left chamber" where there is a liquid chamber at the left side.
  const atPlace = [1, 2].flatMap((words) =>
    parts.length > words
      ? partsEndingIn(series, parts.slice(words)).filter((other) =>
          isAtPlace(series, other.name, parts.slice(0, words)),
        )
      : [],
  );
  if (atPlace.length > 0)
    return asked(
      'which-part',
      atPlace.map((other) => other.name),
    );
  // "The lower shaft", where there are a line shaft and a pump shaft, and none that is called by where it is.
  const alike = IS_BY_PLACE.test(parts[0] ?? '') ? partsEndingIn(series, parts.slice(1)) : [];
  if (alike.length > 1 && !alike.some((other) => IS_BY_PLACE.test(other.parts[0] ?? '')))
    return asked(
      'which-part',
      alike.map((other) => other.name),
    );
  // "Bypass", where there is a bypass valve and a bypass cap.
  const longerNames = partsBeginningWith(series, parts[0] ?? '').filter((other) => begins(other.parts, parts));
  const beginning = longerNames.map((other) => other.name);
  if (beginning.length > 2 && kindFromName(name) === 'other') return asked('which-part', beginning);
  // "Inner end cap" where there is an end cap inner.
  const turned = parts
    .slice(1)
    .flatMap((word) => partsBeginningWith(series, word))
    .filter((other) => other.parts.length === parts.length && parts.every((word) => other.parts.includes(word)));
  // "Seal" where there is a seal assembly, "packing" where there are packing rings.
  const wholes = longerNames.filter(({ parts: [...words], name: whole }) => {
    const last = words.at(-1) ?? '';
    const isOneMore = words.length === parts.length + 1;
    return isOneMore && (WHOLES.test(last) || (RINGS.test(last) && kindFromName(whole) === kindFromName(name)));
  });
  // "Stationary", where there is a stationary seal.
  const half = parts.length === 1 && SAYS_WHICH_ONE.test(parts[0] ?? '') ? longerNames : [];
  if (turned.length + wholes.length + half.length > 0)
    return asked(
      'near-part',
      [...turned, ...wholes, ...half].map((other) => other.name),
    );
  const last = parts.at(-1) ?? '';
  // "Wear ring clearance" where there is a casing wear ring.
  const whole = isFeature([last]) ? partsEndingIn(series, parts.slice(0, -1)) : [];
  if (whole.length > 0 && parts.length > 1)
    return asked(
      'which-part',
      whole.map((other) => `${other.name} ${last}`),
    );
  // A known name with a word behind it that names no kind of part: "flange bolts loosely".
  const words = parts.map(singular);
  const begun = partsBeginningWith(series, words[0] ?? '')
    .filter((other) => begins(words, other.parts))
    .map((other) => other.name);
  if (begun.length > 0 && kindFromName(last) === 'other') return asked('odd-name', begun);
  const near = namesNear(known, parts);
  if (near.length > 0) return asked('near-part', near);
  const said = name.toLowerCase().split(/\s+/);
  // "The coupling half"; but the ceramic half is half a seal.
  const isHalf = HALVED.test(said.slice(-2).join(' '));
  // A strap or a clamp may be the pump's.
  if (
    (isFeature(said) && !isHalf) ||
    isSubstance(said) ||
    (isToolName(said) && !PUMPS_OWN.test(key) && !isCalledSo(name))
  )
    return asked('odd-name', []);
  // "Look at the arrow": what is called as no part is may be none.
  return isMoved || isPartNoun(name) ? undefined : asked('odd-name', []);
}

const DRIVEN = /^(?:allen|hex|hexagon|hexagonal|phillips|torx|slotted|socket|countersunk)$/;

const nearKnown = new WeakMap<readonly PartName[], LRUCache<string, readonly string[]>>();

/** The known names that one may have meant; the same name is asked for at every key that is typed. */
function namesNear(known: readonly PartName[], parts: readonly string[]): readonly string[] {
  const found = nearKnown.get(known) ?? new LRUCache<string, readonly string[]>({ max: 500 });
  nearKnown.set(known, found);
  const key = parts.join(' ');
  const run = parts.join('');
  const near =
    found.get(key) ??
    known
      .filter((other) => isNear(other, parts, run) || isShortFor(other.parts, parts) || isShortFor(parts, other.parts))
      .map((other) => other.name);
  found.set(key, near);
  return near;
}

/** Whether a part is at a place that is called so: "left", of a left and a right side. */
function isAtPlace({ components, positionSets }: Series, name: string, called: readonly string[]): boolean {
  const set = components.find((part) => part.name === name)?.positionSetId;
  return positionSets.some(
    ({ id, positions }) => id === set && positions.some((place) => begins([...partsOf(place.name), ''], called)),
  );
}

const PUMPS_OWN = /^(?!(?:lift|load|ratchet|tow|cargo)).+ (?:strap|clamp|block)$/;

/** What a thing does is no part of its name. */
const DOES =
  /^(?:moves|turns|sits|opens|closes|fits|is|are|has|have|comes|goes|holds|stays|slides|runs|spins|weighs|looks|feels|drops|falls|rises|drips|leaks|gets|takes|needs|works)$/;
const IS_BY_PLACE = new RegExp(`^(?:${BY_PLACE})$`);
const SAYS_WHICH_ONE =
  /^(?:stationary|rotating|rotary|mechanical|ceramic|carbon|female|male|driven|fixed|moving|discharge|suction|inlet|outlet)$/;
const HALVED = /^(?:coupling|casing|case|clamp|body|housing|shell|collar|cover|flange|hub|split|pump) hal(?:f|ves)$/;
const RINGS = /^(?:ring|element|strip|cord)$/;
const WHOLES = /^(?:assembly|set|unit|pack|stack|cartridge)$/;

/** A name that holds a verb, a figure, a little word or more words than a name has. */
function isOdd(name: string, parts: readonly string[]): boolean {
  if (parts.length > 5 || NO_NAME.test(name)) return true;
  if (/[^\p{L}\p{M}\d\s'’.-]/u.test(name)) return true;
  if (/^\d|\s\d+(?:$|\s)/.test(name) || /\d\s*(?:mm|nm|n·m|ft|lb|in|bar|psi)\b/i.test(name)) return true;
  const words = name.toLowerCase().split(/\s+/);
  if (words.slice(1).some((word) => NUMBER.test(word))) return true;
  // "Putting": what one does.
  if (words.length === 1 && kindFromName(name) === 'other' && verbAt([baseOf(words[0] ?? '', 'ing') ?? ''], 0))
    return true;
  if (
    words
      .slice(1)
      .some(
        (word, i) =>
          beginsVerb(words, i + 1) && kindFromName(words.slice(0, i + 2).join(' ')) === 'other' && !isNounToo(word),
      )
  )
    return true;
  if (kindFromName(words.at(-1) ?? '') === 'other' && endsInAdjective(name) && !isNounToo(words.at(-1) ?? ''))
    return true;
  if (words.slice(1).some((word) => DOES.test(word))) return true;
  // "Screws meshed" are screws, and how they are.
  const isSeveral = (word: string) => isPlural(word) && kindFromName(word) !== 'other';
  if (words.slice(0, -1).some(isSeveral) && kindFromName(name) === 'other') return true;
  if (OF_CANNED_MOTOR.test(name)) return false;
  return strayWordsIn(name.replace(/\bnon[- ]|^through[- ](?=bolt|stud|screw|rod|shaft)/gi, '')).some(
    (word) => !isNounToo(word.toLowerCase()),
  );
}

const NUMBER = new RegExp(`^(?:${NUMBERS})$`);
const NO_NAME =
  /\bkits?$| (?:parts?|pieces?|half|halves|portions?|sections?) of |^(?:left|right|up|down|top|bottom|inner|outer|upper|lower|first|last|next|whole|hand|piece|bit|there|here|ones?|group|unit|others?|innards|internals|insides|guts)$| (?:left|right|up|down)$|^following |^make |^(?:fit|turn|run|bend|hold|twist|spin|remove|loosen|tighten|replace|renew|inspect|install|refit|lubricate|connect|disconnect|isolate) (?!down)|^(?:first|second|third|fourth|fifth|sixth|last|next|remaining|final|same|other) |^(?:what|whatever|which|whichever|who|how|where|when|why|anything|something|nothing)\b/i;

/** Words that a language library takes for something else, and that the trade has in names. */
function isNounToo(word: string): boolean {
  return NOUNS.test(word) || NOUNS.test(singular(word));
}

const NOUNS =
  /^(?:plug|cap|cover|seal|screw|clip|pin|ring|spring|block|stop|guide|support|lock|filter|mount|hold-down|seat|stack|clamp|hook|drain|lift|press|drive|back|back-up|up|down|in|out|over|inner|outer|inside|outside|upper|lower|front|rear|left|right|centre|center|mark|brush|start|feed|slide|roll|bush|bearing|housing|bolt|nut|washer|gauge|oil|grease|tape|bend|elbow|joint|level|bed|index|match|set|rest|stand|stone|wedge|key|tab|flange|plate|vent|return|relief|balance|pilot|strap|sling|wear|stroke|v|o|u|x)$/;

function begins(longer: readonly string[], parts: readonly string[]): boolean {
  return longer.length > parts.length && parts.every((part, i) => longer[i] === part);
}

/** "HP seal" is a high-pressure seal, "disch valve" a discharge valve: initials, or how a word begins. */
function isShortFor(known: readonly string[], said: readonly string[]): boolean {
  const [word = '', ...rest] = said;
  if (said.length === 0) return known.length === 0;
  if (known.length === 0 || said.length > known.length) return false;
  const [first = '', ...others] = known;
  if (
    (word === first || (word.length > 2 && first.startsWith(word)) || isClipped(word, first)) &&
    isShortFor(others, rest)
  )
    return true;
  const isInitials =
    word.length > 1 && word.length <= known.length && [...word].every((letter, i) => known[i]?.[0] === letter);
  return isInitials && isShortFor(known.slice(word.length), rest);
}

/** "Brg" of a bearing, "OB" of outboard: a few of its letters in their order, and no vowel behind the first. */
function isClipped(word: string, whole: string): boolean {
  if (word.length < 2 || word.length > 4 || /[aeiou]/.test(word.slice(1)) || word[0] !== whole[0]) return false;
  let at = 0;
  for (const letter of word) {
    at = whole.indexOf(letter, at) + 1;
    if (at === 0) return false;
  }
  return true;
}

/** One word more, or two letters other, than a known name. */
function isNear(known: PartName, parts: readonly string[], run: string): boolean {
  if (known.parts.length === parts.length) return isOneWordOff(known.parts, parts);
  if (Math.abs(known.parts.length - parts.length) === 1 && known.parts.at(-1) === parts.at(-1)) {
    const [long, short] = known.parts.length > parts.length ? [known.parts, parts] : [parts, known.parts];
    if (short.length === 1 || isWithOneMore(long, short)) return true;
  }
  return Math.abs(known.run.length - run.length) < 2 && known.run.length > 4 && within(known.run, run, 1);
}

function isWithOneMore(long: readonly string[], short: readonly string[]): boolean {
  let skipped = 0;
  for (const [i, word] of short.entries()) {
    if (word === long[i + skipped]) continue;
    skipped += 1;
    if (skipped > 1 || word !== long[i + 1]) return false;
  }
  return true;
}

/** "upper seal" and "lower seal" are two parts; a slip of the finger leaves the word much as it was. */
function isOneWordOff(known: readonly string[], parts: readonly string[]): boolean {
  let at = -1;
  for (const [i, word] of known.entries()) {
    if (word === parts[i]) continue;
    if (at >= 0) return false;
    at = i;
  }
  const [one = '', two = ''] = [known[at], parts[at]];
  const shorter = Math.min(one.length, two.length);
  // "Plate a1" and "plate a2" are two.
  const isLong = shorter > 3 || (shorter === 3 && known.length > 1);
  // A seat is no slip of the finger for a seal.
  if (isPartNoun(one) && isPartNoun(two)) return false;
  return isLong && !/\d/.test(one + two) && within(one, two, shorter > 5 ? 2 : 1);
}

/** Whether two words differ by at most so many letters: left out, added, changed or swapped. */
function within(one: string, two: string, most: number): boolean {
  if (Math.abs(one.length - two.length) > most) return false;
  // What is alike at both ends takes no steps, and most words are alike nowhere.
  let from = 0;
  while (from < one.length && one[from] === two[from]) from += 1;
  let alike = 0;
  const shorter = Math.min(one.length, two.length) - from;
  while (alike < shorter && one.at(-1 - alike) === two.at(-1 - alike)) alike += 1;
  const left = Math.max(one.length, two.length) - from - alike;
  return left <= 2 * most && letterSteps(one, two).steps <= most;
}
