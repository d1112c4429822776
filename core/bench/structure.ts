import type { FastenerGroup } from '../model/fastener-group';
import { isFastener, isNut } from '../model/kinds';
import type { Procedure, Step } from '../model/procedure';
import type { Component, Consumable, Series, Tool } from '../model/series';
import { verbOf } from '../model/verbs';
import { isLinePart, takesNut, turnsThread } from '../reading/words';
import { tighteningMinutes, usualPasses } from '../torque/passes';
import { Places } from './places';
import { type Piece, piecesOf, type Unit, unitOf } from './units';

/** What does not change while the steps are carried out: the pieces there are, and what sits in what at the start. */
export interface Structure {
  readonly series: Series;
  readonly components: ReadonlyMap<string, Component>;
  readonly consumables: ReadonlyMap<string, Consumable>;
  readonly tools: ReadonlyMap<string, Tool>;
  readonly places: Places;
  readonly pieces: ReadonlyMap<string, Piece>;
  readonly byComponent: ReadonlyMap<string, readonly Piece[]>;
  /** Every physical part: the old one of each piece, and the new ones that the kit tray holds. */
  readonly units: ReadonlyMap<string, Unit>;
  /** The piece that each hosted piece sits in at the start. */
  readonly hostOf: ReadonlyMap<string, string>;
  readonly contentsOf: ReadonlyMap<string, readonly string[]>;
  /** Pieces of which the kit tray holds a new one. */
  readonly kit: ReadonlySet<string>;
  /** Pieces whose new one comes within a new host. */
  readonly comesWith: ReadonlySet<string>;
  /** Components that are not in the pump at first and are meant to join it. */
  readonly joining: ReadonlySet<string>;
  /** Components that lie on the bench at the start, instead of in the pump. */
  readonly startsOut: ReadonlySet<string>;
  /** Components with a thread that is loosened and torqued: fasteners, and parts that are screwed in themselves. */
  readonly threaded: ReadonlySet<string>;
  /** Of these, the ones that only the tools tell of: turned off with a wrench and started by hand. */
  readonly screwed: ReadonlySet<string>;
  /** For each component those that it is confirmed to cover. */
  readonly covers: ReadonlyMap<string, ReadonlySet<string>>;
  /** How long tightening the fasteners takes where their passes are described, in minutes. */
  readonly tighteningMinutes: ReadonlyMap<string, number>;
  /** For each fastener the components it holds. */
  readonly holds: ReadonlyMap<string, readonly string[]>;
  readonly basis: Basis;
}

export function structureOf(series: Series, procedures: readonly Procedure[], previous?: Structure): Structure {
  const basis = basisOf(series, procedures);
  if (previous && sameBasis(previous.basis, basis)) return previous;
  const components = new Map(series.components.map((component) => [component.id, component]));
  const places = new Places(series);
  const { kit, comesWith } = kitFor(series, components, places, basis);
  const pieces = new Map<string, Piece>();
  const units = new Map<string, Unit>();
  const byComponent = new Map<string, Piece[]>();
  for (const component of series.components) {
    const own = piecesOf(series, component);
    byComponent.set(component.id, own);
    for (const piece of own) {
      pieces.set(piece.id, piece);
      const joins = basis.joining.has(component.id);
      const there = [...(joins ? [] : ['old' as const]), ...(joins || kit.has(piece.id) ? ['new' as const] : [])];
      for (const generation of there) units.set(`${piece.id}/${generation}`, unitOf(piece, generation));
    }
  }
  return {
    series,
    components,
    consumables: new Map(series.consumables.map((consumable) => [consumable.id, consumable])),
    tools: new Map(series.tools.map((tool) => [tool.id, tool])),
    places,
    pieces,
    byComponent,
    units,
    ...hostsOf(series, components, byComponent, places),
    kit,
    comesWith,
    joining: basis.joining,
    startsOut: basis.startsOut,
    threaded: basis.threaded,
    screwed: basis.screwed,
    ...relationsOf(series),
    tighteningMinutes: new Map(
      (series.fastenerGroups ?? []).flatMap((group) => minutesOf(group, components.get(group.componentId))),
    ),
    basis,
  };
}

/** From the first fastener to the end of the last rise; the check round turns nothing any more. */
function minutesOf({ componentId, plan, passes }: FastenerGroup, component: Component | undefined): [string, number][] {
  if (!component || !plan) return [];
  const rises = (passes ?? usualPasses(component.count, undefined)).filter(({ is }) => is !== 'check');
  return [[componentId, tighteningMinutes(component.count, rises)]];
}

/** All that a structure depends on: while it stays the same, a replay can go on from an earlier one's snapshots. */
interface Basis {
  readonly parts: Pick<
    Series,
    'components' | 'positionSets' | 'consumables' | 'stacks' | 'tools' | 'unpressurised' | 'fastenerGroups'
  >;
  readonly renewals: readonly Step[];
  /** Components that some step moves by themselves. */
  readonly handled: ReadonlySet<string>;
  readonly joining: ReadonlySet<string>;
  readonly startsOut: ReadonlySet<string>;
  readonly threaded: ReadonlySet<string>;
  readonly screwed: ReadonlySet<string>;
}

function basisOf(series: Series, procedures: readonly Procedure[]): Basis {
  const renewals: Step[] = [];
  const handled = new Set<string>();
  const joining = new Set<string>();
  const threaded = new Set(
    series.components
      .filter(({ kind, name, threaded: screwed }) => screwed || (isFastener(kind) && !isLinePart(name)))
      .map(({ id }) => id),
  );
  const started = new Set<string>();
  const turnedOff = new Set<string>();
  for (const { steps, intends = [] } of procedures) {
    for (const step of steps) {
      const { effect } = verbOf(step.verb);
      if (effect === 'renews') renewals.push(step);
      if (effect !== 'stays') for (const { componentId } of step.targets) handled.add(componentId);
      // What is torqued, or connected as a line is, has a thread of its own, whatever it is called.
      if (['torque', 'connect', 'disconnect'].includes(step.verb))
        for (const { componentId } of step.targets) threaded.add(componentId);
      for (const { componentId } of step.targets) {
        if (step.verb === 'start-by-hand') started.add(componentId);
        else if ((effect === 'takes' || step.verb === 'loosen') && turnedBy(step, series)) turnedOff.add(componentId);
      }
    }
    for (const change of intends) if (change.kind === 'joins') joining.add(change.componentId);
  }
  const screwed = new Set([...started].filter((id) => turnedOff.has(id) && !threaded.has(id)));
  for (const id of screwed) threaded.add(id);
  const [first] = procedures;
  const startsOut = new Set(first?.startsFrom ? (first.startsFrom.componentIds ?? handled) : []);
  const { components, positionSets, consumables, stacks, tools, unpressurised, fastenerGroups } = series;
  const parts = { components, positionSets, consumables, stacks, tools, unpressurised, fastenerGroups };
  return { parts, renewals, handled, joining, startsOut, threaded, screwed };
}

/** Whether a step lists a tool that turns threads. */
export function turnedBy({ toolIds }: Pick<Step, 'toolIds'>, { tools }: Pick<Series, 'tools'>): boolean {
  return toolIds.some((id) => tools.some((tool) => tool.id === id && turnsThread(tool.name)));
}

function sameBasis(a: Basis, b: Basis): boolean {
  return (
    (Object.keys(a.parts) as (keyof Basis['parts'])[]).every((key) => a.parts[key] === b.parts[key]) &&
    a.renewals.length === b.renewals.length &&
    a.renewals.every((step, i) => {
      const other = b.renewals[i];
      return step.targets === other?.targets && step.positionIds === other.positionIds;
    }) &&
    sameSet(a.handled, b.handled) &&
    sameSet(a.joining, b.joining) &&
    sameSet(a.startsOut, b.startsOut) &&
    sameSet(a.threaded, b.threaded) &&
    sameSet(a.screwed, b.screwed)
  );
}

function sameSet(a: ReadonlySet<string>, b: ReadonlySet<string>): boolean {
  return a.size === b.size && [...a].every((item) => b.has(item));
}

/** Of these, those at the positions a step names; all of them when it names none. */
export function meantBy<T extends { positionId: string | null }>(
  { positionIds }: Pick<Step, 'positionIds'>,
  list: readonly T[],
  places: Places,
): T[] {
  if (positionIds.length === 0) return [...list];
  return list.filter(({ positionId }) => positionIds.some((id) => places.meet(id, positionId)));
}

/** The first `count` at each position; all when no count was said. */
export function limit<T>(list: readonly T[], count: number | undefined, positionOf: (item: T) => string | null): T[] {
  if (count === undefined) return [...list];
  const taken = new Map<string | null, number>();
  return list.filter((item) => {
    const at = positionOf(item);
    const n = (taken.get(at) ?? 0) + 1;
    taken.set(at, n);
    return n <= count;
  });
}

/**
 * What the kit tray holds at the start: a new one of each piece that the renewals ask for. A host renewed whole brings
 * what sits in it, unless a step handles that on its own.
 */
function kitFor(
  series: Series,
  components: ReadonlyMap<string, Component>,
  places: Places,
  { renewals, handled }: Basis,
): { kit: Set<string>; comesWith: Set<string> } {
  const kit = new Set<string>();
  const comesWith = new Set<string>();
  const add = (step: Step, component: Component, count: number | undefined, inHost: boolean) => {
    const fresh = meantBy(step, piecesOf(series, component), places).filter((piece) => !kit.has(piece.id));
    if (fresh.length === 0) return;
    for (const piece of limit(fresh, count, ({ positionId }) => positionId)) {
      kit.add(piece.id);
      if (inHost) comesWith.add(piece.id);
    }
    for (const content of series.components)
      if (content.hostId === component.id && !handled.has(content.id)) add(step, content, undefined, true);
  };
  for (const step of renewals) {
    for (const { componentId, count } of step.targets) {
      const component = components.get(componentId);
      if (component) add(step, component, count, false);
    }
  }
  return { kit, comesWith };
}

function hostsOf(
  series: Series,
  components: ReadonlyMap<string, Component>,
  byComponent: ReadonlyMap<string, readonly Piece[]>,
  places: Places,
): Pick<Structure, 'hostOf' | 'contentsOf'> {
  const hostOf = new Map<string, string>();
  const contentsOf = new Map<string, string[]>();
  for (const component of series.components) {
    if (!component.hostId && !component.hostsAt) continue;
    for (const piece of byComponent.get(component.id) ?? []) {
      const hostId = hostAt(component, piece.positionId);
      if (!hostId || !sitsSoundly(component.id, hostId, components)) continue;
      const hosts = byComponent.get(hostId) ?? [];
      const near = hosts.filter((host) => host.positionId === piece.positionId);
      const nearby = near.length > 0 ? near : hosts.filter((host) => places.meet(host.positionId, piece.positionId));
      const choice = nearby.length > 0 ? nearby : hosts;
      const host = choice[(piece.number - 1) % Math.max(1, choice.length)];
      if (!host) continue;
      hostOf.set(piece.id, host.id);
      contentsOf.set(host.id, [...(contentsOf.get(host.id) ?? []), piece.id]);
    }
  }
  return { hostOf, contentsOf };
}

/** The part that a component sits in at a place. */
export function hostAt({ hostId, hostsAt }: Component, positionId: string | null): string | undefined {
  return hostsAt?.find((host) => host.positionId === positionId)?.hostId ?? hostId;
}

/** A part that would sit in itself, by whatever way round, sits in nothing. */
function sitsSoundly(componentId: string, hostId: string, components: ReadonlyMap<string, Component>): boolean {
  const seen = new Set([componentId]);
  for (let id: string | undefined = hostId; id !== undefined; id = components.get(id)?.hostId) {
    if (seen.has(id)) return false;
    seen.add(id);
  }
  return true;
}

function relationsOf(series: Series): Pick<Structure, 'covers' | 'holds'> {
  const covers = new Map<string, Set<string>>();
  const holds = new Map<string, string[]>();
  for (const component of series.components) {
    for (const { componentId, said } of component.coveredBy ?? [])
      if (said === 'covers') covers.set(componentId, (covers.get(componentId) ?? new Set()).add(component.id));
    for (const fastenerId of component.heldBy ?? [])
      holds.set(fastenerId, [...(holds.get(fastenerId) ?? []), component.id]);
  }
  return { covers, holds };
}

/** The bolts, studs or tie rods that a nut goes on, as far as their names tell. */
export function threadPartners({ components, threaded }: Structure, nut: Component): Component[] {
  if (!isNut(nut.kind)) return [];
  return [...components.values()].filter(
    ({ id, kind, name }) => id !== nut.id && !isNut(kind) && threaded.has(id) && takesNut(name, nut.name),
  );
}
