import { type ComponentKind, isFastener } from '../model/kinds';
import type { Step, TorqueFigure } from '../model/procedure';
import type { Component } from '../model/series';
import { changesFriction, isCompound, isLubricant } from '../supplies/consumable-kinds';
import { BenchPieces } from './bench-pieces';
import type { Notice } from './bench-state';
import type { Unit } from './units';

/** Kinds that slide or are squeezed as they are fitted, and tear when they are dry. */
const SEALS: readonly ComponentKind[] = ['o-ring', 'lip-seal'];

/** What is put on the pieces and for how long: greases, oils and compounds, soaking and setting. */
export abstract class BenchTreatments extends BenchPieces {
  /** What a step puts on its parts, takes off them or puts them into. */
  protected treat(step: Step, component: Component, meant: readonly Unit[]): void {
    // New packing soaks in the tray while the old one is still in the pump.
    if (step.verb === 'soak') for (const unit of meant) this.soaking.set(unit.id, this.clock);
    const present = meant.filter((unit) => this.serving(unit.pieceId) === unit);
    for (const unit of present) {
      if (step.verb === 'clean') this.applied.delete(unit.id);
      for (const { consumableId } of step.applications) {
        const consumable = this.structure.consumables.get(consumableId);
        if (!consumable) continue;
        if (isCompound(consumable) && this.holdsOldCompound(component, unit))
          this.noticeOnce({ kind: 'old-compound', componentId: component.id, consumableId });
        this.applied.set(unit.id, [...(this.applied.get(unit.id) ?? []), { consumableId, at: this.clock }]);
      }
    }
  }

  /** A thread that was in use carries what was on it until somebody cleans it. */
  private holdsOldCompound(component: Component, unit: Unit): boolean {
    const marks = this.marks.get(unit.id);
    return unit.generation === 'old' && isFastener(component.kind) && !marks?.has('cleaned');
  }

  /** A seal that runs or is squeezed dry tears; one that should have soaked has soaked long enough. */
  protected judgeSeal(step: Step, component: Component, fitted: readonly Unit[]): void {
    const wanted = component.wants?.find(({ consumableId }) => this.isLubricating(consumableId));
    if (!component.dry && (wanted || SEALS.includes(component.kind))) {
      const isDry = fitted.some((unit) => {
        const marks = this.marks.get(unit.id);
        if (marks?.has('lubricated') || marks?.has('soaked')) return false;
        return ![...step.applications, ...(this.applied.get(unit.id) ?? [])].some(({ consumableId }) =>
          this.isLubricating(consumableId),
        );
      });
      if (isDry)
        this.noticeOnce({
          kind: 'dry-seal',
          componentId: component.id,
          consumableId: wanted?.consumableId ?? null,
        });
    }
    const { soakMinutes } = component;
    if (!soakMinutes) return;
    for (const unit of fitted) {
      const since = this.soaking.get(unit.id);
      const minutes = since === undefined ? null : this.clock - since;
      if (minutes === null || minutes < soakMinutes)
        this.noticeOnce({ kind: 'soak-short', componentId: component.id, wanted: soakMinutes, minutes });
    }
  }

  /** What is on a thread as it is torqued: whether the figure holds for it, and whether it has set meanwhile. */
  protected judgeThread(torque: TorqueFigure, component: Component, fitted: readonly Unit[]): void {
    const on = fitted.flatMap((unit) => this.applied.get(unit.id) ?? []);
    const changing = on.filter(({ consumableId }) => {
      const consumable = this.structure.consumables.get(consumableId);
      return consumable !== undefined && changesFriction(consumable);
    });
    for (const { consumableId, at } of changing) {
      const openMinutes = this.structure.consumables.get(consumableId)?.openMinutes;
      const minutes = this.clock - at;
      if (openMinutes !== undefined && minutes > openMinutes)
        this.noticeOnce({ kind: 'sets-first', componentId: component.id, consumableId, openMinutes, minutes });
    }
    const said = torque.thread?.is === 'with' ? torque.thread.consumableId : null;
    const [first] = changing;
    const agrees = said ? changing.some(({ consumableId }) => consumableId === said) : changing.length === 0;
    if (!agrees)
      this.noticeOnce({
        kind: 'thread-condition',
        componentId: component.id,
        consumableId: first?.consumableId ?? null,
      });
  }

  private isLubricating(consumableId: string): boolean {
    const consumable = this.structure.consumables.get(consumableId);
    return consumable !== undefined && isLubricant(consumable);
  }

  private noticeOnce(notice: Extract<Notice, { componentId: string }>): void {
    if (!this.notices.some((n) => n.kind === notice.kind && 'componentId' in n && n.componentId === notice.componentId))
      this.notices.push(notice);
  }
}
