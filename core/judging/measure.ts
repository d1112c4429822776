import type { Measurement } from '../model/procedure';
import { MEASURED_DIMENSIONS } from '../model/procedure-words';
import { convert, type QuantityReading, readQuantity } from '../quantity/quantity';
import type { Quantity } from '../quantity/schema';
import { type Dimension, type UnitSymbol, unitOf } from '../quantity/units';

/** One place to measure: a point along the part, and the first direction or the one across it. */
export interface MeasuringPlace {
  readonly point: string | null;
  readonly direction: 1 | 2;
}

export interface Measured extends MeasuringPlace {
  readonly reading: Quantity;
}

export type MeasureVerdict = 'within' | 'under' | 'over' | 'unjudged';

export function placesOf({ points, directions }: Measurement): MeasuringPlace[] {
  const along = points.length > 0 ? points : [null];
  return along.flatMap((point) =>
    (directions === 2 ? [1, 2] : [1]).map((direction) => ({ point, direction }) as MeasuringPlace),
  );
}

/** In what a limit may be given: in a length or a force, or in the same as the other limits. */
export function dimensionsOf(others: Pick<Measurement, 'nominal' | 'least' | 'most'>): readonly Dimension[] {
  const other = others.nominal ?? others.least ?? others.most;
  return other ? [unitOf(other.unit).dimension] : MEASURED_DIMENSIONS;
}

/** Reads a limit of a measurement, beside its other limits. */
export function readLimit(typed: string, others: Pick<Measurement, 'nominal' | 'least' | 'most'>): QuantityReading {
  const readings = dimensionsOf(others).map((dimension) => readQuantity(typed, dimension));
  return readings.find(({ ok }) => ok) ?? readings[0] ?? { ok: false, fault: 'no-number' };
}

/** A reading in any unit of what the limits are in, both included. */
export function judgeReading(reading: Quantity, { least, most }: Measurement): MeasureVerdict {
  const limit = least ?? most;
  if (!limit || unitOf(limit.unit).dimension !== unitOf(reading.unit).dimension) return 'unjudged';
  // A reading on the limit passes whatever unit it was taken in.
  if (least && convert(reading, least.unit).value < least.value - hair(least)) return 'under';
  if (most && convert(reading, most.unit).value > most.value + hair(most)) return 'over';
  return 'within';
}

/** What the readings of one part say together. Lengths in the unit of the first reading. */
export interface WearSummary {
  readonly unit: UnitSymbol;
  readonly smallest: number;
  readonly largest: number;
  /** From the nominal size to the reading furthest from it; undefined without a nominal size. */
  readonly fromNew: number | undefined;
  /** Largest difference along the part in one direction; undefined with one point only. */
  readonly taper: number | undefined;
  /** Largest difference between points beside one another in one direction; undefined with fewer than three. */
  readonly step: number | undefined;
  /** Largest difference between the two directions at one point; undefined with one direction only. */
  readonly outOfRound: number | undefined;
}

export function summarise(
  measured: readonly Measured[],
  { nominal, points: named }: Measurement,
): WearSummary | undefined {
  const unit = measured[0]?.reading.unit;
  if (!unit) return undefined;
  const taken = measured.map((one) => ({ ...one, value: convert(one.reading, unit).value }));
  const values = taken.map(({ value }) => value);
  const isNew = nominal && convert(nominal, unit).value;
  const spread = (list: readonly number[]) => (list.length > 1 ? Math.max(...list) - Math.min(...list) : undefined);
  const along = [1, 2].flatMap(
    (d) => spread(taken.filter(({ direction }) => direction === d).map(({ value }) => value)) ?? [],
  );
  const points = [...new Set(taken.map(({ point }) => point))];
  const across = points.flatMap(
    (p) => spread(taken.filter(({ point }) => point === p).map(({ value }) => value)) ?? [],
  );
  const twoWays = taken.some(({ direction }) => direction === 2);
  return {
    unit,
    smallest: Math.min(...values),
    largest: Math.max(...values),
    fromNew:
      isNew === undefined
        ? undefined
        : values.map((value) => value - isNew).reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a)),
    taper: points.length > 1 && along.length > 0 ? Math.max(...along) : undefined,
    step: largestStep(taken, named),
    outOfRound: twoWays && across.length > 0 ? Math.max(...across) : undefined,
  };
}

function largestStep(
  taken: readonly (MeasuringPlace & { readonly value: number })[],
  points: readonly string[],
): number | undefined {
  if (points.length < 3) return undefined;
  const steps = [1, 2].flatMap((direction) =>
    points.flatMap((point, i) => {
      const at = (name: string | undefined) =>
        taken.find((one) => one.point === name && one.direction === direction)?.value;
      const [here, next] = [at(point), at(points[i + 1])];
      return here === undefined || next === undefined ? [] : [Math.abs(next - here)];
    }),
  );
  return steps.length > 0 ? Math.max(...steps) : undefined;
}

function hair({ value }: Quantity): number {
  return Math.abs(value) * 1e-9;
}
