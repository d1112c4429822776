import { create } from 'zustand';
import { ApiFault, isServerFault, isUnreachable } from '../ground/api';

/** How it stands between this device and the server. */
export type Connection = 'ok' | 'unreachable' | 'signed-out' | 'no-room' | 'server-fault';

/** One kind of work that waits on this device. */
export interface Lane {
  readonly name: string;
  /** Sends what can go now. Throws what keeps the rest from going, such as no network or no session. */
  send(): Promise<void>;
}

export const useSync = create<{ readonly connection: Connection }>(() => ({ connection: 'ok' }));

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
 * goes round once more. Never throws: what stops it is told by `useSync`, and it tries again by itself.
 */
export function sync(): Promise<void> {
  again = running !== undefined;
  running ??= rounds().finally(() => {
    running = undefined;
  });
  return running;
}

async function rounds(): Promise<void> {
  clearTimeout(timer);
  do {
    again = false;
    const connection = await round();
    useSync.setState({ connection });
    failures = connection === 'ok' ? 0 : failures + 1;
  } while (again && failures === 0);
  const retry = Math.min(FIRST_RETRY_MS * 2 ** (failures - 1), LONGEST_RETRY_MS);
  timer = setTimeout(() => void sync(), failures === 0 ? IDLE_MS : retry);
}

/** One lane that cannot go on does not hold up another, unless nothing can reach the server at all. */
async function round(): Promise<Connection> {
  let worst: Connection = 'ok';
  for (const lane of [...lanes.values()]) {
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

/** Does something where no other tab of this browser does the same; skipped where one does. */
export async function alone(name: string, work: () => Promise<void>): Promise<void> {
  // Browsers have locks on https and on localhost only; without them, sending twice is safe, and merely sends more.
  if (!('locks' in navigator)) return work();
  await navigator.locks.request(`fukusa ${name}`, { ifAvailable: true }, async (lock) => {
    if (lock) await work();
  });
}
