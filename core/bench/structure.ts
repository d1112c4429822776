import type { Procedure, Step } from '../model/procedure';
import type { Component, Consumable, Series } from '../model/series';
import { verbOf } from '../model/verbs';
import { type Unit, unitsOf } from './units';

/** What does not change while the steps are carried out: the units there are, and what sits in what. */
export interface Structure {
  readonly series: Series;
  readonly components: ReadonlyMap<string, Component>;
  readonly consumables: ReadonlyMap<string, Consumable>;
  readonly units: ReadonlyMap<string, Unit>;
  readonly byComponent: ReadonlyMap<string, readonly Unit[]>;
  readonly byPiece: ReadonlyMap<string, Readonly<Partial<Record<Unit['generation'], Unit>>>>;
  /** The piece that each hosted piece sits in. */
  readonly hostOf: ReadonlyMap<string, string>;
  readonly contentsOf: ReadonlyMap<string, readonly string[]>;
  /** New units that come within a new host. */
  readonly within: ReadonlySet<string>;
  /** For each component those that it is confirmed to cover. */
  readonly covers: ReadonlyMap<string, ReadonlySet<string>>;
  readonly made: Makings;
}

export function structureOf(series: Series, procedures: readonly Procedure[], previous?: Structure): Structure {
  const made = madeFrom(series, procedures);
  if (previous && sameMakings(previous.made, made)) return previous;
  const components = new Map(series.components.map((component) => [component.id, component]));
  const { joining } = made;
  const { kit, within } = kitFor(series, components, made);
  const units = new Map<string, Unit>();
  const byComponent = new Map<string, Unit[]>();
  const byPiece = new Map<string, Partial<Record<Unit['generation'], Unit>>>();
  for (const component of series.components) {
    const old = joining.has(component.id) ? [] : unitsOf(series, component, 'old');
    const fresh = unitsOf(series, component, 'new').filter(({ id }) => kit.has(id) || joining.has(component.id));
    byComponent.set(component.id, [...old, ...fresh]);
    for (const unit of [...old, ...fresh]) {
      units.set(unit.id, unit);
      byPiece.set(unit.pieceId, { ...byPiece.get(unit.pieceId), [unit.generation]: unit });
    }
  }
  const hostOf = new Map<string, string>();
  const contentsOf = new Map<string, string[]>();
  for (const component of series.components) {
    const hosts = hostsSoundly(component, components) ? unitsOfComponent(byComponent, component.hostId ?? '') : [];
    for (const unit of byComponent.get(component.id) ?? []) {
      const near = hosts.filter((host) => host.positionId === unit.positionId);
      const choice = near.length > 0 ? near : hosts;
      const host = choice[(unit.piece - 1) % Math.max(1, choice.length)];
      if (!host || hostOf.has(unit.pieceId)) continue;
      hostOf.set(unit.pieceId, host.pieceId);
      contentsOf.set(host.pieceId, [...(contentsOf.get(host.pieceId) ?? []), unit.pieceId]);
    }
  }
  const covers = new Map<string, Set<string>>();
  for (const component of series.components) {
    for (const { componentId, said } of component.coveredBy ?? []) {
      if (said === 'covers') covers.set(componentId, (covers.get(componentId) ?? new Set()).add(component.id));
    }
  }
  const consumables = new Map(series.consumables.map((consumable) => [consumable.id, consumable]));
  return { series, components, consumables, units, byComponent, byPiece, hostOf, contentsOf, within, covers, made };
}

/** All that a structure depends on: while it stays the same, a replay can go on from an earlier one's snapshots. */
interface Makings {
  readonly components: Series['components'];
  readonly positionSets: Series['positionSets'];
  readonly consumables: Series['consumables'];
  readonly stacks: Series['stacks'];
  readonly unpressurised: true | undefined;
  readonly renewals: readonly Step[];
  /** Components that some step moves by themselves. */
  readonly handled: ReadonlySet<string>;
  /** Components that are not in the pump at first and are meant to join it. */
  readonly joining: ReadonlySet<string>;
}

function madeFrom(series: Series, procedures: readonly Procedure[]): Makings {
  const renewals: Step[] = [];
  const handled = new Set<string>();
  const joining = new Set<string>();
  for (const { steps, intends = [] } of procedures) {
    for (const step of steps) {
      const { effect } = verbOf(step.verb);
      if (effect === 'renews') renewals.push(step);
      if (effect !== 'stays') for (const { componentId } of step.targets) handled.add(componentId);
    }
    for (const change of intends) if (change.kind === 'joins') joining.add(change.componentId);
  }
  const { components, positionSets, consumables, stacks, unpressurised } = series;
  return { components, positionSets, consumables, stacks, unpressurised, renewals, handled, joining };
}

function sameMakings(a: Makings, b: Makings): boolean {
  return (
    a.components === b.components &&
    a.positionSets === b.positionSets &&
    a.consumables === b.consumables &&
    a.stacks === b.stacks &&
    a.unpressurised === b.unpressurised &&
    a.renewals.length === b.renewals.length &&
    a.renewals.every((step, i) => {
      const other = b.renewals[i];
      return step.targets === other?.targets && step.positionIds === other.positionIds;
    }) &&
    sameSet(a.handled, b.handled) &&
    sameSet(a.joining, b.joining)
  );
}

function sameSet(a: ReadonlySet<string>, b: ReadonlySet<string>): boolean {
  return a.size === b.size && [...a].every((item) => b.has(item));
}

/** Of these units, those at the positions a step names; all of them when it names none. */
export function meantBy<T extends { positionId: string | null }>(step: Step, units: readonly T[]): T[] {
  if (step.positionIds.length === 0) return [...units];
  return units.filter((unit) => unit.positionId === null || step.positionIds.includes(unit.positionId));
}

/** The first `count` pieces at each position; all when no count was said. */
export function limit<T extends { positionId: string | null }>(units: readonly T[], count: number | undefined): T[] {
  if (count === undefined) return [...units];
  const taken = new Map<string | null, number>();
  return units.filter((unit) => {
    const n = (taken.get(unit.positionId) ?? 0) + 1;
    taken.set(unit.positionId, n);
    return n <= count;
  });
}

/**
 * The new units that the renewals ask for: what the kit tray holds at the start. A host renewed whole brings what sits
 * in it, unless a step handles that on its own.
 */
function kitFor(
  series: Series,
  components: ReadonlyMap<string, Component>,
  { renewals, handled }: Makings,
): { kit: Set<string>; within: Set<string> } {
  const kit = new Set<string>();
  const within = new Set<string>();
  const add = (step: Step, component: Component, count: number | undefined, inHost: boolean) => {
    const fresh = meantBy(step, unitsOf(series, component, 'new')).filter((unit) => !kit.has(unit.id));
    if (fresh.length === 0) return;
    for (const unit of limit(fresh, count)) {
      kit.add(unit.id);
      if (inHost) within.add(unit.id);
    }
    for (const content of series.components) {
      if (content.hostId === component.id && !handled.has(content.id)) add(step, content, undefined, true);
    }
  };
  for (const step of renewals) {
    for (const { componentId, count } of step.targets) {
      const component = components.get(componentId);
      if (component) add(step, component, count, false);
    }
  }
  return { kit, within };
}

/** A part that would sit in itself, by whatever way round, sits in nothing. */
function hostsSoundly(component: Component, components: ReadonlyMap<string, Component>): boolean {
  const seen = new Set([component.id]);
  for (let id = component.hostId; id !== undefined; id = components.get(id)?.hostId) {
    if (seen.has(id)) return false;
    seen.add(id);
  }
  return component.hostId !== undefined;
}

function unitsOfComponent(byComponent: ReadonlyMap<string, readonly Unit[]>, componentId: string): readonly Unit[] {
  const units = byComponent.get(componentId) ?? [];
  const old = units.filter((unit) => unit.generation === 'old');
  return old.length > 0 ? old : units;
}
