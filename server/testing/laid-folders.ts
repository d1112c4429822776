import { execFile } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdir, readdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { openStore } from '../database/open';

const templates = fileURLToPath(new URL('../../.cache/laid-folders/', import.meta.url));
const migrations = fileURLToPath(new URL('../database/migrations/', import.meta.url));
const OUT_OF_USE_MS = 60 * 60_000;
const OF_ONE_RUN = /^(?:run|making)-/;

/**
 * Copies what `make` sets up into a folder, which is several times quicker than setting it up: it is made once under
 * its name and copied from then on. Gives the path of what was copied.
 */
export async function lay(name: string, folder: string, make: (made: string) => Promise<void>): Promise<string> {
  const template = join(templates, name);
  if (!existsSync(template)) {
    await clearAway();
    const made = join(templates, `making-${randomUUID()}`);
    await mkdir(made, { recursive: true });
    await make(made);
    // Suites run beside each other; whoever is second has made it for nothing.
    await rename(made, template).catch(() => rm(made, { recursive: true }));
  }
  // Several times quicker than the same through Node, for a database is a thousand small files.
  await promisify(execFile)('cp', ['-r', `${template}/.`, folder]);
  return template;
}

/** Lays an empty database with its tables into a data folder that has none. */
export async function layEmptyDatabase(folder: string): Promise<void> {
  const steps = (await readdir(migrations)).filter((name) => name.endsWith('.sql'));
  await mkdir(folder, { recursive: true });
  await lay(steps.sort().at(-1) ?? 'none', folder, async (made) => {
    const store = await openStore(made);
    await store.close();
  });
}

/** Removes what runs long ago laid for themselves. What serves every run stays: another suite may be copying it. */
async function clearAway(): Promise<void> {
  for (const name of await readdir(templates).catch(() => [])) {
    if (!OF_ONE_RUN.test(name)) continue;
    const made = await stat(join(templates, name)).catch(() => undefined);
    const isOld = made && Date.now() - made.mtimeMs > OUT_OF_USE_MS;
    if (isOld) await rm(join(templates, name), { recursive: true, force: true });
  }
}
