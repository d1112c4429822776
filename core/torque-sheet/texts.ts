import type { PassPlan, Point } from '../model/fastener-group';
import { DEFAULT_TOLERANCE_PERCENT, type TorqueFigure } from '../model/torque-figure';
import { sayNumber, sayQuantity } from '../quantity/quantity';

/** A figure as it is written in a cell or a field: "45 N·m ±6 %, 33 lbf·ft". */
export function sayFigureText({ figure, tolerancePercent, also }: TorqueFigure): string {
  const tolerance = tolerancePercent === DEFAULT_TOLERANCE_PERCENT ? '' : ` ±${sayNumber(tolerancePercent)} %`;
  return `${sayQuantity(figure)}${tolerance}${also ? `, ${sayQuantity(also)}` : ''}`;
}

/** Passes as they are written in a cell or a field: "30 60 100 check", "50 90°". */
export function sayPasses(plans: readonly PassPlan[]): string {
  return plans
    .map((plan) => (plan.is === 'check' ? 'check' : plan.is === 'angle' ? `${plan.degrees}°` : String(plan.percent)))
    .join(' ');
}

/** Undefined where a word is neither a share in per cent, an angle nor "check". */
export function readPasses(text: string): PassPlan[] | undefined {
  const plans = text
    .trim()
    .replaceAll(/\s+%/g, '%')
    .split(/[\s,;]+/)
    .map((word): PassPlan | undefined => {
      if (/^check$/i.test(word)) return { is: 'check' };
      const degrees = Number(/^(\d+)(?:°|deg)$/i.exec(word)?.[1]);
      if (degrees >= 1 && degrees <= 720) return { is: 'angle', degrees };
      const percent = Number(/^(\d+(?:\.\d+)?)%?$/.exec(word)?.[1]);
      return percent >= 1 && percent <= 150 ? { is: 'rise', percent } : undefined;
    });
  const read = plans.filter((plan) => plan !== undefined);
  return read.length === plans.length && read.length <= 8 ? read : undefined;
}

/** Free places, one on a line, from 0 to 100 from the left and from the top. */
export function sayPoints(points: readonly Point[]): string {
  return points.map(({ x, y }) => `${round(x * 100)} ${round(y * 100)}`).join('\n');
}

/** Undefined where a line holds anything but two numbers from 0 to 100. */
export function readPoints(text: string): Point[] | undefined {
  const points = text
    .trim()
    .split(/\s*\n\s*/)
    .map((line): Point | undefined => {
      const [x, y, more] = line.split(/[\s,;]+/).map(Number);
      const isIn = (value: number | undefined): value is number => value !== undefined && value >= 0 && value <= 100;
      return more === undefined && isIn(x) && isIn(y) ? { x: x / 100, y: y / 100 } : undefined;
    });
  const read = points.filter((point) => point !== undefined);
  return read.length === points.length ? read : undefined;
}

function round(value: number): number {
  return Number(value.toFixed(1));
}
