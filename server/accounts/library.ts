import { APIError, betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { username } from 'better-auth/plugins/username';
import { eq } from 'drizzle-orm';
import type { Database } from '../database/open';
import * as schema from '../database/schema';
import { KNOWN_PASSWORD, SWITCHED_OFF } from './codes';
import { MIN_PASSWORD_LENGTH } from './passwords';
import { SESSION_SECONDS } from './sessions';

/**
 * The accounts library as this house uses it: user names, passwords and sessions. It is large, so it is loaded when
 * somebody signs in. Origins and limits are looked after before it is asked.
 */
export function accountsLibrary(db: Database, secret: string, demo: boolean) {
  return betterAuth({
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
    session: { expiresIn: SESSION_SECONDS, disableSessionRefresh: true },
    databaseHooks: { session: { create: { before: ({ userId }) => refuseUnwanted(userId) } } },
    rateLimit: { enabled: false },
    trustedOrigins: (request) => (request ? [new URL(request.url).origin] : []),
    advanced: { cookiePrefix: 'fukusa', useSecureCookies: false },
    logger: { level: 'error' },
    telemetry: { enabled: false },
  });

  /** Told only to somebody who knew the password. */
  async function refuseUnwanted(userId: string): Promise<void> {
    const [row] = await db.select().from(schema.user).where(eq(schema.user.id, userId));
    if (!row?.active) throw new APIError('FORBIDDEN', { code: SWITCHED_OFF });
    if (row.knownPassword && !demo) throw new APIError('FORBIDDEN', { code: KNOWN_PASSWORD });
  }
}
