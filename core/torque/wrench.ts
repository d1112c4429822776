import type { Tool } from '../model/series';
import { convert, inSi, readQuantity } from '../quantity/quantity';
import { type Range, rangeIn } from '../quantity/range';
import type { Quantity } from '../quantity/schema';
import { isTorqueTool } from '../reading/en/wording';
import { resolutionOf } from './passes';

export function isTorque(tool: Tool): boolean {
  return tool.kind === 'torque' || isTorqueTool(tool.name);
}

/** The range of a torque tool: as said, or as its size tells. */
export function torqueRange(tool: Tool): Range | undefined {
  return (
    tool.range ??
    rangeIn(tool.size ?? tool.name, (words) => {
      const reading = readQuantity(words, 'torque');
      return reading.ok ? reading.quantity : undefined;
    })
  );
}

/** A wrench is not used below this share of the end of its scale; ISO 6789-1, recalled from memory. */
const LEAST_OF_SCALE = 0.2;

/** What a wrench may be used for: its scale, but not below a fifth of its end. */
export function usableRange({ from, to }: Range): Range {
  const least = LEAST_OF_SCALE * to.value;
  return { from: { value: Math.max(convert(from, to.unit).value, least), unit: to.unit }, to };
}

/** A range rounded in another unit still bears its ends. */
const ROUNDED = 0.001;

export function liesIn(figure: Quantity, { from, to }: Range): boolean {
  return inSi(figure) >= inSi(from) * (1 - ROUNDED) && inSi(figure) <= inSi(to) * (1 + ROUNDED);
}

/** Whether a tool is a torque tool that may be used for a figure. */
export function bears(tool: Tool, figure: Quantity): boolean {
  const range = isTorque(tool) ? torqueRange(tool) : undefined;
  return range !== undefined && liesIn(figure, usableRange(range));
}

/** One division of the scale of a torque tool. */
export function resolutionOfTool(tool: Tool): Quantity | undefined {
  const range = torqueRange(tool);
  return range && resolutionOf(range.to);
}

/**
 * What the wrench is set to when a crow-foot makes it longer: T·L / (L + E·cos α), with L from the middle of the grip to
 * the square drive, E the offset of the crow-foot, α its angle to the handle. At a right angle nothing changes; an
 * extension along the axis of the bolt changes nothing either.
 */
export function settingWithCrowFoot(figure: Quantity, lengthMm: number, offsetMm: number, angleDegrees = 0): Quantity {
  const offset = offsetMm * Math.cos((angleDegrees * Math.PI) / 180);
  return { value: (figure.value * lengthMm) / (lengthMm + offset), unit: figure.unit };
}

/** Pieces of a tool whose calibration has run out on a day (ISO date); those with no date are not known to be calibrated. */
export function calibrationOf(
  tool: Tool,
  today: string,
): { readonly number: string; readonly is: 'valid' | 'expired' | 'unknown' }[] {
  return (tool.assets ?? []).map(({ number, calibratedUntil }) => ({
    number,
    is: calibratedUntil === undefined ? 'unknown' : calibratedUntil < today ? 'expired' : 'valid',
  }));
}
