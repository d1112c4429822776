import { createWriteStream } from 'node:fs';
import { mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { z } from 'zod';
import { makeBackup } from '../backups/make';
import { ENDING } from '../backups/manifest';
import type { DatabaseEngine } from '../database/engine';
import type { Places } from '../files/layout';
import type { Work } from '../work/work';

/** A backup as the lead sees it. */
export interface KeptBackup {
  readonly name: string;
  readonly madeAt: string;
  readonly bytes: number;
  /** What was found when it was read back; null while that is under way or was cut short. */
  readonly readBack: ReadBack | null;
}

const ReadBack = z.object({
  at: z.string(),
  /** What is wrong with it; null where it is whole. */
  problem: z.string().nullable(),
  jobs: z.number().optional(),
  entries: z.number().optional(),
});
export type ReadBack = z.infer<typeof ReadBack>;

export interface BackupPlan {
  /** 0 for none but those somebody asks for. */
  readonly everyHours: number;
  /** How many are kept; the oldest go. */
  readonly keep: number;
}

const HOUR_MS = 60 * 60 * 1000;

export interface Backups {
  readonly plan: BackupPlan;
  /** The newest first. */
  list(): Promise<KeptBackup[]>;
  /** Makes one and reads it back. */
  make(): Promise<KeptBackup>;
  close(): void;
}

/** Makes backups into the data folder, by the clock and when asked; each is read back before it counts. */
export function keepBackups(
  engine: DatabaseEngine,
  places: Places,
  work: Work,
  plan: BackupPlan,
  log: (error: unknown) => void,
): Backups {
  const folder = places.backups;

  async function list(): Promise<KeptBackup[]> {
    const names = (await readdir(folder).catch(() => [])).filter((name) => name.endsWith(ENDING));
    const kept = await Promise.all(names.map((name) => look(join(folder, name))));
    return kept.sort((a, b) => b.name.localeCompare(a.name));
  }

  async function make(): Promise<KeptBackup> {
    await mkdir(folder, { recursive: true });
    const name = `${new Date().toISOString().slice(0, 19).replaceAll(':', '-')}${ENDING}`;
    const path = join(folder, name);
    const draft = `${path}.making`;
    try {
      await pipeline(makeBackup(engine, places), createWriteStream(draft, { flush: true }));
      await rename(draft, path);
    } catch (error) {
      await rm(draft, { force: true });
      throw error;
    }
    await writeFile(sidecar(path), JSON.stringify(await readBack(path)));
    for (const old of (await list()).slice(plan.keep)) {
      await rm(join(folder, old.name), { force: true });
      await rm(sidecar(join(folder, old.name)), { force: true });
    }
    return look(path);
  }

  async function readBack(path: string): Promise<ReadBack> {
    const at = new Date().toISOString();
    try {
      const { jobs, entries } = await work.do('checkBackup', path, places.uploads);
      return { at, problem: null, jobs, entries };
    } catch (error) {
      return { at, problem: error instanceof Error ? error.message : String(error) };
    }
  }

  async function whenDue(): Promise<void> {
    const [newest] = await list();
    const age = newest ? Date.now() - Date.parse(newest.madeAt) : Number.POSITIVE_INFINITY;
    if (age >= plan.everyHours * HOUR_MS) await make();
  }
  // Looked at every quarter of an hour, so that a machine that slept makes up for it.
  const timer = plan.everyHours > 0 ? setInterval(() => void whenDue().catch(log), HOUR_MS / 4) : undefined;
  timer?.unref();

  return { plan, list, make, close: () => clearInterval(timer) };
}

function sidecar(path: string): string {
  return `${path}.json`;
}

async function look(path: string): Promise<KeptBackup> {
  const { size, mtime } = await stat(path);
  const found = await readFile(sidecar(path), 'utf8').then(
    (text) => ReadBack.safeParse(JSON.parse(text)),
    () => undefined,
  );
  return {
    name: basename(path),
    madeAt: mtime.toISOString(),
    bytes: size,
    readBack: found?.success ? found.data : null,
  };
}
