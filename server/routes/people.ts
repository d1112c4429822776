import { Hono } from 'hono';
import { z } from 'zod';
import { only, type SignedIn } from '../services/access';
import type { Services } from '../services/services';
import { valid } from '../services/validate';
import { Password, PersonName, RoleName, Username } from './start';

const NewPerson = z.strictObject({ username: Username, name: PersonName, role: RoleName, password: Password });
const PersonChange = z
  .strictObject({ name: PersonName, role: RoleName, active: z.boolean(), password: Password })
  .partial();

/** Accounts of the workshop, kept by the lead. */
export function peopleRoutes({ accounts }: Services) {
  return new Hono<SignedIn>()
    .get('/', only('lead'), async (c) => c.json({ people: await accounts.list() }))
    .post('/', only('lead'), valid('json', NewPerson), async (c) =>
      c.json({ id: await accounts.add(c.req.valid('json')) }, 201),
    )
    .patch('/:id', only('lead'), valid('json', PersonChange), async (c) => {
      await accounts.change(c.req.param('id'), defined(c.req.valid('json')));
      return c.json({ ok: true });
    });
}

function defined<T extends object>(change: T): { [K in keyof T]: Exclude<T[K], undefined> } {
  return Object.fromEntries(Object.entries(change).filter(([, value]) => value !== undefined)) as never;
}
