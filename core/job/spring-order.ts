import type { Plan, Point } from '../model/fastener-group';
import { componentById, groupOf } from '../model/lookup';
import type { Step, Workbook } from '../model/procedure';
import { type Stage, storedSpringOrder } from '../torque/pattern';
import { slotsOf } from '../torque/plan';

/** In which order fasteners come out over a stored spring, or go in. */
export interface SpringOrder {
  readonly is: 'out' | 'in';
  readonly plan: Plan;
  readonly slots: readonly Point[];
  readonly stages: readonly Stage[];
}

const OUT: readonly Step['verb'][] = ['loosen', 'take-off', 'ease'];
const IN: readonly Step['verb'][] = ['start-by-hand', 'fit'];

/** The order of a step that takes out or puts in the fasteners of a joint with a spring under it; undefined for others. */
export function springOrderOf(step: Step, { series }: Workbook): SpringOrder | undefined {
  const is = OUT.includes(step.verb) ? 'out' : IN.includes(step.verb) ? 'in' : undefined;
  const [target, other] = step.targets;
  const group = target && groupOf(series, target.componentId);
  const count = target && componentById(series, target.componentId)?.count;
  if (!is || other || !group?.storedSpring || !group.plan || !count || count < 3) return undefined;
  const stages = storedSpringOrder(count);
  const slots = slotsOf(group.plan, count);
  if (slots.length !== count) return undefined;
  return { is, plan: group.plan, slots, stages: is === 'out' ? stages : stages.toReversed() };
}
