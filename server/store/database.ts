import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { PGlite } from '@electric-sql/pglite';
import { drizzle, type PgliteDatabase } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { lock } from 'proper-lockfile';
import * as schema from './schema';

export type Database = PgliteDatabase<typeof schema>;
/** What a query needs: the database itself or a transaction on it. */
export type Queryable = Pick<Database, 'select' | 'insert' | 'update' | 'delete'>;

export interface OpenStore {
  readonly db: Database;
  readonly folder: string;
  close(): Promise<void>;
}

/** The data folder is in use by another process. */
export class FolderInUse extends Error {
  constructor(folder: string) {
    super(
      `The data folder ${folder} is in use by another Fukusa. ` +
        'Stop that one first, or start this one with --data and another folder.',
    );
  }
}

const STALE_MS = 5000;

/**
 * Opens the data folder for this process alone and brings its tables up to date.
 * Throws FolderInUse when another process holds it; a lock left by a killed process is taken over once it is stale.
 */
export async function openStore(folder: string, onLockLost: (error: Error) => void): Promise<OpenStore> {
  await mkdir(join(folder, 'database'), { recursive: true });
  const release = await lock(folder, {
    stale: STALE_MS,
    update: 1000,
    retries: { retries: 13, factor: 1, minTimeout: 500, maxTimeout: 500 },
    onCompromised: onLockLost,
  }).catch((error: NodeJS.ErrnoException) => {
    throw error.code === 'ELOCKED' ? new FolderInUse(folder) : error;
  });
  try {
    const client = await PGlite.create(join(folder, 'database'));
    const db = drizzle(client, { schema });
    await migrate(db, { migrationsFolder: migrationsFolder() });
    return {
      db,
      folder,
      close: async () => {
        await client.close();
        await release();
      },
    };
  } catch (error) {
    await release();
    throw error;
  }
}

/** Beside the sources when run from them; copied beside the bundle when built. */
function migrationsFolder(): string {
  return fileURLToPath(new URL('./migrations', import.meta.url));
}
