import { and, asc, eq, gt, inArray, isNull } from 'drizzle-orm';
import type { Entry } from '#core/job/entry';
import { foldJob } from '#core/job/job';
import type { JobState } from '#core/job/state';
import { waitingFor } from '#core/job/waiting-for';
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
  /** What the hour meter of the machine shows. */
  readonly hours?: number | undefined;
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
  /** What trainers answered to its problems. */
  readonly replies: readonly Reply[];
  /** Names of everybody who appears in it, by id. */
  readonly people: Readonly<Record<string, string>>;
}

/** The answer of a trainer to a problem from the bench. */
export interface Reply {
  /** The entry of the problem. */
  readonly entryId: string;
  readonly text: string;
  readonly by: string;
  readonly at: string;
  /** The number of the release that corrects it. */
  readonly correctedIn: number | null;
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
      ...shownOf(release.workbook, foldJob(release.workbook, by, []), 0),
    })
    .onConflictDoNothing({ target: table.job.id })
    .returning({ id: table.job.id });
  if (started.length > 0) return;
  const [there] = await db.select().from(table.job).where(eq(table.job.id, id));
  const same =
    there &&
    there.startedBy === by &&
    there.startedAt.getTime() === new Date(details.startedAt).getTime() &&
    there.hours === (details.hours ?? null) &&
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
  const replies = await repliesOf(db, id);
  return {
    id: row.id,
    releaseId: row.releaseId,
    workOrder: row.workOrder,
    pumpSerial: row.pumpSerial,
    customer: row.customer,
    ...(row.hours !== null && { hours: row.hours }),
    number: row.number,
    startedAt: row.startedAt.toISOString(),
    startedBy: row.startedBy,
    finishedAt: row.finishedAt?.toISOString() ?? null,
    seal: row.seal,
    release: { id: release.id, number: release.number, workbook: release.workbook },
    entries,
    replies,
    people: await namesIn(db, [row.startedBy, ...replies.map(({ by }) => by)], entries),
  };
}

export async function repliesOf(db: Queryable, jobId: string): Promise<Reply[]> {
  const rows = await db
    .select({ reply: table.reply, correctedIn: table.release.number })
    .from(table.reply)
    .innerJoin(table.entry, eq(table.entry.id, table.reply.entryId))
    .leftJoin(table.release, eq(table.release.id, table.reply.releaseId))
    .where(eq(table.entry.jobId, jobId))
    .orderBy(asc(table.reply.at));
  return rows.map(({ reply: { entryId, text, by, at }, correctedIn }) => ({
    ...{ entryId, text, by, correctedIn },
    at: at.toISOString(),
  }));
}

/** Names of everybody who appears in some entries, by id. */
export async function namesIn(
  db: Queryable,
  others: readonly string[],
  entries: readonly Entry[],
): Promise<Record<string, string>> {
  const ids = [...new Set([...others, ...entries.flatMap(namedIn)])];
  if (ids.length === 0) return {};
  const names = await db
    .select({ id: table.user.id, name: table.user.name })
    .from(table.user)
    .where(inArray(table.user.id, ids));
  return Object.fromEntries(names.map((person) => [person.id, person.name]));
}

function namedIn({ by, sentBy, content }: Entry): string[] {
  return [by, ...(sentBy ? [sentBy] : []), ...(content.kind === 'approved' ? [content.approver] : [])];
}

/** What lists show of a job, kept beside it. */
export function shownOf(workbook: Workbook, state: JobState, entries: number) {
  const { phase, cursor, holder, runs } = state;
  const problems = [...runs.values()].reduce((sum, run) => sum + run.problems.length, 0);
  return { phase, done: cursor, holder, problems, waitsFor: waitingFor(workbook, state), entries };
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
  const shown = shownOf(workbook, foldJob(workbook, row.startedBy, entries), entries.length);
  const last = entries.at(-1);
  await db
    .update(table.job)
    .set({ ...shown, ...(last && { changedAt: new Date(last.at) }) })
    .where(and(eq(table.job.id, row.id), isNull(table.job.phase)));
}
