import { eq, inArray, type SQL, sql } from 'drizzle-orm';
import { readApproval } from '#core/job/approval';
import { CLOCK_TOLERANCE_MS, type Entry, type EntryContent } from '#core/job/entry';
import { photoNamedIn } from '#core/job/entry-words';
import { applyEntry, foldJob } from '#core/job/job';
import { type EntryRefusal, refuseEntry } from '#core/job/refuse-entry';
import type { JobState } from '#core/job/state';
import { DOCUMENT_FORMAT } from '#core/model/migrations/migrate';
import { type DeviceKey, isSignedBy } from '../accounts/keys';
import type { Database } from '../database/open';
import * as table from '../database/schema';
import { Fault, notFound } from '../ground/fault';
import { catchUpJob, entriesOf, namesIn, type OpenJob, shownOf } from './jobs';
import { keptPerDatabase } from './kept';
import { keysIn, type Made, madeBy, otherJob, type RefusedEntry } from './makers';
import { frozenWhole } from './releases';
import { sealOf } from './seal';

const REFUSALS: Record<EntryRefusal | 'not-approved', string> = {
  'nothing-to-approve': 'This step asks for no second person.',
  'own-approval': 'Another person than the one who does the work has to sign.',
  'not-approved': 'It is not certain that the second person signed this.',
  'no-such-photo': 'This step has no such photo.',
  'job-finished': 'The job is finished; its record is sealed.',
  'job-paused': 'The job is paused.',
  'not-holder': 'Somebody else is working on this job now.',
  'unknown-step': 'There is no such step in this release.',
  'step-not-in-hand': 'Another step is open now.',
  'demands-open': 'The step still asks for a reading or a photo.',
  'steps-open': 'Some steps are not done yet.',
  'not-paused': 'The job is not paused.',
  'already-holder': 'You are working on this job already.',
  'nothing-to-override': 'There is nothing left to skip in this step.',
  'no-such-answer': 'The question of this step has no such answer.',
  'not-asked-there': 'The question of this step is not asked there.',
  'nothing-to-measure': 'This step has no such measurement.',
  'nothing-to-look-at': 'This step has no such inspection.',
  'no-such-place': 'This step is not carried out there one by one.',
  'no-such-method': 'This step has no such method.',
  'not-a-torque-step': 'This step has no such reading.',
  'reading-known': 'This reading of the wrench is in the job already.',
};

/** The photo of this entry has to be sent first. */
export const NO_PHOTO = 'no-photo';

export interface SentEntries {
  readonly entries: readonly unknown[];
  /** How many entries of the job the device has already. */
  readonly known: number;
  /** What the clock of the device said when it sent them. */
  readonly sentAt?: string | undefined;
}

/** What the device does not have yet of the job, these entries included. */
export interface TakenEntries {
  readonly entries: readonly Entry[];
  readonly refused: readonly RefusedEntry[];
  readonly finishedAt: string | null;
  readonly seal: string | null;
  /** Names of those who appear in the entries. */
  readonly people: Readonly<Record<string, string>>;
}

/** A job as it stood after so many entries: never wrong, since entries are only added, but perhaps not the newest. */
interface Folded {
  readonly row: typeof table.job.$inferSelect;
  readonly release: OpenJob['release'];
  readonly entries: readonly Entry[];
  readonly ids: ReadonlySet<string>;
  readonly state: JobState;
}

const JOBS_KEPT = 200;
const kept = keptPerDatabase<Folded>(JOBS_KEPT);
/** How often a job is read again because others added to it in between. */
const MOST_TRIES = 5;

/**
 * Adds entries in their order. Each is judged by itself: one that is refused is named with its reason and does not hold
 * back those that hold without it. One that is there already is passed over, so sending twice is safe. All are written
 * by one statement, which also sees that nobody added to the job since it was read.
 */
export async function addEntries(
  db: Database,
  jobId: string,
  sent: SentEntries,
  sender: string,
): Promise<TakenEntries> {
  const made: (Made | RefusedEntry)[] = [];
  const keys = await keysIn(db, sent.entries);
  for (const one of sent.entries) made.push(madeBy(one, jobId, sender, keys));
  const photos = await photosIn(db, made);
  const approvers = await approversIn(db, made);
  const clockBehindMs = behind(sent.sentAt);

  for (let tries = 0; tries < MOST_TRIES; tries += 1) {
    const job = await foldedJob(db, jobId, tries > 0);
    const judged = judge(job, made, { photos, approvers }, { sender, clockBehindMs });
    // What was refused may hold on what others added since this process last read the job.
    if (judged.refused.length > 0 && tries === 0) continue;
    const next = await write(db, job, judged.added, judged.state);
    if (next === 'taken-elsewhere') {
      const elsewhere = await ofOtherJobs(db, jobId, judged.added);
      for (const [at, one] of made.entries()) {
        if ('entry' in one && elsewhere.has(one.entry.id)) made[at] = otherJob(one.entry.id);
      }
    } else if (next) {
      const entries = sent.known <= next.entries.length ? next.entries.slice(sent.known) : [];
      return {
        entries,
        refused: judged.refused,
        finishedAt: next.row.finishedAt?.toISOString() ?? null,
        seal: next.row.seal,
        people: await namesIn(db, [], entries),
      };
    }
  }
  throw new Fault(503, 'busy', 'Others are adding to this job at the same time.', 'Try again in a moment.');
}

interface Added extends Made {
  readonly taken: Entry;
}

function judge(
  job: Folded,
  made: readonly (Made | RefusedEntry)[],
  { photos, approvers }: { photos: ReadonlyMap<string, string>; approvers: ReadonlyMap<string, DeviceKey> },
  { sender, clockBehindMs }: { sender: string; clockBehindMs: number | undefined },
) {
  const added: Added[] = [];
  const refused: RefusedEntry[] = [];
  const ids = new Set(job.ids);
  let { state } = job;
  for (const one of made) {
    if (!('entry' in one)) {
      refused.push(one);
      continue;
    }
    const { id, at } = one.entry;
    if (ids.has(id)) continue;
    const content = withStoredPhoto(one.entry.content, photos);
    const refusal =
      content &&
      (refuseEntry(job.release.workbook, state, one.by, content) ??
        (isProvedApproval(content, job.row.id, approvers) ? undefined : 'not-approved'));
    if (!content || refusal) {
      refused.push(
        refusal
          ? { id, code: refusal, what: REFUSALS[refusal] }
          : { id, code: NO_PHOTO, what: 'The photo of this entry did not arrive.' },
      );
      continue;
    }
    const taken: Entry = {
      id,
      at,
      content,
      by: one.by,
      ...(sender !== one.by && { sentBy: sender }),
      ...(clockBehindMs !== undefined && { clockBehindMs }),
    };
    ids.add(id);
    added.push({ ...one, taken });
    state = applyEntry(job.release.workbook, state, taken);
  }
  return { added, refused, state };
}

/** The job with what was added; undefined when it had changed, `taken-elsewhere` when an id belongs to another job. */
async function write(
  db: Database,
  job: Folded,
  added: readonly Added[],
  state: JobState,
): Promise<Folded | 'taken-elsewhere' | undefined> {
  if (added.length === 0) return job;
  const before = job.entries.length;
  const entries = [...job.entries, ...added.map(({ taken }) => taken)];
  const finishing = job.row.finishedAt ? undefined : entries.find(({ content }) => content.kind === 'finished');
  const seal = finishing
    ? sealOf({ ...job.row, startedAt: job.row.startedAt.toISOString(), release: job.release }, entries)
    : job.row.seal;
  const finishedAt = finishing ? new Date(finishing.at) : job.row.finishedAt;
  const shown = { ...shownOf(job.release.workbook, state, entries.length), finishedAt, seal };
  const rows = added.map((one, at) => row(one, before + at + 1));
  const keyIds = [...new Set(added.flatMap(({ keyId }) => keyId ?? []))];
  const revoked =
    keyIds.length > 0
      ? sql` AND NOT EXISTS (SELECT FROM ${table.deviceKey} WHERE id IN ${keyIds} AND revoked_at IS NOT NULL)`
      : sql``;
  try {
    const { rows: written } = await db.execute(sql`
      WITH changed AS (
        UPDATE ${table.job} SET phase = ${shown.phase}, done = ${shown.done}, problems = ${shown.problems},
          waits_for = ${shown.waitsFor}, holder = ${shown.holder}, entries = ${shown.entries}, finished_at = ${finishedAt?.toISOString() ?? null},
          seal = ${seal}, changed_at = now()
        WHERE id = ${job.row.id} AND entries = ${before}${revoked}
        RETURNING id
      )
      INSERT INTO ${table.entry}
        (id, job_id, sequence, at, by, content, format, sent_by, device_id, key_id, signed, signature, clock_behind_ms)
      SELECT fresh.id, changed.id, fresh.sequence, fresh.at, fresh.by, fresh.content, fresh.format, fresh.sent_by,
        fresh.device_id, fresh.key_id, fresh.signed, fresh.signature, fresh.clock_behind_ms
      FROM changed, jsonb_to_recordset(${JSON.stringify(rows)}::jsonb) AS fresh(id text, sequence int, at timestamptz,
        by text, content jsonb, format int, sent_by text, device_id text, key_id text, signed text, signature text,
        clock_behind_ms bigint)
      RETURNING id`);
    if (written.length === 0) return undefined;
  } catch (error) {
    if (isTwice(error, 'entry_pkey')) return 'taken-elsewhere';
    if (isTwice(error, 'entry_sequence')) return undefined;
    throw error;
  }
  const next: Folded = {
    row: { ...job.row, ...shown },
    release: job.release,
    entries,
    ids: new Set(entries.map(({ id }) => id)),
    state,
  };
  kept(db).set(job.row.id, next);
  return next;
}

function row({ taken, deviceId, keyId, signed, signature }: Added, sequence: number) {
  const { id, at, by, content, sentBy, clockBehindMs } = taken;
  return {
    id,
    sequence,
    at,
    by,
    content,
    format: DOCUMENT_FORMAT,
    sent_by: sentBy ?? by,
    device_id: deviceId ?? null,
    key_id: keyId ?? null,
    signed: signed ?? null,
    signature: signature ?? null,
    clock_behind_ms: clockBehindMs ?? null,
  };
}

/** A unique index said no. */
function isTwice(error: unknown, constraint: string): boolean {
  const { code, constraint: named } = ((error as { cause?: unknown }).cause ?? error) as Record<string, unknown>;
  return code === '23505' && named === constraint;
}

/** A job folded as far as this process knows it; read from the database where it does not, or `anew`. */
async function foldedJob(db: Database, jobId: string, anew: boolean): Promise<Folded> {
  const there = kept(db).get(jobId);
  if (there && !anew) return there;
  const [row] = await db.select().from(table.job).where(eq(table.job.id, jobId));
  if (!row) throw notFound('job');
  if (row.phase === null) {
    await catchUpJob(db, row);
    return foldedJob(db, jobId, true);
  }
  const { id, number, workbook } = await frozenWhole(db, row.releaseId);
  // What was added after the row was read is left for the next time, which the statement that writes insists on.
  const entries = (await entriesOf(db, jobId)).slice(0, row.entries);
  const fresh: Folded = {
    row,
    release: { id, number, workbook },
    entries,
    ids: new Set(entries.map((entry) => entry.id)),
    state: foldJob(workbook, row.startedBy, entries),
  };
  kept(db).set(jobId, fresh);
  return fresh;
}

/** The stored photo for each that some entries name, which may name it by what the device sent. */
async function photosIn(db: Database, made: readonly (Made | RefusedEntry)[]): Promise<ReadonlyMap<string, string>> {
  const named = made.flatMap((one) => ('entry' in one ? (photoNamedIn(one.entry.content) ?? []) : []));
  if (named.length === 0) return new Map();
  const asked: SQL = sql`${named}`;
  const { rows } = await db.execute<{ named: string; photo: string }>(sql`
    SELECT hash AS named, hash AS photo FROM ${table.photo} WHERE hash IN ${asked}
    UNION SELECT sent AS named, photo FROM ${table.photoSource} WHERE sent IN ${asked}`);
  return new Map(rows.map((found) => [found.named, found.photo]));
}

/** Undefined when the photo it names did not arrive. */
function withStoredPhoto(content: EntryContent, photos: ReadonlyMap<string, string>): EntryContent | undefined {
  const named = photoNamedIn(content);
  if (named === undefined) return content;
  const photo = photos.get(named);
  return photo === undefined ? undefined : ({ ...content, photo } as EntryContent);
}

/** The keys that second persons signed with. */
async function approversIn(
  db: Database,
  made: readonly (Made | RefusedEntry)[],
): Promise<ReadonlyMap<string, DeviceKey>> {
  const signed = made.flatMap((one) =>
    'entry' in one && one.entry.content.kind === 'approved' ? [one.entry.content.approval] : [],
  );
  return keysIn(db, signed);
}

/** Whether the second person it names signed this step of this job, and may work at the bench. */
function isProvedApproval(content: EntryContent, jobId: string, approvers: ReadonlyMap<string, DeviceKey>): boolean {
  if (content.kind !== 'approved') return true;
  const { approver, stepId, approval } = content;
  const key = approvers.get(approval.keyId);
  const said = readApproval(approval.text);
  return (
    key?.personId === approver &&
    said?.jobId === jobId &&
    said.stepId === stepId &&
    said.by === approver &&
    isSignedBy(key, approval.text, approval.signature)
  );
}

async function ofOtherJobs(db: Database, jobId: string, added: readonly Added[]): Promise<ReadonlySet<string>> {
  const ids = added.map(({ taken }) => taken.id);
  const rows = await db
    .select({ id: table.entry.id })
    .from(table.entry)
    .where(sql`${inArray(table.entry.id, ids)} AND ${table.entry.jobId} <> ${jobId}`);
  return new Set(rows.map(({ id }) => id));
}

/** By how much the clock of a device is behind this one, where that is worth telling. */
function behind(sentAt: string | undefined): number | undefined {
  if (sentAt === undefined) return undefined;
  const difference = Date.now() - Date.parse(sentAt);
  return Math.abs(difference) > CLOCK_TOLERANCE_MS ? difference : undefined;
}
