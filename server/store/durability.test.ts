import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { layEmptyDatabase } from '../testing/empty-database';
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
