import { verbOf } from '../../../../model/verbs';
import type { Sentence } from '../names/sentence';
import type { OpenAct, Reading } from './reading';

/* "Remove the cover: undo the nuts and lift it off": first what it is about, and then how it is done. */

/** Where pieces end that a colon follows. */
export function endsBeforeColon({ lows, words }: Sentence): ReadonlySet<number> {
  return new Set(words.flatMap(({ to }, i) => (lows[i + 1] === ':' ? [to] : [])));
}

/** What is said once more behind its colon is done once; what is not is done last. */
export function spellOut(reading: Reading, headline: OpenAct): void {
  const { acts } = reading;
  const at = acts.indexOf(headline);
  const later = acts.slice(at + 1);
  const { effect } = verbOf(headline.verb);
  if (at < 0 || later.length === 0) return;
  const named = (act: OpenAct) => headline.parts.every(({ name }) => act.parts.some((part) => part.name === name));
  const same = later.find((act) => verbOf(act.verb).effect === effect && named(act));
  acts.splice(at, 1);
  if (!same) {
    acts.push(headline);
    return;
  }
  same.tools.push(...headline.tools);
  same.how.unshift(...headline.how);
  same.cautions.unshift(...headline.cautions);
  if (same.positionIds.length > 0 || headline.positionIds.length === 0) return;
  same.positionIds = [...headline.positionIds];
  if (headline.positionSetId) same.positionSetId = headline.positionSetId;
}
