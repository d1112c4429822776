import { Hono } from 'hono';
import { z } from 'zod';
import { Id } from '#core/model/ids';
import { Fault } from '../ground/fault';
import { recordPdf } from '../print/record';
import { BENCH, EVERYONE, only, type SignedIn } from '../services/access';
import type { Services } from '../services/services';
import { valid } from '../services/validate';
import { addEntries, listJobs, readJob, startJob } from '../store/jobs';
import { answerPdf } from './pdf';

const Label = z.string().trim().min(1, 'is empty').max(120);
const NewJob = z.strictObject({
  id: Id,
  releaseId: Id,
  workOrder: Label,
  pumpSerial: Label,
  customer: Label,
  startedAt: z.iso.datetime(),
});

/** Jobs at the bench and the records that come out of them. */
export function jobRoutes({ db, photos }: Services) {
  return new Hono<SignedIn>()
    .get('/jobs', only(...EVERYONE), async (c) => c.json({ jobs: await listJobs(db) }))
    .post('/jobs', only(...BENCH), valid('json', NewJob), async (c) => {
      const details = c.req.valid('json');
      await startJob(db, details, c.get('person').id);
      return c.json(await readJob(db, details.id), 201);
    })
    .get('/jobs/:id', only(...EVERYONE), async (c) => c.json(await readJob(db, c.req.param('id'))))
    .post(
      '/jobs/:id/entries',
      only(...BENCH),
      // Each entry is judged by itself, so a broken one does not refuse the others.
      valid('json', z.strictObject({ entries: z.array(z.unknown()).min(1).max(500) })),
      async (c) => c.json(await addEntries(db, c.req.param('id'), c.req.valid('json').entries, c.get('person').id)),
    )
    .get('/jobs/:id/record.pdf', only(...EVERYONE), async (c) => {
      const job = await readJob(db, c.req.param('id'));
      if (!job.finishedAt) {
        throw new Fault(
          409,
          'not-finished',
          'The job is not finished.',
          'Finish it at the bench; then its record can be printed.',
        );
      }
      return answerPdf(c, `record ${job.number}`, await recordPdf(job, (hash) => photos.read(hash)));
    });
}
