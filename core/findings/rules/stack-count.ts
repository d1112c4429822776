import { countInStack } from '../../orientation/stack-section';
import type { Rule } from '../rule';

export const stackCount: Rule = {
  id: 'stack-count',
  family: 'faces',
  severity: 'warn',
  looksFor: 'a stack that holds more or fewer of a part than the series says there are at each place',
  reason: 'A stack one ring short leaks from the first start.',
  find: (context) => {
    const { series } = context.workbook;
    const stacks = series.stacks ?? [];
    const handled = new Set(context.workbook.procedure.steps.flatMap((step) => step.targets.map((t) => t.componentId)));
    const inStacks = new Set(stacks.flatMap((stack) => stack.layers.map(({ componentId }) => componentId)));
    return [...inStacks].flatMap((componentId) => {
      const component = context.timeline.structure.components.get(componentId);
      const held = stacks.reduce((sum, stack) => sum + countInStack(stack, componentId), 0);
      if (!component || !handled.has(componentId) || held === component.count) return [];
      const place = component.positionSetId ? ' at each place' : '';
      return [
        {
          componentIds: [componentId],
          sentence: `The stack holds ${held} × ${component.name}, the parts list ${component.count}${place}.`,
          fix: {
            label: `Count ${held} in the parts list`,
            edits: [{ kind: 'change-component' as const, componentId, fields: { count: held } }],
          },
        },
      ];
    });
  },
};
