import type { Step } from '../model/procedure';
import type { Structure } from './structure';
import type { Unit } from './units';

/** A numbered place on the cloth, given out in the order of removal and never given to another part. */
export interface Cell {
  readonly number: number;
  readonly componentId: string;
  readonly unitIds: readonly string[];
  /** The step that first laid something in it. */
  readonly openedBy: string;
}

/**
 * The cells of one cloth. Units that were out before go back to their own cell; matched units get one each; others of
 * a component that a step lays out together share one. All ways through a procedure share the cloth.
 */
export class Cells {
  private kept: Cell[] = [];
  private byUnit = new Map<string, Cell>();
  private shared = new Map<string, number>();
  /** Whether no copy shares them; else they are copied before they are changed. */
  private own = true;

  constructor(
    private readonly structure: Structure,
    from?: Cells,
  ) {
    if (!from) return;
    this.kept = from.kept;
    this.byUnit = from.byUnit;
    this.shared = from.shared;
    this.own = false;
    from.own = false;
  }

  get list(): readonly Cell[] {
    return this.kept;
  }

  of(unitId: string): Cell | undefined {
    return this.byUnit.get(unitId);
  }

  /** The cell a unit is laid in by a step; `opener` is the step, or what lies on the bench before the first one. */
  reserve(opener: Pick<Step, 'id'>, unit: Unit): void {
    if (this.byUnit.has(unit.id)) return;
    const { componentId } = unit;
    const open = this.shared.get(`${opener.id} ${componentId}`);
    const cell = open === undefined ? undefined : this.kept[open];
    this.takeOwn();
    const grown: Cell = cell
      ? { ...cell, unitIds: [...cell.unitIds, unit.id] }
      : { number: this.kept.length + 1, componentId, unitIds: [unit.id], openedBy: opener.id };
    this.kept[grown.number - 1] = grown;
    this.index(grown);
  }

  private takeOwn(): void {
    if (this.own) return;
    this.kept = [...this.kept];
    this.byUnit = new Map(this.byUnit);
    this.shared = new Map(this.shared);
    this.own = true;
  }

  private index(cell: Cell): void {
    for (const id of cell.unitIds) this.byUnit.set(id, cell);
    if (!this.structure.components.get(cell.componentId)?.matched)
      this.shared.set(`${cell.openedBy} ${cell.componentId}`, cell.number - 1);
  }
}
