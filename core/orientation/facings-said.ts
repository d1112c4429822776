import type { Step } from '../model/procedure';

/**
 * The steps that say how a single part sits in the pump, by part: those that take it off or refit it. How it lies on the
 * bench, or is held meanwhile, tells nothing of that.
 */
export function facingsSaid(steps: readonly Step[]): Map<string, Step[]> {
  const saying = new Map<string, Step[]>();
  for (const step of steps) {
    const [only, more] = step.targets;
    if (!step.faces || !only || more || ASIDE.includes(step.verb)) continue;
    saying.set(only.componentId, [...(saying.get(only.componentId) ?? []), step]);
  }
  return saying;
}

const ASIDE: readonly Step['verb'][] = ['lay', 'hold', 'move', 'turn', 'put-aside'];
