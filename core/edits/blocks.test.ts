import { typed } from '../testing/workbook';
import { joiningBlock, leavingBlock } from './blocks';
import { applyEdits } from './edit';

const base = typed(['draw rotor @each shaft', 'draw seal @each shaft', 'draw ring @each shaft']);
const [first = '', second = '', third = ''] = base.procedure.steps.map(({ id }) => id);
const joined = (workbook: typeof base, id: string) =>
  applyEdits(workbook, joiningBlock(workbook.procedure, id, ['s1', 's2']));
const left = (workbook: typeof base, id: string) => applyEdits(workbook, leavingBlock(workbook.procedure, id));
const inBlocks = ({ procedure }: typeof base) => procedure.steps.map(({ blockId }) => blockId !== undefined);

test('two steps make a block, and the next one joins it', () => {
  const two = joined(base, second);
  expect(inBlocks(two)).toEqual([true, true, false]);
  expect(two.procedure.blocks).toMatchObject([{ positionIds: ['s1', 's2'] }]);
  const three = joined(two, third);
  expect(inBlocks(three)).toEqual([true, true, true]);
  expect(three.procedure.blocks).toHaveLength(1);
});

test('what is left alone is no block', () => {
  const three = joined(joined(base, second), third);
  expect(inBlocks(left(three, first))).toEqual([false, true, true]);
  const none = left(joined(base, second), second);
  expect(inBlocks(none)).toEqual([false, false, false]);
  expect(none.procedure.blocks).toBeUndefined();
});

test('the first step has none to go with', () => {
  expect(joiningBlock(base.procedure, first, ['s1'])).toEqual([]);
  expect(leavingBlock(base.procedure, first)).toEqual([]);
});
