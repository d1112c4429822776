import { componentPhrase } from '../../narration/sentence';
import { renewing } from '../../procedure/way-back/way-back';
import { componentById } from '../../pump/series';
import { nameStep, type Rule } from '../rule';

export const reused: Rule = {
  id: 'reused',
  family: 'renewal',
  severity: 'warn',
  looksFor: 'a part that is always renewed and goes back in',
  reason: 'A seal or pin that was disturbed once does not hold a second time.',
  find: (context) =>
    context.timeline.frames.flatMap(({ step, moves }) => {
      const back = new Set(
        moves
          .filter((move) => move.from === 'cloth' && move.to === 'pump')
          .flatMap((move) => context.timeline.units.get(move.unitId)?.componentId ?? []),
      );
      return [...back].flatMap((componentId) => {
        const component = componentById(context.workbook.series, componentId);
        if (component?.renewal !== 'always') return [];
        return [
          {
            stepId: step.id,
            componentIds: [componentId],
            sentence: `${nameStep(context, step)}, puts back the old ${componentPhrase(component, component.positionSetId ? 2 : component.count)}.`,
            fix: { label: 'Add its renewal', edits: renewing(context.workbook, [componentId]) },
          },
        ];
      });
    }),
};
