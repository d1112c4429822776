import type { FastenerGroup } from '../model/fastener-group';
import type { Workbook } from '../model/procedure';
import { componentId, typed } from '../testing/workbook';
import { withGroup } from '../torque-sheet/sheet';
import { demandsOf } from './demands';
import type { Entry, EntryContent } from './entry';
import { applyEntry, runOf, startJob } from './job';
import { refuseEntry } from './refuse-entry';
import type { JobState } from './state';
import { jointOfStep, spotsLeft } from './tightening';
import { asideFor, type InHand, placeReading, type WrenchReading } from './wrench-reading';

/** A cover with four nuts in one pass, a drain plug without a plan, and a look. */
const workbook = ((): Workbook => {
  const plain = typed(['torque 4 cover nuts =40 N·m', 'torque drain plug =20 N·m', 'clean cover']);
  const group: FastenerGroup = {
    id: 'g',
    componentId: componentId(plain, 'cover nut'),
    plan: { shape: 'circle' },
    passes: [{ is: 'rise', percent: 100 }],
    figures: [],
  };
  return { ...plain, series: withGroup(plain.series, group) };
})();
const [cover, plug, clean] = workbook.procedure.steps;

/** A technician at a job, with the time in seconds. */
class Bench {
  state: JobState = startJob('mara');
  #count = 0;
  enter(content: EntryContent, at: number): string {
    expect(refuseEntry(workbook, this.state, 'mara', content)).toBeUndefined();
    this.#count += 1;
    const entry: Entry = { id: `e${this.#count}`, at: time(at), by: 'mara', content };
    this.state = applyEntry(workbook, this.state, entry);
    return entry.id;
  }
  get inHand(): InHand {
    const step = workbook.procedure.steps[this.state.cursor];
    const joint = step && jointOfStep(step, workbook);
    return { step, place: null, spot: joint && spotsLeft(joint, runOf(this.state, step.id), null)[0] };
  }
  send(at: number, value: number, more: Partial<WrenchReading> = {}) {
    const reading = { id: `r${at}`, takenAt: time(at), ageMs: 50, peak: { value, unit: 'N·m' }, wrench, ...more };
    const placed = placeReading(reading, this.inHand, this.state, 'mara', workbook);
    if ('content' in placed && placed.is !== 'asked') this.enter(placed.content, at);
    return placed;
  }
  get slots() {
    return runOf(this.state, cover!.id).readings.map(({ spot }) => spot?.slot);
  }
}
const wrench = { number: 'TW-03', calibratedUntil: '2027-06-30' };
const time = (seconds: number) => new Date(Date.UTC(2026, 4, 1, 8, 0, seconds)).toISOString();

test('readings go to the fastener in hand one after the other, with the wrench and its calibration', () => {
  const bench = new Bench();
  for (const at of [0, 10, 20, 30]) expect(bench.send(at, 40).is).toBe('taken');
  expect(bench.slots).toEqual([0, 2, 1, 3]);
  expect(demandsOf(cover!, runOf(bench.state, cover!.id), workbook)).toEqual([]);
  expect(runOf(bench.state, cover!.id).readings[0]?.wrench).toMatchObject(wrench);
});

test('a reading that is sent again is taken once', () => {
  const bench = new Bench();
  bench.send(0, 40);
  expect(bench.send(0, 40).is).toBe('known');
  // And neither by another tablet that does not know yet.
  const again = { kind: 'torque-read', stepId: cover!.id, positionId: null, spot: { pass: 0, slot: 2 } } as const;
  const content = { ...again, reading: { value: 40, unit: 'N·m' as const }, wrench: { ...wrench, reading: 'r0' } };
  expect(refuseEntry(workbook, bench.state, 'mara', content)).toBe('reading-known');
});

test('a second click right after a good one is of the same fastener; it can be moved to the next', () => {
  const bench = new Bench();
  bench.send(0, 40);
  expect(bench.send(1, 41)).toMatchObject({ is: 'taken', note: 'repeated' });
  expect(bench.slots).toEqual([0, 0]);
  expect(bench.inHand.spot).toEqual({ pass: 0, slot: 2 });
  bench.enter(
    { kind: 'torque-moved', stepId: cover!.id, entryId: 'e2', positionId: null, spot: { pass: 0, slot: 2 } },
    3,
  );
  expect(bench.slots).toEqual([0, 2]);
  expect(runOf(bench.state, cover!.id).readings[1]?.moved).toMatchObject({ by: 'mara' });
  expect(bench.inHand.spot).toEqual({ pass: 0, slot: 1 });
});

test('one that is pulled on after a low reading is of the same fastener, and no repetition', () => {
  const bench = new Bench();
  bench.send(0, 30);
  expect(bench.send(1, 40)).toEqual(expect.not.objectContaining({ note: 'repeated' }));
  expect(bench.slots).toEqual([0, 0]);
  expect(bench.inHand.spot?.slot).toBe(2);
});

test('an overtightened fastener stays in hand until it is redone or accepted', () => {
  const bench = new Bench();
  bench.send(0, 52);
  expect(bench.inHand.spot?.slot).toBe(0);
  bench.send(20, 40);
  expect(bench.inHand.spot?.slot).toBe(2);
});

test('what was read while the link was lost is asked about, and keeps the time when it was read', () => {
  const bench = new Bench();
  const placed = bench.send(0, 40, { ageMs: 60_000 });
  expect(placed).toMatchObject({ is: 'asked', content: { spot: { pass: 0, slot: 0 }, wrench: { takenAt: time(0) } } });
  expect(bench.slots).toEqual([]);
});

test('what is no torque, or comes where none is asked for, is kept aside and named', () => {
  const bench = new Bench();
  expect(bench.send(0, 40, { peak: { value: 40, unit: 'kN' } })).toMatchObject({ is: 'aside', why: 'no-torque' });
  for (const at of [10, 20, 30, 40]) bench.send(at, 40);
  expect(bench.send(50, 40)).toMatchObject({ is: 'aside', why: 'all-done' });
  bench.enter({ kind: 'step-done', stepId: cover!.id }, 60);
  // A step without a plan takes it as a whole.
  expect(bench.send(70, 20)).toMatchObject({ is: 'taken' });
  expect(runOf(bench.state, plug!.id).readings).toMatchObject([{ verdict: 'within' }]);
  bench.enter({ kind: 'step-done', stepId: plug!.id }, 80);
  expect(bench.inHand.step).toBe(clean);
  expect(bench.send(90, 20)).toMatchObject({ is: 'aside', why: 'no-torque-step' });
  expect(bench.state.setAside.map(({ why }) => why)).toEqual(['no-torque', 'all-done', 'no-torque-step']);
});

test('while the job is paused or in other hands a reading waits', () => {
  const bench = new Bench();
  bench.enter({ kind: 'paused' }, 0);
  expect(bench.send(1, 40).is).toBe('waits');
  bench.enter({ kind: 'resumed' }, 2);
  expect(placeReading({ ...reading, id: 'x' }, bench.inHand, bench.state, 'tobias', workbook).is).toBe('waits');
  expect(bench.send(3, 40).is).toBe('taken');
});

test('a late reading that is not used is kept aside as such', () => {
  const bench = new Bench();
  bench.enter(asideFor(reading, 'not-used').content, 0);
  expect(bench.state.setAside).toMatchObject([{ why: 'not-used', peak: { value: 40 } }]);
});
const reading: WrenchReading = { id: 'r', takenAt: time(0), ageMs: 0, peak: { value: 40, unit: 'N·m' }, wrench };
