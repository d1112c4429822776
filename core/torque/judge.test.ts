import { judgeTorque, torqueWindow } from './judge';

const figure = { figure: { value: 45, unit: 'N·m' as const }, tolerancePercent: 4 };

test('the window of 45 N·m at 4 % is 43.2 to 46.8', () => {
  const { low, high } = torqueWindow(figure);
  expect([low.value, high.value]).toEqual([43.2, 46.8]);
});

test.each([
  [45, 'N·m', 'within'],
  [43.2, 'N·m', 'within'],
  [46.8, 'N·m', 'within'],
  [43.1, 'N·m', 'low'],
  [47, 'N·m', 'high'],
  // 33.19 lbf·ft is 45.0 N·m with the NIST SP 811 factor 1.355 818.
  [33.19, 'lbf·ft', 'within'],
  [45, 'lbf·ft', 'high'],
  [4.59, 'kgf·m', 'within'],
] as const)('%s %s is %s', (value, unit, verdict) => {
  expect(judgeTorque({ value, unit }, figure)).toBe(verdict);
});

test('an edge reading passes in whatever unit it was taken', () => {
  expect(judgeTorque({ value: 43.2 / 0.112_984_829_027_616_7, unit: 'lbf·in' }, figure)).toBe('within');
});

test('without a figure a reading is kept but not judged', () => {
  expect(judgeTorque({ value: 45, unit: 'N·m' }, undefined)).toBe('unjudged');
});
