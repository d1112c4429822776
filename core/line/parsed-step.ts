import type { Open } from '../language/en/grammar/names/open';
import type { SaidPart, SaidTool } from '../language/en/grammar/names/said';
import type { Faces } from '../model/faces';
import type { SignalWord } from '../model/procedure-words';
import type { Verb } from '../model/verbs';
import type { Quantity } from '../quantity/schema';

/** What cannot be read and has to be typed again. */
export type LineFault =
  | { kind: 'no-verb'; word: string }
  | { kind: 'no-part'; verb: Verb }
  | { kind: 'unknown-position'; text: string }
  | {
      kind: 'bad-torque';
      text: string;
      reason: 'no-number' | 'no-unit' | 'unknown-unit' | 'other-dimension' | 'negative';
    }
  | { kind: 'bad-minutes'; text: string }
  | { kind: 'bad-faces'; text: string };

/** One step as it was said, with names that are not looked up yet. */
export interface ParsedStep {
  readonly verb: Verb;
  readonly parts: readonly SaidPart[];
  readonly about?: string;
  readonly into?: string;
  /** How it is done, as said. */
  readonly detail?: string;
  readonly why?: string;
  readonly tools: readonly SaidTool[];
  readonly positionIds: readonly string[];
  readonly positionSetId?: string;
  readonly cautions: readonly { signal: SignalWord; text: string }[];
  readonly torque?: { readonly figure: Quantity; readonly tolerancePercent?: number; readonly also?: Quantity };
  readonly minutes?: number;
  readonly photo?: string;
  /** Grease, oil or compound, where it goes and how much. */
  readonly applied: readonly { name: string; where?: string; amount?: string }[];
  readonly faces?: Faces;
  /** What to look for. */
  readonly looks: readonly string[];
  /** Signs upon which it is renewed. */
  readonly renewIf: readonly string[];
}

/** A step while its signs are read. */
export type OpenStep = Open<ParsedStep>;
