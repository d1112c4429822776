import type { Verb } from '../../../../model/verbs';
import type { UnitSymbol } from '../../../../quantity/units';

/** What is understood of a line in plain words, before names are looked up or made. */
export interface Said {
  readonly acts: readonly SaidAct[];
  /** What is said of the step in hand and makes no step of its own. */
  readonly note: SaidNote;
  readonly doubts: readonly Doubt[];
}

export interface SaidNote {
  readonly cautions: readonly SaidCaution[];
  readonly how: readonly string[];
  readonly why: readonly string[];
}

export interface SaidCaution {
  readonly signal: 'DANGER' | 'WARNING' | 'CAUTION' | 'NOTICE';
  readonly text: string;
}

export interface SaidPart {
  readonly name: string;
  /** How many are meant, and of how many where that is said. */
  readonly count?: number;
  readonly total?: number;
  /** All but so many of them are meant: how many that is, the series knows. */
  readonly but?: number;
  /** Said in quotes: the name is meant just so, and so is the count. */
  readonly quoted?: true;
  /** Where its name stands in the line; `fromCount` where its number begins. */
  readonly from: number;
  readonly to: number;
  readonly fromCount?: number;
}

export interface SaidTool {
  readonly name: string;
  readonly size?: string;
  readonly count?: number;
}

export interface SaidFigure {
  readonly value: number;
  readonly unit: UnitSymbol;
  /** As far as it may be off, in per cent. */
  readonly tolerancePercent?: number;
  /** The same once more in another unit. */
  readonly also?: { readonly value: number; readonly unit: UnitSymbol };
}

export interface SaidApplied {
  readonly name: string;
  readonly amount?: string;
  readonly where?: string;
}

export interface SaidAct extends SaidNote {
  readonly verb: Verb;
  readonly parts: readonly SaidPart[];
  /** What it is done to where that is no part: "the bore", "the gear oil". */
  readonly about?: string;
  readonly into?: string;
  readonly tools: readonly SaidTool[];
  readonly applied: readonly SaidApplied[];
  readonly positionSetId?: string;
  readonly positionIds: readonly string[];
  /** How the places were said. */
  readonly positionNames?: readonly string[];
  readonly faces?: { readonly end: string; readonly toward: string };
  readonly figure?: SaidFigure;
  readonly minutes?: number;
  /** What to look for. */
  readonly looks: readonly string[];
  /** Signs upon which it is renewed: "replace it if it is scored". */
  readonly renewIf: readonly string[];
}

export type DoubtKind =
  | 'verb'
  | 'sense'
  | 'part'
  | 'which-part'
  | 'near-part'
  | 'odd-name'
  | 'pronoun'
  | 'place'
  | 'facing'
  | 'count'
  | 'unit'
  | 'figure'
  | 'condition'
  | 'repeat'
  | 'unlikely'
  | 'out-already'
  | 'held-by-others'
  | 'tool'
  | 'unread';

/** Something that has to be asked before the line is added. */
export interface Doubt {
  readonly kind: DoubtKind;
  /** The words it is about, as offsets in the line. */
  readonly from: number;
  readonly to: number;
  readonly text: string;
  /** What these words may be replaced by, so that the line says one thing; the likeliest first. */
  readonly offers: readonly string[];
}
