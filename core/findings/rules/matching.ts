import { newStep } from '../../edits/steps';
import type { Step } from '../../model/procedure';
import { atStep, indexOf, noticed, type Rule, stepOf } from '../rule';

export const unmarked: Rule<'unmarked'> = {
  id: 'unmarked',
  family: 'matching',
  severity: 'warn',
  find: (context) =>
    noticed(context, 'unmarked').map(({ step, on, notice: { componentId } }) => ({
      ...atStep(step, on),
      componentIds: [componentId],
      facts: { componentId },
    })),
  fix: ({ stepId, facts: { componentId } }, context) => {
    const step = stepOf(context, stepId);
    if (!step) return undefined;
    const mark: Step = {
      ...newStep(`mark-${componentId}-${step.id}`.slice(0, 64), 'mark', step),
      stage: step.stage,
      targets: [{ componentId }],
      positionIds: step.positionIds,
      ...(step.when && { when: step.when }),
      drafted: ['verb', 'targets', 'positionIds'],
    };
    return { words: { does: 'mark-first' }, edits: [{ kind: 'insert', index: indexOf(context, stepId), step: mark }] };
  },
};
