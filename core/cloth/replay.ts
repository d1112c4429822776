import type { Step, Workbook } from '../procedure/procedure';
import { verbOf } from '../procedure/verbs';
import { type Component, componentById, type Series } from '../pump/series';
import { type Place, type Unit, unitsOf } from './units';

/**
 * The bench replay: where every unit is after every step.
 *
 * The replay is a fold of operations over one working state. Each step leaves the moves it made, and every
 * SNAPSHOT_EVERY steps the whole state is kept, so that any moment can be shown without starting over and an edit at
 * step n replays from the snapshot before n.
 */
const SNAPSHOT_EVERY = 32;

export interface Move {
  readonly unitId: string;
  readonly from: Place;
  readonly to: Place;
  /** The numbered cell it is laid in, or leaves. */
  readonly cell: number | null;
}

/** A part a step names that is not where the verb needs it. */
export interface Miss {
  readonly componentId: string;
  readonly reason: 'not-in-pump' | 'not-out' | 'already-renewed';
}

export interface Frame {
  readonly step: Step;
  readonly moves: readonly Move[];
  readonly misses: readonly Miss[];
}

/** A numbered place on the cloth, given out in the order of removal and never given to another part. */
export interface Cell {
  readonly number: number;
  readonly componentId: string;
  readonly unitIds: readonly string[];
  /** The step that first laid something in it. */
  readonly openedBy: string;
}

export interface BenchState {
  readonly places: ReadonlyMap<string, Place>;
}

export interface Timeline {
  readonly series: Series;
  readonly units: ReadonlyMap<string, Unit>;
  readonly frames: readonly Frame[];
  readonly cells: readonly Cell[];
  /** State before step 0, 32, 64 and so on. */
  readonly snapshots: readonly Snapshot[];
  readonly end: BenchState;
}

interface Snapshot extends BenchState {
  readonly cells: readonly Cell[];
}

/** Replays a workbook. With the timeline of an earlier version it starts at the first step that differs. */
export function replay({ series, procedure }: Workbook, previous?: Timeline): Timeline {
  const kit = kitFor(series, procedure.steps);
  const units = new Map<string, Unit>();
  for (const component of series.components) {
    for (const unit of unitsOf(series, component, 'old')) units.set(unit.id, unit);
    for (const unit of unitsOf(series, component, 'new')) if (kit.has(unit.id)) units.set(unit.id, unit);
  }

  const kept = previous && sameStructure(previous, series, kit) ? previous : undefined;
  const start = kept ? unchangedSteps(kept, procedure.steps) : 0;
  const frames: Frame[] = kept ? kept.frames.slice(0, start) : [];
  const snapshots: Snapshot[] = kept ? kept.snapshots.slice(0, start / SNAPSHOT_EVERY + 1) : [];
  const resume = snapshots[start / SNAPSHOT_EVERY];
  const bench = new Bench(
    series,
    units,
    resume
      ? new Map(resume.places)
      : new Map([...units.values()].map((u) => [u.id, u.generation === 'new' ? 'tray' : 'pump'])),
    resume ? [...resume.cells] : [],
  );
  for (let i = start; i < procedure.steps.length; i += 1) {
    if (i % SNAPSHOT_EVERY === 0) snapshots[i / SNAPSHOT_EVERY] = bench.snapshot();
    const step = procedure.steps[i];
    if (step) frames.push(bench.perform(step));
  }
  if (snapshots.length === 0) snapshots.push(bench.snapshot());
  return { series, units, frames, cells: bench.cells, snapshots, end: { places: bench.places } };
}

/** Where everything is after the first `count` steps. */
export function stateAfter(timeline: Timeline, count: number): BenchState {
  const n = Math.max(0, Math.min(count, timeline.frames.length));
  if (n === timeline.frames.length) return timeline.end;
  const slot = Math.floor(n / SNAPSHOT_EVERY);
  const places = new Map(timeline.snapshots[slot]?.places);
  for (let i = slot * SNAPSHOT_EVERY; i < n; i += 1) {
    for (const move of timeline.frames[i]?.moves ?? []) places.set(move.unitId, move.to);
  }
  return { places };
}

/** Units in one place, in the order of the series. */
export function unitsIn(timeline: Timeline, state: BenchState, place: Place): Unit[] {
  return [...timeline.units.values()].filter((unit) => state.places.get(unit.id) === place);
}

/** The cell a unit has on this cloth, if it ever lies there. */
export function cellOf(timeline: Timeline, unitId: string): Cell | undefined {
  return timeline.cells.find((cell) => cell.unitIds.includes(unitId));
}

/** The new units that the renewals of a procedure ask for: what the kit tray holds at the start. */
function kitFor(series: Series, steps: readonly Step[]): Set<string> {
  const kit = new Set<string>();
  for (const step of steps) {
    if (verbOf(step.verb).effect !== 'renews') continue;
    for (const target of step.targets) {
      const component = componentById(series, target.componentId);
      if (!component) continue;
      const fresh = meantBy(step, unitsOf(series, component, 'new')).filter((unit) => !kit.has(unit.id));
      for (const unit of limit(fresh, target.count)) kit.add(unit.id);
    }
  }
  return kit;
}

/** Of these units, those at the positions a step names; all of them when it names none. */
function meantBy(step: Step, units: readonly Unit[]): Unit[] {
  return units.filter(
    (unit) => step.positionIds.length === 0 || unit.positionId === null || step.positionIds.includes(unit.positionId),
  );
}

/** How many leading steps of `previous` still hold, rounded down to a snapshot. */
function unchangedSteps(previous: Timeline, steps: readonly Step[]): number {
  let same = 0;
  while (same < steps.length && same < previous.frames.length && previous.frames[same]?.step === steps[same]) same += 1;
  return Math.min(Math.floor(same / SNAPSHOT_EVERY), previous.snapshots.length - 1) * SNAPSHOT_EVERY;
}

function sameStructure(previous: Timeline, series: Series, kit: ReadonlySet<string>): boolean {
  const before = previous.series;
  if (before.components !== series.components || before.positionSets !== series.positionSets) return false;
  let fresh = 0;
  for (const unit of previous.units.values()) {
    if (unit.generation !== 'new') continue;
    if (!kit.has(unit.id)) return false;
    fresh += 1;
  }
  return fresh === kit.size;
}

/** The working state that operations act on. */
class Bench {
  private readonly byComponent = new Map<string, Unit[]>();
  private readonly cellByUnit = new Map<string, Cell>();

  constructor(
    private readonly series: Series,
    units: ReadonlyMap<string, Unit>,
    readonly places: Map<string, Place>,
    readonly cells: Cell[],
  ) {
    for (const unit of units.values()) {
      const list = this.byComponent.get(unit.componentId);
      if (list) list.push(unit);
      else this.byComponent.set(unit.componentId, [unit]);
    }
    for (const cell of cells) for (const id of cell.unitIds) this.cellByUnit.set(id, cell);
  }

  snapshot(): Snapshot {
    return { places: new Map(this.places), cells: [...this.cells] };
  }

  perform(step: Step): Frame {
    const moves: Move[] = [];
    const misses: Miss[] = [];
    for (const target of step.targets) {
      const component = componentById(this.series, target.componentId);
      if (!component) continue;
      const meant = meantBy(step, this.byComponent.get(component.id) ?? []);
      const result = this.act(step, component, meant, target.count);
      moves.push(...result.moves);
      if (result.miss) misses.push({ componentId: component.id, reason: result.miss });
    }
    return { step, moves, misses };
  }

  private act(
    step: Step,
    component: Component,
    meant: readonly Unit[],
    count: number | undefined,
  ): { moves: Move[]; miss?: Miss['reason'] } {
    switch (verbOf(step.verb).effect) {
      case 'takes': {
        const taken = limit(this.at(meant, ['pump']), count);
        if (taken.length === 0) return { moves: [], miss: 'not-in-pump' };
        return { moves: this.layOut(step, component, taken) };
      }
      case 'refits': {
        const oldOnes = this.at(meant, ['cloth']);
        const newOnes = this.at(meant, ['tray']).filter((unit) => this.replaces(unit, meant));
        const fitted = limit([...oldOnes, ...newOnes], count);
        if (fitted.length === 0) return { moves: [], miss: 'not-out' };
        return { moves: fitted.map((unit) => this.move(unit, 'pump')) };
      }
      case 'renews': {
        const old = limit(
          this.at(meant, ['pump', 'cloth']).filter((unit) => unit.generation === 'old'),
          count,
        );
        if (old.length === 0) return { moves: [], miss: 'already-renewed' };
        return { moves: old.flatMap((unit) => this.renew(unit, meant)) };
      }
      case 'stays':
        return { moves: [] };
    }
  }

  /** The old unit is binned. One still in the pump is replaced on the spot; otherwise the new one waits in the tray. */
  private renew(old: Unit, meant: readonly Unit[]): Move[] {
    const inPlace = this.places.get(old.id) === 'pump';
    const binned = this.move(old, 'bin');
    const fresh = meant.find((unit) => unit.generation === 'new' && twins(unit, old));
    return inPlace && fresh ? [binned, this.move(fresh, 'pump')] : [binned];
  }

  /** A new unit may be fitted once the old one it stands for is in the bin. */
  private replaces(fresh: Unit, meant: readonly Unit[]): boolean {
    const old = meant.find((unit) => unit.generation === 'old' && twins(unit, fresh));
    return old !== undefined && this.places.get(old.id) === 'bin';
  }

  private at(units: readonly Unit[], places: readonly Place[]): Unit[] {
    return units.filter((unit) => places.includes(this.places.get(unit.id) ?? 'pump'));
  }

  private move(unit: Unit, to: Place): Move {
    const from = this.places.get(unit.id) ?? 'pump';
    this.places.set(unit.id, to);
    return { unitId: unit.id, from, to, cell: this.cellByUnit.get(unit.id)?.number ?? null };
  }

  /** Units that were out before go back to their own cell; matched units get one each; the rest share a new one. */
  private layOut(step: Step, component: Component, units: readonly Unit[]): Move[] {
    const fresh = units.filter((unit) => !this.cellByUnit.has(unit.id));
    for (const group of component.matched ? fresh.map((unit) => [unit]) : fresh.length > 0 ? [fresh] : []) {
      const cell: Cell = {
        number: this.cells.length + 1,
        componentId: component.id,
        unitIds: group.map((unit) => unit.id),
        openedBy: step.id,
      };
      this.cells.push(cell);
      for (const unit of group) this.cellByUnit.set(unit.id, cell);
    }
    return units.map((unit) => this.move(unit, 'cloth'));
  }
}

function twins(a: Unit, b: Unit): boolean {
  return a.componentId === b.componentId && a.positionId === b.positionId && a.piece === b.piece;
}

/** The first `count` pieces at each position; all when no count was said. */
function limit(units: readonly Unit[], count: number | undefined): Unit[] {
  if (count === undefined) return [...units];
  const taken = new Map<string | null, number>();
  return units.filter((unit) => {
    const n = (taken.get(unit.positionId) ?? 0) + 1;
    taken.set(unit.positionId, n);
    return n <= count;
  });
}
