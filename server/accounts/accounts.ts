import { betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { username } from 'better-auth/plugins/username';
import { asc, eq } from 'drizzle-orm';
import type { Person, Role } from '../ground/roles';
import type { Database } from '../store/database';
import * as schema from '../store/schema';

/** Set from the connection; a header of this name sent by a client is overwritten. */
const CLIENT_ADDRESS_HEADER = 'x-fukusa-client-address';

/** More tries from one address within a minute are refused. */
export const SIGN_IN_TRIES_A_MINUTE = 10;
export const MIN_PASSWORD_LENGTH = 8;

export type Accounts = ReturnType<typeof createAccounts>;

export function createAccounts(db: Database, secret: string, signInTries = SIGN_IN_TRIES_A_MINUTE) {
  const auth = betterAuth({
    basePath: '/api/auth',
    secret,
    database: drizzleAdapter(db, { provider: 'pg', schema }),
    emailAndPassword: { enabled: true, disableSignUp: true, minPasswordLength: MIN_PASSWORD_LENGTH },
    user: {
      additionalFields: {
        role: { type: 'string', required: true, input: false },
        active: { type: 'boolean', required: true, defaultValue: true, input: false },
      },
    },
    plugins: [username({ minUsernameLength: 2 })],
    session: { expiresIn: 60 * 60 * 24 * 14, updateAge: 60 * 60 * 24 },
    databaseHooks: {
      session: {
        create: { before: async (started) => (await isActive(started.userId)) && { data: started } },
      },
    },
    rateLimit: {
      enabled: true,
      window: 60,
      max: 600,
      customRules: {
        '/sign-in/username': { window: 60, max: signInTries },
        '/change-password': { window: 60, max: signInTries },
      },
    },
    // The workshop reaches the server by whatever name its network gives it, so the origin is that of the request.
    trustedOrigins: (request) => (request ? [new URL(request.url).origin] : []),
    advanced: {
      cookiePrefix: 'fukusa',
      ipAddress: { ipAddressHeaders: [CLIENT_ADDRESS_HEADER] },
      useSecureCookies: false,
    },
    logger: { level: 'error' },
    telemetry: { enabled: false },
  });

  async function isActive(userId: string): Promise<boolean> {
    const [row] = await db.select({ active: schema.user.active }).from(schema.user).where(eq(schema.user.id, userId));
    return row?.active ?? false;
  }

  async function hash(password: string): Promise<string> {
    return (await auth.$context).password.hash(password);
  }

  return {
    /** Passes a request on to the library, telling its limiter which address is knocking. */
    handle({ url, method, headers }: Request, body: string, address: string): Promise<Response> {
      const told = new Headers(headers);
      told.set(CLIENT_ADDRESS_HEADER, address);
      return auth.handler(new Request(url, { method, headers: told, body }));
    },

    /** The person whose session cookie these headers carry. */
    async personOf(headers: Headers): Promise<Person | null> {
      const found = await auth.api.getSession({ headers });
      if (!found) return null;
      const { id, name } = found.user;
      const [row] = await db.select().from(schema.user).where(eq(schema.user.id, id));
      return row?.active ? { id, name, username: row.username ?? '', role: row.role } : null;
    },

    async list() {
      const rows = await db.select().from(schema.user).orderBy(asc(schema.user.name));
      return rows.map(({ id, name, username: handle, role, active }) => ({
        id,
        name,
        username: handle ?? '',
        role,
        active,
      }));
    },

    async count(): Promise<number> {
      return db.$count(schema.user);
    },

    async has(handle: string): Promise<boolean> {
      const rows = await db.select().from(schema.user).where(eq(schema.user.username, handle.toLowerCase()));
      return rows.length > 0;
    },

    async add(person: { username: string; name: string; role: Role; password: string }): Promise<string> {
      const { internalAdapter } = await auth.$context;
      const handle = person.username.toLowerCase();
      const created = await internalAdapter.createUser(
        {
          name: person.name,
          // The library wants an address; nobody is ever written to. RFC 2606 keeps .invalid free for this.
          email: `${handle}@people.invalid`,
          emailVerified: false,
          username: handle,
          displayUsername: person.username,
          role: person.role,
          active: true,
        },
        { method: 'admin' },
      );
      await internalAdapter.linkAccount({
        userId: created.id,
        accountId: created.id,
        providerId: 'credential',
        password: await hash(person.password),
      });
      return created.id;
    },

    async change(
      id: string,
      change: { name?: string; role?: Role; active?: boolean; password?: string },
    ): Promise<void> {
      const { internalAdapter } = await auth.$context;
      const { password, ...columns } = change;
      if (Object.keys(columns).length > 0) {
        await db
          .update(schema.user)
          .set({ ...columns, updatedAt: new Date() })
          .where(eq(schema.user.id, id));
      }
      if (password !== undefined) await internalAdapter.updatePassword(id, await hash(password));
      if (password !== undefined || change.active === false) await internalAdapter.deleteUserSessions(id);
    },
  };
}
