import { z } from 'zod';
import { Id } from './ids';
import { PhotoHash } from './pictures/photo-hash';

const Seconds = z.number().min(0).max(36_000);

/** One sentence of an old instruction or of what was said in a video. */
export const Passage = z.strictObject({
  id: Id,
  text: z.string().trim().min(1, 'empty').max(2000),
  /** When it was said, in seconds from the beginning of the video. */
  from: Seconds.optional(),
  to: Seconds.optional(),
  heading: z.literal(true).optional(),
});
export type Passage = z.infer<typeof Passage>;

/** A line that some passages became, for the trainer to accept, correct or set aside. */
export const Proposal = z.strictObject({
  id: Id,
  passageIds: z.array(Id).min(1).max(60),
  line: z.string().trim().min(1, 'empty').max(2000),
  /** Frames of the video that become pictures of the step. */
  photos: z.array(PhotoHash).max(8).optional(),
});
export type Proposal = z.infer<typeof Proposal>;

/**
 * An old instruction, or what was said while a pump was rebuilt, and what of it is not decided yet. Every passage is in
 * a step, in a proposal, set aside or open; nothing is lost between.
 */
export const Narration = z.strictObject({
  id: Id,
  name: z.string().trim().min(1, 'empty').max(160),
  video: PhotoHash.optional(),
  passages: z.array(Passage).max(3000),
  /** A greeting, chatter, a heading: in no step, on purpose. */
  asideIds: z.array(Id).max(3000).default([]),
  proposals: z.array(Proposal).max(3000).default([]),
});
export type Narration = z.infer<typeof Narration>;

/** The passages that a step comes from. */
export const StepSource = z.strictObject({ narrationId: Id, passageIds: z.array(Id).min(1).max(200) });
export type StepSource = z.infer<typeof StepSource>;
