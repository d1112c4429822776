import type { Entry } from '../job/entry';
import { OVERRIDABLE } from '../job/entry-words';
import { runOf } from '../job/job';
import { keptReadings } from '../job/kept-readings';
import { latestProof } from '../job/latest-proof';
import { latestRun } from '../job/latest-run';
import type { JobState, Proved } from '../job/state';
import { isToDo, stepInJob } from '../job/to-do';
import type { PointedTo } from '../judging/causes';
import { componentById, placeNameOf, positionSetById } from '../model/lookup';
import type { Workbook } from '../model/procedure';
import type { Component } from '../model/series';
import type { TorqueFigure } from '../model/torque-figure';
import { verbOf } from '../model/verbs';
import { PROOFS } from '../proving/proofs';
import type { RunJudged } from '../proving/run';
import type { Quantity } from '../quantity/schema';
import { unitOf } from '../quantity/units';
import { type StepTime, stepTimes, wholeTime } from '../timing/clock';
import { type FoundInJob, foundInJob, type PartWanted, partsWanted, pointsTo } from './job-found';

/** A joint as it was tightened: its figure, and how many readings that stay in it are within. */
export interface Tightened {
  readonly component: Component | undefined;
  readonly torque: TorqueFigure;
  readonly count: number;
  readonly within: number;
}

/** The sizes of one part, the smallest and the largest of them. */
export interface MeasuredPart {
  readonly what: string;
  readonly component: Component | undefined;
  readonly place: string | undefined;
  readonly smallest: Quantity;
  readonly largest: Quantity;
  readonly isWithin: boolean;
}

/** A job on one page: what was done, found, renewed, measured and tightened, by whom, and how long it took. */
export interface JobSummary {
  readonly done: number;
  readonly toDo: number;
  readonly time: StepTime;
  /** Who carried out steps, and how many. */
  readonly people: readonly { readonly id: string; readonly steps: number }[];
  /** Second persons at hold points. */
  readonly checkedBy: readonly string[];
  readonly renewed: readonly { readonly component: Component; readonly count: number }[];
  readonly found: readonly FoundInJob[];
  readonly pointsTo: readonly PointedTo[];
  readonly partsWanted: readonly PartWanted[];
  readonly measured: readonly MeasuredPart[];
  readonly tightened: readonly Tightened[];
  readonly tests: readonly RunJudged[];
  /** The latest of each kind in each step. */
  readonly proved: readonly Proved[];
  readonly photos: number;
  readonly skipped: number;
  readonly problems: number;
}

export function summaryOf(
  workbook: Workbook,
  state: JobState,
  entries: readonly Entry[],
  startedAt: string,
): JobSummary {
  const { series, procedure } = workbook;
  const people = new Map<string, number>();
  const checkedBy = new Set<string>();
  const renewed = new Map<string, number>();
  const measured: MeasuredPart[] = [];
  const tightened: Tightened[] = [];
  const tests: RunJudged[] = [];
  const proved: Proved[] = [];
  let [done, photos, skipped, problems] = [0, 0, 0, 0];
  for (const said of procedure.steps) {
    const run = runOf(state, said.id);
    const step = stepInJob(said, state, run.doneMethodId ?? run.chosenMethodId, workbook) ?? said;
    const component = componentById(series, step.targets[0]?.componentId ?? '');
    photos += run.photos.length;
    problems += run.problems.length;
    skipped += OVERRIDABLE.filter((what) => run.overrides[what]).length;
    if (run.approved) checkedBy.add(run.approved.by);
    if (run.doneAt !== null && run.doneBy !== null) {
      done += 1;
      people.set(run.doneBy, (people.get(run.doneBy) ?? 0) + 1);
      if (verbOf(step.verb).effect === 'renews') {
        for (const { componentId, count } of step.targets) {
          const part = componentById(series, componentId);
          const everywhere = positionSetById(series, part?.positionSetId)?.positions.length ?? 1;
          const places = step.positionIds.length || everywhere;
          renewed.set(componentId, (renewed.get(componentId) ?? 0) + (count ?? part?.count ?? 1) * places);
        }
      }
    }
    measured.push(...partsMeasured(step.measurements ?? [], run.measured, component, series));
    const kept = keptReadings(step, run, workbook);
    if (step.torque && kept.length > 0) {
      const within = kept.filter(({ verdict }) => verdict === 'within').length;
      tightened.push({ component, torque: step.torque, count: kept.length, within });
    }
    const latest = latestRun(step, run, series);
    if (latest) tests.push(latest.judged);
    proved.push(...PROOFS.flatMap((name) => latestProof(run.proved, name) ?? []));
  }
  return {
    done,
    toDo: procedure.steps.filter((step) => isToDo(step, state.answers, workbook)).length,
    time: wholeTime(stepTimes(entries, startedAt)),
    people: [...people].map(([id, steps]) => ({ id, steps })).toSorted((a, b) => b.steps - a.steps),
    checkedBy: [...checkedBy],
    renewed: [...renewed].flatMap(([id, count]) => {
      const component = componentById(series, id);
      return component ? [{ component, count }] : [];
    }),
    found: foundInJob(workbook, state),
    pointsTo: pointsTo(workbook, state),
    partsWanted: partsWanted(workbook, state),
    ...{ measured, tightened, tests, proved, photos, skipped, problems },
  };
}

function partsMeasured(
  measurements: NonNullable<Workbook['procedure']['steps'][number]['measurements']>,
  readings: ReturnType<typeof runOf>['measured'],
  component: Component | undefined,
  series: Workbook['series'],
): MeasuredPart[] {
  return measurements.flatMap(({ id, what }) => {
    const mine = readings.filter((one) => one.measurementId === id);
    return [...new Set(mine.map(({ positionId }) => positionId))].flatMap((positionId): MeasuredPart[] => {
      const here = mine
        .filter((one) => one.positionId === positionId)
        .toSorted((a, b) => inMetres(a.reading) - inMetres(b.reading));
      const [smallest, largest] = [here[0], here.at(-1)];
      if (!smallest || !largest) return [];
      return [
        {
          ...{ what, component, place: placeNameOf(series, positionId) },
          ...{ smallest: smallest.reading, largest: largest.reading },
          isWithin: here.every(({ verdict }) => verdict !== 'under' && verdict !== 'over'),
        },
      ];
    });
  });
}

function inMetres({ value, unit }: Quantity): number {
  return value * unitOf(unit).factor;
}
