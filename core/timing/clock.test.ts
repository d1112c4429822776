import type { Entry, EntryContent } from '../job/entry';
import { foldJob } from '../job/job';
import type { Workbook } from '../model/procedure';
import { componentId, typed, withComponent, withStep } from '../testing/workbook';
import { stepTimes, timersOf, wholeTime } from './clock';

const START = '2026-05-01T08:00:00.000Z';
const at = (minute: number) => new Date(Date.parse(START) + minute * 60_000).toISOString();
let count = 0;
const entry = (minute: number, content: EntryContent): Entry => {
  count += 1;
  return { id: `e${count}`, at: at(minute), by: 'mara', content };
};
const done = (workbook: Workbook, index: number, minute: number) =>
  entry(minute, { kind: 'step-done', stepId: workbook.procedure.steps[index]?.id ?? '' });
const running = (workbook: Workbook, ...entries: Entry[]) =>
  timersOf(workbook, foldJob(workbook, 'mara', entries), entries, START);

test('packing soaks from the step that puts it in until it is fitted', () => {
  const workbook = withComponent(typed(['soak packing', 'clean box', 'fit packing', 'clean cover']), 'packing', {
    soakMinutes: 30,
  });
  expect(running(workbook)).toEqual([]);
  const soaked = done(workbook, 0, 5);
  expect(running(workbook, soaked)).toMatchObject([{ is: 'ready', startedAt: at(5), dueAt: at(35) }]);
  expect(running(workbook, soaked, done(workbook, 1, 12))).toHaveLength(1);
  expect(running(workbook, soaked, done(workbook, 1, 12), done(workbook, 2, 36))).toEqual([]);
});

test('compound has to be torqued before it sets; several run at once, the first due first', () => {
  const plain = typed(['start by hand bolts +thread-locker', 'soak packing', 'torque bolts =20 N·m', 'fit packing']);
  const consumables = plain.series.consumables.map((one) => ({ ...one, openMinutes: 15 }));
  const workbook = withComponent({ ...plain, series: { ...plain.series, consumables } }, 'packing', {
    soakMinutes: 60,
  });
  const entries = [done(workbook, 0, 2), done(workbook, 1, 4)];
  expect(running(workbook, ...entries)).toMatchObject([
    { is: 'until', componentId: componentId(workbook, 'bolt'), dueAt: at(17) },
    { is: 'ready', componentId: componentId(workbook, 'packing'), dueAt: at(64) },
  ]);
  const reading: EntryContent = {
    ...{ kind: 'torque-read', stepId: workbook.procedure.steps[2]?.id ?? '', positionId: null },
    reading: { value: 20, unit: 'N·m' },
  };
  expect(running(workbook, ...entries, entry(9, reading), done(workbook, 2, 10))).toMatchObject([{ is: 'ready' }]);
});

test('compound on what is never torqued sets in peace', () => {
  const plain = typed(['fit cover +sealant', 'clean box']);
  const consumables = plain.series.consumables.map((one) => ({ ...one, openMinutes: 15 }));
  const workbook = { ...plain, series: { ...plain.series, consumables } };
  expect(running(workbook, done(workbook, 0, 2))).toEqual([]);
});

test('a step that waits runs from the moment it is in hand', () => {
  const plain = typed(['clean box', 'clean cover']);
  const workbook = withStep(plain, 1, { verb: 'wait', targets: [], about: 'until it has cured', minutes: 20 });
  expect(running(workbook, done(workbook, 0, 3))).toMatchObject([{ is: 'ready', startedAt: at(3), dueAt: at(23) }]);
});

describe('the time of each step', () => {
  const workbook = typed(['clean box', 'clean cover', 'clean rotor']);
  const id = (index: number) => workbook.procedure.steps[index]?.id ?? '';

  test('runs from one step to the next, and pauses are told apart', () => {
    const times = stepTimes(
      [
        done(workbook, 0, 5),
        entry(8, { kind: 'paused' }),
        entry(38, { kind: 'resumed' }),
        done(workbook, 1, 40),
        done(workbook, 2, 44),
      ],
      START,
    );
    expect(times.get(id(0))).toEqual({ worked: 5, paused: 0 });
    expect(times.get(id(1))).toEqual({ worked: 5, paused: 30 });
    expect(wholeTime(times)).toEqual({ worked: 14, paused: 30 });
  });

  test('of a step that was gone back to is that of both goes', () => {
    const times = stepTimes(
      [done(workbook, 0, 5), entry(6, { kind: 'went-back', stepId: id(0) }), done(workbook, 0, 9)],
      START,
    );
    expect(times.get(id(0))).toEqual({ worked: 9, paused: 0 });
  });

  test('a clock that runs backwards takes nothing away', () => {
    expect(wholeTime(stepTimes([done(workbook, 0, 5), done(workbook, 1, 2)], START)).worked).toBe(5);
  });
});
