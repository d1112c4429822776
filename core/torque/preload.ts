import type { FastenerClass } from '../model/fastener-classes';
import type { TappedMaterial } from '../model/fastener-group';
import { inSi } from '../quantity/quantity';
import type { Quantity } from '../quantity/schema';
import { symbolsOf, type UnitSymbol, unitOf } from '../quantity/units';
import { MOST_OF_STRIPPING, strippingLoad } from './engagement';
import { type NutFactor, nutFactor, type ThreadCondition } from './friction';
import { proofStress } from './strength';
import type { Thread } from './threads';

/** A joint is tight from a fifth of the proof load on, and safe up to nine tenths. Common practice. */
export const LEAST_OF_PROOF = 0.2;
export const MOST_OF_PROOF = 0.9;

/** What is known of fasteners that are tightened together. */
export interface Fastening {
  readonly thread: Thread;
  readonly class?: FastenerClass | undefined;
  readonly condition?: ThreadCondition | undefined;
  /** How far the thread is screwed in, mm, and into what. */
  readonly engagement?: number | undefined;
  readonly into?: TappedMaterial | undefined;
}

export type FigureVerdict = 'sound' | 'too-little' | 'too-much' | 'strips' | 'unknown';

export interface FigureJudged {
  readonly verdict: FigureVerdict;
  readonly nutFactor: NutFactor;
  /** N, at the usual nut factor and at its ends. */
  readonly preload: Spread;
  /** Shares of the proof load; absent where the class is not known. */
  readonly share?: Spread;
  /** N; absent where it is not said what the thread is screwed into. */
  readonly strippingLoad?: number;
  /** What else the number may have meant: readings of it that would be sound. */
  readonly instead: readonly Quantity[];
}

interface Spread {
  readonly usual: number;
  readonly least: number;
  readonly most: number;
}

/** Preload in N of a torque in N·m: F = T / (K·d), d in mm. */
export function preloadOf(torque: number, factor: number, diameter: number): number {
  return (torque * 1000) / (factor * diameter);
}

/** Proof load in N. */
export function proofLoad({ diameter, stressArea }: Thread, kind: FastenerClass): number {
  return proofStress(kind, diameter) * stressArea;
}

/** The torque in N·m that brings a share of the proof load. */
export function torqueFor({ thread, class: kind, condition }: Fastening, share: number): number | undefined {
  if (kind === undefined) return undefined;
  return (nutFactor(condition, kind).usual * thread.diameter * share * proofLoad(thread, kind)) / 1000;
}

/** A figure against what the thread can bear. Without a class only what no steel bears, or all would laugh at, is told. */
export function judgeFigure(figure: Quantity, fastening: Fastening): FigureJudged {
  const judged = judgeReading(inSi(figure), fastening);
  const isOdd = judged.verdict !== 'sound' && judged.verdict !== 'unknown';
  return { ...judged, instead: isOdd ? otherReadings(figure, fastening) : [] };
}

function judgeReading(torque: number, fastening: Fastening): Omit<FigureJudged, 'instead'> {
  const { thread, class: kind, condition, engagement, into } = fastening;
  const factor = nutFactor(condition, kind);
  const preload = {
    usual: preloadOf(torque, factor.usual, thread.diameter),
    least: preloadOf(torque, factor.most, thread.diameter),
    most: preloadOf(torque, factor.least, thread.diameter),
  };
  const stripping =
    engagement === undefined || into === undefined ? undefined : strippingLoad(thread, engagement, into);
  const base = { nutFactor: factor, preload, ...(stripping !== undefined && { strippingLoad: stripping }) };
  const strips = stripping !== undefined && preload.usual > MOST_OF_STRIPPING * stripping;
  if (kind === undefined) {
    const bare = extreme(preload, thread);
    return { ...base, verdict: bare !== 'unknown' ? bare : strips ? 'strips' : 'unknown' };
  }
  const proof = proofLoad(thread, kind);
  const share = { usual: preload.usual / proof, least: preload.least / proof, most: preload.most / proof };
  const verdict =
    share.usual > MOST_OF_PROOF
      ? 'too-much'
      : strips
        ? 'strips'
        : share.usual < LEAST_OF_PROOF
          ? 'too-little'
          : 'sound';
  return { ...base, share, verdict };
}

/** Without a class: more than the strongest steel bears dry, or a tenth of what the weakest bears on a slippery thread. */
function extreme(preload: Spread, thread: Thread): FigureVerdict {
  if (thread.form === 'pipe' || thread.form === 'taper') return 'unknown';
  if (preload.least > proofLoad(thread, '12.9')) return 'too-much';
  return preload.most < 0.1 * proofLoad(thread, '4.6') ? 'too-little' : 'unknown';
}

/** Units that are taken for one another day by day. */
const COMMON: readonly UnitSymbol[] = ['N·m', 'lbf·ft', 'lbf·in'];

/** The same number with its point moved, or in another common unit, where the thread bears it; the nearest slip first. */
function otherReadings(figure: Quantity, fastening: Fastening): Quantity[] {
  const slips: Quantity[] = [
    { value: round(figure.value / 10), unit: figure.unit },
    { value: round(figure.value * 10), unit: figure.unit },
    ...COMMON.filter((unit) => unit !== figure.unit).map((unit) => ({ value: figure.value, unit })),
  ];
  return slips.filter((slip) => bearsWell(slip, fastening));
}

/** Every unit in which a number without one would be sound for the thread; all where nothing is known of its strength. */
export function readingsOf(value: number, fastening: Fastening | undefined): { quantity: Quantity; bears: boolean }[] {
  return symbolsOf('torque').map((unit) => {
    const quantity = { value, unit };
    return { quantity, bears: fastening === undefined || bearsWell(quantity, fastening) };
  });
}

function bearsWell(figure: Quantity, fastening: Fastening): boolean {
  const { verdict } = judgeReading(figure.value * unitOf(figure.unit).factor, fastening);
  return verdict === 'sound' || verdict === 'unknown';
}

function round(value: number): number {
  return Number(value.toPrecision(6));
}
