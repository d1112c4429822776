import { openWorkshop, type Workshop, withJob, withRelease } from '../testing/workshop';
import { readJob, sealOf } from './jobs';

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
});

test('entries are taken in all or none, and the refusal says why', async () => {
  const jobId = await withJob(workshop, releaseId, 'all-or-none');
  const { status, json } = await send(jobId, done(stepIds[0]), done(stepIds[2]));
  expect(status).toBe(409);
  expect(json.fault).toMatchObject({ code: 'step-not-in-hand' });
  expect((await readJob(workshop.running.services.db, jobId)).entries).toHaveLength(0);
});

test('a photo entry needs a photo that arrived', async () => {
  const jobId = await withJob(workshop, releaseId, 'photo-first');
  await send(jobId, done(stepIds[0]), done(stepIds[1]));
  const { json } = await send(jobId, entry({ kind: 'photo-taken', stepId: stepIds[2], photo: 'a'.repeat(64) }));
  expect(json.fault?.code).toBe('no-photo');
});

test('another technician takes over; the first is told', async () => {
  const jobId = await withJob(workshop, releaseId, 'handed-over');
  const take = await workshop.call('lead', 'POST', `/api/jobs/${jobId}/entries`, {
    entries: [entry({ kind: 'taken-over' })],
  });
  expect(take.status).toBe(200);
  const { json } = await send(jobId, done(stepIds[0]));
  expect(json.fault).toMatchObject({ code: 'not-holder', what: 'Somebody else has this job in hand now.' });
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
  expect((await send(jobId, entry({ kind: 'problem', stepId: stepIds[0], note: 'leaks' }))).json.fault?.code).toBe(
    'job-finished',
  );
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
