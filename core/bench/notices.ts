import type { Faces, Pose } from '../model/faces';
import type { Line } from '../reading/words';
import type { Place } from './units';

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
      reason: 'not-in-pump' | 'not-out' | 'already-renewed' | 'nothing-in-it' | 'not-fitted' | 'gone';
    }
  /** At these positions there is nothing to act on, while at others there is. */
  | { kind: 'partly-there'; componentId: string; act: 'takes' | 'refits'; positionIds: readonly string[] }
  /** The step names places that have nothing to do with the part. */
  | { kind: 'wrong-places'; componentId: string; positionIds: readonly string[] }
  | { kind: 'aid-not-in'; toolId: string }
  /** `sure` where the series says it, else presumed from the order of the take-down. */
  | { kind: 'covered'; componentId: string; byComponentId: string; sure: boolean }
  /** A part goes home while another that came off after it is still out; `segment` where both came off together. */
  | {
      kind: 'buried';
      componentId: string;
      underPieceId: string;
      sure: boolean;
      takenAt: number;
      segment: boolean;
    }
  | { kind: 'still-tight'; componentId: string; fastenerId: string }
  /** Held by a fastener that is loose, but still on. */
  | { kind: 'still-held'; componentId: string; fastenerId: string }
  | { kind: 'reused'; componentId: string; cut: boolean }
  | { kind: 'not-isolated' }
  | { kind: 'pressure-kept'; line: Line | null }
  | { kind: 'restored-open'; componentIds: readonly string[]; why: 'out' | 'loose' }
  | { kind: 'tested-locked'; lockedBy: string }
  /** The pump is run while what was drained is missing. */
  | { kind: 'run-dry'; about: string | undefined }
  /** Something is isolated or closed when the pump is open already. */
  | { kind: 'closed-late' }
  /** A part is marked when it is off. */
  | { kind: 'marked-late'; componentId: string }
  /** A valve is opened that nothing closed. */
  | { kind: 'not-closed' }
  /** Oil is filled that nothing drained. */
  | { kind: 'not-drained' }
  /** The step names more pieces than there are at a place. */
  | { kind: 'too-many'; componentId: string; said: number; there: number }
  | { kind: 'spring-release'; componentId: string }
  | { kind: 'unmarked'; componentId: string }
  | { kind: 'swapped'; componentId: string; fromPositionId: string; toPositionId: string }
  | { kind: 'faces-wrong'; componentId: string; expected: Faces }
  | { kind: 'faces-clash'; componentId: string; housingId: string; pose: Pose; expected: Faces }
  | { kind: 'stack-order'; componentId: string; overId: string; stackId: string }
  | { kind: 'methods-disagree'; methodId: string; componentIds: readonly string[] }
  | { kind: 'dry-seal'; componentId: string; consumableId: string | null }
  | { kind: 'compound-missing'; componentId: string; consumableId: string }
  | { kind: 'old-compound'; componentId: string; consumableId: string }
  | { kind: 'sets-first'; componentId: string; consumableId: string; openMinutes: number; minutes: number }
  | { kind: 'soak-short'; componentId: string; wanted: number; minutes: number | null }
  | { kind: 'thread-condition'; componentId: string; consumableId: string | null }
  | { kind: 'torque-early'; componentId: string; heldId: string }
  | { kind: 'lock-early'; componentId: string; fastenerId: string }
  | { kind: 'lock-before-torque'; componentId: string; lockId: string }
  | { kind: 'second-figure'; componentId: string; first: number; second: number }
  | { kind: 'hole-occupied'; componentId: string; toolId: string; free: number; used: number }
  | { kind: 'shaft-elsewhere'; wanted: string; is: string | null }
  | { kind: 'filled-open'; componentIds: readonly string[] };

export type NoticeKind = Notice['kind'];
export type NoticeOf<K extends NoticeKind> = Extract<Notice, { kind: K }>;
