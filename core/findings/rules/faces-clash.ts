import { nameAll, nameStep, noticed, type Rule } from '../rule';

const LIES = { 'as-fitted': 'as fitted', 'face-up': 'face up', 'face-down': 'face down', 'on-its-side': 'on its side' };

export const facesClash: Rule = {
  id: 'faces-clash',
  family: 'faces',
  severity: 'warn',
  looksFor: 'a facing said for the bench that contradicts the one in the pump, for how the housing lies',
  reason: 'Turning the housing over silently flips up and down.',
  find: (context) =>
    noticed(context, 'faces-clash').map(({ step, notice, when }) => ({
      stepId: step.id,
      componentIds: [notice.componentId, notice.housingId],
      sentence: `${nameStep(context, step)}: with the ${nameAll(context, notice.housingId)} ${LIES[notice.pose]} that is not ${notice.toward}${when}.`,
    })),
};
