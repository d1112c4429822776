import type { Wire } from './hub';
import type { DeviceLink } from './link';
import { type FromDevice, ToDevice } from './message';
import { readMessage } from './reading';

/** What a WebSocket of a browser and one of a server have in common. */
export interface SocketLike {
  /** Absent where it always takes messages. */
  readonly readyState?: number;
  send(text: string): void;
  close(): void;
  addEventListener(type: 'open' | 'close', heard: () => void): void;
  addEventListener(type: 'message', heard: (event: { readonly data: unknown }) => void): void;
}

export interface KeptOpen<Out, In> {
  make(): SocketLike;
  /** Undefined for what is no message. */
  read(data: unknown): In | undefined;
  opened(wire: Wire<Out>): void;
  receive(message: In): void;
  closed(): void;
  /** Whether to connect again after it was closed. */
  again(): boolean;
  later(ms: number, then: () => void): void;
}

/** Keeps a device linked by sockets of one address: again by itself for as long as it is paired; gives how to stop. */
export function keepLinked(link: DeviceLink, { make, later }: Pick<KeptOpen<FromDevice, ToDevice>, 'make' | 'later'>) {
  return keepOpen<FromDevice, ToDevice>({
    ...{ make, later },
    read: (data) => readMessage(ToDevice, data),
    opened: (wire) => link.opened(wire),
    receive: (message) => link.receive(message),
    closed: () => link.closed(),
    again: () => link.isPaired,
  });
}

/** `readyState` of a WebSocket that takes messages, in browsers and on the server alike. */
const OPEN = 1;
const FIRST_RETRY_MS = 500;
const LONGEST_RETRY_MS = 10_000;

/** Opens a socket and opens it again when it is lost, more slowly each time; gives how to stop. */
export function keepOpen<Out, In>(kept: KeptOpen<Out, In>): () => void {
  let stopped = false;
  let wait = FIRST_RETRY_MS;
  let socket: SocketLike | undefined;
  const open = () => {
    if (stopped) return;
    const fresh = kept.make();
    socket = fresh;
    fresh.addEventListener('open', () => {
      if (stopped) return;
      kept.opened({
        // One that closes takes nothing more; what counts is said again over the next.
        send: (message) => {
          if ((fresh.readyState ?? OPEN) === OPEN) fresh.send(JSON.stringify(message));
        },
        close: () => fresh.close(),
      });
    });
    fresh.addEventListener('message', ({ data }) => {
      const message = stopped ? undefined : kept.read(data);
      if (message === undefined) return;
      wait = FIRST_RETRY_MS;
      kept.receive(message);
    });
    fresh.addEventListener('close', () => {
      if (stopped) return;
      kept.closed();
      if (!kept.again()) return;
      kept.later(wait, open);
      wait = Math.min(wait * 2, LONGEST_RETRY_MS);
    });
  };
  open();
  return () => {
    stopped = true;
    socket?.close();
  };
}
