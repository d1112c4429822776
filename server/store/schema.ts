import { boolean, index, integer, jsonb, pgTable, text, timestamp, uniqueIndex } from 'drizzle-orm/pg-core';
import type { EntryContent } from '#core/job/entry';
import type { HouseRules } from '#core/model/house-rules';
import type { Procedure, Workbook } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import type { Role } from '../ground/roles';

const moment = (name: string) => timestamp(name, { withTimezone: true });
/** The format a document was written in; `stored.ts` brings older ones up. */
const format = () => integer('format').notNull().default(1);
const createdAt = () => moment('created_at').notNull().defaultNow();

/* Accounts: the first four tables have the shape the accounts library asks for. */

export const user = pgTable('user', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  email: text('email').notNull().unique(),
  emailVerified: boolean('email_verified').notNull().default(false),
  image: text('image'),
  username: text('username').unique(),
  displayUsername: text('display_username'),
  role: text('role').$type<Role>().notNull(),
  active: boolean('active').notNull().default(true),
  createdAt: createdAt(),
  updatedAt: moment('updated_at').notNull().defaultNow(),
});

/** @public read by the accounts library through the schema as a whole, as are the next two */
export const session = pgTable('session', {
  id: text('id').primaryKey(),
  token: text('token').notNull().unique(),
  userId: text('user_id')
    .notNull()
    .references(() => user.id, { onDelete: 'cascade' }),
  expiresAt: moment('expires_at').notNull(),
  ipAddress: text('ip_address'),
  userAgent: text('user_agent'),
  createdAt: createdAt(),
  updatedAt: moment('updated_at').notNull().defaultNow(),
});

/** @public */
export const account = pgTable('account', {
  id: text('id').primaryKey(),
  accountId: text('account_id').notNull(),
  providerId: text('provider_id').notNull(),
  userId: text('user_id')
    .notNull()
    .references(() => user.id, { onDelete: 'cascade' }),
  accessToken: text('access_token'),
  refreshToken: text('refresh_token'),
  idToken: text('id_token'),
  accessTokenExpiresAt: moment('access_token_expires_at'),
  refreshTokenExpiresAt: moment('refresh_token_expires_at'),
  scope: text('scope'),
  password: text('password'),
  createdAt: createdAt(),
  updatedAt: moment('updated_at').notNull().defaultNow(),
});

/** @public */
export const verification = pgTable('verification', {
  id: text('id').primaryKey(),
  identifier: text('identifier').notNull(),
  value: text('value').notNull(),
  expiresAt: moment('expires_at').notNull(),
  createdAt: createdAt(),
  updatedAt: moment('updated_at').notNull().defaultNow(),
});

/* Documents: the whole document as JSON, with the columns that lists need beside it. */

export const series = pgTable('series', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  code: text('code').notNull(),
  version: integer('version').notNull().default(1),
  document: jsonb('document').$type<Series>().notNull(),
  format: format(),
  createdAt: createdAt(),
  changedAt: moment('changed_at').notNull().defaultNow(),
  changedBy: text('changed_by').references(() => user.id),
});

export const procedure = pgTable(
  'procedure',
  {
    id: text('id').primaryKey(),
    seriesId: text('series_id')
      .notNull()
      .references(() => series.id),
    title: text('title').notNull(),
    version: integer('version').notNull().default(1),
    document: jsonb('document').$type<Procedure>().notNull(),
    format: format(),
    createdAt: createdAt(),
    changedAt: moment('changed_at').notNull().defaultNow(),
    changedBy: text('changed_by').references(() => user.id),
  },
  (table) => [index('procedure_series').on(table.seriesId)],
);

export const release = pgTable(
  'release',
  {
    id: text('id').primaryKey(),
    procedureId: text('procedure_id')
      .notNull()
      .references(() => procedure.id),
    number: integer('number').notNull(),
    /** The procedure version that was frozen. */
    procedureVersion: integer('procedure_version').notNull(),
    /** The series version frozen with it; 0 where an earlier version of the program did not note it. */
    seriesVersion: integer('series_version').notNull().default(0),
    document: jsonb('document').$type<Workbook>().notNull(),
    format: format(),
    note: text('note'),
    releasedAt: moment('released_at').notNull().defaultNow(),
    releasedBy: text('released_by')
      .notNull()
      .references(() => user.id),
  },
  (table) => [uniqueIndex('release_number').on(table.procedureId, table.number)],
);

export const job = pgTable(
  'job',
  {
    id: text('id').primaryKey(),
    number: integer('number').generatedAlwaysAsIdentity({ startWith: 1001 }).notNull(),
    releaseId: text('release_id')
      .notNull()
      .references(() => release.id),
    workOrder: text('work_order').notNull(),
    pumpSerial: text('pump_serial').notNull(),
    customer: text('customer').notNull(),
    startedAt: moment('started_at').notNull(),
    startedBy: text('started_by')
      .notNull()
      .references(() => user.id),
    finishedAt: moment('finished_at'),
    /** SHA-256 over the finished record. */
    seal: text('seal'),
  },
  (table) => [index('job_release').on(table.releaseId)],
);

/** Only ever added to. `sequence` is the order of acceptance within a job. */
export const entry = pgTable(
  'entry',
  {
    id: text('id').primaryKey(),
    jobId: text('job_id')
      .notNull()
      .references(() => job.id),
    sequence: integer('sequence').notNull(),
    at: moment('at').notNull(),
    by: text('by')
      .notNull()
      .references(() => user.id),
    content: jsonb('content').$type<EntryContent>().notNull(),
    format: format(),
    acceptedAt: moment('accepted_at').notNull().defaultNow(),
  },
  (table) => [uniqueIndex('entry_sequence').on(table.jobId, table.sequence)],
);

/** How this workshop wants things said; one row. */
export const house = pgTable('house', {
  id: text('id').primaryKey(),
  rules: jsonb('rules').$type<HouseRules>().notNull(),
  changedAt: moment('changed_at').notNull().defaultNow(),
  changedBy: text('changed_by').references(() => user.id),
});

/** The bytes lie outside the database, named by their SHA-256. */
export const photo = pgTable('photo', {
  hash: text('hash').primaryKey(),
  width: integer('width').notNull(),
  height: integer('height').notNull(),
  bytes: integer('bytes').notNull(),
  takenInBy: text('taken_in_by').references(() => user.id),
  createdAt: createdAt(),
});
