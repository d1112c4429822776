import { spawnSync } from 'node:child_process';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { layEmptyDatabase } from '../testing/laid-folders';
import { ended, runMain, startMain } from '../testing/process';
import { PASSWORD, signIn } from '../testing/workshop';

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fukusa-kill-'));
});
afterAll(() => rm(folder, { recursive: true, force: true }));

const post = (url: string, cookie: string, path: string, body: object) =>
  fetch(url + path, {
    method: 'POST',
    headers: { cookie, origin: url, 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });

/** Writes series after series until the server dies under it; gives the codes that were acknowledged. */
async function writeUntilDead(url: string, cookie: string, prefix: string, acknowledged: string[]): Promise<void> {
  for (let i = 0; ; i += 1) {
    const code = `${prefix}-${i}`;
    try {
      const response = await post(url, cookie, '/api/series', {
        name: 'Kill test',
        code,
        pumpType: 'other',
        positionSets: [],
      });
      if (response.status === 201) acknowledged.push(code);
    } catch {
      return;
    }
  }
}

/** All pages of the shelf. */
async function codesOnShelf(url: string, cookie: string): Promise<Set<string>> {
  const codes = new Set<string>();
  for (let after: string | null = ''; after !== null; ) {
    const query: string = after ? `?after=${after}` : '';
    const page: { series: { code: string }[]; next: string | null } = await fetch(`${url}/api/shelf${query}`, {
      headers: { cookie },
    }).then((response) => response.json());
    for (const { code } of page.series) codes.add(code);
    after = page.next;
  }
  return codes;
}

test('a process killed while it writes loses nothing that was acknowledged', async () => {
  const acknowledged: string[] = [];
  await layEmptyDatabase(folder);
  for (const round of [0, 1, 2]) {
    const { child, url } = await startMain(['--data', folder, '--port', '0']);
    if (round === 0) await post(url, '', '/api/first-account', { username: 'lead', name: 'Lead', password: PASSWORD });
    const cookie = await signIn(url, 'lead');
    const writers = ['a', 'b', 'c'].map((writer) => writeUntilDead(url, cookie, `${round}${writer}`, acknowledged));
    const before = acknowledged.length;
    while (acknowledged.length < before + 8 + 5 * round) await new Promise((resolve) => setTimeout(resolve, 1));
    child.kill('SIGKILL');
    await Promise.all([ended(child), ...writers]);
  }

  const { child, url } = await startMain(['--data', folder, '--port', '0']);
  const cookie = await signIn(url, 'lead');
  const codes = await codesOnShelf(url, cookie);
  expect(acknowledged.filter((code) => !codes.has(code))).toEqual([]);

  const second = await runMain(['serve', '--data', folder, '--port', '0']);
  expect(second.code).toBe(2);
  expect(second.err).toContain('is in use by another Fukusa');

  child.kill('SIGTERM');
  expect(await ended(child)).toBe(0);
}, 180_000);

/** Only where the system has a tracer that may watch other processes. */
const canTrace = spawnSync('strace', ['-o', '/dev/null', 'true']).status === 0;

(canTrace ? test : test.skip)(
  'the system is asked to bring the journal to the disk before each answer, and once for those that come together',
  async () => {
    const traced = join(folder, 'traced');
    const log = join(folder, 'syncs');
    await layEmptyDatabase(traced);
    const strace = ['strace', '-f', '-y', '-e', 'trace=fsync,fdatasync', '-o', log];
    const { child, url } = await startMain(['--data', traced, '--port', '0'], strace);
    const journalSyncs = async () => [...(await readFile(log, 'utf8')).matchAll(/sync\(\d+<[^>]*pg_wal/g)].length;
    const make = (code: string) =>
      post(url, cookie, '/api/series', { name: 'Traced', code, pumpType: 'other', positionSets: [] });

    await post(url, '', '/api/first-account', { username: 'lead', name: 'Lead', password: PASSWORD });
    const cookie = await signIn(url, 'lead');
    for (const code of ['T-1', 'T-2', 'T-3']) {
      const before = await journalSyncs();
      expect((await make(code)).status).toBe(201);
      expect((await journalSyncs()) - before).toBe(1);
    }
    const before = await journalSyncs();
    const together = await Promise.all(Array.from({ length: 12 }, (_, i) => make(`T-together-${i}`)));
    expect(together.map(({ status }) => status)).toEqual(Array(12).fill(201));
    expect((await journalSyncs()) - before).toBeLessThanOrEqual(12);
    // The tracer ends with what it traces.
    process.kill(Number.parseInt(await readFile(log, 'utf8'), 10), 'SIGTERM');
    expect(await ended(child)).toBe(0);
  },
  120_000,
);
