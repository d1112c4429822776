import { applyEdits } from '../../edits/edit';
import type { Workbook } from '../../model/procedure';
import { branching, found, mended, SAFE, sentences } from '../../testing/findings';
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
    expect(sentences(workbook, 'left-on-cloth')).toEqual([
      'The manifold stays on the cloth: step 1 takes it off and nothing puts it back.',
    ]);
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
    expect(sentences(workbook, 'left-on-cloth')).toEqual(['The cover stays on the cloth.']);
    expect(found(mended(workbook, 'left-on-cloth'), 'left-on-cloth')).toEqual([]);
  });
});

describe('left-in-tray', () => {
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
    expect(sentences(forgotten, 'left-in-tray')).toEqual(['New valve stays in the kit tray: nothing fits it.']);
  });
});

describe('loose-at-end', () => {
  test.each([
    [['take off 8 nuts', 'start by hand nuts', 'torque nuts =9 N·m'], []],
    [['loosen 8 nuts'], ['The nuts are left loose: nothing torques them after step 1.']],
    [['loosen 1 nut'], ['The nut is left loose: nothing torques it after step 1.']],
    [['take off 8 nuts'], []],
    [
      ['loosen 2 nuts @each shaft', 'torque nuts @shaft 1 =9 N·m'],
      ['The nuts are left loose: nothing torques them after step 1.'],
    ],
  ])('%j', (lines, wanted) => {
    expect(sentences(typed(lines), 'loose-at-end')).toEqual(wanted);
  });
  test('on one answer only', () => {
    const workbook = branching(['inspect ball', 'loosen 4 bolts', 'inspect ball'], [1]);
    expect(sentences(workbook, 'loose-at-end')).toEqual([
      'The bolts are left loose when "no": nothing torques them after step 2.',
    ]);
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
    expect(sentences(workbook, 'not-refilled')).toEqual(['Step 1, "Drain the gear oil": nothing fills it again.']);
  });
  test('of several locks the last one decides', () => {
    const workbook = typed(['isolate the drive', 'restore the drive', 'lock out the valve']);
    expect(sentences(workbook, 'not-restored')).toEqual(['Step 3, "Lock out the valve": nothing restores it.']);
    expect(found(typed(['isolate the drive', 'lock out the valve', 'restore both']), 'not-restored')).toEqual([]);
  });
  test('a module hands its lock on, and the next one must take it off', () => {
    const down = typed(SAFE);
    const next: Workbook = {
      series: down.series,
      procedure: { ...typed(['test the pump']).procedure, id: 'next' },
      before: [down.procedure],
    };
    expect(found(handingOn(down), 'not-restored')).toEqual([]);
    expect(sentences(next, 'not-restored')).toEqual(['An earlier module isolates the pump and nothing restores it.']);
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
    expect(sentences(forgotten, 'change-missed')).toEqual(['The throat bush is meant to join the pump and not in it.']);
  });
  test('a part that leaves may stay on the cloth', () => {
    const workbook = meaning(typed(['take off old bracket']), 'old bracket', 'leaves');
    expect(found(workbook, 'change-missed')).toEqual([]);
    expect(found(workbook, 'left-on-cloth')).toEqual([]);
  });
});

test('empty: a procedure without steps cannot be carried out, and its first step mends it', () => {
  const nothing = typed([]);
  expect(sentences(nothing, 'empty')).toEqual(['The procedure has no steps.']);
  expect(found(nothing, 'empty')[0]?.severity).toBe('stop');
  expect(found(typed(['take off cover'], nothing), 'empty')).toEqual([]);
});

describe('unconfirmed', () => {
  const drafted = (...indexes: number[]) =>
    indexes.reduce<Workbook>(
      (workbook, index) => withStep(workbook, index, { drafted: true }),
      typed(['take off cover', 'fit cover']),
    );
  test('drafted steps are counted, and told once', () => {
    expect(sentences(drafted(1), 'unconfirmed')).toEqual(['One drafted step is not confirmed.']);
    expect(sentences(drafted(0, 1), 'unconfirmed')).toEqual(['2 drafted steps are not confirmed.']);
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
