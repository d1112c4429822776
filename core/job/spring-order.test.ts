import type { Workbook } from '../model/procedure';
import { componentId, typed } from '../testing/workbook';
import { withGroup } from '../torque-sheet/sheet';
import { springOrderOf } from './spring-order';

const sprung = (lines: readonly string[], storedSpring = true): Workbook => {
  const workbook = typed(lines);
  const group = {
    id: 'g',
    componentId: componentId(workbook, 'cover nut'),
    figures: [],
    plan: { shape: 'circle' as const },
  };
  return { ...workbook, series: withGroup(workbook.series, { ...group, ...(storedSpring && { storedSpring }) }) };
};
const orderOf = (workbook: Workbook, index = 0) => {
  const step = workbook.procedure.steps[index];
  return step && springOrderOf(step, workbook);
};

test('over a spring opposite ones come out two by two and the last two together; put back, it is the reverse', () => {
  const workbook = sprung(['loosen 6 cover nuts', 'start by hand cover nuts', 'torque cover nuts =20 N·m']);
  const out = orderOf(workbook);
  expect(out?.is).toBe('out');
  expect(out?.stages.at(-1)).toHaveLength(2);
  expect(out?.stages.flat().toSorted()).toEqual([0, 1, 2, 3, 4, 5]);
  const [first, second] = out?.stages.flat() ?? [];
  expect(((second ?? 0) - (first ?? 0) + 6) % 6).toBe(3);
  expect(orderOf(workbook, 1)?.stages).toEqual(out?.stages.toReversed());
  // How they are pulled down is the order of the passes.
  expect(orderOf(workbook, 2)).toBeUndefined();
});

test('a joint without a spring, or of two, has no such order', () => {
  expect(orderOf(sprung(['loosen 6 cover nuts'], false))).toBeUndefined();
  expect(orderOf(sprung(['loosen 2 cover nuts']))).toBeUndefined();
});
