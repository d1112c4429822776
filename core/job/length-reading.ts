import { type MeasuringPlace, placesOf } from '../judging/measure';
import { dimensionOf } from '../model/lookup';
import type { Step, Workbook } from '../model/procedure';
import { readUnit, unitOf } from '../quantity/units';
import { isGauged, placeInHand } from './demands';
import type { EntryContent } from './entry';
import { runOf, sameSpot } from './job';
import type { JobState } from './state';
import { stepPlaces } from './to-do';

/** What a connected calliper sent. */
export interface SentLength {
  /** The instrument's own name of the reading. */
  readonly id: string;
  readonly ageMs: number;
  readonly peak: { readonly value: number; readonly unit: string };
  readonly number: string;
}

/** Where one size of a part is measured. */
export interface MeasuringSpot extends MeasuringPlace {
  readonly measurementId: string;
  readonly positionId: string | null;
}

export type PlacedLength =
  | { readonly is: 'known' | 'waits' }
  | { readonly is: 'taken'; readonly content: EntryContent; readonly spot: MeasuringSpot }
  | { readonly is: 'unused'; readonly why: 'late' | 'no-size' | 'nothing-open' };

/** After so long the calliper may be on another part by now. */
const LATE_MS = 15_000;

/**
 * Where the reading of a connected calliper goes: to the spot that was tapped, else to the first one that is not measured
 * yet. What comes late, in another kind of unit, or where nothing is open is not used, and told.
 */
export function placeLength(
  { id, ageMs, peak, number }: SentLength,
  { step, tapped }: { step: Step | undefined; tapped: MeasuringSpot | undefined },
  state: JobState,
  by: string,
  workbook: Workbook,
): PlacedLength {
  if (state.wrenchReadings.has(id)) return { is: 'known' };
  if (state.phase !== 'running' || state.holder !== by) return { is: 'waits' };
  if (ageMs > LATE_MS) return { is: 'unused', why: 'late' };
  const spot = tapped ?? (step && spotsOpen(step, state, workbook)[0]);
  const asked = step?.measurements?.find((one) => one.id === spot?.measurementId);
  if (!step || !spot || !asked) return { is: 'unused', why: 'nothing-open' };
  const unit = readUnit(peak.unit);
  if (!unit || unitOf(unit).dimension !== dimensionOf(asked) || peak.value < 0) return { is: 'unused', why: 'no-size' };
  return {
    ...{ is: 'taken', spot },
    content: {
      ...{ kind: 'measured', stepId: step.id, ...spot, reading: { value: peak.value, unit } },
      instrument: { number, reading: id },
    },
  };
}

/** What is left to measure in a step, in the order in which it is asked for; only at the place in hand where there is one. */
export function spotsOpen(step: Step, state: JobState, workbook: Workbook): MeasuringSpot[] {
  const run = runOf(state, step.id);
  const inHand = placeInHand(step, run, workbook);
  const places = inHand ? [inHand] : stepPlaces(step, workbook);
  return (step.measurements ?? []).flatMap((measurement) =>
    places
      .filter((positionId) => !isGauged(run, measurement.id, positionId))
      .flatMap((positionId) =>
        placesOf(measurement).map((place) => ({ measurementId: measurement.id, positionId, ...place })),
      )
      .filter((spot) => !run.measured.some((one) => sameSpot(one, spot))),
  );
}
