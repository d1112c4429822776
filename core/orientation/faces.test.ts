import { facingsClash, sameFacing } from './faces';

test('articles and case do not make another facing', () => {
  expect(sameFacing({ end: 'The lip', toward: 'the Pressure' }, { end: 'lip', toward: 'pressure' })).toBe(true);
  expect(sameFacing({ end: 'lip', toward: 'the pressure' }, { end: 'lip', toward: 'the crankcase' })).toBe(false);
});

describe('turning the housing over flips the meaning', () => {
  const bench = (toward: string) => ({ end: 'groove', toward });
  test.each([
    ['up', 'out of the bore', 'face-up', false],
    ['up', 'out of the bore', 'face-down', true],
    ['down on the bench', 'into the bore', 'face-up', false],
    ['down on the bench', 'into the bore', 'face-down', true],
    ['up', 'down', 'face-up', true],
    ['up', 'out of the bore', 'on-its-side', false],
    ['up', 'the pressure', 'face-down', false],
  ] as const)('groove %s and groove %s, housing %s', (a, b, pose, clash) => {
    expect(facingsClash(bench(a), bench(b), pose)).toBe(clash);
  });
  test('another end is another saying', () => {
    expect(facingsClash({ end: 'lip', toward: 'up' }, { end: 'groove', toward: 'down' }, 'face-up')).toBe(false);
  });
});
