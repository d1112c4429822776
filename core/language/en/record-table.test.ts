import type { Entry, EntryContent } from '../../job/entry';
import { foldJob } from '../../job/job';
import { typed } from '../../testing/workbook';
import { RECORD_COLUMNS, recordTable } from './record-table';

const workbook = typed(['take off 4 cover nuts ?the nuts in order', 'torque cover nuts =45 N·m']);
const [taken, torqued] = workbook.procedure.steps.map(({ id }) => id);
const entry = (content: EntryContent, i: number): Entry => ({
  ...{ id: `e${i}`, at: `2026-05-01T08:0${i}:00.000Z`, by: 'p1', content },
});
const contents: EntryContent[] = [
  { kind: 'photo-taken', stepId: taken ?? '', photo: 'a'.repeat(64), doubts: ['blurred'], reason: 'oil mist' },
  { kind: 'problem', stepId: taken ?? '', note: '=SUM(A1)' },
  { kind: 'step-done', stepId: taken ?? '' },
  {
    ...{ kind: 'torque-read', stepId: torqued ?? '', positionId: null, reading: { value: 50, unit: 'N·m' } },
    wrench: { number: 'TW-05' },
  },
];

test('a record is a table with a row for everything that was entered', () => {
  const table = recordTable(workbook, foldJob(workbook, 'p1', contents.map(entry)), () => 'Mara Oduya');
  const at = (row: number, column: (typeof RECORD_COLUMNS)[number]) => table[row]?.[RECORD_COLUMNS.indexOf(column)];
  expect(table[0]).toEqual([...RECORD_COLUMNS]);
  expect(table.slice(1).map(([step, , what]) => `${step} ${what}`)).toEqual([
    '1 photo',
    '1 problem',
    '1 done',
    '2 torque',
  ]);
  expect(at(1, 'Note')).toBe('blurred; kept: oil mist');
  expect([at(4, 'Value'), at(4, 'Unit'), at(4, 'Verdict'), at(4, 'Note')]).toEqual([
    '50',
    'N·m',
    'high',
    'wrench TW-05',
  ]);
  expect(at(3, 'Note')).toBe('');
  expect([at(4, 'By'), at(4, 'At (UTC)')]).toEqual(['Mara Oduya', '2026-05-01T08:03:00.000Z']);
});

test('what was confirmed, checked by a second person, gauged, seen besides and run has its row too', () => {
  const lines = typed(['isolate the drive', 'inspect cover', 'test the pump']);
  const [isolate = '', look = '', run = ''] = lines.procedure.steps.map(({ id }) => id);
  const steps = lines.procedure.steps.map((step) => ({
    ...step,
    ...(step.id === look && {
      looks: [{ id: 'l', at: 'the face', sound: 'smooth', faults: [] }],
      measurements: [{ id: 'm', what: 'diameter', points: [], directions: 1 as const, follows: 'renew' as const }],
    }),
    ...(step.id === run && { proofs: { leak: { minutes: 5, drops: 0 } } }),
  }));
  const wide = { ...lines, procedure: { ...lines.procedure, steps } };
  const other = { sign: 'a crack', follows: 'renew' as const };
  const made: EntryContent[] = [
    { kind: 'step-done', stepId: isolate, confirmed: true },
    { kind: 'looked', stepId: look, lookId: 'l', positionId: null, faultId: null, other, photo: 'b'.repeat(64) },
    { kind: 'gauged', stepId: look, measurementId: 'm', positionId: null, gap: 'in-places' },
    { kind: 'step-done', stepId: look },
    { kind: 'run-read', stepId: run, samples: [{ flow: 15, speed: 1450 }], instrument: { number: 'TB-01' } },
    { kind: 'proved', stepId: run, proof: { what: 'leak', seconds: 300, drops: 6 } },
  ];
  const table = recordTable(wide, foldJob(wide, 'p1', made.map(entry)), () => '');
  const columns = ['What', 'Detail', 'Value', 'Unit', 'Verdict', 'Note'] as const;
  expect(table.slice(1).map((row) => columns.map((column) => row[RECORD_COLUMNS.indexOf(column)]))).toEqual([
    ['done', '', '', '', '', 'confirmed by name'],
    ['by a new ring', 'diameter', 'gap in-places', '', '', ''],
    ['inspection', 'the face', 'a crack', '', 'renew', `photo ${'b'.repeat(64)}`],
    ['done', '', '', '', '', ''],
    ['test run', 'flow', '15', 'L/min', '', 'test bench TB-01'],
    ['test run', 'speed', '1450', 'rpm', '', 'test bench TB-01'],
    ['checked by hand', 'Leak check', '6 drops in 5 min, about 3.6 mL an hour', '', 'bad', ''],
  ]);
});
