import fc from 'fast-check';
import { replay } from '../bench/replay';
import { applyEdits } from '../edits/edit';
import { changeStep, newStep } from '../edits/steps';
import { check, fixFor, releaseStops } from '../findings/check';
import { findingKey } from '../findings/finding';
import { foldOf } from '../fold/fold';
import { sayStep } from '../language/en/sentence';
import type { Faces } from '../model/faces';
import type { Workbook } from '../model/procedure';
import { componentId, emptyWorkbook, typed, withComponent, withStep } from '../testing/workbook';
import { withWrench } from './manner';
import { draftPutBack as draft } from './way-back';

const draftPutBack = (workbook: Workbook) => draft(workbook).workbook;

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
    'Renew the cover O-ring.',
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

test('only what is out is renewed: the other shaft keeps its seal', () => {
  const workbook = withComponent(typed(['draw seal @shaft 1', 'inspect rotor @each shaft']), 'seal', {
    renewal: 'always',
  });
  expect(drafted(workbook)).toEqual(['Renew the seal at shaft 1.', 'Fit the seal at shaft 1.']);
});

test('faces said on the way down are kept on the way up', () => {
  const base = typed(['take off cup washer @each shaft']);
  const faces: Faces = { end: 'dished side', toward: { is: 'words', said: 'the rotor' } };
  const workbook = { ...base, procedure: changeStep(base.procedure, base.procedure.steps[0]!.id, { faces }) };
  expect(draftPutBack(workbook).procedure.steps.find((step) => step.verb === 'fit')?.faces).toEqual(faces);
});

test('a figure given before is used again', () => {
  const workbook = typed(['take off 8 cover nuts', 'torque cover nuts =45 N·m']);
  const torques = draftPutBack(workbook).procedure.steps.filter((step) => step.verb === 'torque');
  expect(torques.map((step) => step.torque?.figure.value)).toEqual([45]);
});

test('split pins are secured, not fitted', () => {
  expect(drafted(typed(['take off split pin @each shaft']))).toEqual([
    'Renew the split pin at each shaft.',
    'Secure with the split pin at each shaft.',
  ]);
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

describe('what a draft knows about the parts', () => {
  const base = typed([
    'isolate the drive',
    'take off cover',
    'take off 2 packings',
    'draw plunger',
    'take off 4 bolts',
  ]);
  const greased = {
    ...base,
    series: {
      ...base.series,
      consumables: [
        { id: 'grease', name: 'grease' },
        { id: 'compound', name: 'compound' },
      ],
    },
  };
  const known = withComponent(
    withComponent(
      withComponent(greased, 'packing', {
        renewal: 'always',
        soakMinutes: 12,
        faces: { end: 'lip', toward: { is: 'pressure' } },
        wants: [{ consumableId: 'grease', where: 'thin film' }],
      }),
      'bolt',
      { wants: [{ consumableId: 'compound' }] },
    ),
    'cover',
    { brittle: true },
  );
  const whole = draftPutBack(known);
  const fitting = (workbook: Workbook, name: string) =>
    workbook.procedure.steps.find(
      (step) =>
        step.drafted &&
        ['fit', 'start-by-hand'].includes(step.verb) &&
        step.targets[0]?.componentId === componentId(workbook, name),
    );

  test('faces and grease come from the series, each marked as drafted', () => {
    expect(fitting(whole, 'packing')).toMatchObject({
      faces: { end: 'lip', toward: { is: 'pressure' } },
      applications: [{ consumableId: 'grease', where: 'thin film' }],
      drafted: ['verb', 'targets', 'faces', 'applications', 'photo'],
    });
  });
  test('old compound is cleaned off before new is put on', () => {
    const order = told(whole);
    const cleaned = order.indexOf('Clean the four bolts.');
    expect(cleaned).toBeGreaterThan(0);
    expect(cleaned).toBeLessThan(order.indexOf('Start by hand the four bolts.'));
  });
  test('a packing soaks early enough: the minutes between are at least its soak', () => {
    const { steps } = whole.procedure;
    const soak = steps.findIndex((step) => step.verb === 'soak');
    const fit = steps.indexOf(fitting(whole, 'packing')!);
    expect(soak).toBeGreaterThanOrEqual(0);
    expect(soak).toBeLessThan(fit);
    expect(steps.slice(soak + 1, fit).length * 2).toBeGreaterThanOrEqual(12);
    expect(told(whole)[soak]).toBe('Soak the two packings.');
  });
  test('a photo is asked for at the last look', () => {
    expect(fitting(whole, 'packing')?.photo).toEqual({});
    expect(check(whole).map((finding) => finding.id)).not.toContain('no-last-look');
  });
  test('an assembly opened on the bench is joined up again', () => {
    const opened = withComponent(typed(['take off valve', 'take off spring', 'split valve']), 'spring', (id) => ({
      hostId: id('valve'),
    }));
    const steps = opened.procedure.steps.filter(
      (step) => step.verb !== 'take-off' || step === opened.procedure.steps[0],
    );
    const workbook = { ...opened, procedure: { ...opened.procedure, steps } };
    expect(drafted(workbook)).toEqual(['Join up the valve.', 'Fit the valve.']);
  });
  test('what comes off on one answer only goes back on that answer only', () => {
    const lines = typed(['take off ball', 'draw seat']);
    const asks = withStep(lines, 0, {
      decision: {
        question: 'Out?',
        answers: [
          { id: 'y', text: 'yes' },
          { id: 'n', text: 'no' },
        ],
      },
    });
    const when = [{ stepId: asks.procedure.steps[0]!.id, answerIds: ['n'] }];
    const closed = draftPutBack(withStep(asks, 1, { when }));
    expect(closed.procedure.steps.slice(2).map((step) => step.when)).toEqual([when, undefined]);
    expect(releaseStops(closed)).toEqual([]);
  });
  test('fasteners loosened and left in are torqued; guide pins come out; each fluid is filled', () => {
    const lines = typed(['drain the gear oil', 'drain the coolant', 'loosen 4 bolts /guide pins', 'take off cover']);
    const pinned = withStep(lines, 2, (step) => ({ aidsIn: step.toolIds }));
    expect(drafted(pinned)).toEqual([
      'Fit the cover.',
      'Torque the four bolts.',
      'Fill the coolant.',
      'Fill the gear oil.',
    ]);
    expect(check(draftPutBack(pinned)).map((finding) => finding.id)).not.toContain('aid-left-in');
  });
});

test('what was unplugged is connected, keys come along and pullers do not, what was pulled is pressed in', () => {
  const workbook = typed([
    'disconnect hose /open-end wrench, 19 mm',
    'take off 4 cover bolts /socket, 13 mm',
    'lift cover off /hoist',
    'draw oil seal /seal puller',
    'press guard /oil seal driver',
  ]);
  const down = applyEdits(workbook, [{ kind: 'remove', stepId: workbook.procedure.steps.at(-1)?.id ?? '' }]);
  expect(drafted(down)).toEqual([
    'Renew the oil seal.',
    'Press the oil seal with oil seal driver.',
    'Fit the cover with hoist.',
    'Start by hand the four cover bolts.',
    'Torque the four cover bolts.',
    'Connect the hose with open-end wrench, 19 mm.',
  ]);
});

test('every valve that was closed is opened again, whatever else the words say', () => {
  const down = typed([
    'close the suction valve and the discharge valve',
    'isolate the drive and lock it out',
    'take off cover',
  ]);
  expect(drafted(down).slice(1)).toEqual(['Open the suction valve and the discharge valve.', 'Restore the drive.']);
});

test('a torque wrench comes with the figure that it bears', () => {
  const { series } = typed([
    'tighten nuts =20 N·m /torque wrench, 5-25 N·m',
    'tighten caps =90 N·m /torque wrench, 40-200 N·m',
  ]);
  const step = newStep('one', 'torque');
  const torque = { figure: { value: 60, unit: 'N·m' as const }, tolerancePercent: 4 };
  const [small, large] = series.tools.map(({ id }) => id);
  expect(withWrench(step, { torque }, series).toolIds).toEqual([large]);
  expect(withWrench({ ...step, toolIds: [small ?? ''] }, { torque }, series)).toEqual({ torque });
  expect(
    withWrench(step, { torque: { ...torque, figure: { value: 900, unit: 'N·m' } } }, series).toolIds,
  ).toBeUndefined();
});

test('what comes off by one of two steps, whatever the answer, goes back by one', () => {
  const asked = withStep(typed(['draw cage', 'take off seat', 'draw seat /seat puller']), 0, {
    decision: {
      question: 'Does the seat come along?',
      answers: [
        { id: 'yes', text: 'yes' },
        { id: 'no', text: 'no' },
      ],
    },
  });
  const [first] = asked.procedure.steps;
  const when = (answerId: string) => ({ when: [{ stepId: first?.id ?? '', answerIds: [answerId] }] });
  const workbook = withStep(withStep(asked, 1, when('yes')), 2, when('no'));
  const { workbook: whole, stuck } = draft(workbook);
  const back = whole.procedure.steps.filter(({ drafted: mark, verb }) => mark && verb !== 'renew');
  expect(back.map((step) => [sayStep(step, whole.series), step.when])).toEqual([
    ['Press the seat.', undefined],
    ['Fit the cage.', undefined],
  ]);
  expect(stuck).toEqual([]);
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
        const stops = releaseStops(draftPutBack(workbook)).map((finding) => [finding.id, ...finding.componentIds]);
        expect(stops).toEqual([]);
      }),
      { numRuns: 150 },
    );
  });

  test('whatever sits in, is held by or is matched with what, the drafted way back ends with an empty cloth', () => {
    const names = ['cover', 'cover O-ring', 'rotor', 'rotor nut', 'seal', 'dowel pin'];
    const structure = fc.record({
      hosts: fc.array(fc.tuple(fc.nat(5), fc.nat(5)), { maxLength: 4 }),
      matched: fc.subarray(names),
      always: fc.subarray(names),
    });
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 20 }), structure, (lines, { hosts, matched, always }) => {
        const has = (w: Workbook, name: string) => w.series.components.some((component) => component.name === name);
        let workbook = typed(['mark rotor @each shaft', ...lines]);
        for (const [inner, outer] of hosts) {
          const [a, b] = [names[inner]!, names[outer]!];
          if (inner > outer && has(workbook, a) && has(workbook, b))
            workbook = withComponent(workbook, a, (id) => ({ hostId: id(b) }));
        }
        for (const name of matched) workbook = withComponent(workbook, name, { matched: true });
        for (const name of always) workbook = withComponent(workbook, name, { renewal: 'always' });
        expect(releaseStops(draftPutBack(workbook)).map((finding) => [finding.id, ...finding.componentIds])).toEqual(
          [],
        );
      }),
      { numRuns: 150 },
    );
  });

  test('every fix removes its finding and adds no stop', () => {
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 12 }), (lines) => {
        const workbook = typed(lines);
        const stops = releaseStops(workbook).length;
        for (const finding of check(workbook)) {
          const fix = fixFor(finding, workbook, replay(workbook));
          if (!fix) continue;
          const after = applyEdits(workbook, fix.edits);
          const same = (other: typeof finding) => findingKey(other) === findingKey(finding);
          expect(check(after).filter(same)).toEqual([]);
          expect(releaseStops(after).length).toBeLessThanOrEqual(stops);
        }
      }),
      { numRuns: 100 },
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

test('a second module closes what the first one opened, and takes off its locks', () => {
  const { series, procedure } = typed([
    ...['isolate the motor', 'close the inlet valve', 'take off 8 cover nuts', 'take off cover'],
    ...['take off 4 case bolts', 'draw impeller'],
  ]);
  const first = { ...procedure, id: 'first', steps: procedure.steps.slice(0, 4), handsOn: true as const };
  const second: Workbook = {
    series,
    procedure: { ...procedure, takesOver: 'first', steps: procedure.steps.slice(4) },
    before: [first],
  };
  const whole = draftPutBack(second);
  expect(drafted(second)).toEqual([
    'Fit the impeller.',
    'Start by hand the four case bolts.',
    'Torque the four case bolts.',
    'Fit the cover.',
    'Start by hand the eight cover nuts.',
    'Torque the eight cover nuts.',
    'Open the inlet valve.',
    'Restore the motor.',
  ]);
  expect(check(whole).map(({ id }) => id)).not.toContain('not-restored');
  expect(draftPutBack(whole)).toEqual(whole);
});

test('parts of two sets of places go back each at theirs, in the order in which they came off', () => {
  const places = (name: string, count: number) =>
    Array.from({ length: count }, (_, i) => ({ id: `${name}-${i + 1}`, name: `${name} ${i + 1}` }));
  const blank = emptyWorkbook();
  const positionSets = [
    { id: 'bores', name: 'bore', positions: places('bore', 3) },
    { id: 'sides', name: 'side', positions: places('side', 2) },
  ];
  const lines = [
    'take off manifold',
    'draw plunger @each bore',
    'draw lip seal @each bore',
    'take off bearing cover @each side',
    'draw bearing @each side',
    'draw shaft seal @each side',
  ];
  const down = typed(lines, { ...blank, series: { ...blank.series, positionSets } });
  expect(drafted(down)).toEqual([
    'Renew the lip seal at each bore.',
    'Renew the shaft seal at each side.',
    'Press the shaft seal at each side.',
    'Press the bearing at each side.',
    'Fit the bearing cover at each side.',
    'Press the lip seal at each bore.',
    'Fit the plunger at each bore.',
    'Fit the manifold.',
  ]);
});
