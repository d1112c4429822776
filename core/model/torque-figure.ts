import { z } from 'zod';
import { Quantity } from '../quantity/schema';
import { unitOf } from '../quantity/units';
import { Id } from './ids';

/** Torque tools above 10 N·m may deviate by this much; ISO 6789-1:2017, recalled from memory. */
export const DEFAULT_TOLERANCE_PERCENT = 4;

const Torque = Quantity.refine((q) => unitOf(q.unit).dimension === 'torque', 'no-torque').refine(
  (q) => q.value > 0,
  'not-above-zero',
);

export const TorqueFigure = z.strictObject({
  figure: Torque,
  tolerancePercent: z.number().min(0.1).max(50).default(DEFAULT_TOLERANCE_PERCENT),
  /** Where the figure comes from: a document, a drawing, a standard. */
  source: z.string().trim().max(200).optional(),
  /** The same figure as the source gives it once more, in another unit. */
  also: Torque.optional(),
  /** What is on the thread that the figure holds for. */
  thread: z
    .discriminatedUnion('is', [
      z.strictObject({ is: z.literal('dry') }),
      z.strictObject({ is: z.literal('with'), consumableId: Id }),
    ])
    .optional(),
});
export type TorqueFigure = z.infer<typeof TorqueFigure>;
