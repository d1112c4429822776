import { copyFileSync, cpSync, existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import type { DiskOps } from '../database/disk';

/**
 * A disk that keeps what was synced and loses the rest when the power goes. Beside the folder that the database works
 * in lies another, which holds each file as it was at its last sync.
 */
export class UnsureDisk {
  constructor(
    private readonly folder: string,
    private readonly platter: string,
  ) {
    cpSync(folder, platter, { recursive: true, filter: (path) => !path.endsWith('.sock') });
  }

  readonly ops: DiskOps = {
    sync: (path, file) => {
      const there = join(this.platter, relative(this.folder, path));
      if (file === undefined) this.syncFolder(path, there);
      else if (existsSync(path)) {
        mkdirSync(dirname(there), { recursive: true });
        copyFileSync(path, there);
      }
    },
  };

  /** Names in a folder: what is gone is gone, what was renamed is there under its new name. */
  private syncFolder(path: string, there: string): void {
    mkdirSync(there, { recursive: true });
    const names = new Set(readdirSync(path));
    for (const name of readdirSync(there)) if (!names.has(name)) rmSync(join(there, name), { recursive: true });
    for (const name of names) {
      const isNew = !existsSync(join(there, name)) && statSync(join(path, name)).isFile();
      if (isNew) copyFileSync(join(path, name), join(there, name));
    }
  }

  /** The power goes: a folder with nothing but what was synced. */
  cut(into: string): string {
    cpSync(this.platter, into, { recursive: true });
    return into;
  }
}
