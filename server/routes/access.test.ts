import { readFile } from 'node:fs/promises';
import { createApi } from '../api';
import { ROLES } from '../ground/roles';
import { PROGRAM_VERSION } from '../ground/version';
import { ALLOWED, type Allowed } from '../services/access';
import { openWorkshop, type Workshop } from '../testing/workshop';

let workshop: Workshop;
beforeAll(async () => {
  workshop = await openWorkshop();
});
afterAll(() => workshop.close());

/** Every route of the API with whom it lets in, read off the routes themselves. */
function allRoutes(): { method: string; path: string; allowed: Allowed | undefined }[] {
  const routes = new Map<string, { method: string; path: string; allowed: Allowed | undefined }>();
  for (const { method, path, handler } of createApi(workshop.running.services).routes) {
    const key = `${method} ${path}`;
    const allowed = (handler as { [ALLOWED]?: Allowed })[ALLOWED] ?? routes.get(key)?.allowed;
    routes.set(key, { method, path, allowed });
  }
  return [...routes.values()];
}

test('every route says who may call it', () => {
  const routes = allRoutes();
  expect(routes.length).toBeGreaterThan(25);
  expect(routes.filter((route) => route.allowed === undefined).map((route) => `${route.method} ${route.path}`)).toEqual(
    [],
  );
});

test('every route lets in those it names and nobody else', async () => {
  const wrong: string[] = [];
  for (const { method, path, allowed } of allRoutes()) {
    const address = `/api${path.replace(/:\w+/g, 'nothing')}`;
    for (const who of [...ROLES, null]) {
      // Signing out would end the session that the rest of the walk needs.
      if (path === '/auth/sign-out') continue;
      const { status } = await workshop.call(who, method, address, method === 'GET' ? undefined : {});
      const expected = allowed === 'anyone' ? 'in' : who === null ? 401 : allowed?.includes(who) ? 'in' : 403;
      const met = expected === 'in' ? ![401, 403].includes(status) && status < 500 : status === expected;
      const signInItself = path === '/auth/sign-in/username';
      if (!met && !signInItself)
        wrong.push(`${method} ${address} as ${who ?? 'nobody'}: ${status}, expected ${expected}`);
    }
  }
  expect(wrong).toEqual([]);
});

test('what a role may not do is said plainly', async () => {
  const { status, json } = await workshop.call('apprentice', 'POST', '/api/series', {});
  expect(status).toBe(403);
  expect(json.fault).toMatchObject({
    code: 'not-yours',
    what: 'This is not for an apprentice.',
    todo: 'Ask a lead or a trainer to do it.',
  });
});

test('the API describes itself: every route with what it takes and whom it lets in', async () => {
  const { json } = await workshop.call('apprentice', 'GET', '/api/openapi.json');
  expect(json.openapi).toMatch(/^3\./);
  const patterns = allRoutes().map(({ path }) => path.replace(/:(\w+)/g, '{$1}'));
  expect([...new Set(patterns)].filter((path) => !(path in json.paths))).toEqual([]);
  const entries = json.paths['/jobs/{id}/entries'].post;
  expect(entries.description).toBe('For lead, trainer, technician.');
  expect(JSON.stringify(entries.requestBody)).toContain('"entries"');
  expect((await workshop.call(null, 'GET', '/api/openapi.json')).status).toBe(401);
});

test('the version that is told is that of the package', async () => {
  expect(JSON.parse(await readFile('package.json', 'utf8')).version).toBe(PROGRAM_VERSION);
});
