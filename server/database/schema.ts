import { type SQL, sql } from 'drizzle-orm';
import {
  bigint,
  boolean,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  uniqueIndex,
} from 'drizzle-orm/pg-core';
import type { EntryContent } from '#core/job/entry';
import type { WaitsFor } from '#core/job/entry-words';
import type { JobState } from '#core/job/state';
import type { HouseRules } from '#core/model/house-rules';
import type { Procedure, Workbook } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import type { SealedRecord } from '#core/seal/record';
import type { Role } from '../ground/roles';

const moment = (name: string) => timestamp(name, { withTimezone: true });
/** The format a document was written in; `stored.ts` brings older ones up. */
const format = () => integer('format').notNull().default(1);
const createdAt = () => moment('created_at').notNull().defaultNow();
/** What a document says, in short: the database writes JSON in one way, so equal documents have equal digests. */
const digest = (document: () => SQL) => text('digest').generatedAlwaysAs(() => sql`md5((${document()})::text)`);

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
  /** The password is printed for everybody to try the demo; outside the demo nobody gets in with it. */
  knownPassword: boolean('known_password').notNull().default(false),
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

/** How often somebody tried to sign in, by address and by user name; see `tries.ts`. */
export const tries = pgTable('tries', {
  key: text('key').primaryKey(),
  points: integer('points').notNull().default(0),
  expire: moment('expire'),
});

/** What a person signs entries with on one device. The private half never leaves the device. */
export const deviceKey = pgTable(
  'device_key',
  {
    id: text('id').primaryKey(),
    personId: text('person_id')
      .notNull()
      .references(() => user.id, { onDelete: 'cascade' }),
    /** Made by the device once, the same for everybody who signs in there. */
    deviceId: text('device_id').notNull(),
    /** Ed25519, 32 bytes as base64url. */
    publicKey: text('public_key').notNull(),
    createdAt: createdAt(),
    /** Set when the person was locked out; what it signs is not believed any more. */
    revokedAt: moment('revoked_at'),
  },
  (table) => [index('device_key_person').on(table.personId)],
);

/* Documents: the whole document as JSON, with the columns that lists need beside it. */

export const series = pgTable('series', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  code: text('code').notNull(),
  version: integer('version').notNull().default(1),
  document: jsonb('document').$type<Series>().notNull(),
  digest: digest((): SQL => sql`${series.document}`),
  format: format(),
  /** What the shelf shows of it. */
  pumpType: text('pump_type').generatedAlwaysAs((): SQL => sql`${series.document} ->> 'pumpType'`),
  positionNames: jsonb('position_names')
    .$type<string[]>()
    .generatedAlwaysAs((): SQL => sql`jsonb_path_query_array(${series.document}, '$.positionSets[*].name')`),
  positionCounts: jsonb('position_counts')
    .$type<number[]>()
    .generatedAlwaysAs(
      (): SQL => sql`jsonb_path_query_array(${series.document}, '$.positionSets[*].positions.size()')`,
    ),
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
    digest: digest((): SQL => sql`${procedure.document}`),
    format: format(),
    steps: integer('steps')
      .notNull()
      .generatedAlwaysAs((): SQL => sql`jsonb_array_length(${procedure.document} -> 'steps')`),
    takesOver: text('takes_over').generatedAlwaysAs((): SQL => sql`${procedure.document} ->> 'takesOver'`),
    createdAt: createdAt(),
    changedAt: moment('changed_at').notNull().defaultNow(),
    changedBy: text('changed_by').references(() => user.id),
    /** Counts up whenever what the checker said may not hold any more. */
    checkDue: integer('check_due').notNull().default(1),
    /** The `checkDue` that the next two were found at. */
    checkedAt: integer('checked_at').notNull().default(0),
    /** How many findings stop a release, and the first of them in words. */
    stops: integer('stops').notNull().default(0),
    firstStop: text('first_stop'),
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
    /** The digests of what was frozen, procedure, series and modules in their order; null where nobody noted them. */
    frozen: text('frozen'),
    /** What lists show of it: the steps are those of the whole chain. */
    seriesName: text('series_name'),
    title: text('title'),
    steps: integer('steps'),
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
    /** What the hour meter of the machine showed when the job was started. */
    hours: doublePrecision('hours'),
    startedAt: moment('started_at').notNull(),
    startedBy: text('started_by')
      .notNull()
      .references(() => user.id),
    finishedAt: moment('finished_at'),
    /** What lists show, kept up whenever an entry is added; null in jobs of an earlier version until they are read. */
    phase: text('phase').$type<JobState['phase']>(),
    done: integer('done').notNull().default(0),
    problems: integer('problems').notNull().default(0),
    waitsFor: text('waits_for').$type<WaitsFor>(),
    holder: text('holder').references(() => user.id),
    entries: integer('entries').notNull().default(0),
    changedAt: moment('changed_at').notNull().defaultNow(),
    /** SHA-256 over the finished record. */
    seal: text('seal'),
  },
  (table) => [
    index('job_release').on(table.releaseId),
    index('job_serial').on(table.pumpSerial),
    uniqueIndex('job_number').on(table.number),
  ],
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
    /** Who sent it, on which device it was made, and how it is known to be the maker's. */
    sentBy: text('sent_by').references(() => user.id),
    deviceId: text('device_id'),
    keyId: text('key_id').references(() => deviceKey.id),
    signed: text('signed'),
    signature: text('signature'),
    /** By how much the device's clock was behind the server's when it was sent, in milliseconds. */
    clockBehindMs: bigint('clock_behind_ms', { mode: 'number' }),
    acceptedAt: moment('accepted_at').notNull().defaultNow(),
  },
  (table) => [uniqueIndex('entry_sequence').on(table.jobId, table.sequence)],
);

/** What a trainer answered to a problem from the bench; written again, the newer answer counts. */
export const reply = pgTable('reply', {
  entryId: text('entry_id')
    .primaryKey()
    .references(() => entry.id),
  text: text('text').notNull(),
  by: text('by')
    .notNull()
    .references(() => user.id),
  at: moment('at').notNull().defaultNow(),
  /** The release that corrects it. */
  releaseId: text('release_id').references(() => release.id),
});

/** The records of finished jobs as they were signed: never changed, whatever becomes of what they were made of. */
export const record = pgTable('record', {
  jobId: text('job_id')
    .primaryKey()
    .references(() => job.id),
  document: jsonb('document').$type<SealedRecord>().notNull(),
  sealedAt: moment('sealed_at').notNull(),
});

/** What the program remembers for itself, by name. */
export const state = pgTable('state', {
  key: text('key').primaryKey(),
  value: text('value').notNull(),
});

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
  /** Parts of it are blurred in what everybody else sees. */
  writersOnly: boolean('writers_only').notNull().default(false),
  createdAt: createdAt(),
});

/** Pictures as devices took them, by the SHA-256 of what was sent, and the photos that were made of them. */
export const photoSource = pgTable('photo_source', {
  sent: text('sent').primaryKey(),
  photo: text('photo')
    .notNull()
    .references(() => photo.hash, { onDelete: 'cascade' }),
});
