import { mkdir, mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApp } from '../app';
import { openWorkshop, type Workshop } from '../testing/workshop';
import { openRequestLog } from './logs';
import { roomGuard } from './room';

const line = { method: 'GET', route: '/api/jobs', status: 200, ms: 3, person: null };

describe('a full disk', () => {
  let workshop: Workshop;
  beforeAll(async () => {
    workshop = await openWorkshop();
  });
  afterAll(() => workshop.close());

  test('refuses what would be written and says why; reading goes on; it recovers by itself', async () => {
    let free = 10 * 1024 * 1024;
    let now = 0;
    const guard = () => roomGuard('any', async () => free);
    const app = createApp({ services: workshop.running.services, needRoom: (bytes) => guard()(bytes + now) });
    const series = { name: 'Named', code: 'N-1', pumpType: 'gear', positionSets: [] };
    const post = () =>
      app.request('http://here/api/series', {
        method: 'POST',
        headers: { cookie: workshop.cookies.trainer, 'content-type': 'application/json', origin: 'http://here' },
        body: JSON.stringify(series),
      });
    const refused = await post();
    expect(refused.status).toBe(507);
    expect((await refused.json()).fault).toMatchObject({
      code: 'disk-full',
      todo: expect.stringContaining('sent automatically'),
    });
    const read = await app.request('http://here/api/shelf', { headers: { cookie: workshop.cookies.trainer } });
    expect(read.status).toBe(200);
    free = 10 * 1024 * 1024 * 1024;
    expect((await post()).status).toBe(201);
    // What is sent counts as well as what is there.
    now = free;
    expect((await post()).status).toBe(507);
  });
});

describe('the log of requests', () => {
  let folder: string;
  beforeEach(async () => {
    folder = await mkdtemp(join(tmpdir(), 'fukusa-log-'));
  });
  afterEach(() => rm(folder, { recursive: true, force: true }));

  test('is one line of JSON a request, whatever is in it', async () => {
    const log = openRequestLog(join(folder, 'requests.log'));
    log.write({ ...line, route: 'forged\n{"status":200}' });
    log.write(line);
    await log.close();
    const lines = (await readFile(join(folder, 'requests.log'), 'utf8')).trim().split('\n');
    expect(lines.map((text) => JSON.parse(text).route)).toEqual(['forged\n{"status":200}', '/api/jobs']);
  });

  test('that cannot be written loses lines, not the process, and goes on when it can', async () => {
    // A folder stands where the file should be.
    await mkdir(join(folder, 'requests.log'));
    const log = openRequestLog(join(folder, 'requests.log'), 0);
    for (let i = 0; i < 3; i += 1) {
      log.write(line);
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    await rm(join(folder, 'requests.log'), { recursive: true });
    await new Promise((resolve) => setTimeout(resolve, 50));
    log.write({ ...line, route: '/after' });
    await new Promise((resolve) => setTimeout(resolve, 100));
    await log.close();
    expect(await readFile(join(folder, 'requests.log'), 'utf8')).toContain('/after');
  });
});
