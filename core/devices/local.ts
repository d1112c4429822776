import { DeviceHub, type HubMeans, type Pairing, readCode } from './hub';
import type { Credentials } from './link';
import { FromDevice } from './message';
import { readMessage } from './reading';
import type { SocketLike } from './socket';

/** Between the bench and devices in other pages of the same tablet. */
export const DEVICE_CHANNEL = 'fukusa-devices';

/** What carries messages between the pages of one tablet; a BroadcastChannel is one. */
export interface ChannelLike {
  postMessage(frame: unknown): void;
  addEventListener(type: 'message', heard: (event: { readonly data: unknown }) => void): void;
  close(): void;
}

/** One thing said on the channel about one connection. `here`: a page has begun to serve, what was connected before is not. */
type Frame =
  | { readonly is: 'open'; readonly connection: string; readonly by: Credentials }
  | { readonly is: 'opened'; readonly connection: string; readonly jobId: string }
  | { readonly is: 'closed'; readonly connection: string }
  | { readonly is: 'to-tablet' | 'to-device'; readonly connection: string; readonly text: string }
  | { readonly is: 'here'; readonly jobId: string };

/** A tablet in another page has so long to answer. */
const ANSWER_MS = 800;

/** Tokens of a hub on the tablet itself; the server does not know them. */
const LOCAL = 'local.';

export function isLocal({ token }: Credentials): boolean {
  return token?.startsWith(LOCAL) === true;
}

/**
 * A hub on the tablet itself, for when the server is out of reach. Its tokens are not sealed: whoever can speak on the
 * channel is the tablet, and could make the entry too. It also lets in what the server had let in.
 */
export function createLocalHub(means: Omit<HubMeans, 'seal' | 'unseal'>): DeviceHub {
  return new DeviceHub({
    ...means,
    unseal,
    seal: (pairing) => LOCAL + btoa(encodeURIComponent(JSON.stringify(pairing))),
  });
}

/** The pairing that a token names, whoever sealed it; undefined where it is no token. */
function unseal(token: string): Pairing | undefined {
  try {
    const text = isLocal({ token })
      ? decodeURIComponent(atob(token.slice(LOCAL.length)))
      : new TextDecoder().decode(Uint8Array.from(atob(plain(token.split('.')[0] ?? '')), (one) => one.charCodeAt(0)));
    return JSON.parse(text) as Pairing;
  } catch {
    return undefined;
  }
}

/** base64url as `atob` reads it. */
function plain(text: string): string {
  return text.replaceAll('-', '+').replaceAll('_', '/');
}

export interface ServedLocally {
  readonly hub: DeviceHub;
  readonly channel: ChannelLike;
  readonly jobId: string;
  readonly tabletId: string;
  /** The code that the tablet shows. */
  readonly code: () => string | undefined;
  /** Another page of this tablet has taken the devices of the job. */
  readonly taken: () => void;
}

/** Lets devices on the channel in to the hub of this tablet; gives how to stop. */
export function serveLocally({ hub, channel, jobId, tabletId, code, taken }: ServedLocally): () => void {
  const seats = new Map<string, ReturnType<DeviceHub['device']>>();
  const post = (frame: Frame) => channel.postMessage(frame);
  const isFor = (by: Credentials) => {
    if (by.token === undefined) return by.code !== undefined && readCode(by.code) === code();
    const pairing = unseal(by.token);
    return pairing?.jobId === jobId && pairing.tabletId === tabletId;
  };
  const drop = (connection: string) => {
    if (!seats.has(connection)) return;
    post({ is: 'closed', connection });
    seats.get(connection)?.closed();
    seats.delete(connection);
  };
  const stop = () => {
    for (const connection of [...seats.keys()]) drop(connection);
    channel.close();
  };
  channel.addEventListener('message', ({ data }) => {
    const frame = data as Frame;
    if (frame.is === 'here' && frame.jobId === jobId) {
      stop();
      taken();
    } else if (frame.is === 'open' && isFor(frame.by)) {
      const { connection } = frame;
      const seat = hub.device({
        send: (message) => post({ is: 'to-device', connection, text: JSON.stringify(message) }),
        close: () => drop(connection),
      });
      seats.set(connection, seat);
      post({ is: 'opened', connection, jobId });
    } else if (frame.is === 'to-tablet' && seats.has(frame.connection)) {
      const message = readMessage(FromDevice, frame.text);
      if (message === undefined) drop(frame.connection);
      else seats.get(frame.connection)?.receive(message);
    } else if (frame.is === 'closed') {
      seats.get(frame.connection)?.closed();
      seats.delete(frame.connection);
    }
  });
  post({ is: 'here', jobId });
  return stop;
}

export interface LocalMeans {
  readonly channel: ChannelLike;
  readonly newId: () => string;
  readonly later: (ms: number, then: () => void) => void;
}

/** A connection of a device to a tablet in another page; closed at once where no tablet answers to what it shows. */
export function localSocket(by: Credentials, { channel, newId, later }: LocalMeans): SocketLike {
  const connection = newId();
  const heard = { open: [] as (() => void)[], close: [] as (() => void)[] };
  const told: ((event: { readonly data: unknown }) => void)[] = [];
  let is: 'opening' | 'open' | 'closed' = 'opening';
  const post = (frame: Frame) => channel.postMessage(frame);
  const end = () => {
    if (is === 'closed') return;
    is = 'closed';
    channel.close();
    for (const one of heard.close) one();
  };
  let jobId: string | undefined;
  channel.addEventListener('message', ({ data }) => {
    const frame = data as Frame;
    if (frame.is === 'here') {
      if (frame.jobId === jobId) end();
      return;
    }
    if (frame.connection !== connection || is === 'closed') return;
    if (frame.is === 'opened') {
      is = 'open';
      jobId = frame.jobId;
      for (const one of heard.open) one();
    } else if (frame.is === 'to-device') for (const one of told) one({ data: frame.text });
    else if (frame.is === 'closed') end();
  });
  // Whoever made it listens first.
  later(0, () => post({ is: 'open', connection, by }));
  later(ANSWER_MS, () => {
    if (is === 'opening') end();
  });
  return {
    send: (text) => {
      if (is === 'open') post({ is: 'to-tablet', connection, text });
    },
    close: () => {
      if (is !== 'closed') post({ is: 'closed', connection });
      end();
    },
    addEventListener: (type: 'open' | 'close' | 'message', one: (event: { readonly data: unknown }) => void) => {
      if (type === 'message') told.push(one);
      else heard[type].push(one as () => void);
    },
  };
}

/** The first socket, or the second where the first closes before it was open. */
export function firstThat(first: SocketLike, second: () => SocketLike): SocketLike {
  let now = first;
  let isOpen = false;
  let isOver = false;
  const listeners: [type: 'open' | 'close' | 'message', heard: (event: { readonly data: unknown }) => void][] = [];
  const listen = (socket: SocketLike) => {
    socket.addEventListener('open', () => {
      isOpen = true;
      tell('open');
    });
    socket.addEventListener('message', (event) => tell('message', event));
  };
  const tell = (type: 'open' | 'close' | 'message', event: { readonly data: unknown } = { data: undefined }) => {
    for (const [of, heard] of listeners) if (of === type) heard(event);
  };
  listen(first);
  first.addEventListener('close', () => {
    if (isOpen || isOver) return tell('close');
    now = second();
    listen(now);
    now.addEventListener('close', () => tell('close'));
  });
  return {
    send: (text) => now.send(text),
    close: () => {
      isOver = true;
      now.close();
    },
    addEventListener: (type: 'open' | 'close' | 'message', heard: (event: { readonly data: unknown }) => void) => {
      listeners.push([type, heard]);
    },
  };
}
