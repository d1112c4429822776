import { baseOf } from './verb-forms';

test.each([
  ['loosening', 'ing', 'loosen'],
  ['slipping', 'ing', 'slip'],
  ['removing', 'ing', 'remove'],
  ['easing', 'ing', 'ease'],
  ['removed', 'past', 'remove'],
  ['tapped', 'past', 'tap'],
  ['dried', 'past', 'dry'],
  ['taken', 'past', 'take'],
  ['undone', 'past', 'undo'],
  ['put', 'past', 'put'],
  ['unscrews', 's', 'unscrew'],
  ['presses', 's', 'press'],
  ['pries', 's', 'pry'],
] as const)('"%s" is a form of a verb', (form, kind, verb) => {
  expect(baseOf(form, kind)).toBe(verb);
});

test('what only looks like a form is none', () => {
  expect(['bearing', 'housing', 'ring', 'spring'].map((word) => baseOf(word, 'ing'))).toEqual(Array(4).fill(undefined));
  expect(['red', 'bled', 'need'].map((word) => baseOf(word, 'past'))).toEqual(Array(3).fill(undefined));
});
