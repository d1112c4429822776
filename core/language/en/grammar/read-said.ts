import type { Series } from '../../../model/series';
import { verbOf } from '../../../model/verbs';
import { readCondition } from './acts/conditions';
import { placedByOwner } from './acts/placed-by';
import { blankAct, type OpenAct, partOf, Reading, type SaidBefore } from './acts/reading';
import { clausesOf } from './clauses';
import { hiddenIn, hidesDone } from './hidden';
import { lostWords } from './lost-words';
import { torqueAt } from './names/figures';
import { lastWordsOf, namesAt, namesOf } from './names/known-names';
import { beginsFacing, type NounPhrase, nounPhraseAt } from './names/noun-phrase';
import type { Said, SaidCaution, SaidNote, SaidPart } from './names/said';
import { Sentence } from './names/sentence';
import { isPartOrShort } from './names/short-names';
import { type Opened, openingOf, skipFillers } from './opening';
import { asOrders } from './orders/as-orders';
import { readAct } from './read-act';
import { trailing } from './told-along/trailing';
import * as lexicon from './words/lexicon';
import { ALSO_NOUN, verbAt, WAY_WORDS } from './words/operations';
import { isPlural, wordsOf } from './words/words';

/** A line with its words in the order in which they are read. */
function sentenceOf(text: string, series: Series): Sentence {
  const names = namesOf(series);
  return new Sentence(text, asOrders(text, wordsOf(text), names), names);
}

/** Reads a line in plain words: what is done one after the other, what is said of it, and what has to be asked. */
export function readSaid(text: string, series: Series, before: SaidBefore = { parts: [] }): Said {
  const sentence = sentenceOf(text, series);
  const reading = new Reading(series, before, partsIn(sentence));
  const clauses = clausesOf(sentence);
  for (const [i, clause] of clauses.entries())
    if (i === clauses.length - 1 || !isTopic(reading, clause)) readClause(reading, clause);
  shareObjects(reading.acts);
  liftedToFit(reading);
  placedByOwner(reading.acts, series, sentence.names);
  const note = noteOf(reading);
  const lost = reading.doubts.length === 0 ? lostWords(sentence.words, reading.acts, note, reading.verbs) : undefined;
  const hidden = reading.doubts.length === 0 && !lost ? hiddenIn(text, reading.acts, note, sentence.names) : undefined;
  for (const doubt of [lost, hidden]) if (doubt) reading.doubts.push(doubt);
  return { acts: reading.acts, note, doubts: reading.doubts };
}

/** "Now the end cap. Loosen the bolts ...": what the line goes on about. */
function isTopic(reading: Reading, sentence: Sentence): boolean {
  const at = skipFillers(sentence, 0);
  const named = reading.acts.length === 0 ? nounPhraseAt(sentence, at) : undefined;
  const isAlone = named?.phrase.known?.kind === 'part' && named.phrase.fromCount === undefined;
  if (!named || !isAlone || named.end < sentence.words.length || verbAt(sentence.lows, at)) return false;
  reading.named = [partOf(named.phrase)];
  reading.verbs.push(...sentence.lows);
  return true;
}

/** The parts that a line names: one, or several of them. */
function partsIn(sentence: Sentence): SaidPart[] {
  const found: SaidPart[] = [];
  for (let at = 0; at < sentence.words.length; ) {
    const known = namesAt(sentence.names, sentence.words, at).find(({ kind }) => kind === 'part');
    const last = sentence.words[at + (known?.length ?? 1) - 1];
    const first = sentence.words[at];
    const isShort = !known && lastWordsOf(sentence.names).has(first?.parts.at(-1) ?? '');
    if ((known || isShort) && first && last)
      found.push({ name: known?.name ?? first.low, count: isPlural(last.low) ? 2 : 1, from: first.from, to: last.to });
    at += known?.length ?? 1;
  }
  return found;
}

/** The pieces of a line that say one thing each, as they stand in it. */
export function piecesOf(text: string, series: Series): string[] {
  return clausesOf(sentenceOf(text, series)).map(({ words }) => {
    const from = Math.min(...words.map((word) => word.from));
    return text.slice(from, Math.max(...words.map((word) => word.to)));
  });
}

/** What is said before the first action belongs to it: "Careful, it is hot. Remove the cap." */
function noteOf({ acts: [first], note }: Reading): SaidNote {
  if (!first) return note;
  for (const field of ['how', 'why'] as const) first[field].unshift(...note[field]);
  first.cautions.unshift(...note.cautions);
  return { cautions: [], how: [], why: [] };
}

/** "Raise the head with the crane and push it on": it is lifted to be put on, and not taken off. */
function liftedToFit({ acts, lifted }: Reading): void {
  acts.forEach((act, i) => {
    const next = acts[i + 1];
    if (next && lifted.has(act) && verbOf(next.verb).effect === 'refits' && sameParts(act, next)) act.verb = 'move';
  });
}

function sameParts(one: OpenAct, two: OpenAct): boolean {
  return one.parts.length > 0 && one.parts.every(({ name }) => two.parts.some((other) => other.name === name));
}

/** "Isolate and lock out the pump": a verb by itself is done to what the next one is done to. */
function shareObjects(acts: OpenAct[]): void {
  // From the last on: "remove, clean and inspect the rotor".
  for (const [i, act] of [...acts.entries()].reverse()) {
    const next = acts[i + 1];
    const isNamed = act.parts.length > 0 || act.about !== undefined || act.how.length > 0 || act.applied.length > 0;
    // "Lock out and tag the motor", "lock out the motor and hang your tag": once.
    const isLockedBefore = acts[i - 1]?.verb === 'lock-out' || next?.verb === 'lock-out';
    if (act.verb === 'lock-out' && !isNamed && isLockedBefore) {
      acts.splice(i, 1);
      continue;
    }
    if (!next || isNamed || act.verb === 'wait' || act.verb === 'release-pressure') continue;
    // "Switch on and set the pressure" switches on no pressure.
    if (next.verb === 'adjust' || next.verb === 'attend') continue;
    if (verbOf(act.verb).object === 'parts') act.parts.push(...next.parts);
    else {
      const about = next.verb === 'test' ? '' : (next.about ?? next.parts.map(({ name }) => name).join(', '));
      if (about) act.about = about;
    }
  }
}

/** Reads one piece of a line. What is no action of its own is kept with the action before it, or with the step in hand. */
function readClause(reading: Reading, sentence: Sentence): void {
  const at = skipFillers(sentence, 0);
  const end = sentence.words.length;
  if (at >= end) return;
  const told = sentence.lows.slice(at).join(' ').replaceAll(' , ', ', ');
  const text = sentence.text(at, end);
  const signal = SIGNALS[lexicon.SIGNAL_OPENING.exec(told)?.[1] ?? ''];
  if (signal || NOTED.test(told)) {
    const marked = /[:!,-]/.test(sentence.lows[at + 1] ?? '');
    const behind = sentence.text(at + (marked ? 2 : 1), end);
    if (signal) reading.keepCaution({ signal, text: behind });
    else if (!asksForAct(reading, sentence, at)) {
      reading.verbs.push('note');
      reading.keepHow(behind);
    }
  } else if (lexicon.CAUTION_OPENING.test(told)) reading.keepCaution({ signal: 'CAUTION', text });
  else if (lexicon.REASON_OPENING.test(told)) reading.keepWhy(text);
  else if (lexicon.REPEAT_OPENING.test(told)) reading.doubt('repeat', sentence, at, end);
  else if (lexicon.CONDITION_OPENING.test(told) && !lexicon.EASY_CONDITION.test(told)) {
    if (!readCondition(reading, sentence.slice(at, end), readClause)) reading.doubt('condition', sentence, at, end);
  } else if (lexicon.USE_FOR.test(told) && reading.acts.at(-1)?.verb === 'clean') reading.keepHow(text);
  else if (lexicon.REMARK_OPENING.test(told)) {
    if (!asksForAct(reading, sentence, at)) keepRemark(reading, text);
  } else readAction(reading, sentence, at);
}

/** "Use oil only, never grease": a remark, and the caution behind it. */
function keepRemark(reading: Reading, text: string): void {
  const at = text.search(/,\s*(?:never|do not|don't|not|and never|but never|but not)\b/i);
  reading.keepHow(at < 0 ? text : text.slice(0, at));
  if (at >= 0) reading.keepCaution({ signal: 'CAUTION', text: text.slice(at + 1).trim() });
}

/** An action, with what is said before its verb. */
function readAction(reading: Reading, sentence: Sentence, start: number, before?: Opened): void {
  const opened = before ?? openingOf(reading, sentence, start);
  const how = opened?.how ?? [];
  let at = opened ? skipFillers(sentence, opened.end) : start;
  if (at >= sentence.words.length) {
    reading.keepHow(how.join(', '));
    return;
  }
  while (isMannerOrComma(sentence, at) && !verbAt(sentence.lows, at)) {
    if (sentence.lows[at] !== ',') how.push(sentence.text(at, at + 1));
    at += 1;
  }
  // "Carefully with the pick remove the ring".
  if (at > start && !opened) {
    const late = openingOf(reading, sentence, at);
    if (late) {
      readAction(reading, sentence, late.end, { ...late, how: [...how, ...late.how] });
      return;
    }
  }
  const longest = verbAt(sentence.lows, at);
  // "Open valve cage" opens a cage and no valve.
  const partNext = namesAt(sentence.names, sentence.words, at + 1).some(({ kind }) => kind === 'part');
  if (!longest || isSaidOf(sentence, at)) {
    readWithoutVerb(reading, sentence, at, opened?.act, how);
    return;
  }
  const verb = longest && longest.length > 1 && partNext ? (verbAt(sentence.lows, at, 1) ?? longest) : longest;
  const isPart = namesAt(sentence.names, sentence.words, at).some(
    ({ kind, length }) => kind === 'part' && length >= (verb?.length ?? 1),
  );
  if (!verb || isPart) readWithoutVerb(reading, sentence, at, opened?.act, how);
  else readAct(reading, sentence, at, verb, how, opened?.act);
}

/** "Oil might drip out" says what oil does, and is no oiling. */
function isSaidOf(sentence: Sentence, at: number): boolean {
  return /^(?:might|may|can|could|will|would|should|must|is|are|was|has|have|cannot|can't|won't)$/.test(
    sentence.lows[at + 1] ?? '',
  );
}

function isMannerOrComma(sentence: Sentence, at: number): boolean {
  const low = sentence.lows[at];
  return low !== undefined && (low === ',' || lexicon.isManner(low));
}

const SIGNALS: Readonly<Record<string, SaidCaution['signal']>> = {
  danger: 'DANGER',
  warning: 'WARNING',
  caution: 'CAUTION',
  attention: 'CAUTION',
  important: 'NOTICE',
  notice: 'NOTICE',
};

/** "Note: the plate may stick": a remark. */
const NOTED = /^note\s*(?::|-|,)/;

/** "Valve caps to 75 N·m" is a torque; a statement is a remark, a reason or a caution; the rest is asked. */
function readWithoutVerb(
  reading: Reading,
  sentence: Sentence,
  at: number,
  opened: Partial<OpenAct> | undefined,
  how: readonly string[],
): void {
  if (readFigureOf(reading, sentence, at, opened) || readSameAgain(reading, sentence, at)) return;
  const told = sentence.lows.slice(at).join(' ');
  const text = [...how, sentence.text(at, sentence.words.length)].join(', ');
  const goesOn =
    reading.acts.length > 0 &&
    (lexicon.MANNER_PHRASE.test(told) || /^(?:go|come|then)\b|^(?:the )?\w+(?: ones?)? (?:first|last)$/.test(told));
  if (isStatement(sentence, at, told) && !TO_BE_DONE.test(told) && !MOVES_THERE.test(told)) {
    // "Both pins look worn, renew as a pair": a statement, and what is to be done about it.
    const order = sentence.lows.findIndex((_, i) => i > at && isOrderBehind(sentence, i));
    if (order > 0) {
      readWithoutVerb(reading, sentence.slice(0, order - 1), at, opened, how);
      readClause(reading, sentence.slice(order, sentence.words.length));
    } else if (!asksForAct(reading, sentence, at)) keepStatement(reading, sentence, at, told, text);
  } else if (goesOn) {
    // "..., then a quarter turn more" goes on with what was said.
    reading.keepHow(text);
  } else reading.doubt('verb', sentence, at, at + 1);
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
  // One thing "ends", several "end".
  return bareVerb.endsWith('s') || isPlural(subject) || /^(?:you|they|we|not)$/.test(subject);
}

function isOrderBehind({ lows }: Sentence, at: number): boolean {
  const low = lows[at] ?? '';
  const isVerb = !ALSO_NOUN.test(low) && !lexicon.isManner(low) && !lexicon.isEnd(low);
  return lows[at - 1] === ',' && isVerb && verbAt(lows, at) !== undefined;
}

/** A remark in which something is taken off or tightened is a step that is not said as one: "make sure you get the ring out". */
function asksForAct(reading: Reading, sentence: Sentence, at: number): boolean {
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
  if (!named || !isPartOrShort(named.phrase, reading.series)) return false;
  let behind = named.end;
  while (lexicon.isManner(sentence.lows[behind] ?? '')) behind += 1;
  const isJoined = /^(?:to|at|=|:|,|-|–|gets?|takes?|needs?)$/.test(sentence.lows[behind] ?? '');
  const from = isJoined ? behind + 1 : behind;
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
    return WAY_WORDS[low] === undefined && verbAt(sentence.lows, at)?.is !== 'movement' && !STATES_WHAT_IS.test(low);
  });
}

/** Words of a statement: "the nuts are the ones with 45 N·m". */
const STATES_WHAT_IS = /^(?:is|are|was|were|has|have|had|which|that|who|you|i|we|they|if|when|don't|not|never)$/;

/** "Then the plunger": done as the one before. */
function readSameAgain(reading: Reading, sentence: Sentence, at: number): boolean {
  const named = nounPhraseAt(sentence, at);
  const last = reading.acts.at(-1);
  if (named?.phrase.known?.kind !== 'part') return false;
  const goesOn = /^(?:with|,)$/.test(sentence.lows[named.end] ?? '') || beginsFacing(sentence, named.end);
  if (named.end < sentence.words.length && !goesOn) return false;
  if (!last || last.parts.length === 0) return false;
  const { verb, positionIds, positionSetId } = last;
  const act = {
    ...blankAct(verb),
    parts: [partOf(named.phrase)],
    positionIds: [...positionIds],
    ...(positionSetId && { positionSetId }),
  };
  reading.acts.push(act);
  trailing(reading, sentence, named.end, act);
  return true;
}

/** What can hurt, said as a statement: "it gets hot". */
const DANGEROUS =
  /\b(?:gets?|is|are|stays?|may be|can be|will be|still) (?:\w+ )?(?:hot|heavy|sharp|slippery|under (?:pressure|tension|load)|live|poisonous|corrosive|acid)\b/;

/** "The new one goes on with the carbon outward" puts something there, whatever it is called. */
const MOVES_THERE =
  /\bcomes? (?:\w+ )?(?:off|out|away|down|apart)\b|\b(?:goes|go) back\b|\b(?:is|are|has been|have been) (?:now |all |already )?(?:locked (?:off|out)|isolated|tagged|switched off|unplugged|depressurised|drained)\b|^(?:(?:the|a|an|both|all|new|old|this|that) )?(?:[\w-]+ ){0,4}?(?:goes|go) (?:back )?(?:on|in|into|onto|over|off|out|back)\b|\b(?:is|are|gets?) (?:\w+ly |then |now )?\w+(?:ed|en) (?:straight |right )?(?:off|out|in|on|into|onto|back)\b/;

/** "New rings are to be oiled" orders something. */
const TO_BE_DONE = /\b(?:is|are) to be\b|\bgets? (?:\w+ed|an?|some|new|fresh|more|\d+)\b/;

const STATEMENT =
  /^(?:it's|that's(?! (?:it|all)\b)|there's|they're|(?:it|that|there|they) (?:is|are))\b|^(?:(?:this|that|it|they|there|the|both|all|each|these|those|your|a|an)\b.*|\w+(?: (?!the\b|a\b|an\b|that\b|which\b|it\b|them\b|your\b|until\b|if\b|so\b|and\b|to\b)[\w-]+){0,3})\b ?\b(?:is|are|was|were|has|have|had|must|shall|can|cannot|can't|will|won't|should|could|may|might|(gets?|goes|go|keeps?|prevents?|protects?|breaks?|burns?|holds?|sits?|fits?|needs?|comes?|moves?|enters?|weighs?|faces?|points?|lies|lie|stands?|stays?|shows?|looks?|ends?|remains?|means?|stops?|clicks?))\b/;
