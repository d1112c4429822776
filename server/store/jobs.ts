import { and, asc, eq, gt, inArray, isNull } from 'drizzle-orm';
import type { Entry } from '#core/job/entry';
import { foldJob, type JobState } from '#core/job/job';
import type { Workbook } from '#core/model/procedure';
import type { Database, Queryable } from '../database/open';
import * as table from '../database/schema';
import { Fault, notFound } from '../ground/fault';
import { frozenWhole, readRelease } from './releases';
import { storedEntry } from './stored';

export interface JobDetails {
  readonly id: string;
  readonly releaseId: string;
  readonly workOrder: string;
  readonly pumpSerial: string;
  readonly customer: string;
  /** ISO 8601. */
  readonly startedAt: string;
}

/** A job with all that the bench needs, also when the network is gone. */
export interface OpenJob extends JobDetails {
  readonly number: number;
  readonly startedBy: string;
  readonly finishedAt: string | null;
  readonly seal: string | null;
  readonly release: { readonly id: string; readonly number: number; readonly workbook: Workbook };
  readonly entries: readonly Entry[];
  /** Names of everybody who appears in it, by id. */
  readonly people: Readonly<Record<string, string>>;
}

/** Starts a job. The same job sent again is the same job; another one under its id is refused. */
export async function startJob(db: Queryable, details: JobDetails, by: string): Promise<void> {
  const release = await readRelease(db, details.releaseId);
  const { id } = details;
  const started = await db
    .insert(table.job)
    .values({
      ...details,
      startedAt: new Date(details.startedAt),
      startedBy: by,
      ...shownOf(foldJob(release.workbook, by, []), 0),
    })
    .onConflictDoNothing({ target: table.job.id })
    .returning({ id: table.job.id });
  if (started.length > 0) return;
  const [there] = await db.select().from(table.job).where(eq(table.job.id, id));
  const same =
    there &&
    there.startedBy === by &&
    there.startedAt.getTime() === new Date(details.startedAt).getTime() &&
    (['releaseId', 'workOrder', 'pumpSerial', 'customer'] as const).every((field) => there[field] === details[field]);
  if (!same) {
    throw new Fault(409, 'job-exists', 'Another job has this id already.', 'Start the job again; it gets a new id.');
  }
}

export async function readJob(db: Queryable, id: string): Promise<OpenJob> {
  const [row] = await db.select().from(table.job).where(eq(table.job.id, id));
  if (!row) throw notFound('job');
  const release = await frozenWhole(db, row.releaseId);
  const entries = await entriesOf(db, id);
  return {
    id: row.id,
    releaseId: row.releaseId,
    workOrder: row.workOrder,
    pumpSerial: row.pumpSerial,
    customer: row.customer,
    number: row.number,
    startedAt: row.startedAt.toISOString(),
    startedBy: row.startedBy,
    finishedAt: row.finishedAt?.toISOString() ?? null,
    seal: row.seal,
    release: { id: release.id, number: release.number, workbook: release.workbook },
    entries,
    people: await namesIn(db, [row.startedBy], entries),
  };
}

/** Names of everybody who appears in some entries, by id. */
export async function namesIn(
  db: Queryable,
  others: readonly string[],
  entries: readonly Entry[],
): Promise<Record<string, string>> {
  const ids = [...new Set([...others, ...entries.flatMap(({ by, sentBy }) => (sentBy ? [by, sentBy] : [by]))])];
  if (ids.length === 0) return {};
  const names = await db
    .select({ id: table.user.id, name: table.user.name })
    .from(table.user)
    .where(inArray(table.user.id, ids));
  return Object.fromEntries(names.map((person) => [person.id, person.name]));
}

/** What lists show of a job, kept beside it. */
export function shownOf({ phase, cursor, holder, runs }: JobState, entries: number) {
  const problems = [...runs.values()].reduce((sum, run) => sum + run.problems.length, 0);
  return { phase, done: cursor, holder, problems, entries };
}

export async function entriesOf(db: Queryable, jobId: string, after = 0): Promise<Entry[]> {
  const rows = await db
    .select()
    .from(table.entry)
    .where(and(eq(table.entry.jobId, jobId), gt(table.entry.sequence, after)))
    .orderBy(asc(table.entry.sequence));
  return rows.map(entryOf);
}

export function entryOf(row: typeof table.entry.$inferSelect): Entry {
  return {
    id: row.id,
    at: row.at.toISOString(),
    by: row.by,
    content: storedEntry(row),
    ...(row.sentBy && row.sentBy !== row.by && { sentBy: row.sentBy }),
    ...(row.clockBehindMs && { clockBehindMs: row.clockBehindMs }),
  };
}

/** Folds the jobs of an earlier version once, so that lists have their columns. */
export async function catchUpJobs(db: Database): Promise<void> {
  for (;;) {
    const [row] = await db.select().from(table.job).where(isNull(table.job.phase)).limit(1);
    if (!row) return;
    await catchUpJob(db, row);
  }
}

/** Written only where nobody added to it meanwhile. */
export async function catchUpJob(db: Database, row: typeof table.job.$inferSelect): Promise<void> {
  const entries = await entriesOf(db, row.id);
  const { workbook } = await frozenWhole(db, row.releaseId);
  const shown = shownOf(foldJob(workbook, row.startedBy, entries), entries.length);
  const last = entries.at(-1);
  await db
    .update(table.job)
    .set({ ...shown, ...(last && { changedAt: new Date(last.at) }) })
    .where(and(eq(table.job.id, row.id), isNull(table.job.phase)));
}
