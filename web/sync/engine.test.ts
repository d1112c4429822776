import { openFakeBrowser } from '../testing/browser';

openFakeBrowser();
const { ApiFault } = await import('../ground/api');
const { addLane, connectionState, inTurn, sync } = await import('./engine');

const fault = (status: number) => new ApiFault({ code: 'any', what: 'any', todo: 'any' }, status);
const sent: string[] = [];
const lane = (name: string, error?: unknown) =>
  addLane({
    name,
    send: async () => {
      if (error) throw error;
      sent.push(name);
    },
  });
const real = console.error;
const told: unknown[] = [];
beforeEach(() => {
  sent.length = 0;
  told.length = 0;
  console.error = (error: unknown) => told.push(error);
});
afterEach(() => {
  console.error = real;
});

/** One round over some lanes; gives how it stands with the server afterwards. */
async function round(...lanes: (() => void)[]): Promise<string> {
  await sync();
  for (const stop of lanes) stop();
  return connectionState.getState();
}

test.each([
  [0, 'unreachable'],
  [503, 'unreachable'],
  [401, 'signed-out'],
])('where nothing gets through (%i), no other lane is tried, and it is told as %s', async (status, connection) => {
  expect(await round(lane('first', fault(status)), lane('second'))).toBe(connection);
  expect(sent).toEqual([]);
});

test.each([
  [507, 'no-room'],
  [500, 'server-fault'],
])('a lane that cannot go on (%i) does not hold up another, and it is told as %s', async (status, connection) => {
  expect(await round(lane('first', fault(status)), lane('second'))).toBe(connection);
  expect(sent).toEqual(['second']);
});

test('what nobody foresaw is told to the console and stops nothing', async () => {
  const odd = new TypeError('odd');
  expect(await round(lane('first', odd), lane('second'))).toBe('server-fault');
  expect([sent, told]).toEqual([['second'], [odd]]);
  expect(await round(lane('first'), lane('second'))).toBe('ok');
});

test('asked while it runs it goes round once more, and only once', async () => {
  const stop = lane('only');
  await Promise.all([sync(), sync(), sync()]);
  stop();
  expect(sent).toEqual(['only', 'only']);
});

test('asked at the very end of its round it goes round all the same', async () => {
  const stop = lane('only');
  const first = sync();
  await first.then(() => sync());
  stop();
  expect(sent).toEqual(['only', 'only']);
});

describe('in turn', () => {
  let turn: Promise<unknown> = Promise.resolve();
  /** One after the other, as a browser does; a turn that is waited for too long is given up. */
  const request = (_name: string, { signal }: { signal: AbortSignal }, work: () => Promise<void>) => {
    const before = turn;
    const patience = new Promise((_, give) => signal.addEventListener('abort', () => give(signal.reason)));
    turn = Promise.race([before, patience]).then(work);
    return turn;
  };
  const { timeout } = AbortSignal;
  beforeEach(() => {
    turn = Promise.resolve();
    Object.assign(navigator, { locks: { request } });
  });
  afterEach(() => {
    delete (navigator as { locks?: unknown }).locks;
    AbortSignal.timeout = timeout;
  });
  const work = (name: string) => async () => {
    await Promise.resolve();
    sent.push(name);
  };

  test('what another sender began comes first, and what was added meanwhile is sent behind it', async () => {
    await Promise.all([inTurn('entries', work('in the background')), inTurn('entries', work('here'))]);
    expect(sent).toEqual(['in the background', 'here']);
  });

  test('a sender that never ends is not waited for', async () => {
    AbortSignal.timeout = () => timeout.call(AbortSignal, 5);
    void inTurn('entries', () => new Promise(() => undefined));
    await inTurn('entries', work('here'));
    expect(sent).toEqual(['here']);
  });

  test('what goes wrong in its turn is told, and is not done twice', async () => {
    let times = 0;
    const broken = async () => {
      times += 1;
      throw new TypeError('odd');
    };
    await expect(inTurn('entries', broken)).rejects.toThrow('odd');
    expect(times).toBe(1);
  });
});
