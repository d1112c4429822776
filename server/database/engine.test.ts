import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { layEmptyDatabase } from '../testing/laid-folders';
import { UnsureDisk } from '../testing/power';
import { type OpenStore, openStore } from './open';
import * as table from './schema';

let base: string;
let count = 0;
beforeAll(async () => {
  base = await mkdtemp(join(tmpdir(), 'fukusa-power-'));
});
afterAll(() => rm(base, { recursive: true, force: true }));

async function emptyFolder(): Promise<string> {
  count += 1;
  const folder = join(base, `f${count}`);
  await layEmptyDatabase(folder);
  return folder;
}
const note = ({ db }: OpenStore, key: string) => db.insert(table.state).values({ key, value: 'x'.repeat(300) });
const notes = async ({ db }: OpenStore) => (await db.select().from(table.state)).map(({ key }) => key).sort();

/** Writes and acknowledges some notes, writes one more, and pulls the plug; gives what is there afterwards. */
async function afterPowerCut(disk: (unsure: UnsureDisk) => UnsureDisk['ops']): Promise<string[]> {
  const folder = await emptyFolder();
  const unsure = new UnsureDisk(folder, join(base, `platter${count}`));
  const store = await openStore(folder, disk(unsure));
  for (const key of ['a', 'b', 'c']) {
    await note(store, key);
    await store.engine.durable();
  }
  await note(store, 'never acknowledged');
  const cut = await openStore(unsure.cut(join(base, `cut${count}`)));
  const found = await notes(cut);
  await Promise.all([cut.close(), store.close()]);
  return found;
}

test('what was acknowledged is there after the power was cut; what was not may be gone', async () => {
  expect(await afterPowerCut((unsure) => unsure.ops)).toEqual(['a', 'b', 'c']);
});

test('the plug that is pulled here would show it: without syncs nothing is left', async () => {
  expect(await afterPowerCut(() => ({ sync: () => undefined }))).toEqual([]);
});

test('one sync brings all to the disk that is asked for together', async () => {
  const folder = await emptyFolder();
  let journal = 0;
  const store = await openStore(folder, {
    sync: (path) => {
      if (path.includes('pg_wal')) journal += 1;
    },
  });
  journal = 0;
  const one = async (key: string) => {
    await note(store, key);
    await store.engine.durable();
  };
  await one('single');
  expect(journal).toBe(1);
  journal = 0;
  await Promise.all(Array.from({ length: 20 }, (_, i) => one(`together-${i}`)));
  expect(journal).toBeGreaterThan(0);
  expect(journal).toBeLessThanOrEqual(10);
  await store.close();
});

test('a database that could not write its journal opens again by itself with all that was acknowledged', async () => {
  const folder = await emptyFolder();
  let full = false;
  const store = await openStore(folder, {
    sync: () => undefined,
    beforeWrite: () => {
      if (full) throw Object.assign(new Error('no space left'), { code: 'ENOSPC' });
    },
  });
  await note(store, 'before');
  await store.engine.durable();
  full = true;
  await expect(note(store, 'lost').then(() => store.engine.durable())).rejects.toBeDefined();
  await expect(note(store, 'lost too').then(() => store.engine.durable())).rejects.toBeDefined();
  full = false;
  await note(store, 'after');
  await store.engine.durable();
  expect(await notes(store)).toEqual(['after', 'before']);
  await store.close();
});
