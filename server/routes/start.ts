import { Hono } from 'hono';
import { z } from 'zod';
import { isOneLine } from '#core/model/plain';
import { packageJsonSchema } from '#core/package/package';
import { MIN_PASSWORD_LENGTH } from '../accounts/passwords';
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
/** A text that stands in lists and on papers. */
export const OneLine = z.string().trim().min(1, 'is empty').refine(isOneLine, 'has to be one line of plain text');
export const PersonName = OneLine.max(80);
export const RoleName = z.enum(ROLES);

/** What the first page needs to know, the first account, who is signed in, and the format's schema. */
export function startRoutes({ accounts, demo, setupCode }: Services) {
  return new Hono<Env>()
    .get('/start', anyone(), async (c) =>
      c.json({
        needsFirstAccount: (await accounts.count()) === 0,
        needsSetupCode: setupCode !== null,
        demoPeople: demo ? demo.people : null,
      }),
    )
    .post(
      '/first-account',
      anyone(),
      valid(
        'json',
        z.strictObject({
          username: Username,
          name: PersonName,
          password: Password,
          code: z.string().max(40).optional(),
        }),
      ),
      async (c) => {
        const { code = '', ...person } = c.req.valid('json');
        if (setupCode !== null) {
          const { address } = c.get('reached');
          await accounts.tries.before(address, 'setup');
          if (code.trim().toUpperCase() !== setupCode) {
            throw new Fault(
              403,
              'setup-code',
              'That is not the setup code.',
              'It was printed where the server was started; read it there.',
            );
          }
          await accounts.tries.succeeded(address, 'setup');
        }
        await accounts.addFirst(person);
        return c.json({ ok: true }, 201);
      },
    )
    .get('/me', anyone(), (c) => c.json({ person: c.get('person') }))
    .get('/format', only(...EVERYONE), (c) => c.json(packageJsonSchema()));
}
