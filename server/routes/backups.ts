import { Hono } from 'hono';
import { only, type SignedIn } from '../services/access';
import type { Services } from '../services/services';

/** When the last backup was made and that it was read back; kept by the lead. */
export function backupRoutes({ backups }: Services) {
  return new Hono<SignedIn>()
    .get('/backups', only('lead'), async (c) => c.json({ plan: backups.plan, backups: await backups.list() }))
    .post('/backups', only('lead'), async (c) => c.json(await backups.make(), 201));
}
