import { statfs } from 'node:fs/promises';
import { diskFull } from './fault';

/** What is kept free for the database, which has to write its journal to be opened at all. */
const RESERVE_BYTES = 64 * 1024 * 1024;
const LOOKED_FOR_MS = 500;

export type FreeBytes = (folder: string) => Promise<number>;

const freeBytes: FreeBytes = async (folder) => {
  const { bavail, bsize } = await statfs(folder);
  return bavail * bsize;
};

/** Refuses what would be written while the disk has no room left for it. Reading is never refused. */
export function roomGuard(folder: string, free: FreeBytes = freeBytes): (bytes: number) => Promise<void> {
  let looked = { at: Number.NEGATIVE_INFINITY, bytes: Number.POSITIVE_INFINITY };
  return async (bytes) => {
    const now = performance.now();
    if (now - looked.at > LOOKED_FOR_MS) {
      looked = { at: now, bytes: await free(folder).catch(() => Number.POSITIVE_INFINITY) };
    }
    if (looked.bytes < RESERVE_BYTES + bytes) throw diskFull();
  };
}
