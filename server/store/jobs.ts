import { createHash } from 'node:crypto';
import { asc, desc, eq, inArray } from 'drizzle-orm';
import { type Entry, NewEntry } from '#core/job/entry';
import { applyEntry, foldJob } from '#core/job/job';
import { type EntryRefusal, refuseEntry } from '#core/job/refuse-entry';
import { wholeChain } from '#core/job/whole';
import { sayProblem } from '#core/language/en/problems';
import { faultsOf } from '#core/model/faults';
import { DOCUMENT_FORMAT } from '#core/model/migrations/migrate';
import type { Workbook } from '#core/model/procedure';
import { notFound } from '../ground/fault';
import type { Database, Queryable } from './database';
import { readRelease } from './releases';
import * as table from './schema';
import { storedEntry, storedWorkbook } from './stored';

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

export async function startJob(db: Queryable, details: JobDetails, by: string): Promise<void> {
  await readRelease(db, details.releaseId);
  const [there] = await db.select({ id: table.job.id }).from(table.job).where(eq(table.job.id, details.id));
  if (there) return;
  await db.insert(table.job).values({ ...details, startedAt: new Date(details.startedAt), startedBy: by });
}

export async function readJob(db: Queryable, id: string): Promise<OpenJob> {
  const [row] = await db.select().from(table.job).where(eq(table.job.id, id));
  if (!row) throw notFound('job');
  const release = await readRelease(db, row.releaseId);
  const entries = await entriesOf(db, id);
  const ids = [...new Set([row.startedBy, ...entries.map((entry) => entry.by)])];
  const names = await db
    .select({ id: table.user.id, name: table.user.name })
    .from(table.user)
    .where(inArray(table.user.id, ids));
  return {
    ...row,
    startedAt: row.startedAt.toISOString(),
    finishedAt: row.finishedAt?.toISOString() ?? null,
    release: { id: release.id, number: release.number, workbook: wholeChain(release.workbook) },
    entries,
    people: Object.fromEntries(names.map((person) => [person.id, person.name])),
  };
}

export async function listJobs(db: Queryable) {
  const rows = await db
    .select({ job: table.job, release: table.release })
    .from(table.job)
    .innerJoin(table.release, eq(table.release.id, table.job.releaseId))
    .orderBy(desc(table.job.number));
  const entries = await db.select().from(table.entry).orderBy(asc(table.entry.sequence));
  const people = new Map((await db.select().from(table.user)).map((person) => [person.id, person.name]));
  return rows.map(({ job, release }) => {
    const own = entries.filter((entry) => entry.jobId === job.id).map(entryOf);
    const frozen = storedWorkbook(release);
    const workbook = wholeChain(frozen);
    const state = foldJob(workbook, job.startedBy, own);
    return {
      id: job.id,
      number: job.number,
      workOrder: job.workOrder,
      pumpSerial: job.pumpSerial,
      customer: job.customer,
      startedAt: job.startedAt.toISOString(),
      finishedAt: job.finishedAt?.toISOString() ?? null,
      seriesName: frozen.series.name,
      title: frozen.procedure.title,
      releaseNumber: release.number,
      steps: workbook.procedure.steps.length,
      done: state.cursor,
      phase: state.phase,
      holder: { id: state.holder, name: people.get(state.holder) ?? '' },
      problems: [...state.runs.values()].reduce((sum, run) => sum + run.problems.length, 0),
    };
  });
}

const REFUSALS: Record<EntryRefusal, string> = {
  'job-finished': 'The job is finished; its record is sealed.',
  'job-paused': 'The job is paused.',
  'not-holder': 'Somebody else has this job in hand now.',
  'unknown-step': 'There is no such step in this release.',
  'step-not-in-hand': 'Another step is in hand.',
  'demands-open': 'The step still asks for a reading or a photo.',
  'steps-open': 'Some steps are not done yet.',
  'not-paused': 'The job is not paused.',
  'already-holder': 'You have this job in hand already.',
  'nothing-to-override': 'There is nothing left to override in this step.',
  'no-such-answer': 'The question of this step has no such answer.',
  'not-asked-there': 'The question of this step is not asked there.',
  'nothing-to-measure': 'This step asks for no such measurement.',
  'nothing-to-look-at': 'This step asks for no such look.',
  'no-such-place': 'This step is not carried out there one by one.',
  'no-such-method': 'This step knows no such method.',
  'not-a-torque-step': 'This step takes no such reading.',
};

/** An entry that was not taken in, and why. */
export interface RefusedEntry {
  readonly id: string;
  readonly code: string;
  readonly what: string;
}

export interface TakenEntries {
  readonly job: OpenJob;
  readonly refused: readonly RefusedEntry[];
}

/**
 * Adds entries in their order. Each is judged by itself: one that is refused is named with its reason and does not hold
 * back those that hold without it. One that is there already is passed over, so sending twice is safe.
 */
export async function addEntries(
  db: Database,
  jobId: string,
  fresh: readonly unknown[],
  by: string,
): Promise<TakenEntries> {
  return db.transaction(async (tx) => {
    const job = await readJob(tx, jobId);
    const { workbook } = job.release;
    const known = new Set(job.entries.map((entry) => entry.id));
    const accepted: Entry[] = [...job.entries];
    const refused: RefusedEntry[] = [];
    let state = foldJob(workbook, job.startedBy, accepted);
    for (const sent of fresh) {
      const parsed = NewEntry.safeParse(sent);
      if (!parsed.success) {
        const [fault] = faultsOf(parsed.error);
        refused.push({
          id: idOf(sent),
          code: 'bad-entry',
          what: fault ? `${fault.path}: ${sayProblem(fault.problem)}` : '',
        });
        continue;
      }
      const candidate = parsed.data;
      if (known.has(candidate.id)) continue;
      known.add(candidate.id);
      if (await isOfAnotherJob(tx, candidate.id)) {
        refused.push({ id: candidate.id, code: 'other-job', what: 'This entry belongs to another job.' });
        continue;
      }
      const refusal = refuseEntry(workbook, state, by, candidate.content);
      const { content } = candidate;
      const lacks = content.kind === 'photo-taken' && !(await hasPhoto(tx, content.photo));
      if (refusal || lacks) {
        refused.push(
          refusal
            ? { id: candidate.id, code: refusal, what: REFUSALS[refusal] }
            : { id: candidate.id, code: 'no-photo', what: 'The photo of this entry did not arrive.' },
        );
        continue;
      }
      const entry: Entry = { ...candidate, by };
      await tx.insert(table.entry).values({
        id: entry.id,
        jobId,
        sequence: accepted.length + 1,
        at: new Date(entry.at),
        by,
        content: entry.content,
        format: DOCUMENT_FORMAT,
      });
      accepted.push(entry);
      state = applyEntry(workbook, state, entry);
    }
    const finished = accepted.find((entry) => entry.content.kind === 'finished');
    if (finished && !job.finishedAt) {
      await tx
        .update(table.job)
        .set({ finishedAt: new Date(finished.at), seal: sealOf(job, accepted) })
        .where(eq(table.job.id, jobId));
    }
    return { job: await readJob(tx, jobId), refused };
  });
}

async function isOfAnotherJob(db: Queryable, id: string): Promise<boolean> {
  const [there] = await db.select({ id: table.entry.id }).from(table.entry).where(eq(table.entry.id, id));
  return there !== undefined;
}

/** The id a broken entry claims, so that the device knows which of its entries is meant. */
function idOf(sent: unknown): string {
  return typeof sent === 'object' && sent !== null && 'id' in sent && typeof sent.id === 'string'
    ? sent.id.slice(0, 64)
    : '';
}

/** SHA-256 over what the record rests on; anybody with the database can compute it again and compare. */
export function sealOf(job: OpenJob, entries: readonly Entry[]): string {
  const { id, number, workOrder, pumpSerial, customer, startedAt, startedBy, release } = job;
  const record = { id, number, workOrder, pumpSerial, customer, startedAt, startedBy, release, entries };
  return createHash('sha256').update(canonical(record)).digest('hex');
}

/** JSON with sorted keys: the database does not keep the order they were written in. */
function canonical(value: unknown): string {
  return JSON.stringify(value, (_key, item: unknown) =>
    typeof item === 'object' && item !== null && !Array.isArray(item)
      ? Object.fromEntries(Object.entries(item).sort(([a], [b]) => (a < b ? -1 : 1)))
      : item,
  );
}

async function hasPhoto(db: Queryable, hash: string): Promise<boolean> {
  const [row] = await db.select({ hash: table.photo.hash }).from(table.photo).where(eq(table.photo.hash, hash));
  return row !== undefined;
}

async function entriesOf(db: Queryable, jobId: string): Promise<Entry[]> {
  const rows = await db
    .select()
    .from(table.entry)
    .where(eq(table.entry.jobId, jobId))
    .orderBy(asc(table.entry.sequence));
  return rows.map(entryOf);
}

function entryOf(row: typeof table.entry.$inferSelect): Entry {
  return { id: row.id, at: row.at.toISOString(), by: row.by, content: storedEntry(row) };
}
