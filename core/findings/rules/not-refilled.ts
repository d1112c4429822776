import { counterpart, wantsFilling } from '../../procedure/way-back/way-back';
import { nameStep, type Rule } from '../rule';

export const notRefilled: Rule = {
  id: 'not-refilled',
  family: 'completeness',
  severity: 'warn',
  looksFor: 'something drained that is never filled again, where the step calls it oil, grease or fluid',
  reason: 'The pump is started dry and is damaged in minutes.',
  find: (context) =>
    context.workbook.procedure.steps.flatMap((step, index) => {
      if (!wantsFilling(step)) return [];
      const filled = context.workbook.procedure.steps.slice(index + 1).some((later) => later.verb === 'fill');
      if (filled) return [];
      return [
        {
          stepId: step.id,
          componentIds: [],
          sentence: `${nameStep(context, step)}: nothing fills it again.`,
          fix: { label: 'Add the filling', edits: counterpart(context.workbook, step, 'fill') },
        },
      ];
    }),
};
