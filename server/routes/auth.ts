import { getConnInfo } from '@hono/node-server/conninfo';
import { type Context, Hono } from 'hono';
import { Fault } from '../ground/fault';
import { anyone, type Env, EVERYONE, only } from '../services/access';
import type { Services } from '../services/services';

/** Only these doors of the accounts library are open; it has many more. Its refusals are told in our one shape. */
export function authRoutes({ accounts }: Services) {
  const pass = async (c: Context) => {
    const answer = await accounts.handle(c.req.raw, await c.req.text(), addressOf(c));
    if (!answer.ok) throw refusal(answer.status);
    return answer;
  };
  return new Hono<Env>()
    .post('/sign-in/username', anyone(), pass)
    .post('/sign-out', anyone(), pass)
    .post('/change-password', only(...EVERYONE), pass);
}

function refusal(status: number): Fault {
  switch (status) {
    case 429:
      return new Fault(429, 'too-many-tries', 'Too many tries.', 'Wait a minute, then try again.');
    case 401:
    case 403:
      return new Fault(401, 'wrong-password', 'User name or password is wrong.', 'Check both and try again.');
    default:
      return new Fault(
        400,
        'bad-password',
        'That password cannot be taken.',
        'Check the present one, and choose 8 characters or more.',
      );
  }
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
