import type { Component } from '../model/series';
import { inSi } from '../quantity/quantity';
import type { Acting } from './acting';
import { threadPartners } from './structure';
import { judgeThread } from './treating';
import type { Piece } from './units';

/** Two figures for one thread that are closer than this are one figure rounded twice. */
const SAME_FIGURE = 0.02;

export function loosen(acting: Acting, component: Component, meant: readonly Piece[]): void {
  const fitted = meant.filter((piece) => acting.isHome(piece));
  if (fitted.length === 0 && meant.length > 0) acting.missing(component, 'not-in-pump');
  if (!acting.structure.threaded.has(component.id)) return;
  for (const piece of fitted) {
    acting.write('thread', piece.id, 'loose');
    acting.around.loose.add(piece.id);
  }
}

/** Threads brought to their figure. Of a group of which only some are in, those. */
export function torque(acting: Acting, component: Component, meant: readonly Piece[]): void {
  const { step, structure } = acting;
  const fitted = meant.filter((piece) => acting.isHome(piece));
  if (fitted.length === 0 && meant.length > 0) acting.missing(component, 'not-fitted');
  if (!structure.threaded.has(component.id)) return;
  judgeThread(acting, step.torque, component, fitted);
  noteHeldStillOut(acting, component, fitted);
  const figure = step.torque ? inSi(step.torque.figure) : null;
  for (const piece of fitted) {
    const lock = acting.read('lock', piece.id);
    if (lock && acting.read('thread', piece.id) !== 'tight' && isLocked(acting, lock, piece))
      acting.noteOnce({ kind: 'lock-before-torque', componentId: component.id, lockId: lock });
    const before = acting.read('figure', piece.id);
    if (before !== null && figure !== null && Math.abs(before - figure) > SAME_FIGURE * Math.max(before, figure))
      acting.noteOnce({ kind: 'second-figure', componentId: component.id, first: before, second: figure });
    acting.write('thread', piece.id, 'torqued');
    acting.write('figure', piece.id, figure);
  }
  for (const partner of threadPartners(structure, component))
    for (const piece of structure.byComponent.get(partner.id) ?? [])
      if (acting.isHome(piece) && fitted.some((nut) => acting.meet(acting.seat(nut), acting.seat(piece))))
        acting.write('thread', piece.id, 'torqued');
}

/** A fastener torqued while a part it holds is still out. */
function noteHeldStillOut(acting: Acting, component: Component, fitted: readonly Piece[]): void {
  for (const heldId of acting.structure.holds.get(component.id) ?? []) {
    const held = acting.structure.byComponent.get(heldId) ?? [];
    const out = held.some(
      (piece) => acting.isReady(piece) && fitted.some((other) => acting.meet(acting.seat(other), acting.seat(piece))),
    );
    if (out) acting.noteOnce({ kind: 'torque-early', componentId: component.id, heldId });
  }
}

/** Whether the pin that locks a thread is in again. */
function isLocked(acting: Acting, lockId: string, thread: Piece): boolean {
  return (acting.structure.byComponent.get(lockId) ?? []).some(
    (lock) =>
      acting.meet(acting.seat(lock), acting.seat(thread)) &&
      acting.read('firstOff', lock.id) !== null &&
      acting.isHome(lock),
  );
}
