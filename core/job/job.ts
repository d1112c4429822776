import { questionKey } from '../bench/passes';
import { judgeReading, type Measured, type MeasureVerdict } from '../judging/measure';
import { confirmationOf } from '../model/confirmation';
import type { Consequence } from '../model/looks';
import type { PictureMark } from '../model/pictures/picture';
import type { Procedure, Setting, Step, Workbook } from '../model/procedure';
import { methodTaken, stepBy } from '../model/setting';
import type { PhotoFault } from '../photo/judge-photo';
import type { Sample } from '../proving/run';
import type { Quantity } from '../quantity/quantity';
import { judgeTorque, type TorqueVerdict } from '../torque/judge';
import type { AsideReason, Entry, EntryContent, Gap, Overridable, ProblemPlace, Signer, WaitsFor } from './entry';
import { latestAt, type TighteningSpot, torqueAt } from './tightening';
import { type Answers, isToDo } from './to-do';

/** One reading of a torque step, judged against the figure of the release. */
export interface JudgedReading {
  readonly entryId: string;
  readonly at: string;
  readonly by: string;
  readonly positionId: string | null;
  readonly reading: Quantity;
  readonly verdict: TorqueVerdict;
  /** Which fastener in which pass, where the joint is tightened by a plan. */
  readonly spot?: TighteningSpot;
  /** Why it was let stand although it is out of its window. */
  readonly accepted?: Noted;
  readonly wrench?: SentBy;
  /** It was taken for another fastener first; by whom it was put right. */
  readonly moved?: { readonly at: string; readonly by: string };
}

/** The connected wrench that a reading came from. */
export interface SentBy {
  readonly number: string;
  readonly calibratedUntil?: string | undefined;
  readonly reading?: string | undefined;
  /** Where it was sent later. */
  readonly takenAt?: string | undefined;
}

/** What a connected wrench sent and no fastener has. */
export interface SetAside {
  readonly at: string;
  readonly by: string;
  readonly peak: { readonly value: number; readonly unit: string };
  readonly why: AsideReason;
  readonly wrench: SentBy;
}

/** One fastener turned on by the angle of its pass. */
export interface TurnedOn {
  readonly positionId: string | null;
  readonly spot: TighteningSpot;
  readonly at: string;
  readonly by: string;
}

/** One length as measured, judged against the limits of the release. */
export interface JudgedMeasure extends Measured {
  readonly at: string;
  readonly by: string;
  readonly measurementId: string;
  readonly positionId: string | null;
  readonly verdict: MeasureVerdict;
  /** The number of the instrument that sent it; typed without one. */
  readonly instrument?: string;
}

/** A run on the test bench. */
export interface RunRead {
  readonly samples: readonly Sample[];
  readonly every?: number;
  readonly instrument?: string;
  readonly at: string;
  readonly by: string;
}

/** A part that was judged by a new ring slid along it. */
export interface Gauged {
  readonly measurementId: string;
  readonly positionId: string | null;
  readonly gap: Gap;
  readonly at: string;
  readonly by: string;
}

export interface Looked {
  readonly at: string;
  readonly by: string;
  readonly lookId: string;
  readonly positionId: string | null;
  /** Null where all is sound, or where something else was seen. */
  readonly faultId: string | null;
  readonly other?: { readonly sign: string; readonly follows: Consequence };
  readonly photo?: string;
}

export interface Noted {
  readonly at: string;
  readonly by: string;
  readonly text: string;
}

export interface Answer {
  readonly answerId: string;
  readonly positionId: string | null;
  readonly at: string;
  readonly by: string;
}

/** A photo of a check; with what was found wrong with it where it was kept all the same. */
export interface TakenPhoto {
  readonly hash: string;
  /** What is drawn on it. */
  readonly marks?: readonly PictureMark[];
  readonly at: string;
  readonly by: string;
  readonly doubts?: readonly PhotoFault[];
  readonly reason?: string;
}

/** Something that is wrong, where it is, and what it looks like. */
export interface Problem extends Noted {
  readonly entryId: string;
  readonly about?: ProblemPlace;
  readonly photo?: string;
}

/** Drawn on the tablet: who signed, and the strokes. */
export interface DrawnSignature {
  readonly as: Signer;
  readonly name: string;
  readonly strokes: readonly (readonly number[])[];
  readonly at: string;
}

export interface StepRun {
  readonly doneAt: string | null;
  readonly doneBy: string | null;
  /** Whoever did it has confirmed by name what the step asks to be confirmed. */
  readonly isConfirmed: boolean;
  /** The second person at a hold point; taken back by whatever is entered after it. */
  readonly approved: { readonly at: string; readonly by: string } | null;
  readonly readings: readonly JudgedReading[];
  readonly turnedOn: readonly TurnedOn[];
  readonly photos: readonly TakenPhoto[];
  /** The latest reading at each place of each measurement. */
  readonly measured: readonly JudgedMeasure[];
  readonly gauged: readonly Gauged[];
  /** Runs on the test bench, the latest last. */
  readonly tests: readonly RunRead[];
  /** The latest finding of each look at each position. */
  readonly looked: readonly Looked[];
  /** Positions done, of a step that is gone through one by one. */
  readonly placesDone: readonly { positionId: string; at: string; by: string }[];
  readonly overrides: Readonly<Partial<Record<Overridable, Noted>>>;
  readonly problems: readonly Problem[];
  /** The method chosen, null for the step's own way; undefined while the setting decides. */
  readonly chosenMethodId: string | null | undefined;
  /** The method it was done by; null for the step's own way. */
  readonly doneMethodId: string | null;
  /** What was answered to the question of the step: once, or at each place. */
  readonly answers: readonly Answer[];
}

export interface JobState {
  readonly phase: 'running' | 'paused' | 'finished';
  /** Who has the job in hand. */
  readonly holder: string;
  /** Index of the step in hand; equals the number of steps when all are done. */
  readonly cursor: number;
  readonly runs: ReadonlyMap<string, StepRun>;
  /** The answers given: they decide which steps follow, and where. */
  readonly answers: Answers;
  readonly finishedAt: string | null;
  /** Where the work is done, which may choose the method. */
  readonly setting: Setting;
  /** What connected wrenches and callipers call the readings that are kept. */
  readonly wrenchReadings: ReadonlySet<string>;
  readonly setAside: readonly SetAside[];
  /** Steps that made the pump safe and have not been undone. */
  readonly locks: readonly string[];
  /** Who has last carried out such a step, or checked what was there. */
  readonly locksCheckedBy: string | null;
  /** What a paused job waits for. */
  readonly waitsFor: WaitsFor | null;
  /** The latest of each signer. */
  readonly signatures: readonly DrawnSignature[];
}

const UNTOUCHED: StepRun = {
  doneAt: null,
  doneBy: null,
  isConfirmed: false,
  approved: null,
  readings: [],
  turnedOn: [],
  photos: [],
  measured: [],
  gauged: [],
  tests: [],
  looked: [],
  placesDone: [],
  overrides: {},
  problems: [],
  chosenMethodId: undefined,
  doneMethodId: null,
  answers: [],
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
    wrenchReadings: new Set(),
    setAside: [],
    locks: [],
    locksCheckedBy: null,
    waitsFor: null,
    signatures: [],
  };
}

/** What changes nothing that a second person has looked at. */
const AFTER_LOOKING: ReadonlySet<EntryContent['kind']> = new Set([
  'step-done',
  'place-done',
  'photo-marked',
  'problem',
]);

/** The state of a job after its entries, in the order they were accepted. */
export function foldJob(workbook: Workbook, startedBy: string, entries: readonly Entry[]): JobState {
  return entries.reduce((state, entry) => applyEntry(workbook, state, entry), startJob(startedBy));
}

export function runOf(state: JobState, stepId: string): StepRun {
  return state.runs.get(stepId) ?? UNTOUCHED;
}

export function applyEntry(workbook: Workbook, state: JobState, { at, by, id, content }: Entry): JobState {
  const { procedure } = workbook;
  const note = (stepId: string, change: (run: StepRun) => Partial<StepRun>): JobState => {
    const run = runOf(state, stepId);
    const approved = AFTER_LOOKING.has(content.kind) ? run.approved : null;
    return { ...state, runs: new Map(state.runs).set(stepId, { ...run, approved, ...change(run) }) };
  };
  const byItsMethod = (stepId: string): Step | undefined => {
    const step = procedure.steps[indexOfStep(procedure, stepId)];
    return step && stepBy(step, methodTaken(step, state.setting, runOf(state, stepId).chosenMethodId));
  };
  switch (content.kind) {
    case 'step-done': {
      const index = indexOfStep(procedure, content.stepId);
      const step = procedure.steps[index];
      return {
        ...note(content.stepId, ({ chosenMethodId }) => ({
          doneAt: at,
          doneBy: by,
          isConfirmed: content.confirmed === true,
          doneMethodId: (step && methodTaken(step, state.setting, chosenMethodId)?.id) ?? null,
        })),
        cursor: nextToDo(workbook, state.answers, index + 1),
        ...(step && afterLocking(state, step, by)),
      };
    }
    case 'approved':
      return note(content.stepId, () => ({ approved: { at, by: content.approver } }));
    case 'locks-checked':
      return { ...state, locksCheckedBy: by };
    case 'signed': {
      const { kind: _kind, ...signed } = content;
      return { ...state, signatures: [...state.signatures.filter((one) => one.as !== signed.as), { ...signed, at }] };
    }
    case 'photo-marked': {
      const { stepId, photo, marks } = content;
      return note(stepId, ({ photos }) => ({
        photos: photos.map((taken) => (taken.hash === photo ? { ...taken, marks } : taken)),
      }));
    }
    case 'went-back':
      return { ...state, cursor: indexOfStep(procedure, content.stepId) };
    case 'torque-read': {
      const { kind: _kind, stepId, ...read } = content;
      const step = byItsMethod(stepId);
      const torque = read.spot && step ? torqueAt(step, workbook, read.spot) : step?.torque;
      const verdict = judgeTorque(read.reading, torque);
      return {
        ...note(stepId, (run) => ({ readings: [...run.readings, { entryId: id, at, by, verdict, ...read }] })),
        wrenchReadings: withReading(state, read.wrench),
      };
    }
    case 'torque-moved': {
      const { stepId, entryId, positionId, spot } = content;
      const step = byItsMethod(stepId);
      return note(stepId, ({ readings }) => {
        const was = readings.find((one) => one.entryId === entryId);
        if (!was || !step) return {};
        const verdict = judgeTorque(was.reading, torqueAt(step, workbook, spot));
        const moved: JudgedReading = { ...was, positionId, spot, verdict, moved: { at, by } };
        return { readings: [...readings.filter((one) => one !== was), moved] };
      });
    }
    case 'reading-set-aside': {
      const { kind: _kind, ...aside } = content;
      return {
        ...state,
        setAside: [...state.setAside, { at, by, ...aside }],
        wrenchReadings: withReading(state, aside.wrench),
      };
    }
    case 'torque-accepted': {
      const { stepId, positionId, spot, reason } = content;
      return note(stepId, (run) => {
        const latest = latestAt(run, positionId, spot);
        const accepted = { at, by, text: reason };
        return { readings: run.readings.map((one) => (one === latest ? { ...one, accepted } : one)) };
      });
    }
    case 'turned-on': {
      const { stepId, positionId, spot } = content;
      return note(stepId, (run) => ({ turnedOn: [...run.turnedOn, { positionId, spot, at, by }] }));
    }
    case 'photo-taken': {
      const { photo: hash, doubts, reason } = content;
      const taken: TakenPhoto = { hash, at, by, ...(doubts && { doubts }), ...(reason !== undefined && { reason }) };
      return note(content.stepId, (run) => ({ photos: [...run.photos, taken] }));
    }
    case 'measured': {
      const { kind: _kind, stepId, instrument, ...rest } = content;
      const measured = { ...rest, ...(instrument && { instrument: instrument.number }) };
      const asked = byItsMethod(stepId)?.measurements?.find((measurement) => measurement.id === content.measurementId);
      const verdict = asked ? judgeReading(content.reading, asked) : 'unjudged';
      return {
        ...note(stepId, (run) => ({
          measured: [...run.measured.filter((other) => !sameSpot(other, measured)), { at, by, verdict, ...measured }],
        })),
        wrenchReadings: withReading(state, instrument),
      };
    }
    case 'gauged': {
      const { kind: _kind, stepId, ...gauged } = content;
      return note(stepId, (run) => ({
        gauged: [
          ...run.gauged.filter(
            (other) => other.measurementId !== gauged.measurementId || other.positionId !== gauged.positionId,
          ),
          { at, by, ...gauged },
        ],
      }));
    }
    case 'run-read': {
      const { stepId, samples, every, instrument } = content;
      const read = {
        ...{ samples, at, by },
        ...(every !== undefined && { every }),
        ...(instrument && { instrument: instrument.number }),
      };
      return note(stepId, ({ tests }) => ({ tests: [...tests, read] }));
    }
    case 'looked': {
      const { kind: _kind, stepId, other, photo, ...rest } = content;
      const looked = { ...rest, ...(other && { other }), ...(photo && { photo }) };
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
      return note(content.stepId, () => ({ chosenMethodId: content.methodId }));
    case 'setting-chosen':
      return { ...state, setting: content.setting };
    case 'answered': {
      const { stepId, answerId, positionId = null } = content;
      return {
        ...note(stepId, (run) => ({
          answers: [
            ...run.answers.filter((other) => other.positionId !== positionId),
            { answerId, positionId, at, by },
          ],
        })),
        answers: new Map(state.answers).set(questionKey(stepId, content.positionId), answerId),
      };
    }
    case 'overridden':
      return note(content.stepId, (run) => ({
        overrides: { ...run.overrides, [content.what]: { at, by, text: content.reason } },
      }));
    case 'problem':
      return note(content.stepId, (run) => {
        const { note: text, about, photo } = content;
        const problem = { entryId: id, at, by, text, ...(about && { about }), ...(photo && { photo }) };
        return { problems: [...run.problems, problem] };
      });
    case 'paused':
      return { ...state, phase: 'paused', waitsFor: content.waitsFor ?? null };
    case 'resumed':
      return { ...state, phase: 'running', waitsFor: null };
    case 'taken-over':
      return { ...state, phase: 'running', holder: by, waitsFor: null };
    case 'finished':
      return { ...state, phase: 'finished', finishedAt: at };
  }
}

/** Which locks hold after a step: giving the energy back undoes all, opening a valve that of the valves. */
function afterLocking(state: JobState, step: Step, by: string): Pick<JobState, 'locks' | 'locksCheckedBy'> | undefined {
  switch (confirmationOf(step)) {
    case 'made-safe':
      return { locks: [...state.locks.filter((id) => id !== step.id), step.id], locksCheckedBy: by };
    case 'closed':
      return step.verb === 'restore' ? { locks: [], locksCheckedBy: state.locksCheckedBy } : undefined;
    default:
      return undefined;
  }
}

function withReading({ wrenchReadings }: JobState, wrench: Pick<SentBy, 'reading'> | undefined): ReadonlySet<string> {
  return wrench?.reading === undefined ? wrenchReadings : new Set(wrenchReadings).add(wrench.reading);
}

/** The first step from `index` on that the answers lead to; the number of steps when none is left. */
function nextToDo(workbook: Workbook, answers: Answers, index: number): number {
  const { steps } = workbook.procedure;
  const next = steps.findIndex((step, i) => i >= index && isToDo(step, answers, workbook));
  return next < 0 ? steps.length : next;
}

export type Spot = Pick<JudgedMeasure, 'measurementId' | 'positionId' | 'point' | 'direction'>;

export function sameSpot(a: Spot, b: Spot): boolean {
  return (
    a.measurementId === b.measurementId &&
    a.positionId === b.positionId &&
    a.point === b.point &&
    a.direction === b.direction
  );
}

export function indexOfStep(procedure: Procedure, stepId: string): number {
  return procedure.steps.findIndex((step) => step.id === stepId);
}
