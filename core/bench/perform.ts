import type { Step } from '../model/procedure';
import type { Component } from '../model/series';
import { verbOf } from '../model/verbs';
import { sharesWord } from '../reading/words';
import { Acting, type Surroundings } from './acting';
import type { Now } from './facts';
import { loosen, torque } from './fastening';
import { judgeOpening, makeSafe } from './making-safe';
import type { Move, Notice } from './notices';
import { joinUp, refit, renew } from './refitting';
import { limit, meantBy } from './structure';
import { layOut, take } from './taking';
import { treat } from './treating';
import type { Piece } from './units';

/** What carrying out a step does. */
export interface Outcome {
  readonly moves: readonly Move[];
  readonly notices: readonly Notice[];
}

/** Carries out a step, the `index`th of all: parts in the order it names them. */
export function perform(now: Now, around: Surroundings, step: Step, index: number): Outcome {
  const acting = new Acting(now, around, step, index);
  judgeOpening(acting);
  judgeShaft(acting);
  // Aids put in by a step hold while it acts; those taken out hold until it is done.
  for (const toolId of step.aidsIn ?? []) {
    acting.write('aid', toolId, step.id);
    around.aids.add(toolId);
  }
  for (const { componentId, count } of step.targets) {
    const component = acting.component(componentId);
    if (component) act(acting, component, count);
  }
  for (const toolId of step.aidsOut ?? []) {
    if (acting.read('aid', toolId) === null) acting.note({ kind: 'aid-not-in', toolId });
    acting.write('aid', toolId, null);
  }
  if (step.pose) acting.write('pose', step.pose.componentId, step.pose.lies);
  makeSafe(acting);
  return { moves: acting.moves, notices: acting.notices };
}

function act(acting: Acting, component: Component, count: number | undefined): void {
  const { step, structure } = acting;
  const all = structure.byComponent.get(component.id) ?? [];
  const meant = meantPieces(acting, all);
  if (meant.length === 0 && all.length > 0) {
    acting.note({ kind: 'wrong-places', componentId: component.id, positionIds: step.positionIds });
    return;
  }
  const seat = (piece: Piece) => acting.seat(piece);
  noteTooMany(acting, component, count, meant);
  const some = (pieces: readonly Piece[]) => limit(pieces, count, seat);
  switch (verbOf(step.verb).effect) {
    case 'takes': {
      const home = meant.filter((piece) => acting.isHome(piece));
      notePartly(acting, component, 'takes', meant, home);
      const taken = some(home);
      take(acting, component, taken);
      treat(acting, component, taken);
      return;
    }
    case 'refits': {
      const ready = meant.filter((piece) => acting.isReady(piece));
      notePartly(acting, component, 'refits', meant, ready);
      const fitted = some(ready);
      refit(acting, component, fitted);
      treat(acting, component, fitted);
      return;
    }
    case 'renews':
      renew(
        acting,
        component,
        some(
          meant.filter(
            (piece) => acting.read('generation', piece.id) === 'old' && acting.read('at', piece.id) !== 'bin',
          ),
        ),
      );
      return;
    case 'opens': {
      const inside = meant.flatMap((host) => acting.inside(host));
      if (inside.length === 0) acting.missing(component, 'nothing-in-it');
      for (const piece of inside) layOut(acting, piece);
      return;
    }
    case 'joins':
      joinUp(acting, component, meant);
      return;
    case 'stays':
      stay(acting, component, some(inOrderOfNeed(acting, meant, count)));
  }
}

/** The pieces at the places a step names, by where they sit now; those said to come from elsewhere, by that place. */
function meantPieces(acting: Acting, all: readonly Piece[]): Piece[] {
  const { step, structure } = acting;
  const from = step.fromPositionId;
  if (from) return all.filter((piece) => acting.seat(piece) === from);
  const seated = all.map((piece) => ({ piece, positionId: acting.seat(piece) }));
  return meantBy(step, seated, structure.places).map(({ piece }) => piece);
}

/** "Torque six bolts" means six that are not torqued yet; "loosen two" two that are tight. */
function inOrderOfNeed(acting: Acting, meant: readonly Piece[], count: number | undefined): readonly Piece[] {
  if (count === undefined) return meant;
  const { verb } = acting.step;
  const isDue = (piece: Piece) => {
    const state = acting.read('thread', piece.id);
    if (verb === 'torque') return acting.isHome(piece) && (state === 'by-hand' || state === 'loose');
    return verb === 'loosen' ? state === 'tight' || state === 'torqued' : true;
  };
  return [...meant.filter(isDue), ...meant.filter((piece) => !isDue(piece))];
}

function stay(acting: Acting, component: Component, meant: readonly Piece[]): void {
  const { step } = acting;
  if (step.verb === 'loosen') loosen(acting, component, meant);
  if (step.verb === 'torque') torque(acting, component, meant);
  if (step.verb === 'compress' || step.verb === 'ease') acting.write('tamed', component.id, true);
  const [only, more] = meant;
  if (step.verb === 'mark' && only && !more && acting.read('at', only.id) === 'cloth')
    acting.note({ kind: 'marked-late', componentId: component.id });
  if (LOOKS.includes(step.verb) && meant.length > 0 && meant.every((piece) => isGone(acting, piece)))
    acting.missing(component, 'gone');
  treat(acting, component, meant);
}

const LOOKS: readonly Step['verb'][] = ['inspect', 'measure', 'compare', 'mark', 'align'];

/** In the bin with nothing in its place; or renewed, the new one still lying in the tray. */
function isGone(acting: Acting, piece: Piece): boolean {
  const at = acting.read('at', piece.id);
  return (
    at === 'bin' || (at === 'tray' && acting.step.verb !== 'align' && acting.read('generation', piece.id) === 'new')
  );
}

/** "Fit ten bolts" where there are eight. */
function noteTooMany(acting: Acting, component: Component, count: number | undefined, meant: readonly Piece[]): void {
  const there = Math.min(component.count, meant.length);
  if (count !== undefined && count > there)
    acting.note({ kind: 'too-many', componentId: component.id, said: count, there });
}

/** A step for several positions finds its parts at some of them only. */
function notePartly(
  acting: Acting,
  component: Component,
  what: 'takes' | 'refits',
  meant: readonly Piece[],
  there: readonly Piece[],
): void {
  const found = new Set(there.map((piece) => acting.seat(piece)));
  const bare = new Set(meant.map((piece) => acting.seat(piece)).filter((position) => !found.has(position)));
  const positionIds = [...bare].filter((position) => position !== null);
  if (found.size > 0 && positionIds.length > 0)
    acting.note({ kind: 'partly-there', componentId: component.id, act: what, positionIds });
}

/** A step that needs the shaft somewhere finds it where it was turned to last. */
function judgeShaft(acting: Acting): void {
  const { shaftAt, verb } = acting.step;
  if (!shaftAt || verb === 'turn') return;
  const is = acting.read('shaft', '');
  if (is === null || !sharesWord(is, shaftAt)) acting.note({ kind: 'shaft-elsewhere', wanted: shaftAt, is });
}
