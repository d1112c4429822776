import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Package, packageOf } from '#core/package/package';
import { typed } from '#core/testing/workbook';
import type { ReachSettings } from '../ground/reach';
import { ROLES, type Role } from '../ground/roles';
import { type Running, serve } from '../serve';
import { lay, layEmptyDatabase } from './laid-folders';

/** A real server on an empty data folder, with one person of each role; every test file gets its own. */
export interface Workshop {
  readonly running: Running;
  readonly folder: string;
  /** The cookie of the person with this role. */
  readonly cookies: Readonly<Record<Role, string>>;
  call(as: Role | null, method: string, path: string, body?: unknown): Promise<Answer>;
  close(): Promise<void>;
}

/** Parsed JSON of whatever shape; each test asks for what it needs. */
export type Parsed = ReturnType<typeof JSON.parse>;

export interface Answer {
  readonly status: number;
  readonly headers: Headers;
  readonly json: Parsed;
}

export const PASSWORD = 'a long enough password';

export interface WorkshopOptions {
  readonly signInTries?: number;
  readonly people?: boolean;
  readonly reach?: ReachSettings;
}

export async function openWorkshop(options: WorkshopOptions = {}): Promise<Workshop> {
  const folder = await mkdtemp(join(tmpdir(), 'fukusa-test-'));
  const cookies = options.people === false ? NOBODY : await layPeople(folder);
  if (cookies === NOBODY) await layEmptyDatabase(folder);
  const running = await serve({
    dataFolder: folder,
    port: 0,
    signInTries: options.signInTries ?? 1000,
    ...(options.reach && { reach: options.reach }),
  });
  return {
    running,
    folder,
    cookies,
    async call(as, method, path, body) {
      const raw = body instanceof Uint8Array;
      const response = await fetch(running.url + path, {
        method,
        headers: {
          ...(as && { cookie: cookies[as] }),
          ...(body !== undefined && { 'content-type': raw ? 'application/octet-stream' : 'application/json' }),
          origin: running.url,
        },
        ...(body !== undefined && { body: raw ? new Uint8Array(body) : JSON.stringify(body) }),
      });
      const text = await response.text();
      const isJson = response.headers.get('content-type')?.includes('json');
      return { status: response.status, headers: response.headers, json: isJson ? JSON.parse(text) : {} };
    },
    async close() {
      await running.close();
      await rm(folder, { recursive: true, force: true });
    },
  };
}

type Cookies = Workshop['cookies'];
const NOBODY = {} as Cookies;
/** In the data folder that is copied, and not in the copies. */
const COOKIES = 'cookies.json';

/** Lays a data folder with one person of each role, all signed in; gives their cookies. Made once in each run. */
async function layPeople(folder: string): Promise<Cookies> {
  const template = await lay(`run-${process.env.FUKUSA_TEST_RUN}`, folder, async (made) => {
    await layEmptyDatabase(made);
    const running = await serve({ dataFolder: made, port: 0 });
    const cookies = await Promise.all(
      ROLES.map(async (role) => {
        await running.services.accounts.add({ username: role, name: `Test ${role}`, role, password: PASSWORD });
        return [role, await signIn(running.url, role)] as const;
      }),
    );
    await running.close();
    await writeFile(join(made, COOKIES), JSON.stringify(Object.fromEntries(cookies)));
  });
  await rm(join(folder, COOKIES));
  return JSON.parse(await readFile(join(template, COOKIES), 'utf8'));
}

export async function signIn(url: string, username: string, password = PASSWORD): Promise<string> {
  const response = await trySignIn(url, username, password);
  if (!response.ok) throw new Error(`sign-in of ${username}: ${response.status} ${await response.text()}`);
  return response.headers
    .getSetCookie()
    .map((cookie) => cookie.split(';')[0])
    .join('; ');
}

export function trySignIn(
  url: string,
  username: string,
  password: string,
  headers: Record<string, string> = {},
): Promise<Response> {
  return fetch(`${url}/api/auth/sign-in/username`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: url, ...headers },
    body: JSON.stringify({ username, password }),
  });
}

/** A small package that can be released: two shafts, a torque, a photo check. */
export function testPackage(): Package {
  const { series, procedure } = typed([
    'isolate the drive',
    'take off 8 cover nuts /socket, 17 mm',
    'draw rotor @each shaft ?both rotors on the cloth',
    'renew rotor',
    'fit rotor @each shaft',
    'fit cover nuts',
    'torque cover nuts =45 N·m /torque wrench, 10-60 N·m',
    'restore the drive',
  ]);
  return packageOf(series, [procedure]);
}

/** Releases a procedure as the one who asks sees it now. */
export async function releaseAsItIs(workshop: Workshop, procedureId: string, more: object = {}): Promise<Answer> {
  const { series, procedure } = (await workshop.call('trainer', 'GET', `/api/procedures/${procedureId}`)).json;
  return workshop.call('trainer', 'POST', `/api/procedures/${procedureId}/releases`, {
    seriesVersion: series.version,
    version: procedure.version,
    ...more,
  });
}

/** Takes in the test package and releases its procedure; gives the ids of both. */
export async function withRelease(
  workshop: Workshop,
): Promise<{ procedureId: string; releaseId: string; stepIds: string[] }> {
  const sent = testPackage();
  await workshop.call('trainer', 'POST', '/api/packages', { package: sent, when: 'new' });
  const [procedure] = sent.procedures;
  if (!procedure) throw new Error('no procedure in the test package');
  const release = await releaseAsItIs(workshop, procedure.id);
  return {
    procedureId: procedure.id,
    releaseId: String(release.json.id),
    stepIds: procedure.steps.map((step) => step.id),
  };
}

/** Starts a job as the technician and gives its id. */
export async function withJob(workshop: Workshop, releaseId: string, id: string): Promise<string> {
  await workshop.call('technician', 'POST', '/api/jobs', {
    id,
    releaseId,
    workOrder: 'WO-1',
    pumpSerial: 'S-1',
    customer: 'Test customer',
    startedAt: '2026-01-05T08:00:00.000Z',
  });
  return id;
}
