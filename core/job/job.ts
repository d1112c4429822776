import { isToDo, type Procedure, type Setting, type Step, type Workbook } from '../procedure/procedure';
import { methodTaken } from '../procedure/setting';
import { componentById, positionSetById } from '../pump/series';
import type { Quantity } from '../quantity/quantity';
import { judgeTorque, type TorqueVerdict } from '../torque/judge';
import { judgeReading, type Measured, type MeasureVerdict, type MeasuringPlace, placesOf } from '../wear/measure';
import type { Entry, EntryContent, Overridable } from './entry';

/** One reading of a torque step, judged against the figure of the release. */
export interface JudgedReading {
  readonly entryId: string;
  readonly at: string;
  readonly by: string;
  readonly positionId: string | null;
  readonly reading: Quantity;
  readonly verdict: TorqueVerdict;
}

/** One length as measured, judged against the limits of the release. */
export interface JudgedMeasure extends Measured {
  readonly at: string;
  readonly by: string;
  readonly measurementId: string;
  readonly positionId: string | null;
  readonly verdict: MeasureVerdict;
}

export interface Looked {
  readonly at: string;
  readonly by: string;
  readonly lookId: string;
  readonly positionId: string | null;
  /** Null where all is sound. */
  readonly faultId: string | null;
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
  /** The latest reading at each place of each measurement. */
  readonly measured: readonly JudgedMeasure[];
  /** The latest finding of each look at each position. */
  readonly looked: readonly Looked[];
  /** Positions done, of a step that is gone through one by one. */
  readonly placesDone: readonly { positionId: string; at: string; by: string }[];
  readonly overrides: Readonly<Partial<Record<Overridable, Noted>>>;
  readonly problems: readonly Noted[];
  /** The method it is done by, null for the step's own way; undefined until one is chosen or the step is done. */
  readonly methodId: string | null | undefined;
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
  /** Where the work is done, which may choose the method. */
  readonly setting: Setting;
}

const UNTOUCHED: StepRun = {
  doneAt: null,
  doneBy: null,
  readings: [],
  photos: [],
  measured: [],
  looked: [],
  placesDone: [],
  overrides: {},
  problems: [],
  methodId: undefined,
  answer: null,
};

export function startJob(startedBy: string): JobState {
  return {
    phase: 'running',
    holder: startedBy,
    cursor: 0,
    runs: new Map(),
    answers: new Map(),
    finishedAt: null,
    setting: 'workshop',
  };
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
      const step = procedure.steps[index];
      return {
        ...note(content.stepId, ({ methodId }) => ({
          doneAt: at,
          doneBy: by,
          methodId: (step && methodTaken(step, state.setting, methodId)?.id) ?? null,
        })),
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
    case 'measured': {
      const { kind: _kind, stepId, ...measured } = content;
      const step = procedure.steps.find((candidate) => candidate.id === stepId);
      const asked = step?.measurements?.find((measurement) => measurement.id === content.measurementId);
      const verdict = asked ? judgeReading(content.reading, asked) : 'unjudged';
      return note(stepId, (run) => ({
        measured: [...run.measured.filter((other) => !sameSpot(other, measured)), { at, by, verdict, ...measured }],
      }));
    }
    case 'looked': {
      const { kind: _kind, stepId, ...looked } = content;
      return note(stepId, (run) => ({
        looked: [
          ...run.looked.filter((other) => other.lookId !== looked.lookId || other.positionId !== looked.positionId),
          { at, by, ...looked },
        ],
      }));
    }
    case 'place-done':
      return note(content.stepId, (run) => ({
        placesDone: [...run.placesDone, { positionId: content.positionId, at, by }],
      }));
    case 'method-chosen':
      return note(content.stepId, () => ({ methodId: content.methodId }));
    case 'setting-chosen':
      return { ...state, setting: content.setting };
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

type Spot = Pick<JudgedMeasure, 'measurementId' | 'positionId' | 'point' | 'direction'>;

function sameSpot(a: Spot, b: Spot): boolean {
  return (
    a.measurementId === b.measurementId &&
    a.positionId === b.positionId &&
    a.point === b.point &&
    a.direction === b.direction
  );
}

/** Something a step asks for before it can be called done. */
export type Demand =
  | { what: 'torque'; positionId: string | null }
  | { what: 'photo' }
  | { what: 'answer' }
  | { what: 'measure'; measurementId: string; positionId: string | null; place: MeasuringPlace }
  | { what: 'look'; lookId: string; positionId: string | null }
  | { what: 'place'; positionId: string };

/** The positions a step is carried out at, in the order it says; null for a step that repeats nowhere. */
export function stepPlaces(step: Step, { series }: Workbook): (string | null)[] {
  const ids = step.targets
    .map((target) => positionSetById(series, componentById(series, target.componentId)?.positionSetId))
    .flatMap((set) => set?.positions.map((position) => position.id) ?? []);
  const there = [...new Set(ids)];
  const said = step.positionIds.filter((id) => there.includes(id));
  const places = said.length > 0 ? said : there;
  return places.length > 0 ? places : [null];
}

/** The places a torque step wants a reading for: one a position, or one in all. */
export function readingPlaces(step: Step, workbook: Workbook): (string | null)[] {
  return step.verb === 'torque' || step.torque ? stepPlaces(step, workbook) : [];
}

/** The latest reading at each place decides; a reading out of its window still has to be put right or overridden. */
export function demandsOf(step: Step, run: StepRun, workbook: Workbook): Demand[] {
  const demands: Demand[] = [];
  for (const positionId of stepPlaces(step, workbook)) demands.push(...demandsAt(step, run, positionId));
  if (step.decision && !run.answer) demands.push({ what: 'answer' });
  if (step.photo && run.photos.length === 0 && !run.overrides.photo) demands.push({ what: 'photo' });
  return demands;
}

/** What is still open at one position. */
export function demandsAt(step: Step, run: StepRun, positionId: string | null): Demand[] {
  const demands: Demand[] = [];
  if ((step.verb === 'torque' || step.torque) && !run.overrides.torque) {
    const latest = run.readings.findLast((reading) => reading.positionId === positionId);
    if (!latest || latest.verdict === 'low' || latest.verdict === 'high') demands.push({ what: 'torque', positionId });
  }
  if (!run.overrides.measure) {
    for (const measurement of step.measurements ?? []) {
      for (const place of placesOf(measurement)) {
        const spot = { measurementId: measurement.id, positionId, ...place };
        if (!run.measured.some((other) => sameSpot(other, spot)))
          demands.push({ what: 'measure', measurementId: measurement.id, positionId, place });
      }
    }
  }
  if (!run.overrides.look) {
    for (const { id: lookId } of step.looks ?? []) {
      if (!run.looked.some((other) => other.lookId === lookId && other.positionId === positionId))
        demands.push({ what: 'look', lookId, positionId });
    }
  }
  if (step.oneByOne && positionId && !run.placesDone.some((place) => place.positionId === positionId))
    demands.push({ what: 'place', positionId });
  return demands;
}

/** The position in hand of a step that is gone through one by one; undefined when all are done or it is done at once. */
export function placeInHand(step: Step, run: StepRun, workbook: Workbook): string | undefined {
  if (!step.oneByOne) return undefined;
  const next = stepPlaces(step, workbook).find(
    (positionId) => positionId && !run.placesDone.some((place) => place.positionId === positionId),
  );
  return next ?? undefined;
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
  | 'no-such-answer'
  | 'nothing-to-measure'
  | 'nothing-to-look-at'
  | 'no-such-place'
  | 'no-such-method';

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
  if (content.kind === 'paused' || content.kind === 'setting-chosen') return undefined;
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
    case 'measured': {
      const asked = step.measurements?.find(({ id }) => id === content.measurementId);
      const known =
        asked && placesOf(asked).some((p) => p.point === content.point && p.direction === content.direction);
      return known && stepPlaces(step, workbook).includes(content.positionId) ? undefined : 'nothing-to-measure';
    }
    case 'looked': {
      const asked = step.looks?.find(({ id }) => id === content.lookId);
      const known = asked && (content.faultId === null || asked.faults.some(({ id }) => id === content.faultId));
      return known && stepPlaces(step, workbook).includes(content.positionId) ? undefined : 'nothing-to-look-at';
    }
    case 'place-done': {
      if (!step.oneByOne || !stepPlaces(step, workbook).includes(content.positionId)) return 'no-such-place';
      const open = demandsAt(step, runOf(state, step.id), content.positionId);
      return open.every(({ what }) => what === 'place') ? undefined : 'demands-open';
    }
    case 'method-chosen':
      return content.methodId === null || step.methods?.some(({ id }) => id === content.methodId)
        ? undefined
        : 'no-such-method';
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
