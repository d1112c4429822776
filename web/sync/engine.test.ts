import { openFakeBrowser } from '../testing/browser';

openFakeBrowser();
const { ApiFault } = await import('../ground/api');
const { addLane, connectionState, sync } = await import('./engine');

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
