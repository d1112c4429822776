import { upgradeWebSocket } from '@hono/node-server';
import { eq } from 'drizzle-orm';
import { Hono } from 'hono';
import { createMiddleware } from 'hono/factory';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import { FromDevice, FromTablet } from '#core/devices/message';
import * as table from '../database/schema';
import { servedSocket } from '../devices/sockets';
import { Fault, notFound } from '../ground/fault';
import { anyone, BENCH, type Env, only } from '../services/access';
import type { Services } from '../services/services';

/** Codes that one address may try within a minute. */
const CODES_A_MINUTE = 10;
const FIRST_WORD_MS = 10_000;

/** A page of another address could open a socket with the cookie of this one; sockets are no plain requests. */
const ownPages = createMiddleware<Env>(async (c, next) => {
  const from = c.req.header('origin');
  const { origin } = c.get('reached');
  if (from !== undefined && from !== origin) {
    throw new Fault(403, 'other-origin', `This page is at ${from}; the server is at ${origin}.`, 'Open the app there.');
  }
  if (c.req.header('upgrade')?.toLowerCase() !== 'websocket') {
    throw new Fault(426, 'socket-only', 'This address is for WebSocket connections.', 'See docs/devices.md.');
  }
  await next();
});

/** Connected devices, and the tablets they are paired with. */
export function deviceRoutes({ db, devices, accounts }: Services) {
  const codes = new RateLimiterMemory({ points: CODES_A_MINUTE, duration: 60 });
  const isOpen = async (id: string) => {
    const [job] = await db.select({ finishedAt: table.job.finishedAt }).from(table.job).where(eq(table.job.id, id));
    if (!job) throw notFound('job');
    return job.finishedAt === null;
  };
  return new Hono<Env>()
    .get(
      '/jobs/:id/devices',
      only(...BENCH),
      ownPages,
      async (c, next) => {
        if (!(await isOpen(c.req.param('id'))))
          throw new Fault(409, 'job-finished', 'The job is finished.', 'Nothing more can be measured in it.');
        await next();
      },
      upgradeWebSocket((c) => {
        const jobId = c.req.param('id') ?? '';
        const cookie = c.req.header('cookie');
        return servedSocket({
          schema: FromTablet,
          seat: (wire) => devices.tablet(jobId, wire),
          // Signed out, or the job finished.
          mayStay: async () => (await accounts.sessions.find(cookie)) !== null && (await isOpen(jobId)),
          firstWordMs: FIRST_WORD_MS,
        });
      }),
    )
    .get(
      '/devices',
      anyone(),
      ownPages,
      upgradeWebSocket((c) => {
        const { address } = c.get('reached');
        return servedSocket({
          schema: FromDevice,
          seat: (wire) => {
            const seat = devices.device(wire);
            return {
              ...seat,
              receive: (message) => {
                if (message.is !== 'hello' || message.token !== undefined) return seat.receive(message);
                codes.consume(address).then(
                  () => seat.receive(message),
                  () => {
                    wire.send({ is: 'refused', why: 'too-much' });
                    wire.close();
                  },
                );
              },
            };
          },
          mayStay: async () => true,
          firstWordMs: FIRST_WORD_MS,
        });
      }),
    );
}
