import type { Timeline } from '../bench/replay';
import type { Procedure } from '../model/procedure';
import type { Series } from '../model/series';

/** New pieces a procedure asks for of each component, on the way that asks for most. */
export function piecesNeeded(timeline: Timeline): Map<string, number> {
  const needed = new Map<string, number>();
  for (const unit of timeline.units.values()) {
    if (unit.generation === 'new') needed.set(unit.componentId, (needed.get(unit.componentId) ?? 0) + 1);
  }
  return needed;
}

/** Pieces that the kits laid out for a procedure hold of each component. */
export function piecesInKits(series: Series, procedure: Procedure): Map<string, number> {
  const held = new Map<string, number>();
  for (const { kitId, count } of procedure.kits ?? []) {
    for (const content of series.kits.find((kit) => kit.id === kitId)?.contents ?? []) {
      held.set(content.componentId, (held.get(content.componentId) ?? 0) + content.count * count);
    }
  }
  return held;
}

/**
 * The fewest of one kit, beside the other kits laid out, that hold all its parts that are needed. One kit may serve two
 * valve sets, so a pump of three needs two.
 */
export function kitsNeeded(series: Series, procedure: Procedure, kitId: string, timeline: Timeline): number {
  const kit = series.kits.find((candidate) => candidate.id === kitId);
  const others = piecesInKits(series, {
    ...procedure,
    kits: (procedure.kits ?? []).filter((choice) => choice.kitId !== kitId),
  });
  const needed = piecesNeeded(timeline);
  return Math.max(
    0,
    ...(kit?.contents ?? []).map(({ componentId, count }) =>
      Math.ceil(((needed.get(componentId) ?? 0) - (others.get(componentId) ?? 0)) / count),
    ),
  );
}
