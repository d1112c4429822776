import type { StepRun } from './state';

/** By what the readings of a step were taken. */
export interface ReadBy {
  /** Nothing where they were typed. */
  readonly number: string | undefined;
  readonly calibratedUntil: string | undefined;
  readonly count: number;
  /** Sent after the link had been lost. */
  readonly late: number;
}

/** The wrenches of a step with how many readings each sent, in the order of their first, and how many were typed; none where all were. */
export function readBy({ readings }: Pick<StepRun, 'readings'>): ReadBy[] {
  const found = new Map<string, ReadBy>();
  for (const { wrench } of readings) {
    const { number, calibratedUntil, takenAt } = wrench ?? {};
    const key = `${number ?? ''} ${calibratedUntil ?? ''}`;
    const { count, late } = found.get(key) ?? { count: 0, late: 0 };
    found.set(key, { number, calibratedUntil, count: count + 1, late: late + (takenAt === undefined ? 0 : 1) });
  }
  const all = [...found.values()];
  return all.some(({ number }) => number !== undefined) ? all : [];
}
