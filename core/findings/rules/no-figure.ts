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
      .map((step) => ({
        stepId: step.id,
        componentIds: targetIds(step),
        sentence: `${nameStep(context, step)}, gives no torque.`,
      })),
};
