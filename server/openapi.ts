import type { Hono } from 'hono';
import type { z } from 'zod';
import { PROGRAM_VERSION } from './ground/version';
import { ALLOWED, type Allowed } from './services/access';
import { TAKES, type Takes } from './services/validate';

/** What a middleware of ours says of itself: whom it lets in, or what it takes. */
interface Told {
  readonly [ALLOWED]?: Allowed;
  readonly [TAKES]?: Takes;
}

/**
 * The description of the API in the OpenAPI format, made from the routes themselves: what each takes and whom it lets
 * in. The library that writes it is loaded when it is first asked for.
 */
export async function describeApi(api: Hono): Promise<object> {
  const { generateSpecs, resolver, uniqueSymbol } = await import('hono-openapi');
  for (const { handler } of api.routes) {
    const told = handler as unknown as Told & { [uniqueSymbol]?: unknown };
    const takes = told[TAKES];
    if (takes) {
      const options = { options: { io: 'input', unrepresentable: 'any' } };
      told[uniqueSymbol] = { target: takes.target, ...resolver(takes.schema as z.ZodType, options as never), options };
    } else if (told[ALLOWED]) told[uniqueSymbol] = { spec: said(told[ALLOWED]) };
  }
  return generateSpecs(api, {
    documentation: {
      info: {
        title: 'Fukusa',
        version: PROGRAM_VERSION,
        description: 'Instructions, releases and jobs. Every refusal has the shape { fault: { code, what, todo } }.',
      },
      servers: [{ url: '/api' }],
      components: {
        securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'fukusa.session_token' } },
      },
    },
  });
}

function said(allowed: Allowed) {
  return allowed === 'anyone'
    ? { description: 'For anyone.', security: [] }
    : { description: `For ${allowed.join(', ')}.`, security: [{ session: [] }] };
}
