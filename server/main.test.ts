import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { createServer } from 'node:http';
import { type AddressInfo, connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { RULES } from '#core/findings/check';
import { findingsCatalogue } from '#core/language/en/findings';
import { packageJsonSchema } from '#core/package/package';
import { serve } from './serve';
import { layEmptyDatabase } from './testing/laid-folders';
import { ended, runMain, startMain } from './testing/process';
import { PASSWORD, signIn, testPackage, trySignIn } from './testing/workshop';

let folder: string;
const file = (name: string) => join(folder, name);
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fukusa-cli-'));
  const good = testPackage();
  await writeFile(file('good.json'), JSON.stringify(good));
  const [procedure] = good.procedures;
  const withoutFitting = {
    ...good,
    procedures: [{ ...procedure, steps: procedure?.steps.filter((step) => step.verb !== 'fit') }],
  };
  await writeFile(file('left-over.json'), JSON.stringify(withoutFitting));
  await writeFile(file('broken.json'), JSON.stringify({ ...good, series: { ...good.series, code: '' } }));
});
afterAll(() => rm(folder, { recursive: true, force: true }));

describe('check', () => {
  test('a whole procedure passes', async () => {
    const { code, out } = await runMain(['check', file('good.json')]);
    expect(code).toBe(0);
    expect(out).toMatch(/Test: 2 found\n {2}warn {3}pressure-kept .*\n {2}advise no-source/);
  });

  test('a part left over is named, and the exit code says stop', async () => {
    const { code, out } = await runMain(['check', file('left-over.json')]);
    expect(code).toBe(1);
    expect(out).toMatch(/stop\s+left-on-cloth\s+The eight cover nuts stay on the cloth/);
    const { out: json } = await runMain(['check', '--json', file('left-over.json')]);
    expect(JSON.parse(json)[0].findings[0]).toMatchObject({ id: 'left-on-cloth', severity: 'stop' });
  });

  test('a broken file is told by path', async () => {
    const { code, err } = await runMain(['check', file('broken.json')]);
    expect(code).toBe(2);
    expect(err).toContain('series.code: is empty');
    // The files that can be read are checked all the same.
    const both = await runMain(['check', file('nowhere.json'), file('good.json')]);
    expect([both.code, both.err.trim()]).toEqual([2, `${file('nowhere.json')} cannot be read: there is no such file.`]);
    expect(both.out).toContain('Test: 2 found');
  });

  test('the demo packages hold a clean procedure each, and drafts with faults; what stands is told with its reason', async () => {
    const { code, out } = await runMain(['check', 'demo/pellwick-rl-50.fukusa.json', 'demo/corrick-dd-40.fukusa.json']);
    expect(code).toBe(1);
    expect(out).toContain('Shaft seal renewal: nothing found');
    expect(out).toMatch(/stands unmarked .* are matched and not marked\. The rotors carry the number/);
    expect(out).toContain('New cover O-ring stays in the kit tray: nothing fits it.');
    expect(out).toContain('Wet end service: nothing found');
    expect(out).toMatch(/stop {3}still-tight .*Take off upper manifold/);
  });
});

describe('import and export', () => {
  let data: string;
  beforeAll(async () => {
    data = file('data');
    await layEmptyDatabase(data);
  });

  test('nothing is imported before there is an account', async () => {
    expect((await runMain(['import', file('good.json'), '--data', data])).err).toContain('has no accounts yet');
    const running = await serve({ dataFolder: data, port: 0 });
    await running.services.accounts.add({ username: 'lead', name: 'Lead', role: 'lead', password: PASSWORD });
    await running.close();
  });

  test('hand a package through unchanged', async () => {
    const taken = await runMain(['import', file('good.json'), '--data', data]);
    expect(taken.out).toContain('1 procedures are on the shelf');
    await runMain(['export', 't-1', file('out.json'), '--data', data]);
    expect(JSON.parse(await readFile(file('out.json'), 'utf8'))).toEqual(testPackage());
  }, 120_000);

  test('what cannot be taken in, or is not there, is told', async () => {
    expect((await runMain(['import', file('broken.json'), '--data', data])).code).toBe(2);
    expect((await runMain(['import', file('good.json'), '--data', data])).err).toContain('is on the shelf already');
    expect((await runMain(['export', 'unknown', '--data', data])).err).toContain('On the shelf: T-1');
  }, 120_000);
});

test('a taken port is stepped over, and a named port that is taken is said plainly', async () => {
  const blocker = createServer();
  await new Promise<void>((resolve) => blocker.listen(0, '127.0.0.1', resolve));
  const { port } = blocker.address() as AddressInfo;
  await layEmptyDatabase(file('ports'));
  const running = await serve({ dataFolder: file('ports'), port, seekPort: true });
  expect(Number(new URL(running.url).port)).toBeGreaterThan(port);
  await running.close();
  await layEmptyDatabase(file('ports-2'));
  const named = await runMain(['serve', '--data', file('ports-2'), '--port', String(port)]);
  expect(named.err).toContain(`Port ${port} is taken`);
  blocker.close();
}, 60_000);

test('the demo names its people, seeds an empty store once and keeps what was changed', async () => {
  const data = file('demo');
  await layEmptyDatabase(data);
  const first = await startMain(['--demo', '--data', data, '--port', '0']);
  expect((await fetch(`${first.url}/api/start`).then((r) => r.json())).demoPeople).toHaveLength(5);
  expect(first.out()).toContain('Ines Harrowgate');
  const signedIn = await fetch(`${first.url}/api/auth/sign-in/username`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: first.url },
    body: JSON.stringify({ username: 'ines', password: 'sallow-bridge' }),
  });
  const cookie = signedIn.headers
    .getSetCookie()
    .map((c) => c.split(';')[0])
    .join('; ');
  await fetch(`${first.url}/api/series`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: first.url, cookie },
    body: JSON.stringify({ name: 'Mine', code: 'M-1', pumpType: 'gear', positionSets: [] }),
  });
  first.child.kill('SIGTERM');
  await ended(first.child);
  const second = await startMain(['--demo', '--data', data, '--port', '0']);
  const shelf = await fetch(`${second.url}/api/shelf`, { headers: { cookie } }).then((r) => r.json());
  expect(shelf.series.map((series: { code: string }) => series.code).sort()).toEqual(
    expect.arrayContaining(['M-1', 'RL-50']),
  );
  second.child.kill('SIGTERM');
  await ended(second.child);
}, 120_000);

describe('keeping', () => {
  let data: string;
  beforeAll(async () => {
    data = file('keeping');
    await layEmptyDatabase(data);
  });

  test('people are added, given a new password and switched off while the server runs', async () => {
    const { child, url } = await startMain(['--data', data, '--port', '0']);
    const added = await runMain(['user', 'add', 'boss', '--name', 'The Boss', '--role', 'lead', '--data', data]);
    const password = /password {2}(\S+)/.exec(added.out)?.[1] ?? '';
    expect(await signIn(url, 'boss', password)).toContain('session_token');
    const reset = await runMain(['user', 'reset', 'boss', '--data', data]);
    expect((await trySignIn(url, 'boss', password)).status).toBe(401);
    expect((await trySignIn(url, 'boss', /password {2}(\S+)/.exec(reset.out)?.[1] ?? '')).status).toBe(200);
    await runMain(['user', 'add', 'helper', '--name', 'Helper', '--role', 'technician', '--data', data]);
    await runMain(['user', 'deactivate', 'helper', '--data', data]);
    expect((await runMain(['user', 'list', '--data', data])).out).toMatch(/helper .*\(deactivated\) Helper/);
    const last = await runMain(['user', 'deactivate', 'boss', '--data', data]);
    expect([last.code, last.err]).toEqual([2, expect.stringContaining('At least one person must be lead.')]);

    const written = await runMain(['backup', file('running.fukusa-backup'), '--data', data]);
    expect(written.out).toContain('read back: 2 people');
    child.kill('SIGTERM');
    expect(await ended(child)).toBe(0);
  }, 180_000);

  test('a backup is checked and restored into an empty folder, and nowhere else', async () => {
    const backup = file('running.fukusa-backup');
    expect((await runMain(['check-backup', backup])).out).toContain('The backup is intact');
    expect((await runMain(['restore', backup, '--data', file('again')])).out).toContain('2 people');
    expect((await runMain(['restore', backup, '--data', data])).err).toContain('is not empty');
    expect((await runMain(['user', 'list', '--data', file('again')])).out).toContain('The Boss');
  }, 180_000);

  test('the server stops although an upload hangs', async () => {
    const { child, url } = await startMain(['--data', data, '--port', '0']);
    const hanging = connect(Number(new URL(url).port), 'localhost');
    hanging.on('error', () => undefined);
    hanging.write('POST /api/photos HTTP/1.1\r\nHost: x\r\nContent-Length: 1000\r\n\r\nhalf');
    await new Promise((resolve) => setTimeout(resolve, 300));
    child.kill('SIGTERM');
    expect(await ended(child)).toBe(0);
  }, 60_000);

  test('what watches over the server is told whether it works and how it fares', async () => {
    const { child, url } = await startMain(['--data', data, '--port', '0']);
    expect(await fetch(`${url}/health`).then((response) => response.json())).toEqual({ ok: true });
    await fetch(`${url}/api/start`);
    const metrics = await fetch(`${url}/metrics`).then((response) => response.text());
    // The line that ends an exposition in the OpenMetrics format.
    expect(metrics.trim().endsWith('# EOF')).toBe(true);
    expect(metrics).toContain('fukusa_request_seconds_count{method="GET",route="/api/start",status="200"} 1');
    child.kill('SIGTERM');
    await ended(child);
  }, 60_000);
});

test('the published catalogue of findings is the one the rules make', async () => {
  expect(await readFile('docs/findings.md', 'utf8')).toBe(findingsCatalogue(RULES));
});

test('the published JSON Schema is the one the code makes', async () => {
  expect(JSON.parse(await readFile('docs/fukusa-2.schema.json', 'utf8'))).toEqual(
    JSON.parse(JSON.stringify(packageJsonSchema())),
  );
});
