import { byName, pluralName } from '../../../model/names';
import type { Series } from '../../../model/series';
import { verbOf } from '../../../model/verbs';
import { readCondition } from './acts/conditions';
import { endsBeforeColon, spellOut } from './acts/headlines';
import { placedByOwner } from './acts/placed-by';
import { movesParts, type OpenAct, partOf, Reading, type SaidBefore } from './acts/reading';
import { unlikelyIn } from './acts/unlikely';
import { asVerdict } from './acts/verdicts';
import { clausesOf } from './clauses';
import { hiddenIn } from './hidden';
import { lostWords } from './lost-words';
import { torqueAt } from './names/figures';
import { lastWordsOf, namesAt, namesOf } from './names/known-names';
import { nounPhraseAt } from './names/noun-phrase';
import type { Said, SaidCaution, SaidNote, SaidPart } from './names/said';
import { Sentence } from './names/sentence';
import { type Opened, openingOf, skipFillers } from './opening';
import { asOrders } from './orders/as-orders';
import { readAct } from './read-act';
import { asksForAct, readWithoutVerb } from './without-verb';
import { CALLED_SO_OR_ORDERED } from './words/called-so';
import * as lexicon from './words/lexicon';
import { verbAt } from './words/operations';
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
  const beforeColon = endsBeforeColon(sentence);
  const headlines: OpenAct[] = [];
  for (const [i, clause] of clauses.entries()) {
    if (i < clauses.length - 1 && isTopic(reading, clause)) continue;
    const read = reading.acts.length;
    readClause(reading, clause);
    const [headline, other] = reading.acts.slice(read);
    if (headline && !other && movesParts(headline.verb) && beforeColon.has(clause.words.at(-1)?.to ?? -1))
      headlines.push(headline);
  }
  for (const headline of headlines) spellOut(reading, headline);
  takeObjectsBehind(reading, text);
  shareObjects(reading.acts);
  liftedOnly(reading);
  placedByOwner(reading.acts, series, sentence.names);
  oneOfEach(reading);
  const note = noteOf(reading);
  const lost = reading.doubts.length === 0 ? lostWords(sentence.words, reading.acts, note, reading.verbs) : undefined;
  const hidden = reading.doubts.length === 0 && !lost ? hiddenIn(text, reading.acts, note, sentence.names) : undefined;
  const unlikely =
    reading.doubts.length === 0 && !lost && !hidden ? unlikelyIn(reading.acts, reading.verbs) : undefined;
  for (const doubt of [lost, hidden, unlikely]) if (doubt) reading.doubts.push(doubt);
  return { acts: reading.acts, note, doubts: reading.doubts };
}

/** "Now the end cap. Loosen the bolts ...": what the line goes on about. */
function isTopic(reading: Reading, sentence: Sentence): boolean {
  const at = skipFillers(sentence, 0);
  const named = reading.acts.length === 0 ? nounPhraseAt(sentence, at) : undefined;
  const isAlone = named?.phrase.known?.kind === 'part' && named.phrase.fromCount === undefined;
  const end = /^(?:first|next|now)$/.test(sentence.lows.at(-1) ?? '')
    ? sentence.words.length - 1
    : sentence.words.length;
  if (!named || !isAlone || named.end < end || verbAt(sentence.lows, at)) return false;
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

/** "Raise the head with the crane and push it on": it is lifted to be put on, or is out already, and not taken off. */
function liftedOnly({ acts, lifted, before: { out } }: Reading): void {
  acts.forEach((act, i) => {
    if (!lifted.has(act) || act.parts.length === 0) return;
    const next = acts[i + 1];
    const isToFit = next && verbOf(next.verb).effect === 'refits' && sameParts(act, next);
    if (isToFit || act.parts.every(({ name }) => out?.has(name))) act.verb = 'move';
  });
}

/** "Take the nut off each one": as many nuts as there are of those. */
function oneOfEach({ acts, series }: Reading): void {
  for (const act of acts) {
    if (!movesParts(act.verb) || !act.how.some((how) => OF_EACH.test(how))) continue;
    act.parts = act.parts.map((part) =>
      part.count !== undefined || part.quoted || byName(series.components, part.name)
        ? part
        : { ...part, name: pluralName(part.name) },
    );
  }
}

const OF_EACH = /^(?:off|from|out of|on|in|into) (?:each|every)(?: one| of them| of the \w+)?$/;

function sameParts(one: OpenAct, two: OpenAct): boolean {
  return one.parts.length > 0 && one.parts.every(({ name }) => two.parts.some((other) => other.name === name));
}

/** "Oil and fit the plungers": oiled is what is fitted, and not what the step before was about. */
function takeObjectsBehind({ acts: [first, next], sameAsBefore }: Reading, text: string): void {
  const isNamedBehind = next && next.parts.length > 0 && !next.parts.every(({ from, to }) => from === to);
  if (!first || !sameAsBefore.has(first) || !isNamedBehind || !VERB_AND.test(text)) return;
  // What is put on is named already.
  first.parts = first.applied.length > 0 ? [...next.parts] : [];
}

const VERB_AND = /^\W*(?:then |now |next )?[a-z-]+ (?:and|&|\+) /i;

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
    // "Lock out, verify zero energy".
    if (/^(?:isolate|lock-out|restore)$/.test(act.verb) && /^(?:inspect|test|measure)$/.test(next.verb)) continue;
    // "Unscrew and remove the plugs", "push and turn the stator onto the rotor": once.
    if (act.verb === next.verb || (act.verb === 'press' && next.verb === 'fit')) {
      acts.splice(i, 1);
      continue;
    }
    if (verbOf(act.verb).object === 'parts') {
      act.parts.push(...next.parts);
      if (act.positionIds.length === 0) takePlaces(act, next);
    } else {
      const about = next.verb === 'test' ? '' : (next.about ?? next.parts.map(({ name }) => name).join(', '));
      if (about) act.about = about;
    }
  }
}

/** "Wash and inspect the valve at chamber 3": both there. */
function takePlaces(act: OpenAct, { positionIds, positionSetId, positionNames }: OpenAct): void {
  act.positionIds = [...positionIds];
  if (positionSetId) act.positionSetId = positionSetId;
  if (positionNames) act.positionNames = [...positionNames];
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
  } else if (INTRODUCES.test(told)) reading.doubt('verb', sentence, at, at + 1);
  else if (lexicon.CAUTION_OPENING.test(told) || NOT_THAT.test(told)) reading.keepCaution({ signal: 'CAUTION', text });
  else if (lexicon.REASON_OPENING.test(told)) reading.keepWhy(text);
  else if (lexicon.REPEAT_OPENING.test(told)) reading.doubt('repeat', sentence, at, end);
  else if (lexicon.CONDITION_OPENING.test(told) && !lexicon.EASY_CONDITION.test(told)) {
    if (!readCondition(reading, sentence.slice(at, end), readClause)) reading.doubt('condition', sentence, at, end);
  } else if (lexicon.USE_FOR.test(told) && reading.acts.at(-1)?.verb === 'clean') reading.keepHow(text);
  else if (lexicon.REMARK_OPENING.test(told)) {
    if (!asksForAct(reading, sentence, at)) keepRemark(reading, text);
  } else {
    const made = reading.acts.length;
    readAction(reading, sentence, at);
    if (made > 0 && reading.acts.length > made && (asVerdict(reading) || isAnswer(reading, made)))
      reading.doubt('condition', sentence, at, end);
  }
}

/** "Check the sleeve. Rough? Change it.": done only then. */
function isAnswer({ acts }: Reading, made: number): boolean {
  return acts[made - 1]?.how.at(-1)?.endsWith('?') === true;
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
  // "Before starting, ensure that ...".
  if (opened && lexicon.REMARK_OPENING.test(sentence.lows.slice(at).join(' '))) {
    const rest = sentence.slice(at, sentence.words.length);
    if (!asksForAct(reading, rest, 0)) keepRemark(reading, [...how, rest.text(0, rest.words.length)].join(', '));
    return;
  }
  const longest = verbAt(sentence.lows, at);
  // "Open valve cage" opens a cage and no valve.
  const partNext = namesAt(sentence.names, sentence.words, at + 1).some(({ kind }) => kind === 'part');
  if (!longest || isSaidOf(sentence, at)) {
    readWithoutVerb(reading, sentence, at, opened?.act, how, readClause);
    return;
  }
  const verb = longest && longest.length > 1 && partNext ? (verbAt(sentence.lows, at, 1) ?? longest) : longest;
  // "Seal sleeve over the shaft": a tool, and nothing is sealed.
  const isPart = namesAt(sentence.names, sentence.words, at).some(
    ({ kind, length }) =>
      (kind === 'part' && length >= (verb?.length ?? 1)) || (kind === 'tool' && length > (verb?.length ?? 1)),
  );
  if (!isPart && CALLED_SO_OR_ORDERED.test(sentence.lows.slice(at, at + 2).join(' ')) && !partNext) {
    // "Clip on the shaft": a clip, or what is clipped on.
    const end = sentence.lows[at + 1] === 'on' ? at + 1 : at + 2;
    reading.doubt('odd-name', sentence, at, end, [`"${sentence.text(at, end)}"`]);
    return;
  }
  if (!verb || isPart || isCompound(sentence, at)) readWithoutVerb(reading, sentence, at, opened?.act, how, readClause);
  else readAct(reading, sentence, at, verb, how, opened?.act);
}

/** "Oil plug with new washer, 8 N·m", "drain plug, 22 mm": a plug, and nothing is oiled or drained. */
function isCompound(sentence: Sentence, at: number): boolean {
  const { lows } = sentence;
  // "Shim washers behind the impeller" adjust nothing.
  if (/^shim (?:washer|plate|ring|pack|stack)s?\b/.test(lows.slice(at).join(' '))) return true;
  return (
    /^(?:oil|grease|drain|fill|vent|bleed|seal|lock|cap|stop|guide|press) (?:plug|cap|nipple|pan|sump|filter|cooler|cup|screw|nut|washer|ring|plate|pipe|line)s?$/.test(
      lows.slice(at, at + 2).join(' '),
    ) && lows.some((_, i) => i > at + 1 && torqueAt(sentence, i) !== undefined)
  );
}

/** "Oil might drip out" says what oil does, and is no oiling. */
function isSaidOf({ lows }: Sentence, at: number): boolean {
  // "Seat face must be square", "oil level is checked later".
  const isNoun =
    lexicon.isFeature([lows[at + 1] ?? '']) && /^(?:must|should|has|is|are|may|can|will)$/.test(lows[at + 2] ?? '');
  return (
    isNoun ||
    /^(?:might|may|can|could|will|would|should|must|is|are|was|has|have|cannot|can't|won't)$/.test(lows[at + 1] ?? '')
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

/** "In this video we'll change the seals": what the whole is about. */
const INTRODUCES =
  /^(?:in (?:this|today's) (?:video|session|lesson|clip|class|course|part|chapter|section)|(?:today|this time) ,? ?(?:we|i|you)(?:'re|'ll|'m| are| will| am)?(?: going to| gonna)?)\b/;

/** "Not petroleum jelly." */
const NOT_THAT = /^not (?!less|more|only|until|yet|sure|bad|over|under|above|below|all|every|much|many|necessary)[a-z]/;
/** "Note: the plate may stick": a remark. */
const NOTED = /^note\s*(?::|-|,)/;
