import { randomUUID } from 'node:crypto';
import { and, asc, count, eq, isNull, sql } from 'drizzle-orm';
import type { Database, Queryable } from '../database/open';
import * as table from '../database/schema';
import { Fault, notFound } from '../ground/fault';
import type { Role } from '../ground/roles';
import { createKeys } from './keys';
import { refuseWeakPassword } from './passwords';
import { createSessions } from './sessions';
import { createTries } from './tries';

export type Accounts = ReturnType<typeof createAccounts>;

export interface NewAccount {
  readonly username: string;
  readonly name: string;
  readonly role: Role;
  readonly password: string;
}

export interface AccountChange {
  readonly name?: string;
  readonly role?: Role;
  readonly active?: boolean;
  readonly password?: string;
}

export interface AccountSettings {
  /** Signs the session cookies. */
  readonly secret: string;
  /** Whether people get in with the passwords that the demo prints. */
  readonly demo?: boolean;
  readonly triesAMinute?: number | undefined;
}

/** The people of a workshop: who they are, who is signed in, and what they sign with. */
export function createAccounts(db: Database, { secret, demo = false, triesAMinute }: AccountSettings) {
  const library = once(async () => (await import('./library')).accountsLibrary(db, secret, demo));
  const hash = async (password: string) => (await import('better-auth/crypto')).hashPassword(password);
  const anyHash = once(() => hash('nobody has this password'));

  return {
    sessions: createSessions(db, secret, demo),
    tries: createTries(db, triesAMinute),
    keys: createKeys(db),

    /** Passes a request on to the accounts library, as if it had come straight to `origin`. */
    async handle(request: Request, body: string, origin: string): Promise<Response> {
      const { pathname } = new URL(request.url);
      const headers = new Headers(request.headers);
      headers.set('origin', origin);
      return (await library()).handler(new Request(origin + pathname, { method: request.method, headers, body }));
    },

    /** Who somebody is that shows name and password on a device where another is signed in; undefined where they do not fit. */
    async prove(username: string, password: string): Promise<{ id: string; name: string; role: Role } | undefined> {
      const [row] = await db
        .select({ person: table.user, hash: table.account.password })
        .from(table.user)
        .innerJoin(table.account, eq(table.account.userId, table.user.id))
        .where(eq(table.user.username, username.toLowerCase()));
      const { verifyPassword } = await import('better-auth/crypto');
      // An unknown name takes as long as a wrong password.
      const fits = await verifyPassword({ hash: row?.hash ?? (await anyHash()), password });
      if (!row || !fits || !row.person.active || (row.person.knownPassword && !demo)) return undefined;
      const { id, name, role } = row.person;
      return { id, name, role };
    },

    async list() {
      const rows = await db.select().from(table.user).orderBy(asc(table.user.name));
      return rows.map(({ id, name, username, role, active }) => ({ id, name, username: username ?? '', role, active }));
    },

    async count(): Promise<number> {
      return db.$count(table.user);
    },

    /** Throws when the password is weak or the user name is taken. */
    async add(person: NewAccount): Promise<string> {
      await refuseWeakPassword(person.password, person);
      const password = await hash(person.password);
      return db.transaction((tx) => insertAccount(tx, person, password));
    },

    /** Adds the people of the demo, with passwords that everybody may know. */
    async addKnown(people: readonly NewAccount[]): Promise<string[]> {
      const hashes = await Promise.all(people.map(({ password }) => hash(password)));
      return db.transaction(async (tx) => {
        const ids: string[] = [];
        for (const [at, person] of people.entries()) ids.push(await insertAccount(tx, person, hashes[at] ?? '', true));
        return ids;
      });
    },

    /** The first account of a workshop is its lead. Whole or not at all, and only one, whoever else tries meanwhile. */
    async addFirst(person: Omit<NewAccount, 'role'>): Promise<string> {
      await refuseWeakPassword(person.password, person);
      const password = await hash(person.password);
      return db.transaction(async (tx) => {
        await tx.execute(sql`LOCK TABLE ${table.user} IN EXCLUSIVE MODE`);
        const [there] = await tx.select({ people: count() }).from(table.user);
        if (there && there.people > 0) {
          throw new Fault(
            409,
            'has-accounts',
            'This workshop has accounts already.',
            'Sign in, or ask the lead for an account.',
          );
        }
        return insertAccount(tx, { ...person, role: 'lead' }, password);
      });
    },

    /** Somebody who gets a new password or is switched off is signed out everywhere, and their keys are not believed. */
    async change(id: string, change: AccountChange): Promise<void> {
      const [person] = await db.select().from(table.user).where(eq(table.user.id, id));
      if (!person) throw notFound('person');
      const { password, ...columns } = change;
      if (password !== undefined) {
        await refuseWeakPassword(password, { username: person.username ?? '', name: change.name ?? person.name });
      }
      const hashed = password === undefined ? undefined : await hash(password);
      await db.transaction(async (tx) => {
        if (change.active === false || (change.role && change.role !== 'lead')) await refuseLastLead(tx, id);
        await tx
          .update(table.user)
          .set({ ...columns, ...(hashed && { knownPassword: false }), updatedAt: new Date() })
          .where(eq(table.user.id, id));
        if (hashed) {
          await tx
            .update(table.account)
            .set({ password: hashed, updatedAt: new Date() })
            .where(eq(table.account.userId, id));
        }
        if (!hashed && change.active !== false) return;
        await tx.delete(table.session).where(eq(table.session.userId, id));
        await tx
          .update(table.deviceKey)
          .set({ revokedAt: new Date() })
          .where(and(eq(table.deviceKey.personId, id), isNull(table.deviceKey.revokedAt)));
      });
    },

    async byUsername(username: string): Promise<{ id: string; name: string; active: boolean } | undefined> {
      const [row] = await db.select().from(table.user).where(eq(table.user.username, username.toLowerCase()));
      return row;
    },
  };
}

async function insertAccount(
  tx: Queryable,
  person: NewAccount,
  password: string,
  knownPassword = false,
): Promise<string> {
  const id = randomUUID();
  const username = person.username.toLowerCase();
  const added = await tx
    .insert(table.user)
    .values({
      id,
      name: person.name,
      // The library wants an address; nobody is ever written to. RFC 2606 keeps .invalid free for this.
      email: `${username}@people.invalid`,
      username,
      displayUsername: person.username,
      role: person.role,
      knownPassword,
    })
    .onConflictDoNothing()
    .returning({ id: table.user.id });
  if (added.length === 0) {
    throw new Fault(409, 'name-taken', `The user name "${person.username}" is taken.`, 'Choose another.');
  }
  await tx
    .insert(table.account)
    .values({ id: randomUUID(), accountId: id, providerId: 'credential', userId: id, password });
  return id;
}

async function refuseLastLead(tx: Queryable, id: string): Promise<void> {
  await tx.execute(sql`LOCK TABLE ${table.user} IN EXCLUSIVE MODE`);
  const leads = await tx
    .select({ id: table.user.id })
    .from(table.user)
    .where(and(eq(table.user.role, 'lead'), eq(table.user.active, true)));
  if (leads.length === 1 && leads[0]?.id === id) {
    throw new Fault(409, 'last-lead', 'At least one person must be lead.', 'Make another person lead first.');
  }
}

function once<T>(make: () => Promise<T>): () => Promise<T> {
  let made: Promise<T> | undefined;
  return () => {
    made ??= make();
    return made;
  };
}
