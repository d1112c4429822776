import { createHash } from 'node:crypto';
import type { Entry } from '#core/job/entry';
import { canonical } from '#core/seal/record';
import type { OpenJob } from './jobs';

/** What a record rests on besides its entries. */
export type Sealed = Omit<OpenJob, 'releaseId' | 'finishedAt' | 'seal' | 'entries' | 'replies' | 'hours' | 'people'>;

/** SHA-256 over what the record rests on; anybody with the database can compute it again and compare. */
export function sealOf(job: Sealed, entries: readonly Entry[]): string {
  const { id, number, workOrder, pumpSerial, customer, startedAt, startedBy, release } = job;
  const record = { id, number, workOrder, pumpSerial, customer, startedAt, startedBy, release, entries };
  return createHash('sha256').update(canonical(record)).digest('hex');
}
