import { and, asc, desc, eq, type SQL, sql } from 'drizzle-orm';
import type { PgColumn } from 'drizzle-orm/pg-core';
import { z } from 'zod';
import type { WaitsFor } from '#core/job/entry-words';
import type { PUMP_TYPES } from '#core/model/series';
import type { Queryable } from '../database/open';
import * as table from '../database/schema';
import { badInput } from '../ground/fault';

/** How many lines a list brings at once. */
const PAGE = 50;
const SERIES_PAGE = 20;

/** The part of a list that is asked for; `after` is what the page before it gave as `next`. */
export interface Page {
  readonly search?: string | undefined;
  readonly after?: string | undefined;
}

const JOB_ORDERS = {
  number: { column: table.job.number, falling: true },
  changed: { column: table.job.changedAt, falling: true },
  customer: { column: table.job.customer, falling: false },
} as const;
export const JOB_ORDER_NAMES = Object.keys(JOB_ORDERS) as [keyof typeof JOB_ORDERS];
export const JOB_GROUPS = ['open', 'finished'] as const;

export interface JobsAsked extends Page {
  readonly group: (typeof JOB_GROUPS)[number];
  readonly order: keyof typeof JOB_ORDERS;
  /** Only those that wait for this. */
  readonly waits?: WaitsFor | undefined;
}

/** Jobs as lists show them, a page at a time; all of it from columns, whatever the jobs hold. */
export async function listJobs(db: Queryable, { group, order, search, after, waits }: JobsAsked) {
  const { column, falling } = JOB_ORDERS[order];
  const finished = sql`${table.job.phase} = 'finished'`;
  const wanted = and(
    group === 'finished' ? finished : sql`${table.job.phase} <> 'finished'`,
    waits === undefined ? undefined : eq(table.job.waitsFor, waits),
    holds(search, [
      table.job.workOrder,
      table.job.pumpSerial,
      table.job.customer,
      table.release.seriesName,
      table.release.title,
      sql`${table.job.number}::text`,
    ]),
  );
  const holder = table.user;
  const rows = await db
    .select({
      id: table.job.id,
      number: table.job.number,
      workOrder: table.job.workOrder,
      pumpSerial: table.job.pumpSerial,
      customer: table.job.customer,
      startedAt: table.job.startedAt,
      finishedAt: table.job.finishedAt,
      changedAt: table.job.changedAt,
      phase: table.job.phase,
      done: table.job.done,
      problems: table.job.problems,
      waitsFor: table.job.waitsFor,
      seriesName: table.release.seriesName,
      title: table.release.title,
      releaseNumber: table.release.number,
      steps: table.release.steps,
      holderId: table.job.holder,
      holderName: holder.name,
      key: sql<string>`${column}::text`,
    })
    .from(table.job)
    .innerJoin(table.release, eq(table.release.id, table.job.releaseId))
    .leftJoin(holder, eq(holder.id, table.job.holder))
    .where(and(wanted, pastJob(order, after)))
    .orderBy(falling ? desc(column) : asc(column), desc(table.job.number))
    .limit(PAGE + 1);
  const shown = rows.slice(0, PAGE);
  const last = shown.at(-1);
  return {
    jobs: shown.map(({ holderId, holderName, key: _key, ...row }) => ({
      ...row,
      startedAt: row.startedAt.toISOString(),
      finishedAt: row.finishedAt?.toISOString() ?? null,
      changedAt: row.changedAt.toISOString(),
      phase: row.phase ?? 'running',
      seriesName: row.seriesName ?? '',
      title: row.title ?? '',
      steps: row.steps ?? 0,
      holder: { id: holderId ?? '', name: holderName ?? '' },
    })),
    next: rows.length > PAGE && last ? cursorOf([last.key, String(last.number)]) : null,
  };
}

function pastJob(order: JobsAsked['order'], after: string | undefined): SQL | undefined {
  if (after === undefined) return undefined;
  const [key, number] = readCursor(after, 2);
  const { column, falling } = JOB_ORDERS[order];
  const value = sql`${key}::${sql.raw(column.getSQLType())}`;
  const beyond = falling ? sql`${column} < ${value}` : sql`${column} > ${value}`;
  return sql`(${beyond} OR (${column} = ${value} AND ${table.job.number} < ${number}::int))`;
}

/** The newest release of every procedure, as far as it is asked for: what a job can be started on. */
export async function newestReleases(db: Queryable, { search }: Page, id?: string) {
  const rows = await db
    .select({
      id: table.release.id,
      number: table.release.number,
      seriesName: table.release.seriesName,
      title: table.release.title,
      steps: table.release.steps,
    })
    .from(table.release)
    .where(
      id === undefined
        ? and(
            sql`NOT EXISTS (SELECT FROM ${table.release} later WHERE later.procedure_id = ${table.release.procedureId}
              AND later.number > ${table.release.number})`,
            holds(search, [table.release.seriesName, table.release.title]),
          )
        : eq(table.release.id, id),
    )
    .orderBy(asc(table.release.seriesName), asc(table.release.title))
    .limit(PAGE);
  return rows.map((row) => ({
    ...row,
    seriesName: row.seriesName ?? '',
    title: row.title ?? '',
    steps: row.steps ?? 0,
  }));
}

/** The shelf, some series at a time: each with its procedures and how far they have come; all of it from columns. */
export async function readShelf(db: Queryable, { search, after, series }: Page & { series?: string | undefined }) {
  const { id, name, code } = table.series;
  const matching = and(
    search
      ? sql`(${holds(search, [sql`${name} || ' ' || ${code}`])} OR EXISTS (SELECT FROM ${table.procedure}
        WHERE ${table.procedure.seriesId} = ${id} AND ${holds(search, [table.procedure.title])}))`
      : undefined,
    series === undefined ? undefined : eq(id, series),
  );
  const past = after === undefined ? undefined : sql`(${name}, ${code}, ${id}) > ${readCursor(after, 3)}`;
  const rows = await db
    .select({
      id,
      name,
      code,
      version: table.series.version,
      pumpType: table.series.pumpType,
      positionNames: table.series.positionNames,
      positionCounts: table.series.positionCounts,
      // Counted with the first page only, which says how many there are.
      count: after === undefined ? counted(matching) : sql<number>`0`,
      procedures: proceduresIn(),
    })
    .from(table.series)
    .where(and(matching, past))
    .orderBy(asc(name), asc(code), asc(id))
    .limit(SERIES_PAGE + 1);
  const shown = rows.slice(0, SERIES_PAGE);
  const last = shown.at(-1);
  return {
    count: rows[0]?.count ?? 0,
    series: shown.map((row) => ({
      id: row.id,
      name: row.name,
      code: row.code,
      pumpType: row.pumpType as PumpType,
      positions: (row.positionNames ?? []).map((set, at) => ({ name: set, count: row.positionCounts?.[at] ?? 0 })),
      procedures: row.procedures.map((one) => onShelf(one, row.version)),
    })),
    next: rows.length > SERIES_PAGE && last ? cursorOf([last.name, last.code, last.id]) : null,
  };
}

type PumpType = (typeof PUMP_TYPES)[number];

function counted(matching: SQL | undefined): SQL<number> {
  return sql<number>`(SELECT count(*)::int FROM ${table.series} ${matching ? sql`WHERE ${matching}` : sql``})`;
}

interface ShelvedProcedure {
  readonly id: string;
  readonly title: string;
  readonly version: number;
  readonly steps: number;
  readonly changedAt: string;
  readonly checked: boolean;
  readonly stops: number;
  readonly firstStop: string | null;
  readonly release: {
    readonly id: string;
    readonly number: number;
    readonly procedureVersion: number;
    readonly seriesVersion: number;
    readonly releasedAt: string;
  } | null;
}

/** The procedures of a series with the newest release of each, as JSON made by the database. */
function proceduresIn(): SQL<ShelvedProcedure[]> {
  return sql<ShelvedProcedure[]>`(
    SELECT coalesce(jsonb_agg(jsonb_build_object(
      'id', p.id, 'title', p.title, 'version', p.version, 'steps', p.steps, 'changedAt', p.changed_at,
      'checked', p.checked_at = p.check_due, 'stops', p.stops, 'firstStop', p.first_stop,
      'release', (
        SELECT jsonb_build_object('id', r.id, 'number', r.number, 'procedureVersion', r.procedure_version,
          'seriesVersion', r.series_version, 'releasedAt', r.released_at)
        FROM ${table.release} r WHERE r.procedure_id = p.id ORDER BY r.number DESC LIMIT 1
      )) ORDER BY p.title, p.id), '[]')
    FROM ${table.procedure} p WHERE p.series_id = ${sql.raw('"series"."id"')})`;
}

function onShelf({ version, release, changedAt, ...row }: ShelvedProcedure, seriesVersion: number) {
  return {
    ...row,
    changedAt: new Date(changedAt).toISOString(),
    release: release && {
      id: release.id,
      number: release.number,
      releasedAt: new Date(release.releasedAt).toISOString(),
    },
    changedSinceRelease:
      release !== null && (version > release.procedureVersion || seriesVersion > release.seriesVersion),
  };
}

/** Every word of the search stands in one of these, whatever its case. */
function holds(search: string | undefined, columns: readonly (PgColumn | SQL)[]): SQL | undefined {
  const words = search?.split(/\s+/).filter(Boolean) ?? [];
  const all = sql.join(
    columns.map((column) => sql`coalesce(${column}, '')`),
    sql` || ' ' || `,
  );
  return and(...words.map((word) => sql`(${all}) ILIKE ${`%${word.replace(/[\\%_]/g, '\\$&')}%`}`));
}

const Cursor = z.array(z.string().max(400));

function cursorOf(values: readonly string[]): string {
  return Buffer.from(JSON.stringify(values)).toString('base64url');
}

function readCursor(cursor: string, length: number): string[] {
  try {
    const values = Cursor.length(length).parse(JSON.parse(Buffer.from(cursor, 'base64url').toString()));
    return values;
  } catch {
    throw badInput([{ path: 'after', reason: 'is no place in this list; start from its beginning' }]);
  }
}
