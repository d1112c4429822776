import { isToDo, type Procedure, type Step, type Workbook } from '../procedure/procedure';
import { componentById, positionSetById } from '../pump/series';
import type { Quantity } from '../quantity/quantity';
import { judgeTorque, type TorqueVerdict } from '../torque/judge';
import type { Entry, EntryContent } from './entry';

/** One reading of a torque step, judged against the figure of the release. */
export interface JudgedReading {
  readonly entryId: string;
  readonly at: string;
  readonly by: string;
  readonly positionId: string | null;
  readonly reading: Quantity;
  readonly verdict: TorqueVerdict;
}

export interface Noted {
  readonly at: string;
  readonly by: string;
  readonly text: string;
}

export interface StepRun {
  readonly doneAt: string | null;
  readonly doneBy: string | null;
  readonly readings: readonly JudgedReading[];
  readonly photos: readonly { hash: string; at: string; by: string }[];
  readonly overrides: Readonly<Partial<Record<'torque' | 'photo', Noted>>>;
  readonly problems: readonly Noted[];
  /** What was answered to the question of the step. */
  readonly answer: { readonly answerId: string; readonly at: string; readonly by: string } | null;
}

export interface JobState {
  readonly phase: 'running' | 'paused' | 'finished';
  /** Who has the job in hand. */
  readonly holder: string;
  /** Index of the step in hand; equals the number of steps when all are done. */
  readonly cursor: number;
  readonly runs: ReadonlyMap<string, StepRun>;
  /** The answers given, by the step that asks: they decide which steps follow. */
  readonly answers: ReadonlyMap<string, string>;
  readonly finishedAt: string | null;
}

const UNTOUCHED: StepRun = {
  doneAt: null,
  doneBy: null,
  readings: [],
  photos: [],
  overrides: {},
  problems: [],
  answer: null,
};

export function startJob(startedBy: string): JobState {
  return { phase: 'running', holder: startedBy, cursor: 0, runs: new Map(), answers: new Map(), finishedAt: null };
}

/** The state of a job after its entries, in the order they were accepted. */
export function foldJob(workbook: Workbook, startedBy: string, entries: readonly Entry[]): JobState {
  return entries.reduce((state, entry) => applyEntry(workbook, state, entry), startJob(startedBy));
}

export function runOf(state: JobState, stepId: string): StepRun {
  return state.runs.get(stepId) ?? UNTOUCHED;
}

export function applyEntry({ procedure }: Workbook, state: JobState, { at, by, id, content }: Entry): JobState {
  const note = (stepId: string, change: (run: StepRun) => Partial<StepRun>): JobState => {
    const run = runOf(state, stepId);
    return { ...state, runs: new Map(state.runs).set(stepId, { ...run, ...change(run) }) };
  };
  switch (content.kind) {
    case 'step-done': {
      const index = indexOfStep(procedure, content.stepId);
      return {
        ...note(content.stepId, () => ({ doneAt: at, doneBy: by })),
        cursor: nextToDo(procedure, state.answers, index + 1),
      };
    }
    case 'went-back':
      return { ...state, cursor: indexOfStep(procedure, content.stepId) };
    case 'torque-read': {
      const step = procedure.steps.find((candidate) => candidate.id === content.stepId);
      const verdict = judgeTorque(content.reading, step?.torque);
      const { positionId, reading } = content;
      return note(content.stepId, (run) => ({
        readings: [...run.readings, { entryId: id, at, by, positionId, reading, verdict }],
      }));
    }
    case 'photo-taken':
      return note(content.stepId, (run) => ({ photos: [...run.photos, { hash: content.photo, at, by }] }));
    case 'answered':
      return {
        ...note(content.stepId, () => ({ answer: { answerId: content.answerId, at, by } })),
        answers: new Map(state.answers).set(content.stepId, content.answerId),
      };
    case 'overridden':
      return note(content.stepId, (run) => ({
        overrides: { ...run.overrides, [content.what]: { at, by, text: content.reason } },
      }));
    case 'problem':
      return note(content.stepId, (run) => ({ problems: [...run.problems, { at, by, text: content.note }] }));
    case 'paused':
      return { ...state, phase: 'paused' };
    case 'resumed':
      return { ...state, phase: 'running' };
    case 'taken-over':
      return { ...state, phase: 'running', holder: by };
    case 'finished':
      return { ...state, phase: 'finished', finishedAt: at };
  }
}

/** The first step from `index` on that the answers lead to; the number of steps when none is left. */
function nextToDo({ steps }: Procedure, answers: JobState['answers'], index: number): number {
  const next = steps.findIndex((step, i) => i >= index && isToDo(step, answers));
  return next < 0 ? steps.length : next;
}

/** Something a step asks for before it can be called done. */
export type Demand = { what: 'torque'; positionId: string | null } | { what: 'photo' } | { what: 'answer' };

/** The places a torque step wants a reading for: one a position, or one in all. */
export function readingPlaces(step: Step, { series }: Workbook): (string | null)[] {
  if (step.verb !== 'torque' && !step.torque) return [];
  const ids = step.targets
    .map((target) => positionSetById(series, componentById(series, target.componentId)?.positionSetId))
    .flatMap((set) => set?.positions.map((position) => position.id) ?? []);
  const places = [...new Set(ids)].filter((id) => step.positionIds.length === 0 || step.positionIds.includes(id));
  return places.length > 0 ? places : [null];
}

/** The latest reading at each place decides; a reading out of its window still has to be put right or overridden. */
export function demandsOf(step: Step, run: StepRun, workbook: Workbook): Demand[] {
  const demands: Demand[] = [];
  if (!run.overrides.torque) {
    for (const positionId of readingPlaces(step, workbook)) {
      const latest = run.readings.findLast((reading) => reading.positionId === positionId);
      if (!latest || latest.verdict === 'low' || latest.verdict === 'high')
        demands.push({ what: 'torque', positionId });
    }
  }
  if (step.decision && !run.answer) demands.push({ what: 'answer' });
  if (step.photo && run.photos.length === 0 && !run.overrides.photo) demands.push({ what: 'photo' });
  return demands;
}

export type EntryRefusal =
  | 'job-finished'
  | 'job-paused'
  | 'not-holder'
  | 'unknown-step'
  | 'step-not-in-hand'
  | 'demands-open'
  | 'steps-open'
  | 'not-paused'
  | 'already-holder'
  | 'nothing-to-override'
  | 'not-a-torque-step'
  | 'no-such-answer';

/** Why an entry cannot be taken now, or undefined when it can. */
export function refuseEntry(
  workbook: Workbook,
  state: JobState,
  by: string,
  content: EntryContent,
): EntryRefusal | undefined {
  if (state.phase === 'finished') return 'job-finished';
  if (content.kind === 'taken-over') return state.holder === by ? 'already-holder' : undefined;
  if (state.holder !== by) return 'not-holder';
  if (content.kind === 'resumed') return state.phase === 'paused' ? undefined : 'not-paused';
  if (state.phase === 'paused') return 'job-paused';
  if (content.kind === 'paused') return undefined;
  if (content.kind === 'finished') return state.cursor >= workbook.procedure.steps.length ? undefined : 'steps-open';

  const index = indexOfStep(workbook.procedure, content.stepId);
  const step = workbook.procedure.steps[index];
  if (!step) return 'unknown-step';
  if (content.kind === 'went-back') return index < state.cursor ? undefined : 'step-not-in-hand';
  if (index !== state.cursor) return 'step-not-in-hand';
  switch (content.kind) {
    case 'step-done':
      return demandsOf(step, runOf(state, step.id), workbook).length > 0 ? 'demands-open' : undefined;
    case 'torque-read':
      return readingPlaces(step, workbook).includes(content.positionId) ? undefined : 'not-a-torque-step';
    case 'answered':
      return step.decision?.answers.some(({ id }) => id === content.answerId) ? undefined : 'no-such-answer';
    case 'overridden': {
      const open = demandsOf(step, runOf(state, step.id), workbook);
      return open.some((demand) => demand.what === content.what) ? undefined : 'nothing-to-override';
    }
    case 'photo-taken':
    case 'problem':
      return undefined;
  }
}

function indexOfStep(procedure: Procedure, stepId: string): number {
  return procedure.steps.findIndex((step) => step.id === stepId);
}
