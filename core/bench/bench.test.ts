import type { Step, Workbook } from '../model/procedure';
import { componentId, typed, withComponent, withStep } from '../testing/workbook';
import { replay } from './replay';
import { leftOut, lyingFree, stateAfter } from './state';

/** The names of what lies free on the cloth after some steps. */
const free = (workbook: Workbook, after: number) => {
  const timeline = replay(workbook);
  return lyingFree(timeline, stateAfter(timeline, after)).map((unit) => nameOf(workbook, unit.componentId));
};
const nameOf = (workbook: Workbook, id: string) => workbook.series.components.find((c) => c.id === id)?.name;
const placeOf = (workbook: Workbook, name: string, after: number) => {
  const timeline = replay(workbook);
  const id = componentId(workbook, name);
  return [...stateAfter(timeline, after).places].find(([unit]) => unit.startsWith(`${id}/`))?.[1];
};
const notices = (workbook: Workbook) =>
  replay(workbook).frames.map(({ runs }) => runs.flatMap((run) => run.notices.map((notice) => notice.kind)));
const quiet = (workbook: Workbook) => ({ ...workbook, series: { ...workbook.series, unpressurised: true as const } });

describe('what sits in a housing goes where the housing goes', () => {
  const manifold = (lines: string[]) => withComponent(typed(lines), 'seal', (id) => ({ hostId: id('manifold') }));

  test('the seal comes along, lies in no cell of its own, and is home with the manifold', () => {
    const workbook = manifold(['take off manifold', 'inspect seal', 'fit manifold']);
    expect(placeOf(workbook, 'seal', 1)).toBe('cloth');
    expect(free(workbook, 1)).toEqual(['manifold']);
    expect(replay(workbook).cells).toHaveLength(1);
    expect(placeOf(workbook, 'seal', 3)).toBe('pump');
  });

  test('drawn on the bench it lies free, and put back into the manifold it sits there again', () => {
    const workbook = manifold(['take off manifold', 'draw seal', 'fit seal', 'fit manifold']);
    expect(free(workbook, 2)).toEqual(['manifold', 'seal']);
    expect(free(workbook, 3)).toEqual(['manifold']);
    expect(free(workbook, 4)).toEqual([]);
    expect(notices(quiet(workbook)).flat()).not.toContain('buried');
  });

  test('the manifold put back first closes over the seal', () => {
    const workbook = manifold(['take off manifold', 'draw seal', 'fit manifold', 'fit seal']);
    expect(notices(workbook)[2]).toContain('buried');
  });

  test('opening lays out all that sits in it, and joining up puts it back, the last out first', () => {
    const base = typed(['take off valve', 'take off spring', 'take off seat', 'split valve', 'join valve']);
    const lines = base.procedure.steps;
    const whole = ['spring', 'seat'].reduce(
      (w, name) => withComponent(w, name, (id) => ({ hostId: id('valve') })),
      base,
    );
    const workbook = {
      ...whole,
      procedure: { ...whole.procedure, steps: [lines[0], lines[3], lines[4]].flatMap((step) => step ?? []) },
    };
    expect(free(workbook, 2)).toEqual(['valve', 'spring', 'seat']);
    expect(free(workbook, 3)).toEqual(['valve']);
    const apart = {
      ...whole,
      procedure: { ...whole.procedure, steps: [lines[0], lines[1], lines[2], lines[4]] as Step[] },
    };
    expect(notices(apart).flat()).not.toContain('buried');
  });

  test('a housing renewed whole brings what sits in it, unless a step handles that on its own', () => {
    const whole = manifold(['take off manifold', 'renew manifold', 'fit manifold', 'inspect seal']);
    const timeline = replay(whole);
    expect(stateAfter(timeline, 4).places.get(`${componentId(whole, 'seal')}//1/new`)).toBe('pump');
    expect(leftOut(timeline)).toEqual([]);
    const kept = manifold(['take off manifold', 'renew manifold', 'fit seal', 'fit manifold']);
    expect(stateAfter(replay(kept), 4).places.get(`${componentId(kept, 'seal')}//1/old`)).toBe('pump');
    expect(free(kept, 2)).toEqual(['seal']);
  });

  test('parts that would sit in one another sit in nothing', () => {
    const loop = withComponent(
      withComponent(typed(['take off cage', 'take off seat']), 'cage', (id) => ({ hostId: id('seat') })),
      'seat',
      (id) => ({ hostId: id('cage') }),
    );
    expect(replay(loop).structure.hostOf.size).toBe(0);
  });
});

describe('fasteners', () => {
  const state = (workbook: Workbook, after: number) => [
    ...new Set(stateAfter(replay(workbook), after).threadsOf(componentId(workbook, 'bolt'))),
  ];
  test('are loose, out, in by hand, torqued', () => {
    const workbook = typed(['loosen 4 bolts', 'take off bolts', 'start by hand bolts', 'torque bolts =9 N·m']);
    expect([1, 3, 4].map((n) => state(workbook, n))).toEqual([['loose'], ['by-hand'], ['torqued']]);
  });
  test('are known one by one: six of eight torqued leave two', () => {
    const workbook = typed(['take off 8 bolts', 'start by hand bolts', 'torque 6 bolts =9 N·m']);
    expect(stateAfter(replay(workbook), 3).threadsOf(componentId(workbook, 'bolt')).sort()).toEqual([
      'by-hand',
      'by-hand',
      ...Array.from({ length: 6 }, () => 'torqued'),
    ]);
    const rest = typed(['torque 2 bolts =9 N·m'], workbook);
    expect(state(rest, 4)).toEqual(['torqued']);
  });
  test('all of a group taken out in two goes are out', () => {
    expect(free(typed(['take off 2 bolts', 'take off 2 bolts']), 2)).toHaveLength(2);
  });
  test('are torqued only where they are', () => {
    const workbook = typed(['take off 4 bolts', 'torque bolts =9 N·m']);
    expect(notices(quiet(workbook))[1]).toEqual(['not-there']);
  });
  test('of one end do not hold the other end', () => {
    const workbook = withComponent(
      typed(['loosen 4 nuts @shaft 1', 'take off flange @each shaft']),
      'flange',
      (id) => ({ heldBy: [id('nut')] }),
    );
    expect(notices(workbook)[1]).toContain('still-tight');
    expect(notices(typed(['take off flange @shaft 1'], undefined)).flat()).not.toContain('still-tight');
  });
});

describe('make safe', () => {
  test('only the first opening is judged, and a series without pressure needs no release', () => {
    const workbook = typed(['loosen 4 bolts', 'take off cover']);
    expect(notices(workbook)).toEqual([['not-isolated', 'pressure-kept'], []]);
    expect(notices(quiet(workbook))).toEqual([['not-isolated'], []]);
    expect(notices(typed(['lock out the drive', 'bleed the casing', 'loosen 4 bolts'])).flat()).toEqual([]);
  });
  test('a filling fills what shares a word with it', () => {
    const workbook = typed(['drain the gear oil', 'drain the coolant', 'fill gear oil']);
    expect(stateAfter(replay(workbook), 3).drained.map((step) => step.about)).toEqual(['the coolant']);
    expect(stateAfter(replay(typed(['drain the gear oil', 'fill'])), 2).drained).toEqual([]);
  });
});

test('springs are tamed before they are let go', () => {
  const spring = (lines: string[]) => withComponent(quiet(typed(lines)), 'housing', { springLoaded: true });
  expect(notices(spring(['take off housing']))[0]).toContain('spring-release');
  expect(notices(spring(['compress housing', 'take off housing']))[1]).not.toContain('spring-release');
});

test('aids hold from the step that puts them in to the one that takes them out', () => {
  const base = typed(['fit cover /guide pins', 'start by hand 6 bolts', 'torque bolts =9 N·m']);
  const pins = base.series.tools[0]!.id;
  const workbook = withStep(withStep(base, 0, { aidsIn: [pins] }), 1, { aidsOut: [pins] });
  const timeline = replay(workbook);
  expect([0, 1, 2].map((n) => stateAfter(timeline, n).aids.length)).toEqual([0, 1, 0]);
  expect(notices(withStep(base, 1, { aidsOut: [pins] }))[1]).toContain('aid-not-in');
});

test('the shaft is where it was last turned to, and a housing lies as the step says', () => {
  const base = typed(['turn the shaft to top dead centre', 'take off manifold']);
  const workbook = withStep(base, 1, (_step, id) => ({ pose: { componentId: id('manifold'), lies: 'face-down' } }));
  const end = stateAfter(replay(workbook), 2);
  expect(end.shaft).toBe('the shaft to top dead centre');
  expect([...end.poses.values()]).toEqual(['face-down']);
});

describe('modules hand the bench on', () => {
  const down = typed(['isolate the drive', 'take off cover', 'draw rotor @each shaft']);
  const up = typed(['fit rotor', 'fit cover', 'restore the drive'], {
    ...down,
    procedure: { ...down.procedure, steps: [] },
  });
  const second = { ...up, procedure: { ...up.procedure, id: 'up', takesOver: 'procedure' }, before: [down.procedure] };

  test('the second starts where the first ends, cells and all', () => {
    const timeline = replay(second);
    expect(lyingFree(timeline, stateAfter(timeline, 0))).toHaveLength(3);
    expect(timeline.cells.map((cell) => cell.number)).toEqual([1, 2]);
    expect(leftOut(timeline)).toEqual([]);
    expect(stateAfter(timeline, timeline.frames.length).isolatedBy).toEqual([]);
  });
  test('without the first it would act on nothing', () => {
    expect(notices({ series: second.series, procedure: second.procedure }).flat()).toContain('not-there');
  });
});
