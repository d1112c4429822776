import { createHmac, timingSafeEqual } from 'node:crypto';
import { and, eq, gt } from 'drizzle-orm';
import { parse } from 'hono/utils/cookie';
import { LRUCache } from 'lru-cache';
import type { Database } from '../database/open';
import * as table from '../database/schema';
import type { Person } from '../ground/roles';

export const SESSION_COOKIE = 'fukusa.session_token';
export const SESSION_SECONDS = 60 * 60 * 24 * 14;
/** A session that is used is made longer once a day. */
const RENEW_AFTER_MS = 60 * 60 * 24 * 1000;

export interface Session {
  readonly id: string;
  readonly person: Person;
  /** The cookie as it was sent, to be sent back when the session was made longer; null while it is fresh. */
  readonly renewed: string | null;
}

/** Answers are kept for so long, and not longer than until the database tells of any change to people or sessions. */
const KEPT_MS = 10_000;
const MOST_KEPT = 2000;
/** The database notifies on it, whoever makes the change; see the triggers among the migrations. */
export const SESSIONS_CHANGED = 'sessions_changed';

/** Looks up who a session cookie belongs to: one query at most. */
export function createSessions(db: Database, secret: string, demo: boolean) {
  const byToken = db
    .select({
      id: table.session.id,
      changedAt: table.session.updatedAt,
      personId: table.user.id,
      name: table.user.name,
      username: table.user.username,
      role: table.user.role,
      known: table.user.knownPassword,
    })
    .from(table.session)
    .innerJoin(table.user, eq(table.user.id, table.session.userId))
    .$dynamic();

  const kept = new LRUCache<string, Session>({ max: MOST_KEPT, ttl: KEPT_MS });
  /** Counts the changes: what was asked for before one is not kept after it. */
  let changes = 0;

  return {
    /** People or sessions changed: nothing that was found before holds. */
    forget(): void {
      changes += 1;
      kept.clear();
    },

    async find(cookies: string | undefined): Promise<Session | null> {
      const token = tokenIn(cookies, secret);
      if (!token) return null;
      const there = kept.get(token.value);
      if (there) return there;
      const asked = changes;
      const [row] = await byToken.where(
        and(eq(table.session.token, token.value), gt(table.session.expiresAt, new Date()), eq(table.user.active, true)),
      );
      if (!row || (row.known && !demo)) return null;
      const { id, personId, name, username, role, changedAt } = row;
      const due = changedAt.getTime() < Date.now() - RENEW_AFTER_MS;
      if (due) await renew(id);
      const session = { id, person: { id: personId, name, username: username ?? '', role }, renewed: null };
      if (asked === changes) kept.set(token.value, session);
      return due ? { ...session, renewed: token.cookie } : session;
    },
  };

  async function renew(id: string): Promise<void> {
    const now = Date.now();
    await db
      .update(table.session)
      .set({ updatedAt: new Date(now), expiresAt: new Date(now + SESSION_SECONDS * 1000) })
      .where(eq(table.session.id, id));
  }
}

/** The token in a signed cookie, as the accounts library signs it (HMAC-SHA-256 of the token, base64). */
function tokenIn(cookies: string | undefined, secret: string): { value: string; cookie: string } | undefined {
  if (!cookies) return undefined;
  const cookie = parse(cookies, SESSION_COOKIE)[SESSION_COOKIE];
  const dot = cookie?.lastIndexOf('.') ?? -1;
  if (!cookie || dot < 1) return undefined;
  const value = cookie.slice(0, dot);
  const claimed = Buffer.from(cookie.slice(dot + 1), 'base64');
  const right = createHmac('sha256', secret).update(value).digest();
  return claimed.length === right.length && timingSafeEqual(claimed, right) ? { value, cookie } : undefined;
}
