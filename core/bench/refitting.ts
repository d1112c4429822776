import type { Component } from '../model/series';
import { saysByHand, staysByHand } from '../reading/words';
import type { Acting } from './acting';
import { judgeFacing, judgeFacingWords, noteStackOrder } from './facing';
import { hostAt, turnedBy } from './structure';
import { layOut } from './taking';
import { judgeSeal, soakedEnough } from './treating';
import type { Piece } from './units';

/** Pieces put back where they belong, or where the step says. */
export function refit(acting: Acting, component: Component, fitted: readonly Piece[]): void {
  const { step } = acting;
  if (fitted.length === 0) {
    acting.missing(component, 'not-out');
    return;
  }
  judgeFacing(acting, component, fitted);
  judgeFacingWords(acting, component, fitted);
  judgeSeal(acting, component, fitted);
  soakedEnough(acting, component, fitted);
  const to = step.fromPositionId ? step.positionIds[0] : undefined;
  for (const piece of fitted) {
    if (to && piece.positionId) {
      if (component.matched && to !== piece.positionId)
        acting.note({ kind: 'swapped', componentId: component.id, fromPositionId: piece.positionId, toPositionId: to });
      acting.write('seat', piece.id, to);
    }
    const cut = acting.read('cut', piece.id);
    // What lay on the bench from the start comes from the shelf, and is new.
    const wasFitted = acting.read('firstOff', piece.id) !== null;
    const worn =
      acting.read('generation', piece.id) === 'old' && ((component.renewal === 'always' && wasFitted) || cut);
    if (worn) acting.noteOnce({ kind: 'reused', componentId: component.id, cut });
    noteStackOrder(acting, component, piece);
    putHome(acting, piece);
    if (step.faces) acting.write('facing', piece.id, step.faces);
    if (acting.structure.threaded.has(component.id)) {
      // A line that is connected is tightened with it, and so is what is turned in with a wrench and has no figure.
      const isTight =
        step.verb === 'connect' ||
        (staysByHand(component.name) && saysByHand(step.detail)) ||
        (acting.structure.screwed.has(component.id) && turnedBy(step, acting.structure.series));
      acting.write('thread', piece.id, isTight ? 'tight' : 'by-hand');
      acting.write('figure', piece.id, null);
      acting.around.loose.add(piece.id);
    }
  }
  noteLockEarly(acting, component, fitted);
  noteHoles(acting, component);
}

/** Into its host where that lies, or into the pump. */
export function putHome(acting: Acting, piece: Piece): void {
  const { step } = acting;
  const from = acting.placeOf(piece);
  const unit = acting.unit(piece);
  const host = hostFor(acting, piece, step.intoId);
  if (host !== acting.read('host', piece.id)) acting.write('host', piece.id, host);
  noteClosedOver(acting, piece, host);
  acting.write('at', piece.id, 'home');
  acting.write('offAt', piece.id, null);
  acting.move(piece, unit, 'home', from, acting.placeOf(piece));
}

/** The piece it goes into: of the part that the step names, or of its own host, at the place where it is fitted. */
function hostFor(acting: Acting, piece: Piece, intoId: string | undefined): string | null {
  const component = acting.component(piece.componentId);
  const seat = acting.seat(piece);
  const wanted = intoId ?? (component && seat !== piece.positionId ? hostAt(component, seat) : undefined);
  if (!wanted) return acting.structure.hostOf.get(piece.id) ?? null;
  const hosts = acting.structure.byComponent.get(wanted) ?? [];
  return (hosts.find((host) => acting.meet(acting.seat(host), seat)) ?? hosts[0])?.id ?? null;
}

/** What is closed over when a piece goes home: what came off after it and is still out. */
function noteClosedOver(acting: Acting, piece: Piece, host: string | null): void {
  const { structure, around } = acting;
  const offAt = acting.read('offAt', piece.id);
  if (offAt === null) return;
  const covering = structure.covers.get(piece.componentId);
  const hostOut = host !== null && !acting.isInPump(acting.piece(host) ?? piece);
  const seat = acting.seat(piece);
  for (const [id, latest] of around.away.latestFirst()) {
    if (latest <= offAt && !covering) break;
    const under = acting.piece(id);
    if (!under || under.componentId === piece.componentId) continue;
    const underAt = acting.read('offAt', id);
    if (underAt === null || !acting.meet(acting.seat(under), seat)) continue;
    const sure = covering?.has(under.componentId) ?? false;
    const said = structure.components
      .get(under.componentId)
      ?.coveredBy?.find((c) => c.componentId === piece.componentId)?.said;
    if (said === 'clear' || (underAt <= offAt && !sure)) continue;
    // What came off later lies underneath only where both came off at the same place.
    if (!sure && !acting.meet(under.positionId, piece.positionId)) continue;
    const underHost = acting.read('host', under.id);
    const inIt = underHost === piece.id;
    // Into a host on the bench it closes over what sits in that host only.
    if (hostOut && underHost !== host && !inIt) continue;
    // What belongs in a part that is itself out is not reached from here.
    const underHostPiece = underHost === null ? undefined : acting.piece(underHost);
    if (!inIt && underHost !== host && underHostPiece && !acting.isHome(underHostPiece)) continue;
    acting.note({
      kind: 'buried',
      componentId: piece.componentId,
      underPieceId: under.id,
      sure: sure || inIt,
      takenAt: offAt,
      segment: acting.read('segment', under.id) === acting.read('segment', piece.id),
    });
  }
}

/** The old piece is binned. One still in place is replaced on the spot; otherwise the new one waits in the tray. */
export function renew(acting: Acting, component: Component, old: readonly Piece[]): void {
  const { structure } = acting;
  if (old.length === 0) {
    acting.missing(component, 'already-renewed');
    return;
  }
  for (const piece of old) {
    const unit = acting.unit(piece);
    const from = acting.placeOf(piece);
    const wasHome = acting.isHome(piece);
    for (const content of acting.inside(piece)) {
      if (structure.comesWith.has(content.id)) {
        acting.move(content, acting.unit(content), 'binned', from, 'bin');
        becomeNew(acting, content);
      } else layOut(acting, content);
    }
    const fresh = structure.kit.has(piece.id);
    acting.moves.push({
      unitId: unit.id,
      act: 'binned',
      from,
      to: 'bin',
      cell: acting.around.cells.of(unit.id)?.number ?? null,
    });
    if (!fresh) {
      acting.write('at', piece.id, 'bin');
      continue;
    }
    becomeNew(acting, piece);
    acting.write('at', piece.id, 'tray');
    if (wasHome) putHome(acting, piece);
  }
}

/** The replacement bears none of the marks of what it replaces; what soaks already is the new one. */
function becomeNew(acting: Acting, { id }: Piece): void {
  acting.write('generation', id, 'new');
  for (const mark of ['marked', 'cleaned', 'cut', 'lubricated'] as const) acting.write(mark, id, false);
  acting.write('applied', id, []);
}

/** Puts in again what belongs in these hosts, the last out first. */
export function joinUp(acting: Acting, component: Component, hosts: readonly Piece[]): void {
  const ready = hosts
    .filter((host) => acting.read('at', host.id) !== 'bin')
    .flatMap((host) => acting.contents(host))
    .filter((piece) => acting.isReady(piece));
  if (ready.length === 0) acting.missing(component, 'not-out');
  const order = acting.around.away.ids();
  const off = new Map(ready.map((piece) => [piece, acting.read('offAt', piece.id) ?? -1]));
  const lastOutFirst = (a: Piece, b: Piece) =>
    (off.get(b) ?? -1) - (off.get(a) ?? -1) || order.indexOf(b.id) - order.indexOf(a.id);
  for (const piece of [...off.keys()].sort(lastOutFirst)) putHome(acting, piece);
}

/** A pin that goes in while the thread it locks still has to be torqued. */
function noteLockEarly(acting: Acting, component: Component, fitted: readonly Piece[]): void {
  for (const id of acting.around.loose) {
    const thread = acting.piece(id);
    if (!thread || acting.read('lock', id) !== component.id || !acting.isHome(thread)) continue;
    const state = acting.read('thread', id);
    if (state !== 'by-hand' && state !== 'loose') continue;
    if (fitted.some((piece) => acting.meet(acting.seat(piece), acting.seat(thread))))
      acting.noteOnce({ kind: 'lock-early', componentId: component.id, fastenerId: thread.componentId });
  }
}

/** Guide pins stand in holes of the bolts they keep in line: not all of these can be in while the pins are. */
function noteHoles(acting: Acting, component: Component): void {
  const { around, structure } = acting;
  if (around.aids.size === 0 || component.count < 4 || !structure.threaded.has(component.id)) return;
  for (const toolId of around.aids) {
    const used = holesUsed(acting, toolId);
    if (used === 0) continue;
    const full = (structure.byComponent.get(component.id) ?? []).every((piece) => acting.isHome(piece));
    if (full)
      acting.noteOnce({ kind: 'hole-occupied', componentId: component.id, toolId, free: component.count - used, used });
  }
}

/** How many holes an aid stands in now; none for what needs no hole. */
function holesUsed(acting: Acting, toolId: string): number {
  const { aidHoles } = acting.around;
  return acting.read('aid', toolId) === null ? 0 : (aidHoles.get(toolId) ?? 0);
}
