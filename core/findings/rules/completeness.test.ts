import { applyEdits } from '../../edits/edit';
import type { Workbook } from '../../model/procedure';
import { at, branching, found, mended, SAFE } from '../../testing/findings';
import { componentId, typed, withComponent, withStep } from '../../testing/workbook';

const handingOn = (workbook: Workbook): Workbook => ({
  ...workbook,
  procedure: { ...workbook.procedure, handsOn: true },
});

describe('left-on-cloth', () => {
  test('names the pieces, by position where only some are meant', () => {
    const [finding] = found(typed(['draw rotor @each shaft', 'fit rotor @shaft 1']), 'left-on-cloth');
    expect(finding?.unitIds).toEqual([expect.stringContaining('/s2/1/old')]);
  });
  test('what sits in a part that lies on the cloth is not told by itself', () => {
    const workbook = withComponent(typed(['take off manifold', 'inspect seal']), 'seal', (id) => ({
      hostId: id('manifold'),
    }));
    expect(at(workbook, 'left-on-cloth')).toEqual([1]);
  });
  test('a module that hands the bench on leaves what it likes', () => {
    expect(found(handingOn(typed(['take off cover'])), 'left-on-cloth')).toEqual([]);
  });
  test('what an earlier module took off is told without a step, and can still be put back', () => {
    const down = typed([...SAFE, 'take off cover']);
    const workbook: Workbook = {
      series: down.series,
      procedure: { ...down.procedure, id: 'up', steps: [] },
      before: [down.procedure],
    };
    expect(at(workbook, 'left-on-cloth')).toEqual([0]);
    expect(found(mended(workbook, 'left-on-cloth'), 'left-on-cloth')).toEqual([]);
  });
});

describe('left-in-tray', () => {
  test.each(['left-in-tray', 'left-on-cloth'] as const)('two of four renewed: the fix of %s puts all back', (id) => {
    const after = mended(typed(['take off 4 bolts', 'renew 2 bolts']), id);
    expect(found(after, 'left-in-tray')).toEqual([]);
    expect(found(after, 'left-on-cloth')).toEqual([]);
  });
  test('a new part that an answer leaves in its bag is no part forgotten', () => {
    const workbook = branching(['inspect ball', 'take off seat', 'renew seat', 'fit seat'], [2]);
    expect(found(workbook, 'left-in-tray')).toEqual([]);
    expect(found(workbook, 'left-on-cloth')).toEqual([]);
  });
  test('a housing renewed whole is fitted with all it brings', () => {
    const whole = withComponent(
      typed(['take off valve', 'renew valve', 'fit valve', 'inspect spring']),
      'spring',
      (id) => ({
        hostId: id('valve'),
      }),
    );
    expect(found(whole, 'left-in-tray')).toEqual([]);
    const forgotten = { ...whole, procedure: { ...whole.procedure, steps: whole.procedure.steps.slice(0, 2) } };
    expect(at(forgotten, 'left-in-tray')).toEqual([2]);
  });
});

describe('loose-at-end', () => {
  test.each([
    [['take off 8 nuts', 'start by hand nuts', 'torque nuts =9 N·m'], []],
    [['loosen 8 nuts'], [1]],
    [['loosen 1 nut'], [1]],
    [['take off 8 nuts'], []],
    [['loosen 2 nuts @each shaft', 'torque nuts @shaft 1 =9 N·m'], [1]],
  ])('%j', (lines, wanted) => {
    expect(at(typed(lines), 'loose-at-end')).toEqual(wanted);
  });
  test('on one answer only', () => {
    const workbook = branching(['inspect ball', 'loosen 4 bolts', 'inspect ball'], [1]);
    expect(at(workbook, 'loose-at-end')).toEqual([2]);
  });
  test('a figure given before goes into the fix', () => {
    const workbook = typed(['torque 4 bolts =9 N·m', 'loosen bolts']);
    const after = mended(workbook, 'loose-at-end');
    expect(after.procedure.steps.at(-1)).toMatchObject({ verb: 'torque', torque: { figure: { value: 9 } } });
  });
});

describe('aids, fluids and locks', () => {
  const pinned = (lines: string[]) => withStep(typed(lines), 0, (step) => ({ aidsIn: step.toolIds }));
  test('guide pins taken out again are silent', () => {
    const workbook = pinned(['fit cover /guide pins', 'start by hand 6 bolts']);
    expect(found(workbook, 'aid-left-in')).toHaveLength(1);
    const out = withStep(workbook, 1, { aidsOut: workbook.procedure.steps[0]!.toolIds });
    expect(found(out, 'aid-left-in')).toEqual([]);
    expect(found(mended(workbook, 'aid-left-in'), 'aid-left-in')).toEqual([]);
  });
  test('each oil is filled by name', () => {
    const workbook = typed(['drain the gear oil', 'drain the crankcase oil', 'fill the crankcase']);
    expect(at(workbook, 'not-refilled')).toEqual([1]);
  });
  test('each lock is its own', () => {
    const workbook = typed(['isolate the drive', 'restore the drive', 'lock out the valve']);
    expect(at(workbook, 'not-restored')).toEqual([3]);
    expect(found(typed(['isolate the drive', 'lock out the valve', 'restore both']), 'not-restored')).toEqual([]);
    const two = ['lock out the main switch', 'lock out the mixer motor', 'restore the main switch'];
    expect(at(typed(two), 'not-restored')).toEqual([2]);
    // Isolating a drive and locking it out is one thing, and is undone as one.
    const switched = ['isolate the drive', 'lock out the main switch', 'restore the drive'];
    expect(found(typed(switched), 'not-restored')).toEqual([]);
  });
  test('a module hands its lock on, and the next one must take it off', () => {
    const down = typed(SAFE);
    const next: Workbook = {
      series: down.series,
      procedure: { ...typed(['test the pump']).procedure, id: 'next', steps: [] },
      before: [down.procedure],
    };
    expect(found(handingOn(down), 'not-restored')).toEqual([]);
    expect(at(next, 'not-restored')).toEqual([0]);
    expect(found(mended(next, 'not-restored'), 'not-restored')).toEqual([]);
  });
});

describe('change-missed', () => {
  const meaning = (workbook: Workbook, name: string, kind: 'leaves' | 'joins'): Workbook =>
    applyEdits(workbook, [
      { kind: 'change-procedure', fields: { intends: [{ kind, componentId: componentId(workbook, name) }] } },
    ]);
  test('a part that joins is in the pump at the end, and was not at the start', () => {
    const fitted = meaning(typed(['fit throat bush']), 'throat bush', 'joins');
    expect(found(fitted, 'change-missed')).toEqual([]);
    expect(found(fitted, 'not-there')).toEqual([]);
    const forgotten = meaning(typed(['inspect throat bush']), 'throat bush', 'joins');
    expect(at(forgotten, 'change-missed')).toEqual([0]);
  });
  test('a part that leaves may stay on the cloth', () => {
    const workbook = meaning(typed(['take off stay bracket']), 'stay bracket', 'leaves');
    expect(found(workbook, 'change-missed')).toEqual([]);
    expect(found(workbook, 'left-on-cloth')).toEqual([]);
  });
});

test('empty: a procedure without steps cannot be carried out, and its first step mends it', () => {
  const nothing = typed([]);
  expect(at(nothing, 'empty')).toEqual([0]);
  expect(found(nothing, 'empty')[0]?.severity).toBe('stop');
  expect(found(typed(['take off cover'], nothing), 'empty')).toEqual([]);
});

describe('unconfirmed', () => {
  const drafted = (...indexes: number[]) =>
    indexes.reduce<Workbook>(
      (workbook, index) => withStep(workbook, index, { drafted: ['verb'] }),
      typed(['take off cover', 'fit cover']),
    );
  test('drafted steps are counted, and told once', () => {
    expect(found(drafted(1), 'unconfirmed')).toMatchObject([{ facts: { count: 1 } }]);
    expect(found(drafted(0, 1), 'unconfirmed')).toMatchObject([{ facts: { count: 2 } }]);
    expect(found(drafted(), 'unconfirmed')).toEqual([]);
  });
  test('a single field that nobody looked at is enough; confirming all takes the marks away', () => {
    const one = withStep(drafted(), 1, { drafted: ['faces'] });
    expect(found(one, 'unconfirmed')).toHaveLength(1);
    const after = mended(one, 'unconfirmed');
    expect(found(after, 'unconfirmed')).toEqual([]);
    expect(after.procedure.steps.every((step) => step.drafted === undefined)).toBe(true);
  });
});

describe('isolations and lines, each by itself', () => {
  const SHUT = ['isolate the drive', 'close the suction valve', 'close the discharge valve', 'release the pressure'];
  const left = (...tail: string[]) => {
    const workbook = typed([...SHUT, 'take off gasket', 'fit gasket', ...tail]);
    return found(workbook, 'not-restored').map(({ facts }) => facts);
  };
  test('opening one valve opens neither the other nor the switch', () => {
    expect(left('open the suction valve', 'open the discharge valve', 'restore the drive')).toEqual([]);
    expect(left('open the suction valve', 'open the discharge valve')).toEqual([{ about: 'the drive' }]);
    expect(left('open the discharge valve', 'restore the drive')).toEqual([{ about: 'the suction valve' }]);
  });
  test('air that is shut off and vented is without pressure, and is given back by opening it', () => {
    const workbook = typed(['shut off the air and vent it', 'take off gasket', 'fit gasket', 'open the air']);
    expect(found(workbook, 'pressure-kept')).toEqual([]);
    expect(found(workbook, 'not-restored')).toEqual([]);
  });
  test('the discharge side let off lets off the suction side, not the other way about', () => {
    const bled = (line: string) =>
      found(typed([...SHUT.slice(0, 3), `bleed the ${line} line`, 'take off gasket']), 'pressure-kept').length;
    expect([bled('discharge'), bled('suction')]).toEqual([0, 1]);
  });
});
