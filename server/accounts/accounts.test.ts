import { openWorkshop, PASSWORD, signIn, trySignIn, type Workshop } from '../testing/workshop';

describe('signing in', () => {
  let workshop: Workshop;
  beforeAll(async () => {
    workshop = await openWorkshop({ signInTries: 30 });
  });
  afterAll(() => workshop.close());

  test('the session cookie cannot be read by scripts and goes to this site only', async () => {
    const response = await trySignIn(workshop.running.url, 'lead', PASSWORD);
    const [cookie = ''] = response.headers.getSetCookie();
    expect(cookie).toMatch(/HttpOnly/i);
    expect(cookie).toMatch(/SameSite=Lax/i);
  });

  test('a wrong password and an unknown name get the same answer', async () => {
    const wrong = await trySignIn(workshop.running.url, 'lead', 'not it at all');
    const unknown = await trySignIn(workshop.running.url, 'nobody', 'not it at all');
    expect([wrong.status, unknown.status]).toEqual([401, 401]);
    const told = await wrong.json();
    expect(told).toEqual(await unknown.json());
    expect(told.fault).toMatchObject({ code: 'wrong-password', todo: 'Check both and try again.' });
  });

  test('the user name is told apart by its letters, not their case', async () => {
    expect((await trySignIn(workshop.running.url, 'Lead', PASSWORD)).status).toBe(200);
  });

  test('a deactivated person is out at once and cannot come back', async () => {
    const { json } = await workshop.call('lead', 'POST', '/api/people', {
      username: 'leaver',
      name: 'Leaver',
      role: 'technician',
      password: PASSWORD,
    });
    const cookie = await signIn(workshop.running.url, 'leaver');
    const as = () => fetch(`${workshop.running.url}/api/shelf`, { headers: { cookie } }).then((r) => r.status);
    expect(await as()).toBe(200);
    await workshop.call('lead', 'PATCH', `/api/people/${json.id}`, { active: false });
    expect(await as()).toBe(401);
    expect((await trySignIn(workshop.running.url, 'leaver', PASSWORD)).ok).toBe(false);
  });

  test('a new password signs every device out', async () => {
    const { json } = await workshop.call('lead', 'GET', '/api/people');
    const trainer = (json.people as { id: string; username: string }[]).find((person) => person.username === 'trainer');
    const cookie = await signIn(workshop.running.url, 'trainer');
    await workshop.call('lead', 'PATCH', `/api/people/${trainer?.id}`, { password: 'another long password' });
    const shelf = await fetch(`${workshop.running.url}/api/shelf`, { headers: { cookie } });
    expect(shelf.status).toBe(401);
    expect((await trySignIn(workshop.running.url, 'trainer', 'another long password')).status).toBe(200);
  });

  test('somebody has to remain lead; a user name is given once', async () => {
    const { json } = await workshop.call('lead', 'GET', '/api/people');
    const lead = (json.people as { id: string; role: string }[]).find((person) => person.role === 'lead');
    const demoted = await workshop.call('lead', 'PATCH', `/api/people/${lead?.id}`, { role: 'trainer' });
    expect(demoted.json.fault?.code).toBe('last-lead');
    const twice = await workshop.call('lead', 'POST', '/api/people', {
      username: 'LEAD',
      name: 'x',
      role: 'lead',
      password: PASSWORD,
    });
    expect(twice.json.fault?.code).toBe('name-taken');
  });
});

test('a new workshop gets its first account once', async () => {
  const workshop = await openWorkshop({ people: false });
  const first = { username: 'first', name: 'First Lead', password: PASSWORD };
  expect((await workshop.call(null, 'GET', '/api/start')).json).toMatchObject({
    needsFirstAccount: true,
    demoPeople: null,
  });
  const short = await workshop.call(null, 'POST', '/api/first-account', { ...first, password: 'short' });
  expect(short.json.fault?.where).toEqual([{ path: 'password', reason: 'needs at least 8 characters' }]);
  expect((await workshop.call(null, 'POST', '/api/first-account', first)).status).toBe(201);
  expect((await workshop.call(null, 'POST', '/api/first-account', { ...first, username: 'second' })).status).toBe(409);
  const cookie = await signIn(workshop.running.url, 'first');
  const me = await fetch(`${workshop.running.url}/api/me`, { headers: { cookie } }).then((r) => r.json());
  expect(me.person).toMatchObject({ name: 'First Lead', role: 'lead' });
  await workshop.close();
});
