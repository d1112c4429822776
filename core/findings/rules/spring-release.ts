import { newStep } from '../../edits/edit';
import type { Step } from '../../model/procedure';
import { agree, nameAll, nameStep, noticed, type Rule } from '../rule';

export const springRelease: Rule = {
  id: 'spring-release',
  family: 'safety',
  severity: 'stop',
  looksFor: 'a part under spring tension taken off without being compressed or eased out',
  reason: 'The spring throws it at whoever stands there.',
  find: (context) =>
    noticed(context, 'spring-release').map(({ step, index, notice, when }) => {
      const ease: Step = {
        ...newStep(`ease-${notice.componentId}-${step.id}`.slice(0, 64), 'ease', step),
        stage: step.stage,
        targets: [{ componentId: notice.componentId }],
        positionIds: step.positionIds,
        cautions: [{ signal: 'WARNING', text: 'It is under spring tension. Keep your face and hands out of its way.' }],
        ...(step.when && { when: step.when }),
        drafted: ['verb', 'targets', 'cautions'],
      };
      return {
        stepId: step.id,
        componentIds: [notice.componentId],
        sentence: `${nameStep(context, step)}: the ${nameAll(context, notice.componentId)} ${agree(context, notice.componentId, 'is', 'are')} under spring tension${when}.`,
        fix: { label: 'Ease it out first', edits: [{ kind: 'insert', index, step: ease }] },
      };
    }),
};
