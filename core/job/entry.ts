import { z } from 'zod';
import { PhotoHash } from '../pictures/photo-hash';
import { Id } from '../pump/series';
import { Quantity } from '../quantity/quantity';
import { unitOf } from '../quantity/units';

const Reason = z.string().trim().min(3, 'needs at least three letters').max(600);
const TorqueReading = Quantity.refine((q) => unitOf(q.unit).dimension === 'torque', 'is not a torque').refine(
  (q) => q.value > 0,
  'must be more than nothing',
);

/** What a technician notes in a job. Entries are only ever added. */
export const EntryContent = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('step-done'), stepId: Id }),
  z.strictObject({ kind: z.literal('went-back'), stepId: Id }),
  z.strictObject({ kind: z.literal('torque-read'), stepId: Id, positionId: Id.nullable(), reading: TorqueReading }),
  z.strictObject({ kind: z.literal('photo-taken'), stepId: Id, photo: PhotoHash }),
  z.strictObject({ kind: z.literal('answered'), stepId: Id, answerId: Id }),
  z.strictObject({ kind: z.literal('overridden'), stepId: Id, what: z.enum(['torque', 'photo']), reason: Reason }),
  z.strictObject({ kind: z.literal('problem'), stepId: Id, note: Reason }),
  z.strictObject({ kind: z.literal('paused') }),
  z.strictObject({ kind: z.literal('resumed') }),
  z.strictObject({ kind: z.literal('taken-over') }),
  z.strictObject({ kind: z.literal('finished') }),
]);
export type EntryContent = z.infer<typeof EntryContent>;

export const Entry = z.strictObject({
  /** Made where the entry is made, so that sending it twice keeps it once. */
  id: Id,
  /** ISO 8601, by the clock of the device it was made on. */
  at: z.iso.datetime(),
  by: z.string().min(1),
  content: EntryContent,
});
export type Entry = z.infer<typeof Entry>;

export const NewEntry = Entry.omit({ by: true });
export type NewEntry = z.infer<typeof NewEntry>;
