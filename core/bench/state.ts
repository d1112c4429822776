import type { Pose } from '../model/faces';
import type { Step } from '../model/procedure';
import type { Carried } from './carried';
import type { Cell } from './cells';
import { placeOfPiece } from './facts';
import type { Tightness } from './fields';
import { carriedAfter, type Timeline } from './replay';
import type { Structure } from './structure';
import type { Piece, Place, Unit } from './units';
import { NO_WAY, type Route, type Ways } from './ways';

/** The bench at one moment on one way, as a screen shows it. */
export class BenchState {
  private known: Map<string, Place> | undefined;

  constructor(
    private readonly carried: Carried,
    private readonly route: Route,
  ) {}

  private get structure(): Structure {
    return this.carried.facts.structure;
  }

  /** Where each unit is. */
  get places(): ReadonlyMap<string, Place> {
    this.known ??= new Map([...this.structure.units.values()].map((unit) => [unit.id, this.placeOf(unit)]));
    return this.known;
  }

  /** Whether a unit sits in what it belongs in, wherever that is. */
  isSeated(unit: Unit): boolean {
    return this.inUse(unit) && this.on('at', unit.pieceId) === 'home' && this.on('host', unit.pieceId) !== null;
  }

  /** How the housings lie that somebody laid down. */
  get poses(): ReadonlyMap<string, Pose> {
    return new Map(
      this.carried.facts.touched('pose').flatMap((id) => {
        const pose = this.on('pose', id);
        return pose ? [[id, pose] as const] : [];
      }),
    );
  }

  get shaft(): string | null {
    return this.on('shaft', '');
  }

  /** The state of each thread of a component. */
  threadsOf(componentId: string): Tightness[] {
    return (this.structure.byComponent.get(componentId) ?? []).map(({ id }) => this.on('thread', id));
  }

  /** Steps that drained something which nothing has filled since. */
  get drained(): Step[] {
    return [...this.carried.drains.values()].filter(({ id }) => this.on('drained', id));
  }

  /** Steps that isolated or locked something that still is. */
  get isolatedBy(): Step[] {
    return [...this.carried.isolations].flatMap(([key, step]) => (this.on('isolated', key) === null ? [] : [step]));
  }

  /** Temporary aids that are in. */
  get aids(): string[] {
    return [...this.carried.aids].filter((id) => this.on('aid', id) !== null);
  }

  wasCut(unit: Unit): boolean {
    return this.on('cut', unit.pieceId);
  }

  private placeOf(unit: Unit): Place {
    if (!this.inUse(unit)) return unit.generation === 'old' ? 'bin' : 'tray';
    return placeOfPiece(unit.pieceId, (name, key) => this.on(name, key));
  }

  private inUse({ pieceId, generation }: Unit): boolean {
    return this.on('generation', pieceId) === generation;
  }

  private on<F extends Parameters<Carried['facts']['on']>[0]>(name: F, key: string) {
    return this.carried.facts.on(name, key, this.route);
  }
}

const known = new WeakMap<Timeline, Map<number, BenchState>>();

/** The state of the bench on the main way after the first `count` steps. */
export function stateAfter(timeline: Timeline, count: number): BenchState {
  const states = known.get(timeline) ?? new Map<number, BenchState>();
  known.set(timeline, states);
  const n = Math.max(0, Math.min(count, timeline.frames.length));
  const state = states.get(n) ?? new BenchState(carriedAfter(timeline, n), timeline.main);
  states.set(n, state);
  return state;
}

/** Units in one place, in the order of the series. */
export function unitsIn(timeline: Timeline, state: BenchState, place: Place): Unit[] {
  return [...timeline.units.values()].filter((unit) => state.places.get(unit.id) === place);
}

/** What lies on the cloth by itself, without what sits in it. */
export function lyingFree(timeline: Timeline, state: BenchState): Unit[] {
  return unitsIn(timeline, state, 'cloth').filter((unit) => !state.isSeated(unit));
}

/** The cell a unit has on this cloth, if it ever lies there. */
export function cellOf(timeline: Timeline, unitId: string): Cell | undefined {
  return timeline.cells.find((cell) => cell.unitIds.includes(unitId));
}

/** A piece that is out at the end, and on which ways. */
export interface LeftOut {
  readonly piece: Piece;
  readonly unit: Unit;
  readonly where: 'cloth' | 'tray';
  readonly ways: Ways;
}

const knownLeft = new WeakMap<Timeline, readonly LeftOut[]>();

/** What lies free on the cloth, or is called for in the tray, when all is done: on any way. */
export function leftOut(timeline: Timeline): readonly LeftOut[] {
  const there = knownLeft.get(timeline) ?? findLeftOut(timeline);
  knownLeft.set(timeline, there);
  return there;
}

function findLeftOut(timeline: Timeline): LeftOut[] {
  const { facts } = timeline.end;
  const { questions, structure, within } = timeline;
  return facts
    .touched('at')
    .flatMap((pieceId): LeftOut[] => {
      const piece = structure.pieces.get(pieceId);
      if (!piece) return [];
      const variants = facts.variants('at', pieceId);
      if (variants.every(({ value }) => value !== 'cloth' && value !== 'tray')) return [];
      const found = variants.flatMap(({ ways, value }) => {
        const there = questions.both(ways, within);
        return there !== NO_WAY && (value === 'cloth' || value === 'tray') ? [{ where: value, ways: there }] : [];
      });
      return found.flatMap(({ where, ways }) => {
        const generation = facts.on('generation', pieceId, questions.sample(ways) ?? new Map());
        const unit = structure.units.get(`${pieceId}/${generation}`);
        return unit ? [{ piece, unit, where, ways }] : [];
      });
    })
    .concat(neverMoved(timeline));
}

/** Parts that join the pump, or lay on the bench at the start, and that no step touched. */
function neverMoved({ end, structure, units, within }: Timeline): LeftOut[] {
  const touched = new Set(end.facts.touched('at'));
  return [...structure.pieces.values()].flatMap((piece): LeftOut[] => {
    const where = structure.joining.has(piece.componentId)
      ? 'tray'
      : structure.startsOut.has(piece.componentId)
        ? 'cloth'
        : undefined;
    if (!where || touched.has(piece.id)) return [];
    const unit = units.get(`${piece.id}/${where === 'tray' ? 'new' : 'old'}`);
    return unit ? [{ piece, unit, where, ways: within }] : [];
  });
}

/** The component of each new piece that a procedure asks for; what comes within a new host is not asked for. */
export function newPieces({ structure, units }: Timeline): string[] {
  return [...units.values()].flatMap(({ generation, pieceId, componentId }) =>
    generation === 'new' && !structure.comesWith.has(pieceId) ? [componentId] : [],
  );
}

/** The answers that lead to a step, for showing the bench as it is on that way. */
export function routeTo(timeline: Timeline, index: number): Route {
  const ways = timeline.frames[index]?.ways ?? NO_WAY;
  return timeline.questions.sample(ways) ?? new Map();
}
