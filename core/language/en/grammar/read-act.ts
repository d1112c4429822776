import { verbOf } from '../../../model/verbs';
import { attended } from './acts/meant';
import { GREASES, objectsAt, onlySubstance, takeObjects, tightenedOf } from './acts/objects';
import { toJoint } from './acts/place';
import { blankAct, movesParts, type OpenAct, partOf, type Reading, toolOf } from './acts/reading';
import { meantByWhatIsOut, RUNS, verbMeant } from './acts/verb-meant';
import { readCleaning } from './cleaning';
import { beginsFacing, isJoint } from './names/name-ends';
import { type NounPhrase, nounPhraseAt } from './names/noun-phrase';
import type { Sentence } from './names/sentence';
import { isPartLike, isPartOrShort, isToolOnly } from './names/short-names';
import { pronounText, readAbout } from './read-about';
import { amountAt, placeWhere, stuffAt, verbForWhatIsPutOn } from './told-along/applied';
import { trailing } from './told-along/trailing';
import * as lexicon from './words/lexicon';
import { ALSO_NOUN, type ReadVerb, verbAt, WAY_BEFORE_PLACE, WAY_WORDS, type Way } from './words/operations';

/** Reads an action from its verb on: which way, what it is done to, and all that follows. */
export function readAct(
  reading: Reading,
  sentence: Sentence,
  start: number,
  verb: ReadVerb,
  how: readonly string[],
  opened: Partial<OpenAct> | undefined,
): void {
  const act = { ...blankAct('test'), ...opened, how: [...how] } as OpenAct;
  let at = start + verb.length;
  // "Loosen but do not remove the bolts": what is not done is a caution.
  const never = BUT_NEVER.exec(sentence.lows.slice(at).join(' '));
  if (never) {
    const end = at + never[0].split(' ').length;
    act.cautions.push({ signal: 'CAUTION', text: sentence.text(at, end).replace(/^,?\s*but\s+/i, '') });
    at = end;
    if (sentence.lows[at] === ',') at += 1;
  }
  // "Take off the cover": the way stands right behind the verb.
  const ways: Way[] = [];
  const wayWords: string[] = [];
  const wayFrom = at;
  if (verb.is === 'movement') {
    // Nothing is named yet, so it is no word before a place.
    while (WAY_WORDS[sentence.lows[at] ?? ''] !== undefined && sentence.lows[at + 1] !== 'of' && !isManner(at)) {
      takeWay();
    }
    if (TO_ONE_SIDE.test(sentence.lows.slice(at, at + 3).join(' '))) {
      ways.push('aside');
      wayWords.push('to one side');
      at += 3;
    }
  }
  // "Remove carefully the drive screw".
  while (
    (/..ly$|^(?:twice|always|also)$/.test(sentence.lows[at] ?? '') ||
      /^(?:first|next|now|then) (?:the|both|all|your) /.test(sentence.lows.slice(at).join(' '))) &&
    (lexicon.isManner(sentence.lows[at] ?? '') || /^(?:al|first|next|now|then)/.test(sentence.lows[at] ?? '')) &&
    nounPhraseAt(sentence, at + 1)
  ) {
    act.how.push(sentence.text(at, at + 1));
    at += 1;
  }
  const objects = objectsAt(sentence, at);
  at = objects.end;
  // "Wipe it down" says no more than to wipe it.
  const isJustWiped =
    verb.is === 'verb' && verb.verb === 'clean' && /^(?:up|down|off|over)$/.test(sentence.lows[at] ?? '');
  if (isJustWiped && /^(?:|,|and|with|using|in)$/.test(sentence.lows[at + 1] ?? '')) at += 1;
  // "Nip the bolts up": a verb in two halves that says the same as its first one.
  const half = sentence.lows[at] ?? '';
  if (verb.is === 'verb' && verb.verb === 'torque' && objects.phrases.length > 0 && /^(?:up|down)$/.test(half)) {
    const whole = verbAt([...verb.phrase.split(' '), half], 0);
    if (whole?.is === 'verb' && whole.verb === verb.verb && whole.length > verb.length) {
      reading.verbs.push(half);
      at += 1;
    }
  }
  // "Take the cover off": the way stands behind what is named.
  // "Straight out", "right off": how, and which way.
  if (verb.is === 'movement' && BEFORE_WAY.test(sentence.lows.slice(at, at + 6).join(' '))) {
    const length = lengthOf(BEFORE_WAY.exec(sentence.lows.slice(at, at + 6).join(' '))?.[1] ?? '');
    // "Straight up" says where to as well.
    const isUp = /^(?:up|down)$/.test(sentence.lows[at + length] ?? '') && sentence.lows[at] === 'straight';
    if (sentence.lows[at] !== 'right') act.how.push(sentence.text(at, at + length + (isUp ? 1 : 0)));
    at += length;
  }
  while (
    verb.is === 'movement' &&
    WAY_WORDS[sentence.lows[at] ?? ''] !== undefined &&
    (!isPlaceNext(sentence, at) || isItsOnlyWay(sentence.lows[at] ?? '')) &&
    !isTogetherWith(at) &&
    !isManner(at)
  ) {
    takeWay();
  }
  keepUpTheShaft();
  if (verb.is === 'movement' && TO_ONE_SIDE.test(sentence.lows.slice(at, at + 3).join(' '))) {
    ways.push('aside');
    wayWords.push('to one side');
    at += 3;
  }
  // "Put the rotor somewhere safe": aside, wherever that is.
  if (verb.is === 'movement' && sentence.lows[at] === 'somewhere') {
    const end = toJoint(sentence, at + 1);
    ways.push('aside');
    act.how.push(sentence.text(at, end));
    at = end;
  }
  // "Flush lines on": flushed, or put on?
  const isLeftOver = verb.is === 'verb' && /^(?:on|in)$/.test(sentence.lows[at] ?? '') && ALSO_NOUN.test(verb.phrase);
  if (
    isLeftOver &&
    objects.phrases.length > 0 &&
    !sentence.lows[objects.from]?.match(/^(?:the|a|an|it|them|both|all)$/) &&
    /^(?:|,|before|after|and|then)$/.test(sentence.lows[at + 1] ?? '')
  ) {
    reading.doubt('verb', sentence, start, start + 1);
    return;
  }
  if (readCleaning(reading, sentence, verb, objects, how)) return;
  const told = sentence.lows.slice(start).join(' ');
  const areTools = objects.phrases.length > 0 && objects.phrases.every((phrase) => isToolOnly(phrase, reading.series));
  const saidMeant =
    verbMeant(reading, sentence, verb, ways, objects.phrases, at, told) ??
    meantByWhatIsOut(reading, verb, ways, objects.phrases);
  // "Push the adjusting fork under the coupling": no part of the pump is moved.
  const isTold = sentence.words[start]?.from !== sentence.words[start]?.to && !MOVES_A_PART.test(told);
  const isToolMoved =
    areTools &&
    isTold &&
    (saidMeant === undefined
      ? verb.is === 'movement'
      : movesParts(saidMeant.verb) || saidMeant.verb === 'release-pressure');
  const meant = isToolMoved ? attended(sentence, told) : saidMeant;
  if (isToolMoved) {
    act.how = [...how];
    act.tools.push(...objects.phrases.map(toolOf));
    const [begins, ends] = [sentence.words[objects.end]?.from, sentence.words.at(-1)?.to ?? 0];
    const behind = reading.inLine.filter(({ from, to }) => begins !== undefined && from >= begins && to <= ends);
    const [only, other] = behind;
    if (only && !other) reading.named = [{ name: only.name, from: only.from, to: only.to }];
  }
  if (meant === undefined) {
    reading.doubt(verb.is === 'movement' ? 'sense' : 'verb', sentence, start, Math.max(wayFrom, start + 1), []);
    return;
  }
  // "Dig the dirt out" cleans, whatever the dirt is called.
  const isDirt =
    objects.phrases.length > 0 &&
    objects.phrases.every(
      ({ known, words }) =>
        !known &&
        ((lexicon.DIRT.test(words.at(-1) ?? '') && !/^(?:gaskets?|tape)$/.test(words.at(-1) ?? '')) ||
          // "Scrape away the sealant".
          (verb.phrase === 'scrape' && lexicon.isSubstance(words))),
    );
  if (isDirt && verbOf(meant.verb).effect === 'takes') {
    act.verb = /\bburrs?$/.test(objects.phrases[0]?.name ?? '') ? 'dress' : 'clean';
    act.about = sentence.text(objects.from, objects.end);
    reading.acts.push(act);
    reading.verbs.push(verb.phrase, ...wayWords);
    trailing(reading, sentence, at, act);
    return;
  }
  act.verb = meant.verb;
  reading.verbs.push(verb.phrase, ...wayWords);
  if (meant.aboutEnd !== undefined) reading.verbs.push(...sentence.lows.slice(meant.aboutEnd - 2, meant.aboutEnd));
  if (meant.keepWay && wayWords.length > 0) act.how.push(wayWords.join(' '));
  else
    act.how.push(
      ...wayWords.filter(
        (low) =>
          low === 'home' ||
          /wards?$/.test(low) ||
          WAY_WORDS[low] === 'along' ||
          (low === 'over' && ways.includes('along')),
      ),
    );
  if (meant.how !== undefined) act.how.push(meant.how);
  const last = reading.acts.at(-1);
  const [first] = objects.phrases;
  const it = first?.name === 'it' && first.to > first.from ? reading.meantByIt(first.from) : reading.meant();
  // "Take the cover off, four nuts, and lift it away": the same once more.
  const isPartOfIt = last?.verb === act.verb && it?.every(({ name }) => last.parts.some((part) => part.name === name));
  const isOther = it !== reading.meant() && !isPartOfIt;
  const isSame = first?.pronoun && objects.phrases.length === 1 && !isOther;
  // "Nip up the bolts, then torque them to 85": the figure belongs to what was said.
  if (isSame && last?.verb === 'torque' && act.verb === 'torque') {
    trailing(reading, sentence, at, last);
    return;
  }
  // "Start at 1 bar and bring it up slowly": the same run.
  if (act.verb === 'test' && last?.verb === 'test' && / it\b/.test(verb.phrase)) {
    reading.keepHow(sentence.text(start, sentence.words.length));
    return;
  }
  // "..., and take the weight with the hoist": held once.
  if (act.verb === 'hold' && last?.verb === 'hold' && objects.phrases.length === 0) {
    trailing(reading, sentence, at, last);
    return;
  }
  const isTagged = act.verb === 'lock-out' && last?.verb === 'lock-out' && /\bon (?:it|them)$/.test(told);
  if ((isSame && last?.verb === act.verb && !meant.isByWhat) || isTagged) {
    reading.keepHow(sentence.text(start, sentence.words.length));
    return;
  }
  if (act.verb === 'take-off' && wayWords.length === 0 && LIFTS.test(verb.phrase)) reading.lifted.add(act);
  reading.acts.push(act);
  if (verbOf(act.verb).object === 'words') {
    const isNamed = (phrase: NounPhrase) =>
      act.verb === 'turn' ? isPartLike(phrase, reading.series) : phrase.known?.kind === 'part';
    const parts = objects.phrases.filter(isNamed).map(partOf);
    if (parts.length > 0) reading.named = parts;
    const poured =
      act.verb === 'fill'
        ? (verb.phrase === 'pour' ? stuffAt : amountAt)(sentence, amountFrom(sentence, start + verb.length))
        : undefined;
    if (isToolMoved && meant.about !== undefined) act.about = meant.about;
    else if (poured) {
      act.applied.push(poured.applied);
      trailing(reading, sentence, poured.end, act);
    } else if (meant.aboutEnd === undefined && objects.phrases[0]?.pronoun && objects.phrases.length === 1) {
      const about = pronounText(reading, act, objects.phrases[0].name === 'it');
      // "Turn it over by hand": the pump, where nothing else was named.
      const isPump = about === 'it' && ((act.verb === 'turn' && TURNS_IT.test(told)) || reading.isFirstWord);
      // "Turn it over by hand" behind a bolt that was tightened.
      const isFilled = /^(?:fill|drain)$/.test(act.verb) && (about === 'it' || (!last && !HOLDS_LIQUID.test(about)));
      const isOfFastener =
        act.verb === 'turn' &&
        TURNS_IT.test(told) &&
        !last &&
        reading.before.parts.every(({ name }) => !ROTATES.test(name));
      // "Fire it up": whatever was done before, the pump.
      const isFired =
        act.verb === 'test' &&
        (verb.is === 'movement' ||
          verb.phrase === 'stroke' ||
          /^(?:restore|open-valve|close-valve|isolate)$/.test(last?.verb ?? '') ||
          (last?.verb === 'connect' && !TESTED.test(about)));
      const isBehindValves = act.verb === 'release-pressure' && last?.verb === 'close-valve';
      if (about === 'it' && !isPump && (isBehindValves || NEEDS_NAME.includes(act.verb)))
        reading.doubt('pronoun', sentence, objects.from, objects.end);
      const [, runs] = RUNS_IT.exec(told) ?? [];
      if (runs) act.about = about === 'it' ? `${runs} the pump` : sentence.text(start, objects.end);
      else act.about = isPump || isFired || isFilled || isOfFastener ? 'the pump' : about;
      trailing(reading, sentence, WAY_WORDS[sentence.lows[at] ?? ''] === undefined ? at : at + 1, act);
    } else if (verb.is === 'movement' && ways.length > 0) {
      const about = sentence.text(objects.from, objects.end);
      if (about) act.about = about;
      trailing(reading, sentence, at, act);
    } else if (meant.aboutEnd !== undefined) {
      if (meant.about !== undefined) act.about = meant.about;
      trailing(reading, sentence, meant.aboutEnd, act);
      // "Run the pump" goes on saying that it runs.
    } else readAbout(reading, sentence, start + (RUNS.test(told) ? 0 : verb.length), act);
    return;
  }
  const named = verb.is === 'verb' && GREASES[verb.phrase];
  if (named) act.applied.push({ name: onlySubstance(reading.series, named) });
  if (!meant.isByWhat) takeObjects(reading, objects.phrases, act);
  trailing(reading, sentence, meant.aboutEnd ?? at, act);
  if (objects.phrases.length === 0 && !last) doneToSame(reading, act);
  // "... and put a drop of sealant underneath": on what the action before was done to.
  const isPutOnNothing =
    act.applied.length > 0 && act.parts.length === 0 && act.about === undefined && act.into === undefined;
  if (
    isPutOnNothing &&
    /^(?:lubricate|apply-compound)$/.test(act.verb) &&
    last &&
    /\b(?:underneath|under it|on it|on them|first)$/.test(told)
  )
    act.parts.push(...last.parts);
  placeWhere(act, objects.phrases[0]?.feature);
  act.verb = verbForWhatIsPutOn(act);

  function isManner(from: number): boolean {
    return lexicon.MANNER_PHRASE.test(sentence.lows.slice(from).join(' '));
  }

  /** "Line it up to within a tenth": the verb needs its way. */
  function isItsOnlyWay(low: string): boolean {
    const way = WAY_WORDS[low];
    if (verb.is !== 'movement' || way === undefined || verb.movement.alone !== undefined) return false;
    return verb.movement.ways[way] !== undefined && Object.keys(verb.movement.ways).length === 1;
  }

  /** "Together with its seal"; "take them off together" says how. */
  function isTogetherWith(from: number): boolean {
    const isHow = verb.is === 'movement' && verb.movement.ways.together === undefined;
    return sentence.lows[from] === 'together' && (sentence.lows[from + 1] === 'with' || isHow);
  }

  /** "Slide the gland up the shaft", "back the nut all the way off the shaft", "along the shaft": on what. */
  function keepUpTheShaft(): void {
    if (verb.is !== 'movement' || objects.phrases.length === 0) return;
    const isTaken = /^(?:up|down|off)$/.test(sentence.lows[at - 1] ?? '') && wayWords.at(-1) === sentence.lows[at - 1];
    const isAlong = sentence.lows[at] === 'along';
    const start = isAlong ? at + 1 : at;
    if (!(isTaken || isAlong) || !/^(?:the|its)$/.test(sentence.lows[start] ?? '')) return;
    const on = nounPhraseAt(sentence, start);
    if (!on || !isPartOrShort(on.phrase, reading.series)) return;
    const from = isAlong ? at : at - 1;
    act.how.push(sentence.text(from, on.end));
    if (isTaken) wayWords.pop();
    else ways.push('along');
    at = on.end;
    // "... out of the way", "... and off".
    if (isOutOfTheWay(sentence, at)) takeWay();
    const isAnother = WAY_WORDS[sentence.lows[at + 1] ?? ''] !== undefined && isJoint(sentence.words[at + 2]);
    if (/^(?:and|then)$/.test(sentence.lows[at] ?? '') && isAnother) {
      at += 1;
      takeWay();
    }
  }

  function takeWay(): void {
    const low = sentence.lows[at] ?? '';
    if (isOutOfTheWay(sentence, at)) {
      ways.push('aside');
      wayWords.push('out of the way');
      at += 4;
      return;
    }
    wayWords.push(low);
    // "Over to the left" moves it; "over the shaft" puts it there.
    ways.push(
      low === 'over' && /^(?:to|toward|towards)$/.test(sentence.lows[at + 1] ?? '') ? 'along' : (WAY_WORDS[low] as Way),
    );
    at += 1;
    // "Down and out" is two ways in one.
    const isAnother = WAY_WORDS[sentence.lows[at + 1] ?? ''] !== undefined && isJoint(sentence.words[at + 2]);
    if (/^(?:and|then)$/.test(sentence.lows[at] ?? '') && isAnother) at += 1;
  }
}

/** "Run the screws in until the casing comes off": what becomes of the casing is asked. */
const MOVES_A_PART =
  /\b(?:until|till|so that|so|and|which|to) .*\b(?:comes?|pops?|walks?|slides?|drops?|moves?|lifts?|lets? go|breaks?|starts?|push(?:es|ed)?|pull(?:s|ed)?|will|off|out)\b/;
const TO_ONE_SIDE = /^to (?:one|the) side$/;

/** How far or how, between what is named and its way: "straight out", "all the way off". */
const BEFORE_WAY = new RegExp(
  `^(right|straight|clean|square|carefully|slowly|gently|evenly|squarely|completely|fully|all the way|most of the way|part of the way|half way|halfway|a little|a bit) (?:to one side|${Object.keys(WAY_WORDS).join('|')})\\b`,
);

/** "Fill with two litres of oil" and "pour in two litres of oil" say the same. */
function amountFrom({ lows }: Sentence, at: number): number {
  const from = /^(?:it|them)$/.test(lows[at] ?? '') && lows[at + 1] === 'with' ? at + 1 : at;
  return lows[from] === 'with' ? from + 1 : from;
}

const LIFTS = /^(?:lift|hoist|raise|heave|winch)$/;
const BUT_NEVER = /^(?:, )?but (?:do not|don't|never) (?:yet )?\w+(?: (?:off|out|apart|yet|fully))*\b/;

const HOLDS_LIQUID =
  /\b(?:housing|casing|case|crankcase|box|chamber|reservoir|tank|sump|head|body|bowl|gearbox|cup|cylinder|pump|filter|joint|boot|cavity|line|hose|pipe|jacket|system|motor|shell|can|oil|water|liquid)s?\b/i;
const TESTED = /\b(?:pump|motor|unit|machine|valve|switch|gauge|sensor)s?$/i;
const ROTATES = /\b(?:shaft|rotor|impeller|coupling|crank|crankshaft|spindle|wheel|gear|screw|fan|motor)s?$/i;
const TURNS_IT = /^turn it over\b.*\bby hand\b|^(?:turn|spin|rotate) it by hand\b/;
const RUNS_IT = /^(run|start) (?:it|them)\b/;

function lengthOf(text: string): number {
  return text.split(' ').length;
}

/** What is switched, opened or emptied has to be known. */
const NEEDS_NAME: readonly OpenAct['verb'][] = ['isolate', 'lock-out', 'restore', 'open-valve', 'close-valve', 'turn'];

function isOutOfTheWay({ lows }: Sentence, at: number): boolean {
  return lows.slice(at, at + 4).join(' ') === 'out of the way';
}

/** A place follows, so that "on" or "in" belongs to it: "on the shaft". */
function isPlaceNext(sentence: Sentence, at: number): boolean {
  const low = sentence.lows[at] ?? '';
  if (low === 'up' && sentence.lows[at + 1] === 'to') return sentence.words[at + 2]?.value === undefined;
  if (WAY_BEFORE_PLACE[low] === undefined || isOutOfTheWay(sentence, at)) return false;
  const next = sentence.words[at + 1];
  if (next?.low === 'of') return true;
  if (!next || isJoint(next) || WAY_WORDS[next.low] !== undefined || lexicon.isManner(next.low)) return false;
  const isNamedNext = /^(?:the|a|an)$/.test(sentence.lows[at + 1] ?? '');
  if (
    (beginsFacing(sentence, at + 1) && !isNamedNext) ||
    lexicon.CAUTION_OPENING.test(sentence.lows.slice(at + 1).join(' ')) ||
    lexicon.REMARK_OPENING.test(sentence.lows.slice(at + 1).join(' ')) ||
    lexicon.MANNER_PHRASE.test(sentence.lows.slice(at + 1).join(' '))
  )
    return false;
  return nounPhraseAt(sentence, at + 1) !== undefined;
}

/** "Inspect for wear", "clean thoroughly" behind a step: done to what that step was about, as "clean it" is. */
function doneToSame({ before, sameAsBefore }: Reading, act: OpenAct): void {
  const isBare = act.parts.length === 0 && act.about === undefined && act.into === undefined;
  if (!isBare || !/^(?:inspect|clean|lubricate|measure|discard|torque)$/.test(act.verb)) return;
  if (act.how.some((how) => /^(?:that|if|whether|how|which|where|on|in|at|all|under|behind)\b/i.test(how))) return;
  act.parts.push(...(act.verb === 'torque' ? tightenedOf(before.parts) : before.parts));
  sameAsBefore.add(act);
}
