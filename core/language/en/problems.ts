import type { DocumentFault, PointedAt, Problem } from '../../model/faults';

/** A fault as it is told: where, and why in plain words. */
export interface ToldFault {
  readonly path: string;
  readonly reason: string;
}

const POINTED: Readonly<Record<PointedAt, string>> = {
  component: 'component',
  tool: 'tool',
  consumable: 'consumable',
  position: 'position',
  'position-set': 'position set',
  kit: 'kit',
  series: 'series',
  procedure: 'procedure',
  step: 'step',
  block: 'block',
  picture: 'picture',
  answer: 'answer',
};

const UNITS = { number: '', letters: ' letters', items: ' items' } as const;

/** Why a place in a document is refused, as the end of a sentence that begins with the place. */
export function sayProblem(problem: Problem): string {
  switch (problem.is) {
    case 'empty':
      return 'is empty';
    case 'no-torque':
      return 'is not a torque';
    case 'no-length':
      return 'is not a length or a force';
    case 'no-such-quantity':
      return 'is zero or in another kind of unit';
    case 'not-above-zero':
      return 'must be above zero';
    case 'below-zero':
      return 'must not be below zero';
    case 'too-short-a-reason':
      return 'needs at least three letters';
    case 'no-photo':
      return 'is not a photo';
    case 'ends-before-start':
      return 'must end after it starts';
    case 'range-in-two-dimensions':
      return 'ends in another kind of unit';
    case 'range-falls':
      return 'must rise';
    case 'no-id':
      return 'may hold letters, digits, - and _ only';
    case 'no-such-time':
      return 'is no time at which this can have been done; look at the clock of the device';
    case 'unprintable':
      return 'holds signs that cannot be shown, such as control or direction marks';
    case 'no-number':
      return 'is larger than any number that is used here';
    case 'replaces-nothing':
      return 'needs a word to replace';
    case 'no-caution':
      return 'needs words of its own, or is a usual one';
    case 'waits-for-itself':
      return 'the step would wait for its own answer';
    case 'ring-of-modules':
      return 'the procedures would continue from one another in a ring';
    case 'said':
      return problem.words;
    case 'not-json':
      return `is not JSON: ${problem.detail}`;
    case 'not-a-package':
      return `is not a Fukusa package: "format" must be "${problem.format}"`;
    case 'newer-format':
      return `is "${problem.format}", from a newer version; this one reads up to "${problem.reads}". Update and try again`;
    case 'type':
      return problem.expected === 'undefined' ? 'must be left out' : `must be ${withArticle(problem.expected)}`;
    case 'choice':
      return problem.values.length > 12
        ? `is none of the ${problem.values.length} values that are known`
        : `must be ${problem.values.length > 1 ? 'one of ' : ''}${problem.values.map((value) => `"${value}"`).join(', ')}`;
    case 'least':
      return `must be at least ${problem.limit}${UNITS[problem.of]}`;
    case 'most':
      return `must be at most ${problem.limit}${UNITS[problem.of]}`;
    case 'unknown-fields':
      return `has ${problem.fields.length > 1 ? 'fields that are' : 'a field that is'} not known: ${problem.fields.map((field) => `"${field}"`).join(', ')}`;
    case 'malformed':
      return problem.what === 'value' ? 'is not what belongs here' : `is no ${problem.what} known here`;
    case 'absent':
      return `there is no ${POINTED[problem.what]} "${problem.id}" ${WHERE[problem.what] ?? 'in the series'}`;
    case 'twice':
      return `the id "${problem.id}" is given twice`;
    case 'sits-in-itself':
      return `the part would sit in itself through "${problem.id}"`;
    case 'asks-nothing':
      return `the step "${problem.id}" asks no question`;
    case 'other-series':
      return `the procedure "${problem.id}" is of another series`;
  }
}

/** What is looked for elsewhere than in the series. */
const WHERE: Readonly<Partial<Record<PointedAt, string>>> = {
  series: 'here',
  procedure: 'here',
  step: 'in the procedure',
  block: 'in the procedure',
  picture: 'in the step',
  answer: 'to the question',
};

function withArticle(word: string): string {
  return /^[aeiou]/.test(word) ? `an ${word}` : `a ${word}`;
}

export function sayFaults(faults: readonly DocumentFault[]): ToldFault[] {
  return faults.map(({ path, problem }) => ({ path, reason: sayProblem(problem) }));
}
