import { verbOf } from '../../model/verbs';
import { nameStep, type Rule, targetIds } from '../rule';
import { toolsLike, withoutTools } from '../tool-words';

export const wrenchLoosens: Rule = {
  id: 'wrench-loosens',
  family: 'tightening',
  severity: 'warn',
  looksFor: 'a torque wrench used to loosen or take off',
  reason: 'Loosening ruins the setting of the wrench; every torque after it is wrong.',
  find: (context) =>
    context.workbook.procedure.steps.flatMap((step) => {
      if (step.verb !== 'loosen' && verbOf(step.verb).effect !== 'takes') return [];
      return toolsLike(step, context.workbook.series, /torque wrench/i).map((tool) => ({
        stepId: step.id,
        componentIds: targetIds(step),
        sentence: `${nameStep(context, step)}, loosens with the ${tool.name}.`,
        fix: { label: 'Take the tool out', edits: withoutTools(step, tool.id) },
      }));
    }),
};
