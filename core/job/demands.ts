import { askedAt } from '../bench/passes';
import { type MeasuringPlace, placesOf } from '../judging/measure';
import type { Step, Workbook } from '../model/procedure';
import { PROOFS, type ProofName } from '../proving/proofs';
import { sameSpot } from './job';
import { latestProof } from './latest-proof';
import { latestRun } from './latest-run';
import type { StepRun } from './state';
import { jointOfStep, spotsLeft, type TighteningSpot } from './tightening';
import { stepPlaces } from './to-do';

/** Something a step asks for before it can be called done. */
export type Demand =
  | { what: 'torque'; positionId: string | null; spot?: TighteningSpot }
  | { what: 'photo' }
  | { what: 'answer'; positionId: string | null }
  | { what: 'measure'; measurementId: string; positionId: string | null; place: MeasuringPlace }
  | { what: 'look'; lookId: string; positionId: string | null }
  | { what: 'run' }
  | { what: 'proof'; proof: ProofName }
  /** A second person, when all else is there. */
  | { what: 'approval' }
  | { what: 'place'; positionId: string };

/** The places a torque step wants a reading for: one a position, or one in all. */
export function readingPlaces(step: Step, workbook: Workbook): (string | null)[] {
  return step.verb === 'torque' || step.torque ? stepPlaces(step, workbook) : [];
}

/**
 * What a step, as it is carried out in the job, still asks for. The latest reading at each place decides; a reading out
 * of its window still has to be put right or overridden.
 */
export function demandsOf(step: Step, run: StepRun, workbook: Workbook): Demand[] {
  const demands: Demand[] = [];
  for (const positionId of stepPlaces(step, workbook)) demands.push(...demandsAt(step, run, positionId, workbook));
  for (const positionId of placesAsked(step, workbook))
    if (!isAnswered(run, positionId)) demands.push({ what: 'answer', positionId });
  if (step.photo && run.photos.length === 0 && !run.overrides.photo) demands.push({ what: 'photo' });
  if (step.run && !run.overrides.run && !runPasses(step, run, workbook)) demands.push({ what: 'run' });
  if (!run.overrides.proof) demands.push(...proofsLeft(step, run).map((proof) => ({ what: 'proof' as const, proof })));
  if (step.holdPoint && !run.approved) demands.push({ what: 'approval' });
  return demands;
}

/** What is asked and not proved yet, or came out bad. */
function proofsLeft({ proofs = {} }: Step, { proved }: StepRun): ProofName[] {
  return PROOFS.filter((name) => proofs[name] && latestProof(proved, name)?.verdict !== 'good');
}

/** Whether the latest run on the test bench does what is asked. */
function runPasses(step: Step, run: StepRun, { series }: Workbook): boolean {
  const latest = latestRun(step, run, series);
  if (!latest) return false;
  const { values, faults } = latest.judged;
  return faults.length === 0 && values.every(({ verdict }) => verdict === 'within');
}

/** The places at which a step asks its question; null where it asks once, none where it asks nothing. */
export function placesAsked(step: Step, { series }: Workbook): (string | null)[] {
  return step.decision ? (askedAt(step, series) ?? [null]) : [];
}

/** Whether a question is answered at a place. */
export function isAnswered({ answers }: StepRun, positionId: string | null): boolean {
  return answers.some((answer) => answer.positionId === positionId);
}

/** What is still open at one position. */
export function demandsAt(step: Step, run: StepRun, positionId: string | null, workbook: Workbook): Demand[] {
  const demands: Demand[] = [];
  const joint = jointOfStep(step, workbook);
  if (joint && !run.overrides.torque)
    demands.push(...spotsLeft(joint, run, positionId).map((spot) => ({ what: 'torque' as const, positionId, spot })));
  else if ((step.verb === 'torque' || step.torque) && !run.overrides.torque) {
    const latest = run.readings.findLast((reading) => reading.positionId === positionId);
    if (!latest || latest.verdict === 'low' || latest.verdict === 'high') demands.push({ what: 'torque', positionId });
  }
  if (!run.overrides.measure) {
    for (const measurement of step.measurements ?? []) {
      if (isGauged(run, measurement.id, positionId)) continue;
      for (const place of placesOf(measurement)) {
        const spot = { measurementId: measurement.id, positionId, ...place };
        if (!run.measured.some((other) => sameSpot(other, spot)))
          demands.push({ what: 'measure', measurementId: measurement.id, positionId, place });
      }
    }
  }
  if (!run.overrides.look) {
    for (const { id: lookId } of step.looks ?? []) {
      if (!run.looked.some((other) => other.lookId === lookId && other.positionId === positionId))
        demands.push({ what: 'look', lookId, positionId });
    }
  }
  if (step.oneByOne && positionId && !run.placesDone.some((place) => place.positionId === positionId))
    demands.push({ what: 'place', positionId });
  return demands;
}

/** Whether a part was judged by a new ring in place of an instrument. */
export function isGauged({ gauged }: StepRun, measurementId: string, positionId: string | null): boolean {
  return gauged.some((one) => one.measurementId === measurementId && one.positionId === positionId);
}

/** The position in hand of a step that is gone through one by one; undefined when all are done or it is done at once. */
export function placeInHand(step: Step, run: StepRun, workbook: Workbook): string | undefined {
  if (!step.oneByOne) return undefined;
  const next = stepPlaces(step, workbook).find(
    (positionId) => positionId && !run.placesDone.some((place) => place.positionId === positionId),
  );
  return next ?? undefined;
}
