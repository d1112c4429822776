import { applyEdits } from '#core/edits/edit';
import type { Narration } from '#core/model/narration';
import { accepting, readDesk } from '#core/narration/desk';
import { proposalsFrom } from '#core/narration/propose';
import { readPasted } from '#core/narration/source';
import { typed } from '#core/testing/workbook';
import { deskRows } from './desk-rows';

test('steps and proposals stand in the order in which they were said, with the number they have or would have', async () => {
  const start = typed(['isolate the drive']);
  const passages = await readPasted('Take off the cover.\nDraw the rotor.\nTake off the plate, then draw the sleeve.');
  const narration: Narration = { id: 'told', name: 'told', passages, ...proposalsFrom(passages, start.series) };
  const workbook = { ...start, procedure: { ...start.procedure, narrations: [narration] } };
  // The second is added first.
  let n = 0;
  const { edits } = accepting(workbook, narration, [narration.proposals[1]?.id ?? ''], () => `n${n++}`);
  const after = applyEdits(workbook, edits);
  const [left] = after.procedure.narrations ?? [];
  if (!left) throw new Error('no narration');
  const rows = deskRows(after, left, readDesk(after, left));
  expect(rows.map(({ passageIds, number, step }) => [passageIds, number, step !== undefined])).toEqual([
    [['p1'], 2, false],
    [['p2'], 3, true],
    [['p3'], 4, false],
  ]);
});
