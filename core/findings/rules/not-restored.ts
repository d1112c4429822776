import { counterpart } from '../../procedure/way-back/way-back';
import { nameStep, type Rule } from '../rule';

export const notRestored: Rule = {
  id: 'not-restored',
  family: 'completeness',
  severity: 'warn',
  looksFor: 'an isolation or lock that is never taken off',
  reason: 'The pump is handed back locked, and somebody cuts the lock off.',
  find: (context) => {
    const { steps } = context.workbook.procedure;
    const last = steps.findLastIndex((step) => step.verb === 'isolate' || step.verb === 'lock-out');
    const step = steps[last];
    if (!step || steps.slice(last + 1).some((later) => later.verb === 'restore')) return [];
    return [
      {
        stepId: step.id,
        componentIds: [],
        sentence: `${nameStep(context, step)}: nothing restores it.`,
        fix: { label: 'Add the restoring', edits: counterpart(context.workbook, step, 'restore') },
      },
    ];
  },
};
