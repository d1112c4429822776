import type { EntryContent } from '#core/job/entry';
import { typed } from '#core/testing/workbook';
import { openFakeBrowser } from '../testing/browser';

const server = openFakeBrowser();
const { sendOutbox, waitingPicture } = await import('./job-sync');
const { device } = await import('../ground/device');

const workbook = typed(['take off cover', 'draw rotor @each shaft ?both rotors', 'fit rotor', 'fit cover']);
const [first = '', second = ''] = workbook.procedure.steps.map((step) => step.id);
const job = (entries: unknown[]) => ({
  id: 'job',
  number: 7,
  entries,
  release: { id: 'r', number: 1, workbook },
  startedBy: 'mara',
  people: {},
});
const queue = (id: string, content: EntryContent, picture?: Blob) =>
  device.outbox.add({
    id,
    jobId: 'job',
    at: '2026-01-05T08:00:00.000Z',
    by: 'mara',
    content,
    ...(picture && { picture }),
  });
const waiting = () => device.outbox.where('jobId').equals('job').sortBy('order');
const taken = (entries: unknown[], ...refused: object[]) => ({ status: 200, json: { job: job(entries), refused } });
const NOT_HOLDER = 'Somebody else has this job in hand now.';

beforeEach(async () => {
  server.requests.length = 0;
  await device.outbox.clear();
  await device.jobs.clear();
});

test('entries leave in the order they were made, and each is forgotten only when it is acknowledged', async () => {
  await queue('a', { kind: 'step-done', stepId: first });
  await queue('b', { kind: 'problem', stepId: second, note: 'dented' });
  const kept: number[] = [];
  server.answer = (_m, _p, body) => {
    kept.push(server.requests.length);
    return taken(body.entries);
  };
  await sendOutbox('job');
  expect(server.requests.map((request) => request.body.entries[0].id)).toEqual(['a', 'b']);
  expect(await waiting()).toEqual([]);
  expect(await device.jobs.get('job')).toMatchObject({ number: 7 });
});

test('a photo is sent before the entry that names it', async () => {
  await queue('p', { kind: 'photo-taken', stepId: second, photo: 'local-p' }, new Blob(['a picture']));
  server.answer = (_m, path, body) =>
    path === '/api/photos' ? { status: 201, json: { hash: 'c0ffee' } } : taken(body.entries);
  await sendOutbox('job');
  expect(server.requests.map((request) => request.path)).toEqual(['/api/photos', '/api/jobs/job/entries']);
  expect(server.requests[1]?.body.entries[0].content.photo).toBe('c0ffee');
});

test('without a network nothing is lost and nothing is skipped', async () => {
  await queue('a', { kind: 'step-done', stepId: first });
  await queue('b', { kind: 'problem', stepId: second, note: 'dented' });
  server.answer = () => {
    throw new TypeError('no network');
  };
  await expect(sendOutbox('job')).rejects.toThrow();
  expect((await waiting()).map((entry) => entry.id)).toEqual(['a', 'b']);
  expect(server.requests).toHaveLength(1);
});

test('signed out is no refusal: the entries wait until somebody signs in', async () => {
  await queue('a', { kind: 'step-done', stepId: first });
  server.answer = () => ({ status: 401, json: { fault: { code: 'signed-out', what: 'out', todo: 'in' } } });
  await expect(sendOutbox('job')).rejects.toMatchObject({ status: 401 });
  expect((await waiting())[0]?.refused).toBeUndefined();
});

test('a refused entry is set aside with its reason and not sent again; the next one goes', async () => {
  await queue('a', { kind: 'step-done', stepId: first });
  await queue('b', { kind: 'problem', stepId: second, note: 'dented' });
  server.answer = (_m, _p, { entries }) =>
    entries[0].id === 'a' ? taken([], { id: 'a', code: 'not-holder', what: NOT_HOLDER }) : taken(entries);
  await sendOutbox('job');
  expect((await waiting()).map(({ id, refused }) => [id, refused])).toEqual([['a', NOT_HOLDER]]);
  await sendOutbox('job');
  expect(server.requests).toHaveLength(2);
});

test('an entry on which the server breaks is tried again a few times, then set aside so that the next one can go', async () => {
  await queue('a', { kind: 'step-done', stepId: first });
  await queue('b', { kind: 'problem', stepId: second, note: 'dented' });
  const broken = { status: 500, json: { fault: { code: 'server', what: 'It broke.', todo: 'wait' } } };
  server.answer = (_m, _p, { entries }) => (entries[0].id === 'a' ? broken : taken(entries));
  await expect(sendOutbox('job')).rejects.toMatchObject({ status: 500 });
  await expect(sendOutbox('job')).rejects.toMatchObject({ status: 500 });
  expect((await waiting()).map(({ id }) => id)).toEqual(['a', 'b']);
  await sendOutbox('job');
  expect((await waiting()).map(({ id, refused }) => [id, refused])).toEqual([['a', 'It broke.']]);
});

test('asked twice at once it sends once', async () => {
  await queue('a', { kind: 'step-done', stepId: first });
  server.answer = (_m, _p, body) => taken(body.entries);
  await Promise.all([sendOutbox('job'), sendOutbox('job')]);
  expect(server.requests).toHaveLength(1);
});

test('a photo still waiting is shown from the device', () => {
  const picture = new Blob(['x']);
  const entry = { id: 'p', jobId: 'job', at: '', by: 'mara', content: { kind: 'paused' } as const, picture };
  expect(waitingPicture([entry], 'local-p')).toBe(picture);
  expect(waitingPicture([entry], 'c0ffee')).toBeUndefined();
});
