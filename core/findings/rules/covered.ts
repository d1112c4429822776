import { agree, nameAll, nameStep, noticed, type Rule } from '../rule';

export const covered: Rule = {
  id: 'covered',
  family: 'reach',
  severity: 'warn',
  looksFor:
    'a part taken while something is in its way; a stop where the series says so, a warning where the order only suggests it',
  reason: 'It cannot be reached, and forcing it breaks what is in the way.',
  find: (context) =>
    noticed(context, 'covered').map(({ step, index, notice, when }) => {
      const { steps } = context.workbook.procedure;
      const clears = steps.findIndex(
        (later, i) =>
          i > index &&
          later.stage === step.stage &&
          later.targets.some(({ componentId }) => componentId === notice.byComponentId),
      );
      return {
        stepId: step.id,
        componentIds: [notice.componentId, notice.byComponentId],
        ...(notice.sure && { severity: 'stop' as const }),
        sentence: `${nameStep(context, step)}: the ${nameAll(context, notice.byComponentId)} ${
          notice.sure
            ? agree(context, notice.byComponentId, 'covers it', 'cover it')
            : 'came off before it and may cover it'
        }${when}.`,
        ...(clears > index && {
          fix: {
            label: 'Move it behind',
            edits: [{ kind: 'move' as const, stepId: step.id, index: clears, stage: step.stage }],
          },
        }),
      };
    }),
};
