import { changeStep } from '../edits/steps';
import type { Workbook } from '../model/procedure';
import { componentId, typed, withComponent, withStep } from '../testing/workbook';
import { structureOf } from './structure';

const of = (workbook: Workbook, previous?: ReturnType<typeof structureOf>) =>
  structureOf(workbook.series, [workbook.procedure], previous);
const fresh = (workbook: Workbook) =>
  [...of(workbook).units.values()].filter((unit) => unit.generation === 'new').map((unit) => unit.positionId);

describe('the kit tray holds', () => {
  test('one new piece for each that a renewal asks for, at the positions it names', () => {
    expect(fresh(typed(['draw seal @each shaft', 'renew seal @shaft 2']))).toEqual(['s2']);
    expect(fresh(typed(['draw seal @each shaft', 'renew seal']))).toEqual(['s1', 's2']);
  });
  test('as many as are renewed, though several steps ask for them', () => {
    expect(fresh(typed(['take off 4 bolts', 'renew 2 bolts', 'renew 2 bolts']))).toHaveLength(4);
    expect(fresh(typed(['take off 4 bolts', 'renew bolts', 'renew bolts']))).toHaveLength(4);
  });
  test('what sits in a part renewed whole, all the way down, but not what is handled by itself', () => {
    const base = typed(['take off valve', 'renew valve', 'inspect cage', 'inspect spring']);
    const nested = withComponent(
      withComponent(base, 'cage', (id) => ({ hostId: id('valve') })),
      'spring',
      (id) => ({ hostId: id('cage') }),
    );
    expect(of(nested).comesWith.size).toBe(2);
    const handled = typed(['draw spring'], nested);
    expect([...of(handled).comesWith]).toEqual([`${componentId(handled, 'cage')}//1`]);
  });
  test('a part that is meant to join the pump', () => {
    const base = typed(['fit throat bush']);
    const componentIdOfBush = componentId(base, 'throat bush');
    const joining: Workbook = {
      ...base,
      procedure: { ...base.procedure, intends: [{ kind: 'joins', componentId: componentIdOfBush }] },
    };
    expect([...of(joining).units.keys()]).toEqual([`${componentIdOfBush}//1/new`]);
  });
});

test('each piece sits in the piece of its host at the same position', () => {
  const workbook = withComponent(typed(['draw head @each shaft', 'draw spring @each shaft']), 'spring', (id) => ({
    hostId: id('head'),
  }));
  const { hostOf } = of(workbook);
  expect([...hostOf].map(([inner, outer]) => [inner.split('/')[1], outer.split('/')[1]])).toEqual([
    ['s1', 's1'],
    ['s2', 's2'],
  ]);
});

describe('a structure is kept as long as nothing it depends on changes', () => {
  const base = typed(['take off cover', 'take off seal', 'renew seal', 'fit seal', 'fit cover']);
  const before = of(base);
  const edited = (change: Parameters<typeof changeStep>[2], index: number): Workbook => ({
    ...base,
    procedure: changeStep(base.procedure, base.procedure.steps[index]!.id, change),
  });
  test('words, tools and order are nothing to it', () => {
    expect(of(edited({ why: 'It leaks otherwise' }, 2), before)).toBe(before);
    expect(of(edited({ verb: 'pry' }, 0), before)).toBe(before);
  });
  test('another renewal, another part or another host is', () => {
    expect(of(edited({ verb: 'inspect' }, 2), before)).not.toBe(before);
    expect(of(withComponent(base, 'seal', { count: 2 }), before)).not.toBe(before);
    expect(of(withStep(base, 2, { targets: [] }), before)).not.toBe(before);
  });
});
