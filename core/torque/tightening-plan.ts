import type { FastenerGroup, PassPlan, Pattern, Plan, Point } from '../model/fastener-group';
import type { Tool } from '../model/series';
import type { TorqueFigure } from '../model/torque-figure';
import { type PassFault, passesFor, passFaults, type TighteningPass, usualPasses } from './passes';
import { type Order, type OrderFault, orderFaults, orderOf, roundOf, usualPattern } from './pattern';
import { slotsOf } from './plan';
import { resolutionOfTool, torqueRange, usableRange } from './wrench';

/** How a joint is tightened. */
export interface TighteningPlan {
  readonly plan: Plan;
  readonly slots: readonly Point[];
  readonly pattern: Pattern;
  readonly order: Order;
  readonly orderFaults: readonly OrderFault[];
  readonly plans: readonly PassPlan[];
  readonly passes: readonly TighteningPass[];
  readonly passFaults: readonly PassFault[];
}

const ROUND: Plan = { shape: 'circle' };

/** The order and the passes of a joint: as its group says, else as is usual for its plan and number. */
export function tighteningPlan(
  group: FastenerGroup,
  count: number,
  figure: TorqueFigure | undefined,
  diameter: number | undefined,
  wrench: Tool | undefined,
): TighteningPlan {
  const plan = group.plan ?? ROUND;
  const slots = slotsOf(plan, count);
  const pattern = group.pattern ?? usualPattern(plan, slots.length);
  const byPattern = orderOf(pattern, plan, slots);
  const faults = orderFaults(group.order ?? byPattern, pattern, plan, slots);
  // An order by hand that leaves fasteners out, or names some that are gone, is told and not followed.
  const isWhole = faults.every(({ is }) => is === 'neighbours');
  const order = isWhole ? (group.order ?? byPattern) : byPattern;
  const range = wrench && torqueRange(wrench);
  const usable = range && usableRange(range);
  const checked = group.figures.find(({ use }) => use === 'check')?.torque.figure;
  const plans = group.passes ?? usualPasses(count, diameter, figure?.figure, usable);
  return {
    plan,
    slots,
    pattern,
    order,
    orderFaults: faults,
    plans,
    passes: passesFor(plans, figure?.figure, order, roundOf(plan, slots), wrench && resolutionOfTool(wrench), checked),
    passFaults: passFaults(plans, figure?.figure, usable),
  };
}
