import { PLANNED_LIFT_KG } from '../../model/limits';
import type { Workbook } from '../../model/procedure';
import { at, found, mended, SAFE } from '../../testing/findings';
import { componentId, typed, withComponent, withStep } from '../../testing/workbook';

describe('make safe', () => {
  test('looking and measuring open nothing', () => {
    const workbook = typed(['inspect cover', 'measure rotor', 'clean cover', 'torque 4 bolts =9 N·m']);
    expect(found(workbook, 'not-isolated')).toEqual([]);
    expect(found(workbook, 'pressure-kept')).toEqual([]);
  });
  test('opening an assembly on the bench counts as opening', () => {
    expect(found(typed(['split valve']), 'not-isolated')).toHaveLength(1);
  });
  test('the release comes after the isolation, before the opening', () => {
    const after = mended(typed(['isolate the drive', 'loosen 8 nuts']), 'pressure-kept');
    expect(after.procedure.steps.map((step) => step.verb)).toEqual(['isolate', 'release-pressure', 'loosen']);
    expect(after.procedure.steps[1]?.cautions[0]?.signal).toBe('DANGER');
  });
  test('isolated and bled, nothing is said', () => {
    const workbook = typed([...SAFE, 'loosen 8 nuts']);
    expect(found(workbook, 'not-isolated').concat(found(workbook, 'pressure-kept'))).toEqual([]);
  });
});

describe('spring-release', () => {
  const sprung = (lines: string[]) => withComponent(typed(lines), 'bonnet', { springLoaded: true });
  test.each([
    [['take off bonnet'], 1],
    [['compress bonnet', 'take off bonnet'], 0],
    [['ease bonnet', 'take off bonnet'], 0],
    [['inspect bonnet'], 0],
  ])('%j', (lines, times) => {
    expect(found(sprung(lines), 'spring-release')).toHaveLength(times);
  });
  test('easing out the bolts that hold it is easing it out', () => {
    const workbook = withComponent(sprung(['ease 2 bolts', 'take off bonnet']), 'bonnet', (id) => ({
      heldBy: [id('bolt')],
    }));
    expect(found(workbook, 'spring-release')).toEqual([]);
  });
});

describe('heavy', () => {
  const weighing = (kg: number, lines = ['draw stator']) => withComponent(typed(lines), 'stator', { massKg: kg });
  test('from the guideline of the common handling filter up', () => {
    expect(found(weighing(PLANNED_LIFT_KG - 0.5), 'heavy')).toEqual([]);
    expect(found(weighing(PLANNED_LIFT_KG), 'heavy')).toHaveLength(1);
  });
  test('what sits in it weighs with it', () => {
    const loaded = withComponent(weighing(10, ['draw stator', 'inspect rotor']), 'rotor', (id) => ({
      hostId: id('stator'),
      massKg: 9,
    }));
    expect(at(loaded, 'heavy')).toEqual([1]);
  });
  test.each(['/hoist', '/lifting sling, 1 m', '!Two people'])('a word about the lift is enough: %s', (word) => {
    expect(found(weighing(40, [`draw stator ${word}`]), 'heavy')).toEqual([]);
  });
  test('the fix says the usual caution', () => {
    const after = mended(weighing(40), 'heavy');
    expect(after.procedure.steps[0]?.cautions).toEqual([{ signal: 'WARNING', usual: 'heavy' }]);
    expect(found(after, 'heavy')).toEqual([]);
  });
});

describe('brittle-pry', () => {
  const ceramic = (verb: string) => withComponent(typed([`${verb} plunger`]), 'plunger', { brittle: true });
  test('drawing it is fine, prying is not; the fix draws it', () => {
    expect(found(ceramic('draw'), 'brittle-pry')).toEqual([]);
    expect(mended(ceramic('pry'), 'brittle-pry').procedure.steps[0]?.verb).toBe('draw');
  });
  test('prying as another method is told and taken out', () => {
    const method = { id: 'm', name: 'pry it', verb: 'pry' as const, toolIds: [], cautions: [] };
    const workbook = withStep(ceramic('draw'), 0, { methods: [method] });
    expect(found(workbook, 'brittle-pry')).toHaveLength(1);
    expect(mended(workbook, 'brittle-pry').procedure.steps[0]).not.toHaveProperty('methods');
  });
});

describe('renewal', () => {
  const always = (lines: string[]) => withComponent(typed(lines), 'seal', { renewal: 'always' });
  test('a new one is not reused, an old one is', () => {
    expect(found(always(['take off seal', 'renew seal', 'fit seal']), 'reused')).toEqual([]);
    expect(found(always(['take off seal', 'fit seal']), 'reused')[0]?.severity).toBe('warn');
  });
  test('the fix renews it before it goes in', () => {
    const after = mended(always(['take off seal', 'fit seal']), 'reused');
    expect(after.procedure.steps.map((step) => step.verb)).toEqual(['take-off', 'renew', 'fit']);
    expect(found(after, 'reused')).toEqual([]);
  });

  const kits = (workbook: Workbook, contents: [string, number][], count: number): Workbook => ({
    series: {
      ...workbook.series,
      kits: [
        {
          id: 'kit',
          name: 'valve kit',
          contents: contents.map(([name, pieces]) => ({ componentId: componentId(workbook, name), count: pieces })),
        },
      ],
    },
    procedure: { ...workbook.procedure, kits: [{ kitId: 'kit', count }] },
  });
  const three = typed(['take off 3 valves', 'renew valves', 'fit valves']);
  test('a kit for two sets does not serve three; two kits do, and a third would be too many', () => {
    expect(at(kits(three, [['valve', 2]], 1), 'kit-short')).toEqual([0]);
    expect(found(kits(three, [['valve', 2]], 2), 'kit-short')).toEqual([]);
    expect(found(kits(three, [['valve', 2]], 2), 'kit-unused')).toEqual([]);
    expect(at(kits(three, [['valve', 2]], 3), 'kit-unused')).toEqual([0]);
    expect(mended(kits(three, [['valve', 2]], 1), 'kit-short').procedure.kits).toEqual([{ kitId: 'kit', count: 2 }]);
  });
  test('without kits nothing is said about them', () => {
    expect(found(three, 'not-in-kit').concat(found(three, 'kit-short'), found(three, 'kit-unused'))).toEqual([]);
  });
  test('a kit of which nothing is renewed is taken out', () => {
    const idle = kits(typed(['inspect 3 valves']), [['valve', 2]], 1);
    expect(at(idle, 'kit-unused')).toEqual([0]);
    expect(mended(idle, 'kit-unused').procedure.kits).toEqual([]);
  });
});

describe('tightening', () => {
  test.each([
    ['Tighten to 45 N·m crosswise', 0],
    ['torque to 33 lbf·ft', 0],
    ['Torque to 33 ft-lb', 0],
    ['Tighten to 12,5 Nm.', 0],
    ['Tighten to 218 pounds', 1],
    ['torque at 45, then check', 1],
    ['Tighten the two bolts to the stop', 0],
    ['Turn on to the next slot', 0],
  ])('no-unit: %s', (detail, times) => {
    expect(found(withStep(typed(['fit 4 bolts']), 0, { detail }), 'no-unit')).toHaveLength(times);
  });
  test('no-figure takes the figure from another step for the same fasteners', () => {
    const workbook = typed(['torque 4 bolts =9 N·m', 'loosen bolts', 'torque bolts']);
    expect(mended(workbook, 'no-figure').procedure.steps[2]?.torque?.figure).toEqual({ value: 9, unit: 'N·m' });
    expect(() => mended(typed(['torque 4 bolts']), 'no-figure')).toThrow();
  });
  test.each([
    ['take off 4 bolts /impact driver', 0],
    ['start by hand 4 bolts /impact driver', 1],
    ['torque 4 bolts =9 N·m /cordless ratchet', 1],
    ['torque 4 bolts =9 N·m /torque wrench', 0],
  ])('power-tightens: %s', (line, times) => {
    expect(found(typed([line]), 'power-tightens')).toHaveLength(times);
  });
  test.each([
    ['loosen 4 bolts /torque wrench, 10-60 N·m', 1],
    ['loosen 4 bolts /socket', 0],
    ['torque 4 bolts =9 N·m /torque wrench', 0],
  ])('wrench-loosens: %s', (line, times) => {
    expect(found(typed([line]), 'wrench-loosens')).toHaveLength(times);
  });
  test('the fix leaves the other tools in the hand', () => {
    const after = mended(typed(['loosen 4 bolts /torque wrench /socket, 13 mm']), 'wrench-loosens');
    const left = after.procedure.steps[0]?.toolIds.map((id) => after.series.tools.find((tool) => tool.id === id)?.name);
    expect(left).toEqual(['socket']);
  });
});
