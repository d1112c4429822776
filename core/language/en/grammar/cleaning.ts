import * as lexicon from './lexicon';
import { nounPhraseAt } from './noun-phrase';
import { type Objects, takeObjects } from './objects';
import type { ReadVerb } from './operations';
import { blankAct, type Reading } from './reading';
import type { Sentence } from './sentence';
import { trailing } from './trailing';

/** "Clean the old sealant off the bolts", "file the burr off the key": done to what it comes off. */
export function readCleaning(
  reading: Reading,
  sentence: Sentence,
  verb: ReadVerb,
  { phrases, from, end }: Objects,
  how: readonly string[],
): boolean {
  const [dirt] = phrases;
  const off = sentence.lows[end] ?? '';
  const rest = /\b(?:remains?|traces?|rests?|residues?|bits|pieces)$/.test(dirt?.feature ?? '');
  if (phrases.length !== 1 || !dirt || (dirt.known?.kind === 'part' && !rest) || !/^(?:off|from|out)$/.test(off))
    return false;
  const isBurr = /\bburrs?$/.test(dirt.name);
  if (!isBurr && !rest && !lexicon.isSubstance(dirt.words) && !lexicon.DIRT.test(dirt.words.at(-1) ?? '')) return false;
  const placeAt = off === 'out' && sentence.lows[end + 1] === 'of' ? end + 2 : end + 1;
  const place = nounPhraseAt(sentence, placeAt);
  if (!place || (verb.is === 'verb' && !/^(?:clean|dress)$/.test(verb.verb))) return false;
  const act = blankAct(isBurr || (verb.is === 'verb' && verb.verb === 'dress') ? 'dress' : 'clean');
  reading.verbs.push(verb.phrase);
  act.how.push(...how, sentence.text(from, end + 1));
  reading.acts.push(act);
  takeObjects(reading, [place.phrase], act);
  trailing(reading, sentence, place.end, act);
  return true;
}
