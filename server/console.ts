import { randomBytes } from 'node:crypto';
import { Readable } from 'node:stream';
import { Hono } from 'hono';
import { z } from 'zod';
import { makeBackup } from './backups/make';
import type { DatabaseEngine } from './database/engine';
import { answerFault, notFound } from './ground/fault';
import { PersonName, RoleName, Username } from './routes/start';
import type { Services } from './services/services';
import { valid } from './services/validate';

/** 20 signs of 64: nobody guesses it, and whoever gets it chooses another. */
const newPassword = () => randomBytes(15).toString('base64url');

/**
 * What the command line asks of the process that holds a data folder. It comes in by a door in that folder, which only
 * the account that runs the server can open; whoever can, could read the database as well.
 */
export function createConsole(
  services: Pick<Services, 'accounts' | 'places' | 'durable' | 'log'>,
  engine: DatabaseEngine,
) {
  const { accounts, places, durable, log } = services;
  const idOf = async (username: string) => {
    const person = await accounts.byUsername(username);
    if (!person) throw notFound(`user "${username}"`);
    return person.id;
  };
  const app = new Hono()
    .get('/backup', (c) =>
      c.body(Readable.toWeb(makeBackup(engine, places)) as ReadableStream, 200, {
        'Content-Type': 'application/gzip',
      }),
    )
    .get('/users', async (c) => c.json({ people: await accounts.list() }))
    .post(
      '/users',
      valid('json', z.strictObject({ username: Username, name: PersonName, role: RoleName })),
      async (c) => {
        const password = newPassword();
        await accounts.add({ ...c.req.valid('json'), password });
        await durable();
        return c.json({ password });
      },
    )
    .post('/users/:username/reset', async (c) => {
      const password = newPassword();
      await accounts.change(await idOf(c.req.param('username')), { password });
      await durable();
      return c.json({ password });
    })
    .post('/users/:username/deactivate', async (c) => {
      await accounts.change(await idOf(c.req.param('username')), { active: false });
      await durable();
      return c.json({ ok: true });
    });
  app.onError((error, c) => answerFault(error, c, log));
  return app;
}
