import { firstOf } from '../../edits/edit';
import { nameStep, type Rule, targetIds } from '../rule';

export const torqueMisplaced: Rule = {
  id: 'torque-misplaced',
  family: 'tightening',
  severity: 'warn',
  looksFor: 'a torque told while the pump is still being taken down',
  reason: 'The technician tightens what has to come off, and the figure is missing where it is needed.',
  find: (context) =>
    context.workbook.procedure.steps
      .filter((step) => step.verb === 'torque' && (step.stage === 'make-safe' || step.stage === 'take-down'))
      .map((step) => {
        const { procedure } = context.workbook;
        const index = firstOf(procedure, 'prove') - 1;
        return {
          stepId: step.id,
          componentIds: targetIds(step),
          sentence: `${nameStep(context, step)}, stands in the take-down.`,
          fix: { label: 'Move it to Put back', edits: [{ kind: 'move', stepId: step.id, index, stage: 'put-back' }] },
        };
      }),
};
