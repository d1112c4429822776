import { draftStep } from '../../drafting/way-back/draft-step';
import { nameAll, nameStep, noticed, type Rule } from '../rule';

export const oldCompound: Rule = {
  id: 'old-compound',
  family: 'compounds',
  severity: 'warn',
  looksFor: 'compound put on a thread that was in use and that nothing cleans first',
  reason: 'Old compound keeps the new one from holding, and its crumbs damage the pump.',
  find: (context) =>
    noticed(context, 'old-compound').map(({ step, index, notice: { componentId, consumableId }, when }) => ({
      stepId: step.id,
      componentIds: [componentId],
      sentence: `${nameStep(context, step)}: ${context.timeline.structure.consumables.get(consumableId)?.name ?? 'compound'} goes on ${nameAll(context, componentId)} that nothing cleaned${when}.`,
      fix: {
        label: 'Add the cleaning before it',
        edits: [
          {
            kind: 'insert' as const,
            index,
            step: draftStep(context.workbook, 'clean', componentId, {
              stage: step.stage,
              targets: [{ componentId }],
              positionIds: step.positionIds,
              detail: 'Take off all old compound from the thread.',
              ...(step.when && { when: step.when }),
            }),
          },
        ],
      },
    })),
};
