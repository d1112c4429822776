import type { Measurement } from '../model/procedure';
import { convert } from '../quantity/quantity';
import type { Quantity } from '../quantity/schema';
import type { UnitSymbol } from '../quantity/units';
import { type AtHours, type WearRate, wearRate } from './wear-rate';

/** What a size may be. */
export type Limits = Pick<Measurement, 'nominal' | 'least' | 'most'>;

/** One size of a part as a job measured it. */
export interface SizeInJob {
  readonly componentId: string;
  readonly part: string;
  readonly what: string;
  readonly positionId: string | null;
  readonly place: string | undefined;
  readonly reading: Quantity;
  readonly limits: Limits;
  /** The largest error of the instrument. */
  readonly error?: Quantity | undefined;
}

/** What a job measured, and what the hour meter showed then. */
export interface JobSizes {
  readonly hours: number | null;
  readonly measured: readonly SizeInJob[];
}

/** One size of one part at one place over the hours of a pump. */
export interface PlaceOverHours {
  readonly place: string | undefined;
  /** The oldest first. */
  readonly points: readonly AtHours[];
  readonly rate: WearRate | undefined;
}

/** One size of a part over the hours of a pump, at each of its places. */
export interface PartOverHours {
  readonly part: string;
  readonly what: string;
  /** Of all its values. */
  readonly unit: UnitSymbol;
  readonly isNew: number | undefined;
  readonly least: number | undefined;
  readonly most: number | undefined;
  readonly places: readonly PlaceOverHours[];
}

/** The size furthest from new, which is the one that counts; in the unit. */
export function worstOf(
  readings: readonly Quantity[],
  { nominal, least }: Limits,
  unit: UnitSymbol,
): number | undefined {
  const values = readings.map((reading) => convert(reading, unit).value);
  if (values.length === 0) return undefined;
  if (!nominal) return least ? Math.min(...values) : Math.max(...values);
  const isNew = convert(nominal, unit).value;
  return values.reduce((worst, value) => (Math.abs(value - isNew) > Math.abs(worst - isNew) ? value : worst));
}

/** The limit it wears to. */
export function limitOf({ least, most }: Limits): Quantity | undefined {
  return least ?? most;
}

/**
 * The sizes of each part over the hours of a pump, by the limits of the latest job. Jobs without a reading of the hour
 * meter tell nothing here; a part that was measured in one job only is left out.
 *
 * @param jobs the oldest first
 */
export function wearOnPump(jobs: readonly JobSizes[]): PartOverHours[] {
  const sizes = jobs.flatMap(({ hours, measured }) =>
    hours === null ? [] : measured.map((size) => ({ ...size, hours })),
  );
  return [...grouped(sizes, ({ componentId, what }) => `${componentId} ${what}`).values()].flatMap((all) => {
    const latest = all.at(-1);
    if (!latest) return [];
    const { part, what, limits, reading, error } = latest;
    const { nominal, least, most } = limits;
    const unit = (nominal ?? least ?? most ?? reading).unit;
    const plain = (quantity: Quantity | undefined) => quantity && convert(quantity, unit).value;
    const places = [...grouped(all, ({ positionId }) => `${positionId}`).values()].flatMap((here): PlaceOverHours[] => {
      const points = [...grouped(here, ({ hours }) => hours)].flatMap(([hours, then]): AtHours[] => {
        const value = worstOf(
          then.map((size) => size.reading),
          limits,
          unit,
        );
        return value === undefined ? [] : [{ hours, value }];
      });
      const known = { isNew: plain(nominal), error: plain(error) ?? 0, limit: plain(limitOf(limits)) };
      return points.length < 2 ? [] : [{ place: here[0]?.place, points, rate: wearRate(points, known) }];
    });
    if (places.length === 0) return [];
    return [{ part, what, unit, isNew: plain(nominal), least: plain(least), most: plain(most), places }];
  });
}

function grouped<T, K>(all: readonly T[], keyOf: (one: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const one of all) {
    const key = keyOf(one);
    const known = groups.get(key);
    if (known) known.push(one);
    else groups.set(key, [one]);
  }
  return groups;
}
