import { type VerbEffect, verbOf } from '../../../../model/verbs';
import type { Sentence } from '../names/sentence';
import type { OpenAct, Reading } from './reading';

/* "Remove the cover: undo the nuts and lift it off": first what it is about, and then how it is done. */

/** Where pieces end that a colon follows. */
export function endsBeforeColon({ lows, words }: Sentence): ReadonlySet<number> {
  return new Set(words.flatMap(({ to }, i) => (lows[i + 1] === ':' ? [to] : [])));
}

/** What is said once more behind its colon is done once; what is not is done last. */
export function spellOut({ acts }: Reading, headline: OpenAct): void {
  const at = acts.indexOf(headline);
  const { effect } = verbOf(headline.verb);
  const isOfIt = (act: OpenAct, does: VerbEffect) =>
    verbOf(act.verb).effect === does &&
    headline.parts.every(({ name }) => act.parts.some((part) => part.name === name));
  const same = acts.slice(at + 1).find((act) => isOfIt(act, effect));
  if (at < 0 || at === acts.length - 1) return;
  acts.splice(at, 1);
  if (!same) {
    // "Replace the seal: pull it out, press the new one in": renewed once it is out.
    const last = effect === 'renews' ? acts.findLastIndex((act) => isOfIt(act, 'takes')) : -1;
    acts.splice(last < 0 ? acts.length : last + 1, 0, headline);
    return;
  }
  same.tools.unshift(...headline.tools);
  same.applied.unshift(...headline.applied);
  same.looks.unshift(...headline.looks);
  same.how.unshift(...headline.how);
  same.why.unshift(...headline.why);
  same.cautions.unshift(...headline.cautions);
  same.parts = same.parts.map((part) => {
    const count = part.count ?? headline.parts.find(({ name }) => name === part.name)?.count;
    return { ...part, ...(count !== undefined && { count }) };
  });
  const { figure, minutes, faces, into, positionIds, positionSetId } = headline;
  if (same.positionIds.length === 0) {
    same.positionIds = [...positionIds];
    if (positionSetId) same.positionSetId = positionSetId;
  }
  // What stands behind the colon says more.
  if (figure !== undefined) same.figure ??= figure;
  if (minutes !== undefined) same.minutes ??= minutes;
  if (faces !== undefined) same.faces ??= faces;
  if (into !== undefined) same.into ??= into;
}
