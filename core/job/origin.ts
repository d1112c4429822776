import type { Entry } from './entry';

/** Entries of a job that came in a way a reader of the record should know. */
export interface Unusual {
  readonly is: 'clock' | 'sent-by-another';
  readonly count: number;
  /** ISO 8601, by the clock of the device. */
  readonly from: string;
  readonly to: string;
  readonly by: string;
  /** Who sent them. */
  readonly sentBy?: string;
  /** In minutes; negative where the device was ahead. */
  readonly behindMinutes?: number;
}

const MINUTE_MS = 60_000;

/** Runs of entries whose device had another time than the server, or that somebody else than their maker sent. */
export function unusualEntries(entries: readonly Entry[]): Unusual[] {
  const found = new Map<string, Unusual>();
  const note = (key: string, entry: Entry, more: Pick<Unusual, 'is' | 'sentBy' | 'behindMinutes'>) => {
    const there = found.get(key);
    const { at, by } = entry;
    found.set(key, there ? { ...there, count: there.count + 1, to: at } : { ...more, count: 1, from: at, to: at, by });
  };
  for (const entry of entries) {
    const { by, sentBy, clockBehindMs } = entry;
    if (clockBehindMs !== undefined) {
      const behindMinutes = Math.round(clockBehindMs / MINUTE_MS);
      note(`clock ${by} ${behindMinutes}`, entry, { is: 'clock', behindMinutes });
    }
    if (sentBy) note(`sent ${by} ${sentBy}`, entry, { is: 'sent-by-another', sentBy });
  }
  return [...found.values()];
}
