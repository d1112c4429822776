import type { Measured, MeasureVerdict } from '../judging/measure';
import type { Consequence } from '../model/looks';
import type { PictureMark } from '../model/pictures/picture';
import type { Setting } from '../model/procedure-words';
import type { PhotoFault } from '../photo/judge-photo';
import type { Proof, ProofVerdict } from '../proving/proofs';
import type { Sample } from '../proving/run';
import type { Quantity } from '../quantity/schema';
import type { TorqueVerdict } from '../torque/judge';
import type { AsideReason, Gap, Overridable, ProblemPlace, Signer, WaitsFor } from './entry-words';
import type { TighteningSpot } from './tightening';
import type { Answers } from './to-do';

/** One reading of a torque step, judged against the figure of the release. */
export interface JudgedReading {
  readonly entryId: string;
  readonly at: string;
  readonly by: string;
  readonly positionId: string | null;
  readonly reading: Quantity;
  readonly verdict: TorqueVerdict;
  /** Which fastener in which pass, where the joint is tightened by a plan. */
  readonly spot?: TighteningSpot;
  /** Why it was let stand although it is out of its window. */
  readonly accepted?: Noted;
  readonly wrench?: SentBy;
  /** It was taken for another fastener first; by whom it was put right. */
  readonly moved?: { readonly at: string; readonly by: string };
}

/** The connected wrench that a reading came from. */
export interface SentBy {
  readonly number: string;
  readonly calibratedUntil?: string | undefined;
  readonly reading?: string | undefined;
  /** Where it was sent later. */
  readonly takenAt?: string | undefined;
}

/** What a connected wrench sent and no fastener has. */
export interface SetAside {
  readonly at: string;
  readonly by: string;
  readonly peak: { readonly value: number; readonly unit: string };
  readonly why: AsideReason;
  readonly wrench: SentBy;
}

/** One fastener turned on by the angle of its pass. */
export interface TurnedOn {
  readonly positionId: string | null;
  readonly spot: TighteningSpot;
  readonly at: string;
  readonly by: string;
}

/** One length as measured, judged against the limits of the release. */
export interface JudgedMeasure extends Measured {
  readonly at: string;
  readonly by: string;
  readonly measurementId: string;
  readonly positionId: string | null;
  readonly verdict: MeasureVerdict;
  /** The number of the instrument that sent it; typed without one. */
  readonly instrument?: string;
}

/** A run on the test bench. */
export interface RunRead {
  readonly samples: readonly Sample[];
  readonly every?: number;
  readonly instrument?: string;
  readonly at: string;
  readonly by: string;
}

/** Proved by hand, judged against the figures of the release. */
export interface Proved {
  readonly proof: Proof;
  readonly verdict: ProofVerdict;
  readonly at: string;
  readonly by: string;
}

/** A part that was judged by a new ring slid along it. */
export interface Gauged {
  readonly measurementId: string;
  readonly positionId: string | null;
  readonly gap: Gap;
  readonly at: string;
  readonly by: string;
}

export interface Looked {
  readonly at: string;
  readonly by: string;
  readonly lookId: string;
  readonly positionId: string | null;
  /** Null where all is sound, or where something else was seen. */
  readonly faultId: string | null;
  readonly other?: { readonly sign: string; readonly follows: Consequence };
  readonly photo?: string;
}

export interface Noted {
  readonly at: string;
  readonly by: string;
  readonly text: string;
}

export interface Answer {
  readonly answerId: string;
  readonly positionId: string | null;
  readonly at: string;
  readonly by: string;
}

/** A photo of a check; with what was found wrong with it where it was kept all the same. */
export interface TakenPhoto {
  readonly hash: string;
  /** What is drawn on it. */
  readonly marks?: readonly PictureMark[];
  readonly at: string;
  readonly by: string;
  readonly doubts?: readonly PhotoFault[];
  readonly reason?: string;
}

/** Something that is wrong, where it is, and what it looks like. */
export interface Problem extends Noted {
  readonly entryId: string;
  readonly about?: ProblemPlace;
  readonly photo?: string;
}

/** Drawn on the tablet: who signed, and the strokes. */
export interface DrawnSignature {
  readonly as: Signer;
  readonly name: string;
  readonly strokes: readonly (readonly number[])[];
  readonly at: string;
}

export interface StepRun {
  readonly doneAt: string | null;
  readonly doneBy: string | null;
  /** Whoever did it has confirmed by name what the step asks to be confirmed. */
  readonly isConfirmed: boolean;
  /** The second person at a hold point; taken back by whatever is entered after it. */
  readonly approved: { readonly at: string; readonly by: string } | null;
  readonly readings: readonly JudgedReading[];
  readonly turnedOn: readonly TurnedOn[];
  readonly photos: readonly TakenPhoto[];
  /** The latest reading at each place of each measurement. */
  readonly measured: readonly JudgedMeasure[];
  readonly gauged: readonly Gauged[];
  /** Runs on the test bench, the latest last. */
  readonly tests: readonly RunRead[];
  /** What was proved by hand, the latest last. */
  readonly proved: readonly Proved[];
  /** The latest finding of each look at each position. */
  readonly looked: readonly Looked[];
  /** Positions done, of a step that is gone through one by one. */
  readonly placesDone: readonly { positionId: string; at: string; by: string }[];
  readonly overrides: Readonly<Partial<Record<Overridable, Noted>>>;
  readonly problems: readonly Problem[];
  /** The method chosen, null for the step's own way; undefined while the setting decides. */
  readonly chosenMethodId: string | null | undefined;
  /** The method it was done by; null for the step's own way. */
  readonly doneMethodId: string | null;
  /** What was answered to the question of the step: once, or at each place. */
  readonly answers: readonly Answer[];
}

export interface JobState {
  readonly phase: 'running' | 'paused' | 'finished';
  /** Who has the job in hand. */
  readonly holder: string;
  /** Index of the step in hand; equals the number of steps when all are done. */
  readonly cursor: number;
  readonly runs: ReadonlyMap<string, StepRun>;
  /** The answers given: they decide which steps follow, and where. */
  readonly answers: Answers;
  readonly finishedAt: string | null;
  /** Where the work is done, which may choose the method. */
  readonly setting: Setting;
  /** What connected wrenches and callipers call the readings that are kept. */
  readonly wrenchReadings: ReadonlySet<string>;
  readonly setAside: readonly SetAside[];
  /** Steps that made the pump safe and have not been undone. */
  readonly locks: readonly string[];
  /** Who has last carried out such a step, or checked what was there. */
  readonly locksCheckedBy: string | null;
  /** What a paused job waits for. */
  readonly waitsFor: WaitsFor | null;
  /** The latest of each signer. */
  readonly signatures: readonly DrawnSignature[];
}
