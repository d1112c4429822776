import { type Objects, takeObjects } from './acts/objects';
import { blankAct, type Reading } from './acts/reading';
import { isJoint } from './names/name-ends';
import { nounPhraseAt, REST } from './names/noun-phrase';
import type { Sentence } from './names/sentence';
import { trailing } from './told-along/trailing';
import * as lexicon from './words/lexicon';
import type { ReadVerb } from './words/operations';

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
  const rest = REST.test((dirt?.feature ?? '').replace(/ of$/, '').split(' ').at(-1) ?? '');
  if (phrases.length !== 1 || !dirt || (dirt.known?.kind === 'part' && !rest) || !/^(?:off|from|out)$/.test(off))
    return false;
  const isBurr = /\bburrs?$/.test(dirt.name);
  // "Work the cover gasket out": a part, and no rest of one.
  if (!rest && /^gaskets?$/.test(dirt.words.at(-1) ?? '') && dirt.words.length > 1) return false;
  if (!isBurr && !rest && !lexicon.isSubstance(dirt.words) && !lexicon.DIRT.test(dirt.words.at(-1) ?? '')) return false;
  if (rest && isJoint(sentence.words[end + 1]) && verb.is !== 'verb') return cleanedOff();
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

  /** "Scrape the remains of the gasket off". */
  function cleanedOff(): boolean {
    const act = blankAct('clean');
    reading.verbs.push(verb.phrase);
    act.how.push(...how);
    act.about = sentence.text(from, end);
    reading.acts.push(act);
    trailing(reading, sentence, end + 1, act);
    return true;
  }
}
