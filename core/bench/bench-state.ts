import type { Step } from '../model/procedure';
import type { Pose } from '../orientation/faces';
import type { Place } from './units';

/** What has been done to a unit. */
export type Mark =
  | 'marked'
  | 'cleaned'
  | 'inspected'
  | 'measured'
  | 'lubricated'
  | 'compound'
  | 'soaked'
  | 'cut'
  | 'aligned';

/** Of the fasteners of one component at one position; a group nobody touched is tight. */
export type Tightness = 'tight' | 'loose' | 'by-hand' | 'torqued';

/** Something put on a unit, and when: minutes of work said so far. */
export interface Applied {
  readonly consumableId: string;
  readonly at: number;
}

/** Everything about the bench at one moment. */
export interface BenchState {
  readonly places: ReadonlyMap<string, Place>;
  /** Units that sit in their host, wherever that is. */
  readonly seated: ReadonlySet<string>;
  readonly marks: ReadonlyMap<string, ReadonlySet<Mark>>;
  /** What was put on each unit since it was last cleaned. */
  readonly applied: ReadonlyMap<string, readonly Applied[]>;
  /** When each unit was put to soak. */
  readonly soaking: ReadonlyMap<string, number>;
  /** Minutes of work so far; a step that says none is taken to last a little. */
  readonly clock: number;
  readonly groups: ReadonlyMap<string, Tightness>;
  /** Temporary aids that are in, by tool, with the step that put them there. */
  readonly aids: ReadonlyMap<string, Step>;
  /** Steps that drained something which nothing has filled since. */
  readonly drained: ReadonlyMap<string, Step>;
  /** The last step that isolated; null when nothing is isolated. */
  readonly isolatedBy: Step | null;
  readonly pressure: 'held' | 'released';
  /** Spring-loaded components that are compressed or eased out under control. */
  readonly tamed: ReadonlySet<string>;
  readonly poses: ReadonlyMap<string, Pose>;
  /** How the shaft was last turned, in the words of the step. */
  readonly shaft: string | null;
  /** Pieces that sit at another position than their own. */
  readonly seats: ReadonlyMap<string, string>;
}

/** What a step did to a unit: laid out, put home, thrown away, or carried along in its host. */
export interface Move {
  readonly unitId: string;
  readonly act: 'out' | 'home' | 'binned' | 'along';
  readonly from: Place;
  readonly to: Place;
  /** The numbered cell it is laid in, or leaves. */
  readonly cell: number | null;
}

/** What the bench notices while a step is carried out. */
export type Notice =
  | {
      kind: 'not-there';
      componentId: string;
      reason: 'not-in-pump' | 'not-out' | 'already-renewed' | 'nothing-in-it' | 'not-fitted';
    }
  /** At these positions there is nothing to act on, while at others there is. */
  | { kind: 'partly-there'; componentId: string; act: 'takes' | 'refits'; positionIds: readonly string[] }
  | { kind: 'aid-not-in'; toolId: string }
  | { kind: 'covered'; componentId: string; byComponentId: string; sure: boolean }
  | { kind: 'buried'; componentId: string; underPieceId: string; sure: boolean }
  | { kind: 'still-tight'; componentId: string; fastenerId: string }
  | { kind: 'reused'; componentId: string; cut: boolean }
  | { kind: 'not-isolated' }
  | { kind: 'pressure-kept' }
  | { kind: 'spring-release'; componentId: string }
  | { kind: 'unmarked'; componentId: string }
  | { kind: 'swapped'; componentId: string; fromPositionId: string; toPositionId: string }
  | { kind: 'faces-clash'; componentId: string; housingId: string; pose: Pose; toward: string }
  | { kind: 'methods-disagree'; methodId: string }
  | { kind: 'dry-seal'; componentId: string; consumableId: string | null }
  | { kind: 'old-compound'; componentId: string; consumableId: string }
  | { kind: 'sets-first'; componentId: string; consumableId: string; openMinutes: number; minutes: number }
  | { kind: 'soak-short'; componentId: string; wanted: number; minutes: number | null }
  | { kind: 'thread-condition'; componentId: string; consumableId: string | null };

/** The fasteners of a component at one position, tightened together. */
export function groupKey(componentId: string, positionId: string | null): string {
  return `${componentId}/${positionId ?? ''}`;
}
