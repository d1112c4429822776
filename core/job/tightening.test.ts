import type { FastenerGroup } from '../model/fastener-group';
import type { Workbook } from '../model/procedure';
import { componentId, typed, withStep } from '../testing/workbook';
import { withGroup } from '../torque-sheet/sheet';
import { demandsOf } from './demands';
import type { Entry, EntryContent } from './entry';
import { foldJob, runOf } from './job';
import { keptReadings } from './kept-readings';
import { refuseEntry } from './refuse-entry';
import { jointOfStep, passesRead, spotsLeft, spotsOf, torqueAt } from './tightening';

/** A cover with four nuts, tightened by a plan in two passes and a check. */
const joined = (lines: readonly string[], fields: Partial<FastenerGroup> = {}): Workbook => {
  const workbook = typed(lines);
  const group: FastenerGroup = {
    id: 'g',
    componentId: componentId(workbook, 'cover nut'),
    thread: 'M10',
    plan: { shape: 'circle' },
    passes: [{ is: 'rise', percent: 50 }, { is: 'rise', percent: 100 }, { is: 'check' }],
    figures: [],
    ...fields,
  };
  return { ...workbook, series: withGroup(workbook.series, group) };
};
const workbook = joined(['torque 4 cover nuts =40 N·m /torque wrench, 10-60 N·m']);
const step = workbook.procedure.steps[0]!;
const joint = jointOfStep(step, workbook)!;

let n = 0;
const entry = (content: EntryContent): Entry => ({ id: `e${n++}`, at: '2026-05-01T08:00:00Z', by: 'mara', content });
const read = (pass: number, slot: number, value: number, unit: 'N·m' | 'lbf·ft' = 'N·m') =>
  entry({ kind: 'torque-read', stepId: step.id, positionId: null, spot: { pass, slot }, reading: { value, unit } });
const runAfter = (...entries: Entry[]) => runOf(foldJob(workbook, 'mara', entries), step.id);

test('every fastener is asked for in every pass, in the order of the pattern, the check round clockwise', () => {
  expect(spotsOf(joint).map(({ pass, slot }) => `${pass}${slot}`)).toEqual([
    '00',
    '02',
    '01',
    '03',
    '10',
    '12',
    '11',
    '13',
    '20',
    '21',
    '22',
    '23',
  ]);
  expect(demandsOf(step, runAfter(), workbook)).toHaveLength(12);
});

test('a reading is judged against the target of its pass, in whatever unit', () => {
  expect(torqueAt(step, workbook, { pass: 0, slot: 0 })?.figure.value).toBe(20);
  const verdicts = runAfter(read(0, 0, 20), read(0, 2, 40), read(0, 1, 14.75, 'lbf·ft'), read(1, 0, 38)).readings;
  expect(verdicts.map(({ verdict }) => verdict)).toEqual(['within', 'high', 'within', 'low']);
});

test('the next is the first that is not done; one out of its window stays until it is redone or accepted', () => {
  const next = (...entries: Entry[]) => spotsLeft(joint, runAfter(...entries), null)[0];
  expect(next()).toEqual({ pass: 0, slot: 0 });
  expect(next(read(0, 0, 20))).toEqual({ pass: 0, slot: 2 });
  expect(next(read(0, 0, 29))).toEqual({ pass: 0, slot: 0 });
  expect(next(read(0, 0, 29), read(0, 0, 20))).toEqual({ pass: 0, slot: 2 });
  const accepted = entry({
    kind: 'torque-accepted',
    stepId: step.id,
    positionId: null,
    spot: { pass: 0, slot: 0 },
    reason: 'Wrench reads high, checked',
  });
  expect(next(read(0, 0, 29), accepted)).toEqual({ pass: 0, slot: 2 });
  expect(runAfter(read(0, 0, 29), accepted).readings[0]?.accepted?.text).toBe('Wrench reads high, checked');
});

test('the record keeps every reading, also one that was put right', () => {
  expect(runAfter(read(0, 0, 29), read(0, 0, 20)).readings.map(({ reading }) => reading.value)).toEqual([29, 20]);
});

test('the readings are told pass by pass', () => {
  const run = runAfter(read(0, 0, 29), read(0, 0, 20), read(0, 2, 20), read(1, 0, 40));
  expect(passesRead(run).map(({ pass, readings }) => [pass, readings.length])).toEqual([
    [0, 3],
    [1, 1],
  ]);
});

test('a step is done only when every fastener is done in every pass', () => {
  const all = spotsOf(joint).map(({ pass, slot }) => read(pass, slot, pass === 0 ? 20 : 40));
  const done: EntryContent = { kind: 'step-done', stepId: step.id };
  expect(refuseEntry(workbook, foldJob(workbook, 'mara', all.slice(0, -1)), 'mara', done)).toBe('demands-open');
  expect(refuseEntry(workbook, foldJob(workbook, 'mara', all), 'mara', done)).toBeUndefined();
});

test('a reading of a fastener or pass that is not there is refused, as is one of the whole joint', () => {
  const state = foldJob(workbook, 'mara', []);
  const refused = (spot: { pass: number; slot: number } | undefined) =>
    refuseEntry(workbook, state, 'mara', {
      kind: 'torque-read',
      stepId: step.id,
      positionId: null,
      reading: { value: 20, unit: 'N·m' },
      ...(spot && { spot }),
    });
  expect(refused({ pass: 0, slot: 3 })).toBeUndefined();
  expect([{ pass: 0, slot: 4 }, { pass: 5, slot: 0 }, undefined].map(refused)).toEqual(
    Array(3).fill('not-a-torque-step'),
  );
});

test('what is within its window needs no acceptance', () => {
  const state = foldJob(workbook, 'mara', [read(0, 0, 20)]);
  const content = { kind: 'torque-accepted' as const, stepId: step.id, positionId: null, spot: { pass: 0, slot: 0 } };
  expect(refuseEntry(workbook, state, 'mara', { ...content, reason: 'good enough' })).toBe('nothing-to-override');
});

test('an angle is confirmed fastener by fastener and has no reading', () => {
  const angled = joined(['torque 4 cover nuts =40 N·m'], {
    passes: [
      { is: 'rise', percent: 50 },
      { is: 'angle', degrees: 60 },
    ],
  });
  const [first] = angled.procedure.steps;
  const state = foldJob(angled, 'mara', []);
  const turned = (pass: number): EntryContent => ({
    kind: 'turned-on',
    stepId: first!.id,
    positionId: null,
    spot: { pass, slot: 0 },
  });
  expect(refuseEntry(angled, state, 'mara', turned(1))).toBeUndefined();
  expect(refuseEntry(angled, state, 'mara', turned(0))).toBe('not-a-torque-step');
  const after = foldJob(angled, 'mara', [entry(turned(1))]);
  expect(spotsLeft(jointOfStep(first!, angled)!, runOf(after, first!.id), null)).toHaveLength(7);
});

test('while guide pins keep two holes the others are tightened, and then those two', () => {
  const pinned = joined(['torque 4 cover nuts =40 N·m', 'torque 4 cover nuts =40 N·m'], {
    plan: { shape: 'circle', pinSlots: [1] },
  });
  const part = (count: number) => {
    const counted = withStep(pinned, 0, ({ targets }) => ({ targets: targets.map((one) => ({ ...one, count })) }));
    return jointOfStep(counted.procedure.steps[0]!, counted)?.order;
  };
  expect(part(3)).toEqual([0, 2, 3]);
  expect(part(1)).toEqual([1]);
  expect(part(2)).toBeUndefined();
});

test('fasteners without a plan are read as before, once at each place', () => {
  const plain = typed(['torque 4 cover nuts =40 N·m']);
  expect(jointOfStep(plain.procedure.steps[0]!, plain)).toBeUndefined();
  expect(demandsOf(plain.procedure.steps[0]!, runOf(foldJob(plain, 'mara', []), 'x'), plain)).toEqual([
    { what: 'torque', positionId: null },
  ]);
});

test('passes that are steps of their own are one pass each; the last keeps the check round', () => {
  const apart = joined(['torque 4 cover nuts =20 N·m', 'torque cover nuts =40 N·m']);
  const passes = apart.procedure.steps.map((one) =>
    jointOfStep(one, apart)?.passes.map(({ plan, target }) => `${plan.is} ${target?.value}`),
  );
  expect(passes).toEqual([['rise 20'], ['rise 40', 'check 40']]);
});

test('an order by hand that names fasteners that are gone is not followed', () => {
  const old = joined(['torque 4 cover nuts =40 N·m'], { order: [0, 4, 2, 5, 1, 3] });
  expect(jointOfStep(old.procedure.steps[0]!, old)?.order).toEqual([0, 2, 1, 3]);
});

test('where guide pins keep two holes, the others are tightened first, then, with the pins out, those two; the check goes over all', () => {
  const pinned = joined(['torque 6 cover nuts =40 N·m'], { plan: { shape: 'circle', pinSlots: [0, 3] } });
  const passes = jointOfStep(pinned.procedure.steps[0]!, pinned)?.passes ?? [];
  expect(passes.map(({ order, afterPins = false }) => [order.toSorted(), afterPins])).toEqual([
    [[1, 2, 4, 5], false],
    [[1, 2, 4, 5], false],
    [[0, 3], true],
    [[0, 3], true],
    [[0, 1, 2, 3, 4, 5], false],
  ]);
  const [one] = pinned.procedure.steps;
  const every = spotsOf(jointOfStep(one!, pinned)!).map(({ pass, slot }): Entry => {
    const { value } = torqueAt(one!, pinned, { pass, slot })!.figure;
    return {
      ...read(pass, slot, value),
      content: { ...read(pass, slot, value).content, stepId: one!.id } as EntryContent,
    };
  });
  expect(demandsOf(one!, runOf(foldJob(pinned, 'mara', every), one!.id), pinned)).toEqual([]);
  // All six stay in the joint, whichever pass brought them to the figure.
  expect(keptReadings(one!, runOf(foldJob(pinned, 'mara', every), one!.id), pinned)).toHaveLength(6);
});

test('the check round takes the figure for checking, with its own window', () => {
  const torque = { figure: { value: 38, unit: 'N·m' as const }, tolerancePercent: 2 };
  const checked = joined(['torque 4 cover nuts =40 N·m'], { figures: [{ use: 'check', torque }] });
  const [one] = checked.procedure.steps;
  expect(jointOfStep(one!, checked)?.passes.map(({ target }) => target?.value)).toEqual([20, 40, 38]);
  expect(torqueAt(one!, checked, { pass: 2, slot: 0 })).toEqual(torque);
});
