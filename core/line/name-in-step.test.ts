import { applyEdits } from '../edits/edit';
import type { Workbook } from '../model/procedure';
import { componentId, emptyWorkbook, typed } from '../testing/workbook';
import * as naming from './name-in-step';

const fresh = () => {
  let made = 0;
  return () => `new-${++made}`;
};
const nameTargets = (workbook: Workbook, ...rest: Tail<typeof naming.nameTargets>) =>
  applyEdits(workbook, naming.nameTargets(workbook, ...rest));
const nameTools = (workbook: Workbook, ...rest: Tail<typeof naming.nameTools>) =>
  applyEdits(workbook, naming.nameTools(workbook, ...rest));
const nameApplied = (workbook: Workbook, ...rest: Tail<typeof naming.nameApplied>) =>
  applyEdits(workbook, naming.nameApplied(workbook, ...rest));
type Tail<F> = F extends (first: Workbook, ...rest: infer R) => unknown ? R : never;
const start = () => typed(['take off 8 cover nuts /socket, 17 mm', 'take off cover']);
const stepOf = ({ procedure }: Workbook, index = 0) => procedure.steps[index] as (typeof procedure.steps)[number];
const names = ({ series }: Workbook) => series.components.map(({ name }) => name);

describe('naming parts', () => {
  test('a part the series knows is taken from it, whatever the capitals and the number', () => {
    const before = start();
    const after = nameTargets(before, stepOf(before, 1).id, ['Cover', 'cover nut'], fresh());
    expect(names(after)).toEqual(names(before));
    expect(stepOf(after, 1).targets.map(({ componentId }) => componentId)).toEqual([
      componentId(before, 'cover'),
      componentId(before, 'cover nut'),
    ]);
  });

  test('a part named for the first time is made, with the kind its name tells', () => {
    const before = start();
    const after = nameTargets(before, stepOf(before, 1).id, ['cover', 'cover O-ring'], fresh());
    expect(after.series.components.at(-1)).toMatchObject({ name: 'cover O-ring', kind: 'o-ring' });
    expect(stepOf(after, 1).targets).toHaveLength(2);
  });

  test('the count said of a part stays when another part is named beside it', () => {
    const before = typed(['take off 8 cover nuts', 'loosen 6 cover nuts']);
    expect(stepOf(before, 1).targets[0]?.count).toBe(6);
    const after = nameTargets(before, stepOf(before, 1).id, ['cover nut', 'washer'], fresh());
    expect(stepOf(after, 1).targets[0]?.count).toBe(6);
  });

  test('the same part named twice is one target, and a part no longer named is none', () => {
    const before = start();
    const after = nameTargets(before, stepOf(before).id, ['cover', 'covers'], fresh());
    expect(stepOf(after).targets.map(({ componentId }) => componentId)).toEqual([componentId(before, 'cover')]);
    expect(names(after)).toContain('cover nut');
  });

  test('what was proposed by the draft is the trainer’s own once named', () => {
    const before = start();
    const drafted: Workbook = {
      ...before,
      procedure: {
        ...before.procedure,
        steps: before.procedure.steps.map((step) => ({ ...step, drafted: ['targets' as const, 'verb' as const] })),
      },
    };
    const after = nameTargets(drafted, stepOf(drafted).id, ['cover'], fresh());
    expect(stepOf(after).drafted).toEqual(['verb']);
    expect(stepOf(after, 1).drafted).toEqual(['targets', 'verb']);
  });
});

describe('naming tools', () => {
  test('a size tells two tools of one name apart', () => {
    const before = start();
    const labels = ['socket, 17 mm', 'socket, 19 mm'];
    const after = nameTools(before, stepOf(before).id, labels, (toolIds) => ({ toolIds }), fresh());
    expect(after.series.tools.map(({ name, size }) => [name, size])).toEqual([
      ['socket', '17 mm'],
      ['socket', '19 mm'],
    ]);
    expect(stepOf(after).toolIds).toEqual([before.series.tools[0]?.id, 'new-1']);
  });

  test('they go where they belong: to the aids a step puts in as well as to its tools', () => {
    const before = start();
    const after = nameTools(before, stepOf(before, 1).id, ['guide pin'], (aidsIn) => ({ aidsIn }), fresh());
    expect(stepOf(after, 1)).toMatchObject({ aidsIn: ['new-1'], toolIds: [] });
  });
});

describe('naming what is put on', () => {
  test('a line past the last adds one, and naming it again changes it but keeps where and how much', () => {
    const before = typed(['fit cover'], emptyWorkbook());
    const { id } = stepOf(before);
    const one = nameApplied(before, id, 0, 'seal grease', fresh());
    expect(stepOf(one).applications).toEqual([{ consumableId: 'new-1' }]);
    const said: Workbook = {
      ...one,
      procedure: {
        ...one.procedure,
        steps: [{ ...stepOf(one), applications: [{ consumableId: 'new-1', where: 'in the groove', amount: 'thin' }] }],
      },
    };
    const other = nameApplied(said, id, 0, 'silicone grease', () => 'new-2');
    expect(stepOf(other).applications).toEqual([{ consumableId: 'new-2', where: 'in the groove', amount: 'thin' }]);
    const two = nameApplied(other, id, 1, 'Seal Grease', fresh());
    expect(stepOf(two).applications.map(({ consumableId }) => consumableId)).toEqual(['new-2', 'new-1']);
    expect(two.series.consumables).toHaveLength(2);
  });
});
