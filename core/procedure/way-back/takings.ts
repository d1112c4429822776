import type { Timeline } from '../../cloth/replay';
import type { Unit } from '../../cloth/units';
import type { Step } from '../procedure';

/** A step that took units off, and where it stands. */
export interface Taking {
  readonly step: Step;
  readonly index: number;
}

/** The last step that took any of these pieces off, whether the old ones or their replacements are meant. */
export function takingOf(timeline: Timeline, units: readonly Unit[]): Taking | undefined {
  const pieces = new Set(units.map(pieceOf));
  const index = timeline.frames.findLastIndex(({ moves }) =>
    moves.some((move) => move.to === 'cloth' && pieces.has(pieceOf(timeline.units.get(move.unitId)))),
  );
  const frame = timeline.frames[index];
  return frame && { step: frame.step, index };
}

/** The piece a unit is, whatever its generation. */
export function pieceOf(unit: Unit | undefined): string {
  return unit ? `${unit.componentId}/${unit.positionId}/${unit.piece}` : '';
}
