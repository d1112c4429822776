import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buffer } from 'node:stream/consumers';
import { gunzipSync, gzipSync } from 'node:zlib';
import sharp from 'sharp';
import { extract, pack } from 'tar-stream';
import { serve } from '../serve';
import { openWorkshop, type Parsed, signIn, type Workshop, withJob, withRelease } from '../testing/workshop';
import { ABOUT } from './manifest';
import { restoreBackup } from './restore';

let workshop: Workshop;
let base: string;
let jobId: string;
let photo: string;
beforeAll(async () => {
  base = await mkdtemp(join(tmpdir(), 'fukusa-backup-'));
  workshop = await openWorkshop();
  const { releaseId, stepIds } = await withRelease(workshop);
  jobId = await withJob(workshop, releaseId, 'backed-up');
  const picture = await sharp({ create: { width: 30, height: 20, channels: 3, background: 'teal' } })
    .png()
    .toBuffer();
  photo = (await workshop.call('technician', 'POST', '/api/photos', new Uint8Array(picture))).json.hash;
  const content = { kind: 'photo-taken', stepId: stepIds[0], photo };
  await workshop.call('technician', 'POST', `/api/jobs/${jobId}/entries`, {
    entries: [{ id: 'kept', at: '2026-01-05T08:30:00.000Z', content }],
  });
});
afterAll(async () => {
  await workshop.close();
  await rm(base, { recursive: true, force: true });
});

/** A backup as the command line asks for it, of the server that is running. */
async function backup(name: string): Promise<string> {
  const { createConsole } = await import('../console');
  const { services, engine } = workshop.running;
  const response = await createConsole(services, engine).request('/backup');
  const file = join(base, name);
  await writeFile(file, Buffer.from(await response.arrayBuffer()));
  return file;
}

test('a backup made while people write is whole: everything acknowledged before it is in it', async () => {
  let writing = true;
  const written: string[] = [];
  const writer = (async () => {
    for (let i = 0; writing; i += 1) {
      const { status } = await workshop.call('trainer', 'POST', '/api/series', {
        name: `Meanwhile ${i}`,
        code: `M-${i}`,
        pumpType: 'gear',
        positionSets: [],
      });
      if (status === 201) written.push(`M-${i}`);
    }
  })();
  while (written.length < 3) await new Promise((resolve) => setTimeout(resolve, 5));
  const before = [...written];
  const file = await backup('busy.fukusa-backup').finally(() => {
    writing = false;
  });
  await writer;

  const folder = join(base, 'restored');
  expect(await restoreBackup(file, folder)).toMatchObject({ people: 4, jobs: 1, entries: 1, photos: 1 });
  const restored = await serve({ dataFolder: folder, port: 0 });
  const cookie = await signIn(restored.url, 'technician');
  const read = async (path: string) => fetch(restored.url + path, { headers: { cookie } });
  const job = (await (await read(`/api/jobs/${jobId}`)).json()) as Parsed;
  expect(job.entries).toMatchObject([{ id: 'kept', content: { photo } }]);
  expect((await read(`/api/photos/${photo}`)).status).toBe(200);
  const found = await Promise.all(
    before.map(async (code) => ((await (await read(`/api/shelf?search=${code}`)).json()) as Parsed).count),
  );
  expect(found.filter((count) => count === 0)).toEqual([]);
  // Those who were signed in when it was made are not signed in now.
  const old = await fetch(`${restored.url}/api/me`, { headers: { cookie: workshop.cookies.lead } });
  expect(((await old.json()) as Parsed).person).toBeNull();
  await restored.close();
}, 120_000);

/** The same backup with one of its files changed. */
async function tampered(file: string, name: string, change: (bytes: Buffer) => Buffer): Promise<string> {
  const [from, to] = [extract(), pack()];
  const copying = (async () => {
    for await (const one of from) {
      const bytes = await buffer(one as never);
      const changed = one.header.name === name ? change(bytes) : bytes;
      to.entry({ name: one.header.name }, changed);
    }
    to.finalize();
  })();
  from.end(gunzipSync(await readFile(file)));
  const written = await buffer(to as never);
  await copying;
  const path = `${file}-tampered`;
  await writeFile(path, gzipSync(written));
  return path;
}

test('a backup that is damaged, cut short or of a newer version is refused, and the folder stays empty', async () => {
  const file = await backup('whole.fukusa-backup');
  const folder = join(base, 'refused');
  const broken = await tampered(file, 'database/PG_VERSION', () => Buffer.from('19\n'));
  await expect(restoreBackup(broken, folder)).rejects.toMatchObject({
    code: 'broken-backup',
    what: expect.stringContaining('database/PG_VERSION is not what was backed up'),
  });
  const bytes = await readFile(file);
  await writeFile(`${file}-short`, bytes.subarray(0, bytes.length / 2));
  await expect(restoreBackup(`${file}-short`, folder)).rejects.toMatchObject({ code: 'broken-backup' });
  const newer = await tampered(file, ABOUT, (about) =>
    Buffer.from(JSON.stringify({ ...JSON.parse(about.toString()), tables: 99, program: '7.0.0' })),
  );
  await expect(restoreBackup(newer, folder)).rejects.toMatchObject({
    code: 'newer-backup',
    what: expect.stringContaining('7.0.0'),
  });
  await restoreBackup(file, folder);
  await expect(restoreBackup(file, folder)).rejects.toMatchObject({ code: 'folder-filled' });
}, 120_000);

test('the lead makes one, sees that it was read back, and only so many are kept', async () => {
  const first = await workshop.call('lead', 'POST', '/api/backups');
  expect(first.status).toBe(201);
  expect(first.json.readBack).toMatchObject({ problem: null, jobs: 1, entries: 1 });
  const { json } = await workshop.call('lead', 'GET', '/api/backups');
  expect(json.backups).toMatchObject([{ name: first.json.name, bytes: expect.any(Number) }]);
  expect((await workshop.call('trainer', 'GET', '/api/backups')).status).toBe(403);
}, 120_000);
