import type { Stack } from '../../model/series';
import { verbOf } from '../../model/verbs';
import { type CheckContext, nameAll, nameStep, type Rule } from '../rule';

export const stackOrder: Rule = {
  id: 'stack-order',
  family: 'faces',
  severity: 'warn',
  looksFor: 'parts of a stack fitted in another order than from the bottom of the bore to its mouth',
  reason: 'The stack goes together as drawn or not at all; one ring out of its place leaks.',
  find: (context) => (context.workbook.series.stacks ?? []).flatMap((stack) => outOfOrder(context, stack)),
};

function outOfOrder(context: CheckContext, stack: Stack) {
  const layerOf = new Map(stack.layers.map(({ componentId }, i) => [componentId, i]));
  /** The highest layer fitted so far and not taken out since, at each position. */
  const fitted = new Map<string, number[]>();
  return context.workbook.procedure.steps.flatMap((step) => {
    const { effect } = verbOf(step.verb);
    if (effect === 'takes' || effect === 'opens') for (const list of fitted.values()) list.length = 0;
    if (effect !== 'refits') return [];
    return step.targets.flatMap(({ componentId }) => {
      const layer = layerOf.get(componentId);
      if (layer === undefined) return [];
      const places = step.positionIds.length > 0 ? step.positionIds : ['everywhere'];
      const above = places
        .flatMap((place) => fitted.get(place) ?? [])
        .filter((other) => other > layer)
        .sort((a, b) => a - b)[0];
      for (const place of places) fitted.set(place, [...(fitted.get(place) ?? []), layer]);
      const over = above === undefined ? undefined : stack.layers[above]?.componentId;
      // The same part in two layers is fitted where it is next due.
      if (!over || stack.layers.filter((other) => other.componentId === componentId).length > 1) return [];
      return [
        {
          stepId: step.id,
          componentIds: [componentId, over],
          sentence: `${nameStep(context, step)}: in ${stack.name} the ${nameAll(context, componentId)} lies deeper than the ${nameAll(context, over)} fitted before.`,
        },
      ];
    });
  });
}
