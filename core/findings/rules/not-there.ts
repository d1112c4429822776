import { pluralName } from '../../pump/kinds';
import { toolLabel } from '../../pump/series';
import { nameStep, noticed, type Rule } from '../rule';

const STATES = {
  'not-in-pump': 'are not in the pump any more',
  'not-out': 'are neither on the cloth nor ready in the tray',
  'already-renewed': 'are renewed already',
  'nothing-in-it': 'hold nothing that could be laid out',
  'not-fitted': 'are not in the pump yet',
} as const;

export const notThere: Rule = {
  id: 'not-there',
  family: 'reach',
  severity: 'warn',
  looksFor: 'a step that acts on a part, or takes out an aid, where it is not',
  reason: 'The technician looks for a part that is not there.',
  find: (context) => [
    ...noticed(context, 'not-there').map(({ step, notice, when }) => {
      const name = context.timeline.structure.components.get(notice.componentId)?.name ?? 'part';
      return {
        stepId: step.id,
        componentIds: [notice.componentId],
        sentence: `${nameStep(context, step)}: the ${pluralName(name)} ${STATES[notice.reason]}${when}.`,
      };
    }),
    ...noticed(context, 'aid-not-in').map(({ step, notice, when }) => {
      const tool = context.workbook.series.tools.find(({ id }) => id === notice.toolId);
      return {
        stepId: step.id,
        componentIds: [],
        sentence: `${nameStep(context, step)}, takes out the ${tool ? toolLabel(tool) : 'aid'} that nothing put in${when}.`,
        fix: {
          label: 'Do not take it out',
          edits: [
            {
              kind: 'change' as const,
              stepId: step.id,
              fields: { aidsOut: (step.aidsOut ?? []).filter((id) => id !== notice.toolId) },
            },
          ],
        },
      };
    }),
  ],
};
