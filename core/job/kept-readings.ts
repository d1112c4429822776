import type { Step, Workbook } from '../model/procedure';
import type { TorqueFigure } from '../model/torque-figure';
import { convert } from '../quantity/quantity';
import type { JudgedReading, StepRun } from './state';
import { jointOfStep } from './tightening';

/**
 * What stays in a joint: the last reading of each fastener at the whole figure, or of each place where the joint has no
 * plan. Passes before it and the check round are left out.
 */
export function keptReadings(step: Step, run: StepRun, workbook: Workbook): JudgedReading[] {
  const joint = jointOfStep(step, workbook);
  const figure = step.torque?.figure;
  if (!figure) return [];
  const isWhole = (pass: number) => {
    const { plan, target } = joint?.passes[pass] ?? {};
    return plan?.is === 'rise' && target?.value === figure.value;
  };
  const there = run.readings.filter(({ spot }) => (joint ? spot && isWhole(spot.pass) : !spot));
  return there.filter(
    (one, i) =>
      !there.slice(i + 1).some((later) => later.positionId === one.positionId && later.spot?.slot === one.spot?.slot),
  );
}

/** By how much a reading is off a figure, in per cent of the figure. */
export function offPercent(
  { reading }: Pick<JudgedReading, 'reading'>,
  { figure }: Pick<TorqueFigure, 'figure'>,
): number {
  return 100 * (convert(reading, figure.unit).value / figure.value - 1);
}
