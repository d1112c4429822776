import type { Step, Workbook } from '../../model/procedure';
import { at, found, mended } from '../../testing/findings';
import { typed, withStep } from '../../testing/workbook';

const saying = (fields: Partial<Step>, line = 'take off cover'): Workbook => withStep(typed([line]), 0, fields);

describe('vague', () => {
  test.each([
    ['Tighten to specification.', 'to specification'],
    ['Use grease as required.', 'as required'],
    ['Make sure it sits properly.', 'properly'],
    ['Fit it as shown.', 'as shown'],
  ])('%s', (detail, hit) => {
    expect(found(saying({ detail }), 'vague')).toMatchObject([{ facts: { words: hit } }]);
  });

  test('what has something behind it is not vague', () => {
    const pictures = [{ id: 'one', photo: 'a'.repeat(64), marks: [] }];
    expect(found(saying({ detail: 'Fit it as shown.', pictures }), 'vague')).toEqual([]);
    expect(found(saying({ detail: 'Torque to specification.' }, 'torque 4 bolts =20 N·m'), 'vague')).toEqual([]);
    expect(found(saying({ detail: 'Lift it straight off the two dowels.' }), 'vague')).toEqual([]);
  });
});

describe('long-sentence', () => {
  const words = (n: number) => Array.from({ length: n }, () => 'word').join(' ');
  test('begins at the twenty-first word; the reason may take more', () => {
    expect(found(saying({ detail: `${words(20)}. ${words(20)}.`.replace(/\. w/, '. W') }), 'long-sentence')).toEqual(
      [],
    );
    expect(at(saying({ detail: words(21) }), 'long-sentence')).toEqual([1]);
    expect(found(saying({ why: words(40) }), 'long-sentence')).toEqual([]);
  });
});

describe('two-actions', () => {
  test.each(['Lift the cover and turn the shaft by hand.', 'Drain the oil, then fit the plug.'])('%s', (detail) => {
    expect(found(saying({ detail }), 'two-actions')).toHaveLength(1);
  });
  test.each([
    'Lift the cover while you turn the shaft.',
    'Lift the cover and its gasket.',
    'Hold the nut and the washer.',
  ])('%s is one', (detail) => {
    expect(found(saying({ detail }), 'two-actions')).toEqual([]);
  });
  test('what a step is about may hide a second one', () => {
    const two = withStep(typed(['isolate the drive']), 0, { about: 'the drive and drain the casing' });
    expect(found(two, 'two-actions')).toHaveLength(1);
  });
});

describe('unlisted-tool', () => {
  test('a tool of the series, or one that every workshop has a word for', () => {
    const known = typed(['take off ring /hook tool', 'take off cover']);
    const named = withStep(known, 1, { detail: 'Start the edge with the hook tool.' });
    expect(at(named, 'unlisted-tool')).toEqual([2]);
    expect(found(mended(named, 'unlisted-tool'), 'unlisted-tool')).toEqual([]);
    expect(found(saying({ detail: 'Tap it off with a mallet.' }), 'unlisted-tool')).toHaveLength(1);
  });
  test('one that is listed, or that must not be used, is none', () => {
    expect(found(saying({ detail: 'Tap with the mallet.' }, 'take off cover /rubber mallet'), 'unlisted-tool')).toEqual(
      [],
    );
    expect(found(saying({ detail: 'Never use a screwdriver in the groove.' }), 'unlisted-tool')).toEqual([]);
    expect(found(saying({ cautions: [{ signal: 'NOTICE', text: 'A hammer cracks it.' }] }), 'unlisted-tool')).toEqual(
      [],
    );
  });
});

describe("text-differs: the trainer's own sentence against the step", () => {
  const torqued = (text: string) =>
    withStep(
      typed(['take off 4 cover bolts', 'start by hand cover bolts', 'torque cover bolts =45 N·m /torque wrench']),
      2,
      {
        text,
      },
    );
  test('a figure of its own, or none', () => {
    expect(at(torqued('Torque the cover bolts to 54 N·m with the torque wrench.'), 'text-differs')).toEqual([3]);
    expect(found(torqued('Torque the cover bolts crosswise with the torque wrench.'), 'text-differs')).toMatchObject([
      { facts: { what: 'figure', name: '45 N·m' } },
    ]);
    // The same figure in another unit is the same figure.
    expect(found(torqued('Torque the cover bolts to 33 lbf·ft with the torque wrench.'), 'text-differs')).toEqual([]);
  });
  test('a tool, a part and a face', () => {
    expect(found(torqued('Torque the cover bolts to 45 N·m.'), 'text-differs')).toMatchObject([
      { facts: { what: 'tool', name: 'torque wrench' } },
    ]);
    expect(found(torqued('Torque the screws to 45 N·m with the torque wrench.'), 'text-differs')).toMatchObject([
      { facts: { what: 'part', name: 'cover bolt' } },
    ]);
    const faced = (text: string) =>
      withStep(typed(['take off seal', 'fit seal']), 1, { text, faces: { end: 'lip', toward: { is: 'pressure' } } });
    expect(found(faced('Fit the seal.'), 'text-differs')).toMatchObject([{ facts: { what: 'face', name: 'lip' } }]);
    expect(found(faced('Fit the seal with its lip toward the pressure.'), 'text-differs')).toEqual([]);
  });
  test('is mended by composing the sentence anew', () => {
    expect(found(mended(torqued('Torque to 54 N·m.'), 'text-differs'), 'text-differs')).toEqual([]);
  });
});

test('house-term: a word this workshop says otherwise is replaced wherever it stands', () => {
  const workbook: Workbook = {
    ...saying({ detail: 'Clean the hole. Both holes must be dry.' }),
    house: { terms: [{ say: 'bore', insteadOf: ['hole'] }] },
  };
  expect(at(workbook, 'house-term')).toEqual([1]);
  const after = mended(workbook, 'house-term');
  expect(after.procedure.steps[0]?.detail).toBe('Clean the bore. Both bores must be dry.');
  expect(found(after, 'house-term')).toEqual([]);
  expect(found({ ...workbook, procedure: saying({ detail: 'The whole cover.' }).procedure }, 'house-term')).toEqual([]);
});
