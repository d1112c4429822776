import { writtenIn } from '../../edits/written';
import { nameStep, type Rule, targetIds } from '../rule';

export const houseTerm: Rule = {
  id: 'house-term',
  family: 'words',
  severity: 'advise',
  looksFor: 'a word that this workshop says otherwise',
  reason: 'Two words for one thing read as two things.',
  find: (context) => {
    const terms = (context.workbook.house?.terms ?? []).flatMap(({ say, insteadOf }) =>
      insteadOf.map((word) => ({ say, pattern: new RegExp(`(?<![\\p{L}-])${escaped(word)}(s?)(?![\\p{L}-])`, 'giu') })),
    );
    if (terms.length === 0) return [];
    return context.workbook.procedure.steps.flatMap((step) => {
      for (const written of writtenIn(step)) {
        for (const { say, pattern } of terms) {
          const [hit] = written.text.match(pattern) ?? [];
          if (!hit) continue;
          return [
            {
              stepId: step.id,
              componentIds: targetIds(step),
              sentence: `${nameStep(context, step)}, says "${hit}"; here it is called "${say}".`,
              fix: {
                label: `Say "${say}"`,
                edits: [written.rewritten(written.text.replace(pattern, (_, plural: string) => `${say}${plural}`))],
              },
            },
          ];
        }
      }
      return [];
    });
  },
};

function escaped(word: string): string {
  return word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
}
