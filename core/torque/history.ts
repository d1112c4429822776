import { capability, drift, meanOf } from './capability';

/** One reading that stayed in a joint, of any job. */
export interface PastReading {
  readonly job: number;
  /** ISO 8601. */
  readonly at: string;
  readonly by: string;
  /** Number of the connected wrench; none where it was typed. */
  readonly wrench?: string | undefined;
  /** Off the figure, in per cent of it, and how much of that the figure allows. */
  readonly offPercent: number;
  readonly tolerancePercent: number;
}

/** How well the readings of many jobs keep to their windows. */
export interface Spread {
  readonly count: number;
  readonly jobs: number;
  readonly outside: number;
  /** In per cent of the figure; absent for fewer than five readings, as all that follows. */
  readonly mean?: number;
  readonly deviation?: number;
  readonly cp?: number | undefined;
  readonly cpk?: number | undefined;
  /** In per cent of the figure, by month. */
  readonly drift?: number | undefined;
}

const MONTH_MS = (365.25 / 12) * 24 * 3_600_000;
/** A drift is told from readings over so long at least; what changes within a day is no drift. */
const LEAST_DAYS = 14;
const DAY_MS = 24 * 3_600_000;

/** Spread, capability and drift of readings. Figures may differ from release to release: each is taken in its own window. */
export function spreadOf(readings: readonly PastReading[]): Spread {
  const off = readings.map(({ offPercent }) => offPercent);
  const jobs = new Set(readings.map(({ job }) => job)).size;
  const outside = readings.filter((one) => Math.abs(one.offPercent) > one.tolerancePercent).length;
  const counts = { count: readings.length, jobs, outside };
  const inPercent = meanOf(off);
  if (!inPercent) return counts;
  const inWindow = capability(
    readings.map((one) => one.offPercent / one.tolerancePercent),
    -1,
    1,
  );
  const times = readings.map(({ at }) => Date.parse(at));
  const days = (Math.max(...times) - Math.min(...times)) / DAY_MS;
  return {
    ...counts,
    mean: inPercent.mean,
    deviation: inPercent.deviation,
    cp: inWindow?.cp,
    cpk: inWindow?.cpk,
    drift:
      days < LEAST_DAYS
        ? undefined
        : drift(readings.map(({ at, offPercent: value }) => ({ at: Date.parse(at) / MONTH_MS, value }))),
  };
}

/** The same for each wrench and each person, those with most readings first. */
export function spreadBy(
  readings: readonly PastReading[],
  by: 'wrench' | 'by',
): { readonly name: string | undefined; readonly spread: Spread }[] {
  const names = [...new Set(readings.map((one) => one[by]))];
  return names
    .map((name) => ({ name, spread: spreadOf(readings.filter((one) => one[by] === name)) }))
    .toSorted((a, b) => b.spread.count - a.spread.count);
}
