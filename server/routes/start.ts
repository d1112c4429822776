import { Hono } from 'hono';
import { z } from 'zod';
import { packageJsonSchema } from '#core/package/package';
import { MIN_PASSWORD_LENGTH } from '../accounts/accounts';
import { Fault } from '../ground/fault';
import { ROLES } from '../ground/roles';
import { anyone, type Env, EVERYONE, only } from '../services/access';
import type { Services } from '../services/services';
import { valid } from '../services/validate';

export const Username = z
  .string()
  .trim()
  .min(2, 'needs at least two letters')
  .max(30)
  .regex(/^[a-zA-Z0-9_.]+$/, 'letters, digits, dot and underscore only');
export const Password = z
  .string()
  .min(MIN_PASSWORD_LENGTH, `needs at least ${MIN_PASSWORD_LENGTH} characters`)
  .max(128);
export const PersonName = z.string().trim().min(1, 'is empty').max(80);
export const RoleName = z.enum(ROLES);

/** What the first page needs to know, the first account, who is signed in, and the format's schema. */
export function startRoutes({ accounts, demo }: Services) {
  return new Hono<Env>()
    .get('/start', anyone(), async (c) =>
      c.json({
        needsFirstAccount: (await accounts.count()) === 0,
        demoPeople: demo ? demo.people : null,
      }),
    )
    .post(
      '/first-account',
      anyone(),
      valid('json', z.strictObject({ username: Username, name: PersonName, password: Password })),
      async (c) => {
        if ((await accounts.count()) > 0) {
          throw new Fault(
            409,
            'has-accounts',
            'This workshop has accounts already.',
            'Sign in, or ask the lead for an account.',
          );
        }
        await accounts.add({ ...c.req.valid('json'), role: 'lead' });
        return c.json({ ok: true }, 201);
      },
    )
    .get('/me', anyone(), (c) => c.json({ person: c.get('person') }))
    .get('/format', only(...EVERYONE), (c) => c.json(packageJsonSchema()));
}
