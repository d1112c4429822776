import { asFoundEnds } from '../../evidence/looks';
import { agree, nameAll, nameStep, type Rule } from '../rule';
import { saidFacing } from '../said-facing';

export const unrecorded: Rule = {
  id: 'unrecorded',
  family: 'faces',
  severity: 'warn',
  looksFor: 'a part that goes in one way round, taken off with neither note nor photo while nothing says how it sits',
  reason: 'Once it is on the cloth nobody knows which way round it was.',
  find: (context) => {
    const { timeline, workbook } = context;
    const { steps } = workbook.procedure;
    if (!workbook.series.components.some((component) => component.keyed)) return [];
    const end = asFoundEnds(steps);
    return timeline.frames.flatMap(({ step, moves }, index) => {
      const taken = new Set(
        moves.flatMap(({ act, unitId }) => (act === 'out' ? (timeline.units.get(unitId)?.componentId ?? []) : [])),
      );
      return [...taken].flatMap((componentId) => {
        const component = timeline.structure.components.get(componentId);
        if (!component?.keyed || step.faces || step.photo || saidFacing(context, componentId, step)) return [];
        const before = steps.slice(0, index).findLast((earlier) => earlier.photo);
        if (before?.targets.some((target) => target.componentId === componentId)) return [];
        if (end >= 0 && index > end) return [];
        return [
          {
            stepId: step.id,
            componentIds: [componentId],
            sentence: `${nameStep(context, step)}: nothing records which way round the ${nameAll(context, componentId)} ${agree(context, componentId, 'was', 'were')}.`,
            fix: {
              label: 'Ask for a photo',
              edits: [
                {
                  kind: 'change' as const,
                  stepId: step.id,
                  fields: { photo: { mustShow: `How the ${nameAll(context, componentId)} sits, before it moves` } },
                },
              ],
            },
          },
        ];
      });
    });
  },
};
