import { spawn } from 'node:child_process';
import { mkdir, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { doorOf, FolderInUse, lockFolder } from './lock';

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fukusa-lock-'));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

test('a folder is held by one at a time, and by nobody after it is released', async () => {
  const lock = await lockFolder(folder);
  await expect(lockFolder(folder)).rejects.toBeInstanceOf(FolderInUse);
  expect(await doorOf(folder)).toBeDefined();
  await lock.release();
  expect(await doorOf(folder)).toBeUndefined();
  await (await lockFolder(folder)).release();
});

test('of many who ask at once, one gets it', async () => {
  const asked = await Promise.allSettled(Array.from({ length: 6 }, () => lockFolder(folder)));
  const got = asked.flatMap((one) => (one.status === 'fulfilled' ? [one.value] : []));
  expect(got).toHaveLength(1);
  await got[0]?.release();
});

test('what a killed process left is known to be dead at once', async () => {
  const script = `require('node:net').createServer().listen(${JSON.stringify(join(folder, 'console.sock'))}, () => console.log('up'))`;
  const child = spawn(process.execPath, ['-e', script], { stdio: ['ignore', 'pipe', 'inherit'] });
  await new Promise((resolve) => child.stdout.once('data', resolve));
  await expect(lockFolder(folder)).rejects.toBeInstanceOf(FolderInUse);
  child.kill('SIGKILL');
  await new Promise((resolve) => child.once('exit', resolve));
  await (await lockFolder(folder)).release();
});

test('a folder whose name is longer than a socket may have is held as well', async () => {
  const deep = join(folder, 'a-name-that-is-long-'.repeat(4), 'and-another-one-'.repeat(4));
  await mkdir(deep, { recursive: true });
  const lock = await lockFolder(deep);
  await expect(lockFolder(deep)).rejects.toBeInstanceOf(FolderInUse);
  await lock.release();
});
