import type { Step, Workbook } from '../../model/procedure';
import type { Consumable } from '../../model/series';
import { at, found, mended, SAFE } from '../../testing/findings';
import { componentId, typed, withComponent, withStep } from '../../testing/workbook';

const SILICONE: Consumable = { id: 'silicone', name: 'silicone grease', kind: 'grease', base: 'silicone' };
const MINERAL: Consumable = { id: 'mineral', name: 'bearing grease', kind: 'grease', base: 'mineral' };
const LOCKER: Consumable = { id: 'locker', name: 'thread-locker', openMinutes: 10 };
const PASTE: Consumable = { id: 'paste', name: 'anti-seize paste' };

const stocked = (workbook: Workbook): Workbook => ({
  ...workbook,
  series: { ...workbook.series, consumables: [SILICONE, MINERAL, LOCKER, PASTE] },
});
const put = (consumableId: string) => ({ applications: [{ consumableId }] });
const stepAt = (workbook: Workbook, index: number): Step => workbook.procedure.steps[index] as Step;

describe('what a grease does to a seal', () => {
  const greased = (consumableId: string, material: 'EPDM' | 'VMQ' | 'NBR') =>
    withStep(
      withComponent(stocked(typed(['take off seal ring', 'fit seal ring'])), 'seal ring', { material }),
      1,
      put(consumableId),
    );

  test('mineral grease on EPDM stops the release, and a grease that does no harm is proposed', () => {
    const workbook = greased('mineral', 'EPDM');
    expect(found(workbook, 'swells')).toMatchObject([{ severity: 'stop', facts: { material: 'EPDM', rating: 4 } }]);
    expect(at(workbook, 'swells')).toEqual([2]);
    const after = mended(workbook, 'swells');
    expect(stepAt(after, 1).applications).toEqual([{ consumableId: 'silicone' }]);
    expect(found(after, 'swells')).toEqual([]);
  });

  test('silicone on silicone is a warning; either on NBR is nothing', () => {
    expect(found(greased('silicone', 'VMQ'), 'swells')).toMatchObject([{ severity: 'warn' }]);
    expect(found(greased('mineral', 'NBR'), 'swells')).toEqual([]);
    expect(found(greased('silicone', 'NBR'), 'swells')).toEqual([]);
  });

  test('a seal of which nobody said what it is made of is not judged', () => {
    expect(found(withStep(stocked(typed(['take off ring', 'fit ring'])), 1, put('mineral')), 'swells')).toEqual([]);
  });
});

describe('a seal fitted dry', () => {
  const lines = ['take off lip seal', 'renew lip seal', 'fit lip seal'];
  test('is advice, and a warning where the series wants something on it', () => {
    expect(found(stocked(typed(lines)), 'dry-seal')).toMatchObject([{ severity: 'advise' }]);
    const wanting = withComponent(stocked(typed(lines)), 'lip seal', {
      wants: [{ consumableId: 'silicone', where: 'lip' }],
    });
    expect(at(wanting, 'dry-seal')).toEqual([3]);
    const after = mended(wanting, 'dry-seal');
    expect(stepAt(after, 2).applications).toEqual([{ consumableId: 'silicone', where: 'lip' }]);
    expect(found(after, 'dry-seal')).toEqual([]);
  });

  test('counts as greased when it was greased before, or is greased in its place after', () => {
    const before = typed(['take off lip seal', 'renew lip seal', 'grease lip seal', 'fit lip seal']);
    expect(found(before, 'dry-seal')).toEqual([]);
    const after = typed(['take off lip seal', 'renew lip seal', 'fit lip seal', 'grease lip seal']);
    expect(found(after, 'dry-seal')).toEqual([]);
    expect(found(withComponent(typed(lines), 'lip seal', { dry: true }), 'dry-seal')).toEqual([]);
  });

  test('at one shaft and not at the other is dry there', () => {
    const half = typed(['take off lip seal @each shaft', 'grease lip seal @shaft 1', 'fit lip seal @each shaft']);
    expect(found(half, 'dry-seal')).toHaveLength(1);
  });

  test('compound on a seal makes it wet as well', () => {
    expect(found(withStep(stocked(typed(lines)), 2, put('locker')), 'dry-seal')).toEqual([]);
  });
});

describe('compound on threads', () => {
  const lines = [...SAFE, 'take off 4 bolts', 'start by hand bolts', 'torque bolts =20 N·m'];
  const compounded = (more: (workbook: Workbook) => Workbook = (w) => w) =>
    more(withStep(stocked(typed(lines)), 3, put('locker')));

  test('on threads that were in use wants them cleaned first', () => {
    expect(at(compounded(), 'old-compound')).toEqual([4]);
    const after = mended(compounded(), 'old-compound');
    expect(stepAt(after, 3)).toMatchObject({ verb: 'clean', stage: 'put-back' });
    expect(found(after, 'old-compound')).toEqual([]);
  });

  test('on new bolts or with grease it is nothing', () => {
    const renewed = withStep(
      stocked(typed(['take off 4 bolts', 'renew bolts', 'start by hand bolts'])),
      2,
      put('locker'),
    );
    expect(found(renewed, 'old-compound')).toEqual([]);
    expect(found(withStep(stocked(typed(lines)), 3, put('mineral')), 'old-compound')).toEqual([]);
  });

  const late = (minutes: number) =>
    compounded((w) =>
      withStep(withStep(w, 3, { minutes: 2 }), 4, { verb: 'wait', targets: [], about: 'tea', minutes }),
    );
  const withTorque = (minutes: number) => typed(['torque bolts =20 N·m'], late(minutes));

  test('sets before the torque when more than its open time lies between', () => {
    expect(at(withTorque(9), 'sets-first')).toEqual([6]);
    expect(found(withTorque(8), 'sets-first')).toEqual([]);
  });

  test('the time that tightening itself takes counts, where its passes are known', () => {
    // Ten nuts in three passes and a check: 12 s each and 20 s to set the wrench, so 7 minutes for the rises.
    const joined = (minutes: number) => {
      const workbook = withTorque(minutes);
      const componentId = workbook.procedure.steps.find(({ verb }) => verb === 'torque')?.targets[0]?.componentId ?? '';
      const components = workbook.series.components.map((part) =>
        part.id === componentId ? { ...part, count: 10 } : part,
      );
      const group = { id: 'g', componentId, figures: [], plan: { shape: 'circle' as const } };
      return { ...workbook, series: { ...workbook.series, components, fastenerGroups: [group] } };
    };
    expect(found(joined(8), 'sets-first')).toMatchObject([{ facts: { openMinutes: 10 } }]);
    expect(found(joined(1), 'sets-first')).toEqual([]);
  });

  test('the figure has to say what it holds for, and to hold for what is on the thread', () => {
    expect(at(compounded(), 'thread-condition')).toEqual([5]);
    const said = mended(compounded(), 'thread-condition');
    expect(stepAt(said, 4).torque?.thread).toEqual({ is: 'with', consumableId: 'locker' });
    expect(found(said, 'thread-condition')).toEqual([]);

    const torque = stepAt(said, 4).torque;
    const dry = withStep(said, 4, { torque: { ...torque, thread: { is: 'dry' } } as Step['torque'] });
    expect(at(dry, 'thread-condition')).toEqual([5]);
    const bare = withStep(said, 3, { applications: [] });
    expect(at(bare, 'thread-condition')).toEqual([5]);
    const paste = withStep(said, 3, put('paste'));
    expect(found(paste, 'thread-condition')).toHaveLength(1);
    expect(found(stocked(typed(lines)), 'thread-condition')).toEqual([]);
  });
});

describe('a soak', () => {
  const packed = (soak: number, between: number) => {
    const workbook = typed(['take off packing', 'renew packing', 'soak packing', 'clean bore', 'fit packing']);
    return withComponent(withStep(withStep(workbook, 2, { minutes: soak }), 3, { minutes: between }), 'packing', {
      soakMinutes: 10,
    });
  };

  test('counts the minutes of the steps until the part is fitted', () => {
    expect(found(packed(2, 8), 'soak-short')).toEqual([]);
    expect(at(packed(2, 5), 'soak-short')).toEqual([5]);
    const after = mended(packed(2, 5), 'soak-short');
    expect(stepAt(after, 2).minutes).toBe(5);
    expect(found(after, 'soak-short')).toEqual([]);
  });

  test('that never happens is told; new packing may soak while the old one is still in the pump', () => {
    const never = withComponent(typed(['take off packing', 'fit packing']), 'packing', { soakMinutes: 10 });
    expect(at(never, 'soak-short')).toEqual([2]);
    const early = withComponent(
      withStep(typed(['take off packing', 'soak packing', 'renew packing', 'fit packing']), 1, { minutes: 8 }),
      'packing',
      { soakMinutes: 10 },
    );
    expect(found(early, 'soak-short')).toEqual([]);
  });
});

test('the same figure given twice has to be the same', () => {
  const torque = (also: number) => ({
    figure: { value: 531, unit: 'lbf·in' as const },
    tolerancePercent: 4,
    also: { value: also, unit: 'lbf·ft' as const },
  });
  const workbook = (also: number) =>
    withStep(typed(['take off 4 bolts', 'start by hand bolts', 'torque bolts =1 N·m']), 2, { torque: torque(also) });
  // 531 lbf·in is 44 lbf·ft: common practice.
  expect(found(workbook(44), 'two-figures')).toEqual([]);
  expect(at(workbook(54), 'two-figures')).toEqual([3]);
  expect(stepAt(mended(workbook(54), 'two-figures'), 2).torque?.also).toEqual({ value: 44.3, unit: 'lbf·ft' });
});

test('what is on one bolt group is not on another', () => {
  const lines = [
    'take off 4 bolts',
    'take off 2 nuts',
    'clean nuts',
    'start by hand nuts',
    'start by hand bolts',
    'torque bolts =20 N·m',
  ];
  const workbook = withStep(stocked(typed(lines)), 3, put('locker'));
  expect(found(workbook, 'thread-condition')).toEqual([]);
  expect(componentId(workbook, 'nut')).not.toBe(componentId(workbook, 'bolt'));
});
