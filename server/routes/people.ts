import { Hono } from 'hono';
import { z } from 'zod';
import { Fault, notFound } from '../ground/fault';
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
    .post('/', only('lead'), valid('json', NewPerson), async (c) => {
      const person = c.req.valid('json');
      if (await accounts.has(person.username)) {
        throw new Fault(409, 'name-taken', `The user name "${person.username}" is taken.`, 'Choose another.');
      }
      return c.json({ id: await accounts.add(person) }, 201);
    })
    .patch('/:id', only('lead'), valid('json', PersonChange), async (c) => {
      const id = c.req.param('id');
      const people = await accounts.list();
      const person = people.find((candidate) => candidate.id === id);
      if (!person) throw notFound('person');
      const change = c.req.valid('json');
      const losesLead = person.role === 'lead' && (change.active === false || (change.role && change.role !== 'lead'));
      const otherLeads = people.filter((other) => other.id !== id && other.role === 'lead' && other.active);
      if (losesLead && otherLeads.length === 0) {
        throw new Fault(409, 'last-lead', 'Somebody has to remain lead.', 'Make another person lead first.');
      }
      await accounts.change(id, defined(change));
      return c.json({ ok: true });
    });
}

function defined<T extends object>(change: T): { [K in keyof T]: Exclude<T[K], undefined> } {
  return Object.fromEntries(Object.entries(change).filter(([, value]) => value !== undefined)) as never;
}
