import { randomUUID } from 'node:crypto';
import { closeSync, linkSync, lstatSync, openSync, renameSync, rmSync } from 'node:fs';
import { createServer, type RequestListener } from 'node:http';
import { connect } from 'node:net';
import { join, relative } from 'node:path';

/** The data folder is in use by another process. */
export class FolderInUse extends Error {
  constructor(folder: string) {
    super(
      `The data folder ${folder} is in use by another Fukusa. ` +
        'Stop that one first, or start this one with --data and another folder.',
    );
  }
}

/** The door through which the command line talks to the process that holds a data folder. */
export const DOOR = 'console.sock';
/** What a path of a socket may measure on the systems that allow the least. */
const LONGEST_SOCKET_PATH = 100;

export interface FolderLock {
  /** Answers what comes in by the door from now on. */
  answer(listener: RequestListener): void;
  release(): Promise<void>;
}

/**
 * Holds a data folder for this process alone. The lock is a socket that only a living process answers: one left by a
 * killed process is known to be dead at once, whatever its age. Throws FolderInUse.
 */
export async function lockFolder(folder: string): Promise<FolderLock> {
  return withShortPath(folder, async (short) => {
    const own = join(short, `door-${randomUUID().slice(0, 8)}`);
    const door = join(short, DOOR);
    let listener: RequestListener = (_request, response) => response.writeHead(503).end();
    const server = createServer((request, response) => listener(request, response));
    await new Promise<void>((resolve, reject) => server.once('error', reject).listen(own, resolve));
    const giveUp = async () => {
      rmSync(own, { force: true });
      await new Promise((resolve) => server.close(resolve));
    };
    try {
      await take(own, door, folder);
    } catch (error) {
      await giveUp();
      throw error;
    }
    server.unref();
    return {
      answer: (next) => {
        listener = next;
      },
      release: async () => {
        rmSync(join(folder, DOOR), { force: true });
        server.closeAllConnections();
        await new Promise((resolve) => server.close(resolve));
      },
    };
  });
}

/** Puts this process's socket in the place of the door, unless a living process stands there. */
async function take(own: string, door: string, folder: string): Promise<void> {
  for (let tries = 0; tries < 3; tries += 1) {
    if (linked(own, door)) {
      rmSync(own);
      return;
    }
    if (await isAnswered(door)) throw new FolderInUse(folder);
    // Set aside first and looked at again: another process may have taken the dead one's place in between.
    const aside = `${own}-aside`;
    try {
      renameSync(door, aside);
    } catch {
      continue;
    }
    if (await isAnswered(aside)) {
      linked(aside, door);
      rmSync(aside, { force: true });
      throw new FolderInUse(folder);
    }
    rmSync(aside, { force: true });
  }
  throw new FolderInUse(folder);
}

function linked(from: string, to: string): boolean {
  try {
    linkSync(from, to);
    return true;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'EEXIST') return false;
    throw error;
  }
}

function isAnswered(path: string): Promise<boolean> {
  return new Promise((resolve) => {
    const socket = connect(path);
    const end = (answered: boolean) => {
      socket.destroy();
      resolve(answered);
    };
    socket.once('connect', () => end(true));
    socket.once('error', () => end(false));
  });
}

/** The door of the process that holds a folder, if there is one. */
export async function doorOf(folder: string): Promise<string | undefined> {
  const door = shortest(join(folder, DOOR));
  try {
    lstatSync(door);
  } catch {
    return undefined;
  }
  return (await isAnswered(door)) ? door : undefined;
}

/** Paths of sockets have to be short. A folder whose name is long is reached through an open handle on it. */
async function withShortPath<T>(folder: string, work: (short: string) => Promise<T>): Promise<T> {
  const short = shortest(folder);
  if (join(short, 'door-12345678-aside').length <= LONGEST_SOCKET_PATH) return work(short);
  const handle = openSync(folder, 'r');
  try {
    return await work(`/proc/self/fd/${handle}`);
  } finally {
    closeSync(handle);
  }
}

function shortest(path: string): string {
  const fromHere = relative(process.cwd(), path) || '.';
  return fromHere.length < path.length ? fromHere : path;
}
