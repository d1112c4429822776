import { sayQuantity } from '../../quantity/quantity';
import { nameStep, type Rule, targetIds } from '../rule';

export const noFigure: Rule = {
  id: 'no-figure',
  family: 'tightening',
  severity: 'warn',
  looksFor: 'a torque step without a figure',
  reason: 'Everyone tightens to a figure of their own.',
  find: (context) =>
    context.workbook.procedure.steps
      .filter((step) => step.verb === 'torque' && !step.torque)
      .map((step) => {
        const ids = targetIds(step);
        const known = context.workbook.procedure.steps.find(
          (other) => other.torque && targetIds(other).some((id) => ids.includes(id)),
        )?.torque;
        return {
          stepId: step.id,
          componentIds: ids,
          sentence: `${nameStep(context, step)}, gives no torque.`,
          ...(known && {
            fix: {
              label: `Give it ${sayQuantity(known.figure)}`,
              edits: [{ kind: 'change' as const, stepId: step.id, fields: { torque: known } }],
            },
          }),
        };
      }),
};
