import { ed25519 } from '@noble/curves/ed25519.js';
import { eq } from 'drizzle-orm';
import sharp from 'sharp';
import type { EntryContent } from '#core/job/entry';
import { textToSign } from '#core/job/text-to-sign';
import { DOCUMENT_FORMAT } from '#core/model/migrations/migrate';
import * as table from '../database/schema';
import type { Role } from '../ground/roles';
import { openWorkshop, type Workshop, withJob, withRelease } from '../testing/workshop';

let workshop: Workshop;
let releaseId: string;
let stepIds: string[];
const ids = {} as Record<Role, string>;
beforeAll(async () => {
  workshop = await openWorkshop();
  ({ releaseId, stepIds } = await withRelease(workshop));
  for (const { id, role } of await workshop.running.services.accounts.list()) ids[role] = id;
});
afterAll(() => workshop.close());

/** A key of somebody on a tablet, as the app makes it when they sign in. */
async function keyOf(role: Role) {
  const secret = ed25519.utils.randomSecretKey();
  const publicKey = Buffer.from(ed25519.getPublicKey(secret)).toString('base64url');
  const { json } = await workshop.call(role, 'POST', '/api/auth/keys', { deviceId: 'tablet-12', publicKey });
  return { secret, keyId: String(json.id) };
}
type Key = Awaited<ReturnType<typeof keyOf>>;

let n = 0;
function signed(key: Key, jobId: string, by: string, content: EntryContent) {
  n += 1;
  const text = textToSign({ id: `signed-${n}`, jobId, at: '2026-01-05T08:30:00.000Z', by, content });
  const signature = Buffer.from(ed25519.sign(Buffer.from(text), key.secret)).toString('base64url');
  return { text, keyId: key.keyId, signature };
}
const done = (at: number): EntryContent => ({ kind: 'step-done', stepId: stepIds[at] ?? '' });
const send = (as: Role, jobId: string, ...entries: object[]) =>
  workshop.call(as, 'POST', `/api/jobs/${jobId}/entries`, { entries });
const rows = (jobId: string) =>
  workshop.running.services.db.select().from(table.entry).where(eq(table.entry.jobId, jobId));

test('an entry made by one and sent while another is signed in is kept as the maker’s, and the sender apart', async () => {
  const jobId = await withJob(workshop, releaseId, 'made-offline');
  const key = await keyOf('technician');
  const { json } = await send('trainer', jobId, signed(key, jobId, ids.technician, done(0)));
  expect(json.refused).toEqual([]);
  expect(json.entries).toMatchObject([{ by: ids.technician, sentBy: ids.trainer }]);
  expect(await rows(jobId)).toMatchObject([
    { by: ids.technician, sentBy: ids.trainer, deviceId: 'tablet-12', keyId: key.keyId },
  ]);
});

test('who claims to be another is not believed: it waits for its maker, and nothing is written', async () => {
  const jobId = await withJob(workshop, releaseId, 'claimed');
  const mine = await keyOf('trainer');
  const claim = { id: 'claim', at: '2026-01-05T08:30:00.000Z', by: ids.technician, content: done(0) };
  const withMyKey = signed(mine, jobId, ids.technician, done(0));
  const real = signed(await keyOf('technician'), jobId, ids.technician, done(0));
  const changed = { ...real, text: real.text.replace('step-done', 'went-back') };
  const { json } = await send('trainer', jobId, claim, withMyKey, changed);
  expect(json.refused.map(({ code }: { code: string }) => code)).toEqual(['not-proved', 'not-proved', 'not-proved']);
  expect(await rows(jobId)).toEqual([]);
  const own = await send('technician', jobId, claim);
  expect(own.json.refused).toEqual([]);
});

test('an entry signed for one job is not taken into another', async () => {
  const jobId = await withJob(workshop, releaseId, 'right-job');
  await withJob(workshop, releaseId, 'wrong-job');
  const { json } = await send(
    'technician',
    'wrong-job',
    signed(await keyOf('technician'), jobId, ids.technician, done(0)),
  );
  expect(json.refused).toMatchObject([{ code: 'other-job' }]);
});

test('the key of somebody who was locked out proves nothing any more', async () => {
  const jobId = await withJob(workshop, releaseId, 'locked-out');
  const { json } = await workshop.call('lead', 'POST', '/api/people', {
    username: 'leaver',
    name: 'Leaver',
    role: 'technician',
    password: 'a long enough password',
  });
  const key = await keyOf('trainer');
  await workshop.running.services.db
    .update(table.deviceKey)
    .set({ personId: json.id })
    .where(eq(table.deviceKey.id, key.keyId));
  await workshop.call('lead', 'PATCH', `/api/people/${json.id}`, { active: false });
  const sent = await send('trainer', jobId, signed(key, jobId, json.id, { kind: 'taken-over' }));
  expect(sent.json.refused).toMatchObject([{ code: 'not-proved' }]);
});

test('who may not work at the bench does not get there by a key', async () => {
  const jobId = await withJob(workshop, releaseId, 'demoted');
  const key = { deviceId: 'tablet-12', publicKey: 'a'.repeat(43) };
  expect((await workshop.call('apprentice', 'POST', '/api/auth/keys', key)).status).toBe(403);
  const { json } = await workshop.call('lead', 'POST', '/api/people', {
    username: 'demoted',
    name: 'Demoted',
    role: 'apprentice',
    password: 'a long enough password',
  });
  const old = await keyOf('technician');
  await workshop.running.services.db
    .update(table.deviceKey)
    .set({ personId: json.id })
    .where(eq(table.deviceKey.id, old.keyId));
  const sent = await send('technician', jobId, signed(old, jobId, json.id, { kind: 'taken-over' }));
  expect(sent.json.refused).toMatchObject([{ code: 'not-proved' }]);
});

test('what is refused was judged by the job as it is, not as another process left it in memory', async () => {
  const jobId = await withJob(workshop, releaseId, 'two-processes');
  const { db } = workshop.running.services;
  const entry = (id: string, content: EntryContent) => ({ id, at: '2026-01-05T08:30:00.000Z', content });
  await send('technician', jobId, entry('first', { kind: 'paused' }));
  // Another process goes on with the job, which this one does not hear of.
  await db.insert(table.entry).values({
    ...entry('resumed', { kind: 'resumed' }),
    at: new Date(),
    jobId,
    sequence: 2,
    by: ids.technician,
    format: DOCUMENT_FORMAT,
  });
  await db.update(table.job).set({ entries: 2, phase: 'running' }).where(eq(table.job.id, jobId));
  const { json } = await send('technician', jobId, entry('done', done(0)));
  expect(json.refused).toEqual([]);
});

test('a photo is named by what the tablet took, and found under what was made of it', async () => {
  const jobId = await withJob(workshop, releaseId, 'photo-by-source');
  const taken = await sharp({ create: { width: 40, height: 30, channels: 3, background: 'teal' } })
    .png()
    .toBuffer();
  const { createHash } = await import('node:crypto');
  const source = createHash('sha256').update(taken).digest('hex');
  const key = await keyOf('technician');
  const photo = signed(key, jobId, ids.technician, { kind: 'photo-taken', stepId: stepIds[0] ?? '', photo: source });
  expect((await send('technician', jobId, photo)).json.refused).toMatchObject([{ code: 'no-photo' }]);
  const { json: stored } = await workshop.call('technician', 'POST', '/api/photos', new Uint8Array(taken));
  const { json } = await send('technician', jobId, photo);
  expect(json.entries).toMatchObject([{ content: { photo: stored.hash } }]);
});

test('the clock of a tablet that is off is kept as it was, and by how much', async () => {
  const jobId = await withJob(workshop, releaseId, 'slow-clock');
  const entry = { id: 'slow', at: '2026-01-05T08:30:00.000Z', content: done(0) };
  const sentAt = new Date(Date.now() - 3 * 3600_000).toISOString();
  const { json } = await workshop.call('technician', 'POST', `/api/jobs/${jobId}/entries`, {
    entries: [entry],
    sentAt,
  });
  const [taken] = json.entries;
  expect(taken.at).toBe('2026-01-05T08:30:00.000Z');
  expect(Math.round(taken.clockBehindMs / 3600_000)).toBe(3);
});

test('five hundred entries at once are one round, each judged by itself', async () => {
  const jobId = await withJob(workshop, releaseId, 'many');
  const problem = (i: number) => ({
    id: `many-${i}`,
    at: '2026-01-05T08:30:00.000Z',
    content: { kind: 'problem', stepId: stepIds[0], note: i === 250 ? 'a NUL \u0000 in it' : `scratch number ${i}` },
  });
  const { status, json } = await send('technician', jobId, ...Array.from({ length: 500 }, (_, i) => problem(i)));
  expect(status).toBe(200);
  expect(json.entries).toHaveLength(499);
  expect(json.refused).toMatchObject([{ id: 'many-250', code: 'bad-entry' }]);
});

test('many devices that add to one job at the same time lose nothing', async () => {
  const jobId = await withJob(workshop, releaseId, 'crowded');
  const note = (i: number) => ({
    id: `crowd-${i}`,
    at: '2026-01-05T08:30:00.000Z',
    content: { kind: 'problem', stepId: stepIds[0], note: `scratch number ${i}` },
  });
  const sent = await Promise.all(Array.from({ length: 24 }, (_, i) => send('technician', jobId, note(i))));
  expect(sent.map(({ status }) => status)).toEqual(sent.map(() => 200));
  const kept = await rows(jobId);
  expect(kept.map(({ sequence }) => sequence).sort((a, b) => a - b)).toEqual(
    Array.from({ length: 24 }, (_, i) => i + 1),
  );
});
