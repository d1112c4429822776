import type { Step, Workbook } from '../model/procedure';
import type { Quantity } from '../quantity/schema';
import { readUnit, unitOf } from '../quantity/units';
import { demandsOf, placeInHand, readingPlaces } from './demands';
import type { EntryContent } from './entry';
import type { AsideReason } from './entry-words';
import { runOf } from './job';
import type { JobState, JudgedReading } from './state';
import { isTightened, jointOfStep, type TighteningSpot } from './tightening';

/** A peak as a connected wrench sent it. */
export interface WrenchReading {
  /** The wrench's own name of the reading. */
  readonly id: string;
  readonly takenAt: string;
  readonly ageMs: number;
  readonly peak: { readonly value: number; readonly unit: string };
  readonly wrench: { readonly number: string; readonly calibratedUntil?: string | undefined };
}

/** Where the technician is: the step in hand as it is done in the job, its place, and the fastener in hand. */
export interface InHand {
  readonly step: Step | undefined;
  readonly place: string | null;
  readonly spot: TighteningSpot | undefined;
}

export type PlacedReading =
  /** It is kept already. */
  | { readonly is: 'known' }
  /** Nobody has the job in hand: it waits. */
  | { readonly is: 'waits' }
  | { readonly is: 'taken'; readonly content: EntryContent; readonly note?: 'repeated' }
  /** The technician says what it was of. */
  | { readonly is: 'asked'; readonly content: EntryContent }
  | { readonly is: 'aside'; readonly content: EntryContent; readonly why: AsideReason };

/** What comes later than this has waited in the wrench, and the fastener in hand may be another one by now. */
const LATE_MS = 15_000;
/** Nobody is at the next fastener and through with it so soon. Common practice. */
const REPEATED_MS = 2500;

/**
 * Where the reading of a connected wrench goes. It never passes for another fastener without being told: what was read
 * before the link was lost is asked about, a second click right after a good one is of the same fastener, and what comes
 * where nothing is tightened is kept aside.
 */
export function placeReading(
  reading: WrenchReading,
  { step, place, spot }: InHand,
  state: JobState,
  by: string,
  workbook: Workbook,
): PlacedReading {
  if (state.wrenchReadings.has(reading.id)) return { is: 'known' };
  if (state.phase !== 'running' || state.holder !== by) return { is: 'waits' };
  const torque = torqueOf(reading.peak);
  const run = step && runOf(state, step.id);
  if (!torque) return asideFor(reading, 'no-torque');
  if (!step || !run || readingPlaces(step, workbook).length === 0) return asideFor(reading, 'no-torque-step');
  const joint = jointOfStep(step, workbook);
  const take = (at: Pick<InHand, 'place' | 'spot'>): EntryContent => ({
    kind: 'torque-read',
    stepId: step.id,
    positionId: at.place,
    reading: torque,
    ...(at.spot && { spot: at.spot }),
    wrench: { ...reading.wrench, reading: reading.id, ...(reading.ageMs > LATE_MS && { takenAt: reading.takenAt }) },
  });
  const last = run.readings.at(-1);
  if (last && isRepeated(last, reading) && (!joint || (last.spot && isTightened(run, last.positionId, last.spot))))
    return { is: 'taken', content: take({ place: last.positionId, spot: last.spot }), note: 'repeated' };
  const isOpen = joint ? spot !== undefined : demandsOf(step, run, workbook).some(({ what }) => what === 'torque');
  if (!isOpen) return asideFor(reading, 'all-done');
  const content = take({ place: joint ? place : placeOf(step, run, workbook), spot });
  return reading.ageMs > LATE_MS ? { is: 'asked', content } : { is: 'taken', content };
}

/** The entry that keeps a reading which is of no fastener. */
export function asideFor(reading: WrenchReading, why: AsideReason): PlacedReading & { is: 'aside' } {
  const { peak, wrench, id, takenAt } = reading;
  return {
    is: 'aside',
    why,
    content: { kind: 'reading-set-aside', peak, why, wrench: { ...wrench, reading: id, takenAt } },
  };
}

/** A peak as a torque; undefined where its unit is none, or nothing was pulled. */
export function torqueOf({ value, unit }: WrenchReading['peak']): Quantity | undefined {
  const symbol = readUnit(unit);
  return symbol && unitOf(symbol).dimension === 'torque' && value > 0 ? { value, unit: symbol } : undefined;
}

/** The place of a step without a plan that is asked for next. */
function placeOf(step: Step, run: ReturnType<typeof runOf>, workbook: Workbook): string | null {
  const inHand = placeInHand(step, run, workbook);
  if (inHand) return inHand;
  const open = demandsOf(step, run, workbook).find(({ what }) => what === 'torque');
  return open?.what === 'torque' ? open.positionId : null;
}

function isRepeated(last: JudgedReading, { takenAt, wrench }: WrenchReading): boolean {
  const since = Date.parse(takenAt) - Date.parse(last.wrench?.takenAt ?? last.at);
  return last.wrench?.number === wrench.number && last.verdict === 'within' && since >= 0 && since < REPEATED_MS;
}
