import type { EntryContent } from './entry';

/* Words and limits of entries. Apart from their schema, since the bench needs them and no schemas. */

/** What a new ring shows along a part: nowhere a gap, a gap in places, a gap all along. */
export const GAPS = ['none', 'in-places', 'all-along'] as const;
export type Gap = (typeof GAPS)[number];

/** Why the reading of a connected wrench is of no fastener. */
export const ASIDE_REASONS = ['no-torque', 'no-torque-step', 'all-done', 'not-used'] as const;
export type AsideReason = (typeof ASIDE_REASONS)[number];

/** Where something is wrong. */
export const PROBLEM_PLACES = ['part', 'tool', 'instruction', 'pump'] as const;
export type ProblemPlace = (typeof PROBLEM_PLACES)[number];

/** What a paused job waits for. */
export const WAITS_FOR = ['parts', 'trainer', 'second-person', 'customer'] as const;
export type WaitsFor = (typeof WAITS_FOR)[number];

/** Who signs a record. */
export const SIGNERS = ['technician', 'customer'] as const;
export type Signer = (typeof SIGNERS)[number];

/** Numbers in all strokes of a signature, so that the entry keeps within the length that a device may sign. */
export const MOST_IN_SIGNATURE = 3000;

/** What may be gone without, for a reason that the record shows. */
export const OVERRIDABLE = ['torque', 'photo', 'measure', 'look', 'run', 'proof'] as const;
export type Overridable = (typeof OVERRIDABLE)[number];

/** The photo that an entry names, by its hash. */
export function photoNamedIn(content: EntryContent): string | undefined {
  return 'photo' in content ? content.photo : undefined;
}

/** The name that a connected device gave to the reading of an entry. */
export function sentReading(content: EntryContent): string | undefined {
  if ('wrench' in content) return content.wrench?.reading;
  return content.kind === 'measured' ? content.instrument?.reading : undefined;
}
