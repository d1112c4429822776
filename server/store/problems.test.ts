import { ed25519 } from '@noble/curves/ed25519.js';
import { approvalText } from '#core/job/text-to-sign';
import { withStep } from '#core/testing/workbook';
import type { Role } from '../ground/roles';
import {
  openWorkshop,
  PASSWORD,
  releaseAsItIs,
  testPackage,
  type Workshop,
  withJob,
  withRelease,
} from '../testing/workshop';

let workshop: Workshop;
let releaseId: string;
let procedureId: string;
let stepIds: string[];
const ids = {} as Record<Role, string>;
beforeAll(async () => {
  workshop = await openWorkshop();
  ({ releaseId, procedureId, stepIds } = await withRelease(workshop));
  for (const { id, role } of await workshop.running.services.accounts.list()) ids[role] = id;
});
afterAll(() => workshop.close());

let n = 0;
const entry = (content: object) => {
  n += 1;
  return { id: `entry-${n}`, at: '2026-01-05T08:30:00.000Z', content };
};
const send = (jobId: string, ...entries: object[]) =>
  workshop.call('technician', 'POST', `/api/jobs/${jobId}/entries`, { entries });

test('a problem reaches the trainer at its step, the answer reaches the bench, and the release that corrects it is named', async () => {
  const jobId = await withJob(workshop, releaseId, 'with-problem');
  const problem = entry({
    kind: 'problem',
    stepId: stepIds[0],
    note: 'The drive has two switches',
    about: 'instruction',
  });
  expect((await send(jobId, problem)).json.refused).toEqual([]);

  const told = async () =>
    (await workshop.call('trainer', 'GET', `/api/procedures/${procedureId}/problems`)).json.problems;
  expect(await told()).toMatchObject([
    { entryId: problem.id, stepId: stepIds[0], about: 'instruction', by: 'Test technician', reply: null },
  ]);

  const answer = (as: Role, text: string) => workshop.call(as, 'PUT', `/api/problems/${problem.id}/reply`, { text });
  expect((await answer('technician', 'No')).status).toBe(403);
  expect((await answer('trainer', '  ')).status).toBe(400);
  expect((await answer('trainer', 'Lock both; I correct it.')).status).toBe(200);
  const { json } = await workshop.call('technician', 'GET', `/api/jobs/${jobId}`);
  expect(json.replies).toMatchObject([{ entryId: problem.id, text: 'Lock both; I correct it.', correctedIn: null }]);
  expect(json.people[ids.trainer]).toBe('Test trainer');

  const { series, procedure } = (await workshop.call('trainer', 'GET', `/api/procedures/${procedureId}`)).json;
  await workshop.call('trainer', 'PATCH', `/api/procedures/${procedureId}`, {
    seriesVersion: series.version,
    procedureVersion: procedure.version,
    edits: [{ kind: 'change', stepId: stepIds[0], fields: { detail: 'Both switches.' } }],
  });
  expect((await releaseAsItIs(workshop, procedureId, { corrects: [problem.id, 'of-another'] })).status).toBe(201);
  expect((await told())[0].reply).toMatchObject({ text: 'Lock both; I correct it.', correctedIn: 2 });
});

test('only a problem can be answered', async () => {
  const jobId = await withJob(workshop, releaseId, 'without-problem');
  const done = entry({ kind: 'step-done', stepId: stepIds[0], confirmed: true });
  await send(jobId, done);
  expect((await workshop.call('trainer', 'PUT', `/api/problems/${done.id}/reply`, { text: 'Why?' })).status).toBe(404);
});

describe('a hold point', () => {
  const secret = ed25519.utils.randomSecretKey();
  const publicKey = Buffer.from(ed25519.getPublicKey(secret)).toString('base64url');
  const second = (username: string, password = PASSWORD) =>
    workshop.call('technician', 'POST', '/api/auth/second-person', {
      ...{ username, password, deviceId: 'tablet-12', publicKey },
    });
  const approved = (keyId: string, jobId: string, changed: { by?: string; stepId?: string; jobId?: string } = {}) => {
    const by = ids.trainer;
    const stepId = stepIds[0] ?? '';
    const text = approvalText({ jobId, stepId, by, at: '2026-01-05T08:30:00.000Z', ...changed });
    const signature = Buffer.from(ed25519.sign(Buffer.from(text), secret)).toString('base64url');
    return entry({ kind: 'approved', stepId, approver: by, approval: { text, keyId, signature } });
  };
  let heldRelease: string;
  beforeAll(async () => {
    const made = testPackage();
    const [procedure] = made.procedures;
    if (!procedure) throw new Error('no procedure');
    const held = withStep({ series: made.series, procedure }, 0, { holdPoint: { checks: 'the lock is on' } });
    const other = { ...made, series: { ...held.series, id: 'held-series', code: 'H-1' } };
    const steps = held.procedure.steps;
    const procedures = [{ ...held.procedure, id: 'held', seriesId: 'held-series', steps }];
    const imported = await workshop.call('trainer', 'POST', '/api/packages', {
      package: { ...other, procedures },
      when: 'new',
    });
    expect(imported.status).toBe(201);
    heldRelease = (await releaseAsItIs(workshop, 'held')).json.id;
    stepIds = steps.map(({ id }) => id);
  });

  test('takes the signature of another person, who showed their own password; nobody else’s and of nothing else', async () => {
    const jobId = await withJob(workshop, heldRelease, 'held-job');
    expect((await second('trainer', 'a wrong password')).json.fault).toMatchObject({ code: 'wrong-password' });
    expect((await second('apprentice')).json.fault).toMatchObject({ code: 'not-at-bench' });
    const { json: key } = await second('trainer');
    expect(key).toMatchObject({ personId: ids.trainer, name: 'Test trainer' });

    const done = entry({ kind: 'step-done', stepId: stepIds[0], confirmed: true });
    const forged = approved(key.keyId, jobId);
    const refused = await send(
      jobId,
      done,
      {
        ...forged,
        content: {
          ...forged.content,
          approval: { ...(forged.content as { approval: object }).approval, signature: 'AAAA' },
        },
      },
      approved('no-such-key', jobId),
      approved(key.keyId, jobId, { stepId: stepIds[1] ?? '' }),
      approved(key.keyId, jobId, { jobId: 'another-job' }),
    );
    expect(refused.json.refused.map(({ code }: { code: string }) => code)).toEqual([
      'demands-open',
      ...Array(4).fill('not-approved'),
    ]);
    const { json } = await send(jobId, approved(key.keyId, jobId), { ...done, id: 'done-then' });
    expect(json.refused).toEqual([]);
    expect(json.people[ids.trainer]).toBe('Test trainer');
  });

  test('a job that waits for a second person is found by it, as is one that was paused for parts', async () => {
    const list = async (waits: string) =>
      (await workshop.call('lead', 'GET', `/api/jobs?waits=${waits}`)).json.jobs.map(({ id }: { id: string }) => id);
    await withJob(workshop, heldRelease, 'waits-for-one');
    const parts = await withJob(workshop, releaseId, 'waits-for-parts');
    // The columns of a list follow the entries.
    await send('waits-for-one', entry({ kind: 'setting-chosen', setting: 'workshop' }));
    await send(parts, entry({ kind: 'paused', waitsFor: 'parts' }));
    expect(await list('second-person')).toEqual(['waits-for-one']);
    expect(await list('parts')).toEqual([parts]);
    await send(parts, entry({ kind: 'resumed' }));
    expect(await list('parts')).toEqual([]);
  });
});

test('the history of a pump has its jobs, with what was reported in them', async () => {
  const { json } = await workshop.call('apprentice', 'GET', '/api/pumps/S-1');
  const told = json.jobs.find(({ id }: { id: string }) => id === 'with-problem');
  expect(told).toMatchObject({
    number: expect.any(Number),
    finishedAt: null,
    problems: ['The drive has two switches'],
  });
  expect((await workshop.call('apprentice', 'GET', '/api/pumps/none')).json.jobs).toEqual([]);
});
