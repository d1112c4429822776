import { isPhotographed, lastLooks } from '../../evidence/looks';
import { agree, nameAll, type Rule } from '../rule';

export const noLastLook: Rule = {
  id: 'no-last-look',
  family: 'evidence',
  severity: 'advise',
  looksFor: 'a part whose facing matters, covered before a photo shows how it sits',
  reason: 'Covered, it can only be checked by taking the pump apart again.',
  find: (context) =>
    lastLooks(context.timeline)
      .filter((look) => look.coveredById !== undefined && !isPhotographed(context.timeline, look))
      .flatMap(({ componentId, from, coveredAt, coveredById }) => {
        const step = context.timeline.frames[from]?.step;
        if (!step || !coveredById) return [];
        const name = nameAll(context, componentId);
        const shows = step.faces
          ? `The ${name}, ${step.faces.end} toward ${step.faces.toward}`
          : `How the ${name} sits`;
        return [
          {
            stepId: step.id,
            componentIds: [componentId],
            sentence: `No photo shows the ${name} before step ${coveredAt + 1} puts the ${nameAll(context, coveredById)} over ${agree(context, componentId, 'it', 'them')}.`,
            fix: {
              label: 'Ask for a photo',
              edits: [{ kind: 'change' as const, stepId: step.id, fields: { photo: { mustShow: shows } } }],
            },
          },
        ];
      }),
};
