import { openWorkshop, type Workshop, withJob, withRelease } from '../testing/workshop';
import { readJob } from './jobs';
import { sealOf } from './seal';

let workshop: Workshop;
let releaseId: string;
let stepIds: string[];
beforeAll(async () => {
  workshop = await openWorkshop();
  ({ releaseId, stepIds } = await withRelease(workshop));
});
afterAll(() => workshop.close());

let n = 0;
const entry = (content: object) => ({ id: `entry-${n++}`, at: '2026-01-05T08:30:00.000Z', content });
const send = (jobId: string, ...entries: object[]) =>
  workshop.call('technician', 'POST', `/api/jobs/${jobId}/entries`, { entries });
const overridden = (stepId: string | undefined, what: string) =>
  entry({ kind: 'overridden', stepId, what, reason: 'no light here' });
const done = (stepId: string | undefined) => entry({ kind: 'step-done', stepId });

test('starting twice with one id starts one job', async () => {
  await withJob(workshop, releaseId, 'twice');
  await withJob(workshop, releaseId, 'twice');
  const { json } = await workshop.call('technician', 'GET', '/api/jobs');
  expect((json.jobs as { id: string }[]).filter((job) => job.id === 'twice')).toHaveLength(1);
});

test('an entry sent twice is kept once', async () => {
  const jobId = await withJob(workshop, releaseId, 'again');
  const first = done(stepIds[0]);
  await send(jobId, first);
  const { status, json } = await send(jobId, first, done(stepIds[1]));
  expect(status).toBe(200);
  expect(json.entries).toHaveLength(2);
  expect(json.refused).toEqual([]);
});

test('each entry is judged by itself: one that does not hold, or is no entry at all, loses none of the others', async () => {
  const jobId = await withJob(workshop, releaseId, 'one-by-one');
  const early = done(stepIds[2]);
  const broken = { id: 'broken', at: 'yesterday', content: { kind: 'danced' } };
  const { status, json } = await send(jobId, done(stepIds[0]), early, broken, done(stepIds[1]));
  expect(status).toBe(200);
  expect(json.refused).toMatchObject([
    { id: early.id, code: 'step-not-in-hand', what: 'Another step is open now.' },
    { id: 'broken', code: 'bad-entry' },
  ]);
  const { entries } = await readJob(workshop.running.services.db, jobId);
  expect(entries.map(({ content }) => 'stepId' in content && content.stepId)).toEqual(stepIds.slice(0, 2));
});

test('an entry of another job is refused without breaking the ones beside it', async () => {
  const jobId = await withJob(workshop, releaseId, 'first-job');
  const entry = done(stepIds[0]);
  await send(jobId, entry);
  const other = await withJob(workshop, releaseId, 'second-job');
  const { status, json } = await send(other, entry, done(stepIds[0]));
  expect(status).toBe(200);
  expect(json.refused).toMatchObject([{ id: entry.id, code: 'other-job' }]);
  expect(json.entries).toHaveLength(1);
});

test('a photo entry needs a photo that arrived', async () => {
  const jobId = await withJob(workshop, releaseId, 'photo-first');
  await send(jobId, done(stepIds[0]), done(stepIds[1]));
  const { json } = await send(jobId, entry({ kind: 'photo-taken', stepId: stepIds[2], photo: 'a'.repeat(64) }));
  expect(json.refused).toMatchObject([{ code: 'no-photo' }]);
});

test('another technician takes over; the first is told', async () => {
  const jobId = await withJob(workshop, releaseId, 'handed-over');
  const take = await workshop.call('lead', 'POST', `/api/jobs/${jobId}/entries`, {
    entries: [entry({ kind: 'taken-over' })],
  });
  expect(take.status).toBe(200);
  const { json } = await send(jobId, done(stepIds[0]));
  expect(json.refused).toMatchObject([{ code: 'not-holder', what: 'Somebody else is working on this job now.' }]);
});

test('a finished job is sealed: the seal can be computed again, and nothing is added', async () => {
  const jobId = await withJob(workshop, releaseId, 'whole');
  const steps = stepIds.flatMap((stepId, i) => [
    ...(i === 2 ? [overridden(stepId, 'photo')] : []),
    ...(i === 6 ? [entry({ kind: 'torque-read', stepId, positionId: null, reading: { value: 45, unit: 'N·m' } })] : []),
    done(stepId),
  ]);
  expect((await send(jobId, ...steps)).status).toBe(200);
  expect((await workshop.call('lead', 'GET', `/api/jobs/${jobId}/record.pdf`)).json.fault?.code).toBe('not-finished');
  expect((await send(jobId, entry({ kind: 'finished' }))).status).toBe(200);
  const job = await readJob(workshop.running.services.db, jobId);
  expect(job.seal).toMatch(/^[0-9a-f]{64}$/);
  expect(sealOf(job, job.entries)).toBe(job.seal);
  const forged = job.entries.map((e) =>
    e.content.kind === 'overridden' ? { ...e, content: { ...e.content, reason: 'fine' } } : e,
  );
  expect(sealOf(job, forged)).not.toBe(job.seal);
  const late = await send(jobId, entry({ kind: 'problem', stepId: stepIds[0], note: 'leaks' }));
  expect(late.json.refused).toMatchObject([{ code: 'job-finished' }]);
});

test('a job is started on a release that exists', async () => {
  const { status } = await workshop.call('technician', 'POST', '/api/jobs', {
    id: 'nowhere',
    releaseId: 'none',
    workOrder: 'x',
    pumpSerial: 'x',
    customer: 'x',
    startedAt: '2026-01-05T08:00:00.000Z',
  });
  expect(status).toBe(404);
});
