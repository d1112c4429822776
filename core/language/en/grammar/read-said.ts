import type { Series } from '../../../model/series';
import { verbOf } from '../../../model/verbs';
import { placeWhere, verbForWhatIsPutOn } from './applied';
import { clausesOf } from './clauses';
import { readCleaning } from './cleaning';
import { measureAt, torqueAt } from './figures';
import { namesAt, namesOf } from './known-names';
import * as lexicon from './lexicon';
import { lostWords } from './lost-words';
import { beginsFacing, isJoint, nounPhraseAt } from './noun-phrase';
import { GREASES, objectsAt, onlySubstance, takeObjects } from './objects';
import { openingOf, skipFillers } from './opening';
import { type ReadVerb, verbAt, WAY_BEFORE_PLACE, WAY_WORDS, type Way } from './operations';
import { blankAct, type OpenAct, partOf, Reading, type SaidBefore } from './reading';
import type { Said, SaidCaution, SaidNote } from './said';
import { Sentence } from './sentence';
import { trailing } from './trailing';
import { RUNS, verbMeant } from './verb-meant';
import { wordsOf } from './words';

/** Reads a line in plain words: what is done one after the other, what is said of it, and what has to be asked. */
export function readSaid(text: string, series: Series, before: SaidBefore = { parts: [] }): Said {
  const sentence = new Sentence(text, wordsOf(text), namesOf(series));
  const reading = new Reading(series, before);
  for (const clause of clausesOf(sentence)) readClause(reading, clause);
  shareObjects(reading.acts);
  const note = noteOf(reading);
  const lost = reading.doubts.length === 0 ? lostWords(sentence.words, reading.acts, note, reading.verbs) : undefined;
  if (lost) reading.doubts.push(lost);
  return { acts: reading.acts, note, doubts: reading.doubts };
}

/** What is said before the first action belongs to it: "Careful, it is hot. Remove the cap." */
function noteOf({ acts: [first], note }: Reading): SaidNote {
  if (!first) return note;
  for (const field of ['how', 'why'] as const) first[field].unshift(...note[field]);
  first.cautions.unshift(...note.cautions);
  return { cautions: [], how: [], why: [] };
}

/** "Isolate and lock out the pump": a verb by itself is done to what the next one is done to. */
function shareObjects(acts: readonly OpenAct[]): void {
  acts.forEach((act, i) => {
    const next = acts[i + 1];
    if (
      !next ||
      act.parts.length > 0 ||
      act.about !== undefined ||
      act.how.length > 0 ||
      act.verb === 'wait' ||
      act.verb === 'release-pressure'
    )
      return;
    if (verbOf(act.verb).object === 'parts') act.parts.push(...next.parts);
    else {
      const about = next.about ?? next.parts.map(({ name }) => name).join(', ');
      if (about) act.about = about;
    }
  });
}

/** Reads one piece of a line. What is no action of its own is kept with the action before it, or with the step in hand. */
function readClause(reading: Reading, sentence: Sentence): void {
  const at = skipFillers(sentence, 0);
  const end = sentence.words.length;
  if (at >= end) return;
  const told = sentence.lows.slice(at).join(' ').replaceAll(' , ', ', ');
  const text = sentence.text(at, end);
  const signal = SIGNALS[lexicon.SIGNAL_OPENING.exec(told)?.[1] ?? ''];
  if (signal) {
    const marked = /[:!,-]/.test(sentence.lows[at + 1] ?? '');
    reading.keepCaution({ signal, text: sentence.text(at + (marked ? 2 : 1), end) });
  } else if (lexicon.CAUTION_OPENING.test(told)) reading.keepCaution({ signal: 'CAUTION', text });
  else if (lexicon.REASON_OPENING.test(told)) reading.keepWhy(text);
  else if (lexicon.REPEAT_OPENING.test(told)) reading.doubt('repeat', sentence, at, end);
  else if (lexicon.CONDITION_OPENING.test(told) && !lexicon.EASY_CONDITION.test(told))
    reading.doubt('condition', sentence, at, end);
  else if (lexicon.REMARK_OPENING.test(told)) keepRemark(reading, text);
  else readAction(reading, sentence, at);
}

/** "Use oil only, never grease": a remark, and the caution behind it. */
function keepRemark(reading: Reading, text: string): void {
  const at = text.search(/,\s*(?:never|do not|don't|not|and never|but never|but not)\b/i);
  reading.keepHow(at < 0 ? text : text.slice(0, at));
  if (at >= 0) reading.keepCaution({ signal: 'CAUTION', text: text.slice(at + 1).trim() });
}

/** An action, with what is said before its verb. */
function readAction(reading: Reading, sentence: Sentence, start: number): void {
  const opened = openingOf(reading, sentence, start);
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
  const longest = verbAt(sentence.lows, at);
  // "Open valve cage" opens a cage and no valve.
  const partNext = namesAt(sentence.names, sentence.words, at + 1).some(({ kind }) => kind === 'part');
  const verb = longest && longest.length > 1 && partNext ? (verbAt(sentence.lows, at, 1) ?? longest) : longest;
  const isPart = namesAt(sentence.names, sentence.words, at).some(
    ({ kind, length }) => kind === 'part' && length >= (verb?.length ?? 1),
  );
  if (!verb || isPart) readWithoutVerb(reading, sentence, at, opened?.act);
  else readAct(reading, sentence, at, verb, how, opened?.act);
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

/** "Valve caps to 75 N·m" is a torque; a statement is a remark, a reason or a caution; the rest is asked. */
function readWithoutVerb(reading: Reading, sentence: Sentence, at: number, opened: Partial<OpenAct> | undefined): void {
  if (readFigureOf(reading, sentence, at, opened) || readSameAgain(reading, sentence, at)) return;
  if (readGoing(reading, sentence, at)) return;
  const told = sentence.lows.slice(at).join(' ');
  const text = sentence.text(at, sentence.words.length);
  const goesOn = reading.acts.length > 0 && (lexicon.MANNER_PHRASE.test(told) || /^(?:go|come|then)\b/.test(told));
  if (STATEMENT.test(told)) keepStatement(reading, told, text);
  // "..., then a quarter turn more" goes on with what was said.
  else if (goesOn) reading.keepHow(text);
  else reading.doubt('verb', sentence, at, at + 1);
}

function keepStatement(reading: Reading, told: string, text: string): void {
  if (/\b(?:never|not|don't|do not|no longer)\b/.test(told)) reading.keepCaution({ signal: 'CAUTION', text });
  else if (/\b(?:because|otherwise|so that|keeps|prevents|protects)\b/.test(told)) reading.keepWhy(text);
  else reading.keepHow(text);
}

/** "Valve caps to 75 N·m". */
function readFigureOf(reading: Reading, sentence: Sentence, at: number, opened: Partial<OpenAct> | undefined): boolean {
  const named = nounPhraseAt(sentence, at);
  if (named?.phrase.known?.kind !== 'part') return false;
  const from = /^(?:to|at|=|:)$/.test(sentence.lows[named.end] ?? '') ? named.end + 1 : named.end;
  if (!torqueAt(sentence, from)) return false;
  const act = { ...blankAct('torque'), ...opened, parts: [partOf(named.phrase)] };
  reading.acts.push(act);
  trailing(reading, sentence, named.end, act);
  return true;
}

/** "The gasket goes in dry": said of the part, and done to it. */
function readGoing(reading: Reading, sentence: Sentence, at: number): boolean {
  const named = nounPhraseAt(sentence, at);
  if (named?.phrase.known?.kind !== 'part' || !/^(?:goes|go|comes|come)$/.test(sentence.lows[named.end] ?? ''))
    return false;
  const way = WAY_WORDS[sentence.lows[named.end + 1] ?? ''];
  if (way !== 'in' && way !== 'on' && way !== 'back' && way !== 'out') return false;
  const act = blankAct(way === 'out' ? 'take-off' : 'fit');
  reading.acts.push(act);
  takeObjects(reading, [named.phrase], act);
  let end = named.end + 2;
  if (way === 'back' && /^(?:in|on)$/.test(sentence.lows[end] ?? '')) end += 1;
  trailing(reading, sentence, end, act);
  return true;
}

/** "Then the plunger": done as the one before. */
function readSameAgain(reading: Reading, sentence: Sentence, at: number): boolean {
  const named = nounPhraseAt(sentence, at);
  const last = reading.acts.at(-1);
  if (named?.phrase.known?.kind !== 'part' || named.end < sentence.words.length) return false;
  if (!last || last.parts.length === 0) return false;
  const { verb, positionIds, positionSetId } = last;
  reading.acts.push({
    ...blankAct(verb),
    parts: [partOf(named.phrase)],
    positionIds: [...positionIds],
    ...(positionSetId && { positionSetId }),
  });
  return true;
}

const STATEMENT =
  /^(?:(?:this|that|it|they|there|the|both|all|each|these|those|your|a|an)\b.*|\w+)\b ?\b(?:is|are|was|were|has|have|had|must|can|cannot|can't|will|won't|should|may|might|goes|go|keeps?|prevents?|protects?|breaks?|burns?|holds?|sits?|fits?|needs?|comes?|moves?|enters?|weighs?|faces?|means?|stops?|clicks?)\b/;

function readAct(
  reading: Reading,
  sentence: Sentence,
  start: number,
  verb: ReadVerb,
  how: readonly string[],
  opened: Partial<OpenAct> | undefined,
): void {
  const act = { ...blankAct('test'), ...opened, how: [...how] } as OpenAct;
  let at = start + verb.length;
  // "Take off the cover": the way stands right behind the verb.
  const ways: Way[] = [];
  const wayWords: string[] = [];
  const wayFrom = at;
  if (verb.is === 'movement') {
    // Nothing is named yet, so it is no word before a place.
    while (WAY_WORDS[sentence.lows[at] ?? ''] !== undefined && sentence.lows[at + 1] !== 'of' && !isManner(at)) {
      takeWay();
    }
    if (sentence.lows.slice(at, at + 3).join(' ') === 'to one side') {
      ways.push('aside');
      at += 3;
    }
  }
  const objects = objectsAt(sentence, at);
  at = objects.end;
  // "Take the cover off": the way stands behind what is named.
  // "Straight out", "right off": how, and which way.
  if (
    verb.is === 'movement' &&
    /^(?:right|straight|clean|square|carefully|slowly|gently)$/.test(sentence.lows[at] ?? '') &&
    WAY_WORDS[sentence.lows[at + 1] ?? ''] !== undefined
  ) {
    if (sentence.lows[at] !== 'right') act.how.push(sentence.text(at, at + 1));
    at += 1;
  }
  while (
    verb.is === 'movement' &&
    WAY_WORDS[sentence.lows[at] ?? ''] !== undefined &&
    !isPlaceNext(sentence, at) &&
    !isManner(at)
  ) {
    takeWay();
  }
  if (verb.is === 'movement' && sentence.lows.slice(at, at + 3).join(' ') === 'to one side') {
    ways.push('aside');
    at += 3;
  }
  if (readCleaning(reading, sentence, verb, objects, how)) return;
  const told = sentence.lows.slice(start).join(' ');
  const meant = verbMeant(reading, sentence, verb, ways, objects.phrases, at, told);
  if (meant === undefined) {
    reading.doubt(verb.is === 'movement' ? 'sense' : 'verb', sentence, start, Math.max(wayFrom, start + 1), []);
    return;
  }
  act.verb = meant.verb;
  reading.verbs.push(verb.phrase, ...wayWords);
  if (meant.aboutEnd !== undefined) reading.verbs.push(sentence.lows[meant.aboutEnd - 1] ?? '');
  if (meant.keepWay && wayWords.length > 0) act.how.push(wayWords.join(' '));
  else if (wayWords.includes('home')) act.how.push('home');
  if (meant.how !== undefined) act.how.push(meant.how);
  const last = reading.acts.at(-1);
  if (last?.verb === act.verb && objects.phrases[0]?.pronoun && objects.phrases.length === 1) {
    reading.keepHow(sentence.text(start, sentence.words.length));
    return;
  }
  reading.acts.push(act);
  if (verbOf(act.verb).object === 'words') {
    const parts = objects.phrases.flatMap((phrase) => (phrase.known?.kind === 'part' ? [partOf(phrase)] : []));
    if (parts.length > 0) reading.named = parts;
    if (meant.aboutEnd === undefined && objects.phrases[0]?.pronoun && objects.phrases.length === 1) {
      const about = pronounText(reading, act);
      act.about = RUNS_IT.test(told) ? sentence.text(start, objects.end) : about;
      trailing(reading, sentence, WAY_WORDS[sentence.lows[at] ?? ''] === undefined ? at : at + 1, act);
    } else if (verb.is === 'movement' && ways.length > 0) {
      const about = sentence.text(objects.from, objects.end);
      if (about) act.about = about;
      trailing(reading, sentence, at, act);
    } else if (meant.aboutEnd !== undefined) {
      act.about = meant.about ?? '';
      trailing(reading, sentence, meant.aboutEnd, act);
      // "Run the pump" goes on saying that it runs.
    } else readAbout(reading, sentence, start + (RUNS.test(told) ? 0 : verb.length), act);
    return;
  }
  const named = verb.is === 'verb' && GREASES[verb.phrase];
  if (named) act.applied.push({ name: onlySubstance(reading.series, named) });
  takeObjects(reading, objects.phrases, act);
  trailing(reading, sentence, meant.aboutEnd ?? at, act);
  placeWhere(act, objects.phrases[0]?.feature);
  act.verb = verbForWhatIsPutOn(act);

  function isManner(from: number): boolean {
    return lexicon.MANNER_PHRASE.test(sentence.lows.slice(from).join(' '));
  }

  function takeWay(): void {
    const low = sentence.lows[at] ?? '';
    wayWords.push(low);
    ways.push(WAY_WORDS[low] as Way);
    at += 1;
  }
}

const RUNS_IT = /^run (?:it|them)\b/;

/** "Isolate the motor and lock it off": what the action before was done to. */
function pronounText(reading: Reading, act: OpenAct): string {
  const before = reading.acts.findLast(
    (other) => other !== act && (other.about !== undefined || other.parts.length > 0),
  );
  const about =
    before?.about ??
    reading
      .meant()
      .map(({ name }) => name)
      .join(' and ');
  return about === '' ? 'it' : about;
}

/** A place follows, so that "on" or "in" belongs to it: "on the shaft". */
function isPlaceNext(sentence: Sentence, at: number): boolean {
  const low = sentence.lows[at] ?? '';
  if (WAY_BEFORE_PLACE[low] === undefined) return false;
  const next = sentence.words[at + 1];
  if (next?.low === 'of') return true;
  if (!next || isJoint(next) || WAY_WORDS[next.low] !== undefined || lexicon.isManner(next.low)) return false;
  if (beginsFacing(sentence, at + 1) || lexicon.MANNER_PHRASE.test(sentence.lows.slice(at + 1).join(' '))) return false;
  return nounPhraseAt(sentence, at + 1) !== undefined;
}

/** Verbs that act on no part keep what is said of them: "the gear oil", "for leaks". */
function readAbout(reading: Reading, sentence: Sentence, start: number, act: OpenAct): void {
  let end = start;
  while (
    end < sentence.words.length &&
    !ABOUT_ENDS.test(sentence.lows.slice(end, end + 3).join(' ')) &&
    !measured(sentence, end)
  ) {
    if (end > start && /..ly$/.test(sentence.lows[end] ?? '') && lexicon.isManner(sentence.lows[end] ?? '')) break;
    if (end > start && lexicon.MANNER_PHRASE.test(sentence.lows.slice(end, end + 5).join(' '))) break;
    end += 1;
  }
  const about = sentence.text(start, end).replace(/^of\s+/i, '');
  // "Release the pressure at the drain valve" says where, and not of what.
  if (WHERE_NOT_WHAT.includes(act.verb) && /^(?:at|on|in|from|through|via|by|using|inside)\b/i.test(about))
    act.how.push(about);
  else if (about) act.about = about;
  trailing(reading, sentence, end, act);

  function measured(inside: Sentence, at: number): boolean {
    return /^(?:s|min|h)$/.test(measureAt(inside, at)?.unit ?? '');
  }
}

const WHERE_NOT_WHAT: readonly OpenAct['verb'][] = ['release-pressure', 'isolate', 'lock-out', 'drain', 'restore'];

const ABOUT_ENDS =
  /^(?:with|using|into|up to|until|till|before (?:you|the|it)|so|because|,|to (?:bring|the|a)|a quarter of|half an hour|for (?:\d|half|a quarter|an hour|\w+ (?:min|hour|sec)\w*)|a (?:little|bit|few))\b|^(?:around|round)$|^,/;
