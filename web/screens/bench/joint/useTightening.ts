import { useState } from 'react';
import { placeInHand, readingPlaces } from '#core/job/demands';
import type { StepRun } from '#core/job/state';
import { isTightened, jointOfStep, spotsLeft, type TighteningSpot } from '#core/job/tightening';
import type { Step, Workbook } from '#core/model/procedure';
import type { TighteningPlan } from '#core/torque/tightening-plan';

/** A joint while it is tightened: at which place, which fastener is in hand, and which are done in its pass. */
export interface Tightening {
  readonly joint: TighteningPlan;
  readonly place: string | null;
  /** Nothing where all is done here. */
  readonly spot: TighteningSpot | undefined;
  /** Slots done in the pass in hand. */
  readonly done: ReadonlySet<number>;
  /** How many are done in each pass. */
  readonly doneIn: readonly number[];
  /** Takes another fastener of this pass in hand. */
  pick(slot: number): void;
}

/** The joint that a step tightens; nothing where it tightens none by a plan. */
export function useTightening(
  step: Step | undefined,
  run: StepRun | undefined,
  workbook: Workbook,
): Tightening | undefined {
  const [picked, setPicked] = useState<{
    stepId: string;
    place: string | null;
    spot: TighteningSpot;
    readings: number;
  }>();
  const joint = step && jointOfStep(step, workbook);
  if (!step || !run || !joint) return undefined;
  const inHandAt = placeInHand(step, run, workbook);
  const places = readingPlaces(step, workbook);
  const place = inHandAt ?? places.find((one) => spotsLeft(joint, run, one).length > 0) ?? places.at(-1) ?? null;
  const [next] = spotsLeft(joint, run, place);
  // What was picked holds until it is read.
  const holds =
    picked?.stepId === step.id &&
    picked.place === place &&
    picked.readings === run.readings.length + run.turnedOn.length;
  // One that was just read out of its window stays in hand until it is put right or let stand.
  const last = run.readings.at(-1);
  const open = last?.positionId === place && last.spot && !isTightened(run, place, last.spot) ? last.spot : undefined;
  const [spot = next] = [holds ? picked.spot : undefined, open].filter(
    (one) => one !== undefined && one.pass === next?.pass,
  );
  const isDone = (pass: number) => (slot: number) => isTightened(run, place, { pass, slot });
  const pass = spot?.pass ?? joint.passes.length - 1;
  return {
    joint,
    place,
    spot,
    done: new Set(joint.order.filter(isDone(pass))),
    doneIn: joint.passes.map(({ order }, i) => order.filter(isDone(i)).length),
    pick: (slot) => {
      if (!spot || !joint.passes[spot.pass]?.order.includes(slot)) return;
      setPicked({
        stepId: step.id,
        place,
        spot: { pass: spot.pass, slot },
        readings: run.readings.length + run.turnedOn.length,
      });
    },
  };
}
