import type { Verb } from '../../../model/verbs';
import { movesParts } from './acts/reading';
import { SAID_OF } from './hidden-parts';
import { isCalledPart, nounPhraseAt } from './names/noun-phrase';
import { isPartNoun } from './names/part-nouns';
import type { Sentence } from './names/sentence';
import { verbAt, WAY_WORDS } from './words/operations';
import { baseOf } from './words/verb-forms';

/* Another part, or others of the same, within words that are merely kept. */

/** Whether what is kept says of another part what is done to it. */
export function namesAnother(verb: Verb, said: Sentence): boolean {
  const text = said.text(0, said.words.length);
  return (
    DONE_FOR_GOOD.test(text) ||
    OTHER_ONES.test(text) ||
    isMovedAsWell(said) ||
    (verb === 'renew' && isInItsPlace(said)) ||
    (movesParts(verb) && (isPutBetween(said) || isOrOther(said)))
  );
}

/** "Filters out, all three scrapped". */
const DONE_FOR_GOOD =
  /^(?:(?:all|both|each|every one)(?: \w+)?|it|they|\d+|old ones?) (?:scrapped|binned|discarded|thrown away|renewed|replaced|chucked)$/i;

/** "Put the thick shim at the back and the thin one in front": another of them, somewhere else. */
const OTHER_ONES =
  / and (?:the|all the|both) (?:[\w-]+ )?ones? (?:in|on|at|to|into|onto|behind|under|through|from|off|out|with)\b/i;

/** "Bearings pressed off, cups driven out of the housings": done as well. */
function isMovedAsWell({ lows }: Sentence): boolean {
  if (SAID_OF.test(lows[0] ?? '')) return false;
  return lows.some((low, at) => {
    const base = at > 0 && at < 4 && WAY_WORDS[lows[at + 1] ?? ''] !== undefined ? baseOf(low, 'past') : undefined;
    return base !== undefined && verbAt([base], 0)?.is === 'movement' && isPartNoun(lows.slice(0, at).join(' '));
  });
}

/** "Replace the pins by bolts": another part takes its place. */
function isInItsPlace(sentence: Sentence): boolean {
  const other = /^(?:by|with|for|against)$/.test(sentence.lows[0] ?? '') ? nounPhraseAt(sentence, 1) : undefined;
  return (
    other !== undefined &&
    other.end === sentence.words.length &&
    !other.phrase.state.includes('new') &&
    isCalledPart(other.phrase)
  );
}

/** "Stack the impellers with the diffusers between": they are put there as well. */
function isPutBetween(sentence: Sentence): boolean {
  const between = sentence.lows[0] === 'with' ? nounPhraseAt(sentence, 1) : undefined;
  return (
    between !== undefined &&
    isCalledPart(between.phrase) &&
    /^(?:(?:in )?between|underneath|behind it|in front)(?: them| each)?$/.test(
      sentence.lows.slice(between.end).join(' '),
    )
  );
}

/** "Remove the filter or strainer": one of them, or each that is there. */
function isOrOther(sentence: Sentence): boolean {
  const other = sentence.lows[0] === 'or' ? nounPhraseAt(sentence, 1) : undefined;
  return other !== undefined && other.end === sentence.words.length && isCalledPart(other.phrase);
}
