import { movesOf, type Timeline } from '../bench/replay';
import type { Unit } from '../bench/units';
import type { Condition, Procedure, Step } from '../model/procedure';
import { verbOf } from '../model/verbs';

/** A step that took units off, and where it stands. */
export interface Taking {
  readonly step: Step;
  readonly index: number;
}

/** The last step that took any of these pieces off, whether the old ones or their replacements are meant. */
export function takingOf(timeline: Timeline, units: readonly Unit[]): Taking | undefined {
  const pieces = new Set(units.map((unit) => unit.pieceId));
  const index = timeline.frames.findLastIndex((frame) =>
    movesOf(frame).some((move) => move.act === 'out' && pieces.has(timeline.units.get(move.unitId)?.pieceId ?? '')),
  );
  const frame = timeline.frames[index];
  return frame && { step: frame.step, index };
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
  const pieces = new Set(units.map((unit) => unit.pieceId));
  const touches = (frame: Timeline['frames'][number], act: 'out' | 'home') =>
    movesOf(frame).some((move) => move.act === act && pieces.has(timeline.units.get(move.unitId)?.pieceId ?? ''));
  const since = timeline.frames.findLastIndex((frame) => touches(frame, 'home')) + 1;
  const takings = timeline.frames
    .slice(since)
    .flatMap((frame) => (verbOf(frame.step.verb).effect !== 'renews' && touches(frame, 'out') ? [frame.step] : []));
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
