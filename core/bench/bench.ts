import { isFastener } from '../model/kinds';
import { type Step, UNSAID_MINUTES } from '../model/procedure';
import type { Component } from '../model/series';
import { opensPump, verbOf } from '../model/verbs';
import { compareFacings, poseAround } from '../orientation/directions';
import { facingsClash } from '../orientation/faces';
import { groupKey, type Mark, type Move, type Notice } from './bench-state';
import { BenchTreatments } from './bench-treatments';
import type { Cells } from './cells';
import { limit } from './structure';
import type { Unit } from './units';

/** What carrying out a step does. */
export interface Outcome {
  readonly moves: readonly Move[];
  readonly notices: readonly Notice[];
}

const MARKED_BY: Partial<Record<Step['verb'], Mark>> = {
  mark: 'marked',
  clean: 'cleaned',
  inspect: 'inspected',
  compare: 'inspected',
  measure: 'measured',
  lubricate: 'lubricated',
  'apply-compound': 'compound',
  soak: 'soaked',
  cut: 'cut',
  align: 'aligned',
};

/** The working state that operations act on: an operation applies to it and yields moves and notices. */
export class Bench extends BenchTreatments {
  /** Whether anything was opened yet; the safety of opening is judged once. */
  private opened = false;

  copy(cells: Cells = this.cells): Bench {
    const copy = new Bench(this.structure, cells, this);
    copy.opened = this.opened;
    return copy;
  }

  /** Carries out a step, the `index`th of all. */
  perform(step: Step, index: number): Outcome {
    this.moves = [];
    this.notices = [];
    this.judgeOpening(step);
    // Aids put in by a step hold while it acts; those taken out hold until it is done.
    for (const toolId of step.aidsIn ?? []) this.aids.set(toolId, step);
    for (const { componentId, count } of step.targets) {
      const component = this.structure.components.get(componentId);
      if (component) this.act(step, component, count, index);
    }
    this.handle(step);
    this.clock += step.minutes ?? UNSAID_MINUTES;
    return { moves: this.moves, notices: this.notices };
  }

  private act(step: Step, component: Component, count: number | undefined, index: number): void {
    const units = this.structure.byComponent.get(component.id) ?? [];
    const meant = this.meant(step, units);
    switch (verbOf(step.verb).effect) {
      case 'takes': {
        const fitted = meant.filter((unit) => this.isFitted(unit));
        this.judgePositions(component, 'takes', meant, fitted);
        this.take(step, component, limit(fitted, count), index);
        break;
      }
      case 'refits': {
        const ready = meant.filter((unit) => this.isReady(unit));
        this.judgePositions(component, 'refits', meant, ready);
        this.refit(step, component, limit(ready, count));
        break;
      }
      case 'renews':
        this.renew(
          step,
          component,
          limit(
            meant.filter((unit) => this.isWorn(unit)),
            count,
          ),
          index,
        );
        break;
      case 'opens': {
        const inside = meant.flatMap((host) => this.inside(host));
        if (inside.length === 0) this.missing(component, 'nothing-in-it');
        for (const unit of inside) this.layOut(step, unit, index);
        break;
      }
      case 'joins': {
        const ready = meant
          .filter((host) => this.places.get(host.id) !== 'bin')
          .flatMap((host) => this.structure.contentsOf.get(host.pieceId) ?? [])
          .flatMap((pieceId) => this.serving(pieceId) ?? [])
          .filter((unit) => this.isReady(unit));
        if (ready.length === 0) this.missing(component, 'not-out');
        for (const unit of this.layers.lastOffFirst([...new Set(ready)])) this.putHome(unit);
        break;
      }
      case 'stays':
        this.handleFasteners(step, component, limit(meant, count));
    }
    this.treat(step, component, limit(meant, count));
    const mark = MARKED_BY[step.verb];
    if (mark) for (const unit of meant) this.marks.set(unit.id, new Set([...(this.marks.get(unit.id) ?? []), mark]));
    if (step.verb === 'compress' || step.verb === 'ease') this.tamed.add(component.id);
  }

  private take(step: Step, component: Component, taken: readonly Unit[], index: number): void {
    if (taken.length === 0) {
      this.missing(component, 'not-in-pump');
      return;
    }
    const fromPump = taken.filter((unit) => this.places.get(unit.id) === 'pump');
    for (const notice of this.layers.inTheWay(component, fromPump, this)) this.notices.push(notice);
    for (const fastenerId of component.heldBy ?? []) {
      const held = fromPump.some((unit) => this.isTight(fastenerId, this.positionOf(unit)));
      if (held) this.notices.push({ kind: 'still-tight', componentId: component.id, fastenerId });
    }
    const controlled = [component.id, ...(component.heldBy ?? [])].some((id) => this.tamed.has(id));
    if (component.springLoaded && !controlled && step.verb !== 'ease')
      this.notices.push({ kind: 'spring-release', componentId: component.id });
    const several =
      (this.structure.byComponent.get(component.id) ?? []).filter((u) => u.generation === 'old').length > 1;
    if (component.matched && several && taken.some((unit) => !this.marks.get(unit.id)?.has('marked')))
      this.notices.push({ kind: 'unmarked', componentId: component.id });
    for (const unit of taken) this.layOut(step, unit, index);
  }

  private refit(step: Step, component: Component, fitted: readonly Unit[]): void {
    if (fitted.length === 0) {
      this.missing(component, 'not-out');
      return;
    }
    this.judgeFacing(step, component);
    this.judgeSeal(step, component, fitted);
    const to = step.fromPositionId ? step.positionIds[0] : undefined;
    for (const unit of fitted) {
      if (to && unit.positionId) {
        if (component.matched && to !== unit.positionId)
          this.notices.push({
            kind: 'swapped',
            componentId: component.id,
            fromPositionId: unit.positionId,
            toPositionId: to,
          });
        if (to === unit.positionId) this.seats.delete(unit.pieceId);
        else this.seats.set(unit.pieceId, to);
      }
      const cut = this.marks.get(unit.id)?.has('cut') ?? false;
      const worn = unit.generation === 'old' && (component.renewal === 'always' || cut);
      if (worn && !this.notices.some((n) => n.kind === 'reused' && n.componentId === component.id))
        this.notices.push({ kind: 'reused', componentId: component.id, cut });
      this.putHome(unit);
      if (isFastener(component.kind)) this.groups.set(groupKey(component.id, this.positionOf(unit)), 'by-hand');
    }
  }

  /** The old unit is binned. One still in the pump is replaced on the spot; otherwise the new one waits in the tray. */
  private renew(step: Step, component: Component, old: readonly Unit[], index: number): void {
    if (old.length === 0) {
      this.missing(component, 'already-renewed');
      return;
    }
    for (const unit of old) {
      const fresh = this.structure.byPiece.get(unit.pieceId)?.new;
      const inPump = this.places.get(unit.id) === 'pump';
      for (const content of this.inside(unit)) {
        const replacement = this.structure.byPiece.get(content.pieceId)?.new;
        if (replacement && this.structure.within.has(replacement.id)) this.move(content, 'bin', 'binned');
        else this.layOut(step, content, index);
      }
      const seated = this.seated.has(unit.id);
      this.move(unit, 'bin', 'binned');
      if (!fresh) continue;
      if (inPump || seated) this.putHome(fresh);
    }
  }

  private handleFasteners(step: Step, component: Component, meant: readonly Unit[]): void {
    if (step.verb !== 'loosen' && step.verb !== 'torque') return;
    const fitted = meant.filter((unit) => this.isFitted(unit));
    if (fitted.length === 0 && meant.length > 0)
      this.missing(component, step.verb === 'loosen' ? 'not-in-pump' : 'not-fitted');
    if (!isFastener(component.kind)) return;
    if (step.verb === 'torque' && step.torque) this.judgeThread(step.torque, component, fitted);
    for (const unit of fitted)
      this.groups.set(groupKey(component.id, this.positionOf(unit)), step.verb === 'loosen' ? 'loose' : 'torqued');
  }

  /** What a step does besides acting on its parts. */
  private handle(step: Step): void {
    for (const toolId of step.aidsOut ?? [])
      if (!this.aids.delete(toolId)) this.notices.push({ kind: 'aid-not-in', toolId });
    if (step.pose) this.poses.set(step.pose.componentId, step.pose.lies);
    switch (step.verb) {
      case 'isolate':
      case 'lock-out':
        this.isolatedBy = step;
        break;
      case 'restore':
        this.isolatedBy = null;
        break;
      case 'release-pressure':
        this.pressure = 'released';
        break;
      case 'drain':
        this.drained.set(step.id, step);
        break;
      case 'fill':
        // One filling fills what shares a word with it; a filling that names nothing fills everything.
        for (const [id, drained] of this.drained)
          if (namesSameFluid(drained.about, step.about)) this.drained.delete(id);
        break;
      case 'turn':
        if (!step.pose) this.shaft = step.about ?? null;
    }
  }

  private judgeOpening(step: Step): void {
    if (this.opened || !opensPump(step.verb)) return;
    this.opened = true;
    if (this.isolatedBy === null) this.notices.push({ kind: 'not-isolated' });
    if (this.pressure === 'held') this.notices.push({ kind: 'pressure-kept' });
  }

  /** A step for several positions finds its parts at some of them only. */
  private judgePositions(
    component: Component,
    act: 'takes' | 'refits',
    meant: readonly Unit[],
    there: readonly Unit[],
  ): void {
    const found = new Set(there.map((unit) => this.positionOf(unit)));
    const bare = new Set(meant.map((unit) => this.positionOf(unit)).filter((position) => !found.has(position)));
    const positionIds = [...bare].filter((position) => position !== null);
    if (found.size > 0 && positionIds.length > 0)
      this.notices.push({ kind: 'partly-there', componentId: component.id, act, positionIds });
  }

  /** A facing said for the bench holds for how the housing lies: turned over, up is down. */
  private judgeFacing(step: Step, component: Component): void {
    if (!step.faces || !component.faces) return;
    const { series } = this.structure;
    const lying = poseAround(component.hostId, this.poses, series);
    if (!lying) return;
    const agreement = compareFacings(step.faces, component.faces, component, series, lying.pose);
    if (agreement === 'contrary' || (agreement === 'unknown' && facingsClash(step.faces, component.faces, lying.pose)))
      this.notices.push({
        kind: 'faces-clash',
        componentId: component.id,
        ...lying,
        toward: component.faces.toward,
      });
  }

  private missing(component: Component, reason: Extract<Notice, { kind: 'not-there' }>['reason']): void {
    this.notices.push({ kind: 'not-there', componentId: component.id, reason });
  }
}

function namesSameFluid(drained: string | undefined, filled: string | undefined): boolean {
  const words = (text: string | undefined) => (text ?? '').toLowerCase().match(/[a-z]{3,}/g) ?? [];
  const wanted = words(filled).filter((word) => word !== 'the' && word !== 'with' && word !== 'and');
  return wanted.length === 0 || words(drained).length === 0 || words(drained).some((word) => wanted.includes(word));
}
