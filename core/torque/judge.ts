import type { TorqueFigure } from '../model/torque-figure';
import { convert } from '../quantity/quantity';
import type { Quantity } from '../quantity/schema';
import { symbolsOf, type UnitSymbol } from '../quantity/units';

export type TorqueVerdict = 'within' | 'low' | 'high' | 'unjudged';

/** The readings that pass, in the unit of the figure, both ends included. */
export function torqueWindow({ figure, tolerancePercent }: TorqueFigure): { low: Quantity; high: Quantity } {
  const margin = (figure.value * tolerancePercent) / 100;
  return {
    low: { value: figure.value - margin, unit: figure.unit },
    high: { value: figure.value + margin, unit: figure.unit },
  };
}

/** The unit in which the number of a reading would be within its window: the wrench may show another than it stands on. */
export function unitThatFits(reading: Quantity, torque: TorqueFigure): UnitSymbol | undefined {
  const others = symbolsOf('torque').filter((unit) => unit !== reading.unit);
  return others.find((unit) => judgeTorque({ value: reading.value, unit }, torque) === 'within');
}

/** A reading in any torque unit against the figure. Without a figure nothing can be judged. */
export function judgeTorque(reading: Quantity, torque: TorqueFigure | undefined): TorqueVerdict {
  if (!torque) return 'unjudged';
  const { low, high } = torqueWindow(torque);
  const { value } = convert(reading, torque.figure.unit);
  // A reading on the edge must pass whatever unit it was taken in.
  const hair = torque.figure.value * 1e-9;
  if (value < low.value - hair) return 'low';
  return value > high.value + hair ? 'high' : 'within';
}
