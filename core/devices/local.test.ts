import { DeviceLink } from './link';
import { type ChannelLike, createLocalHub, firstThat, isLocal, localSocket, serveLocally } from './local';
import type { FromTablet, ToTablet } from './message';
import { DEVICE_PROTOCOL } from './protocol';
import { keepLinked, type SocketLike } from './socket';

/** Pages of one tablet: what one says the others hear, and what is to happen later happens when told. */
function tablet() {
  const ears = new Map<ChannelLike, ((event: { data: unknown }) => void)[]>();
  let due: (() => void)[] = [];
  let count = 0;
  const newId = () => {
    count += 1;
    return `id${count}`;
  };
  const channel = (): ChannelLike => {
    const own: ChannelLike = {
      postMessage: (data) => {
        const frame = structuredClone(data);
        for (const [other, heard] of ears) if (other !== own) for (const one of heard) one({ data: frame });
      },
      addEventListener: (_, heard) => void ears.get(own)?.push(heard),
      close: () => void ears.delete(own),
    };
    ears.set(own, []);
    return own;
  };
  const later = (_ms: number, then: () => void) => void due.push(then);
  const pass = () => {
    const now = due;
    due = [];
    for (const then of now) then();
  };
  const bench = (jobId: string, pairings: string[] = []) => {
    const told: ToTablet[] = [];
    let isTaken = false;
    const hub = createLocalHub({ newId, newCode: () => newId().toUpperCase(), now: () => 0 });
    const last = (is: ToTablet['is']) => told.findLast((message) => message.is === is) as never;
    const code = () => (last('code') as { code: string } | undefined)?.code;
    const seat = hub.tablet(jobId, { send: (message) => void told.push(message), close: () => undefined });
    const stop = serveLocally({
      ...{ hub, channel: channel(), jobId, tabletId: 'tablet', code },
      taken: () => {
        isTaken = true;
      },
    });
    seat.receive({ is: 'open', protocol: DEVICE_PROTOCOL, tabletId: 'tablet', pairings });
    const say = (message: FromTablet) => seat.receive(message);
    return { told, last, code: () => code() ?? '', say, stop, isTaken: () => isTaken };
  };
  const wrench = (number = 'TW-07') => {
    const link = new DeviceLink({ kind: 'torque-wrench', number }, { now: () => 0, newId, changed: () => undefined });
    const make = () => localSocket(link.credentials, { channel: channel(), newId, later });
    const start = () => {
      keepLinked(link, { make, later });
      pass();
    };
    const pair = (code: string) => {
      link.pairBy(code);
      start();
    };
    return { link, pair, start };
  };
  return { bench, wrench, pass };
}
const peak = { value: 45, unit: 'N·m' };

test('without the server a wrench in another page of the tablet reaches the bench, by code and by the technician', () => {
  const { bench, wrench } = tablet();
  const screen = bench('job');
  const other = bench('another job');
  const { link, pair } = wrench('TW-07 ±');
  pair(screen.code().toLowerCase());
  expect(link.state).toBe('asking');
  expect(other.last('asks')).toBeUndefined();
  const { pairing } = screen.last('asks') as { pairing: string };
  screen.say({ is: 'accept', pairing });
  expect(link.state).toBe('on');
  expect(isLocal(link.credentials)).toBe(true);
  const id = link.read(peak);
  expect(screen.last('reading')).toMatchObject({ pairing, id, peak });
  expect(link.unsent).toBe(1);
  screen.say({ is: 'received', pairing, id });
  expect(link.unsent).toBe(0);
});

test('a code of no bench is refused, and nothing is kept open', () => {
  const { bench, wrench, pass } = tablet();
  bench('job');
  const { link, pair } = wrench();
  pair('WRONG2');
  pass();
  expect(link.state).toBe('off');
});

test('a bench that is loaded again has its wrench back, with what was read meanwhile, and the page before lets go', () => {
  const { bench, wrench, pass } = tablet();
  const screen = bench('job');
  const { link, pair } = wrench();
  pair(screen.code());
  const { pairing } = screen.last('asks') as { pairing: string };
  screen.say({ is: 'accept', pairing });

  const again = bench('job', [pairing]);
  expect(screen.isTaken()).toBe(true);
  expect(link.state).toBe('lost');
  const id = link.read(peak);
  pass();
  pass();
  expect(link.state).toBe('on');
  expect(again.last('reading')).toMatchObject({ id });
  expect(screen.last('reading')).toBeUndefined();

  again.stop();
  expect(link.state).toBe('lost');
});

test('a wrench that the server let in is known here too; one that nobody here accepted is not', () => {
  const { bench, wrench } = tablet();
  const sealed = (id: string) =>
    Buffer.from(JSON.stringify({ id, jobId: 'job', tabletId: 'tablet', number: 'TW-07' })).toString('base64url');
  for (const [id, state] of [
    ['known', 'on'],
    ['stranger', 'off'],
  ] as const) {
    bench('job', ['known']);
    const { link, start } = wrench();
    link.receive({ is: 'welcome', token: `${sealed(id)}.mark` });
    start();
    expect([id, link.state]).toEqual([id, state]);
  }
});

/** A socket that is opened and closed by hand. */
function byHand() {
  const heard: Record<string, ((event: { data: unknown }) => void)[]> = { open: [], close: [], message: [] };
  const sent: string[] = [];
  const socket = {
    send: (text: string) => void sent.push(text),
    close: () => tell('close'),
    addEventListener: (type: string, one: (event: { data: unknown }) => void) => void heard[type]?.push(one),
  } as SocketLike;
  const tell = (type: string, data?: unknown) => {
    for (const one of heard[type] ?? []) one({ data });
  };
  return { socket, tell, sent };
}

test('the second way is taken where the first never opens, and not where it was lost later', () => {
  const first = byHand();
  const second = byHand();
  let asked = 0;
  const told: string[] = [];
  const either = firstThat(first.socket, () => {
    asked += 1;
    return second.socket;
  });
  either.addEventListener('open', () => told.push('open'));
  either.addEventListener('message', ({ data }) => told.push(String(data)));
  either.addEventListener('close', () => told.push('close'));
  first.tell('close');
  second.tell('open');
  second.tell('message', 'hello');
  either.send('out');
  second.tell('close');
  expect([asked, told, second.sent, first.sent]).toEqual([1, ['open', 'hello', 'close'], ['out'], []]);

  const third = byHand();
  const lost: string[] = [];
  const kept = firstThat(third.socket, () => {
    throw new Error('not to be asked');
  });
  kept.addEventListener('close', () => lost.push('close'));
  third.tell('open');
  third.tell('close');
  expect(lost).toEqual(['close']);
});
