import { z } from 'zod';

const Term = z.string().trim().min(1, 'empty').max(60);

/** How a dealer wants things said, and how they work. */
export const HouseRules = z.strictObject({
  terms: z
    .array(z.strictObject({ say: Term, insteadOf: z.array(Term).min(1, 'replaces-nothing').max(12) }))
    .max(200)
    .default([]),
});
export type HouseRules = z.infer<typeof HouseRules>;

export const NO_HOUSE_RULES: HouseRules = { terms: [] };
