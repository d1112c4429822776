import type { Narration, Passage, Proposal } from '../model/narration';
import type { Series } from '../model/series';
import { readingOf } from './reading';

/**
 * What a trainer finds on opening a narration: a proposal for each passage that says what to do, what only adds to it in
 * the proposal before it, chatter and headings set aside. What may be either stays a proposal, for the trainer to say.
 */
export function proposalsFrom(passages: readonly Passage[], series: Series): Pick<Narration, 'asideIds' | 'proposals'> {
  const proposals: Proposal[] = [];
  const asideIds: string[] = [];
  for (const { id, text, heading } of passages) {
    const said = heading ? 'chatter' : kindOf(text, series);
    const last = proposals.at(-1);
    if (said === 'chatter' || (said === 'note' && !last)) asideIds.push(id);
    else if (said === 'note' && last)
      proposals[proposals.length - 1] = {
        ...last,
        passageIds: [...last.passageIds, id],
        line: joined(last.line, text),
      };
    else proposals.push({ id: `n-${id}`, passageIds: [id], line: text });
  }
  return { asideIds, proposals };
}

/** Two lines as one; each stays a sentence of its own. */
export function joined(one: string, two: string): string {
  return `${/[.!?;]$/.test(one) ? one : `${one}.`} ${two}`.slice(0, 2000);
}

/** What a passage is by itself. Nothing that names a part, a figure or a danger is chatter. */
function kindOf(text: string, series: Series): 'action' | 'note' | 'chatter' {
  const { steps, note, faults, doubts } = readingOf(text, series, []);
  if (steps.length > 0) return 'action';
  const namesNothing = !namesSomething(text, series);
  if (note && faults.length === 0 && doubts.length === 0)
    return namesNothing && note.cautions.length === 0 && note.why === undefined && !WORK.test(text)
      ? 'chatter'
      : 'note';
  const onlyNoVerb = faults.every(({ kind }) => kind === 'no-verb') && doubts.length === 0;
  return onlyNoVerb && namesNothing && !WORK.test(text) ? 'chatter' : 'action';
}

/** Words that are about the work even where no part is named. */
const WORK =
  /\d|\b(?:pressure|power|lock|hot|spring|oil|grease|torque|tight|bolt|nut|screw|seal|ring|repeat|same|other side|careful|never|must|should)s?\b/i;

function namesSomething(text: string, series: Series): boolean {
  const low = text.toLowerCase();
  return [...series.components, ...series.tools, ...series.consumables].some(({ name }) =>
    low.includes(name.toLowerCase()),
  );
}
