import { torqueAfter } from '../../drafting/way-back/refitting';
import { isFastener } from '../../model/kinds';
import { agree, atTheEnd, nameAll, type Rule } from '../rule';

export const looseAtEnd: Rule = {
  id: 'loose-at-end',
  family: 'completeness',
  severity: 'warn',
  looksFor: 'fasteners that are loosened or started by hand and never torqued',
  reason: 'They work loose while the pump runs.',
  find: (context) => {
    const { workbook, timeline } = context;
    if (workbook.procedure.handsOn) return [];
    return atTheEnd(context, (state) =>
      [...timeline.units.values()].filter((unit) => {
        if (state.places.get(unit.id) !== 'pump') return false;
        const tightness = state.groups.get(
          `${unit.componentId}/${state.seats.get(unit.pieceId) ?? unit.positionId ?? ''}`,
        );
        return tightness === 'loose' || tightness === 'by-hand';
      }),
    )
      .filter(({ componentId }) => isFastener(timeline.structure.components.get(componentId)?.kind ?? 'other'))
      .map(({ componentId, units, when }) => {
        const { steps } = workbook.procedure;
        const last = steps.findLastIndex(
          (step) =>
            ['loosen', 'start-by-hand', 'fit', 'place', 'seat', 'press', 'pin'].includes(step.verb) &&
            step.targets.some((target) => target.componentId === componentId),
        );
        const step = steps[last];
        return {
          ...(step && { stepId: step.id }),
          componentIds: [componentId],
          unitIds: units.map((unit) => unit.id),
          sentence: `The ${nameAll(context, componentId)} ${agree(context, componentId, 'is', 'are')} left loose${when}: nothing torques ${agree(context, componentId, 'it', 'them')}${step ? ` after step ${last + 1}` : ''}.`,
          fix: { label: 'Add the torque step', edits: torqueAfter(workbook, componentId, last) },
        };
      });
  },
};
