import { componentPhrase } from '../../narration/sentence';
import { torqueAfter } from '../../procedure/way-back/way-back';
import { isFastener } from '../../pump/kinds';
import { componentById } from '../../pump/series';
import { type Rule, targetIds } from '../rule';

export const looseAtEnd: Rule = {
  id: 'loose-at-end',
  family: 'completeness',
  severity: 'warn',
  looksFor: 'fasteners that are loosened or started by hand and never torqued',
  reason: 'They work loose while the pump runs.',
  find: ({ workbook }) => {
    const { steps } = workbook.procedure;
    const touched = new Set(
      steps.filter((step) => step.verb === 'loosen' || step.verb === 'start-by-hand').flatMap(targetIds),
    );
    return [...touched].flatMap((componentId) => {
      const component = componentById(workbook.series, componentId);
      if (!component || !isFastener(component.kind)) return [];
      const last = steps.findLastIndex(
        (step) => (step.verb === 'loosen' || step.verb === 'start-by-hand') && targetIds(step).includes(componentId),
      );
      const step = steps[last];
      const torqued = steps
        .slice(last + 1)
        .some((later) => later.verb === 'torque' && targetIds(later).includes(componentId));
      if (!step || torqued) return [];
      return [
        {
          stepId: step.id,
          componentIds: [componentId],
          sentence: `The ${componentPhrase(component, 2, false)} are left loose: nothing torques them after step ${last + 1}.`,
          fix: { label: 'Add the torque step', edits: torqueAfter(workbook, componentId, last) },
        },
      ];
    });
  },
};
