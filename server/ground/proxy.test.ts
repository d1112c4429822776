import { request as plain } from 'node:http';
import { createServer, request } from 'node:https';
import type { AddressInfo } from 'node:net';
import selfsigned from 'selfsigned';
import { openWorkshop, PASSWORD, type Workshop } from '../testing/workshop';

/** A proxy with a certificate of its own in front of a workshop, as a workshop would put one there. */
interface Front {
  readonly url: string;
  call(method: string, path: string, body?: object, headers?: Record<string, string>): Promise<Answered>;
  close(): void;
}
interface Answered {
  readonly status: number;
  readonly cookies: readonly string[];
  readonly json: { fault?: { code: string; what: string; todo: string }; person?: { username: string } | null };
}

const { private: key, cert } = selfsigned.generate([{ name: 'commonName', value: 'localhost' }], {
  keySize: 2048,
  extensions: [{ name: 'subjectAltName', altNames: [{ type: 2, value: 'localhost' }] }],
});

async function front(target: string, { says = true, address = '' } = {}): Promise<Front> {
  const server = createServer({ key, cert }, (incoming, outgoing) => {
    const { hostname, port } = new URL(target);
    const headers = {
      ...incoming.headers,
      host: `${hostname}:${port}`,
      ...(says && {
        'x-forwarded-proto': 'https',
        'x-forwarded-host': String(incoming.headers.host),
        'x-forwarded-for': address || incoming.socket.remoteAddress,
      }),
    };
    const passed = plain({ hostname, port, method: incoming.method, path: incoming.url, headers }, (answer) => {
      outgoing.writeHead(answer.statusCode ?? 502, answer.headers);
      answer.pipe(outgoing);
    });
    incoming.pipe(passed);
  });
  await new Promise<void>((resolve) => server.listen(0, resolve));
  const url = `https://localhost:${(server.address() as AddressInfo).port}`;
  const { port } = new URL(url);
  return {
    url,
    call: (method, path, body, headers = {}) =>
      new Promise((resolve, reject) => {
        const sent = request(
          {
            hostname: 'localhost',
            port,
            method,
            path,
            ca: cert,
            headers: { origin: url, 'content-type': 'application/json', ...headers },
          },
          (answer) => {
            let text = '';
            answer.on('data', (chunk) => {
              text += chunk;
            });
            answer.on('end', () =>
              resolve({
                status: answer.statusCode ?? 0,
                cookies: answer.headers['set-cookie'] ?? [],
                json: text.startsWith('{') ? JSON.parse(text) : {},
              }),
            );
          },
        );
        sent.on('error', reject);
        sent.end(body && JSON.stringify(body));
      }),
    close: () => server.close(),
  };
}

let workshop: Workshop;
let proxy: Front;
beforeAll(async () => {
  workshop = await openWorkshop({ reach: { trustProxy: ['loopback'] } });
  proxy = await front(workshop.running.url);
});
afterAll(async () => {
  proxy.close();
  await workshop.close();
});

const credentials = { username: 'technician', password: PASSWORD };
const cookieOf = ({ cookies }: Answered) => cookies.map((cookie) => cookie.split(';')[0]).join('; ');

test('behind a proxy with a certificate people sign in, change their password and sign out', async () => {
  const signedIn = await proxy.call('POST', '/api/auth/sign-in/username', credentials);
  expect(signedIn.status).toBe(200);
  expect(signedIn.cookies[0]).toMatch(/; Secure/);
  const changed = await proxy.call(
    'POST',
    '/api/auth/change-password',
    { currentPassword: PASSWORD, newPassword: 'another long one' },
    { cookie: cookieOf(signedIn) },
  );
  expect(changed.status).toBe(200);
  const cookie = cookieOf(changed);
  expect((await proxy.call('GET', '/api/me', undefined, { cookie })).json.person?.username).toBe('technician');
  expect((await proxy.call('POST', '/api/auth/sign-out', {}, { cookie })).status).toBe(200);
  expect((await proxy.call('GET', '/api/me', undefined, { cookie })).json.person).toBeNull();
  await workshop.call('lead', 'PATCH', `/api/people/${await idOf('technician')}`, { password: PASSWORD });
});

async function idOf(username: string): Promise<string> {
  const people = await workshop.running.services.accounts.list();
  return people.find((person) => person.username === username)?.id ?? '';
}

test('what is refused is called by its name', async () => {
  const wrong = await proxy.call('POST', '/api/auth/sign-in/username', { ...credentials, password: 'not that one' });
  expect([wrong.status, wrong.json.fault?.code]).toEqual([401, 'wrong-password']);
  const signedIn = await proxy.call('POST', '/api/auth/sign-in/username', credentials);
  const cookie = cookieOf(signedIn);
  const present = await proxy.call(
    'POST',
    '/api/auth/change-password',
    { currentPassword: 'not that one', newPassword: 'another long one' },
    { cookie },
  );
  expect(present.json.fault?.code).toBe('wrong-present-password');
  const elsewhere = await proxy.call('POST', '/api/auth/sign-out', {}, { cookie, origin: 'https://elsewhere.example' });
  expect([elsewhere.status, elsewhere.json.fault?.code]).toEqual([403, 'other-origin']);
  await workshop.call('lead', 'PATCH', `/api/people/${await idOf('technician')}`, { active: false });
  const off = await proxy.call('POST', '/api/auth/sign-in/username', credentials);
  expect([off.status, off.json.fault?.code]).toEqual([403, 'switched-off']);
  await workshop.call('lead', 'PATCH', `/api/people/${await idOf('technician')}`, { active: true });
});

test('a proxy that nobody trusts is not believed, and the refusal says what to set', async () => {
  const plainly = await openWorkshop({ people: false });
  const untrusted = await front(plainly.running.url);
  const { status, json } = await untrusted.call('POST', '/api/auth/sign-in/username', credentials);
  expect([status, json.fault?.code]).toEqual([403, 'other-origin']);
  expect(json.fault?.todo).toContain('--public-url');
  untrusted.close();
  await plainly.close();
});

test('the public address is enough where the proxy says nothing of itself', async () => {
  const silent: { proxy?: Front } = {};
  const named = await openWorkshop({ people: false, reach: { publicUrl: 'https://fukusa.example' } });
  silent.proxy = await front(named.running.url, { says: false });
  const { json } = await silent.proxy.call('POST', '/api/auth/sign-in/username', credentials, {
    origin: 'https://fukusa.example',
  });
  expect(json.fault?.code).toBe('wrong-password');
  silent.proxy.close();
  await named.close();
});

test('tries count for the client behind the proxy, not for the proxy', async () => {
  const limited = await openWorkshop({ people: false, signInTries: 3, reach: { trustProxy: ['loopback'] } });
  const [one, other] = [
    await front(limited.running.url, { address: '10.0.0.1' }),
    await front(limited.running.url, { address: '10.0.0.2' }),
  ];
  const guess = (from: Front) =>
    from.call('POST', '/api/auth/sign-in/username', { ...credentials, password: 'a guess' });
  const statuses: number[] = [];
  for (let i = 0; i < 4; i += 1) statuses.push((await guess(one)).status);
  expect(statuses).toEqual([401, 401, 401, 429]);
  expect((await guess(other)).status).toBe(401);
  one.close();
  other.close();
  await limited.close();
});
