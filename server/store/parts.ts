import { desc, sql } from 'drizzle-orm';
import { foldJob } from '#core/job/job';
import { sayFound } from '#core/language/en/found';
import { componentPhrase, sayStep } from '#core/language/en/sentence';
import { partsWanted } from '#core/record/job-found';
import type { Queryable } from '../database/open';
import * as table from '../database/schema';
import { entriesOf } from './jobs';
import { frozenWhole } from './releases';

/** As many open jobs are looked through, those that changed last. */
const MOST_JOBS = 300;

/** Pieces that an open job needs and no kit of it holds. */
export interface PartToGet {
  readonly job: { readonly id: string; readonly number: number; readonly workOrder: string; readonly customer: string };
  readonly pumpSerial: string;
  readonly part: string;
  readonly partNumber: string | null;
  readonly count: number;
  /** What was found, in words. */
  readonly why: string;
  /** The step that waits for it. */
  readonly step: { readonly number: number; readonly text: string } | null;
}

/** What the office has to get for the jobs in hand; the jobs that changed last come first. */
export async function partsToGet(db: Queryable): Promise<PartToGet[]> {
  const jobs = await db
    .select()
    .from(table.job)
    .where(sql`${table.job.phase} <> 'finished'`)
    .orderBy(desc(table.job.changedAt))
    .limit(MOST_JOBS);
  const wanted: PartToGet[] = [];
  for (const job of jobs) {
    const { workbook } = await frozenWhole(db, job.releaseId);
    const state = foldJob(workbook, job.startedBy, await entriesOf(db, job.id));
    for (const { component, count, found, stops } of partsWanted(workbook, state)) {
      wanted.push({
        job: { id: job.id, number: job.number, workOrder: job.workOrder, customer: job.customer },
        pumpSerial: job.pumpSerial,
        part: componentPhrase(component, count, false),
        partNumber: component.partNumber ?? null,
        count,
        why: found.map((one) => [one.place, one.where, sayFound(one)].filter(Boolean).join(', ')).join('; '),
        step: stops ? { number: stops.index + 1, text: sayStep(stops.step, workbook.series) } : null,
      });
    }
  }
  return wanted;
}
