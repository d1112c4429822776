import { nameStep, noticed, type Rule, sayRoute } from '../rule';

export const pathsDisagree: Rule = {
  id: 'paths-disagree',
  family: 'paths',
  severity: 'warn',
  looksFor: 'answers or methods that leave the bench in different states',
  reason: 'What one technician finds done, another finds undone, and the next step fits only one of them.',
  find: (context) => {
    const { timeline, workbook } = context;
    const [, other] = timeline.ends;
    const ends = other
      ? [
          {
            ...([...other.route.keys()][0] && { stepId: [...other.route.keys()][0] as string }),
            componentIds: [],
            sentence: `The pump ends in another state${sayRoute(workbook, other.route) || ' on another way'}.`,
          },
        ]
      : [];
    const methods = noticed(context, 'methods-disagree').map(({ step, notice }) => ({
      stepId: step.id,
      componentIds: step.targets.map((target) => target.componentId),
      sentence: `${nameStep(context, step)}: the method "${step.methods?.find(({ id }) => id === notice.methodId)?.name}" leaves another bench behind.`,
    }));
    const many = timeline.tooManyPaths
      ? [
          {
            severity: 'advise' as const,
            componentIds: [],
            sentence: 'There are more ways at once than are followed; let them come together sooner.',
          },
        ]
      : [];
    return [...ends, ...methods, ...many];
  },
};
