import type { ReadProposal } from '#core/narration/desk';

/** A stretch of a passage: what was understood of it, what has to be asked about, or neither. */
export interface Mark {
  readonly text: string;
  readonly is: 'plain' | 'part' | 'asked';
  readonly at: number;
}

/** The words of a passage that name a part, and those that are asked about, where the line still says them. */
export function marksIn(passage: string, read: ReadProposal | undefined): readonly Mark[] {
  const offset = read?.proposal.line.indexOf(passage) ?? -1;
  if (!read || offset < 0) return [{ text: passage, is: 'plain', at: 0 }];
  const inside = (from: number, to: number, is: 'part' | 'asked') =>
    from >= offset && to <= offset + passage.length && to > from ? [{ from: from - offset, to: to - offset, is }] : [];
  const asked = read.parsed.doubts.flatMap(({ from, to }) => inside(from, to, 'asked'));
  const parts = read.parsed.steps.flatMap((step) => step.parts.flatMap(({ from, to }) => inside(from, to, 'part')));
  const stretches = [...asked, ...parts].sort((a, b) => a.from - b.from || (a.is === 'asked' ? -1 : 1));
  const marks: Mark[] = [];
  let at = 0;
  for (const { from, to, is } of stretches) {
    if (from < at) continue;
    if (from > at) marks.push({ text: passage.slice(at, from), is: 'plain', at });
    marks.push({ text: passage.slice(from, to), is, at: from });
    at = to;
  }
  if (at < passage.length) marks.push({ text: passage.slice(at), is: 'plain', at });
  return marks;
}
