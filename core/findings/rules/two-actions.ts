import { sentencesOf, writtenIn } from '../../edits/written';
import { VERB_IDS, verbOf } from '../../model/verbs';
import { remembered } from '../remembered';
import { nameStep, type Rule, targetIds } from '../rule';

const MORE = [
  'put',
  'hold',
  'lift',
  'lower',
  'tap',
  'tip',
  'wipe',
  'check',
  'tighten',
  'remove',
  'attach',
  'connect',
  'disconnect',
  'slide',
  'unscrew',
];
const IMPERATIVES = [
  ...new Set([...VERB_IDS.flatMap((verb) => verbOf(verb).words.map((words) => words.split(' ')[0] ?? '')), ...MORE]),
]
  // Words that are nouns at least as often.
  .filter(
    (word) =>
      ![
        'set',
        'lay',
        'oil',
        'grease',
        'seal',
        'wire',
        'pin',
        'photo',
        'test',
        'start',
        'change',
        'cut',
        'lock',
        'run',
        'top',
        'look',
        'line',
        'hand',
        'let',
        'wait',
      ].includes(word),
  )
  .join('|');
const TWO = new RegExp(
  `^(?:${IMPERATIVES})\\b[^.;]*?(?:,\\s*then|,?\\s+and(?:\\s+then)?|;)\\s+(${IMPERATIVES})\\b`,
  'i',
);
/** What is done at the same time is one action; ASD-STE100 rule 5.3, recalled from memory. */
const TOGETHER = /\b(while|at the same time|as you|together)\b/i;

/** The first sentence of a step that tells two things. */
const twoIn = remembered((step) =>
  writtenIn(step)
    .filter(({ where }) => where === 'text' || where === 'about' || where === 'detail')
    // What a step is about goes on after its verb.
    .map(({ where, text }) => (where === 'about' ? `${verbOf(step.verb).words[0] ?? ''} ${text}` : text))
    .flatMap(sentencesOf)
    .find((sentence) => TWO.test(sentence) && !TOGETHER.test(sentence)),
);

export const twoActions: Rule = {
  id: 'two-actions',
  family: 'words',
  severity: 'advise',
  looksFor: 'a sentence that tells two things to do one after the other',
  reason: 'The second is forgotten, or done without the check that belongs to the first.',
  find: (context) =>
    context.workbook.procedure.steps.flatMap((step) => {
      const two = twoIn(step, context.workbook.series);
      if (!two) return [];
      return [
        {
          stepId: step.id,
          componentIds: targetIds(step),
          sentence: `${nameStep(context, step)}: "${shorten(two)}" tells two things to do.`,
        },
      ];
    }),
};

function shorten(sentence: string): string {
  return sentence.length > 70 ? `${sentence.slice(0, 68).replace(/\s+\S*$/, '')} …` : sentence.replace(/\.$/, '');
}
