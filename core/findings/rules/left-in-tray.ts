import { calledFor } from '../../bench/replay';
import { refitting } from '../../drafting/way-back/refitting';
import { isLeaving } from '../../model/procedure';
import { nameUnits } from '../name-units';
import { atTheEnd, type Rule } from '../rule';

export const leftInTray: Rule = {
  id: 'left-in-tray',
  family: 'completeness',
  severity: 'stop',
  looksFor: 'a renewed part whose replacement is never fitted',
  reason: 'The old part is thrown away and the pump is closed without a new one.',
  find: (context) => {
    const { workbook, timeline } = context;
    if (workbook.procedure.handsOn) return [];
    return atTheEnd(context, (state) => calledFor(timeline, state))
      .filter(({ componentId }) => !isLeaving(workbook.procedure, componentId))
      .map(({ componentId, units, when }) => {
        const renewing = timeline.frames.find(
          ({ step }) => step.verb === 'renew' && step.targets.some((target) => target.componentId === componentId),
        );
        const [stay, them] = units.length > 1 ? ['stay', 'them'] : ['stays', 'it'];
        return {
          ...(renewing && { stepId: renewing.step.id }),
          componentIds: [componentId],
          unitIds: units.map((unit) => unit.id),
          sentence: `New ${nameUnits(workbook.series, componentId, units, '')} ${stay} in the kit tray${when}: nothing fits ${them}.`,
          fix: { label: 'Add the step', edits: refitting(workbook, timeline, units) },
        };
      });
  },
};
