import fc from 'fast-check';
import { replay } from '../../cloth/replay';
import { check, releaseStops } from '../../findings/check';
import { foldOf } from '../../fold/fold';
import { sayStep } from '../../narration/sentence';
import { typed, withComponent } from '../../testing/workbook';
import { changeStep } from '../edit';
import type { Workbook } from '../procedure';
import { draftPutBack } from './way-back';

const TEARDOWN = [
  'isolate the drive',
  'drain the gear oil',
  'loosen 8 cover nuts',
  'take off cover nuts',
  'take off cover',
  'take off cover O-ring',
  'take off 1 rotor nut @each shaft',
  'draw rotor @each shaft',
];
const told = ({ series, procedure }: Workbook) => procedure.steps.map((step) => sayStep(step, series));
const drafted = (workbook: Workbook) =>
  draftPutBack(workbook)
    .procedure.steps.filter((step) => step.drafted)
    .map((step) => sayStep(step, workbook.series));

test('what came off first goes on last; fasteners are started by hand and torqued; oil and drive come back', () => {
  expect(drafted(typed(TEARDOWN))).toEqual([
    'Fit the rotor at each shaft.',
    'Start by hand the rotor nut at each shaft.',
    'Torque the rotor nut at each shaft.',
    'Fit the cover O-ring.',
    'Fit the cover.',
    'Start by hand the eight cover nuts.',
    'Torque the eight cover nuts.',
    'Fill the gear oil.',
    'Restore the drive.',
  ]);
});

test('what is always renewed is renewed first, and goes in from the tray', () => {
  const workbook = withComponent(typed(TEARDOWN), 'cover O-ring', { renewal: 'always' });
  const whole = draftPutBack(workbook);
  expect(told(whole)[8]).toBe('Renew the cover O-ring.');
  expect(releaseStops(whole)).toEqual([]);
  expect(check(whole).map((finding) => finding.id)).not.toContain('reused');
});

test('faces said on the way down are kept on the way up', () => {
  const base = typed(['take off cup washer @each shaft']);
  const faces = { end: 'dished side', toward: 'the rotor' };
  const workbook = { ...base, procedure: changeStep(base.procedure, base.procedure.steps[0]!.id, { faces }) };
  expect(draftPutBack(workbook).procedure.steps.find((step) => step.verb === 'fit')?.faces).toEqual(faces);
});

test('a figure given before is used again', () => {
  const workbook = typed(['take off 8 cover nuts', 'torque cover nuts =45 N·m']);
  const torques = draftPutBack(workbook).procedure.steps.filter((step) => step.verb === 'torque');
  expect(torques.map((step) => step.torque?.figure.value)).toEqual([45]);
});

test('split pins are secured, not fitted', () => {
  expect(drafted(typed(['take off split pin @each shaft']))).toEqual(['Secure with the split pin at each shaft.']);
});

test('nothing missing, nothing drafted; run again after a change, only the difference', () => {
  const whole = draftPutBack(typed(TEARDOWN));
  expect(draftPutBack(whole)).toEqual(whole);
  const at = whole.procedure.steps.findIndex((step) => step.verb === 'draw');
  const more = typed(['take off lock plate'], {
    ...whole,
    procedure: { ...whole.procedure, steps: whole.procedure.steps.slice(0, at + 1) },
  });
  const grown: Workbook = {
    series: more.series,
    procedure: { ...whole.procedure, steps: [...more.procedure.steps, ...whole.procedure.steps.slice(at + 1)] },
  };
  const again = draftPutBack(grown);
  const added = again.procedure.steps.filter((step) => !grown.procedure.steps.includes(step));
  expect(added.map((step) => sayStep(step, again.series))).toEqual(['Fit the lock plate.']);
  expect(told(again).indexOf('Fit the lock plate.')).toBe(told(again).indexOf('Fit the rotor at each shaft.') - 1);
});

test('one shaft forgotten is fitted where it belongs', () => {
  const workbook = typed(['take off cover', 'draw rotor @each shaft', 'fit rotor @shaft 1', 'fit cover']);
  expect(told(draftPutBack(workbook))).toEqual([
    'Take off the cover.',
    'Draw out the rotor at each shaft.',
    'Fit the rotor at shaft 2.',
    'Fit the rotor at shaft 1.',
    'Fit the cover.',
  ]);
});

test('each drafted refitting faces its taking in the fold', () => {
  const fold = foldOf(replay(draftPutBack(typed(TEARDOWN))));
  const takings = fold.rows.filter((row) => row.left && ['take-off', 'draw'].includes(row.left.verb));
  expect(takings.every((row) => row.paired && row.frayed.length === 0)).toBe(true);
});

describe('for any teardown', () => {
  const parts = [
    'cover',
    'cover O-ring',
    '8 cover nuts',
    '2 dowel pins',
    '1 rotor @each shaft',
    '1 rotor nut @each shaft',
    '1 seal @each shaft',
    '3 bolts @shaft 1',
  ];
  const verbs = ['take off', 'draw', 'pry', 'loosen', 'renew', 'inspect', 'fit', 'torque'];
  const line = fc.tuple(fc.constantFrom(...verbs), fc.constantFrom(...parts)).map((words) => words.join(' '));
  const renewals = fc.subarray(['cover O-ring', 'seal', 'dowel pin', 'rotor']);

  test('the drafted way back ends with an empty cloth and nothing left in the tray', () => {
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 25 }), renewals, (lines, always) => {
        const workbook = always.reduce((w, name) => withComponent(w, name, { renewal: 'always' }), typed(lines));
        const stops = releaseStops(draftPutBack(workbook)).map((finding) => finding.sentence);
        expect(stops).toEqual([]);
      }),
      { numRuns: 150 },
    );
  });

  test('drafting twice is drafting once, and no step that was there is changed or moved past another', () => {
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 20 }), (lines) => {
        const workbook = typed(lines);
        const once = draftPutBack(workbook);
        expect(draftPutBack(once)).toEqual(once);
        expect(once.procedure.steps.filter((step) => !step.drafted)).toEqual(workbook.procedure.steps);
      }),
      { numRuns: 80 },
    );
  });
});
