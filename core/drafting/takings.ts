import { movesOf, type Timeline } from '../bench/replay';
import type { Unit } from '../bench/units';
import type { Step } from '../model/procedure';

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
