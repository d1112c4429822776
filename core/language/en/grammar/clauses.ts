import { objectsAt } from './acts/objects';
import { movesParts } from './acts/reading';
import { lastWordsOf, namesAt } from './names/known-names';
import { beginsFacing, isJoint } from './names/name-ends';
import { isCalledPart, nounPhraseAt } from './names/noun-phrase';
import { isPartNoun } from './names/part-nouns';
import type { Sentence } from './names/sentence';
import { toolAt } from './names/tools';
import { isCalledSo } from './words/called-so';
import {
  CAUTION_OPENING,
  CONDITION_OPENING,
  EASY_CONDITION,
  FILLERS,
  isFeature,
  isManner,
  isSubstance,
  OWN_WAY,
  REASON_OPENING,
  REMARK_OPENING,
} from './words/lexicon';
import { ALSO_NOUN, NOTHING_ELSE, type ReadVerb, verbAt } from './words/operations';
import { baseOf } from './words/verb-forms';
import { RENEWING } from './words/verdict-words';
import { endsSentence, singular } from './words/words';

const NAMED_NEXT =
  /^(?:the|a|an|both|all|each|every|it|them|they|these|those|your|its|their|this|that|one|new|any|some|another|whatever|everything|anything|for|that|whether|if|up|down|off|out|in|on)$/;
const OPENS =
  /^(?:before|prior|after|while|when|whenever|once|as|until|with|using|by|on|in|at|for|from|to|working|if|where|use|holding|keeping|starting|beginning)$/;
/** What is noted or kept beside what is done: "..., and note which way the lips look". */
const REMARKS =
  /^(?:note (?:that|which|how|where)|make (?:sure|certain)|remember|leave (?:the|it|them|one|two)|keep (?:the|it|them)|save (?:the|it|them)|be (?:very )?careful|take care|do not|don't|never)\b/;

/** Cuts a line into what is done one after the other; each piece is read by itself. */
export function clausesOf(sentence: Sentence): Sentence[] {
  const clauses: Sentence[] = [];
  let start = 0;
  const cut = (end: number, next: number) => {
    if (end > start) clauses.push(sentence.slice(start, end));
    start = next;
  };
  for (let at = 0; at < sentence.words.length; at += 1) {
    if (endsSentence(sentence.words, at)) {
      cut(at, at + 1);
      continue;
    }
    // "Look at the seals: if they are thin, change both".
    if (sentence.lows[at] === ':' && at > start && isCondition(sentence, at + 1)) {
      cut(at, at + 1);
      continue;
    }
    // "Remove the cover: undo the nuts and lift it off".
    if (
      sentence.lows[at] === ':' &&
      at > start &&
      opensMove(sentence, start) &&
      opensAct(sentence, start, at + 1, false)
    ) {
      cut(at, at + 1);
      continue;
    }
    // "Strainer first: cover off".
    if (sentence.lows[at] === ':' && /^(?:first|next|now)$/.test(sentence.lows[at - 1] ?? '')) {
      cut(at, at + 1);
      continue;
    }
    const joined = joinersAt(sentence, at);
    if (joined === 0 || at === start || isOneVerb(sentence, start, at)) continue;
    if (isConditionNext(sentence, start, at, joined) || isRepeatNext(sentence, at, joined)) {
      cut(at, at + joined);
      continue;
    }
    if (
      !isOneThought(sentence, start) &&
      ((sentence.lows.slice(at, at + joined).some((low) => /^(?:then|next|finally|afterwards)$/.test(low)) &&
        isPartAlone(sentence, at + joined)) ||
        opensAct(sentence, start, at + joined, sentence.lows[at] === ',' && joined === 1))
    ) {
      cut(at, at + joined);
      at += joined - 1;
    }
  }
  cut(sentence.words.length, sentence.words.length);
  return clauses;
}

/** Whether a piece takes a part off, puts it on or renews it: what it is about, before a colon. */
function opensMove(sentence: Sentence, start: number): boolean {
  const { lows, words } = sentence;
  let from = start;
  while (FILLERS.has(lows[from] ?? '')) from += 1;
  const verb = verbAt(lows, from);
  if (!verb || words[from]?.from === words[from]?.to) return false;
  if (verb.is === 'verb' && !movesParts(verb.verb)) return false;
  return objectsAt(sentence, from + verb.length).phrases.some(isCalledPart);
}

/** "Lock and tag": the joint is within the verb. */
function isOneVerb({ lows }: Sentence, start: number, joint: number): boolean {
  let from = start;
  while (from < joint && FILLERS.has(lows[from] ?? '')) from += 1;
  return from + (verbAt(lows, from)?.length ?? 0) > joint;
}

/** "..., and if they are cracked you need new ones": whether that is to be done is asked. */
function isConditionNext(sentence: Sentence, start: number, at: number, joined: number): boolean {
  const isJoined = sentence.lows.slice(at, at + joined).includes('and');
  return (isJoined || isVerdictNext(sentence, start, at + joined)) && isCondition(sentence, at + joined);
}

/** "Measure the rotor, if it is under 48 mm replace it": what follows from the look. */
function isVerdictNext({ lows }: Sentence, start: number, at: number): boolean {
  const looks = lows.slice(start, at).some((_, i) => {
    const verb = verbAt(lows, start + i);
    return verb?.is === 'verb' && /^(?:inspect|measure)$/.test(verb.verb);
  });
  return looks && RENEWS.test(lows.slice(at).join(' '));
}

const RENEWS = new RegExp(`\\b(?:${RENEWING})\\b`);

function isCondition(sentence: Sentence, at: number): boolean {
  const told = sentence.lows.slice(at).join(' ');
  return CONDITION_OPENING.test(told) && !EASY_CONDITION.test(told);
}

/** "Flip the pump and repeat on the other side". */
function isRepeatNext(sentence: Sentence, at: number, joined: number): boolean {
  return /^(?:repeat|do the same|so on)\b/.test(sentence.lows.slice(at + joined).join(' '));
}

/** How many words join what follows to what was said: ", and then" is three. */
function joinersAt(sentence: Sentence, at: number): number {
  let length = 0;
  // "The next bowl" joins nothing.
  if (/^(?:the|a|an|each|every|its)$/.test(sentence.lows[at - 1] ?? '')) return 0;
  while (/^(?:,|and|then|next|also|finally|afterwards)$/.test(sentence.lows[at + length] ?? '')) length += 1;
  return length;
}

/** A caution, a reason or a remark goes on to its end, whatever verbs are in it. */
function isOneThought(sentence: Sentence, start: number): boolean {
  const text = sentence.lows.slice(start).join(' ');
  if (CONDITION_OPENING.test(text) && !EASY_CONDITION.test(text)) return true;
  return CAUTION_OPENING.test(text) || REASON_OPENING.test(text) || (REMARK_OPENING.test(text) && !/^use\b/.test(text));
}

/** "..., then the plunger, then": done as the one before. */
function isPartAlone(sentence: Sentence, start: number): boolean {
  // "..., then the seats with the bevel up", which nobody named yet.
  const named = /^(?:the|your|both)$/.test(sentence.lows[start] ?? '') ? nounPhraseAt(sentence, start) : undefined;
  const isNew = named && !named.phrase.known && isCalledPart(named.phrase);
  if (isNew && /^(?:,|;|\.|then|and|with|)$/.test(sentence.lows[named.end] ?? '')) return true;
  const at = /^(?:the|a|an|both|all)$/.test(sentence.lows[start] ?? '') ? start + 1 : start;
  return namesAt(sentence.names, sentence.words, at).some(({ kind, length, numbered }) => {
    const number = sentence.words[at + length]?.value;
    const end = number !== undefined && numbered?.has(number) ? at + length + 1 : at + length;
    return (
      kind === 'part' &&
      (/^(?:,|;|\.|then|and|with|)$/.test(sentence.lows[end] ?? '') ||
        /^(?:the same|likewise|too|as well)\b/.test(sentence.lows.slice(end).join(' ')) ||
        beginsFacing(sentence, end))
    );
  });
}

function isKnownNext(sentence: Sentence, at: number): boolean {
  const from = /^(?:the|a|an|both|all|each|every|new|your|its|their)$/.test(sentence.lows[at] ?? '') ? at + 1 : at;
  // "Verify zero energy" names nothing.
  if ((sentence.words[from]?.value ?? 0) > 0 || /^(?:it|them|they)$/.test(sentence.lows[from] ?? '')) return true;
  return [from, from + 1].some(
    (one) =>
      namesAt(sentence.names, sentence.words, one).some(({ kind }) => kind === 'part') ||
      lastWordsOf(sentence.names).has(sentence.words[one]?.parts.at(-1) ?? ''),
  );
}

/** "..., take out key": called as parts are, and nothing behind it. */
function isNewPart(sentence: Sentence, at: number): boolean {
  const named = nounPhraseAt(sentence, at);
  return named !== undefined && isCalledPart(named.phrase) && isJoint(sentence.words[named.end]);
}

/** "Drain it and flush with water": what could be a noun is a verb where no part is called so. */
function isNounOfNone({ words, lows, names }: Sentence, at: number, next: string): boolean {
  if (/^(?:start|run)$/.test(lows[at] ?? '') && next === 'at') return true;
  if (!/^(?:with|using|until|for|smooth|clean|off|away|if|where|as)$/.test(next)) return false;
  const noun = singular(lows[at] ?? '');
  const isCalled = [...names.values()].some((list) => list.some(({ parts }) => parts.at(-1) === noun));
  return !isCalled && !isFeature([noun]) && words[at]?.quoted === undefined;
}

/** "..., connect air", "..., check rotation": a verb that is nothing else, what it is done to, and no more. */
function isShortOrder({ lows, words }: Sentence, opened: ReadVerb | undefined, at: number, behind: number): boolean {
  const low = lows[at] ?? '';
  // "Bump the motor, check rotation" is looked at while it runs.
  const isRun =
    /^(?:bump|run|start|jog)$/.test(opened?.phrase ?? '') ||
    (opened?.is === 'verb' && /^(?:test|turn)$/.test(opened.verb));
  const isWhile = isRun && /^(?:check|inspect)$/.test(low);
  if (ALSO_NOUN.test(low) || !SHORT_ORDERS.test(low) || isWhile) return false;
  const stop = words.findIndex((_, i) => i >= behind && (/^[,.;!]$/.test(lows[i] ?? '') || lows[i] === 'and'));
  const said = lows.slice(behind, stop < 0 ? lows.length : stop);
  return (
    said.length > 0 &&
    said.length < 4 &&
    said.every((one) => /^[a-z-]+$/.test(one) && !isManner(one) && !NO_NAME.test(one))
  );
}

/** Work beside the pump that is a step by itself. */
const WORK_OF_ITS_OWN = /^(?:take an? |sign|order|return|send|sweep)/;
const SHORT_ORDERS = new RegExp(`^(?:${NOTHING_ELSE}|check|scrap|grease|open|vent)$`);
const NO_NAME =
  /^(?:for|with|if|that|whether|it|them|again|on|in|to|at|of|as|by|from|until|before|after|when|while|only|all|where|every|each|regularly|necessary|needed|required|out|off|up|down|back|carefully)$/;

/** "Remove, clean and inspect the rotor": so far there is a verb and nothing else. */
function isVerbAlone({ lows }: Sentence, start: number, end: number): boolean {
  let from = start;
  while (from < end && (FILLERS.has(lows[from] ?? '') || lows[from] === ',')) from += 1;
  return from < end && verbAt(lows, from)?.length === end - from;
}

function opensAct(sentence: Sentence, start: number, from: number, afterComma: boolean): boolean {
  let at = from;
  let joint = from;
  while (/^(?:,|and|then)$/.test(sentence.lows[joint - 1] ?? '')) joint -= 1;
  // "The upper and lower bearings", "the upper housing and lower plate".
  const isUnder =
    sentence.lows[from] === 'lower' && !/^(?:the|it|them|both|all|a|an)$/.test(sentence.lows[from + 1] ?? '');
  if (isUnder && sentence.lows.slice(start, joint).some((low) => /^(?:upper|top)$/.test(low))) return false;
  if (isVerbAlone(sentence, start, joint) && verbAt(sentence.lows, from)) return true;
  if (OWN_WAY.test(sentence.lows.slice(from).join(' '))) return false;
  while (
    (isManner(sentence.lows[at] ?? '') || FILLERS.has(sentence.lows[at] ?? '')) &&
    !(
      verbAt(sentence.lows, at) &&
      (isNounOfNone(sentence, at, sentence.lows[at + 1] ?? '') ||
        (NAMED_NEXT.test(sentence.lows[at + 1] ?? '') && sentence.lows[at - 2] !== 'clean') ||
        (/^(?:open|shut)$/.test(sentence.lows[at] ?? '') && isKnownNext(sentence, at + 1)))
    )
  )
    at += 1;
  if (!afterComma && REMARKS.test(sentence.lows.slice(at).join(' '))) return true;
  const verb = verbAt(sentence.lows, at);
  if (!verb || namesAt(sentence.names, sentence.words, at).some(({ kind }) => kind === 'part')) return false;
  // "Open the casing drain and vent, let it empty": what is opened.
  const isVent = /^(?:vent|drain|bleed)$/.test(sentence.lows[at] ?? '') && isJoint(sentence.words[at + 1]);
  const isOpened = /^(?:open|close|shut)$/.test(sentence.lows[start] ?? '');
  if (
    isVent &&
    isOpened &&
    sentence.lows[at - 1] === 'and' &&
    /^(?:drain|vent|bleed)s?$/.test(sentence.lows[at - 2] ?? '')
  )
    return false;
  // Put in where a note left it out.
  if (sentence.words[at]?.from === sentence.words[at]?.to) return true;
  // What opened with "before you" or "with the rod in" belongs to what follows its comma.
  let first = start;
  while (FILLERS.has(sentence.lows[first] ?? '') && sentence.lows[first] !== 'to') first += 1;
  if (afterComma && OPENS.test(sentence.lows[first] ?? '') && !sentence.lows.slice(start, from - 1).includes(','))
    return false;
  let behind = at + verb.length;
  // "Take out the filter" is done to the filter.
  const isWay = /^(?:out|off|away|up|down|back|apart)$/.test(sentence.lows[behind] ?? '');
  const isWayIn = /^in (?:the|both|all)$/.test(sentence.lows.slice(behind, behind + 2).join(' '));
  // "Then slide over the sleeve".
  const isWayOver = sentence.lows[behind] === 'over' && isKnownNext(sentence, behind + 1);
  if (verb.is === 'movement' && (isWay || isWayOver || (afterComma && isWayIn))) behind += 1;
  const next = sentence.words[behind];
  if (!next || (verb.length > 1 && /^[.;]$/.test(next.low)))
    return verb.length > 1 || !ALSO_NOUN.test(sentence.lows[at] ?? '');
  const named =
    NAMED_NEXT.test(next.low) ||
    next.value !== undefined ||
    next.quoted === true ||
    namesAt(sentence.names, sentence.words, behind).length > 0;
  if (/^(?:whether|if)$/.test(sentence.lows[behind - 1] ?? '')) return true;
  // "Check the poppet and seat for wear": the seat is checked.
  const opened = verbAt(sentence.lows, first);
  if (
    next.low === 'for' &&
    ALSO_NOUN.test(sentence.lows[at] ?? '') &&
    opened?.is === 'verb' &&
    opened.verb === 'inspect'
  )
    return false;
  // "For chips and heat checking": a sign, and nothing is heated.
  if (opened?.is === 'verb' && opened.verb === 'inspect' && !named && baseOf(next.low, 'ing') !== undefined)
    return false;
  // "..., use the pressure gauge" says with what.
  if (sentence.lows[at] === 'use' && toolAt(sentence, at + 1)) return false;
  // "..., and count the turns" is said of what is done.
  if (verb.is === 'verb' && verb.verb === 'attend' && !WORK_OF_ITS_OWN.test(verb.phrase)) return false;
  // "..., washer and nut, torque to 90 N·m".
  if (afterComma && verb.is === 'verb' && verb.verb === 'torque' && /^(?:to|at)$/.test(next.low)) return true;
  // "Close the one, close the other": the same verb once more.
  if (afterComma && sentence.lows[at] === sentence.lows[first]) return true;
  // "..., vent hole toward the shaft" says which way, and vents nothing.
  const isFacing = sentence.lows.slice(at + 1, at + 4).some((low) => /^(?:toward|towards|facing|pointing)$/.test(low));
  if (afterComma && isFacing && !NAMED_NEXT.test(next.low) && !isKnownNext(sentence, behind)) return false;
  // After a bare comma only what is done to a known thing is a step; the rest is a remark.
  if (afterComma)
    return (
      (verb.is === 'verb' && verb.verb === 'release-pressure') ||
      /^(?:(?:run|start) (?:for|at)|(?:drain|pump) (?:into|in)|drain (?:casing|pump|lines?|housing|tank|chambers?|gearbox|oil|water|system))\b/.test(
        sentence.lows.slice(at).join(' '),
      ) ||
      isKnownNext(sentence, behind) ||
      (isWay && isNewPart(sentence, behind)) ||
      /^(?:the|both)$/.test(next.low) ||
      (/^(?:your|a|an)$/.test(next.low) && !ALSO_NOUN.test(sentence.lows[at] ?? '')) ||
      isShortOrder(sentence, opened, at, behind)
    );
  // "Pull the plunger and seal out": a seal, and nothing is sealed.
  const isMoved = opened?.is === 'movement' && /^(?:off|out|in|on)$/.test(next.low);
  if (isMoved && verb.is === 'verb' && verb.length === 1 && isPartNoun(sentence.lows[at] ?? '')) return false;
  // "Remove the nut and lock washer": a washer, and nothing is locked.
  if (isCalledSo(sentence.lows.slice(at, at + 2).join(' '))) return false;
  if (ALSO_NOUN.test(sentence.lows[at] ?? ''))
    return named || isNounOfNone(sentence, at, next.low) || isNotedOrder(sentence, first, behind);
  return named || !isSubstance([next.low]);
}

/** "Hold shaft and turn impeller", "remove screws and press seal out": notes without articles, before and behind. */
function isNotedOrder(sentence: Sentence, first: number, behind: number): boolean {
  const opened = verbAt(sentence.lows, first);
  if (!opened || NAMED_NEXT.test(sentence.lows[first + opened.length] ?? '')) return false;
  const named = nounPhraseAt(sentence, behind)?.phrase;
  return named !== undefined && isCalledPart(named);
}
