import { sayMeasurement } from './measurement';

test('a size is said with what it is new, its limits, and where it is measured', () => {
  const size = { id: 'm', what: 'diameter', points: [], directions: 1, follows: 'renew' } as const;
  const mm = (value: number) => ({ value, unit: 'mm' }) as const;
  expect(sayMeasurement({ ...size, points: [] })).toBe('diameter');
  expect(
    sayMeasurement({
      ...size,
      nominal: mm(50),
      least: mm(48.6),
      most: mm(50.02),
      points: ['top', 'bottom'],
      directions: 2,
    }),
  ).toBe('diameter, new 50 mm, at least 48.6 mm, at most 50.02 mm, at top and bottom, twice, crosswise');
});
