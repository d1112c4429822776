import { listing } from '../../language/en/sentence';
import { toolLabel } from '../../model/series';
import { agree, nameAll, nameStep, noticed, type Rule } from '../rule';

const STATES = {
  'not-in-pump': ['is not in the pump any more', 'are not in the pump any more'],
  'not-out': ['is neither on the cloth nor ready in the tray', 'are neither on the cloth nor ready in the tray'],
  'already-renewed': ['is renewed already', 'are renewed already'],
  'nothing-in-it': ['holds nothing that could be laid out', 'hold nothing that could be laid out'],
  'not-fitted': ['is not in the pump yet', 'are not in the pump yet'],
} as const;

export const notThere: Rule = {
  id: 'not-there',
  family: 'reach',
  severity: 'warn',
  looksFor:
    'a step that acts on a part, or takes out an aid, where it is not; advice where it is not at some positions',
  reason: 'The technician looks for a part that is not there.',
  find: (context) => [
    ...noticed(context, 'not-there').map(({ step, notice, when }) => {
      return {
        stepId: step.id,
        componentIds: [notice.componentId],
        sentence: `${nameStep(context, step)}: the ${nameAll(context, notice.componentId)} ${agree(context, notice.componentId, STATES[notice.reason][0], STATES[notice.reason][1])}${when}.`,
      };
    }),
    ...noticed(context, 'partly-there').map(({ step, notice, when }) => {
      const places = context.workbook.series.positionSets
        .flatMap((set) => set.positions)
        .filter(({ id }) => notice.positionIds.includes(id));
      const state = notice.act === 'takes' ? 'out already' : 'not out';
      return {
        stepId: step.id,
        componentIds: [notice.componentId],
        severity: 'advise' as const,
        sentence: `${nameStep(context, step)}: at ${listing(places.map(({ name }) => name))} it is ${state}${when}.`,
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
