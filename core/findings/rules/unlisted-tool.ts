import { writtenIn } from '../../edits/written';
import { toolsOnlyInText } from '../../language/en/mentions';
import { remembered } from '../remembered';
import { nameStep, type Rule, targetIds } from '../rule';

const missingIn = remembered((step, series) => {
  const words = writtenIn(step).flatMap(({ where, text }) => (where === 'caution' ? [] : [text]));
  if (words.length === 0) return [];
  const ids = new Set([
    ...step.toolIds,
    ...(step.aidsIn ?? []),
    ...(step.aidsOut ?? []),
    ...(step.methods ?? []).flatMap((method) => method.toolIds),
    ...(step.measurements ?? []).flatMap(({ toolId }) => toolId ?? []),
  ]);
  const listed = series.tools.filter(({ id }) => ids.has(id));
  return toolsOnlyInText(words.join(' \n'), listed, series);
});

export const unlistedTool: Rule = {
  id: 'unlisted-tool',
  family: 'words',
  severity: 'warn',
  looksFor: 'a tool told in words only, so that the tool list lacks it',
  reason: 'It is missed at the bench in the middle of the work.',
  find: (context) => {
    const { series, procedure } = context.workbook;
    return procedure.steps.flatMap((step) => {
      const [missing] = missingIn(step, series);
      if (!missing) return [];
      const tool = series.tools.find(({ name }) => name === missing);
      return [
        {
          stepId: step.id,
          componentIds: targetIds(step),
          sentence: `${nameStep(context, step)}: the ${missing} is named in words and is not among its tools.`,
          ...(tool && {
            fix: {
              label: `Add the ${missing}`,
              edits: [{ kind: 'change' as const, stepId: step.id, fields: { toolIds: [...step.toolIds, tool.id] } }],
            },
          }),
        },
      ];
    });
  },
};
