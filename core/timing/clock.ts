import type { Entry } from '../job/entry';
import { indexOfStep, runOf } from '../job/job';
import type { JobState } from '../job/state';
import { stepInJob } from '../job/to-do';
import { componentById } from '../model/lookup';
import type { Step, Workbook } from '../model/procedure';
import { verbOf } from '../model/verbs';

/** Something that takes its time, or has to be done in time, while the job goes on. */
export interface Timer {
  readonly id: string;
  /** `ready`: it is waited for, and nothing is lost when it takes longer. `until`: it has to be done before. */
  readonly is: 'ready' | 'until';
  readonly stepId: string;
  /** What soaks, or is torqued; none for a step that only waits. */
  readonly componentId: string | null;
  /** What sets. */
  readonly consumableId: string | null;
  readonly startedAt: string;
  /** ISO 8601. */
  readonly dueAt: string;
}

const MINUTE_MS = 60_000;

/**
 * What runs at a bench now: packing that soaks until it is long enough, compound that sets until its part is torqued, and
 * the step in hand where it waits. All of it follows from the entries, so it runs on through a reload and on another
 * tablet.
 */
export function timersOf(workbook: Workbook, state: JobState, entries: readonly Entry[], startedAt: string): Timer[] {
  if (state.phase === 'finished') return [];
  const { steps } = workbook.procedure;
  const running: Timer[] = [];
  for (const said of steps) {
    const run = runOf(state, said.id);
    const step = stepInJob(said, state, run.chosenMethodId, workbook);
    if (!step || run.doneAt === null) continue;
    running.push(...soaking(step, run.doneAt, state, workbook), ...setting(step, run.doneAt, state, workbook));
  }
  const inHand = steps[state.cursor];
  if (inHand && WAITS.includes(inHand.verb) && inHand.minutes) {
    const from = inHandSince(entries, state, startedAt);
    running.push({
      ...{ id: `wait ${inHand.id}`, is: 'ready', stepId: inHand.id, componentId: null, consumableId: null },
      ...{ startedAt: from, dueAt: after(from, inHand.minutes) },
    });
  }
  return running.toSorted((a, b) => a.dueAt.localeCompare(b.dueAt));
}

const WAITS: readonly Step['verb'][] = ['wait', 'drain', 'test'];

/** Until the part is fitted; then nobody waits for it any more. */
function soaking(step: Step, doneAt: string, state: JobState, workbook: Workbook): Timer[] {
  if (step.verb !== 'soak') return [];
  return step.targets.flatMap(({ componentId }): Timer[] => {
    const minutes = componentById(workbook.series, componentId)?.soakMinutes;
    const fitting = laterSteps(step, componentId, workbook).filter(({ verb }) => verbOf(verb).effect === 'refits');
    if (!minutes || fitting.some(({ id }) => isDone(id, state))) return [];
    return [
      {
        ...{ id: `soak ${step.id} ${componentId}`, is: 'ready', stepId: step.id, componentId, consumableId: null },
        ...{ startedAt: doneAt, dueAt: after(doneAt, minutes) },
      },
    ];
  });
}

/** From the moment a compound is on until its part is torqued, where it is torqued at all. */
function setting(step: Step, doneAt: string, state: JobState, workbook: Workbook): Timer[] {
  return step.applications.flatMap(({ consumableId }): Timer[] => {
    const open = workbook.series.consumables.find(({ id }) => id === consumableId)?.openMinutes;
    if (!open) return [];
    return step.targets.flatMap(({ componentId }): Timer[] => {
      const torquing = laterSteps(step, componentId, workbook).filter(({ verb }) => verb === 'torque');
      if (torquing.length === 0 || torquing.some(({ id }) => isDone(id, state))) return [];
      return [
        {
          ...{ id: `set ${step.id} ${componentId}`, is: 'until', stepId: step.id, componentId, consumableId },
          ...{ startedAt: doneAt, dueAt: after(doneAt, open) },
        },
      ];
    });
  });
}

function laterSteps(step: Step, componentId: string, { procedure }: Workbook): Step[] {
  return procedure.steps
    .slice(indexOfStep(procedure, step.id) + 1)
    .filter(({ targets }) => targets.some((target) => target.componentId === componentId));
}

function isDone(stepId: string, state: JobState): boolean {
  return runOf(state, stepId).doneAt !== null;
}

function after(from: string, minutes: number): string {
  return new Date(Date.parse(from) + minutes * MINUTE_MS).toISOString();
}

/** Since when the step in hand is in hand: the last step was done, or gone back from. */
function inHandSince(entries: readonly Entry[], state: JobState, startedAt: string): string {
  const moved = entries.findLast(({ content }) => content.kind === 'step-done' || content.kind === 'went-back');
  return state.cursor === 0 && !moved ? startedAt : (moved?.at ?? startedAt);
}

/** How long somebody worked on a step, and how long the job was paused meanwhile, in minutes. */
export interface StepTime {
  readonly worked: number;
  readonly paused: number;
}

/**
 * How long each step took, from one step done to the next, without anybody pressing a watch; pauses are told apart. A step
 * that was gone back to has the time of both goes. Entries whose clock runs backwards count for nothing.
 */
export function stepTimes(entries: readonly Entry[], startedAt: string): ReadonlyMap<string, StepTime> {
  const times = new Map<string, { worked: number; paused: number }>();
  let from = Date.parse(startedAt);
  let paused = 0;
  let pausedFrom: number | undefined;
  for (const { at, content } of entries) {
    const now = Date.parse(at);
    if (content.kind === 'paused') pausedFrom ??= now;
    if ((content.kind === 'resumed' || content.kind === 'taken-over') && pausedFrom !== undefined) {
      paused += Math.max(0, now - pausedFrom);
      pausedFrom = undefined;
    }
    if (content.kind !== 'step-done') continue;
    const time = times.get(content.stepId) ?? { worked: 0, paused: 0 };
    const whole = Math.max(0, now - from);
    const rested = Math.min(whole, paused);
    times.set(content.stepId, {
      worked: time.worked + (whole - rested) / MINUTE_MS,
      paused: time.paused + rested / MINUTE_MS,
    });
    from = now;
    paused = 0;
  }
  return times;
}

/** The whole of a job. */
export function wholeTime(times: ReadonlyMap<string, StepTime>): StepTime {
  let [worked, paused] = [0, 0];
  for (const time of times.values()) {
    worked += time.worked;
    paused += time.paused;
  }
  return { worked, paused };
}
