import type { Edit } from '../edits/edit';
import type { WrittenWhere } from '../edits/written';
import type { Faces, Pose } from '../model/faces';
import type { FastenerClass } from '../model/fastener-classes';
import type { Quantity } from '../quantity/schema';
import type { Line } from '../reading/words';
import type { PassFault } from '../torque/passes';
import type { OrderFault } from '../torque/pattern';
import type { DifferentIn } from './words/difference';

/** What the checker says about a procedure: what would go wrong at the bench. */
export type Severity = 'stop' | 'warn' | 'advise';

export const FAMILIES = [
  'reach',
  'completeness',
  'faces',
  'matching',
  'tightening',
  'renewal',
  'compounds',
  'safety',
  'looks',
  'evidence',
  'words',
  'paths',
  'drafting',
] as const;
export type Family = (typeof FAMILIES)[number];

type Id = string;
/** Index of a step, from 0. */
type At = number;
interface One {
  readonly componentId: Id;
}

/** What each rule knows when it finds something: enough to say it in any language. */
export interface FactsOf {
  // reach
  covered: One & { readonly byComponentId: Id; readonly sure: boolean };
  'still-tight': One & { readonly fastenerId: Id };
  'not-there': One & {
    readonly reason: 'not-in-pump' | 'not-out' | 'already-renewed' | 'nothing-in-it' | 'not-fitted' | 'gone';
  };
  'too-many': One & { readonly said: number; readonly there: number };
  'partly-there': One & { readonly positionIds: readonly Id[]; readonly act: 'takes' | 'refits' };
  'aid-not-there': { readonly toolId: Id };
  'wrong-places': One & { readonly positionIds: readonly Id[] };
  buried: { readonly overId: Id; readonly parts: readonly { readonly componentId: Id; readonly pieces: number }[] };
  'shaft-elsewhere': { readonly wanted: string; readonly is: string | null };
  // completeness
  empty: Record<never, never>;
  'left-on-cloth': One & { readonly takenAt: At | null };
  'left-in-tray': One;
  'how-many': One;
  'aid-left-in': { readonly toolId: Id; readonly putInAt: At | null };
  'change-missed': One & {
    readonly change: 'leaves' | 'joins' | 'moves' | 'turns' | 'exchanges';
    readonly fromPositionId?: Id;
    readonly toPositionId?: Id;
    readonly withComponentId?: Id;
  };
  'loose-at-end': One & { readonly startedAt: At | null; readonly pieces: number; readonly of: number };
  'not-refilled': { readonly about: string | undefined };
  'filled-open': { readonly componentIds: readonly Id[] };
  'not-restored': { readonly about: string | undefined };
  'restored-open': { readonly componentIds: readonly Id[]; readonly why: 'out' | 'loose' };
  'not-closed': { readonly about: string | undefined };
  'not-drained': { readonly about: string | undefined };
  'tested-locked': { readonly lockedAt: At | null };
  'run-dry': { readonly about: string | undefined };
  'closed-late': { readonly about: string | undefined };
  // faces
  'faces-wrong': One & { readonly expected: Faces };
  'faces-clash': One & { readonly housingId: Id; readonly pose: Pose; readonly expected: Faces };
  'faces-unsaid': One & { readonly expected: Faces | null; readonly what: 'end' | 'clocking' };
  unrecorded: One;
  'stack-order': One & { readonly overId: Id; readonly stackId: Id };
  'stack-count': One & { readonly held: number; readonly listed: number; readonly eachPlace: boolean };
  // matching
  swapped: One & { readonly fromPositionId: Id; readonly toPositionId: Id };
  unmarked: One;
  'marked-late': One;
  // tightening
  'torque-misplaced': Record<never, never>;
  'torque-early': One & { readonly heldId: Id };
  'lock-early': One & { readonly fastenerId: Id };
  'lock-before-torque': One & { readonly lockId: Id };
  'second-figure': One & { readonly first: Quantity; readonly second: Quantity };
  'hole-occupied': One & { readonly toolId: Id; readonly free: number; readonly used: number };
  'key-size': One & { readonly down: string; readonly back: string };
  'wrench-loosens': { readonly toolId: Id };
  'power-tightens': { readonly toolId: Id };
  'no-wrench': Record<never, never>;
  'wrench-range': { readonly toolId: Id } & (
    | { readonly figure: Quantity; readonly from: Quantity; readonly to: Quantity }
    /** No piece of the wrench is calibrated any more; the last one was until this day (ISO date). */
    | { readonly overdue: string }
  );
  implausible: One & {
    readonly figure: Quantity;
    /** "M8", and its class where that is known. */
    readonly thread: string;
    readonly class: FastenerClass | null;
    readonly verdict: 'too-little' | 'too-much' | 'strips';
    /** Of the proof load; null where the class is not known. */
    readonly percent: number | null;
    /** What the number may have meant, the likeliest first. */
    readonly instead: readonly Quantity[];
  };
  /** Places are counted from 1. */
  'joint-order': One & {
    readonly fault: OrderFault['is'];
    readonly place: number;
    readonly after: number | null;
  };
  'joint-passes': One & { readonly fault: Exclude<PassFault, 'below-wrench'> };
  'figure-differs': One & { readonly figure: Quantity; readonly usual: Quantity };
  'odd-unit': { readonly figure: Quantity; readonly usual: string; readonly by: 'figures' | 'wrench' };
  'no-unit': { readonly figure: string; readonly word: string };
  'no-figure': Record<never, never>;
  'pass-missing': { readonly figure: Quantity | null };
  'two-figures': { readonly figure: Quantity; readonly also: Quantity; readonly percent: number };
  'thread-condition': One & {
    readonly consumableId: Id | null;
    readonly figure: Quantity;
    readonly threadSaid: boolean;
  };
  'no-source': { readonly figure: Quantity };
  // renewal
  reused: One & { readonly cut: boolean; readonly pieces: number };
  untouched: One & { readonly hostId: Id };
  'renewed-early': One & { readonly takenAt: At };
  'kit-short': One & { readonly needed: number; readonly held: number };
  'not-in-kit': One & { readonly needed: number };
  'kit-unused': { readonly kitId: Id; readonly laidOut: number; readonly needed: number };
  'no-spare': One & { readonly sign: string };
  // compounds
  swells: One & { readonly consumableId: Id; readonly rating: 3 | 4; readonly material: string };
  'old-compound': One & { readonly consumableId: Id };
  'sets-first': One & { readonly consumableId: Id; readonly openMinutes: number; readonly minutes: number };
  'soak-short': One & { readonly wanted: number; readonly minutes: number | null };
  'dry-seal': One & { readonly consumableId: Id | null };
  'compound-missing': One & { readonly consumableId: Id };
  'both-compounds': { readonly consumableIds: readonly Id[] };
  'nothing-applied': { readonly verb: 'lubricate' | 'apply-compound' | 'soak' };
  // safety
  'spring-release': One;
  'not-isolated': Record<never, never>;
  'weak-isolation': { readonly about: string };
  'pressure-kept': { readonly line: Line | null };
  'pressure-first': { readonly isolatedAt: At; readonly by: 'drive' | 'valve' };
  heavy: One & { readonly kg: number };
  'lift-short': One & { readonly toolId: Id; readonly kg: number; readonly load: Quantity };
  'brittle-pry': One;
  // looks
  'limits-contradict': { readonly what: string; readonly wrong: 'order' | 'nominal' | 'units' | 'verdict' };
  'no-limits': { readonly what: string };
  'no-gauge': { readonly what: string };
  'gauge-range': { readonly toolId: Id; readonly what: string };
  'nothing-to-look-for': One & { readonly measures: boolean };
  'odd-verdict': { readonly sign: string };
  'look-early': One & { readonly byComponentId: Id };
  'never-looked': One;
  'look-late': One;
  // evidence
  'no-last-look': Record<never, never>;
  'no-as-found': { readonly disturbedAt: At };
  // words
  'no-such-step': { readonly named: number; readonly steps: number };
  'text-differs': {
    readonly what: DifferentIn;
    readonly only: 'text' | 'step';
    readonly name: string;
    readonly where: WrittenWhere;
    readonly more: number;
  };
  'unlisted-tool': { readonly name: string };
  vague: { readonly words: string; readonly noPicture: boolean };
  'long-sentence': { readonly words: number };
  'two-actions': { readonly words: string };
  'house-term': { readonly said: string; readonly say: string };
  // paths
  'paths-disagree': { readonly parts: readonly Id[] };
  'methods-disagree': { readonly methodId: Id };
  'too-many-ways': Record<never, never>;
  'dead-path': { readonly why: 'unreached' | 'idle' };
  // drafting
  unconfirmed: { readonly count: number };
}

export type RuleId = keyof FactsOf;

/** An answer on the way where something happens. */
export interface Answered {
  readonly stepId: string;
  readonly answerId: string;
  readonly positionId?: string;
  /** It is the choice of a method instead. */
  readonly method?: true;
}

export interface FindingOf<R extends RuleId> {
  readonly id: R;
  readonly severity: Severity;
  /** The step to go to; absent when the whole procedure is meant. */
  readonly stepId?: string;
  readonly componentIds: readonly string[];
  /** The pieces meant, where not every piece of the components is. */
  readonly unitIds?: readonly string[];
  /** The answers it takes; absent where it happens whatever the answers. */
  readonly on?: readonly Answered[];
  readonly facts: FactsOf[R];
  /** Why the trainer lets a warning stand. */
  readonly accepted?: string;
}

export type Finding = { [R in RuleId]: FindingOf<R> }[RuleId];

/** What a fix does, to be said by the language. */
export type FixWords =
  | {
      readonly does:
        | 'move-behind'
        | 'loosen-first'
        | 'drop-aid'
        | 'add-step'
        | 'take-out-at-end'
        | 'add-torque'
        | 'add-filling'
        | 'add-restoring'
        | 'fit-own-place'
        | 'mark-first'
        | 'move-to-put-back'
        | 'take-tool-out'
        | 'add-renewal'
        | 'add-cleaning'
        | 'ease-first'
        | 'add-isolating'
        | 'add-release'
        | 'add-caution'
        | 'draw-instead'
        | 'ask-photo'
        | 'rebuild-sentence'
        | 'do-always'
        | 'confirm-all'
        | 'swap-limits'
        | 'take-kit-out'
        | 'isolate-first'
        | 'add-closing'
        | 'add-draining'
        | 'use-pattern-order'
        | 'use-usual-passes';
    }
  | { readonly does: 'use-facing'; readonly faces: Faces }
  | { readonly does: 'use-tool' | 'use-consumable' | 'say-consumable' | 'apply-consumable'; readonly id: string }
  | { readonly does: 'say-dry' }
  | { readonly does: 'use-figure'; readonly figure: Quantity }
  | { readonly does: 'list-count' | 'lay-out-kits' | 'soak-longer'; readonly count: number }
  | { readonly does: 'say-term'; readonly term: string }
  | { readonly does: 'add-tool'; readonly name: string };

/** Edits that would put it right, to be applied as one. */
export interface Fix {
  readonly words: FixWords;
  readonly edits: readonly Edit[];
}

/** Tells one finding from another by what it is about, not by its words: a step moved renumbers those of others. */
export function findingKey({ id, stepId, componentIds }: Finding): string {
  return [id, stepId ?? '', ...componentIds].join(' ');
}
