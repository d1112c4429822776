import { verbOf } from '../../model/verbs';
import { agree, nameAll, nameStep, type Rule } from '../rule';
import { saidFacing } from '../said-facing';

export const facesUnsaid: Rule = {
  id: 'faces-unsaid',
  family: 'faces',
  severity: 'warn',
  looksFor: 'a part that goes in one way round, refitted without saying which',
  reason: 'The wrong way round it seals nothing, or binds.',
  find: (context) =>
    context.workbook.procedure.steps.flatMap((step) => {
      if (verbOf(step.verb).effect !== 'refits' || step.faces) return [];
      return step.targets.flatMap(({ componentId }) => {
        const component = context.timeline.structure.components.get(componentId);
        const said = saidFacing(context, componentId, step);
        if (!component || !(component.keyed || said)) return [];
        return [
          {
            stepId: step.id,
            componentIds: [componentId],
            sentence: `${nameStep(context, step)}, does not say which way the ${nameAll(context, componentId)} ${agree(context, componentId, 'faces', 'face')}.`,
            ...(said && {
              fix: {
                label: `Say: ${said.end} toward ${said.toward}`,
                edits: [{ kind: 'change' as const, stepId: step.id, fields: { faces: said } }],
              },
            }),
          },
        ];
      });
    }),
};
