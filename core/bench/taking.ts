import { closesOver, isLock } from '../model/kinds';
import type { Component } from '../model/series';
import type { Acting } from './acting';
import type { Piece } from './units';

/** Pieces laid out on the cloth. */
export function take(acting: Acting, component: Component, taken: readonly Piece[]): void {
  const { step } = acting;
  if (taken.length === 0) {
    acting.missing(component, 'not-in-pump');
    return;
  }
  const fromPump = taken.filter((piece) => acting.isInPump(piece));
  noteInTheWay(acting, component, fromPump);
  for (const fastenerId of component.heldBy ?? []) {
    if (step.targets.some(({ componentId }) => componentId === fastenerId)) continue;
    const grips = taken.map((piece) => gripOn(acting, fastenerId, piece));
    if (grips.includes('tight')) acting.note({ kind: 'still-tight', componentId: component.id, fastenerId });
    else if (grips.includes('loose')) acting.note({ kind: 'still-held', componentId: component.id, fastenerId });
  }
  const controlled = [component.id, ...(component.heldBy ?? [])].some((id) => acting.read('tamed', id));
  if (component.springLoaded && !controlled) acting.note({ kind: 'spring-release', componentId: component.id });
  const several = (acting.structure.byComponent.get(component.id)?.length ?? 0) > 1;
  if (component.matched && several && taken.some(({ id }) => !acting.read('marked', id)))
    acting.note({ kind: 'unmarked', componentId: component.id });
  noteRole(acting, component, taken);
  for (const piece of taken) layOut(acting, piece);
}

/** Off and onto the cloth, with all that sits in it. */
export function layOut(acting: Acting, piece: Piece): void {
  const { index, around, step } = acting;
  const from = acting.placeOf(piece);
  const unit = acting.unit(piece);
  acting.write('offAt', piece.id, index);
  acting.write('segment', piece.id, acting.read('opening', ''));
  if (acting.read('firstOff', piece.id) === null) acting.write('firstOff', piece.id, index);
  if (!around.takenFirst.has(piece.id)) around.takenFirst.set(piece.id, index);
  around.away.add(piece.id, index);
  around.cells.reserve(step, unit);
  acting.write('at', piece.id, 'cloth');
  acting.move(piece, unit, 'out', from, 'cloth');
}

/** How the threads of a component still hold a piece, if any is on there; those in the piece itself come off with it. */
function gripOn(acting: Acting, fastenerId: string, held: Piece): 'tight' | 'loose' | undefined {
  const on = (acting.structure.byComponent.get(fastenerId) ?? []).filter(
    (piece) => acting.meet(acting.seat(piece), acting.seat(held)) && isTogether(acting, piece, held),
  );
  const isTight = ({ id }: Piece) => ['tight', 'torqued'].includes(acting.read('thread', id));
  if (on.some(isTight)) return 'tight';
  return on.some((piece) => acting.read('host', piece.id) !== held.id) ? 'loose' : undefined;
}

/** Both in the pump, or both in the same part that lies on the bench. */
function isTogether(acting: Acting, a: Piece, b: Piece): boolean {
  if (!acting.isHome(a) || !acting.isHome(b)) return false;
  return acting.isInPump(a) ? acting.isInPump(b) : acting.read('host', a.id) === acting.read('host', b.id);
}

/** What is still in the way of these pieces: what the series says covers them, or what came off before them once. */
function noteInTheWay(acting: Acting, component: Component, pieces: readonly Piece[]): void {
  const inStep = new Set(acting.step.targets.map(({ componentId }) => componentId));
  const found = new Map<string, boolean>();
  for (const piece of pieces) {
    const at = acting.seat(piece);
    for (const { componentId, said } of component.coveredBy ?? []) {
      if (said !== 'covers' || inStep.has(componentId)) continue;
      const over = acting.structure.byComponent.get(componentId) ?? [];
      if (over.some((other) => acting.meet(acting.seat(other), at) && acting.isInPump(other)))
        found.set(componentId, true);
    }
    const before = acting.read('firstOff', piece.id);
    if (before === null) continue;
    for (const [id, first] of acting.around.takenFirst) {
      if (first >= before) break;
      const other = acting.piece(id);
      if (!other || other.componentId === component.id || inStep.has(other.componentId)) continue;
      if (found.has(other.componentId) || !acting.meet(acting.seat(other), at) || !acting.isInPump(other)) continue;
      const off = acting.read('firstOff', id);
      if (off === null || off >= before) continue;
      const said = component.coveredBy?.some((cover) => cover.componentId === other.componentId);
      if (!said) found.set(other.componentId, false);
    }
  }
  for (const [byComponentId, sure] of found)
    acting.note({ kind: 'covered', componentId: component.id, byComponentId, sure });
}

/** A lock that comes off right before a thread locks it; a fastener or cover begins a new layer of the pump. */
function noteRole(acting: Acting, component: Component, taken: readonly Piece[]): void {
  const threaded = acting.structure.threaded.has(component.id);
  const last = acting.read('lastTaken', '');
  if (threaded && last?.role === 'lock') for (const piece of taken) acting.write('lock', piece.id, last.componentId);
  // Fasteners and what they hold come off together, and so does what lies under it.
  if ((closesOver(component.kind) || threaded) && last?.role !== 'fastener')
    acting.write('opening', '', acting.read('opening', '') + 1);
  const role = isLock(component.kind) ? 'lock' : threaded ? 'fastener' : 'other';
  acting.write('lastTaken', '', { role, componentId: component.id });
}
