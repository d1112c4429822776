import { existsSync } from 'node:fs';
import { chmod, mkdir, readdir } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { isMainThread } from 'node:worker_threads';
import type { PGlite } from '@electric-sql/pglite';
import { drizzle, type PgliteDatabase } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import type { DiskOps } from './disk';
import { DatabaseEngine } from './engine';
import { type FolderLock, lockFolder } from './lock';
import * as schema from './schema';

export type Database = PgliteDatabase<typeof schema>;
/** What a query needs: the database itself or a transaction on it. */
export type Queryable = Pick<
  Database,
  'select' | 'selectDistinctOn' | 'insert' | 'update' | 'delete' | 'execute' | '$count'
>;

export interface OpenStore {
  readonly db: Database;
  readonly engine: DatabaseEngine;
  readonly folder: string;
  readonly lock: FolderLock;
  close(): Promise<void>;
}

/** A data folder that cannot be opened as it is, and what to do about it. */
export class BrokenFolder extends Error {}

/** What is in a data folder is nobody's but the account's that runs the server. */
const PRIVATE = 0o700;
const NOT_FOR_OTHERS = 0o077;
const CLOSING_MS = 4000;

/**
 * Opens the data folder for this process alone and brings its tables up to date.
 * Throws FolderInUse when another process holds it, BrokenFolder when what is in it does not open.
 */
export async function openStore(folder: string, disk?: DiskOps): Promise<OpenStore> {
  // A thread of its own takes over that of the process.
  if (isMainThread) process.umask(NOT_FOR_OTHERS);
  await mkdir(folder, { recursive: true, mode: PRIVATE });
  await chmod(folder, PRIVATE);
  const lock = await lockFolder(folder);
  try {
    await refuseHalf(folder);
    await mkdir(join(folder, 'database'), { recursive: true, mode: PRIVATE });
    const engine = await DatabaseEngine.open(join(folder, 'database'), disk).catch(async (error: unknown) => {
      throw await brokenDatabase(folder, error);
    });
    // It has all that the query builder asks of the class it is typed for.
    const db = drizzle(engine as unknown as PGlite, { schema });
    await migrate(db, { migrationsFolder });
    return {
      db,
      engine,
      folder,
      lock,
      close: async () => {
        await Promise.race([engine.close(), new Promise((resolve) => setTimeout(resolve, CLOSING_MS).unref())]);
        await lock.release();
      },
    };
  } catch (error) {
    await lock.release();
    throw error;
  }
}

/** Beside the sources when run from them; copied beside the bundle when built. */
export const migrationsFolder = fileURLToPath(new URL('./migrations', import.meta.url));

/** A folder that has photos and no database is no new one: its database was lost. */
async function refuseHalf(folder: string): Promise<void> {
  if (existsSync(join(folder, 'database', 'PG_VERSION'))) return;
  const media = ['photos', 'videos'].map((name) => join(folder, name));
  const kept = await Promise.all(media.map((path) => readdir(path).catch(() => [])));
  if (kept.every((names) => names.length === 0)) return;
  throw new BrokenFolder(
    `${folder} has photos or videos but no database: it is not a new folder, and its database is missing. ${await restoreHint(folder)}`,
  );
}

async function brokenDatabase(folder: string, error: unknown): Promise<BrokenFolder> {
  const cause = error instanceof Error ? error.message : String(error);
  return new BrokenFolder(`The database in ${folder} does not open (${cause}). ${await restoreHint(folder)}`, {
    cause: error,
  });
}

/** Which backup to go back to. */
async function restoreHint(folder: string): Promise<string> {
  const backups = join(folder, 'backups');
  const names = (await readdir(backups).catch(() => [])).filter((name) => name.endsWith('.fukusa-backup')).sort();
  const newest = names.at(-1);
  return newest
    ? `Restore the newest backup into an empty folder: npm run fukusa -- restore ${join(backups, newest)} --data NEW-FOLDER`
    : 'There is no backup in it. If you keep backups elsewhere: npm run fukusa -- restore FILE --data NEW-FOLDER';
}
