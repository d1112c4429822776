import { counterpart, wantsFilling } from '../../drafting/way-back/preparing';
import { nameStep, type Rule } from '../rule';

export const notRefilled: Rule = {
  id: 'not-refilled',
  family: 'completeness',
  severity: 'warn',
  looksFor: 'something drained that is never filled again, where the step calls it oil, grease or fluid',
  reason: 'The pump is started dry and is damaged in minutes.',
  find: (context) => {
    const { workbook, timeline } = context;
    if (workbook.procedure.handsOn) return [];
    const dry = new Map(timeline.ends.flatMap(({ state }) => [...state.drained]));
    return [...dry.values()].filter(wantsFilling).map((step) => ({
      ...(workbook.procedure.steps.includes(step) && { stepId: step.id }),
      componentIds: [],
      sentence: workbook.procedure.steps.includes(step)
        ? `${nameStep(context, step)}: nothing fills it again.`
        : `An earlier module drains ${step.about ?? 'the pump'} and nothing fills it again.`,
      fix: { label: 'Add the filling', edits: counterpart(workbook, step, 'fill') },
    }));
  },
};
