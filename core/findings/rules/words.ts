import { writtenIn } from '../../edits/written';
import { toolsOnlyInText } from '../../reading/en/mentions';
import { stepsNamed } from '../../reading/en/remark-words';
import { VERB_WORDS } from '../../reading/en/verb-words';
import { pointsIn, sentencesOf, tellsTwo, vagueIn, wordsOf } from '../../reading/en/wording';
import { changeStep, type Rule, remembered, stepOf, targetIds } from '../rule';
import { compareText } from '../words/compare-text';
import type { TextDifference } from '../words/difference';

const differences = remembered((step, series): readonly TextDifference[] => compareText(step, series));

export const textDiffers: Rule<'text-differs'> = {
  id: 'text-differs',
  family: 'words',
  severity: 'warn',
  find: ({ workbook: { series, procedure } }) =>
    procedure.steps.flatMap((step) => {
      const [first, ...more] = differences(step, series);
      if (!first) return [];
      return [{ stepId: step.id, componentIds: targetIds(step), facts: { ...first, more: more.length } }];
    }),
  fix: ({ stepId, facts: { where } }, context) => {
    const step = stepOf(context, stepId);
    if (!step || where !== 'text') return undefined;
    return { words: { does: 'rebuild-sentence' }, edits: [changeStep(step, { text: undefined })] };
  },
};

const missingIn = remembered((step, series) => {
  const words = writtenIn(step).flatMap(({ where, text }) =>
    where === 'caution' || where === 'question' ? [] : [text],
  );
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

export const unlistedTool: Rule<'unlisted-tool'> = {
  id: 'unlisted-tool',
  family: 'words',
  severity: 'warn',
  find: ({ workbook: { series, procedure } }) =>
    procedure.steps.flatMap((step) => {
      const [name] = missingIn(step, series);
      return name ? [{ stepId: step.id, componentIds: targetIds(step), facts: { name } }] : [];
    }),
  fix: ({ stepId, facts: { name } }, context) => {
    const step = stepOf(context, stepId);
    const tool = context.workbook.series.tools.find((candidate) => candidate.name === name);
    if (!step || !tool) return undefined;
    return { words: { does: 'add-tool', name }, edits: [changeStep(step, { toolIds: [...step.toolIds, tool.id] })] };
  },
};

const vagueWords = remembered((step) => {
  const hasPicture = (step.pictures?.length ?? 0) + (step.clips?.length ?? 0) > 0;
  for (const { text } of writtenIn(step)) {
    const vagueHit = vagueIn(text);
    // A figure in the step is what "to specification" then means.
    if (vagueHit && !(step.torque && /spec|torque/i.test(vagueHit)))
      return { words: vagueHit.toLowerCase(), noPicture: false };
    const pointing = hasPicture ? undefined : pointsIn(text);
    if (pointing) return { words: pointing.toLowerCase(), noPicture: true };
  }
  return undefined;
});

export const vague: Rule<'vague'> = {
  id: 'vague',
  family: 'words',
  severity: 'warn',
  find: ({ workbook: { series, procedure } }) =>
    procedure.steps.flatMap((step) => {
      const hit = vagueWords(step, series);
      return hit ? [{ stepId: step.id, componentIds: targetIds(step), facts: hit }] : [];
    }),
};

const stepsSaid = remembered((step) => writtenIn(step).flatMap(({ text }) => stepsNamed(text)));

export const noSuchStep: Rule<'no-such-step'> = {
  id: 'no-such-step',
  family: 'words',
  severity: 'warn',
  find: ({ workbook: { series, procedure } }) =>
    procedure.steps.flatMap((step) => {
      const { length } = procedure.steps;
      const named = stepsSaid(step, series).find((number) => number < 1 || number > length);
      return named === undefined
        ? []
        : [{ stepId: step.id, componentIds: targetIds(step), facts: { named, steps: length } }];
    }),
};

/** The longest sentence in a procedure by ASD-STE100, Simplified Technical English, rule 5.1; recalled from memory. */
export const MOST_WORDS = 20;

const longestIn = remembered((step) =>
  Math.max(0, ...writtenIn(step).flatMap(({ text }) => sentencesOf(text).map((sentence) => wordsOf(sentence).length))),
);

export const longSentence: Rule<'long-sentence'> = {
  id: 'long-sentence',
  family: 'words',
  severity: 'advise',
  find: ({ workbook: { series, procedure } }) =>
    procedure.steps.flatMap((step) => {
      const words = longestIn(step, series);
      return words <= MOST_WORDS ? [] : [{ stepId: step.id, componentIds: targetIds(step), facts: { words } }];
    }),
};

/** The first sentence of a step that tells two things. */
const twoIn = remembered((step) =>
  writtenIn(step)
    .filter(({ where }) => where === 'text' || where === 'about' || where === 'detail')
    // What a step is about goes on after its verb.
    .map(({ where, text }) => (where === 'about' ? `${VERB_WORDS[step.verb][0] ?? ''} ${text}` : text))
    .flatMap(sentencesOf)
    .find(tellsTwo),
);

export const twoActions: Rule<'two-actions'> = {
  id: 'two-actions',
  family: 'words',
  severity: 'advise',
  find: ({ workbook: { series, procedure } }) =>
    procedure.steps.flatMap((step) => {
      const words = twoIn(step, series);
      return words ? [{ stepId: step.id, componentIds: targetIds(step), facts: { words } }] : [];
    }),
};

export const houseTerm: Rule<'house-term'> = {
  id: 'house-term',
  family: 'words',
  severity: 'advise',
  find: ({ workbook: { procedure, house } }) => {
    const terms = (house?.terms ?? []).flatMap(({ say, insteadOf }) =>
      insteadOf.map((word) => ({ say, pattern: termPattern(word) })),
    );
    if (terms.length === 0) return [];
    return procedure.steps.flatMap((step) => {
      for (const { text } of writtenIn(step)) {
        for (const { say, pattern } of terms) {
          const [said] = text.match(pattern) ?? [];
          if (said) return [{ stepId: step.id, componentIds: targetIds(step), facts: { said, say } }];
        }
      }
      return [];
    });
  },
  fix: ({ stepId, facts: { say } }, context) => {
    const step = stepOf(context, stepId);
    const words = context.workbook.house?.terms.find((term) => term.say === say)?.insteadOf ?? [];
    for (const written of step ? writtenIn(step) : []) {
      for (const word of words) {
        const pattern = termPattern(word);
        if (!pattern.test(written.text)) continue;
        const text = written.text.replace(termPattern(word), (_, plural: string) => `${say}${plural}`);
        return { words: { does: 'say-term', term: say }, edits: [written.rewritten(text)] };
      }
    }
    return undefined;
  },
};

function termPattern(word: string): RegExp {
  return new RegExp(`(?<![\\p{L}-])${word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(s?)(?![\\p{L}-])`, 'giu');
}
