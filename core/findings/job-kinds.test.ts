import { stepPlaces } from '../job/to-do';
import { sayFinding } from '../language/en/findings';
import { sayStep } from '../language/en/sentence';
import type { Faces } from '../model/faces';
import type { Step, Workbook } from '../model/procedure';
import type { Component, Consumable, Series, Stack } from '../model/series';
import { stepIn } from '../model/setting';
import { compareFacings, placesInStacks } from '../orientation/directions';
import { readDirection } from '../reading/en/direction-words';
import { componentId, emptyWorkbook, typed, withComponent, withStep } from '../testing/workbook';
import { check, releaseStops } from './check';

/**
 * The ten kinds of job that trainers write instructions for, each with what makes it what it is, said in fields and not
 * in free text: so that it can be checked, and so that the mistake it is known for is found.
 */
function pump(places: [set: string, names: string[]][], more: Partial<Series> = {}): Workbook {
  const empty = emptyWorkbook();
  const positionSets = places.map(([name, names]) => ({
    id: name,
    name,
    positions: names.map((position) => ({ id: position.replace(/\s+/g, '-'), name: position })),
  }));
  return { ...empty, series: { ...empty.series, positionSets, ...more } };
}
const parts = (workbook: Workbook, by: Record<string, Partial<Component>>): Workbook =>
  Object.entries(by).reduce((changed, [name, fields]) => withComponent(changed, name, fields), workbook);
const at = (workbook: Workbook, verb: Step['verb'], part: string): number => {
  const id = componentId(workbook, part);
  const index = workbook.procedure.steps.findIndex(
    (step) => step.verb === verb && step.targets.some((target) => target.componentId === id),
  );
  if (index < 0) throw new Error(`nothing does ${verb} to ${part}`);
  return index;
};
const ids = (workbook: Workbook) => check(workbook).map(({ id }) => id);
const stops = (workbook: Workbook) => releaseStops(workbook).map((finding) => sayFinding(finding, workbook));
const SAFE = ['isolate the drive', 'bleed the pump'];
const without = (workbook: Workbook, index: number): Workbook => ({
  ...workbook,
  procedure: { ...workbook.procedure, steps: workbook.procedure.steps.toSpliced(index, 1) },
});
const stackOf = (workbook: Workbook, name: string, layers: string[], more: Partial<Stack> = {}): Workbook => {
  const stack: Stack = {
    id: name,
    name,
    bore: [],
    layers: layers.map((part) => ({
      id: componentId(workbook, part),
      componentId: componentId(workbook, part),
      count: 1,
    })),
    ...more,
  };
  return { ...workbook, series: { ...workbook.series, stacks: [...(workbook.series.stacks ?? []), stack] } };
};

test('1. valve service: a set comes out whole or leaves its seat behind, and one kit is not enough for all sets', () => {
  const lines = [
    ...SAFE,
    'take off valve cap @each valve',
    'take off cage @each valve',
    'draw valve seat @each valve /seat puller',
    'take off valve seat @each valve',
    'renew valve seat @each valve',
    'fit valve seat @each valve',
    'fit cage @each valve',
    'start by hand valve cap @each valve',
    'torque valve cap @each valve =60 N·m',
  ];
  const typedUp = typed(
    lines,
    pump([['valve', ['inlet 1', 'inlet 2', 'inlet 3', 'discharge 1', 'discharge 2', 'discharge 3']]]),
  );
  const ask = at(typedUp, 'take-off', 'cage');
  const branching = withStep(
    withStep(typedUp, ask, {
      decision: {
        question: 'Did the cage leave the seat behind?',
        answers: [
          { id: 'left', text: 'it stayed' },
          { id: 'whole', text: 'all came out' },
        ],
      },
    }),
    at(typedUp, 'draw', 'valve seat'),
    { when: [{ stepId: typedUp.procedure.steps[ask]?.id ?? '', answerIds: ['left'] }] },
  );
  // Where all comes out at once the seat comes with the cage: another step on that answer.
  const both = withStep(branching, at(branching, 'take-off', 'valve seat'), {
    when: [{ stepId: typedUp.procedure.steps[ask]?.id ?? '', answerIds: ['whole'] }],
  });
  expect(stops(both)).toEqual([]);
  const kit = { id: 'kit', name: 'valve kit', contents: [{ componentId: componentId(both, 'valve seat'), count: 3 }] };
  const kits = (count: number): Workbook => ({
    ...both,
    series: { ...both.series, kits: [kit] },
    procedure: { ...both.procedure, kits: [{ kitId: 'kit', count }] },
  });
  expect(ids(kits(1))).toContain('kit-short');
  expect(ids(kits(2))).not.toContain('kit-short');
});

test('2. valves on the plunger rod: the split pin is never reused, the conical washer has a direction', () => {
  const lines = [
    ...SAFE,
    'take off split pin /side cutters',
    'take off slotted nut /socket, 24 mm',
    'draw conical washer',
    'draw spacer',
    'renew split pin',
    'fit spacer',
    'fit conical washer >hollow side to the spacer',
    'start by hand slotted nut',
    'torque slotted nut =40 N·m',
    'pin split pin',
  ];
  const workbook = parts(typed(lines), {
    'split pin': { renewal: 'always' },
    'conical washer': {
      keyed: true,
      faces: { end: 'hollow side', toward: { is: 'part', componentId: componentId(typed(lines), 'spacer') } },
    },
  });
  expect(stops(workbook)).toEqual([]);
  expect(ids(workbook)).not.toContain('faces-wrong');
  expect(ids(without(workbook, at(workbook, 'renew', 'split pin')))).toContain('reused');
  const turned = withStep(workbook, at(workbook, 'fit', 'conical washer'), {
    faces: { end: 'hollow side', toward: { is: 'part', componentId: componentId(workbook, 'slotted nut') } },
  });
  expect(ids(turned)).toContain('faces-wrong');
});

test('3. seal service: the manifold is laid face down, and "up" is no longer toward the pressure', () => {
  const lines = [
    ...SAFE,
    'take off manifold !Support its weight',
    'draw retainer @each bore',
    'draw seal @each bore /hook tool',
    'renew seal @each bore',
    'fit seal @each bore +silicone grease >lip to the pressure',
    'fit retainer @each bore',
    'fit manifold',
  ];
  const base = typed(lines, pump([['bore', ['bore 1', 'bore 2', 'bore 3']]]));
  const hosted = parts(base, {
    seal: {
      hostId: componentId(base, 'manifold'),
      renewal: 'always',
      keyed: true,
      faces: { end: 'lip', toward: { is: 'pressure' } },
    },
    retainer: { hostId: componentId(base, 'manifold') },
  });
  const stacked = stackOf(hosted, 'seal stack', ['seal', 'retainer'], {
    pressureAt: 'bottom',
    hostId: componentId(base, 'manifold'),
  });
  const lies = (pose: 'face-up' | 'face-down') =>
    withStep(stacked, at(stacked, 'take-off', 'manifold'), {
      pose: { componentId: componentId(base, 'manifold'), lies: pose },
    });
  const saying = (pose: 'face-up' | 'face-down', toward: string) =>
    withStep(lies(pose), at(stacked, 'fit', 'seal'), {
      faces: { end: 'lip', toward: readDirection(toward, base.series) },
    });
  expect(stops(lies('face-down'))).toEqual([]);
  // The bores open upward: the pressure acts from below, so the lip looks down.
  expect(ids(saying('face-up', 'down on the bench'))).not.toContain('faces-clash');
  expect(ids(saying('face-down', 'down on the bench'))).toContain('faces-clash');
});

test('4. plunger and rod: a brittle plunger is not pried, and sealant is torqued before it sets', () => {
  const sealant: Consumable = { id: 'sealant', name: 'thread sealant', openMinutes: 10 };
  const lines = [
    ...SAFE,
    'take off plunger bolt @each bore /socket, 8 mm',
    'draw plunger @each bore',
    'clean plunger bolt @each bore',
    'fit plunger @each bore >marked end to the bolt',
    'start by hand plunger bolt @each bore +thread sealant, first three threads ~4',
    'torque plunger bolt @each bore =106 lbf·in',
  ];
  const base = parts(typed(lines, pump([['bore', ['bore 1', 'bore 2']]], { consumables: [sealant] })), {
    plunger: { brittle: true },
  });
  const torque = at(base, 'torque', 'plunger bolt');
  const said = withStep(base, torque, (step) => ({
    torque: { ...step.torque!, source: 'sheet 2', thread: { is: 'with' as const, consumableId: 'sealant' } },
  }));
  expect(stops(said)).toEqual([]);
  expect(ids(said)).not.toContain('sets-first');
  expect(ids(withStep(said, torque - 1, { minutes: 25 }))).toContain('sets-first');
  expect(ids(withStep(said, at(said, 'draw', 'plunger'), { verb: 'pry' }))).toContain('brittle-pry');
});

test('5. crankcase: the shaft is meant to change sides, the rod caps are not meant to change rods', () => {
  const lines = [
    ...SAFE,
    'drain the crankcase oil',
    'mark rod cap @each rod',
    'take off rear cover',
    'take off rod cap @each rod',
    'turn the shaft until the next cap is within reach',
    'draw shaft',
    'fit shaft',
    'fit rod cap @each rod >marked side to the mark on the rod',
    'fit rear cover',
    'fill the crankcase oil',
    'restore the drive',
  ];
  const base = typed(
    lines,
    pump([
      ['rod', ['rod 1', 'rod 2', 'rod 3']],
      ['side', ['left', 'right']],
    ]),
  );
  const workbook = parts(base, { 'rod cap': { matched: true, keyed: true } });
  expect(stops(workbook)).toEqual([]);
  expect(
    ids(
      without(
        workbook,
        workbook.procedure.steps.findIndex(({ verb }) => verb === 'fill'),
      ),
    ),
  ).toContain('not-refilled');
  const wrongRod = withStep(workbook, at(workbook, 'fit', 'rod cap'), {
    positionIds: ['rod-2'],
    fromPositionId: 'rod-1',
  });
  expect(ids(wrongRod)).toContain('swapped');
  const moved = parts(workbook, { shaft: { positionSetId: 'side' } });
  const intended = withStep(moved, at(moved, 'fit', 'shaft'), { positionIds: ['right'], fromPositionId: 'left' });
  const meant = {
    ...intended,
    procedure: {
      ...intended.procedure,
      intends: [
        {
          kind: 'moves' as const,
          componentId: componentId(moved, 'shaft'),
          fromPositionId: 'left',
          toPositionId: 'right',
        },
      ],
    },
  };
  expect(ids(meant)).not.toContain('swapped');
});

test('6. spring-loaded housings are eased out, and let go is a stop', () => {
  const lines = [
    ...SAFE,
    'take off 2 short bolts',
    'ease 2 long bolts',
    'take off spring housing',
    'fit spring housing',
    'start by hand long bolts',
    'torque long bolts =12 N·m',
    'start by hand short bolts',
    'torque short bolts =12 N·m',
    'take off 2 long bolts',
  ];
  const base = typed(lines);
  const workbook = parts(base, { 'spring housing': { springLoaded: true, heldBy: [componentId(base, 'long bolt')] } });
  expect(ids(workbook)).not.toContain('spring-release');
  const letGo = without(workbook, at(workbook, 'ease', 'long bolt'));
  expect(check(letGo).find(({ id }) => id === 'spring-release')?.severity).toBe('stop');
});

test('7. packed piston: two stacks face opposite ways, both to the pressure; packing soaks; in the field there is no vice', () => {
  const lines = [
    ...SAFE,
    'take off upper nut',
    'draw upper packing',
    'draw lower packing',
    'measure piston /calliper',
    'renew upper packing, lower packing',
    'soak upper packing, lower packing ~12',
    'fit lower packing >lip to the pressure',
    'fit upper packing >lip to the pressure',
    'start by hand upper nut',
    'torque upper nut =90 N·m /vice',
  ];
  const lip: Faces = { end: 'lip', toward: { is: 'pressure' } };
  const packing: Partial<Component> = {
    renewal: 'always',
    keyed: true,
    faces: lip,
    soakMinutes: 10,
    material: 'leather',
  };
  const base = parts(typed(lines), { 'upper packing': packing, 'lower packing': packing });
  const upper = stackOf(base, 'upper stack', ['upper packing', 'upper nut'], { pressureAt: 'bottom' });
  const workbook = stackOf(upper, 'lower stack', ['lower packing'], { pressureAt: 'mouth' });
  expect(stops(workbook)).toEqual([]);
  const agree = (part: string, toward: string) => {
    const component = workbook.series.components.find(({ name }) => name === part)!;
    const said = { end: 'lip', toward: readDirection(toward, workbook.series) };
    return compareFacings(said, lip, component, placesInStacks(workbook.series, component.id));
  };
  // Into the bore is right for one and wrong for the other.
  expect([agree('upper packing', 'into the bore'), agree('lower packing', 'into the bore')]).toEqual([
    'same',
    'contrary',
  ]);
  expect(ids(withStep(workbook, at(workbook, 'soak', 'upper packing'), { minutes: 3 }))).toContain('soak-short');
  const measured = withStep(workbook, at(workbook, 'measure', 'piston'), {
    measurements: [{ id: 'd', what: 'diameter', points: ['top', 'middle', 'bottom'], directions: 2, follows: 'renew' }],
    looks: [
      {
        id: 'gap',
        at: 'the gap under a new ring slid along',
        sound: 'the same all along',
        faults: [{ id: 'wide', sign: 'wider in the middle', follows: 'renew' }],
      },
    ],
  });
  expect(stops(measured)).toEqual([]);
  const strap = {
    id: 'strap',
    name: 'strap',
    verb: 'torque' as const,
    toolIds: [],
    cautions: [],
    setting: 'field' as const,
  };
  const field = withStep(measured, at(measured, 'torque', 'upper nut'), {
    methods: [{ ...strap, detail: 'Hold the body in a strap wrench at your knee.' }],
  });
  const step = field.procedure.steps[at(field, 'torque', 'upper nut')]!;
  expect(stepIn(step, 'field').toolIds).toEqual([]);
  expect(stepIn(step, 'workshop').toolIds).toHaveLength(1);
});

test('8. intensifier: each step is done left, then right as in a mirror, in modules of their own', () => {
  const ends = pump([['end', ['left end', 'right end']]]);
  const down = typed(
    [...SAFE, 'draw cylinder @each end !!Heavy: plan the lift', 'take off check valve @each end'],
    ends,
  );
  const up = typed(['fit check valve @each end', 'fit cylinder @each end !!Heavy: plan the lift'], {
    ...down,
    procedure: { ...down.procedure, steps: [] },
  });
  const mirrored = withStep(up, 0, { oneByOne: true, mirrored: true, positionIds: ['left-end', 'right-end'] });
  const chained: Workbook = {
    ...parts(mirrored, { cylinder: { massKg: 60 } }),
    before: [{ ...down.procedure, id: 'down', handsOn: true }],
    procedure: { ...mirrored.procedure, id: 'up', takesOver: 'down' },
  };
  expect(stops(chained)).toEqual([]);
  expect(ids(chained)).not.toContain('heavy');
  const [fitting] = chained.procedure.steps;
  expect(stepPlaces(fitting!, chained)).toEqual(['left-end', 'right-end']);
  expect(sayStep(fitting!, chained.series)).toContain('the other side as a mirror image');
  // Without the module before there is nothing on the cloth to fit.
  const { before: _gone, ...alone } = chained;
  expect(ids(alone)).toContain('not-there');
});

test('9. an almost symmetrical block: the ends are told apart by trial fit, and it is held in soft jaws for the torque', () => {
  const lines = [
    ...SAFE,
    'take off fitting',
    'take off valve block',
    'fit valve block',
    'start by hand fitting',
    'torque fitting =30 N·m /soft jaws',
  ];
  const base = parts(typed(lines), { 'valve block': { keyed: true } });
  const jaws = base.series.tools.find(({ name }) => name === 'soft jaws')?.id ?? '';
  const told = withStep(base, at(base, 'fit', 'valve block'), {
    faces: { end: 'inlet', toward: { is: 'words', said: 'the pump' }, trialFit: 'the fitting enters this end only' },
    aidsIn: [jaws],
  });
  expect(ids(told)).toContain('aid-left-in');
  const done = withStep(told, at(told, 'torque', 'fitting'), { aidsOut: [jaws] });
  expect(stops(done)).toEqual([]);
  expect(ids(done)).not.toContain('faces-unsaid');
});

test('10. chemical injection: isolated at the master switch, bled on both sides, before anything is loosened', () => {
  const lines = [
    'isolate the master switch !!Stopping at the controller is not isolation',
    'bleed the discharge side ~5',
    'bleed the suction side ~5',
    'take off dosing head',
    'fit dosing head',
    'restore the master switch',
  ];
  const workbook = typed(lines);
  expect(stops(workbook)).toEqual([]);
  const steps = workbook.procedure.steps;
  const unbled = {
    ...workbook,
    procedure: { ...workbook.procedure, steps: steps.filter(({ verb }) => verb !== 'release-pressure') },
  };
  expect(ids(unbled)).toContain('pressure-kept');
  expect(ids(without(workbook, 0))).toContain('not-isolated');
});
