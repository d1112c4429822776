import { z } from 'zod';
import { UNIT_SYMBOLS } from './units';

/** A value kept in the unit it was given in. It is converted for comparing and showing, never on storing. */
export const Quantity = z.strictObject({ value: z.number(), unit: z.enum(UNIT_SYMBOLS) });
export type Quantity = z.infer<typeof Quantity>;
