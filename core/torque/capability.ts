/** How well readings keep to their window, over many fasteners or jobs. */
export interface Capability {
  readonly count: number;
  readonly mean: number;
  /** Standard deviation of the sample. */
  readonly deviation: number;
  /** Width of the window over six deviations; absent where all readings are alike. */
  readonly cp?: number;
  /** The same to the nearer limit. */
  readonly cpk?: number;
}

/** Fewer readings say nothing about a process. Common practice. */
const LEAST = 5;

/** Mean and deviation of a sample. Undefined for fewer than five values. */
export function meanOf(values: readonly number[]): Omit<Capability, 'cp' | 'cpk'> | undefined {
  const count = values.length;
  if (count < LEAST) return undefined;
  const mean = values.reduce((sum, value) => sum + value, 0) / count;
  const deviation = Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (count - 1));
  return { count, mean, deviation };
}

/**
 * Cp = (high − low) / 6s and Cpk = min(high − mean, mean − low) / 3s, as ISO 22514-2 gives them for a normal
 * distribution (recalled from memory); with the deviation of the whole sample these are also called Pp and Ppk. Values and
 * limits in one unit. Undefined for fewer than five readings.
 */
export function capability(values: readonly number[], low: number, high: number): Capability | undefined {
  const sample = meanOf(values);
  if (!sample || sample.deviation === 0) return sample;
  const { mean, deviation } = sample;
  return {
    ...sample,
    cp: (high - low) / (6 * deviation),
    cpk: Math.min(high - mean, mean - low) / (3 * deviation),
  };
}

/** One reading with its time, in any unit of time. */
export interface Timed {
  readonly at: number;
  readonly value: number;
}

/** By how much readings rise for each unit of time: the slope of the line of least squares. Undefined for fewer than five. */
export function drift(readings: readonly Timed[]): number | undefined {
  const count = readings.length;
  if (count < LEAST) return undefined;
  const middle = readings.reduce((sum, { at }) => sum + at, 0) / count;
  const mean = readings.reduce((sum, { value }) => sum + value, 0) / count;
  const spread = readings.reduce((sum, { at }) => sum + (at - middle) ** 2, 0);
  if (spread === 0) return undefined;
  return readings.reduce((sum, { at, value }) => sum + (at - middle) * (value - mean), 0) / spread;
}
