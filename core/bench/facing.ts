import type { Faces } from '../model/faces';
import type { Component, Series } from '../model/series';
import { compareFacings, isBenchDirection, placesInStacks, poseAround } from '../orientation/directions';
import { clockingsClash, sameFacing } from '../orientation/faces';
import { benchDirectionSaid, partsNamed } from '../reading/words';
import type { Acting } from './acting';
import type { Piece } from './units';

/** How a part is said to face as it is fitted, against the series and against what other steps say of it. */
export function judgeFacing(acting: Acting, component: Component, fitted: readonly Piece[]): void {
  const { step, structure, around } = acting;
  const { faces } = step;
  // Which of several parts a facing means nobody can tell.
  if (!faces || step.targets.length > 1) return;
  const expected = component.faces ?? around.facingElsewhere(component.id, step);
  if (!expected) return;
  const { series } = structure;
  const hostId = step.intoId ?? component.hostId;
  const lying = poseAround(hostId, { get: (id) => acting.read('pose', id) ?? undefined }, series);
  const positionIds = [...new Set(fitted.flatMap((piece) => acting.seat(piece) ?? []))];
  const contrary = positionsOf(positionIds).some((ids) => {
    const places = placesInStacks(series, component.id, { positionIds: ids, hostId, into: step.into });
    return (
      trialFitsClash(faces, expected, series) ||
      isContrary(faces, expected, compareFacings(faces, expected, component, places, lying?.pose))
    );
  });
  if (!contrary) return;
  if (lying && isBenchDirection(faces.toward) !== isBenchDirection(expected.toward))
    acting.note({
      kind: 'faces-clash',
      componentId: component.id,
      housingId: lying.housingId,
      pose: lying.pose,
      expected,
    });
  else acting.note({ kind: 'faces-wrong', componentId: component.id, expected });
}

/** Two trial fits that name different parts: where the fitting enters, the plug does not. */
function trialFitsClash({ trialFit: one }: Faces, { trialFit: other }: Faces, { components }: Series): boolean {
  if (!one || !other) return false;
  const [named, expected] = [partsNamed(one, components), partsNamed(other, components)];
  return named.length > 0 && expected.length > 0 && !named.some((part) => expected.includes(part));
}

/** Words beside the facing that say up or down where, as the housing lies, it would be the other way. */
export function judgeFacingWords(acting: Acting, component: Component, fitted: readonly Piece[]): void {
  const { step, structure } = acting;
  const { faces } = step;
  if (!faces?.end || step.targets.length > 1 || isBenchDirection(faces.toward)) return;
  const way = benchDirectionSaid([step.detail, step.text].join('. '), faces.end);
  const hostId = step.intoId ?? component.hostId;
  const lying = way && poseAround(hostId, { get: (id) => acting.read('pose', id) ?? undefined }, structure.series);
  if (!way || !lying) return;
  const positionIds = fitted.flatMap((piece) => acting.seat(piece) ?? []);
  const places = placesInStacks(structure.series, component.id, { positionIds, hostId, into: step.into });
  const said: Faces = { end: faces.end, toward: { is: way } };
  if (compareFacings(said, faces, component, places, lying.pose) === 'contrary')
    acting.note({ kind: 'faces-clash', componentId: component.id, ...lying, expected: faces });
}

/** Each place by itself, since the same part may lie in another stack there. */
function positionsOf(positionIds: readonly string[]): readonly (readonly string[])[] {
  return positionIds.length > 0 ? positionIds.map((id) => [id]) : [[]];
}

/**
 * Two sayings that nothing reconciles are taken for a contradiction, unless one is said of the bench and the other of
 * the pump: without knowing how the housing lies they cannot be compared.
 */
function isContrary(a: Faces, b: Faces, agreement: ReturnType<typeof compareFacings>): boolean {
  if (agreement !== 'unknown') return agreement === 'contrary';
  if (a.toward.is === 'any' || b.toward.is === 'any') return a.toward.is !== 'any';
  if (isBenchDirection(a.toward) !== isBenchDirection(b.toward)) return false;
  return !sameFacing(a, b) || clockingsClash(a.clocking, b.clocking);
}

/** A part of a stack that goes in after one that lies over it. */
export function noteStackOrder(acting: Acting, component: Component, piece: Piece): void {
  const { structure, step } = acting;
  const seat = acting.seat(piece);
  const where = { positionIds: seat ? [seat] : [], hostId: step.intoId ?? component.hostId, into: step.into };
  const places = placesInStacks(structure.series, component.id, where);
  // In two stacks that nothing tells apart nobody can say what lies over what.
  if (places.length !== 1) return;
  for (const { stack } of places) {
    const due = layerDue(acting, stack.layers, component.id, seat);
    if (due === undefined) continue;
    for (let above = due + 1; above < stack.layers.length; above += 1) {
      const overId = stack.layers[above]?.componentId;
      if (!overId || overId === component.id) continue;
      const filled = layerDue(acting, stack.layers, overId, seat);
      // A layer above is filled when the next one due of its part lies higher still.
      if (!wasOffAndIsHome(acting, overId, seat) || (filled !== undefined && filled <= above)) continue;
      acting.noteOnce({ kind: 'stack-order', componentId: component.id, overId, stackId: stack.id });
      return;
    }
  }
}

/** The layer that the next piece of a part goes into, counted from the bottom; undefined when all are full. */
function layerDue(
  acting: Acting,
  layers: readonly { componentId: string; count: number }[],
  componentId: string,
  seat: string | null,
): number | undefined {
  let home = (acting.structure.byComponent.get(componentId) ?? []).filter(
    (piece) => acting.meet(acting.seat(piece), seat) && acting.isHome(piece),
  ).length;
  for (const [i, layer] of layers.entries()) {
    if (layer.componentId !== componentId) continue;
    if (home < layer.count) return i;
    home -= layer.count;
  }
  return undefined;
}

function wasOffAndIsHome(acting: Acting, componentId: string, seat: string | null): boolean {
  return (acting.structure.byComponent.get(componentId) ?? []).some(
    (piece) =>
      acting.meet(acting.seat(piece), seat) && acting.read('firstOff', piece.id) !== null && acting.isHome(piece),
  );
}
