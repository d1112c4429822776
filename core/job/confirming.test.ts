import { replay } from '../bench/replay';
import { confirmationOf } from '../model/confirmation';
import { typed, withStep } from '../testing/workbook';
import { readApproval } from './approval';
import { locksToCheck, stillOpen } from './confirming';
import { demandsOf } from './demands';
import type { Entry, EntryContent } from './entry';
import { foldJob, runOf } from './job';
import { refuseEntry } from './refuse-entry';
import { approvalText } from './text-to-sign';
import { waitingFor } from './waiting-for';

let n = 0;
const entry = (content: EntryContent, by = 'mara'): Entry => {
  n += 1;
  return { id: `e${n}`, at: new Date(Date.UTC(2026, 0, 5, 8, n)).toISOString(), by, content };
};

describe('what is confirmed by name', () => {
  const { procedure } = typed([
    'isolate the drive',
    'lock out the switch',
    'close the suction valve',
    'bleed the casing',
    'take off cover',
    'fit cover',
    'open the suction valve',
    'restore the drive',
  ]);
  test('cutting off and releasing energy, and giving it back; nothing else', () => {
    expect(procedure.steps.map(confirmationOf)).toEqual([
      ...['made-safe', 'made-safe', 'made-safe', 'made-safe'],
      ...[undefined, undefined],
      ...['closed', 'closed'],
    ]);
  });
});

test('before the energy is given back, what is still out and what is not tight is named', () => {
  const lines = ['isolate the drive', 'loosen 4 bolts', 'take off bolts', 'take off cover', 'restore the drive'];
  const workbook = typed(lines);
  const named = (ids: readonly string[]) =>
    ids.map((id) => workbook.series.components.find((component) => component.id === id)?.name);
  const open = stillOpen(replay(workbook), 4);
  expect(named(open.out)).toEqual(['bolt', 'cover']);
  const shut = typed([...lines.slice(0, 4), 'fit cover', 'fit bolts', 'torque bolts =20 N·m', 'restore the drive']);
  expect(stillOpen(replay(shut), 7)).toEqual({ out: [], loose: [] });
});

describe('locks', () => {
  const workbook = typed(['isolate the drive', 'bleed the casing', 'take off cover', 'fit cover', 'restore the drive']);
  const [isolate = '', bleed = '', take = '', fit = '', restore = ''] = workbook.procedure.steps.map(({ id }) => id);
  const done = (stepId: string): EntryContent => ({ kind: 'step-done', stepId, confirmed: true });
  const folded = (...entries: Entry[]) => foldJob(workbook, 'mara', entries);
  const toCheck = (...entries: Entry[]) => locksToCheck(workbook, folded(...entries)).map(({ id }) => id);
  const made = () => [entry(done(isolate)), entry(done(bleed))];

  test('hold for who has put them on; who takes over checks them first', () => {
    expect(toCheck(...made())).toEqual([]);
    const taken = [...made(), entry({ kind: 'taken-over' }, 'tobias')];
    expect(toCheck(...taken)).toEqual([isolate, bleed]);
    expect(toCheck(...taken, entry({ kind: 'locks-checked' }, 'tobias'))).toEqual([]);
    // Handed back: somebody else has been at it meanwhile.
    const back = [...taken, entry({ kind: 'locks-checked' }, 'tobias'), entry({ kind: 'taken-over' })];
    expect(toCheck(...back)).toEqual([]);
  });
  test('are gone once the energy is given back', () => {
    const whole = [...made(), ...[take, fit, restore].map((stepId) => entry(done(stepId)))];
    expect(toCheck(...whole, entry({ kind: 'taken-over' }, 'tobias'))).toEqual([]);
  });
  test('the record knows whether it was confirmed', () => {
    const state = folded(entry({ kind: 'step-done', stepId: isolate }), entry(done(bleed)));
    expect([isolate, bleed].map((id) => runOf(state, id).isConfirmed)).toEqual([false, true]);
  });
});

describe('a hold point', () => {
  const workbook = withStep(typed(['torque 4 bolts =20 N·m', 'clean bench']), 0, {
    holdPoint: { checks: 'all four marked' },
  });
  const [step] = workbook.procedure.steps;
  const stepId = step?.id ?? '';
  const approved: EntryContent = {
    kind: 'approved',
    stepId,
    approver: 'tobias',
    approval: { text: '{}', keyId: 'key', signature: 'x' },
  };
  const skipped: EntryContent = { kind: 'overridden', stepId, what: 'torque', reason: 'a wrench was sent away' };
  const folded = (...contents: EntryContent[]) =>
    foldJob(
      workbook,
      'mara',
      contents.map((one) => entry(one)),
    );
  const open = (...contents: EntryContent[]) =>
    step ? demandsOf(step, runOf(folded(...contents), stepId), workbook).map(({ what }) => what) : [];

  test('waits for a second person when all else is there, and cannot be skipped', () => {
    expect(open(skipped)).toEqual(['approval']);
    expect(waitingFor(workbook, folded())).toBeNull();
    expect(waitingFor(workbook, folded(skipped))).toBe('second-person');
    expect(refuseEntry(workbook, folded(skipped), 'mara', { kind: 'step-done', stepId })).toBe('demands-open');
    expect(refuseEntry(workbook, folded(), 'mara', approved)).toBe('demands-open');
    expect(refuseEntry(workbook, folded(skipped), 'mara', approved)).toBeUndefined();
    expect(refuseEntry(workbook, folded(skipped), 'mara', { ...approved, approver: 'mara' })).toBe('own-approval');
    expect(open(skipped, approved)).toEqual([]);
  });
  test('is open again when something is entered after the second person has looked', () => {
    const method: EntryContent = { kind: 'method-chosen', stepId, methodId: null };
    expect(open(skipped, approved, method)).toEqual(['approval']);
    expect(open(skipped, approved, { kind: 'problem', stepId, note: 'a scratch on the flange' })).toEqual([]);
  });
  test('is asked for where the trainer wants one only', () => {
    const state = foldJob(workbook, 'mara', [entry(skipped), entry(approved), entry({ kind: 'step-done', stepId })]);
    const next = workbook.procedure.steps[1]?.id ?? '';
    expect(refuseEntry(workbook, state, 'mara', { ...approved, stepId: next })).toBe('nothing-to-approve');
  });
});

test('what a second person signs is read only as it was written', () => {
  const said = { jobId: 'job-1', stepId: 'step-1', by: 'tobias', at: '2026-01-05T08:30:00.000Z' };
  expect(readApproval(approvalText(said))).toEqual({ is: 'approval', ...said });
  for (const text of ['', '[]', '{"is":"approval"}', approvalText(said).replace('approval', 'consent')])
    expect(readApproval(text)).toBeUndefined();
});

test('a paused job waits for what it was paused for, until it goes on', () => {
  const workbook = typed(['take off cover']);
  const paused = entry({ kind: 'paused', waitsFor: 'parts' });
  expect(waitingFor(workbook, foldJob(workbook, 'mara', [paused]))).toBe('parts');
  expect(waitingFor(workbook, foldJob(workbook, 'mara', [paused, entry({ kind: 'resumed' })]))).toBeNull();
});
