import { unitsIn } from '../../cloth/replay';
import { takingOf } from '../../procedure/way-back/takings';
import { refitting } from '../../procedure/way-back/way-back';
import { capital, groupByComponent, nameUnits } from '../name-units';
import type { Rule } from '../rule';

export const leftOnCloth: Rule = {
  id: 'left-on-cloth',
  family: 'completeness',
  severity: 'stop',
  looksFor: 'a part that is taken off and never goes back',
  reason: 'A part left over means the pump leaks or fails and comes apart again.',
  find: ({ workbook, timeline }) =>
    groupByComponent(unitsIn(timeline, timeline.end, 'cloth')).map(([componentId, units]) => {
      const taking = takingOf(timeline, units);
      const [stay, them] = units.length > 1 ? ['stay', 'them'] : ['stays', 'it'];
      const name = capital(nameUnits(workbook.series, componentId, units));
      if (!taking) return { componentIds: [componentId], sentence: `${name} ${stay} on the cloth.` };
      return {
        stepId: taking.step.id,
        componentIds: [componentId],
        sentence: `${name} ${stay} on the cloth: step ${taking.index + 1} takes ${them} off and nothing puts ${them} back.`,
        fix: { label: 'Add the step', edits: refitting(workbook, timeline, units) },
      };
    }),
};
