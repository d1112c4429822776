import { z } from 'zod';
import { Id } from './ids';

const Words = z.string().trim().min(1, 'empty').max(600);

/** What follows from what is found. */
export const CONSEQUENCES = ['reuse', 'renew', 'refer'] as const;
export type Consequence = (typeof CONSEQUENCES)[number];

/** What to look at, what is sound, and what else may be found. */
export const Look = z.strictObject({
  id: Id,
  /** "the sealing edge all round". */
  at: Words,
  /** By eye, with a lamp, with a thumbnail, beside a new one. */
  by: z.string().trim().max(120).optional(),
  sound: Words,
  faults: z
    .array(
      z.strictObject({
        id: Id,
        /** "pitting". */
        sign: z.string().trim().min(1, 'empty').max(120),
        /** "cavitation: look at the suction side". */
        means: z.string().trim().max(300).optional(),
        follows: z.enum(CONSEQUENCES),
      }),
    )
    .max(12)
    .default([]),
});
export type Look = z.infer<typeof Look>;
