import { UNSAID_MINUTES } from '../../model/procedure';
import { sayNumber } from '../../quantity/quantity';
import { agree, nameAll, nameStep, noticed, type Rule } from '../rule';

export const soakShort: Rule = {
  id: 'soak-short',
  family: 'compounds',
  severity: 'warn',
  looksFor: 'a part that has to soak, fitted before its time is up, by the minutes of the steps between',
  reason: 'Packing that is not soaked through runs dry, burns and has to come out again.',
  find: (context) =>
    noticed(context, 'soak-short').map(({ step, notice: { componentId, wanted, minutes }, when }) => {
      const soaked = context.workbook.procedure.steps.findLast(
        (other) => other.verb === 'soak' && other.targets.some((target) => target.componentId === componentId),
      );
      const lacking = minutes === null ? 0 : wanted - minutes;
      return {
        stepId: step.id,
        componentIds: [componentId],
        sentence:
          minutes === null
            ? `${nameStep(context, step)}: the ${nameAll(context, componentId)} ${agree(context, componentId, 'is', 'are')} not soaked${when}.`
            : `${nameStep(context, step)}: the ${nameAll(context, componentId)} ${agree(context, componentId, 'has', 'have')} soaked about ${sayNumber(minutes)} of ${sayNumber(wanted)} minutes${when}.`,
        ...(soaked &&
          lacking > 0 && {
            fix: {
              label: `Let it soak ${sayNumber(lacking)} minutes longer`,
              edits: [
                {
                  kind: 'change' as const,
                  stepId: soaked.id,
                  fields: { minutes: (soaked.minutes ?? UNSAID_MINUTES) + lacking },
                },
              ],
            },
          }),
      };
    }),
};
