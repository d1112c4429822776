import { Hono } from 'hono';
import { z } from 'zod';
import { Moment } from '#core/job/entry';
import { WAITS_FOR } from '#core/job/entry-words';
import { pumpAddress } from '#core/job/pump-code';
import { Id } from '#core/model/ids';
import { UNIT_PREFERENCES } from '#core/quantity/preference';
import { Fault } from '../ground/fault';
import { zoneOfWorkshop } from '../print/words';
import { BENCH, EVERYONE, only, type SignedIn } from '../services/access';
import type { Services } from '../services/services';
import { valid } from '../services/validate';
import { addEntries } from '../store/entries';
import { readJob, startJob } from '../store/jobs';
import { JOB_GROUPS, JOB_ORDER_NAMES, listJobs } from '../store/lists';
import { partsToGet } from '../store/parts';
import { pumpHistory } from '../store/pumps';
import { exportedRecord, sealJob, signatureOf } from '../store/sealing';
import { answerPdf } from './pdf';
import { OneLine } from './start';

const Label = OneLine.max(120);
const NewJob = z.strictObject({
  id: Id,
  releaseId: Id,
  workOrder: Label,
  pumpSerial: Label,
  customer: Label,
  hours: z.number().min(0).max(1_000_000).optional(),
  startedAt: Moment,
});
/** Where the reader is; times are printed by it. */
const Zone = z.string().max(60).refine(isZone, 'no-such-zone');

const RecordAsked = z.strictObject({
  zone: Zone.optional(),
  reader: z.enum(['workshop', 'customer']).default('workshop'),
  units: z.enum(UNIT_PREFERENCES).default('as-given'),
});

function isZone(zone: string): boolean {
  try {
    return Intl.DateTimeFormat('en', { timeZone: zone }) !== undefined;
  } catch {
    return false;
  }
}

/** What a device may send at once; the rest follows. */
const MOST_ENTRIES = 500;
const SentEntries = z.strictObject({
  // Each entry is judged by itself, so a broken one does not refuse the others.
  entries: z.array(z.unknown()).min(1).max(MOST_ENTRIES),
  known: z.int().min(0).default(0),
  sentAt: z.iso.datetime().optional(),
});
/** A list is asked for a page at a time. */
export const PageAsked = { search: z.string().trim().max(120).optional(), after: z.string().max(1200).optional() };
const JobsAsked = z.strictObject({
  ...PageAsked,
  group: z.enum(JOB_GROUPS).default('open'),
  order: z.enum(JOB_ORDER_NAMES).default('number'),
  waits: z.enum(WAITS_FOR).optional(),
});

/** Jobs at the bench and the records that come out of them. */
export function jobRoutes({ db, places, work, workshopKey }: Services) {
  return new Hono<SignedIn>()
    .get('/jobs', only(...EVERYONE), valid('query', JobsAsked), async (c) =>
      c.json(await listJobs(db, c.req.valid('query'))),
    )
    .post('/jobs', only(...BENCH), valid('json', NewJob), async (c) => {
      const details = c.req.valid('json');
      await startJob(db, details, c.get('person').id);
      return c.json(await readJob(db, details.id), 201);
    })
    .get('/parts', only(...EVERYONE), async (c) => c.json({ parts: await partsToGet(db) }))
    .get('/pumps/:serial', only(...EVERYONE), async (c) =>
      c.json({ jobs: await pumpHistory(db, c.req.param('serial')) }),
    )
    .get('/pumps/:serial/label.pdf', only(...EVERYONE), async (c) => {
      const serial = c.req.param('serial');
      const [latest] = await pumpHistory(db, serial);
      const address = pumpAddress(c.get('reached').origin, serial);
      return answerPdf(c, `label ${serial}`, await work.do('labelPdf', serial, latest?.seriesName ?? '', address));
    })
    .get('/jobs/:id', only(...EVERYONE), async (c) => c.json(await readJob(db, c.req.param('id'))))
    .get('/jobs/:id/seal', only(...EVERYONE), async (c) => c.json({ seal: await signatureOf(db, c.req.param('id')) }))
    .post('/jobs/:id/entries', only(...BENCH), valid('json', SentEntries, 'entries'), async (c) => {
      const id = c.req.param('id');
      const taken = await addEntries(db, id, c.req.valid('json'), c.get('person').id);
      if (taken.entries.some(({ content }) => content.kind === 'finished')) await sealJob(db, workshopKey, id);
      return c.json(taken);
    })
    .get('/jobs/:id/record.json', only(...EVERYONE), async (c) => {
      const record = await exportedRecord(db, workshopKey, c.req.param('id'));
      c.header('Content-Disposition', `attachment; filename="record-${record.record.job.number}.json"`);
      return c.json(record);
    })
    .get('/jobs/:id/record.pdf', only(...EVERYONE), valid('query', RecordAsked), async (c) => {
      const job = await readJob(db, c.req.param('id'));
      if (!job.finishedAt) {
        throw new Fault(
          409,
          'not-finished',
          'The job is not finished.',
          'Finish it at the bench; then its record can be printed.',
        );
      }
      const { reader, units, zone = zoneOfWorkshop() } = c.req.valid('query');
      return answerPdf(
        c,
        `record ${job.number}`,
        await work.do('recordPdf', job, await signatureOf(db, job.id), places.photos, { reader, units, zone }),
      );
    });
}
