import { sayQuantity } from '../../quantity/quantity';
import { nameStep, type Rule, targetIds } from '../rule';

export const noSource: Rule = {
  id: 'no-source',
  family: 'tightening',
  severity: 'advise',
  looksFor: 'a torque figure that does not say where it comes from',
  reason: 'Nobody can check a figure whose origin is forgotten.',
  find: (context) =>
    context.workbook.procedure.steps.flatMap((step) =>
      step.torque && !step.torque.source
        ? [
            {
              stepId: step.id,
              componentIds: targetIds(step),
              sentence: `${nameStep(context, step)}: ${sayQuantity(step.torque.figure)} has no source.`,
            },
          ]
        : [],
    ),
};
