import { sayNumber } from '../../quantity/quantity';
import { nameAll, nameStep, noticed, type Rule } from '../rule';

export const setsFirst: Rule = {
  id: 'sets-first',
  family: 'compounds',
  severity: 'warn',
  looksFor: 'a torque that comes after the compound on the thread has set, by the minutes of the steps between',
  reason: 'Turned after it has set, the compound is torn and holds nothing, and the figure is not reached.',
  find: (context) =>
    noticed(context, 'sets-first').map(({ step, notice, when }) => {
      const name = context.timeline.structure.consumables.get(notice.consumableId)?.name ?? 'compound';
      return {
        stepId: step.id,
        componentIds: [notice.componentId],
        sentence: `${nameStep(context, step)}: ${name} on the ${nameAll(context, notice.componentId)} sets after ${sayNumber(notice.openMinutes)} minutes; the torque comes after about ${sayNumber(notice.minutes)}${when}.`,
      };
    }),
};
