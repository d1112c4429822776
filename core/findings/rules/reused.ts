import { renewing } from '../../drafting/way-back/preparing';
import { componentPhrase } from '../../language/en/sentence';
import { nameStep, noticed, type Rule } from '../rule';

export const reused: Rule = {
  id: 'reused',
  family: 'renewal',
  severity: 'warn',
  looksFor: 'a part that is always renewed, or was cut, and goes back in; a stop where it was cut',
  reason: 'A seal or pin that was disturbed once does not hold a second time.',
  find: (context) =>
    noticed(context, 'reused').flatMap(({ step, notice: { componentId, cut }, when }) => {
      const component = context.timeline.structure.components.get(componentId);
      if (!component) return [];
      return [
        {
          stepId: step.id,
          componentIds: [componentId],
          ...(cut && { severity: 'stop' as const }),
          sentence: `${nameStep(context, step)}, puts back the old ${componentPhrase(component, component.positionSetId ? 2 : component.count)}${when}.`,
          fix: { label: 'Add its renewal', edits: renewing(context.workbook, [componentId], step.positionIds) },
        },
      ];
    }),
};
