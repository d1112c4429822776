import { positionSetById } from '../model/lookup';
import type { Component, Series } from '../model/series';

export type Place = 'pump' | 'cloth' | 'bin' | 'tray';
export type Generation = 'old' | 'new';

/** A place in the pump for one physical part: component, position, number. The part there may be renewed. */
export interface Piece {
  readonly id: string;
  readonly componentId: string;
  readonly positionId: string | null;
  /** From 1, at its position. */
  readonly number: number;
}

/** One physical part. An old unit and the new one that replaces it are two units of one piece. */
export interface Unit {
  readonly id: string;
  readonly pieceId: string;
  readonly componentId: string;
  readonly positionId: string | null;
  readonly generation: Generation;
}

/** The pieces of a component as the pump holds them, position by position. */
export function piecesOf(series: Series, component: Component): Piece[] {
  const set = positionSetById(series, component.positionSetId);
  const positions: (string | null)[] = set ? set.positions.map((position) => position.id) : [null];
  return positions.flatMap((positionId) =>
    Array.from({ length: component.count }, (_, i) => ({
      id: `${component.id}/${positionId ?? ''}/${i + 1}`,
      componentId: component.id,
      positionId,
      number: i + 1,
    })),
  );
}

export function unitOf(piece: Piece, generation: Generation): Unit {
  const { id, componentId, positionId } = piece;
  return { id: `${id}/${generation}`, pieceId: id, componentId, positionId, generation };
}
