import {
  mayBeSinglePass,
  passesFor,
  passFaults,
  resolutionOf,
  roundTo,
  tighteningMinutes,
  USUAL_PASSES,
  usualPasses,
} from './passes';

const figure = { value: 45, unit: 'N·m' as const };

test('45 N·m in three passes and a check is 14, 27, 45 and 45 on a wrench of 1 N·m', () => {
  const targets = passesFor(USUAL_PASSES, figure, [0, 2, 1, 3], [0, 1, 2, 3], { value: 1, unit: 'N·m' }).map(
    ({ target }) => target?.value,
  );
  expect(targets).toEqual([14, 27, 45, 45]);
});

test('the check goes clockwise, the rises in the order of the pattern', () => {
  const orders = passesFor(USUAL_PASSES, figure, [0, 2, 1, 3], [0, 1, 2, 3]).map(({ order }) => order);
  expect(orders).toEqual([
    [0, 2, 1, 3],
    [0, 2, 1, 3],
    [0, 2, 1, 3],
    [0, 1, 2, 3],
  ]);
});

test('the whole figure is never rounded, and an angle has no torque', () => {
  const passes = passesFor(
    [
      { is: 'rise', percent: 100 },
      { is: 'angle', degrees: 60 },
    ],
    { value: 5.4, unit: 'N·m' },
    [0],
    [0],
    {
      value: 1,
      unit: 'N·m',
    },
  );
  expect(passes[0]?.target?.value).toBe(5.4);
  expect(passes[1]?.target).toBeUndefined();
});

test('up to four small screws may be tightened in one pass', () => {
  expect(mayBeSinglePass(4, 6)).toBe(true);
  expect(mayBeSinglePass(4, 12)).toBe(false);
  expect(mayBeSinglePass(1, 30)).toBe(true);
  expect(usualPasses(8, 6)).toHaveLength(4);
});

test('passes rise to the whole figure', () => {
  const rise = (...percents: number[]) => percents.map((percent) => ({ is: 'rise' as const, percent }));
  expect(passFaults(USUAL_PASSES)).toEqual([]);
  expect(passFaults(rise(60, 30, 100))).toEqual(['falls']);
  expect(passFaults(rise(30, 60))).toEqual(['stops-short']);
  expect(passFaults([...rise(30, 60), { is: 'check' }])).toEqual(['stops-short']);
  expect(passFaults([...rise(50), { is: 'angle', degrees: 90 }])).toEqual([]);
  expect(passFaults(rise(30, 120))).toEqual(['over']);
});

test.each([
  [12, 0.1],
  [60, 0.5],
  [120, 1],
  [25, 0.2],
  [600, 5],
])('a wrench to %s N·m shows steps of %s', (to, step) => {
  expect(resolutionOf({ value: to, unit: 'N·m' }).value).toBe(step);
});

test('a scale in newton metres rounds a figure in pounds to what it shows', () => {
  // 10.4 lbf·ft is 14.1 N·m: 14 N·m is 10.33 lbf·ft.
  expect(roundTo({ value: 10.4, unit: 'lbf·ft' }, { value: 1, unit: 'N·m' }).value).toBeCloseTo(10.3259, 3);
});

test('eight nuts in four passes take about 7 minutes', () => {
  expect(tighteningMinutes(8, USUAL_PASSES)).toBeCloseTo(7.73, 1);
  expect(tighteningMinutes(8, USUAL_PASSES, 2)).toBeCloseTo(2 * tighteningMinutes(8, USUAL_PASSES), 6);
});

test('a pass below what the wrench can be used for is left out where nobody asked for it, and told where somebody did', () => {
  const wrench = { from: { value: 24, unit: 'N·m' as const }, to: { value: 120, unit: 'N·m' as const } };
  expect(usualPasses(8, 10, figure, wrench)).toEqual([
    { is: 'rise', percent: 60 },
    { is: 'rise', percent: 100 },
    { is: 'check' },
  ]);
  expect(passFaults(USUAL_PASSES, figure, wrench)).toEqual(['below-wrench']);
  // A figure that is itself out of range is told elsewhere, and keeps its pass.
  expect(usualPasses(8, 10, { value: 10, unit: 'N·m' }, wrench)).toEqual([
    { is: 'rise', percent: 100 },
    { is: 'check' },
  ]);
});
