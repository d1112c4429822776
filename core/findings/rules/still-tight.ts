import { newStep } from '../../edits/edit';
import type { Step } from '../../model/procedure';
import { agree, nameAll, nameStep, noticed, type Rule } from '../rule';

export const stillTight: Rule = {
  id: 'still-tight',
  family: 'reach',
  severity: 'stop',
  looksFor: 'a part taken off while the fasteners that hold it are tight',
  reason: 'It is forced off against its fasteners and cracks, or flies off.',
  find: (context) =>
    noticed(context, 'still-tight').map(({ step, index, notice, when }) => {
      const loosen: Step = {
        ...newStep(`loosen-${notice.fastenerId}-${step.id}`.slice(0, 64), 'loosen', step),
        stage: step.stage,
        targets: [{ componentId: notice.fastenerId }],
        ...(step.when && { when: step.when }),
        drafted: ['verb', 'targets'],
      };
      return {
        stepId: step.id,
        componentIds: [notice.componentId, notice.fastenerId],
        sentence: `${nameStep(context, step)}, is done while the ${nameAll(context, notice.fastenerId)} ${agree(context, notice.fastenerId, 'is', 'are')} tight${when}.`,
        fix: { label: 'Loosen them first', edits: [{ kind: 'insert', index, step: loosen }] },
      };
    }),
};
