import { positionSetById } from '../model/lookup';
import type { Step, Workbook } from '../model/procedure';
import type { Component, Series } from '../model/series';
import { verbOf } from '../model/verbs';

let last: { series: Series; step: Step | undefined; steps: readonly Step[]; out: ReadonlySet<string> } | undefined;

/**
 * The names of the parts that are out of the pump behind a step (-1: at the start), whatever was answered: every piece
 * of them was taken out by a step that is done in any case, and none was put back since.
 */
export function outByThen({ series, procedure: { steps } }: Workbook, after: number): ReadonlySet<string> {
  const step = steps[after];
  if (last?.series !== series || last.step !== step || last.steps !== steps)
    last = { series, step, steps, out: namesOut(series, steps.slice(0, after + 1)) };
  return last.out;
}

function namesOut(series: Series, steps: readonly Step[]): ReadonlySet<string> {
  const components = new Map(series.components.map((component) => [component.id, component]));
  const out = new Set<string>();
  for (const step of steps) {
    const { effect } = verbOf(step.verb);
    for (const { componentId, count } of step.targets) {
      const component = components.get(componentId);
      if (!component) continue;
      if (/^(?:refits|renews|joins)$/.test(effect)) out.delete(component.name);
      else if (effect === 'takes' && !step.when && takesAll(series, component, step, count)) out.add(component.name);
    }
  }
  return out;
}

function takesAll(series: Series, component: Component, { positionIds }: Step, count = component.count): boolean {
  const places = positionSetById(series, component.positionSetId)?.positions ?? [];
  return count >= component.count && (positionIds.length === 0 || places.every(({ id }) => positionIds.includes(id)));
}
