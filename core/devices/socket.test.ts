import { keepOpen, type SocketLike } from './socket';

const OPEN = 1;
const CLOSING = 2;

/** A socket in the hand of the test. */
class HeldSocket implements SocketLike {
  readyState = OPEN;
  readonly sent: string[] = [];
  readonly #heard: [string, (event: { readonly data: unknown }) => void][] = [];
  send(text: string): void {
    if (this.readyState !== OPEN) throw new Error('sent over a socket that is closing');
    this.sent.push(text);
  }
  close(): void {
    this.happens('close');
  }
  addEventListener(type: string, heard: (event: { readonly data: unknown }) => void): void {
    this.#heard.push([type, heard]);
  }
  happens(type: string, data?: unknown): void {
    for (const [of, heard] of this.#heard) if (of === type) heard({ data });
  }
}

function kept() {
  const sockets: HeldSocket[] = [];
  const waits: number[] = [];
  const received: unknown[] = [];
  let wire: { send(message: string): void } | undefined;
  let next: () => void = () => undefined;
  const stop = keepOpen<string, string>({
    make: () => {
      sockets.push(new HeldSocket());
      return sockets.at(-1) as HeldSocket;
    },
    read: (data) => (typeof data === 'string' ? data : undefined),
    opened: (opened) => {
      wire = opened;
    },
    receive: (message) => received.push(message),
    closed: () => undefined,
    again: () => true,
    later: (ms, then) => {
      waits.push(ms);
      next = then;
    },
  });
  return { sockets, waits, received, stop, send: (message: string) => wire?.send(message), retry: () => next() };
}

test('what is said while a socket closes is dropped, and said over the next one', () => {
  const { sockets, send, retry } = kept();
  const [first] = sockets as [HeldSocket];
  first.happens('open');
  send('a');
  first.readyState = CLOSING;
  send('b');
  expect(first.sent).toEqual(['"a"']);
  first.happens('close');
  retry();
  sockets[1]?.happens('open');
  send('c');
  expect(sockets[1]?.sent).toEqual(['"c"']);
});

test('it is opened again, more slowly each time until something arrives, and no more once it is stopped', () => {
  const { sockets, waits, received, stop, retry } = kept();
  for (let i = 0; i < 8; i += 1) {
    sockets.at(-1)?.happens('close');
    retry();
  }
  expect(waits).toEqual([500, 1000, 2000, 4000, 8000, 10_000, 10_000, 10_000]);
  sockets.at(-1)?.happens('message', 'here');
  sockets.at(-1)?.happens('message', 17);
  expect(received).toEqual(['here']);
  sockets.at(-1)?.happens('close');
  expect(waits.at(-1)).toBe(500);
  retry();
  const made = sockets.length;
  stop();
  retry();
  expect(sockets).toHaveLength(made);
});
