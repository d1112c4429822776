import { linearRegression, mean, sampleStandardDeviation } from 'simple-statistics';
import { capability, drift } from './capability';

/** Invented readings of one group, N·m. */
const READINGS = [44.3, 45.4, 44.4, 44.1, 45.9, 45.2, 45, 44.8, 45.6, 44.7];

test('mean and deviation are those of a statistics library', () => {
  const found = capability(READINGS, 43.2, 46.8);
  expect(found?.mean).toBeCloseTo(mean(READINGS), 12);
  expect(found?.deviation).toBeCloseTo(sampleStandardDeviation(READINGS), 12);
  expect(found?.cp).toBeCloseTo(3.6 / (6 * sampleStandardDeviation(READINGS)), 12);
});

test('a process in the middle of a window of eight deviations has Cp and Cpk 1.33; off the middle Cpk is less', () => {
  const values = [-1, 1, -1, 1, 0, 0];
  const s = sampleStandardDeviation(values);
  expect(capability(values, -4 * s, 4 * s)).toMatchObject({
    cp: expect.closeTo(4 / 3, 9),
    cpk: expect.closeTo(4 / 3, 9),
  });
  expect(capability(values, -3 * s, 5 * s)?.cpk).toBeCloseTo(1, 9);
  expect(capability(values, -3 * s, 5 * s)?.cp).toBeCloseTo(4 / 3, 9);
});

test('few readings, or readings all alike, say nothing', () => {
  expect(capability([45, 45.1, 44.9], 43, 47)).toBeUndefined();
  expect(capability([45, 45, 45, 45, 45], 43, 47)).toEqual({ count: 5, mean: 45, deviation: 0 });
});

test('a wrench that drifts is told by the line of least squares, as a statistics library draws it', () => {
  const readings = READINGS.map((value, i) => ({ at: i * 7, value: value + 0.05 * i }));
  expect(drift(readings)).toBeCloseTo(linearRegression(readings.map(({ at, value }) => [at, value])).m, 12);
  expect(drift(readings.slice(0, 3))).toBeUndefined();
  expect(drift(READINGS.map((value) => ({ at: 1, value })))).toBeUndefined();
});
