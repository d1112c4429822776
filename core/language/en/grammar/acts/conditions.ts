import { verbOf } from '../../../../model/verbs';
import { nounPhraseAt } from '../names/noun-phrase';
import type { SaidPart } from '../names/said';
import type { Sentence } from '../names/sentence';
import { isPartOrShort } from '../names/short-names';
import { RENEWED, RENEWING } from '../words/verdict-words';
import { limitOf } from './limits';
import { blankAct, type OpenAct, partOf, Reading } from './reading';

/*
 * What is done only if something is found. A renewal upon a sign is a look from which a renewal follows; a hint that
 * moves no part is kept as said; everything else is asked.
 */

/** Reads "if it is torn, replace it" and "if it sticks, tap it"; false where it has to be asked. */
export function readCondition(
  reading: Reading,
  sentence: Sentence,
  readRest: (reading: Reading, rest: Sentence) => void,
): boolean {
  const { lows, words } = sentence;
  if (lows[0] === 'unless') return false;
  const told = lows.join(' ');
  const needed = NEEDS_NEW.exec(told);
  if (needed && reading.meant().length > 0) {
    const end = told.slice(0, needed.index).split(' ').length;
    renewUpon(reading, reading.meant(), sentence, end);
    return true;
  }
  const replaced = TO_REPLACE.exec(told);
  const renewed = replaced && nounPhraseAt(sentence, told.slice(0, replaced.index).split(' ').length)?.phrase;
  if (replaced && renewed && isPartOrShort(renewed, reading.series)) {
    reading.verbs.push(replaced[1] ?? '', 'replace', 'replaced');
    const end = told.slice(0, replaced.index).split(' ').length;
    renewUpon(reading, [partOf(renewed)], sentence, lows[end - 1] === ',' ? end - 1 : end);
    return true;
  }
  const comma = renewalFrom(sentence);
  if (comma < 0) return false;
  const rest = sentence.slice(lows[comma] === ',' ? comma + 1 : comma, words.length);
  if (IS_SCRAP.test(rest.lows.join(' ')) && reading.meant().length > 0) {
    reading.verbs.push(...rest.lows);
    renewUpon(reading, reading.meant(), sentence, comma);
    return true;
  }
  const tried = new Reading(reading.series, { parts: reading.meant() }, reading.inLine);
  // "If the basket is torn, replace it": what the condition is about.
  const subject = nounPhraseAt(sentence, 1)?.phrase;
  if (subject?.known?.kind === 'part') tried.named = [partOf(subject)];
  else if (reading.acts.length > 0) tried.named = reading.meant();
  readRest(tried, rest);
  const [act, other] = tried.acts;
  // "Replace" could be a refit, but not of what is found worn.
  const isSure = tried.doubts.every(({ kind, offers }) => kind === 'sense' && offers.includes('renew'));
  if (act && !other && isSure && isRenewal(act) && act.parts.length > 0) {
    reading.verbs.push(...tried.verbs, ...act.how);
    renewUpon(reading, act.parts, sentence, comma);
    return true;
  }
  const moves = tried.acts.some(({ verb }) => verbOf(verb).effect !== 'stays');
  if (moves || MOVES.test(rest.lows.join(' '))) return false;
  reading.keepHow(sentence.text(0, words.length));
  return true;
}

/** Where a condition ends: at its comma, or before the verb that renews: "if it is worn replace the ring". */
function renewalFrom({ lows }: Sentence): number {
  return lows.findIndex((low, i) => low === ',' || (i > 1 && RENEWS.test(low) && !NOT_YET.test(lows[i - 1] ?? '')));
}

const RENEWS = new RegExp(`^(?:${RENEWING})$`);
const NOT_YET = /^(?:to|not|must|should|can|may|will|be|or|and|you|we|i|a|an|the|no)$/;

/** Whether what is done puts something new in the place of the old. */
export function isRenewal({ verb, how }: OpenAct): boolean {
  const { effect } = verbOf(verb);
  return effect === 'renews' || verb === 'discard' || (effect === 'refits' && how.includes('new'));
}

/** An act of renewing turned into the look that it follows from; where the parts were just looked at, into one look. */
export function renewedUpon(reading: Reading, act: OpenAct, sentence: Sentence, from: number, end: number): void {
  const before = reading.acts.at(-2);
  reading.acts.pop();
  const parts = act.parts.length > 0 ? act.parts : (before?.parts ?? reading.before.parts);
  renewUpon(reading, parts, sentence.slice(from, end), end - from);
  // "Replace them as a set when worn".
  const more = act.how.filter((said) => !/^(?:new|old)$/.test(said));
  const look = reading.acts.at(-1);
  if (more.length > 0) look?.how.push(`renew ${more.join(', ')}`);
  look?.cautions.push(...act.cautions);
}

function renewUpon(reading: Reading, parts: readonly SaidPart[], sentence: Sentence, end: number): void {
  reading.verbs.push(...sentence.lows.slice(0, end), 'need', 'new');
  const sign = signIn(sentence, end, parts);
  const last = reading.acts.at(-1);
  const isMeasured = last?.verb === 'measure' && areOf(parts, last);
  const limit = isMeasured ? limitOf(sign, last) : undefined;
  if (last && limit) {
    last.how.push(limit);
    return;
  }
  // "If it is, replace both": what it is was said before, or nowhere.
  if (sign === '' && !(last && last.looks.length > 0)) {
    reading.doubt('condition', sentence, 0, end);
    return;
  }
  const isSame = last?.verb === 'inspect' && areOf(parts, last);
  // "Look for pitting; replace it if any is found".
  if (last && last.looks.length > 0 && (sign === '' || IS_FOUND.test(sign))) last.renewIf.push(...last.looks.splice(0));
  else if (last && isSame) last.renewIf.push(sign);
  else reading.acts.push({ ...blankAct('inspect'), parts: [...parts], renewIf: [sign] });
}

const IS_FOUND =
  /^(?:so|yes|that is so|they are|it is)$|^(?:(?:any|some|it|they|one|this|that)(?: of (?:this|these|that|them))? )?(?:(?:is|are) )?(?:found|seen|present|evident|visible|there)$/i;

/** Whether all that is named is what an act is done to. */
export function areOf(parts: readonly SaidPart[], act: OpenAct): boolean {
  return parts.every(({ name }) => act.parts.some((part) => part.name === name));
}

/** "If it is scored" says the sign "scored", "that is worn" "worn"; what is said of something else stays whole. */
function signIn(sentence: Sentence, end: number, parts: readonly SaidPart[]): string {
  const { lows } = sentence;
  let at = 0;
  while (/^(?:only|if|when|that|which|in|case|by|on|with)$/.test(lows[at] ?? '')) at += 1;
  const names = parts.flatMap(({ name }) => name.toLowerCase().split(' '));
  let subject = at;
  while (
    /^(?:it|they|it's|they're|either|any|one|of|them|the|a|an)$/.test(lows[subject] ?? '') ||
    isNamed(lows[subject], names)
  )
    subject += 1;
  const is = /^(?:is|are|has|have|shows?|looks?|feels?|gets?)$/.test(lows[subject] ?? '') ? subject + 1 : subject;
  const isSubject =
    is > subject ||
    (subject > at && (/^(?:it|they|either|any)/.test(lows[at] ?? '') || lows[subject - 1]?.endsWith("'s")));
  return sentence
    .text(isSubject ? is : at, end)
    .replace(/,? (?:the|both|all|it's|they're|that's|it is|they are|for new(?: ones?)?)$/i, '');
}

const isNamed = (low: string | undefined, names: readonly string[]) =>
  low !== undefined && names.some((name) => [name, `${name}s`, `${name}'s`].includes(low));

/** "..., it's done for". */
const IS_SCRAP = new RegExp(
  `^(?:it|they|that|those)(?:'s|'re| is| are| has| have| gets?| must be| has to be| have to be| needs?(?: to be)?)? (?:${RENEWED})$`,
);

/** "..., you need new ones". */
const NEEDS_NEW =
  /,? (?:(?:then )?(?:you|we)(?:'ll)? need (?:a )?new(?: ones?)?|they need replacing|it needs replacing)$/;
/** "... the head has to be replaced". */
const TO_REPLACE =
  /(?<= )(?:(?:the|both|all)(?: the)?) [\w -]+? (?:has to|have to|must|needs? to|should) be (replaced|renewed|changed)$/;
/** What moves a part, in whatever words. */
export const MOVES =
  /\b(?:out|off|in|back|apart|away|over the side|bin|scrap\w*|junk|remov\w+|replac\w+|renew\w*|chang\w+|swap\w*|fit\w*|install\w*|discard\w*|throw\w*|cut|add\w*|undo\w*|unscrew\w*|refit\w*|reject\w*|new)\b/;
