import { z } from 'zod';
import type { Patch as PatchType } from '../store/documents';

const pointer = z.string().max(500);

/** A JSON Patch (RFC 6902) without `test`, which versions make needless. */
export const Patch: z.ZodType<PatchType> = z
  .array(
    z.discriminatedUnion('op', [
      z.strictObject({ op: z.literal('add'), path: pointer, value: z.unknown() }),
      z.strictObject({ op: z.literal('replace'), path: pointer, value: z.unknown() }),
      z.strictObject({ op: z.literal('remove'), path: pointer }),
      z.strictObject({ op: z.literal('move'), from: pointer, path: pointer }),
      z.strictObject({ op: z.literal('copy'), from: pointer, path: pointer }),
    ]),
  )
  .max(20_000) as z.ZodType<PatchType>;
