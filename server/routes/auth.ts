import { getConnInfo } from '@hono/node-server/conninfo';
import { type Context, Hono } from 'hono';
import { anyone, type Env, EVERYONE, only } from '../access';
import type { Services } from '../services';

/** Only these doors of the accounts library are open; it has many more. */
export function authRoutes({ accounts }: Services) {
  return new Hono<Env>()
    .post('/sign-in/username', anyone(), async (c) => accounts.handle(c.req.raw, await c.req.text(), addressOf(c)))
    .post('/sign-out', anyone(), async (c) => accounts.handle(c.req.raw, await c.req.text(), addressOf(c)))
    .post('/change-password', only(...EVERYONE), async (c) =>
      accounts.handle(c.req.raw, await c.req.text(), addressOf(c)),
    );
}

/** Where the connection comes from, whatever headers the client sends. */
function addressOf(c: Context): string {
  try {
    return getConnInfo(c).remote.address ?? '0.0.0.0';
  } catch {
    // No connection behind it: the request was made inside this process.
    return '127.0.0.1';
  }
}
