import { and, asc, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm';
import {
  RECORD_FORMAT,
  type RecordContent,
  type Seal,
  type SealedRecord,
  textOfHead,
  unsignedSeal,
} from '#core/seal/record';
import type { Database } from '../database/open';
import * as table from '../database/schema';
import { Fault, notFound } from '../ground/fault';
import { sha256, type WorkshopKey } from '../seal/workshop-key';
import { namesIn } from './jobs';
import { frozenWhole } from './releases';
import { storedEntry } from './stored';

/** Signs the record of a job that has just been finished; once, whoever asks. */
export async function sealJob(db: Database, key: WorkshopKey, jobId: string): Promise<void> {
  const record = await recordOf(db, jobId);
  const sealedAt = new Date().toISOString();
  const seal = unsignedSeal(record, sealedAt, sha256);
  const signature = key.sign(textOfHead(seal.head, sealedAt));
  const document: SealedRecord = {
    format: RECORD_FORMAT,
    record,
    seal: { ...seal, publicKey: key.publicKey, signature },
  };
  await db
    .insert(table.record)
    .values({ jobId, document, sealedAt: new Date(sealedAt) })
    .onConflictDoNothing();
}

/** Finished jobs that nobody has signed yet: those of an earlier version, or of a server that was killed meanwhile. */
export async function catchUpSeals(db: Database, key: WorkshopKey): Promise<void> {
  const jobs = await db
    .select({ id: table.job.id })
    .from(table.job)
    .leftJoin(table.record, eq(table.record.jobId, table.job.id))
    .where(and(isNotNull(table.job.finishedAt), isNull(table.record.jobId)));
  for (const { id } of jobs) await sealJob(db, key, id);
}

/** The record of a finished job as it was signed, to be checked anywhere. */
export async function exportedRecord(db: Database, key: WorkshopKey, jobId: string): Promise<SealedRecord> {
  const find = () =>
    db.select({ document: table.record.document }).from(table.record).where(eq(table.record.jobId, jobId));
  const [there] = await find();
  if (there) return there.document;
  await sealJob(db, key, jobId);
  const [made] = await find();
  if (!made) throw notFound('job');
  return made.document;
}

/** What a printed record shows of its seal; nothing where it is not signed yet. */
export async function signatureOf(db: Database, jobId: string): Promise<PrintedSeal | null> {
  const [row] = await db
    .select({ seal: sql<Seal>`${table.record.document} -> 'seal'` })
    .from(table.record)
    .where(eq(table.record.jobId, jobId));
  if (!row) return null;
  const { head, publicKey, signature, sealedAt } = row.seal;
  return { head, publicKey, signature, sealedAt };
}
export type PrintedSeal = Pick<Seal, 'head' | 'publicKey' | 'signature' | 'sealedAt'>;

/** Everything that the record of a finished job says, as it is kept now. */
async function recordOf(db: Database, jobId: string): Promise<RecordContent> {
  const [job] = await db.select().from(table.job).where(eq(table.job.id, jobId));
  if (!job) throw notFound('job');
  if (!job.finishedAt)
    throw new Fault(
      409,
      'not-finished',
      'The job is not finished.',
      'Finish it at the bench; then its record can be exported.',
    );
  const release = await frozenWhole(db, job.releaseId);
  const rows = await db
    .select()
    .from(table.entry)
    .where(eq(table.entry.jobId, jobId))
    .orderBy(asc(table.entry.sequence));
  const approvals = rows.flatMap(({ content }) => (content.kind === 'approved' ? [content] : []));
  const keyIds = [
    ...new Set([...rows.flatMap(({ keyId }) => keyId ?? []), ...approvals.map(({ approval }) => approval.keyId)]),
  ];
  const keys =
    keyIds.length > 0 ? await db.select().from(table.deviceKey).where(inArray(table.deviceKey.id, keyIds)) : [];
  const entries = rows.map((row) => ({
    ...{ id: row.id, sequence: row.sequence, at: row.at.toISOString(), acceptedAt: row.acceptedAt.toISOString() },
    ...{ by: row.by, sentBy: row.sentBy, deviceId: row.deviceId, clockBehindMs: row.clockBehindMs },
    content: storedEntry(row) as Record<string, unknown>,
    ...{ keyId: row.keyId, signed: row.signed, signature: row.signature },
  }));
  const people = await namesIn(
    db,
    [job.startedBy, ...rows.flatMap(({ by, sentBy }) => [by, sentBy ?? by]), ...approvals.map((one) => one.approver)],
    [],
  );
  // What a record is made of has to be the same when it is read again, whatever stands behind it.
  return JSON.parse(
    JSON.stringify({
      job: {
        ...{
          id: job.id,
          number: job.number,
          workOrder: job.workOrder,
          pumpSerial: job.pumpSerial,
          customer: job.customer,
          ...(job.hours !== null && { hours: job.hours }),
        },
        ...{
          startedAt: job.startedAt.toISOString(),
          startedBy: job.startedBy,
          finishedAt: job.finishedAt.toISOString(),
        },
      },
      release: { id: release.id, number: release.number, workbook: release.workbook },
      people,
      keys: Object.fromEntries(keys.map(({ id, personId, publicKey }) => [id, { personId, publicKey }])),
      entries,
    } satisfies Record<keyof RecordContent, unknown>),
  ) as RecordContent;
}
