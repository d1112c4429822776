import fc from 'fast-check';
import { signsFor } from '../language/en/wear-signs';
import type { Measurement } from '../model/procedure';
import { convert } from '../quantity/quantity';
import { judgeReading, type Measured, placesOf, readLimit, summarise } from './measure';

const mm = (value: number) => ({ value, unit: 'mm' as const });
const PLUNGER: Measurement = {
  id: 'od',
  what: 'outside diameter',
  nominal: mm(36),
  least: mm(35.9),
  most: mm(36.02),
  points: ['top', 'middle', 'bottom'],
  directions: 2,
  follows: 'renew',
};

test('three points in two directions are six places; an unnamed point is one', () => {
  expect(placesOf(PLUNGER)).toHaveLength(6);
  expect(placesOf({ ...PLUNGER, points: [], directions: 1 })).toEqual([{ point: null, direction: 1 }]);
});

test.each([
  [35.9, 'within'],
  [35.899, 'under'],
  [36.02, 'within'],
  [36.03, 'over'],
])('%d mm is %s', (value, verdict) => {
  expect(judgeReading(mm(value), PLUNGER)).toBe(verdict);
});

test('limits hold whatever the unit of the reading, and nothing is judged without them', () => {
  expect(judgeReading({ value: 35.9 / 25.4, unit: 'in' }, PLUNGER)).toBe('within');
  expect(judgeReading({ value: 1.41, unit: 'in' }, PLUNGER)).toBe('under');
  const { least: _least, most: _most, ...open } = PLUNGER;
  expect(judgeReading(mm(1), open)).toBe('unjudged');
});

test('loss from new, taper and out-of-round of a plunger, worked by hand', () => {
  const at = (point: string, one: number, two: number): Measured[] => [
    { point, direction: 1, reading: mm(one) },
    { point, direction: 2, reading: mm(two) },
  ];
  const wear = summarise(
    [...at('top', 35.99, 35.98), ...at('middle', 35.93, 35.97), ...at('bottom', 35.96, 35.96)],
    PLUNGER,
  );
  expect(wear?.fromNew).toBeCloseTo(-0.07);
  // Along: 35.99 to 35.93 one way, 35.98 to 35.96 the other.
  expect(wear?.taper).toBeCloseTo(0.06);
  // Across: worst in the middle, 35.93 against 35.97.
  expect(wear?.outOfRound).toBeCloseTo(0.04);
  expect(wear).toMatchObject({ smallest: 35.93, largest: 35.99, unit: 'mm' });
});

test('one reading has neither taper nor out-of-round, and none has nothing', () => {
  const one = summarise([{ point: null, direction: 1, reading: mm(35.95) }], { ...PLUNGER, points: [], directions: 1 });
  expect(one).toMatchObject({ taper: undefined, outOfRound: undefined });
  expect(summarise([], PLUNGER)).toBeUndefined();
});

const reading = fc.double({ min: 30, max: 40, noNaN: true });
test('in whatever unit they were taken, they say the same', () => {
  fc.assert(
    fc.property(fc.array(reading, { minLength: 6, maxLength: 6 }), (values) => {
      const measured = placesOf(PLUNGER).map((place, i) => ({ ...place, reading: mm(values[i] ?? 36) }));
      const asInches = measured.map((one) => ({ ...one, reading: convert(one.reading, 'in') }));
      const [metric, imperial] = [summarise(measured, PLUNGER), summarise(asInches, PLUNGER)];
      // As far above as below: which of the two is told is a matter of rounding.
      for (const key of ['smallest', 'largest', 'fromNew', 'taper', 'outOfRound'] as const)
        expect(Math.abs(imperial?.[key] ?? 0) * 25.4).toBeCloseTo(Math.abs(metric?.[key] ?? Number.NaN), 6);
    }),
  );
});
test('neither taper nor out of round is ever more than from the smallest to the largest', () => {
  fc.assert(
    fc.property(fc.array(reading, { minLength: 6, maxLength: 6 }), (values) => {
      const summary = summarise(
        placesOf(PLUNGER).map((place, i) => ({ ...place, reading: mm(values[i] ?? 36) })),
        PLUNGER,
      );
      if (!summary) throw new Error('no summary');
      const spread = summary.largest - summary.smallest + 1e-9;
      expect(summary.taper).toBeLessThanOrEqual(spread);
      expect(summary.outOfRound).toBeLessThanOrEqual(spread);
      expect(Math.abs(summary.fromNew ?? 0)).toBeGreaterThanOrEqual(
        Math.max(Math.abs(summary.smallest - 36), Math.abs(summary.largest - 36)) - 1e-9,
      );
    }),
  );
});

test('the signs offered for a seat begin with those seen on seats', () => {
  expect(signsFor('valve-seat')[0]).toMatchObject({ sign: 'pitting', means: expect.stringMatching(/^Cavitation/) });
  expect(signsFor('o-ring').map(({ sign }) => sign)).toContain('extruded edge');
  expect(signsFor('o-ring').map(({ sign }) => sign)).not.toContain('pitting');
});

test('a limit is a length or a force, and the others are of the same', () => {
  const read = (typed: string, others: Parameters<typeof readLimit>[1] = {}) => {
    const reading = readLimit(typed, others);
    return reading.ok ? reading.quantity : reading.fault;
  };
  expect([read('61.5 mm'), read('200 N'), read('45 lbf')]).toEqual([
    mm(61.5),
    { value: 200, unit: 'N' },
    { value: 45, unit: 'lbf' },
  ]);
  expect([read('61.5'), read('3 bar'), read('wide')]).toEqual(['no-unit', 'other-dimension', 'no-number']);
  expect([read('200 N', { least: mm(61) }), read('62 mm', { least: mm(61) })]).toEqual(['other-dimension', mm(62)]);
});
