import type { Series } from '../model/series';

/**
 * Which places of a series belong together. A place may be, or lie in, one of another position set: the inlet of
 * chamber 1 is in chamber 1, a bolt hole is at the left end. What belongs to the whole pump meets every place.
 */
export class Places {
  private readonly around = new Map<string, ReadonlySet<string>>();

  constructor(series: Series) {
    const positions = series.positionSets.flatMap((set) => set.positions);
    const byId = new Map(positions.map((position) => [position.id, position]));
    for (const { id } of positions) {
      const reached = new Set<string>();
      const open = [id];
      for (let next = open.pop(); next !== undefined; next = open.pop()) {
        if (reached.has(next)) continue;
        reached.add(next);
        open.push(...(byId.get(next)?.within ?? []));
      }
      this.around.set(id, reached);
    }
  }

  /** Whether what is at one place can touch what is at the other. */
  meet(a: string | null, b: string | null): boolean {
    if (a === null || b === null || a === b) return true;
    return (this.around.get(a)?.has(b) ?? false) || (this.around.get(b)?.has(a) ?? false);
  }
}
