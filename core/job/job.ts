import { questionKey } from '../bench/passes';
import { judgeReading } from '../judging/measure';
import { confirmationOf } from '../model/confirmation';
import type { Procedure, Step, Workbook } from '../model/procedure';
import { methodTaken, stepBy } from '../model/setting';
import { judgeProof } from '../proving/proofs';
import { judgeTorque } from '../torque/judge';
import type { Entry, EntryContent } from './entry';
import type { JobState, JudgedMeasure, JudgedReading, SentBy, StepRun, TakenPhoto } from './state';
import { latestAt, torqueAt } from './tightening';
import { type Answers, isToDo } from './to-do';

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
  proved: [],
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
    case 'proved': {
      const { stepId, proof } = content;
      const verdict = judgeProof(proof, byItsMethod(stepId)?.proofs ?? {});
      if (!verdict) return state;
      return note(stepId, ({ proved }) => ({
        proved: [...proved, { proof, verdict, at, by }],
      }));
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
