import { movesOf, type Timeline } from './replay';

/** Where parts go in the course of a procedure; all are indices of steps. */
export interface Journey {
  /** Where they come off or out of what they sit in. */
  readonly off: readonly number[];
  /** Where they, or the new ones in their place, go back. */
  readonly back: readonly number[];
  /** Where the old ones are thrown away. */
  readonly binned: readonly number[];
  /** Every other step that names them. */
  readonly touched: readonly number[];
}

/** The journey of some units of one component, whatever their generation. */
export function journeyOf(timeline: Timeline, componentId: string, unitIds: readonly string[]): Journey {
  const pieces = new Set(unitIds.map((id) => timeline.units.get(id)?.pieceId));
  const positions = new Set(unitIds.map((id) => timeline.units.get(id)?.positionId ?? null));
  const off: number[] = [];
  const back: number[] = [];
  const binned: number[] = [];
  const touched: number[] = [];
  timeline.frames.forEach((frame, index) => {
    const acts = new Set(
      movesOf(frame).flatMap(({ act, unitId }) => (pieces.has(timeline.units.get(unitId)?.pieceId) ? [act] : [])),
    );
    if (acts.has('out')) off.push(index);
    if (acts.has('binned')) binned.push(index);
    if (acts.has('home')) back.push(index);
    const { targets, positionIds } = frame.step;
    const there = positionIds.length === 0 || positionIds.some((id) => positions.has(id)) || positions.has(null);
    const named = there && targets.some((target) => target.componentId === componentId);
    if (named && !acts.has('out') && !acts.has('home') && !acts.has('binned')) touched.push(index);
  });
  return { off, back, binned, touched };
}
