import { componentPhrase } from '../../narration/sentence';
import { componentById } from '../../pump/series';
import { nameStep, type Rule } from '../rule';

const STATES = {
  'not-in-pump': 'are not in the pump any more',
  'not-out': 'are neither on the cloth nor ready in the tray',
  'already-renewed': 'are renewed already',
} as const;

export const notThere: Rule = {
  id: 'not-there',
  family: 'reach',
  severity: 'warn',
  looksFor: 'a step that acts on a part where it is not',
  reason: 'The technician looks for a part that is not there.',
  find: (context) =>
    context.timeline.frames.flatMap(({ step, misses }) =>
      misses.map(({ componentId, reason }) => {
        const component = componentById(context.workbook.series, componentId);
        const name = component ? componentPhrase(component, 2) : 'parts';
        return {
          stepId: step.id,
          componentIds: [componentId],
          sentence: `${nameStep(context, step)}: the ${name} ${STATES[reason]}.`,
        };
      }),
    ),
};
