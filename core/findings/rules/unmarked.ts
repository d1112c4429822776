import { newStep } from '../../edits/edit';
import type { Step } from '../../model/procedure';
import { nameAll, nameStep, noticed, type Rule } from '../rule';

export const unmarked: Rule = {
  id: 'unmarked',
  family: 'matching',
  severity: 'warn',
  looksFor: 'matched parts taken off before anything marks which is which',
  reason: 'Off the pump they look alike, and nobody can say where each belongs.',
  find: (context) =>
    noticed(context, 'unmarked').map(({ step, index, notice, when }) => {
      const mark: Step = {
        ...newStep(`mark-${notice.componentId}-${step.id}`.slice(0, 64), 'mark', step),
        stage: step.stage,
        targets: [{ componentId: notice.componentId }],
        positionIds: step.positionIds,
        ...(step.when && { when: step.when }),
        drafted: ['verb', 'targets', 'positionIds'],
      };
      return {
        stepId: step.id,
        componentIds: [notice.componentId],
        sentence: `${nameStep(context, step)}: the ${nameAll(context, notice.componentId)} are matched and not marked${when}.`,
        fix: { label: 'Mark them first', edits: [{ kind: 'insert', index, step: mark }] },
      };
    }),
};
