import { createApi } from '../api';
import { ROLES } from '../ground/roles';
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
