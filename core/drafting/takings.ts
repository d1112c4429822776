import { movesOf, type Timeline } from '../bench/replay';
import type { Unit } from '../bench/units';
import type { Condition, Procedure, Step } from '../model/procedure';
import { verbOf } from '../model/verbs';
import { type Course, courseOf } from './course';

/** A step that took units off, and where it stands. */
export interface Taking {
  readonly step: Step;
  readonly index: number;
}

/** The last step that took any of these pieces off, whether the old ones or their replacements are meant. */
export function takingOf(timeline: Timeline, units: readonly Unit[]): Taking | undefined {
  const course = courseOf(timeline);
  const index = Math.max(-1, ...units.map(({ pieceId }) => lastTaken(course, pieceId)));
  const frame = timeline.frames[index];
  return frame && { step: frame.step, index };
}

function lastTaken(course: Course, pieceId: string): number {
  return course.movesOfPiece(pieceId).findLast(({ act }) => act === 'out')?.index ?? -1;
}

/** The index of the last step that took each piece off. */
export function lastTakenAt(timeline: Timeline): ReadonlyMap<string, number> {
  const taken = new Map<string, number>();
  timeline.frames.forEach((frame, index) => {
    for (const { act, unitId } of movesOf(frame)) {
      const pieceId = act === 'out' ? timeline.units.get(unitId)?.pieceId : undefined;
      if (pieceId !== undefined) taken.set(pieceId, index);
    }
  });
  return taken;
}

/**
 * On which answers these pieces have to go back: on those on which they came off, and always where they came off on all
 * of them, by one step for each answer.
 */
export function whenBack(
  timeline: Timeline,
  { steps }: Procedure,
  units: readonly Unit[],
): readonly Condition[] | undefined {
  const course = courseOf(timeline);
  const moves = units.flatMap(({ pieceId }) => course.movesOfPiece(pieceId));
  const since = Math.max(-1, ...moves.map(({ act, index }) => (act === 'home' ? index : -1)));
  const outs = moves.flatMap(({ act, index }) => (act === 'out' && index > since ? [index] : []));
  const takings = [...new Set(outs)]
    .sort((a, b) => a - b)
    .flatMap((index) => timeline.frames[index]?.step ?? [])
    .filter(({ verb }) => verbOf(verb).effect !== 'renews');
  const last = takings.at(-1)?.when;
  if (takings.length === 0) return takingOf(timeline, units)?.step.when;
  if (takings.some(({ when }) => when === undefined)) return undefined;
  const stepId = last?.[0]?.stepId;
  const conditions = takings.flatMap(({ when = [] }) => when);
  if (takings.length < 2 || stepId === undefined || takings.some(({ when }) => when?.length !== 1)) return last;
  if (conditions.some((condition) => condition.stepId !== stepId)) return last;
  const answerIds = [...new Set(conditions.flatMap((condition) => condition.answerIds))];
  const asked = steps.find(({ id }) => id === stepId)?.decision?.answers ?? [];
  return asked.every(({ id }) => answerIds.includes(id)) ? undefined : [{ stepId, answerIds }];
}
