import type { Step } from '../../model/procedure';
import { isLubricant } from '../../supplies/consumable-kinds';
import { agree, type CheckContext, nameAll, nameStep, noticed, type Rule } from '../rule';

export const drySeal: Rule = {
  id: 'dry-seal',
  family: 'compounds',
  severity: 'advise',
  looksFor: 'a seal fitted with nothing on it; a warning where the series wants something there',
  reason: 'A dry seal is cut or twisted on the way in, and runs hot at the first start.',
  find: (context) =>
    noticed(context, 'dry-seal').flatMap(({ step, index, notice: { componentId, consumableId }, when }) => {
      const { steps } = context.workbook.procedure;
      if (steps.slice(index + 1).some((later) => lubricates(context, later, step, componentId))) return [];
      const component = context.timeline.structure.components.get(componentId);
      const wanted = component?.wants?.find((want) => want.consumableId === consumableId);
      const name = consumableId && context.timeline.structure.consumables.get(consumableId)?.name;
      return [
        {
          stepId: step.id,
          componentIds: [componentId],
          ...(name && { severity: 'warn' as const }),
          sentence: `${nameStep(context, step)}, fits the ${nameAll(context, componentId)} dry${name ? `; ${agree(context, componentId, 'it wants', 'they want')} ${name}` : ''}${when}.`,
          ...(wanted && {
            fix: {
              label: `Put ${name} on`,
              edits: [
                { kind: 'change' as const, stepId: step.id, fields: { applications: [...step.applications, wanted] } },
              ],
            },
          }),
        },
      ];
    }),
};

/** Greased in its place, before the next thing is fitted over it. */
function lubricates({ timeline }: CheckContext, later: Step, fitting: Step, componentId: string): boolean {
  const names = later.targets.some((target) => target.componentId === componentId);
  const samePlace =
    later.positionIds.length === 0 ||
    fitting.positionIds.length === 0 ||
    later.positionIds.some((id) => fitting.positionIds.includes(id));
  const lubricant = later.applications.some(({ consumableId }) => {
    const consumable = timeline.structure.consumables.get(consumableId);
    return consumable !== undefined && isLubricant(consumable);
  });
  return names && samePlace && (lubricant || later.verb === 'lubricate');
}
