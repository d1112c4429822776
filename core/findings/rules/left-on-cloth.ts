import { lyingFree } from '../../bench/replay';
import { refitting } from '../../drafting/way-back/refitting';
import { takingOf } from '../../drafting/way-back/takings';
import { isLeaving } from '../../model/procedure';
import { capital, nameUnits } from '../name-units';
import { atTheEnd, type Rule } from '../rule';

export const leftOnCloth: Rule = {
  id: 'left-on-cloth',
  family: 'completeness',
  severity: 'stop',
  looksFor: 'a part that is taken off and never goes back',
  reason: 'A part left over means the pump leaks or fails and comes apart again.',
  find: (context) => {
    const { workbook, timeline } = context;
    if (workbook.procedure.handsOn) return [];
    return atTheEnd(context, (state) => lyingFree(timeline, state))
      .filter(({ componentId }) => !isLeaving(workbook.procedure, componentId))
      .map(({ componentId, units, when }) => {
        const taking = takingOf(timeline, units);
        const [stay, them] = units.length > 1 ? ['stay', 'them'] : ['stays', 'it'];
        const name = capital(nameUnits(workbook.series, componentId, units));
        const said = { componentIds: [componentId], unitIds: units.map((unit) => unit.id) };
        const fix = { label: 'Add the step', edits: refitting(workbook, timeline, units) };
        if (!taking) return { ...said, sentence: `${name} ${stay} on the cloth${when}.`, fix };
        return {
          ...said,
          stepId: taking.step.id,
          sentence: `${name} ${stay} on the cloth${when}: step ${taking.index + 1} takes ${them} off and nothing puts ${them} back.`,
          fix,
        };
      });
  },
};
