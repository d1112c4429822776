import { createHash } from 'node:crypto';
import { ed25519 } from '@noble/curves/ed25519.js';
import type { EntryContent } from '#core/job/entry';
import { typed } from '#core/testing/workbook';
import { openFakeBrowser } from '../testing/browser';

const server = openFakeBrowser();
const { enter, enterPhoto, entriesLane } = await import('./entries');
const { ensureKey } = await import('./keys');
const { discardRefused, waitingAsFile, whatWaits } = await import('./waiting');
const { waitingPicture } = await import('./bench-job');
const { device } = await import('../ground/device');

const workbook = typed(['take off cover', 'draw rotor @each shaft ?both rotors', 'fit rotor', 'fit cover']);
const [first = '', second = ''] = workbook.procedure.steps.map((step) => step.id);
const done = (stepId: string): EntryContent => ({ kind: 'step-done', stepId });
const dented: EntryContent = { kind: 'problem', stepId: second, note: 'dented' };
/** Made without a key, so that it can be read in what is sent. */
const queue = (id: string, content: EntryContent, more: object = {}) =>
  device.outbox.add({ id, jobId: 'job', at: '2026-01-05T08:00:00.000Z', by: 'mara', content, ...more });
const waiting = () => device.outbox.where('jobId').equals('job').sortBy('order');
const send = () => entriesLane.send();
/** The server takes all that is sent but what `refused` names. */
const taken = (sent: { id: string }[], ...refused: { id: string; code: string; what: string }[]) => ({
  status: 200,
  json: {
    entries: sent.filter(({ id }) => !refused.some((one) => one.id === id)),
    refused,
    finishedAt: null,
    seal: null,
    people: { mara: 'Mara' },
  },
});
const fault = (status: number, code: string, what = code) => ({
  status,
  json: { fault: { code, what, todo: 'wait' } },
});
const sentIds = (at: number) => server.requests[at]?.body.entries.map(({ id }: { id: string }) => id);
const NOT_HOLDER = 'Somebody else is working on this job now.';

beforeEach(async () => {
  await Promise.all([device.outbox.clear(), device.jobs.clear(), device.keys.clear()]);
  server.requests.length = 0;
  server.answer = (_m, path, body) =>
    path === '/api/auth/keys' ? { status: 201, json: { id: 'key-1' } } : taken(body.entries);
});

test('entries leave in the order they were made, as one, and are forgotten when they are acknowledged', async () => {
  await device.jobs.put({ id: 'job', number: 7, entries: [{ id: 'before' }], people: {} } as never);
  await queue('a', done(first));
  await queue('b', dented);
  await send();
  expect(server.requests).toHaveLength(1);
  expect(sentIds(0)).toEqual(['a', 'b']);
  expect(server.requests[0]?.body).toMatchObject({ known: 1, sentAt: expect.any(String) });
  expect(await waiting()).toEqual([]);
  const kept = await device.jobs.get('job');
  expect(kept?.entries.map(({ id }) => id)).toEqual(['before', 'a', 'b']);
  expect(kept?.people).toEqual({ mara: 'Mara' });
});

test('what waits of every job goes, whichever is on the screen', async () => {
  await queue('a', done(first));
  await queue('b', done(first), { jobId: 'other' });
  await send();
  expect(server.requests.map(({ path }) => path)).toEqual(['/api/jobs/job/entries', '/api/jobs/other/entries']);
});

test('an entry is signed by its maker when it is made, over all that it says', async () => {
  await ensureKey('mara');
  const { publicKey } = server.requests[0]?.body ?? {};
  server.answer = () => {
    throw new TypeError('no network');
  };
  await enter('job', 'mara', done(first));
  const [entry] = await waiting();
  const { text, keyId, signature } = entry?.signed ?? { text: '', keyId: '', signature: '' };
  expect(keyId).toBe('key-1');
  expect(JSON.parse(text)).toMatchObject({ id: entry?.id, jobId: 'job', by: 'mara', content: done(first) });
  const bytes = (base64url: string) => Uint8Array.from(Buffer.from(base64url, 'base64url'));
  const signedBy = (said: string) => ed25519.verify(bytes(signature), new TextEncoder().encode(said), bytes(publicKey));
  expect(signedBy(text)).toBe(true);
  expect(signedBy(text.replace('mara', 'jun'))).toBe(false);
});

test('a photo is sent before the entry that names it by what it is', async () => {
  server.answer = () => {
    throw new TypeError('no network');
  };
  await enterPhoto('job', 'mara', second, new Blob(['a picture']));
  const [entry] = await waiting();
  // SHA-256 of "a picture", by OpenSSL.
  const photo = '92b2fa58028958317e408bd84ecfa70f5ee35b121991dbc232c49d166353708b';
  expect(entry?.content).toMatchObject({ kind: 'photo-taken', photo });
  expect(waitingPicture(await waiting(), photo)).toBeDefined();
  expect(waitingPicture(await waiting(), 'c0ffee')).toBeUndefined();
  server.requests.length = 0;
  server.answer = (_m, path, body) =>
    path === '/api/photos' ? { status: 201, json: { hash: 'c0ffee' } } : taken(body.entries);
  await send();
  expect(server.requests.map((request) => request.path)).toEqual(['/api/photos', '/api/jobs/job/entries']);
  expect(await waiting()).toEqual([]);
});

test('a photo that an earlier version left here goes under the name the server gives it', async () => {
  await queue('p', { kind: 'photo-taken', stepId: second, photo: 'local-p' }, { picture: new Blob(['old']) });
  server.answer = (_m, path, body) =>
    path === '/api/photos' ? { status: 201, json: { hash: 'c0ffee' } } : taken(body.entries);
  await send();
  await send();
  expect(server.requests.at(-1)?.body.entries[0].content.photo).toBe('c0ffee');
});

test('a photo that the server cannot read condemns itself and nothing after it', async () => {
  await queue('p', { kind: 'photo-taken', stepId: second, photo: 'a'.repeat(64) }, { picture: new Blob(['half']) });
  await queue('b', dented);
  server.answer = (_m, path, body) =>
    path === '/api/photos' ? fault(415, 'broken-photo', 'That picture is damaged.') : taken(body.entries);
  await send();
  expect((await waiting()).map(({ id, refused }) => [id, refused])).toEqual([['p', 'That picture is damaged.']]);
});

test('without a network nothing is lost and nothing is skipped', async () => {
  await queue('a', done(first));
  await queue('b', dented);
  server.answer = () => {
    throw new TypeError('no network');
  };
  await expect(send()).rejects.toMatchObject({ status: 0 });
  expect((await waiting()).map((entry) => entry.id)).toEqual(['a', 'b']);
  expect(server.requests).toHaveLength(1);
});

test.each([
  ['nobody is signed in', 401, 'signed-out'],
  ['the disk of the server is full', 507, 'disk-full'],
])('when %s it is no refusal: the entries wait', async (_when, status, code) => {
  await queue('a', done(first));
  server.answer = () => fault(status, code);
  await expect(send()).rejects.toMatchObject({ status });
  expect((await waiting())[0]?.refused).toBeUndefined();
});

test('what somebody here may not send waits for another; nothing of it is given up', async () => {
  await queue('a', done(first));
  server.answer = () => fault(403, 'not-yours', 'This is not for an apprentice.');
  await send();
  expect((await waiting())[0]).toMatchObject({ waits: { code: 'not-yours', what: 'This is not for an apprentice.' } });
  server.answer = (_m, _p, { entries }) => taken(entries);
  await send();
  expect(await waiting()).toEqual([]);
});

test('a refused entry is set aside with its reason and not sent again; the others go', async () => {
  await queue('a', done(first));
  await queue('b', dented);
  server.answer = (_m, _p, { entries }) => taken(entries, { id: 'a', code: 'not-holder', what: NOT_HOLDER });
  await send();
  expect((await waiting()).map(({ id, refused }) => [id, refused])).toEqual([['a', NOT_HOLDER]]);
  await send();
  expect(server.requests).toHaveLength(1);
});

test('an entry whose maker is not proved waits for its maker, and goes once the server takes it', async () => {
  await queue('a', done(first));
  server.answer = (_m, _p, { entries }) =>
    taken(entries, { id: 'a', code: 'not-proved', what: 'Mara has to sign in.' });
  await send();
  expect((await waiting())[0]).toMatchObject({ waits: { code: 'not-proved', what: 'Mara has to sign in.' } });
  server.answer = (_m, _p, { entries }) => taken(entries);
  await send();
  expect(await waiting()).toEqual([]);
});

test('an entry on which the server breaks is found, tried a few times and set aside; the others go', async () => {
  await queue('a', done(first));
  await queue('b', dented);
  await queue('c', { kind: 'paused' });
  const broken = fault(500, 'broken', 'It broke.');
  server.answer = (_m, _p, { entries }) =>
    entries.some(({ id }: { id: string }) => id === 'b') ? broken : taken(entries);
  for (let round = 0; round < 4; round += 1) await send().catch(() => undefined);
  expect((await waiting()).map(({ id, refused }) => [id, refused])).toEqual([['b', 'It broke.']]);
});

test('what waits can be kept as a file, and only what was refused can be dropped', async () => {
  await queue('a', done(first), { refused: NOT_HOLDER });
  await queue('b', dented);
  const file = JSON.parse(await (await waitingAsFile(await whatWaits())).text());
  expect(file).toMatchObject({ kind: 'fukusa-unsent', entries: [{ id: 'a', refused: NOT_HOLDER }, { id: 'b' }] });
  await discardRefused(await whatWaits());
  expect((await waiting()).map(({ id }) => id)).toEqual(['b']);
});

test('each entry names what this device signed before it in the job, however close they come', async () => {
  await device.chains.clear();
  await ensureKey('mara');
  server.answer = () => {
    throw new TypeError('no network');
  };
  await Promise.all([enter('job', 'mara', done(first)), enter('job', 'mara', dented), enter('other', 'mara', dented)]);
  await enter('job', 'mara', done(second));
  const texts = (await waiting()).map(({ signed }) => signed?.text ?? '');
  const hash = (text: string) => createHash('sha256').update(text).digest('hex');
  expect(texts.map((text) => JSON.parse(text).before)).toEqual([undefined, hash(texts[0] ?? ''), hash(texts[1] ?? '')]);
  const [elsewhere] = await device.outbox.where('jobId').equals('other').toArray();
  expect(JSON.parse(elsewhere?.signed?.text ?? '{}').before).toBeUndefined();
});
