import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { serve } from '../serve';
import { layEmptyDatabase } from '../testing/laid-folders';
import { openWorkshop, PASSWORD, signIn, trySignIn, type Workshop } from '../testing/workshop';

const first = { username: 'first', name: 'First Lead', password: PASSWORD };

test('of many who make the first account at once, one does', async () => {
  const workshop = await openWorkshop({ people: false });
  const tries = await Promise.all(
    ['a1', 'b2', 'c3', 'd4'].map((username) =>
      workshop.call(null, 'POST', '/api/first-account', { ...first, username }),
    ),
  );
  expect(tries.map(({ status }) => status).sort()).toEqual([201, 409, 409, 409]);
  expect(await workshop.running.services.accounts.count()).toBe(1);
  await workshop.close();
});

test('where more than this machine reaches the server, the first account needs the code printed on its console', async () => {
  const workshop = await openWorkshop({ people: false, reach: { trustProxy: ['loopback'] } });
  expect((await workshop.call(null, 'GET', '/api/start')).json).toMatchObject({ needsSetupCode: true });
  const without = await workshop.call(null, 'POST', '/api/first-account', first);
  expect([without.status, without.json.fault.code]).toEqual([403, 'setup-code']);
  const code = workshop.running.services.setupCode ?? '';
  expect(code).toMatch(/^[A-Z2-9]{8}$/);
  expect((await workshop.call(null, 'POST', '/api/first-account', { ...first, code: code.toLowerCase() })).status).toBe(
    201,
  );
  await workshop.close();
});

describe('a password that others would try first', () => {
  let workshop: Workshop;
  beforeAll(async () => {
    workshop = await openWorkshop({ people: false });
  });
  afterAll(() => workshop.close());

  test.each([
    ['password1', 'very common'],
    ['qwertyuiop', 'very common'],
    ['aaaaaaaaaaaa', 'repeats'],
    ['firstlead1', 'too similar to the name'],
  ])('such as %s is refused: it is %s', async (password, why) => {
    const { status, json } = await workshop.call(null, 'POST', '/api/first-account', { ...first, password });
    expect(status).toBe(400);
    expect(json.fault.where).toEqual([{ path: 'password', reason: expect.stringContaining(why) }]);
  });
});

test('a name that is guessed at is answered more slowly and never locked: its owner gets in', async () => {
  const workshop = await openWorkshop();
  const { url } = workshop.running;
  for (let i = 0; i < 6; i += 1) await trySignIn(url, 'technician', `guess ${i}`);
  const started = performance.now();
  await trySignIn(url, 'technician', 'one more guess');
  // The wait is a setting of the server: it doubles from a quarter of a second.
  expect(performance.now() - started).toBeGreaterThan(450);
  expect(await signIn(url, 'technician')).toContain('fukusa.session_token');
  await workshop.close();
});

describe('a data folder', () => {
  let folder: string;
  beforeEach(async () => {
    folder = await mkdtemp(join(tmpdir(), 'fukusa-folder-'));
  });
  afterEach(() => rm(folder, { recursive: true, force: true }));

  test('with an empty secret is refused', async () => {
    await layEmptyDatabase(folder);
    await writeFile(join(folder, 'secret'), '');
    await expect(serve({ dataFolder: folder, port: 0 })).rejects.toThrow('empty or too short');
  });

  test('with photos and no database is not taken for a new one', async () => {
    const { mkdir } = await import('node:fs/promises');
    await mkdir(join(folder, 'photos', 'ab'), { recursive: true });
    await expect(serve({ dataFolder: folder, port: 0 })).rejects.toThrow('its database is missing');
  });

  test('whose database is broken says which backup to go back to', async () => {
    const { mkdir } = await import('node:fs/promises');
    await layEmptyDatabase(folder);
    await writeFile(join(folder, 'database', 'global', 'pg_control'), 'nonsense');
    await mkdir(join(folder, 'backups'));
    await writeFile(join(folder, 'backups', '2026-01-05.fukusa-backup'), '');
    await expect(serve({ dataFolder: folder, port: 0 })).rejects.toThrow('2026-01-05.fukusa-backup');
  }, 90_000);

  test('of the demo lets nobody in with the printed passwords once it is no demo', async () => {
    await layEmptyDatabase(folder);
    const people = [{ username: 'shown', name: 'Shown', role: 'lead' as const, password: 'printed-for-all' }];
    const demo = await serve({
      dataFolder: folder,
      port: 0,
      demo: { people },
      seed: async ({ accounts }) => void (await accounts.addKnown(people)),
    });
    expect((await trySignIn(demo.url, 'shown', 'printed-for-all')).status).toBe(200);
    const cookie = await signIn(demo.url, 'shown', 'printed-for-all');
    await demo.close();
    const real = await serve({ dataFolder: folder, port: 0 });
    const refused = await trySignIn(real.url, 'shown', 'printed-for-all');
    expect([refused.status, (await refused.json()).fault.code]).toEqual([403, 'known-password']);
    const me = await fetch(`${real.url}/api/me`, { headers: { cookie } }).then((response) => response.json());
    expect(me.person).toBeNull();
    await real.close();
  });
});
