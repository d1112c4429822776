import { unitsIn } from '../../cloth/replay';
import { refitting } from '../../procedure/way-back/way-back';
import { groupByComponent, nameUnits } from '../name-units';
import type { Rule } from '../rule';

export const leftInTray: Rule = {
  id: 'left-in-tray',
  family: 'completeness',
  severity: 'stop',
  looksFor: 'a renewed part whose replacement is never fitted',
  reason: 'The old part is thrown away and the pump is closed without a new one.',
  find: ({ workbook, timeline }) =>
    groupByComponent(unitsIn(timeline, timeline.end, 'tray')).map(([componentId, units]) => {
      const renewing = timeline.frames.find(
        ({ step }) => step.verb === 'renew' && step.targets.some((target) => target.componentId === componentId),
      );
      const [stay, them] = units.length > 1 ? ['stay', 'them'] : ['stays', 'it'];
      return {
        ...(renewing && { stepId: renewing.step.id }),
        componentIds: [componentId],
        sentence: `New ${nameUnits(workbook.series, componentId, units, '')} ${stay} in the kit tray: nothing fits ${them}.`,
        fix: { label: 'Add the step', edits: refitting(workbook, timeline, units) },
      };
    }),
};
