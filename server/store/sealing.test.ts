import { readFile, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { verifyRecord } from '#core/seal/verify';
import { verifyFile } from '../cli/verify';
import { holds, sha256 } from '../seal/workshop-key';
import { openWorkshop, testPackage, type Workshop, withJob, withRelease } from '../testing/workshop';
import { catchUpSeals } from './sealing';

let workshop: Workshop;
let jobId: string;
beforeAll(async () => {
  workshop = await openWorkshop();
  const { releaseId } = await withRelease(workshop);
  jobId = await withJob(workshop, releaseId, 'sealed');
  const steps = testPackage().procedures[0]?.steps ?? [];
  const contents = steps.flatMap((step): object[] => [
    ...(step.photo ? [{ kind: 'overridden', stepId: step.id, what: 'photo', reason: 'no light here' }] : []),
    ...(step.verb === 'torque'
      ? [{ kind: 'torque-read', stepId: step.id, positionId: null, reading: { value: 45, unit: 'N·m' } }]
      : []),
    { kind: 'step-done', stepId: step.id },
  ]);
  const entries = [...contents, { kind: 'finished' }].map((content, i) => ({
    ...{ id: `e${i}`, at: '2026-01-05T09:00:00.000Z', content },
  }));
  expect((await workshop.call('technician', 'GET', `/api/jobs/${jobId}/record.json`)).status).toBe(409);
  await workshop.call('technician', 'POST', `/api/jobs/${jobId}/entries`, { entries });
});
afterAll(() => workshop.close());

const exported = async () => (await workshop.call('apprentice', 'GET', `/api/jobs/${jobId}/record.json`)).json;
const faultsOf = (json: unknown) => verifyRecord(json, { hash: sha256, holds }).faults;

test('a job that is finished is signed at once, and its record holds anywhere', async () => {
  const { json } = await workshop.call('technician', 'GET', `/api/jobs/${jobId}/seal`);
  const record = await exported();
  expect(json.seal.head).toBe(record.seal.head);
  expect(faultsOf(record)).toEqual([]);
  expect(record.record.entries.at(-1)).toMatchObject({ content: { kind: 'finished' }, acceptedAt: expect.any(String) });
});

test('what is changed in the database afterwards does not reach the record', async () => {
  const { db, workshopKey } = workshop.running.services;
  const before = await exported();
  await db.execute(
    sql`UPDATE entry SET content = jsonb_set(content, '{reading,value}', '40') WHERE content ? 'reading'`,
  );
  await db.execute(sql`UPDATE "user" SET name = 'Renamed' WHERE username = 'technician'`);
  await catchUpSeals(db, workshopKey);
  expect(await exported()).toEqual(before);
  // Changed where it is kept, it does not hold any more.
  await db.execute(sql`UPDATE record SET document = jsonb_set(document, '{record,job,customer}', '"Other"')`);
  expect(faultsOf(await exported())).toEqual([{ is: 'part', part: 'job.customer' }]);
  await db.execute(sql`DELETE FROM record`);
  await catchUpSeals(db, workshopKey);
  expect(faultsOf(await exported())).toEqual([]);
});

test('the command checks a file without the server', async () => {
  const said: string[] = [];
  const tell = (line: string) => {
    said.push(line);
  };
  const record = await exported();
  const path = join(workshop.folder, 'record.json');
  await writeFile(path, JSON.stringify(record));
  expect(await verifyFile(path, record.seal.publicKey, tell)).toBe(true);
  expect(await verifyFile(path, 'another', tell)).toBe(false);
  record.record.job.pumpSerial = 'S-2';
  await writeFile(path, JSON.stringify(record));
  expect(await verifyFile(path, undefined, tell)).toBe(false);
  await writeFile(path, 'no json');
  expect(await verifyFile(path, undefined, tell)).toBe(false);
  expect(said).toContain('The pump serial number was changed, added or left out.');
});

test('the key is made once, and only its owner may read it', async () => {
  const path = join(workshop.folder, 'workshop-key');
  expect((await stat(path)).mode & 0o077).toBe(0);
  expect((await readFile(path, 'utf8')).length).toBe(64);
});
