import { z } from 'zod';
import { Id } from '../model/ids';
import { Moment } from './entry';

/** What a maker signs: the entry, the job it is of, and who made it, in the format it was made in. */
export const SignedText = z.strictObject({
  id: Id,
  jobId: Id,
  at: Moment,
  by: z.string().min(1).max(64),
  format: z.int().min(1),
  content: z.unknown(),
  /** SHA-256 of what this device signed before it in this job, so that nothing between is left out unseen. */
  before: z
    .string()
    .regex(/^[0-9a-f]{64}$/)
    .optional(),
});
export type SignedText = z.infer<typeof SignedText>;

/** An entry with the proof of who made it. The text is sent as it was signed, letter by letter. */
export const SignedEntry = z.strictObject({
  text: z.string().min(1).max(16_000),
  keyId: Id,
  /** Ed25519 over the text in UTF-8, as base64url. */
  signature: z.string().max(128),
});
export type SignedEntry = z.infer<typeof SignedEntry>;

/** An entry without proof: it counts as made by whoever sends it, and only where that is who made it. */
export const UnsignedEntry = z.strictObject({
  id: Id,
  at: Moment,
  by: z.string().min(1).max(64).optional(),
  content: z.unknown(),
});
