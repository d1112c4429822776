import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { cp, mkdir, readdir, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { openStore } from '../database/open';

const templates = fileURLToPath(new URL('../../.cache/empty-databases/', import.meta.url));
const migrations = fileURLToPath(new URL('../database/migrations/', import.meta.url));

/**
 * Lays an empty database with its tables into a data folder that has none, which is several times quicker than
 * setting one up: it is made once for each set of migrations and copied from then on.
 */
export async function layEmptyDatabase(folder: string): Promise<void> {
  const newest =
    (await readdir(migrations))
      .filter((name) => name.endsWith('.sql'))
      .sort()
      .at(-1) ?? 'none';
  const template = join(templates, newest);
  if (!existsSync(template)) {
    const made = join(templates, `making-${randomUUID()}`);
    await mkdir(made, { recursive: true });
    const store = await openStore(made);
    await store.close();
    // Suites run beside each other; whoever is second has made it for nothing.
    await rename(made, template).catch(() => rm(made, { recursive: true }));
  }
  await cp(template, folder, { recursive: true });
}
