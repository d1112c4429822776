import type { Step } from '../../model/procedure';
import { toolLabel } from '../../model/series';
import { type Rule, sayRoute } from '../rule';

export const aidLeftIn: Rule = {
  id: 'aid-left-in',
  family: 'completeness',
  severity: 'stop',
  looksFor: 'a guide pin, wedge or block that is put in and never taken out',
  reason: 'The pump is closed or started on it, and it breaks what it held.',
  find: ({ workbook, timeline }) => {
    const { series, procedure } = workbook;
    if (procedure.handsOn) return [];
    const left = new Map<string, { step: Step; when: string }>();
    for (const { state, route } of timeline.ends) {
      for (const [toolId, step] of state.aids) {
        const everywhere = timeline.ends.every((end) => end.state.aids.has(toolId));
        left.set(toolId, { step, when: everywhere ? '' : sayRoute(workbook, route) });
      }
    }
    return [...left].map(([toolId, { step, when }]) => {
      const tool = series.tools.find((candidate) => candidate.id === toolId);
      const putIn = procedure.steps.indexOf(step);
      const last = procedure.steps.findLast((other) => other.stage === 'put-back') ?? procedure.steps.at(-1);
      const name = tool ? toolLabel(tool) : 'aid';
      return {
        ...(putIn >= 0 && { stepId: step.id }),
        componentIds: [],
        sentence: `Nothing takes out the ${name}${putIn >= 0 ? ` that step ${putIn + 1} puts in` : ' that was put in'}${when}.`,
        ...(last && {
          fix: {
            label: 'Take out at the end',
            edits: [
              { kind: 'change' as const, stepId: last.id, fields: { aidsOut: [...(last.aidsOut ?? []), toolId] } },
            ],
          },
        }),
      };
    });
  },
};
