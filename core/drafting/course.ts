import { movesOf, type Timeline } from '../bench/replay';

/** What becomes of the pieces in the course of a procedure, by piece, so that nobody looks through all of it for each. */
export interface Course {
  /** When a piece comes out and goes home, in order. */
  movesOfPiece(pieceId: string): readonly PieceMove[];
  /** Behind which step all is home and tight that came off after the step at `index`; 0 where nothing did. */
  closedBehind(index: number): number;
}

export interface PieceMove {
  readonly index: number;
  readonly act: 'out' | 'home';
}

const known = new WeakMap<Timeline, Course>();

/** Looked through once for each version of a timeline. */
export function courseOf(timeline: Timeline): Course {
  const there = known.get(timeline);
  if (there) return there;
  const course = lookedThrough(timeline);
  known.set(timeline, course);
  return course;
}

function lookedThrough({ frames, units }: Timeline): Course {
  const byPiece = new Map<string, PieceMove[]>();
  const lastOut = new Map<string, number>();
  // Behind which step what came off at an index is home or tight again.
  const closed = new Array<number>(frames.length + 1).fill(0);
  const close = (componentId: string, index: number) => {
    const out = lastOut.get(componentId);
    if (out !== undefined) closed[out] = Math.max(closed[out] ?? 0, index + 1);
  };
  frames.forEach((frame, index) => {
    for (const { act, unitId } of movesOf(frame)) {
      const unit = units.get(unitId);
      if (!unit || (act !== 'out' && act !== 'home')) continue;
      const moves = byPiece.get(unit.pieceId);
      if (moves) moves.push({ index, act });
      else byPiece.set(unit.pieceId, [{ index, act }]);
      if (act === 'out') lastOut.set(unit.componentId, index);
      else close(unit.componentId, index);
    }
    if (frame.step.verb === 'torque') for (const { componentId } of frame.step.targets) close(componentId, index);
  });
  for (let index = frames.length - 1; index >= 0; index -= 1)
    closed[index] = Math.max(closed[index] ?? 0, closed[index + 1] ?? 0);
  return {
    movesOfPiece: (pieceId) => byPiece.get(pieceId) ?? [],
    closedBehind: (index) => closed[index + 1] ?? 0,
  };
}
