import type { Component, Series } from '../model/series';
import { positionSetById } from '../model/series';

export type Place = 'pump' | 'cloth' | 'bin' | 'tray';
export type Generation = 'old' | 'new';

/** One physical piece of a component. An old unit and the new one that replaces it are two units of one piece. */
export interface Unit {
  readonly id: string;
  readonly pieceId: string;
  readonly componentId: string;
  readonly positionId: string | null;
  /** From 1, at its position. */
  readonly piece: number;
  readonly generation: Generation;
}

/** The pieces of a component as the pump holds them, position by position. */
export function unitsOf(series: Series, component: Component, generation: Generation): Unit[] {
  const set = positionSetById(series, component.positionSetId);
  const positions: (string | null)[] = set ? set.positions.map((position) => position.id) : [null];
  return positions.flatMap((positionId) =>
    Array.from({ length: component.count }, (_, i) => {
      const pieceId = `${component.id}/${positionId ?? ''}/${i + 1}`;
      return {
        id: `${pieceId}/${generation}`,
        pieceId,
        componentId: component.id,
        positionId,
        piece: i + 1,
        generation,
      };
    }),
  );
}
