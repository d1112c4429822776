import type { Procedure } from '../model/procedure';
import type { Series } from '../model/series';

type Kits = NonNullable<Procedure['kits']>;

/** How many new pieces are asked for of each component, given the component of each. */
export function piecesNeeded(componentIds: readonly string[]): Map<string, number> {
  const needed = new Map<string, number>();
  for (const id of componentIds) needed.set(id, (needed.get(id) ?? 0) + 1);
  return needed;
}

/** Pieces that the kits laid out for a procedure hold of each component. Kits picked by an answer do not add up. */
export function piecesInKits(series: Series, kits: Kits): Map<string, number> {
  const held = new Map<string, number>();
  for (const { kitId, count, when } of kits) {
    for (const content of series.kits.find((kit) => kit.id === kitId)?.contents ?? []) {
      const there = held.get(content.componentId) ?? 0;
      const more = content.count * count;
      held.set(content.componentId, when ? Math.max(there, more) : there + more);
    }
  }
  return held;
}

/**
 * The fewest of one kit, beside the other kits laid out, that hold all its parts that are needed. One kit may serve two
 * valve sets, so a pump of three needs two. `componentIds` names the component of each new piece asked for.
 */
export function kitsNeeded(series: Series, kits: Kits, kitId: string, componentIds: readonly string[]): number {
  const kit = series.kits.find((candidate) => candidate.id === kitId);
  const others = piecesInKits(
    series,
    kits.filter((choice) => choice.kitId !== kitId),
  );
  const needed = piecesNeeded(componentIds);
  return Math.max(
    0,
    ...(kit?.contents ?? []).map(({ componentId, count }) =>
      Math.ceil(((needed.get(componentId) ?? 0) - (others.get(componentId) ?? 0)) / count),
    ),
  );
}
