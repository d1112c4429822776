import { agree, nameAll, nameStep, type Rule } from '../rule';

export const brittlePry: Rule = {
  id: 'brittle-pry',
  family: 'safety',
  severity: 'warn',
  looksFor: 'a brittle part pried off, in the step or in another method of it',
  reason: 'Ceramic and carbon crack when one side is pried, and the splinters cut.',
  find: (context) =>
    context.workbook.procedure.steps.flatMap((step) => {
      const methods = (step.methods ?? []).filter((method) => method.verb === 'pry');
      if (step.verb !== 'pry' && methods.length === 0) return [];
      return step.targets
        .filter(({ componentId }) => context.timeline.structure.components.get(componentId)?.brittle)
        .map(({ componentId }) => ({
          stepId: step.id,
          componentIds: [componentId],
          sentence: `${nameStep(context, step)}: the ${nameAll(context, componentId)} ${agree(context, componentId, 'is brittle and is', 'are brittle and are')} pried.`,
          fix: {
            label: 'Draw it instead',
            edits: [
              {
                kind: 'change' as const,
                stepId: step.id,
                fields: {
                  ...(step.verb === 'pry' && { verb: 'draw' as const }),
                  ...(methods.length > 0 && { methods: (step.methods ?? []).filter((m) => m.verb !== 'pry') }),
                },
              },
            ],
          },
        }));
    }),
};
