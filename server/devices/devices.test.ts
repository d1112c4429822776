import { once } from 'node:events';
import { WebSocket } from 'ws';
import { type FromTablet, ToTablet } from '#core/devices/message';
import { DEVICE_PROTOCOL } from '#core/devices/protocol';
import { readMessage } from '#core/devices/reading';
import { runWrench } from '../cli/wrench';
import { openWorkshop, type Workshop, withJob, withRelease } from '../testing/workshop';

let workshop: Workshop;
let jobId: string;
beforeAll(async () => {
  workshop = await openWorkshop();
  const { releaseId } = await withRelease(workshop);
  jobId = await withJob(workshop, releaseId, 'tightened');
});
afterAll(() => workshop.close());

const address = (path: string) => workshop.running.url.replace('http', 'ws') + path;
const open: WebSocket[] = [];
afterEach(() => {
  for (const socket of open.splice(0)) socket.terminate();
});

/** The tablet of somebody at a job, in the language of devices. */
async function tabletOf(who: 'technician' | 'lead' = 'technician', tabletId = `tablet-${who}`) {
  const socket = new WebSocket(address(`/api/jobs/${jobId}/devices`), {
    headers: { cookie: workshop.cookies[who], origin: workshop.running.url },
  });
  open.push(socket);
  const told: ToTablet[] = [];
  const waiting: (() => void)[] = [];
  socket.on('message', (data) => {
    const message = readMessage(ToTablet, String(data));
    if (message) told.push(message);
    for (const wake of waiting.splice(0)) wake();
  });
  await once(socket, 'open');
  const say = (message: FromTablet) => socket.send(JSON.stringify(message));
  say({ is: 'open', protocol: DEVICE_PROTOCOL, tabletId, pairings: [] });
  return {
    socket,
    told,
    say,
    next: async <Is extends ToTablet['is']>(is: Is): Promise<ToTablet & { is: Is }> => {
      for (;;) {
        const at = told.findIndex((message) => message.is === is);
        if (at >= 0) return told.splice(at, 1)[0] as ToTablet & { is: Is };
        await new Promise<void>((wake) => waiting.push(wake));
      }
    },
  };
}

/** How a socket ended: refused by status, or closed after these words. */
async function endOf(path: string, words: readonly unknown[], headers: Record<string, string> = {}) {
  const socket = new WebSocket(address(path), { headers });
  open.push(socket);
  const heard: unknown[] = [];
  return new Promise<{ status?: number; heard: unknown[] }>((done) => {
    socket.on('unexpected-response', (_request, response) => done({ status: response.statusCode ?? 0, heard }));
    socket.on('error', () => undefined);
    socket.on('message', (data) => heard.push(JSON.parse(String(data))));
    socket.on('open', () => {
      for (const word of words) socket.send(typeof word === 'string' ? word : JSON.stringify(word));
    });
    socket.on('close', () => done({ heard }));
  });
}

test('the headless wrench pairs, pulls to the target of the tablet, and every reading arrives once', async () => {
  const tablet = await tabletOf();
  const { code } = await tablet.next('code');
  const lines: string[] = [];
  const pulling = runWrench({
    ...{ server: workshop.running.url, code, pulls: ['well', 'sent-twice', 'too-far'], pauseMs: 0 },
    tell: (line) => lines.push(line),
  });
  const { pairing, device } = await tablet.next('asks');
  expect(device.number).toBe('TW-05');
  tablet.say({ is: 'accept', pairing });
  tablet.say({ is: 'target', target: { value: 45, low: 43, high: 47, unit: 'N·m' } });
  const read = new Map<string, number>();
  let came = 0;
  while (read.size < 3) {
    const { id, peak } = await tablet.next('reading');
    came += 1;
    read.set(id, peak.value);
    tablet.say({ is: 'received', pairing, id });
  }
  // One of them came twice, under one name.
  expect(came).toBe(4);
  expect([...read.values()][2]).toBeGreaterThan(49);
  await pulling;
  expect(lines).toHaveLength(5);
  await tablet.next('lost');
});

test('a wrong code is told, and tries are counted by address', async () => {
  const hello = (code: string) => ({
    ...{ is: 'hello', protocol: DEVICE_PROTOCOL, code, device: { kind: 'torque-wrench', number: 'X' } },
  });
  const whys: string[] = [];
  for (let i = 0; i < 13; i += 1) {
    const { heard } = await endOf('/api/devices', [hello(`AAAAA${i}`)]);
    whys.push((heard[0] as { why: string }).why);
  }
  expect(new Set(whys.slice(0, 5))).toEqual(new Set(['wrong-code']));
  expect(whys.at(-1)).toBe('too-much');
});

test('what is no message, what is too long and what is too much closes the socket', async () => {
  expect((await endOf('/api/devices', ['{"is":"reading"}'])).heard).toEqual([{ is: 'refused', why: 'unreadable' }]);
  expect((await endOf('/api/devices', ['no json'])).heard).toEqual([{ is: 'refused', why: 'unreadable' }]);
  expect((await endOf('/api/devices', ['x'.repeat(20_000)])).heard).toEqual([]);
  const flood = Array.from({ length: 60 }, () => ({ is: 'battery', percent: 50 }));
  expect((await endOf('/api/devices', flood)).heard).toEqual([{ is: 'refused', why: 'too-much' }]);
});

test('a tablet is let in by its session, from a page of this server, at a job that is there', async () => {
  const path = `/api/jobs/${jobId}/devices`;
  const { url } = workshop.running;
  expect((await endOf(path, [], { origin: url })).status).toBe(401);
  const cookie = workshop.cookies.technician;
  expect((await endOf(path, [], { cookie, origin: 'https://elsewhere.example' })).status).toBe(403);
  expect((await endOf(path, [], { cookie: workshop.cookies.apprentice, origin: url })).status).toBe(403);
  expect((await endOf('/api/jobs/none/devices', [], { cookie, origin: url })).status).toBe(404);
  // An ordinary request is told what the address is for.
  expect((await workshop.call('technician', 'GET', path)).json.fault.code).toBe('socket-only');
});

test('one who is not asked for cannot send, and a token from elsewhere is worth nothing', async () => {
  const tablet = await tabletOf('lead');
  await tablet.next('code');
  const reading = { is: 'reading', id: 'r', ageMs: 0, peak: { value: 45, unit: 'N·m' } };
  const forged = `${Buffer.from(JSON.stringify({ id: 'p', jobId, tabletId: 'tablet-lead', number: 'X' })).toString('base64url')}.AAAA`;
  const { heard } = await endOf('/api/devices', [
    { is: 'hello', protocol: DEVICE_PROTOCOL, token: forged, device: { kind: 'torque-wrench', number: 'X' } },
    reading,
  ]);
  expect(heard).toEqual([{ is: 'refused', why: 'not-paired' }]);
  tablet.say({ is: 'new-code' });
  await tablet.next('code');
  expect(tablet.told).toEqual([]);
});

test('a server that stops tells its sockets and does not wait for them', async () => {
  const other = await openWorkshop();
  const socket = new WebSocket(`${other.running.url.replace('http', 'ws')}/api/devices`);
  await once(socket, 'open');
  const closed = once(socket, 'close');
  await other.close();
  expect((await closed)[0]).toBe(1001);
});
