import type { TorqueFigure } from '../model/torque-figure';
import { convert, type Quantity } from '../quantity/quantity';

export type TorqueVerdict = 'within' | 'low' | 'high' | 'unjudged';

/** The readings that pass, in the unit of the figure, both ends included. */
export function torqueWindow({ figure, tolerancePercent }: TorqueFigure): { low: Quantity; high: Quantity } {
  const margin = (figure.value * tolerancePercent) / 100;
  return {
    low: { value: figure.value - margin, unit: figure.unit },
    high: { value: figure.value + margin, unit: figure.unit },
  };
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
