/** One size of one part of a pump, and what the hour meter showed then. */
export interface AtHours {
  readonly hours: number;
  /** In the unit of the limit. */
  readonly value: number;
}

/** How fast a part wears, and how long it lasts, as an estimate. Values in the unit of the readings. */
export interface WearRate {
  /** Change for each running hour; negative where the part gets smaller. */
  readonly perHour: number;
  /** Half the width of the range that holds the rate with 95 %, as far as the instrument lets it be known. */
  readonly spread: number;
  /** Readings that the estimate rests on. */
  readonly count: number;
  /** Running hours until the limit: the estimate, and its range; no upper end where it may not wear at all. */
  readonly left?: { readonly hours: number; readonly from: number; readonly to: number | undefined };
}

/** Two-sided 95 % points of Student's distribution, for 1 to 10 degrees of freedom (ISO 2602, table; from memory). */
const STUDENT = [12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228];

/**
 * The wear of a part by the straight line through its sizes (least squares), from the last time it was new. A renewed
 * part starts again: where a size is closer to new by more than the instrument could be off, what was before is left
 * out.
 *
 * @param readings oldest first
 * @param isNew the nominal size, the way back to which tells a renewed part; without it no renewal is seen
 * @param error the largest error of the instrument
 * @param limit what it must not pass
 */
export function wearRate(
  readings: readonly AtHours[],
  { isNew, error, limit }: { isNew?: number | undefined; error: number; limit?: number | undefined },
): WearRate | undefined {
  const since = sinceRenewal(readings, isNew, error);
  const last = since.at(-1);
  if (!last || since.length < 2) return undefined;
  const count = since.length;
  const meanHours = since.reduce((sum, { hours }) => sum + hours, 0) / count;
  const meanValue = since.reduce((sum, { value }) => sum + value, 0) / count;
  const wide = since.reduce((sum, { hours }) => sum + (hours - meanHours) ** 2, 0);
  if (wide === 0) return undefined;
  const perHour = since.reduce((sum, { hours, value }) => sum + (hours - meanHours) * (value - meanValue), 0) / wide;
  const left = since.reduce(
    (sum, { hours, value }) => sum + (value - meanValue - perHour * (hours - meanHours)) ** 2,
    0,
  );
  // What the instrument does, and what the sizes themselves show where there are enough of them.
  const byInstrument = (1.96 * error) / Math.sqrt(3) / Math.sqrt(wide);
  const student = STUDENT[Math.min(count - 2, STUDENT.length) - 1];
  const byReadings = student === undefined ? 0 : student * Math.sqrt(left / (count - 2) / wide);
  const spread = Math.max(byInstrument, byReadings);
  const rate = { perHour, spread, count };
  if (limit === undefined) return rate;
  const room = limit - last.value;
  const hours = room / perHour;
  // It wears away from the limit, or not at all that could be told.
  if (!(hours >= 0) || !Number.isFinite(hours)) return room * Math.sign(perHour) < 0 ? { ...rate, left: none } : rate;
  const speed = Math.abs(perHour);
  const slowest = speed - spread;
  const reach = Math.abs(room);
  return {
    ...rate,
    left: { hours, from: reach / (speed + spread), to: slowest > 0 ? reach / slowest : undefined },
  };
}

const none = { hours: 0, from: 0, to: 0 };

function sinceRenewal(readings: readonly AtHours[], isNew: number | undefined, error: number): readonly AtHours[] {
  if (isNew === undefined) return readings;
  const from = readings.findLastIndex(({ value }, i) => {
    const before = readings[i - 1];
    return before !== undefined && Math.abs(before.value - isNew) - Math.abs(value - isNew) > 2 * error;
  });
  return from > 0 ? readings.slice(from) : readings;
}
