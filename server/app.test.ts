import { mkdir, mkdtemp, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { createApp } from './app';
import type { RequestLine } from './ground/logs';
import { openWorkshop, type Workshop } from './testing/workshop';

let workshop: Workshop;
let app: ReturnType<typeof createApp>;
const lines: RequestLine[] = [];
beforeAll(async () => {
  workshop = await openWorkshop();
  const webFolder = await mkdtemp(join(tmpdir(), 'fukusa-web-'));
  await mkdir(join(webFolder, 'assets'));
  await writeFile(join(webFolder, 'index.html'), '<meta name="style-nonce" content="__STYLE_NONCE__">');
  await writeFile(join(webFolder, 'assets', 'app-1234.js'), `console.log("${'x'.repeat(4000)}")`);
  await writeFile(join(webFolder, 'assets', 'app-1234.js.gz'), gzipSync('console.log("packed at build")'));
  app = createApp({ services: workshop.running.services, webFolder, logRequest: (line) => lines.push(line) });
});
afterAll(() => workshop.close());

test('the page allows no script but its own and no style without its nonce', async () => {
  const response = await app.request('/procedures/anything');
  const policy = response.headers.get('content-security-policy') ?? '';
  const nonce = /'nonce-([^']+)'/.exec(policy)?.[1];
  expect(policy).toContain("script-src 'self';");
  expect(policy).toContain("object-src 'none'");
  expect(policy).not.toContain('unsafe');
  expect(await response.text()).toContain(`content="${nonce}"`);
  expect((await app.request('/')).headers.get('content-security-policy')).not.toContain(nonce);
  expect(response.headers.get('x-content-type-options')).toBe('nosniff');
});

test('files of the app are compressed and kept for good; pages and answers are not', async () => {
  const file = await app.request('/assets/app-1234.js', { headers: { 'accept-encoding': 'gzip' } });
  expect(file.headers.get('content-encoding')).toBe('gzip');
  expect(gunzipSync(Buffer.from(await file.arrayBuffer())).toString()).toContain('packed at build');
  expect(file.headers.get('cache-control')).toContain('immutable');
  expect((await app.request('/')).headers.get('cache-control')).toBe('no-store');
  expect((await app.request('/api/start')).headers.get('cache-control')).toBe('no-store');
  expect((await app.request('/assets/gone.js')).status).toBe(404);
});

test('every refusal has the one shape', async () => {
  for (const [path, status] of [
    ['/api/nowhere', 404],
    ['/api/shelf', 401],
    ['/api/people', 401],
  ] as const) {
    const response = await app.request(path);
    expect(response.status).toBe(status);
    expect(await response.json()).toEqual({
      fault: expect.objectContaining({ code: expect.any(String), what: expect.any(String), todo: expect.any(String) }),
    });
  }
});

test('JSON that is none is refused, not broken on', async () => {
  const response = await app.request('/api/first-account', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: '{ oops',
  });
  expect(response.status).toBe(400);
  expect((await response.json()).fault.todo).toBeTruthy();
});

test('a body over the limit is refused', async () => {
  const { status, json } = await workshop.call('trainer', 'POST', '/api/packages', {
    package: 'x'.repeat(9 * 1024 * 1024),
    when: 'new',
  });
  expect(status).toBe(413);
  expect(json.fault?.code).toBe('too-large');
});

test('a form from another site is refused', async () => {
  const response = await app.request('http://here/api/first-account', {
    method: 'POST',
    headers: { origin: 'http://elsewhere', 'content-type': 'application/x-www-form-urlencoded' },
    body: 'a=b',
  });
  expect(response.status).toBe(403);
});

test('each request leaves one line, which names the route and the person by its id and nothing that was sent', async () => {
  lines.length = 0;
  await app.request('/api/procedures/secret%0Aname', { headers: { cookie: workshop.cookies.trainer } });
  const [person] = (await workshop.running.services.accounts.list()).filter(({ role }) => role === 'trainer');
  expect(lines).toEqual([
    { method: 'GET', route: '/api/procedures/:id', status: 404, ms: expect.any(Number), person: person?.id },
  ]);
});
