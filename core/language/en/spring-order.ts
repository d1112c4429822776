import type { SpringOrder } from '../../job/spring-order';
import { listing } from './sentence';

/** "Under spring force. Take out 1 and 2, then 3 and 4. Ease 5 and 6 together, turn by turn." By the numbers of the plan. */
export function saySpringOrder(is: SpringOrder['is'], stages: SpringOrder['stages']): string {
  const numbers = new Map(stages.flat().map((slot, i) => [slot, String(i + 1)]));
  const said = (stage: readonly number[]) => listing(stage.map((slot) => numbers.get(slot) ?? ''));
  const together = stages.filter(({ length }) => length > 1).map(said);
  const alone = stages.filter(({ length }) => length === 1).map(said);
  const one = `${is === 'out' ? 'take out' : 'start'} ${listing(alone)} one after the other`;
  const two = `${is === 'out' ? 'ease' : 'draw down'} ${listing(together)} together, turn by turn`;
  const parts = is === 'out' ? [one, two] : [two, one];
  const told = parts.filter((_, i) => (is === 'out' ? [alone, together] : [together, alone])[i]?.length);
  return `Under spring force: ${told.join(', then ')}.`;
}
