import { nameStep, noticed, type Rule } from '../rule';

export const swapped: Rule = {
  id: 'swapped',
  family: 'matching',
  severity: 'stop',
  looksFor: 'a matched part fitted at another position than its own, where the procedure does not mean to',
  reason: 'Matched parts have run in together; changed over they bind, knock or leak.',
  find: (context) =>
    noticed(context, 'swapped')
      .filter(
        ({ notice }) =>
          !(context.workbook.procedure.intends ?? []).some(
            (change) =>
              change.kind === 'moves' &&
              change.componentId === notice.componentId &&
              change.fromPositionId === notice.fromPositionId &&
              change.toPositionId === notice.toPositionId,
          ),
      )
      .map(({ step, notice, when }) => {
        const place = (id: string) =>
          context.workbook.series.positionSets.flatMap((set) => set.positions).find((p) => p.id === id)?.name ?? id;
        return {
          stepId: step.id,
          componentIds: [notice.componentId],
          sentence: `${nameStep(context, step)}, fits the one of ${place(notice.fromPositionId)} at ${place(notice.toPositionId)}${when}.`,
          fix: {
            label: 'Fit it at its own place',
            edits: [
              {
                kind: 'change' as const,
                stepId: step.id,
                fields: { positionIds: [notice.fromPositionId], fromPositionId: undefined },
              },
            ],
          },
        };
      }),
};
