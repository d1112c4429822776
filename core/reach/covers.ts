import { movesOf, type Timeline } from '../bench/replay';
import { isFastener } from '../model/kinds';
import type { Component } from '../model/series';

/** A component at one position of the pump, or in the whole of it. */
export interface Spot {
  readonly componentId: string;
  readonly positionId: string | null;
}

/** Why something is in the way: the series says so, it holds the part, or the order of the take-down suggests it. */
export type CoverReason = 'said' | 'holds' | 'presumed';

export interface InTheWay extends Spot {
  readonly reason: CoverReason;
}

/** What lies over what, as the series says it and as the take-down suggests. */
export class Covers {
  readonly spots: readonly Spot[];
  /** The step that took each spot off first. */
  private readonly firstOff = new Map<string, number>();

  constructor(private readonly timeline: Timeline) {
    const spots = new Map<string, Spot>();
    for (const { componentId, positionId } of timeline.units.values())
      spots.set(spotKey({ componentId, positionId }), { componentId, positionId });
    this.spots = [...spots.values()];
    timeline.frames.forEach((frame, index) => {
      for (const { act, unitId } of movesOf(frame)) {
        const unit = timeline.units.get(unitId);
        const key = unit && spotKey(unit);
        if (key && act === 'out' && !this.firstOff.has(key)) this.firstOff.set(key, index);
      }
    });
  }

  /** What has to be away before this can leave, nearest relations only. */
  over(under: Spot): InTheWay[] {
    const component = this.component(under.componentId);
    if (!component) return [];
    return this.spots.flatMap((spot) => {
      const reason = this.reasonFor(component, under, spot);
      return reason ? [{ ...spot, reason }] : [];
    });
  }

  /** When a spot was first taken off; behind everything when it never was. */
  offAt(spot: Spot): number {
    return this.firstOff.get(spotKey(spot)) ?? Number.POSITIVE_INFINITY;
  }

  /** The components presumed to be in the way of one, only because they came off before it; the nearest first. */
  presumed(componentId: string): string[] {
    const nearest = new Map<string, number>();
    for (const under of this.spots) {
      if (under.componentId !== componentId) continue;
      for (const spot of this.over(under)) {
        if (spot.reason === 'presumed')
          nearest.set(spot.componentId, Math.max(nearest.get(spot.componentId) ?? -1, this.offAt(spot)));
      }
    }
    return [...nearest].sort(([, a], [, b]) => b - a).map(([id]) => id);
  }

  /** The spot of the part that this one sits in. */
  hostOf(spot: Spot): Spot | undefined {
    const hostId = this.component(spot.componentId)?.hostId;
    return this.spots.find((other) => other.componentId === hostId && this.meet(other, spot));
  }

  private reasonFor(component: Component, under: Spot, spot: Spot): CoverReason | undefined {
    if (spot.componentId === component.id || !this.meet(spot, under)) return undefined;
    const said = component.coveredBy?.find((cover) => cover.componentId === spot.componentId)?.said;
    if (said === 'covers') return 'said';
    const fastens = isFastener(this.component(spot.componentId)?.kind ?? 'other');
    if (fastens && component.heldBy?.includes(spot.componentId)) return 'holds';
    // What sits in a part comes away with it and is not in its way unless somebody says so.
    if (said === 'clear' || this.component(spot.componentId)?.hostId === component.id) return undefined;
    const before = this.offAt(spot);
    return before < this.offAt(under) && before < Number.POSITIVE_INFINITY ? 'presumed' : undefined;
  }

  private meet(a: Spot, b: Spot): boolean {
    return this.timeline.structure.places.meet(a.positionId, b.positionId);
  }

  private component(id: string): Component | undefined {
    return this.timeline.structure.components.get(id);
  }
}

export function spotKey({ componentId, positionId }: Spot): string {
  return `${componentId}/${positionId ?? ''}`;
}
