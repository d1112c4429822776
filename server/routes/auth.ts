import { type Context, Hono } from 'hono';
import { z } from 'zod';
import { KNOWN_PASSWORD, SWITCHED_OFF } from '../accounts/codes';
import { refuseWeakPassword } from '../accounts/passwords';
import { Fault } from '../ground/fault';
import { anyone, BENCH, type Env, EVERYONE, only } from '../services/access';
import type { Services } from '../services/services';
import { valid } from '../services/validate';

const SignIn = z.strictObject({ username: z.string().min(1).max(60), password: z.string().min(1).max(256) });
const NewPassword = z.strictObject({
  currentPassword: z.string().min(1).max(256),
  newPassword: z.string().min(1).max(128),
});
/** 32 bytes as base64url. */
const PublicKey = z.string().regex(/^[\w-]{43}$/, 'is no Ed25519 key');
const KeyToRegister = z.strictObject({ deviceId: z.string().min(8).max(64), publicKey: PublicKey });
/** Somebody else signs on a device where another is signed in. */
const SecondPerson = z.strictObject({ ...SignIn.shape, ...KeyToRegister.shape });

/** Only these doors of the accounts library are open; it has many more. Its refusals are told in our one shape. */
export function authRoutes({ accounts }: Services) {
  const pass = async (c: Context<Env>, body: object) => {
    const { origin, secure } = c.get('reached');
    const answer = await accounts.handle(c.req.raw, JSON.stringify(body), origin);
    if (!answer.ok) throw refusal(answer.status, await codeIn(answer));
    // Of its answer only the cookies are passed on.
    for (const cookie of answer.headers.getSetCookie()) {
      c.header('Set-Cookie', secure ? `${cookie}; Secure` : cookie, { append: true });
    }
    return c.json({ ok: true });
  };
  /** Tries with a password are counted before, and forgiven when it was right. */
  const tried = async (c: Context<Env>, name: string, body: object) => {
    const { address } = c.get('reached');
    await accounts.tries.before(address, name);
    const answer = await pass(c, body);
    await accounts.tries.succeeded(address, name);
    return answer;
  };
  return new Hono<Env>()
    .post('/sign-in/username', anyone(), valid('json', SignIn), async (c) => {
      const credentials = c.req.valid('json');
      return tried(c, credentials.username, credentials);
    })
    .post('/sign-out', anyone(), (c) => pass(c, {}))
    .post('/change-password', only(...EVERYONE), valid('json', NewPassword), async (c) => {
      const person = c.get('person');
      const change = c.req.valid('json');
      await refuseWeakPassword(change.newPassword, person, 'newPassword');
      return tried(c as unknown as Context<Env>, person.username, { ...change, revokeOtherSessions: true });
    })
    .post('/second-person', only(...BENCH), valid('json', SecondPerson), async (c) => {
      const { username, password, ...key } = c.req.valid('json');
      const { address } = c.get('reached');
      await accounts.tries.before(address, username);
      const person = await accounts.prove(username, password);
      if (!person) throw refusal(401, 'INVALID_USERNAME_OR_PASSWORD');
      await accounts.tries.succeeded(address, username);
      if (!BENCH.includes(person.role)) {
        throw new Fault(403, 'not-at-bench', `${person.name} may not sign at the bench.`, 'Ask somebody else.');
      }
      const keyId = await accounts.keys.register(person.id, key);
      return c.json({ keyId, personId: person.id, name: person.name }, 201);
    })
    .post('/keys', only(...BENCH), valid('json', KeyToRegister), async (c) =>
      c.json({ id: await accounts.keys.register(c.get('person').id, c.req.valid('json')) }, 201),
    );
}

async function codeIn(answer: Response): Promise<string> {
  const body = (await answer.json().catch(() => ({}))) as { code?: unknown };
  return String(body.code ?? '');
}

/** What really was wrong. A name that does not exist and a wrong password are told alike. */
function refusal(status: number, code: string): Fault {
  switch (code) {
    case 'INVALID_USERNAME_OR_PASSWORD':
    case 'INVALID_USERNAME':
    case 'USERNAME_TOO_SHORT':
    case 'USERNAME_TOO_LONG':
      return new Fault(401, 'wrong-password', 'User name or password is wrong.', 'Check both and try again.');
    case 'INVALID_PASSWORD':
      return new Fault(401, 'wrong-present-password', 'The current password is wrong.', 'Check it and try again.');
    case SWITCHED_OFF:
      return new Fault(403, 'switched-off', 'This account is deactivated.', 'Ask the lead to reactivate it.');
    case KNOWN_PASSWORD:
      return new Fault(
        403,
        'known-password',
        'This account has the public password of the demo.',
        'Whoever runs the server sets a new one: npm run fukusa -- user reset NAME.',
      );
    default:
      return new Fault(
        status === 401 ? 401 : 502,
        'accounts',
        `The sign-in did not work (${code || status}).`,
        'Reload the page and try again. If the error remains, tell whoever runs the server.',
      );
  }
}
