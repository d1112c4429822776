import { nameStep, type Rule, targetIds } from '../rule';
import { toolsLike, withoutTools } from '../tool-words';

const POWER = /\b(impact|air|pneumatic|power|cordless)\b/i;

export const powerTightens: Rule = {
  id: 'power-tightens',
  family: 'tightening',
  severity: 'warn',
  looksFor: 'an impact, air or power tool used to put together',
  reason: 'It overtightens before anyone can stop it, and strips or cracks.',
  find: (context) =>
    context.workbook.procedure.steps.flatMap((step) => {
      if (!['torque', 'start-by-hand', 'fit', 'press', 'seat'].includes(step.verb)) return [];
      return toolsLike(step, context.workbook.series, POWER).map((tool) => ({
        stepId: step.id,
        componentIds: targetIds(step),
        sentence: `${nameStep(context, step)}, tightens with the ${tool.name}.`,
        fix: { label: 'Take the tool out', edits: withoutTools(step, tool.id) },
      }));
    }),
};
