import { counterpart } from '../../drafting/way-back/preparing';
import { nameStep, type Rule } from '../rule';

export const notRestored: Rule = {
  id: 'not-restored',
  family: 'completeness',
  severity: 'warn',
  looksFor: 'an isolation or lock that is never taken off',
  reason: 'The pump is handed back locked, and somebody cuts the lock off.',
  find: (context) => {
    const { workbook, timeline } = context;
    const step = timeline.ends.find(({ state }) => state.isolatedBy !== null)?.state.isolatedBy;
    if (!step || workbook.procedure.handsOn) return [];
    const here = workbook.procedure.steps.includes(step);
    return [
      {
        ...(here && { stepId: step.id }),
        componentIds: [],
        sentence: here
          ? `${nameStep(context, step)}: nothing restores it.`
          : 'An earlier module isolates the pump and nothing restores it.',
        fix: { label: 'Add the restoring', edits: counterpart(workbook, step, 'restore') },
      },
    ];
  },
};
