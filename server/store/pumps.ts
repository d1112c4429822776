import { desc, eq } from 'drizzle-orm';
import { type Found, foundIn } from '#core/job/found';
import { foldJob, runOf } from '#core/job/job';
import type { JudgedMeasure } from '#core/job/state';
import { stepInJob } from '#core/job/to-do';
import { instrumentOf } from '#core/judging/guard';
import type { SizeInJob } from '#core/judging/wear-on-pump';
import { componentById, placeNameOf } from '#core/model/lookup';
import type { Queryable } from '../database/open';
import * as table from '../database/schema';
import { entriesOf } from './jobs';
import { frozenWhole } from './releases';

/** As many jobs of one pump are looked at, the latest. */
const MOST_JOBS = 40;

/** Something found on a pump, with the part it was found on. */
export interface FoundOnPump extends Omit<Found, 'at' | 'by'> {
  readonly part: string;
  readonly place: string | undefined;
}

/** A length as it was measured on a pump. */
export interface MeasuredOnPump extends SizeInJob, Pick<JudgedMeasure, 'point' | 'direction' | 'verdict'> {}

/** One job in the history of a pump. */
export interface PumpJob {
  readonly id: string;
  readonly number: number;
  readonly workOrder: string;
  readonly customer: string;
  readonly seriesName: string;
  readonly title: string;
  readonly startedAt: string;
  readonly finishedAt: string | null;
  readonly hours: number | null;
  readonly found: readonly FoundOnPump[];
  readonly measured: readonly MeasuredOnPump[];
  /** Names of the parts that were renewed. */
  readonly renewed: readonly string[];
  readonly problems: readonly string[];
}

/** What was done to the pump with a serial number, the latest job first. */
export async function pumpHistory(db: Queryable, serial: string): Promise<PumpJob[]> {
  const jobs = await db
    .select()
    .from(table.job)
    .where(eq(table.job.pumpSerial, serial))
    .orderBy(desc(table.job.startedAt))
    .limit(MOST_JOBS);
  const history: PumpJob[] = [];
  for (const job of jobs) {
    const { workbook } = await frozenWhole(db, job.releaseId);
    const { series, procedure } = workbook;
    const state = foldJob(workbook, job.startedBy, await entriesOf(db, job.id));
    const found: FoundOnPump[] = [];
    const measured: MeasuredOnPump[] = [];
    const renewed = new Set<string>();
    const problems: string[] = [];
    for (const said of procedure.steps) {
      const run = runOf(state, said.id);
      const step = stepInJob(said, state, run.doneMethodId, workbook) ?? said;
      const componentId = step.targets[0]?.componentId ?? '';
      const part = componentById(series, componentId)?.name ?? step.about ?? '';
      for (const { at: _at, by: _by, ...one } of foundIn(step, run, series))
        found.push({ ...one, part, place: placeNameOf(series, one.positionId) });
      for (const { measurementId, positionId, point, direction, reading, verdict } of run.measured) {
        const asked = step.measurements?.find(({ id }) => id === measurementId);
        if (!asked) continue;
        const { what, nominal, least, most } = asked;
        measured.push({
          ...{ componentId, part, what, positionId, point, direction, reading, verdict },
          place: placeNameOf(series, positionId),
          limits: { nominal, least, most },
          error: instrumentOf(asked, series).error,
        });
      }
      if (step.verb === 'renew' && run.doneAt !== null) {
        for (const target of step.targets) renewed.add(componentById(series, target.componentId)?.name ?? '');
      }
      problems.push(...run.problems.map(({ text }) => text));
    }
    history.push({
      ...{ id: job.id, number: job.number, workOrder: job.workOrder, customer: job.customer, hours: job.hours },
      seriesName: `${series.name} ${series.code}`,
      title: procedure.title,
      startedAt: job.startedAt.toISOString(),
      finishedAt: job.finishedAt?.toISOString() ?? null,
      ...{ found, measured, problems },
      renewed: [...renewed].filter(Boolean),
    });
  }
  return history;
}
