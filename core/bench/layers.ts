import type { Component } from '../model/series';
import type { BenchState, Notice } from './bench-state';
import type { Structure } from './structure';
import type { Unit } from './units';

interface OffPiece {
  readonly pieceId: string;
  readonly offAt: number;
}

/**
 * What lies over what. Nobody draws a model first: whatever came off before a part, at the same position or for the
 * whole pump, is presumed to be in its way, unless the series strikes that out or confirms it.
 */
export class Layers {
  /** Pieces that are off now, in the order they came off last. */
  private away: OffPiece[];
  /** When each piece came off first. */
  private readonly firstOff: Map<string, number>;

  constructor(
    private readonly structure: Structure,
    from?: Layers,
  ) {
    this.away = [...(from?.away ?? [])];
    this.firstOff = new Map(from?.firstOff);
  }

  off(pieceId: string, index: number): void {
    this.forget(pieceId);
    this.away.push({ pieceId, offAt: index });
    if (!this.firstOff.has(pieceId)) this.firstOff.set(pieceId, index);
  }

  /** What came off last goes back first; what never came off comes first of all. */
  lastOffFirst(units: readonly Unit[]): Unit[] {
    const rank = (unit: Unit) => this.away.findIndex(({ pieceId }) => pieceId === unit.pieceId);
    return [...units].sort((a, b) => rank(b) - rank(a));
  }

  /** What is closed over when a unit goes home; `hostPiece` is the host it goes into, null for the pump. */
  home(unit: Unit, hostPiece: string | null): Notice[] {
    const offAt = this.forget(unit.pieceId);
    if (offAt === undefined) return [];
    const sure = this.structure.covers.get(unit.componentId);
    const notices: Notice[] = [];
    for (let i = this.away.length - 1; i >= 0; i -= 1) {
      const under = this.away[i];
      if (!under || (under.offAt <= offAt && !sure)) break;
      const piece = this.pieceOf(under.pieceId);
      if (!piece || piece.componentId === unit.componentId || !samePosition(piece, unit)) continue;
      if (hostPiece !== null && this.structure.hostOf.get(under.pieceId) !== hostPiece) continue;
      const said = this.said(piece.componentId, unit.componentId);
      if (said === 'clear' || (under.offAt <= offAt && said !== 'covers')) continue;
      notices.push({
        kind: 'buried',
        componentId: unit.componentId,
        underPieceId: under.pieceId,
        sure: said === 'covers',
      });
    }
    return notices;
  }

  /** What is still in the way of these units when they are taken out of the pump. */
  inTheWay(component: Component, units: readonly Unit[], state: Pick<BenchState, 'places'>): Notice[] {
    const notices = new Map<string, Notice>();
    const note = (byComponentId: string, sure: boolean) =>
      notices.set(byComponentId, { kind: 'covered', componentId: component.id, byComponentId, sure });
    for (const unit of units) {
      for (const { componentId, said } of component.coveredBy ?? []) {
        if (said !== 'covers') continue;
        const there = (this.structure.byComponent.get(componentId) ?? []).some(
          (over) => state.places.get(over.id) === 'pump' && samePosition(over, unit),
        );
        if (there) note(componentId, true);
      }
      const before = this.firstOff.get(unit.pieceId);
      if (before === undefined) continue;
      for (const [pieceId, offAt] of this.firstOff) {
        const over = this.pieceOf(pieceId);
        if (offAt >= before || !over || over.componentId === component.id || !samePosition(over, unit)) continue;
        const { old, new: fresh } = this.structure.byPiece.get(pieceId) ?? {};
        const inPump = [old, fresh].some((u) => u && state.places.get(u.id) === 'pump');
        if (inPump && this.said(component.id, over.componentId) === undefined) note(over.componentId, false);
      }
    }
    return [...notices.values()];
  }

  private said(underId: string, overId: string) {
    return this.structure.components.get(underId)?.coveredBy?.find((cover) => cover.componentId === overId)?.said;
  }

  private pieceOf(pieceId: string): Unit | undefined {
    const { old, new: fresh } = this.structure.byPiece.get(pieceId) ?? {};
    return old ?? fresh;
  }

  private forget(pieceId: string): number | undefined {
    // Most pieces were never off, and those that were off last go home first.
    if (!this.firstOff.has(pieceId)) return undefined;
    const at = this.away.findLastIndex((piece) => piece.pieceId === pieceId);
    return at < 0 ? undefined : this.away.splice(at, 1)[0]?.offAt;
  }
}

/** What belongs to the whole pump is in the way of every position. */
export function samePosition(a: { positionId: string | null }, b: { positionId: string | null }): boolean {
  return a.positionId === null || b.positionId === null || a.positionId === b.positionId;
}
