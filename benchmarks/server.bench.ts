import { randomUUID } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { serve as listen } from '@hono/node-server';
import { eq, sql } from 'drizzle-orm';
import { Hono } from 'hono';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import sharp from 'sharp';
import { openStore } from '../server/database/open';
import * as table from '../server/database/schema';
import { serve } from '../server/serve';
import { readWorkbook } from '../server/store/documents';
import { listJobs, newestReleases, readShelf } from '../server/store/lists';
import { ended, startMain } from '../server/testing/process';
import { PASSWORD, signIn, testPackage } from '../server/testing/workshop';
import { longProcedure } from './clean-procedures';

/**
 * The server beside a bare one: Hono with the same driver and the same query on the same database, nothing checked.
 * Both run in this process and are asked in turn, so that the ratios are of one run; the times are of this machine.
 */
const STEPS = 500;
/** More than fifty pages on paper. */
const PRINTED_STEPS = 1500;
const SIZES = [100, 10_000];
const ROUNDS = 60;

const folder = await mkdtemp(join(tmpdir(), 'fukusa-bench-'));
const startedAt = performance.now();
const running = await serve({ dataFolder: folder, port: 0, signInTries: 10_000 });
const startOurs = performance.now() - startedAt;
const { db, accounts } = running.services;
const { engine } = running;
const lead = await accounts.add({ username: 'lead', name: 'Lead', role: 'lead', password: PASSWORD });
const cookie = await signIn(running.url, 'lead');

const { series, procedure } = longProcedure(STEPS, 220);
const call = async (method: string, path: string, body?: object) => {
  const response = await fetch(running.url + path, {
    method,
    headers: { cookie, origin: running.url, 'content-type': 'application/json', 'accept-encoding': 'identity' },
    ...(body && { body: JSON.stringify(body) }),
  });
  const json = await response.json();
  if (!response.ok) throw new Error(`${method} ${path}: ${JSON.stringify(json).slice(0, 400)}`);
  return json as ReturnType<typeof JSON.parse>;
};
const small = testPackage();
await call('POST', '/api/packages', { package: { ...small, series, procedures: [procedure] }, when: 'new' });
await call('POST', '/api/packages', { package: small, when: 'new' });
const [smallProcedure] = small.procedures;
const at = await call('GET', `/api/procedures/${smallProcedure?.id}`);
const release = await call('POST', `/api/procedures/${smallProcedure?.id}/releases`, {
  version: at.procedure.version,
  seriesVersion: at.series.version,
});
await running.services.checking.settled();
const thick = longProcedure(PRINTED_STEPS, 220);
const printed = {
  ...small,
  series: { ...thick.series, id: 'printed', code: 'P-1' },
  procedures: [{ ...thick.procedure, id: 'printed-procedure', seriesId: 'printed' }],
};
await call('POST', '/api/packages', { package: printed, when: 'new' });
await running.services.checking.settled();
const toPrint = await call('GET', '/api/procedures/printed-procedure');
const thickRelease = await call('POST', '/api/procedures/printed-procedure/releases', {
  version: toPrint.procedure.version,
  seriesVersion: toPrint.series.version,
});

/** The bare peer. */
const bare = new Hono()
  .get('/session', async (c) =>
    c.json(
      await db.select().from(table.session).innerJoin(table.user, eq(table.user.id, table.session.userId)).limit(1),
    ),
  )
  .get('/draft/:id', async (c) =>
    c.json(
      await db
        .select()
        .from(table.procedure)
        .innerJoin(table.series, eq(table.series.id, table.procedure.seriesId))
        .where(eq(table.procedure.id, c.req.param('id'))),
    ),
  )
  .get('/release/:id', async (c) =>
    c.json(
      await db
        .select()
        .from(table.release)
        .where(eq(table.release.id, c.req.param('id'))),
    ),
  )
  .put('/draft/:id', async (c) => {
    const [row] = await db
      .select()
      .from(table.procedure)
      .where(eq(table.procedure.id, c.req.param('id')));
    if (!row) return c.notFound();
    const { index, why } = await c.req.json();
    const steps = row.document.steps.map((step, i) => (i === index ? { ...step, why } : step));
    await db
      .update(table.procedure)
      .set({ document: { ...row.document, steps }, version: row.version + 1 })
      .where(eq(table.procedure.id, row.id));
    await engine.durable();
    return c.json({ ok: true });
  })
  .post('/entry/:job', async (c) => {
    const content = await c.req.json();
    const jobId = c.req.param('job');
    const [{ n = 0 } = {}] = await db
      .select({ n: sql<number>`count(*)::int` })
      .from(table.entry)
      .where(eq(table.entry.jobId, jobId));
    await db
      .insert(table.entry)
      .values({ id: randomUUID(), jobId, sequence: n + 1, at: new Date(), by: lead, content });
    await engine.durable();
    return c.json({ ok: true });
  })
  .get('/jobs', async (c) => c.json(await listJobs(db, { group: 'open', order: 'number' })))
  .get('/releases', async (c) => c.json(await newestReleases(db, {})))
  .get('/shelf', async (c) => c.json(await readShelf(db, {})));
const peer = listen({ fetch: bare.fetch, port: 0 });
await new Promise((resolve) => peer.once('listening', resolve));
const address = peer.address();
const bareUrl = `http://localhost:${typeof address === 'object' ? address?.port : ''}`;

const median = (times: number[]) => times.sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;
async function timed(work: () => Promise<unknown>): Promise<number> {
  const from = performance.now();
  await work();
  return performance.now() - from;
}
const fetchBare = async (method: string, path: string, body?: object) => {
  const response = await fetch(bareUrl + path, {
    method,
    headers: { 'content-type': 'application/json', 'accept-encoding': 'identity' },
    ...(body && { body: JSON.stringify(body) }),
  });
  return response.json();
};

/** Both in turn, and the median of each. */
async function beside(name: string, ours: () => Promise<unknown>, bareOne: () => Promise<unknown>, goal: number) {
  const [mine, theirs]: [number[], number[]] = [[], []];
  for (let i = 0; i < ROUNDS; i += 1) {
    mine.push(await timed(ours));
    theirs.push(await timed(bareOne));
  }
  const [a, b] = [median(mine), median(theirs)];
  console.log(
    `${name.padEnd(34)} ${(a / b).toFixed(2)} x bare (goal ${goal})   ${a.toFixed(2)} ms beside ${b.toFixed(2)} ms`,
  );
}

await beside(
  'session check',
  () => call('GET', '/api/me'),
  () => fetchBare('GET', '/session'),
  1.5,
);
await beside(
  `draft of ${STEPS} steps`,
  () => call('GET', `/api/procedures/${procedure.id}`),
  () => fetchBare('GET', `/draft/${procedure.id}`),
  1.5,
);
await beside(
  'release',
  () => call('GET', `/api/releases/${release.id}`),
  () => fetchBare('GET', `/release/${release.id}`),
  1.5,
);
let draft = await readWorkbook(db, procedure.id);
let seriesVersion = draft.series.version;
let procedureVersion = draft.procedure.version;
let n = 0;
const save = async () => {
  n += 1;
  const stepId = procedure.steps[n % STEPS]?.id;
  const saved = await call('PATCH', `/api/procedures/${procedure.id}`, {
    seriesVersion,
    procedureVersion,
    edits: [{ kind: 'change', stepId, fields: { why: `Because of reason ${n}` } }],
  });
  ({ seriesVersion, procedureVersion } = saved);
};
const saveBare = async () => {
  n += 1;
  await fetchBare('PUT', `/draft/${small.procedures[0]?.id}-bare`, { index: n % STEPS, why: `Because of reason ${n}` });
};
await db.execute(sql`INSERT INTO ${table.procedure} (id, series_id, title, document, format)
  SELECT ${`${small.procedures[0]?.id}-bare`}, series_id, title, document, format FROM ${table.procedure} WHERE id = ${procedure.id}`);
await beside('saving one field', save, saveBare, 2);

const job = (id: string) =>
  call('POST', '/api/jobs', {
    ...{ id, releaseId: release.id, workOrder: 'WO', pumpSerial: 'S-1', customer: 'Some dairy' },
    startedAt: new Date().toISOString(),
  });
await job('bench');
await job('bench-bare');
const problem = () => ({ kind: 'problem', stepId: smallProcedure?.steps[0]?.id, note: `scratch number ${n}` });
let known = 0;
const entry = (count: number) => async () => {
  const entries = Array.from({ length: count }, () => {
    n += 1;
    return { id: `e-${n}`, at: new Date().toISOString(), content: problem() };
  });
  await call('POST', '/api/jobs/bench/entries', { entries, known, sentAt: new Date().toISOString() });
  known += count;
};
await beside('posting one entry', entry(1), () => fetchBare('POST', '/entry/bench-bare', problem()), 1.7);
await beside('posting 50 entries at once', entry(50), () => fetchBare('POST', '/entry/bench-bare', problem()), 5);
draft = await readWorkbook(db, procedure.id);

/** What a tablet sends after a day without a network, in batches as it sends them, beside bare inserts of as many rows. */
async function synchronised(batches: number, size: number): Promise<void> {
  const send = entry(size);
  const ours = await timed(async () => {
    for (let i = 0; i < batches; i += 1) await send();
  });
  const bareInserts = await timed(async () => {
    for (let i = 0; i < batches * size; i += 1) {
      const row = { id: randomUUID(), jobId: 'bench-bare', sequence: 100_000 + i, at: new Date(), by: lead };
      await db.insert(table.entry).values({ ...row, content: problem() as never });
      await engine.durable();
    }
  });
  const perSecond = (ms: number) => Math.round((batches * size * 1000) / ms);
  console.log(
    `${'entries synchronised per second'.padEnd(34)} ${perSecond(ours)} beside ${perSecond(bareInserts)} bare inserts, one after the other: ${(bareInserts / ours).toFixed(2)} times as many (goal 1)`,
  );
}
await synchronised(10, 50);

for (const size of SIZES) {
  await db.execute(sql`INSERT INTO ${table.job} (id, release_id, work_order, pump_serial, customer, started_at, started_by, phase, holder)
    SELECT 'fill-' || ${size}::int || '-' || i, ${release.id}, 'WO-' || i, 'S-' || i, 'Customer ' || i, now(), ${lead}, 'running', ${lead}
    FROM generate_series(1, ${size}::int) i`);
  await db.execute(sql`INSERT INTO ${table.series} (id, name, code, document, format)
    SELECT 'fill-' || ${size}::int || '-' || i, 'Filled ' || i, 'F-' || i, jsonb_set(document, '{id}', to_jsonb('fill-' || i)), format
    FROM ${table.series}, generate_series(1, ${size / 10}::int) i WHERE id = ${small.series.id}`);
  await db.execute(sql`ANALYZE`);
  await beside(
    `jobs list, ${size} jobs`,
    () => call('GET', '/api/jobs'),
    () => fetchBare('GET', '/jobs'),
    1.5,
  );
  await beside(
    `shelf, ${size / 10} series`,
    () => call('GET', '/api/shelf'),
    () => fetchBare('GET', '/shelf'),
    1.5,
  );
  await beside(
    `releases to start from`,
    () => call('GET', '/api/releases'),
    () => fetchBare('GET', '/releases'),
    1.5,
  );
}

peer.close();
await running.close();
const from = performance.now();
const bareStore = await openStore(folder);
const startBare = performance.now() - from;
await bareStore.close();
const again = performance.now();
const second = await serve({ dataFolder: folder, port: 0 });
console.log(
  `start ${((performance.now() - again) / startBare).toFixed(2)} x opening the database (goal 1.5); a new folder took ${startOurs.toFixed(0)} ms`,
);
await second.close();

/** Small requests while the built server prints and takes in photos, as in a workshop: each kind at p95. */
const built = await startMain(['--data', folder, '--port', '0', '--backup-every', '0']);
const builtCookie = await signIn(built.url, 'lead');
const ask = (path: string, init: RequestInit = {}) =>
  fetch(built.url + path, { ...init, headers: { cookie: builtCookie, origin: built.url } }).then((r) =>
    r.arrayBuffer(),
  );
const noise = Buffer.from(Uint32Array.from({ length: 4000 * 3000 }, () => Math.random() * 2 ** 24).buffer);
const photo = await sharp(noise, { raw: { width: 4000, height: 3000, channels: 4 } })
  .jpeg()
  .toBuffer();
let busy = true;
const load = Promise.all([
  ask(`/api/releases/${thickRelease.id}/pdf`),
  ask('/api/photos', { method: 'POST', body: new Uint8Array(photo) }),
]).then(([pdf]) => {
  busy = false;
  return getDocument({ data: new Uint8Array(pdf) }).promise.then(({ numPages }) => numPages);
});
const waits = new Map<string, number[]>();
while (busy) {
  for (const path of ['/api/me', '/api/jobs', '/api/shelf']) {
    waits.set(path, [...(waits.get(path) ?? []), await timed(() => ask(path))]);
  }
}
console.log(`while a PDF of ${await load} pages prints and a photo of 12 million points arrives, p95:`);
for (const [path, times] of waits) {
  times.sort((a, b) => a - b);
  console.log(
    `  ${path.padEnd(12)} ${(times[Math.floor(times.length * 0.95)] ?? 0).toFixed(0)} ms of ${times.length} (goal 100)`,
  );
}
built.child.kill('SIGTERM');
await ended(built.child);
await rm(folder, { recursive: true, force: true });
process.exit(0);
