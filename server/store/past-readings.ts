import { and, desc, eq, inArray, isNotNull, sql } from 'drizzle-orm';
import type { Entry } from '#core/job/entry';
import { foldJob, runOf } from '#core/job/job';
import { keptReadings, offPercent } from '#core/job/kept-readings';
import { stepBy } from '#core/model/setting';
import type { PastReading } from '#core/torque/history';
import type { Database } from '../database/open';
import * as table from '../database/schema';
import { entryOf } from './jobs';
import { frozenWhole } from './releases';

/** As many finished jobs are looked at, the latest. */
const MOST_JOBS = 200;
/** What a reading is made of; nothing else of a job is read. */
const OF_READINGS = ['torque-read', 'torque-moved', 'torque-accepted', 'method-chosen', 'setting-chosen', 'step-done'];

/** The readings that stayed in the fasteners of a component, over the finished jobs of its series, the oldest first. */
export async function pastReadings(db: Database, seriesId: string, componentId: string): Promise<PastReading[]> {
  const jobs = await db
    .select({ id: table.job.id, number: table.job.number, releaseId: table.job.releaseId, by: table.job.startedBy })
    .from(table.job)
    .innerJoin(table.release, eq(table.release.id, table.job.releaseId))
    .innerJoin(table.procedure, eq(table.procedure.id, table.release.procedureId))
    .where(and(eq(table.procedure.seriesId, seriesId), isNotNull(table.job.finishedAt)))
    .orderBy(desc(table.job.finishedAt))
    .limit(MOST_JOBS);
  if (jobs.length === 0) return [];
  const ids = jobs.map(({ id }) => id);
  const rows = await db
    .select()
    .from(table.entry)
    .where(and(inArray(table.entry.jobId, ids), inArray(sql<string>`${table.entry.content} ->> 'kind'`, OF_READINGS)))
    .orderBy(table.entry.jobId, table.entry.sequence);
  const people = await db.select({ id: table.user.id, name: table.user.name }).from(table.user);
  const names = new Map(people.map(({ id, name }) => [id, name]));
  const entries = new Map<string, Entry[]>();
  for (const id of ids) entries.set(id, []);
  for (const row of rows) entries.get(row.jobId)?.push(entryOf(row));
  const readings: PastReading[] = [];
  for (const { id, number, releaseId, by } of jobs) {
    const { workbook } = await frozenWhole(db, releaseId);
    const state = foldJob(workbook, by, entries.get(id) ?? []);
    for (const said of workbook.procedure.steps) {
      if (said.targets[0]?.componentId !== componentId) continue;
      const run = runOf(state, said.id);
      const step = stepBy(
        said,
        said.methods?.find((method) => method.id === run.doneMethodId),
      );
      const { torque } = step;
      if (!torque) continue;
      for (const reading of keptReadings(step, run, workbook)) {
        readings.push({
          job: number,
          at: reading.wrench?.takenAt ?? reading.at,
          by: names.get(reading.by) ?? '',
          wrench: reading.wrench?.number,
          offPercent: offPercent(reading, torque),
          tolerancePercent: torque.tolerancePercent,
        });
      }
    }
  }
  return readings.toSorted((a, b) => a.at.localeCompare(b.at));
}
