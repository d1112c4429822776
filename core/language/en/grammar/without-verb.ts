import { verbOf } from '../../../model/verbs';
import { objectsAt, takeObjects } from './acts/objects';
import { blankAct, movesParts, type OpenAct, partOf, type Reading } from './acts/reading';
import { hidesDone } from './hidden';
import { torqueAt } from './names/figures';
import { beginsFacing } from './names/name-ends';
import { isCalledPart, type NounPhrase, nounPhraseAt } from './names/noun-phrase';
import type { Sentence } from './names/sentence';
import { isPartLike, isPartOrShort } from './names/short-names';
import { trailing } from './told-along/trailing';
import * as lexicon from './words/lexicon';
import { ALSO_NOUN, verbAt, WAY_WORDS } from './words/operations';
import { isPlural } from './words/words';

/* What is said without a verb that orders: a figure, the same once more, a statement. */

/** "Valve caps to 75 N·m" is a torque; a statement is a remark, a reason or a caution; the rest is asked. */
export function readWithoutVerb(
  reading: Reading,
  sentence: Sentence,
  at: number,
  opened: Partial<OpenAct> | undefined,
  how: readonly string[],
  readRest: (reading: Reading, rest: Sentence) => void,
): void {
  if (readFigureOf(reading, sentence, at, opened) || readSameAgain(reading, sentence, at)) return;
  if (readNewThere(reading, sentence, at) || readHowMany(reading, sentence, at)) return;
  const told = sentence.lows.slice(at).join(' ');
  const text = [...how, sentence.text(at, sentence.words.length)].join(', ');
  const goesOn =
    reading.acts.length > 0 &&
    (lexicon.MANNER_PHRASE.test(told) || /^(?:go|come|then)\b|^(?:the )?\w+(?: ones?)? (?:first|last)$/.test(told));
  if (
    !isHeading(reading, sentence, at) &&
    isStatement(sentence, at, told) &&
    !TO_BE_DONE.test(told) &&
    !MOVES_THERE.test(told)
  ) {
    // "Both pins look worn, renew as a pair": a statement, and what is to be done about it.
    const order = sentence.lows.findIndex((_, i) => i > at && isOrderBehind(sentence, i));
    if (order > 0) {
      readWithoutVerb(reading, sentence.slice(0, order - 1), at, opened, how, readRest);
      readRest(reading, sentence.slice(order, sentence.words.length));
    } else if (!asksForAct(reading, sentence, at)) keepStatement(reading, sentence, at, told, text);
  } else if (goesOn) {
    // "..., then a quarter turn more" goes on with what was said.
    reading.keepHow(text);
  } else if (asksHow(reading, sentence, at)) reading.keepHow(`${text}?`);
  else if (NO_MORE_THAN.test(told) && /^(?:inspect|measure|compare|align)$/.test(reading.acts.at(-1)?.verb ?? ''))
    reading.keepHow(text);
  else reading.doubt('verb', sentence, at, at + 1);
}

/** "Nothing over 2 thou." */
const NO_MORE_THAN = /^(?:nothing|none|not|no|never) (?:more than|less than|over|under|above|below) [\d.,]+/;

/** "Turn by hand - free?": what is looked at on the way. */
function asksHow({ acts }: Reading, sentence: Sentence, at: number): boolean {
  const last = acts.at(-1);
  return (
    last !== undefined && verbOf(last.verb).effect === 'stays' && sentence.isQuestion && sentence.words.length - at < 4
  );
}

/** "Now the sleeves and the impeller, you may have to warm it": what comes next, and what is said of it. */
function isHeading({ series }: Reading, sentence: Sentence, at: number): boolean {
  const { phrases, end } = objectsAt(sentence, at);
  return (
    phrases.length > 0 && phrases.every((one) => isPartOrShort(one, series)) && sentence.lows[end] === ',' && at > 0
  );
}

/** "The rotor needs care"; but "takeoff end cap screws" says nothing that a takeoff ends. */
function isStatement(sentence: Sentence, at: number, told: string): boolean {
  const [whole, bareVerb] = STATEMENT.exec(told) ?? [];
  if (whole === undefined || bareVerb === undefined) return whole !== undefined;
  const verb = at + whole.split(' ').length - 1;
  // "The seal faces" are parts, and nothing that faces.
  const named = nounPhraseAt(sentence, at);
  if (named?.phrase.known?.kind === 'part' && verb < named.end) return false;
  const subject = sentence.lows[verb - 1] ?? '';
  // "Weep hole must stay dry".
  if (/^(?:must|should|can|may|will|shall)$/.test(subject)) return true;
  // One thing "ends", several "end".
  // "Arrows on the rotor point up".
  const first = sentence.lows[/^(?:the|both|all|these)$/.test(sentence.lows[at] ?? '') ? at + 1 : at] ?? '';
  const isOnIt = / (?:on|of|in|under|at) the /.test(whole) && isPlural(first);
  return bareVerb.endsWith('s') || isPlural(subject) || isOnIt || /^(?:you|they|we|not)$/.test(subject);
}

function isOrderBehind({ lows }: Sentence, at: number): boolean {
  const low = lows[at] ?? '';
  const isVerb = !ALSO_NOUN.test(low) && !lexicon.isManner(low) && !lexicon.isEnd(low);
  return lows[at - 1] === ',' && isVerb && verbAt(lows, at) !== undefined;
}

/** A remark in which something is taken off or tightened is a step that is not said as one: "make sure you get the ring out". */
export function asksForAct(reading: Reading, sentence: Sentence, at: number): boolean {
  // "It should turn with no more than 5 N·m" is what it may take, and no torque to give it.
  if (lexicon.MAY_TAKE.test(sentence.lows.slice(at).join(' '))) return false;
  const hides = hidesAct(sentence, at) || hidesDone(sentence.slice(at, sentence.words.length));
  if (hides) reading.doubt('verb', sentence, at, at + 1);
  return hides;
}

function hidesAct(sentence: Sentence, start: number): boolean {
  for (let at = start; at < sentence.words.length; at += 1) {
    if (torqueAt(sentence, at)) return true;
    // "The seals are next, press in flush".
    const isWayNext =
      verbAt(sentence.lows, at)?.is === 'movement' && WAY_WORDS[sentence.lows[at + 1] ?? ''] !== undefined;
    if (sentence.lows[at - 1] === ',' && isWayNext) return true;
    // "Count the turns, then back it off".
    if (sentence.lows[at - 1] === 'then' && verbAt(sentence.lows, at)) return true;
    if (!/^(?:you|we|i|must|should)$/.test(sentence.lows[at - 1] ?? '') || verbAt(sentence.lows, at)?.is !== 'movement')
      continue;
    const named = nounPhraseAt(sentence, at + 1);
    if (named?.phrase.known?.kind === 'part' && WAY_WORDS[sentence.lows[named.end] ?? ''] !== undefined) return true;
  }
  return false;
}

function keepStatement(reading: Reading, sentence: Sentence, at: number, told: string, text: string): void {
  // "The rod must be straight, check it": what is said of it is what "it" means.
  const subject = nounPhraseAt(sentence, at)?.phrase;
  if (subject?.known?.kind === 'part') reading.named = [partOf(subject)];
  if (/\b(?:never|not|don't|do not|no longer)\b/.test(told) || DANGEROUS.test(told))
    reading.keepCaution({ signal: 'CAUTION', text });
  else if (/\b(?:because|otherwise|so that|keeps|prevents|protects)\b/.test(told)) reading.keepWhy(text);
  else reading.keepHow(text);
}

/** "Valve caps to 75 N·m". */
function readFigureOf(reading: Reading, sentence: Sentence, at: number, opened: Partial<OpenAct> | undefined): boolean {
  const named = nounPhraseAt(sentence, at);
  // "Head screws 60 N·m", which nobody named yet.
  const isNewFastener =
    named && !named.phrase.known && !named.phrase.pronoun && lexicon.FASTENS.test(named.phrase.name);
  if (!named || !(isPartOrShort(named.phrase, reading.series) || isNewFastener)) return false;
  let behind = named.end;
  while (lexicon.isManner(sentence.lows[behind] ?? '')) behind += 1;
  const isWithFigure = sentence.lows[behind] === 'with' && torqueAt(sentence, behind + 1) !== undefined;
  const isJoined = isWithFigure || /^(?:to|at|=|:|,|-|–|gets?|takes?|needs?|goes)$/.test(sentence.lows[behind] ?? '');
  const from = isJoined
    ? behind + (/^goes to$/.test(sentence.lows.slice(behind, behind + 2).join(' ')) ? 2 : 1)
    : behind;
  if (!torqueAt(sentence, from) && !isTightenedSo(sentence, named.phrase, from)) return false;
  const act = { ...blankAct('torque'), ...opened, parts: [partOf(named.phrase)] };
  reading.acts.push(act);
  trailing(reading, sentence, behind > named.end ? named.end : from, act);
  return true;
}

/** "Cover nuts crosswise, in three passes, 45 N·m": a fastener, how, and its figure. */
function isTightenedSo(sentence: Sentence, { words }: NounPhrase, from: number): boolean {
  if (!lexicon.FASTENS.test(words.at(-1) ?? '')) return false;
  const figure = sentence.lows.findIndex((_, at) => at > from && torqueAt(sentence, at) !== undefined);
  if (figure < 0) return false;
  return sentence.lows.slice(from, figure).every((low, i) => {
    const at = from + i;
    if (lexicon.MANNER_PHRASE.test(sentence.lows.slice(at).join(' '))) return true;
    return WAY_WORDS[low] === undefined && verbAt(sentence.lows, at)?.is !== 'movement' && !STATES_WHAT_IS.test(low);
  });
}

/** Words of a statement: "the nuts are the ones with 45 N·m". */
const STATES_WHAT_IS = /^(?:is|are|was|were|has|have|had|which|that|who|you|i|we|they|if|when|don't|not|never)$/;

/** "Then the plunger": done as the one before. */
function readSameAgain(reading: Reading, sentence: Sentence, at: number): boolean {
  const named = nounPhraseAt(sentence, at);
  const last = reading.acts.at(-1);
  // "Drop the balls in, then the seats", which nobody named yet.
  const isNew =
    named && !named.phrase.known && /^(?:the|your|both)$/.test(sentence.lows[at] ?? '') && isCalledPart(named.phrase);
  if (!named || !(named.phrase.known?.kind === 'part' || (isNew && last && movesParts(last.verb)))) return false;
  const same = SAME.exec(sentence.lows.slice(named.end).join(' '))?.[0];
  const goesOn =
    same !== undefined || /^(?:with|,)$/.test(sentence.lows[named.end] ?? '') || beginsFacing(sentence, named.end);
  if (named.end < sentence.words.length && !goesOn) return false;
  if (!last || last.parts.length === 0) return false;
  const { verb, positionIds, positionSetId } = last;
  const act = {
    ...blankAct(verb),
    parts: [partOf(named.phrase)],
    positionIds: [...positionIds],
    ...(positionSetId && { positionSetId }),
    ...(same !== undefined && { tools: [...last.tools] }),
  };
  reading.acts.push(act);
  trailing(reading, sentence, named.end + (same === undefined ? 0 : same.split(' ').length), act);
  return true;
}

/** "Undo the wing nuts. There's four." */
function readHowMany({ acts, verbs }: Reading, { words, lows }: Sentence, at: number): boolean {
  const said =
    /^(?:there's|there (?:is|are)|it's|they are|they're) (?=\S+(?: of (?:them|those)| in (?:all|total))?$)/.exec(
      lows.slice(at).join(' '),
    )?.[0];
  const number = at + (said?.trim().split(' ').length ?? 0);
  const [count, last] = [words[number]?.value, acts.at(-1)];
  const [part, other] = last?.parts ?? [];
  if (said === undefined || count === undefined || !part || other || part.count !== undefined || !last) return false;
  last.parts[0] = { ...part, count, fromCount: words[number]?.from ?? part.from };
  verbs.push(...lows.slice(at));
  return true;
}

/** "New O-ring on the chamber", "new seal and ring in the groove": put there. */
function readNewThere(reading: Reading, sentence: Sentence, at: number): boolean {
  const { phrases, end } = objectsAt(sentence, at);
  const [first] = phrases;
  const arePut = first?.state.includes('new') && phrases.every((one) => isPartLike(one, reading.series));
  const where = nounPhraseAt(sentence, end + 1);
  if (!arePut || !where || !/^(?:in|on|into|onto|over|under|behind|around)$/.test(sentence.lows[end] ?? ''))
    return false;
  const act = blankAct('fit');
  reading.acts.push(act);
  takeObjects(reading, phrases, act);
  trailing(reading, sentence, end, act);
  return true;
}

const SAME = /^(?:(?:is |are |goes |go |in )?the same(?: way)?|likewise|too|as well)(?= ?[,.;]|$)/;

/** What can hurt, said as a statement: "it gets hot". */
const DANGEROUS =
  /\b(?:gets?|is|are|stays?|may be|can be|will be|still) (?:\w+ )?(?:hot|heavy|sharp|slippery|under (?:pressure|tension|load)|live|poisonous|corrosive|acid)\b/;

/** "The new one goes on with the carbon outward" puts something there, whatever it is called. */
const MOVES_THERE =
  /\b(?:comes?|falls?|drops?|pops?) (?:\w+ )?(?:off|out|away|down|apart|between|behind|next|first|last)\b|\b(?:goes|go) back\b|\bcomes? (?:in|into|on|onto) (?:the|a|an|its|their)\b|\b(?:is|are|has been|have been) (?:now |all |already )?(?:locked (?:off|out)|isolated|tagged|switched off|unplugged|depressurised|drained)\b|^(?:(?:the|a|an|both|all|new|old|this|that) )?(?:[\w-]+ ){0,4}?(?:goes|go) (?:back )?(?:on|in|into|onto|over|off|out|back)\b|\b(?:is|are|gets?) (?:\w+ly |then |now )?\w+(?:ed|en) (?:straight |right )?(?:off|out|in|on|into|onto|back)\b/;

/** "New rings are to be oiled" orders something. */
const TO_BE_DONE =
  /^(?:(?:the|both|all|each) )?(?:[\w-]+ ){1,3}?go(?:es)? (?:horizontal|vertical|flat|upright|face|lips?|up|down|under|behind|first|last|next|there|here|straight)\w*\b|\b(?:is|are) to be\b|\bgets? (?:\w+ed|an?|some|new|fresh|more|\d+)\b|\bgets? (?!(?:very |quite |too |really )?(?:hot|warm|cold|stuck|dirty|wet|dry|hard|soft|worn|loose|tight|bigger|smaller|slippery|heavy|brittle|old|in|on|to|under|stiff|stretched|shorter|longer|harder|softer|trapped|caught|lost|damaged|scratched|pinched|torn|bent|hung|into|between|through)\b)\w+/;

const STATEMENT =
  /^(?:it's|that's(?! (?:it|all)\b)|there's|they're|(?:it|that|there|they) (?:is|are))\b|^(?:(?:this|that|it|they|there|the|both|all|each|these|those|your|a|an)\b.*|[\w-]+(?: (?:on|of|in|under|behind|inside|at|between|around) the)?(?: (?!the\b|a\b|an\b|that\b|which\b|it\b|them\b|your\b|until\b|if\b|so\b|and\b|to\b)[\w-]+){0,3})\b ?\b(?:is|are|was|were|has|have|had|must|shall|can|cannot|can't|will|won't|should|could|may|might|(gets?|goes|go|keeps?|prevents?|protects?|breaks?|burns?|holds?|sits?|fits?|needs?|comes?|moves?|enters?|weighs?|faces?|points?|lies|lie|stands?|stays?|shows?|looks?|ends?|remains?|means?|stops?|clicks?))\b/;
