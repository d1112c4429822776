import type { PassPlan } from '../model/fastener-group';
import { convert, inSi } from '../quantity/quantity';
import type { Range } from '../quantity/range';
import type { Quantity } from '../quantity/schema';
import type { Order } from './pattern';

/** One pass as it is carried out. */
export interface TighteningPass {
  readonly plan: PassPlan;
  /** What the wrench is set to; absent where an angle is turned. */
  readonly target?: Quantity;
  readonly order: Order;
  /** The guide pins have come out before it. */
  readonly afterPins?: boolean;
}

/** Several passes by default; common practice. */
export const USUAL_PASSES: readonly PassPlan[] = [
  { is: 'rise', percent: 30 },
  { is: 'rise', percent: 60 },
  { is: 'rise', percent: 100 },
  { is: 'check' },
];
const SINGLE_PASS: readonly PassPlan[] = [{ is: 'rise', percent: 100 }];

/** Up to four fasteners of up to this diameter, in mm, may be tightened in one pass. Common practice. */
const SMALL_MM = 8;

export function mayBeSinglePass(count: number, diameter: number | undefined): boolean {
  return count === 1 || (count <= 4 && diameter !== undefined && diameter <= SMALL_MM);
}

/** Passes where nobody says any: without those that lie below what the wrench can be used for. */
export function usualPasses(
  count: number,
  diameter: number | undefined,
  figure?: Quantity,
  wrench?: Range,
): readonly PassPlan[] {
  if (mayBeSinglePass(count, diameter)) return SINGLE_PASS;
  return USUAL_PASSES.filter((plan) => plan.is !== 'rise' || plan.percent === 100 || !isBelow(plan, figure, wrench));
}

function isBelow(plan: PassPlan, figure: Quantity | undefined, wrench: Range | undefined): boolean {
  if (plan.is !== 'rise' || !figure || !wrench) return false;
  return inSi(figure) * (plan.percent / 100) < inSi(wrench.from) * ROUNDED_UP;
}

/** A scale may be rounded by so much. */
const ROUNDED_UP = 0.999;

/** The passes of a joint with what the wrench is set to in each, rounded to what it shows. */
export function passesFor(
  plans: readonly PassPlan[],
  figure: Quantity | undefined,
  order: Order,
  /** Clockwise, for the check. */
  round: Order,
  resolution?: Quantity,
  /** For the check round, where it has a figure of its own. */
  checkFigure: Quantity | undefined = figure,
): TighteningPass[] {
  return plans.map((plan) => {
    if (plan.is === 'angle') return { plan, order };
    const share = plan.is === 'rise' ? plan.percent / 100 : 1;
    const whole = plan.is === 'check' ? checkFigure : figure;
    const target =
      whole && roundTo({ value: whole.value * share, unit: whole.unit }, share === 1 ? undefined : resolution);
    return { plan, order: plan.is === 'check' ? round : order, ...(target && { target }) };
  });
}

/**
 * Passes where guide pins keep some holes: all but the check round over the others first, then, with the pins out, over
 * those holes; the check goes over all.
 */
export function passesRoundPins(passes: readonly TighteningPass[], pins: readonly number[]): TighteningPass[] {
  const isPin = (slot: number) => pins.includes(slot);
  const go = (isMeant: (slot: number) => boolean) => (pass: TighteningPass) => ({
    ...pass,
    order: pass.order.filter(isMeant),
  });
  const rises = passes.filter(({ plan }) => plan.is !== 'check');
  const isWhole = pins.length === 0 || (rises[0]?.order ?? []).every(isPin);
  if (isWhole) return [...passes];
  return [
    ...rises.map(go((slot) => !isPin(slot))),
    ...rises.map(go(isPin)).map((pass) => ({ ...pass, afterPins: true })),
    ...passes.filter(({ plan }) => plan.is === 'check'),
  ];
}

export type PassFault = 'falls' | 'stops-short' | 'over' | 'angle-first' | 'below-wrench';

/**
 * What is wrong with passes: each is higher than the one before, the last torque is the whole figure, and none before it
 * lies below what the wrench can be used for.
 */
export function passFaults(plans: readonly PassPlan[], figure?: Quantity, wrench?: Range): PassFault[] {
  const rises = plans.flatMap((plan) => (plan.is === 'rise' ? [plan.percent] : []));
  const faults: PassFault[] = [];
  if (rises.some((percent, i) => i > 0 && percent <= (rises[i - 1] ?? 0))) faults.push('falls');
  if (rises.some((percent) => percent > 100)) faults.push('over');
  const endsByAngle = plans.some(({ is }) => is === 'angle');
  // A check round moves nothing on: it is no rise.
  if (!endsByAngle && (rises.at(-1) ?? 0) < 100) faults.push('stops-short');
  if (plans[0]?.is === 'angle') faults.push('angle-first');
  const early = plans.filter((plan) => plan.is === 'rise' && plan.percent < 100);
  if (early.some((plan) => isBelow(plan, figure, wrench))) faults.push('below-wrench');
  return faults;
}

/** The nearest value that a scale can show. */
export function roundTo(quantity: Quantity, resolution: Quantity | undefined): Quantity {
  if (!resolution) return { value: Number(quantity.value.toPrecision(4)), unit: quantity.unit };
  const step = convert(resolution, quantity.unit).value;
  return { value: Number((Math.round(quantity.value / step) * step).toPrecision(6)), unit: quantity.unit };
}

/** One division of the scale of a wrench that ends at `to`. Common practice: about two hundred on a scale, 1, 2 or 5. */
export function resolutionOf(to: Quantity): Quantity {
  const ideal = to.value / 200;
  const power = 10 ** Math.floor(Math.log10(ideal));
  const step = [1, 2, 5, 10].find((factor) => factor * power >= ideal * 0.999) ?? 10;
  return { value: Number((step * power).toPrecision(3)), unit: to.unit };
}

/** Moving on to the next fastener and pulling it takes about so long, in seconds; setting the wrench anew, too. Common practice. */
const SECONDS_EACH = 12;
const SECONDS_TO_SET = 20;

/** How long a tightening takes, in minutes, for `places` joints one after the other. */
export function tighteningMinutes(count: number, plans: readonly PassPlan[], places = 1): number {
  return (places * plans.length * (count * SECONDS_EACH + SECONDS_TO_SET)) / 60;
}
