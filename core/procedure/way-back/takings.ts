import { movesOf, type Timeline } from '../../cloth/replay';
import type { Unit } from '../../cloth/units';
import type { Step } from '../procedure';

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
