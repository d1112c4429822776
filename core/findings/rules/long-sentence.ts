import { sentencesOf, wordsOf, writtenIn } from '../../edits/written';
import { remembered } from '../remembered';
import { nameStep, type Rule, targetIds } from '../rule';

/** The longest sentence in a procedure by ASD-STE100, Simplified Technical English, rule 5.1; recalled from memory. */
export const MOST_WORDS = 20;

const longestIn = remembered((step) =>
  Math.max(0, ...writtenIn(step).flatMap(({ text }) => sentencesOf(text).map((sentence) => wordsOf(sentence).length))),
);

export const longSentence: Rule = {
  id: 'long-sentence',
  family: 'words',
  severity: 'advise',
  looksFor: `a sentence of more than ${MOST_WORDS} words`,
  reason: 'It is read with gloves on and one eye on the pump; past twenty words it is read twice.',
  find: (context) =>
    context.workbook.procedure.steps.flatMap((step) => {
      const longest = longestIn(step, context.workbook.series);
      if (longest <= MOST_WORDS) return [];
      return [
        {
          stepId: step.id,
          componentIds: targetIds(step),
          sentence: `${nameStep(context, step)}, has a sentence of ${longest} words.`,
        },
      ];
    }),
};
