import { zValidator } from '@hono/zod-validator';
import type { ValidationTargets } from 'hono';
import type { z } from 'zod';
import { faultsOf } from '#core/model/faults';
import { impurities } from '#core/model/plain';
import { badInput } from '../ground/fault';

/** Carried by the middleware itself, so that the routes can be described. */
export const TAKES = Symbol('takes');
export interface Takes {
  readonly target: 'json' | 'query' | 'param';
  readonly schema: z.ZodType;
}

/**
 * Zod validation whose refusal has the one fault shape; what no text or number here may be is refused before. What lies
 * under `apart` is looked at by whoever takes it in, piece by piece.
 */
export function valid<Target extends 'json' | 'query' | 'param', Schema extends z.ZodType>(
  target: Target,
  schema: Schema,
  apart?: string,
) {
  const middleware = zValidator(
    target as keyof ValidationTargets & Target,
    schema,
    (result) => {
      if (!result.success) throw badInput(faultsOf(result.error as unknown as z.ZodError));
    },
    {
      validationFunction: (asked, value) => {
        const impure = impurities(apart ? { ...value, [apart]: undefined } : value);
        if (impure.length > 0) throw badInput(impure);
        return asked.safeParse(value) as never;
      },
    },
  );
  return Object.assign(middleware, { [TAKES]: { target, schema } satisfies Takes });
}
