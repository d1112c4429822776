import { newComponent } from '../edits/steps';
import type { Faces, Pose } from '../model/faces';
import { readDirection } from '../reading/en/direction-words';
import { compareFacings } from './directions';
import { sameFacing } from './faces';

const part = newComponent('seal', 'seal');
const series = { components: [] };
const facing = (end: string | undefined, toward: string): Faces => ({
  ...(end && { end }),
  toward: readDirection(toward, series),
});

test('articles and case do not make another facing', () => {
  expect(sameFacing(facing('The lip', 'the Pressure'), facing('lip', 'pressure'))).toBe(true);
  expect(sameFacing(facing('lip', 'the pressure'), facing('lip', 'the crankcase'))).toBe(false);
  expect(sameFacing(facing(undefined, 'any way'), facing(undefined, 'either way'))).toBe(true);
});

describe('turning the housing over flips the meaning', () => {
  test.each([
    ['up', 'out of the bore', 'face-up', 'same'],
    ['up', 'out of the bore', 'face-down', 'contrary'],
    ['down on the bench', 'into the bore', 'face-up', 'same'],
    ['down on the bench', 'into the bore', 'face-down', 'contrary'],
    ['up', 'down', 'face-up', 'contrary'],
    ['up', 'out of the bore', 'on-its-side', 'unknown'],
    ['up', 'the pressure', 'face-down', 'unknown'],
  ] as const)('groove %s and groove %s, housing %s', (a, b, pose: Pose, agreement) => {
    expect(compareFacings(facing('groove', a), facing('groove', b), part, [], pose)).toBe(agreement);
  });
  test('another end is another saying, unless it is the one behind', () => {
    expect(compareFacings(facing('lip', 'up'), facing('groove', 'down'), part, [], 'face-up')).toBe('unknown');
    expect(compareFacings(facing('lip', 'up'), facing('flat back', 'down'), part, [], 'face-up')).toBe('same');
  });
});

test('how a part is turned is compared as its ends are', () => {
  const turned = (degrees: number): Faces => ({
    ...facing('lip', 'the pressure'),
    clocking: { how: 'staggered', degrees },
  });
  expect(compareFacings(turned(90), turned(90), part, [])).toBe('same');
  expect(compareFacings(turned(90), turned(180), part, [])).toBe('contrary');
  expect(compareFacings(turned(90), facing('lip', 'the pressure'), part, [])).toBe('same');
});

test('a neighbour called after the pressure is a neighbour', () => {
  const components = [{ id: 'hp', name: 'high pressure seal' }];
  expect(readDirection('the high pressure seal', { components })).toEqual({ is: 'part', componentId: 'hp' });
  expect(readDirection('the pressure', { components })).toEqual({ is: 'pressure' });
  expect(readDirection('away from the crankcase', { components })).toEqual({
    is: 'drive',
    said: 'the crankcase',
    away: true,
  });
});
