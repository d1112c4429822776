import { nameStep, type Rule, targetIds } from '../rule';

export const deadPath: Rule = {
  id: 'dead-path',
  family: 'paths',
  severity: 'warn',
  looksFor: 'steps that no answer leads to, and questions on which nothing depends',
  reason: 'The technician never sees the step, or answers for nothing.',
  find: (context) => {
    const { timeline, workbook } = context;
    const { steps } = workbook.procedure;
    const unreached = timeline.tooManyPaths ? [] : timeline.frames.filter(({ runs }) => runs.length === 0);
    const idle = steps.filter(
      (step) => step.decision && !steps.some((other) => other.when?.some(({ stepId }) => stepId === step.id)),
    );
    return [
      ...unreached.map(({ step }) => ({
        stepId: step.id,
        componentIds: targetIds(step),
        sentence: `${nameStep(context, step)}, is never reached: no answer leads to it.`,
        fix: {
          label: 'Do it always',
          edits: [{ kind: 'change' as const, stepId: step.id, fields: { when: undefined } }],
        },
      })),
      ...idle.map((step) => ({
        stepId: step.id,
        componentIds: [],
        sentence: `${nameStep(context, step)}, asks a question and no step depends on the answer.`,
      })),
    ];
  },
};
