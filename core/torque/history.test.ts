import { linearRegression, mean, sampleStandardDeviation } from 'simple-statistics';
import { type PastReading, spreadBy, spreadOf } from './history';

/** Twelve jobs, one every ten days: a wrench that reads 0.5 % more each month, and one that stays. Invented. */
const readings: PastReading[] = Array.from({ length: 12 }, (_, job) => job).flatMap((job) =>
  [0.4, -0.3, 0.1].map((off, i) => ({
    job: 1001 + job,
    at: new Date(Date.UTC(2026, 0, 1 + 10 * job, 9, i)).toISOString(),
    by: job % 2 === 0 ? 'Mara Oduya' : 'Tobias Quell',
    wrench: job % 2 === 0 ? 'TW-05' : undefined,
    offPercent: off + (job % 2 === 0 ? (0.5 * 10 * job) / (365.25 / 12) : 0),
    tolerancePercent: 4,
  })),
);

test('mean, deviation and capability are those of a statistics library over all jobs', () => {
  const off = readings.map(({ offPercent }) => offPercent);
  const found = spreadOf(readings);
  expect(found).toMatchObject({ count: 36, jobs: 12, outside: 0 });
  expect(found.mean).toBeCloseTo(mean(off), 10);
  expect(found.deviation).toBeCloseTo(sampleStandardDeviation(off), 10);
  expect(found.cp).toBeCloseTo(8 / (6 * sampleStandardDeviation(off)), 10);
  expect(found.cpk).toBeCloseTo((4 - Math.abs(mean(off))) / (3 * sampleStandardDeviation(off)), 10);
});

test('a wrench that drifts is told apart from one that does not, and from the hands of people', () => {
  const [drifting, still] = spreadBy(readings, 'wrench');
  expect(drifting?.name).toBe('TW-05');
  expect(drifting?.spread.drift).toBeCloseTo(0.5, 2);
  expect(still?.name).toBeUndefined();
  expect(still?.spread.drift).toBeCloseTo(0, 2);
  const months = readings
    .filter(({ by }) => by === 'Mara Oduya')
    .map(({ at, offPercent }) => [Date.parse(at) / ((365.25 / 12) * 86_400_000), offPercent]);
  const mara = spreadBy(readings, 'by').find(({ name }) => name === 'Mara Oduya');
  expect(mara?.spread.drift).toBeCloseTo(linearRegression(months).m, 6);
});

test('each reading is taken in the window of its own release', () => {
  const tight = readings.map((one, i) => ({ ...one, tolerancePercent: i % 2 === 0 ? 2 : 4 }));
  expect(spreadOf(tight).cpk).toBeLessThan(spreadOf(readings).cpk ?? 0);
  expect(spreadOf([{ ...readings[0]!, offPercent: 5 }]).outside).toBe(1);
});

test('few readings, or one day, say nothing of a drift', () => {
  expect(spreadOf(readings.slice(0, 3))).toEqual({ count: 3, jobs: 1, outside: 0 });
  expect(spreadOf(readings.slice(0, 6)).drift).toBeUndefined();
});
