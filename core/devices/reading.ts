import type { z } from 'zod';

/** A message as it came over a socket, or undefined where it is none. */
export function readMessage<Schema extends z.ZodType>(schema: Schema, data: unknown): z.infer<Schema> | undefined {
  if (typeof data !== 'string') return undefined;
  try {
    const read = schema.safeParse(JSON.parse(data));
    return read.success ? read.data : undefined;
  } catch {
    return undefined;
  }
}
