import type { Step } from '../model/procedure';
import type { Pose } from '../orientation/faces';
import {
  type Applied,
  type BenchState,
  groupKey,
  type Mark,
  type Move,
  type Notice,
  type Tightness,
} from './bench-state';
import type { Cells } from './cells';
import { Layers } from './layers';
import { meantBy, type Structure } from './structure';
import type { Place, Unit } from './units';

/** The pieces on the bench: where each is, what sits in what, and how one is laid out or put home. */
export abstract class BenchPieces implements BenchState {
  readonly places: Map<string, Place>;
  readonly seated: Set<string>;
  readonly marks: Map<string, ReadonlySet<Mark>>;
  readonly applied: Map<string, readonly Applied[]>;
  readonly soaking: Map<string, number>;
  readonly groups: Map<string, Tightness>;
  readonly aids: Map<string, Step>;
  readonly drained: Map<string, Step>;
  readonly tamed: Set<string>;
  readonly poses: Map<string, Pose>;
  readonly seats: Map<string, string>;
  isolatedBy: Step | null = null;
  pressure: BenchState['pressure'] = 'held';
  shaft: string | null = null;
  clock = 0;
  protected readonly layers: Layers;
  /** What the step in hand moved and made noticed so far. */
  protected moves: Move[] = [];
  protected notices: Notice[] = [];

  constructor(
    protected readonly structure: Structure,
    protected readonly cells: Cells,
    from?: BenchPieces,
  ) {
    this.places = new Map(from?.places ?? startingPlaces(structure));
    this.seated = new Set(from?.seated ?? startingSeats(structure));
    this.marks = new Map(from?.marks);
    this.applied = new Map(from?.applied);
    this.soaking = new Map(from?.soaking);
    this.groups = new Map(from?.groups);
    this.aids = new Map(from?.aids);
    this.drained = new Map(from?.drained);
    this.tamed = new Set(from?.tamed);
    this.poses = new Map(from?.poses);
    this.seats = new Map(from?.seats);
    this.layers = new Layers(structure, from?.layers);
    if (from) {
      this.isolatedBy = from.isolatedBy;
      this.pressure = from.pressure;
      this.shaft = from.shaft;
      this.clock = from.clock;
    } else if (structure.series.unpressurised) {
      this.pressure = 'released';
    }
  }

  /** Units at the positions the step names, by where they sit now; those said to come from elsewhere, by that place. */
  protected meant(step: Step, units: readonly Unit[]): Unit[] {
    const from = step.fromPositionId;
    if (from) return units.filter((unit) => this.positionOf(unit) === from);
    if (this.seats.size === 0) return meantBy(step, units);
    return meantBy(
      step,
      units.map((unit) => ({ unit, positionId: this.positionOf(unit) })),
    ).map(({ unit }) => unit);
  }

  positionOf(unit: Unit): string | null {
    return this.seats.get(unit.pieceId) ?? unit.positionId;
  }

  /** The unit of a piece that is in use: the new one once the old one is in the bin. */
  serving(pieceId: string): Unit | undefined {
    const { old, new: fresh } = this.structure.byPiece.get(pieceId) ?? {};
    return old && this.places.get(old.id) !== 'bin' ? old : (fresh ?? old);
  }

  protected isFitted(unit: Unit): boolean {
    const place = this.places.get(unit.id);
    return place === 'pump' || (place === 'cloth' && this.seated.has(unit.id));
  }

  /** Lying free on the cloth, or new in the tray with the old one in the bin. */
  protected isReady(unit: Unit): boolean {
    if (this.seated.has(unit.id)) return false;
    const place = this.places.get(unit.id);
    return place === 'cloth' || (place === 'tray' && this.serving(unit.pieceId) === unit);
  }

  protected isWorn(unit: Unit): boolean {
    const place = this.places.get(unit.id);
    return unit.generation === 'old' && (place === 'pump' || place === 'cloth');
  }

  protected isTight(fastenerId: string, positionId: string | null): boolean {
    const units = this.structure.byComponent.get(fastenerId) ?? [];
    return units.some((unit) => {
      const at = this.positionOf(unit);
      if (this.places.get(unit.id) !== 'pump' || (positionId && at && at !== positionId)) return false;
      const state = this.groups.get(groupKey(fastenerId, at)) ?? 'tight';
      return state === 'tight' || state === 'torqued';
    });
  }

  /** The units that sit in this one now, not those that sit in them. */
  protected inside(host: Unit): Unit[] {
    if (this.places.get(host.id) === 'bin') return [];
    return (this.structure.contentsOf.get(host.pieceId) ?? [])
      .flatMap((pieceId) => this.serving(pieceId) ?? [])
      .filter((unit) => this.seated.has(unit.id) && this.places.get(unit.id) === this.places.get(host.id));
  }

  protected layOut(step: Step, unit: Unit, index: number): void {
    this.seated.delete(unit.id);
    this.layers.off(unit.pieceId, index);
    this.cells.reserve(step, unit);
    this.move(unit, 'cloth', 'out');
  }

  /** Into its host where that lies, or into the pump. */
  protected putHome(unit: Unit): void {
    const hostPiece = this.structure.hostOf.get(unit.pieceId);
    const host = hostPiece ? this.serving(hostPiece) : undefined;
    const place = host ? (this.places.get(host.id) ?? 'pump') : 'pump';
    const rest = place === 'bin' ? 'pump' : place;
    for (const notice of this.layers.home(unit, rest === 'pump' ? null : (host?.pieceId ?? null)))
      this.notices.push(notice);
    if (host) this.seated.add(unit.id);
    this.move(unit, rest, 'home');
  }

  protected move(unit: Unit, to: Place, act: Move['act']): void {
    const along = act === 'binned' ? [] : this.inside(unit);
    const from = this.places.get(unit.id) ?? 'pump';
    this.places.set(unit.id, to);
    if (to === 'bin') this.seated.delete(unit.id);
    this.moves.push({ unitId: unit.id, act, from, to, cell: this.cells.of(unit.id)?.number ?? null });
    for (const content of along) this.move(content, to, 'along');
  }
}

function startingPlaces(structure: Structure): Map<string, Place> {
  return new Map([...structure.units.values()].map((unit) => [unit.id, unit.generation === 'new' ? 'tray' : 'pump']));
}

/** Old units sit in their hosts; new ones too, where a host is renewed whole. */
function startingSeats(structure: Structure): Set<string> {
  const seated = [...structure.units.values()].filter(
    (unit) => structure.hostOf.has(unit.pieceId) && (unit.generation === 'old' || structure.within.has(unit.id)),
  );
  return new Set(seated.map((unit) => unit.id));
}
