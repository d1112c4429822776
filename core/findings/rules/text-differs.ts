import { compareText, type TextDifference } from '../../language/en/compare-text';
import { remembered } from '../remembered';
import { nameStep, type Rule, targetIds } from '../rule';

const SAID_IN: Readonly<Record<TextDifference['only'], (what: string, name: string) => string>> = {
  text: (what, name) => `its sentence names the ${what} "${name}", the step does not`,
  step: (what, name) => `the step has the ${what} "${name}", its sentence does not`,
};

const differences = remembered(compareText);

export const textDiffers: Rule = {
  id: 'text-differs',
  family: 'words',
  severity: 'warn',
  looksFor:
    "a sentence in the trainer's own words that names a figure, tool, part or face the step does not have, or leaves one out",
  reason: 'The technician reads the sentence, the checks read the step; both have to say the same.',
  find: (context) =>
    context.workbook.procedure.steps.flatMap((step) => {
      const [first, ...more] = differences(step, context.workbook.series);
      if (!first) return [];
      const also = more.length > 0 ? `, and ${more.length} more` : '';
      return [
        {
          stepId: step.id,
          componentIds: targetIds(step),
          sentence: `${nameStep(context, step)}: ${SAID_IN[first.only](first.what, first.name)}${also}.`,
          fix: {
            label: 'Compose the sentence anew',
            edits: [{ kind: 'change' as const, stepId: step.id, fields: { text: undefined } }],
          },
        },
      ];
    }),
};
