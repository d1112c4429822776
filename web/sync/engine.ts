import { createStore } from 'zustand/vanilla';
import { ApiFault, isServerFault, isUnreachable } from '../ground/api';

/** How it stands between this device and the server. */
export type Connection = 'ok' | 'unreachable' | 'signed-out' | 'no-room' | 'server-fault';

/** One kind of work that waits on this device. */
export interface Lane {
  readonly name: string;
  /** Sends what can go now. Throws what keeps the rest from going, such as no network or no session. */
  send(): Promise<void>;
}

export const connectionState = createStore<Connection>(() => 'ok');

const lanes = new Map<string, Lane>();
/** Tried again after this, twice as long each time, up to a minute. */
const FIRST_RETRY_MS = 4000;
const LONGEST_RETRY_MS = 60_000;
/** What waits for a person or for another session is looked at again so often. */
const IDLE_MS = 30_000;

let running: Promise<void> | undefined;
let again = false;
let failures = 0;
let timer: ReturnType<typeof setTimeout> | undefined;

/** Work of this kind is sent from now on; gives how to stop it. */
export function addLane(lane: Lane): () => void {
  lanes.set(lane.name, lane);
  return () => {
    if (lanes.get(lane.name) === lane) lanes.delete(lane.name);
  };
}

/**
 * Sends everything that waits, lane by lane: the one place from which anything is sent again. Asked while it runs, it
 * goes round once more. Never throws: what stops it is told by `connectionState`, and it tries again by itself.
 */
export function sync(): Promise<void> {
  again = running !== undefined;
  running ??= rounds();
  return running;
}

async function rounds(): Promise<void> {
  clearTimeout(timer);
  do {
    again = false;
    const connection = await sendAll([...lanes.values()]);
    connectionState.setState(connection);
    failures = connection === 'ok' ? 0 : failures + 1;
    if (connection === 'unreachable') void askForBackground();
  } while (again && failures === 0);
  // From here on nobody could ask this one to go round once more.
  running = undefined;
  const retry = Math.min(FIRST_RETRY_MS * 2 ** (failures - 1), LONGEST_RETRY_MS);
  timer = setTimeout(() => void sync(), failures === 0 ? IDLE_MS : retry);
}

/** Sends once. A lane that cannot go on does not hold up another, unless nothing can reach the server at all. */
export async function sendAll(all: readonly Lane[]): Promise<Connection> {
  let worst: Connection = 'ok';
  for (const lane of all) {
    try {
      await lane.send();
    } catch (error) {
      const connection = connectionAfter(error);
      if (connection === 'unreachable' || connection === 'signed-out') return connection;
      worst = connection;
    }
  }
  return worst;
}

function connectionAfter(error: unknown): Connection {
  if (isUnreachable(error)) return 'unreachable';
  if (error instanceof ApiFault && error.status === 401) return 'signed-out';
  if (error instanceof ApiFault && error.status === 507) return 'no-room';
  // What nobody foresaw is told to whoever looks, and stops neither the other lanes nor the next try.
  if (!isServerFault(error)) console.error(error);
  return 'server-fault';
}

/** Runs for as long as the app is open; gives how to stop it. */
export function startSync(): () => void {
  const go = () => void sync();
  const wake = () => document.visibilityState === 'visible' && go();
  window.addEventListener('online', go);
  window.addEventListener('focus', go);
  document.addEventListener('visibilitychange', wake);
  go();
  return () => {
    window.removeEventListener('online', go);
    window.removeEventListener('focus', go);
    document.removeEventListener('visibilitychange', wake);
    clearTimeout(timer);
  };
}

/** Whether a failure is of the connection, so that trying again later is all there is to do. */
export function isForLater(error: unknown): boolean {
  return (
    isUnreachable(error) ||
    isServerFault(error) ||
    (error instanceof ApiFault && (error.status === 401 || error.status === 507 || error.status === 429))
  );
}

/** What is open in this page, by name; other pages of this browser learn of it by its lock. */
const heldHere = new Set<string>();

/** Keeps everybody from doing `alone` what goes by this name; gives how to let go. */
export function hold(name: string): () => void {
  heldHere.add(name);
  let release = () => {};
  const held = new Promise<void>((resolve) => {
    release = resolve;
  });
  if (hasLocks()) void navigator.locks.request(`fukusa ${name}`, { mode: 'shared' }, () => held);
  return () => {
    heldHere.delete(name);
    release();
  };
}

/** Does something where no other tab of this browser does the same or holds it; skipped where one does. */
export async function alone(name: string, work: () => Promise<void>): Promise<void> {
  if (heldHere.has(name)) return;
  if (!hasLocks()) return work();
  await navigator.locks.request(`fukusa ${name}`, { ifAvailable: true }, async (lock) => {
    if (lock) await work();
  });
}

/** Longer than any sender takes that gets somewhere. */
const LONGEST_TURN_MS = 10_000;

/**
 * Does something after whoever does the same in another tab or in the background: it may have looked before the last
 * was added. For what does no harm done twice: one that never ends its turn is not waited for.
 */
export async function inTurn(name: string, work: () => Promise<void>): Promise<void> {
  if (!hasLocks()) return work();
  const signal = AbortSignal.timeout(LONGEST_TURN_MS);
  let started = false;
  const begin = () => {
    started = true;
    return work();
  };
  await navigator.locks.request(`fukusa ${name}`, { signal }, begin).catch((error: unknown) => {
    if (started) throw error;
    return work();
  });
}

/** Browsers have locks on https and on localhost only; without them, sending twice is safe, and merely sends more. */
function hasLocks(): boolean {
  return 'locks' in navigator;
}

/** What the browser is asked to do when the network is back, even if nobody has the app open then. */
export const IN_BACKGROUND = 'send-what-waits';

/** Where the browser has it; where not, the next page that is opened sends. */
async function askForBackground(): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  const registration = (await navigator.serviceWorker.getRegistration()) as SyncRegistration | undefined;
  await registration?.sync?.register(IN_BACKGROUND).catch(() => undefined);
}

/** Background sync is in no type library yet: a draft of the web incubator group, in some browsers only. */
interface SyncRegistration extends ServiceWorkerRegistration {
  readonly sync?: { register(tag: string): Promise<void> };
}
