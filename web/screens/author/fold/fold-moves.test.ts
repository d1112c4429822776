import { replay } from '#core/bench/replay';
import { moveStep } from '#core/edits/steps';
import { foldOf } from '#core/fold/fold';
import { typed } from '#core/testing/workbook';
import { neighbour, placeAfterDrop } from './fold-moves';

const workbook = typed([
  'take off cover',
  'draw rotor @each shaft',
  'inspect rotor',
  'clean seal pocket',
  'fit rotor',
  'fit cover',
  'fill the oil',
]);
const { steps } = workbook.procedure;
const fold = foldOf(replay(workbook));
const [cover, rotor, inspect, clean, fitRotor, fitCover, fill] = steps.map((step) => step.id) as [
  string,
  string,
  string,
  string,
  string,
  string,
  string,
];
const dropped = (moved: string, target: string, half: 'above' | 'below') => {
  const place = placeAfterDrop(steps, moved, target, half);
  return place && moveStep(workbook.procedure, moved, place.index, place.stage).steps.map((step) => step.id);
};

describe('dropping a step', () => {
  test('down the left, above means before', () => {
    expect(dropped(rotor, cover, 'above')).toEqual([rotor, cover, inspect, clean, fitRotor, fitCover, fill]);
    expect(dropped(cover, rotor, 'below')).toEqual([rotor, cover, inspect, clean, fitRotor, fitCover, fill]);
  });

  test('up the right, above means after', () => {
    expect(dropped(fitRotor, fitCover, 'above')).toEqual([cover, rotor, inspect, clean, fitCover, fitRotor, fill]);
    expect(dropped(fill, fitRotor, 'below')).toEqual([cover, rotor, inspect, clean, fill, fitRotor, fitCover]);
  });

  test('the step takes on the stage it is dropped in', () => {
    expect(placeAfterDrop(steps, inspect, fitCover, 'above')).toEqual({ index: 5, stage: 'put-back' });
  });

  test('on itself or on nothing it stays', () => {
    expect(placeAfterDrop(steps, cover, cover, 'above')).toBeUndefined();
    expect(placeAfterDrop(steps, cover, 'nobody', 'above')).toBeUndefined();
  });
});

describe('the arrow keys follow the eye', () => {
  const go = (from: string, direction: 'up' | 'down' | 'left' | 'right') => neighbour(fold, steps, from, direction);
  test('down the left and into the bend', () => {
    expect([go(cover, 'down'), go(rotor, 'down'), go(inspect, 'down')]).toEqual([rotor, inspect, clean]);
    expect([go(inspect, 'up'), go(cover, 'up')]).toEqual([rotor, undefined]);
  });
  test('the right side stands upside down', () => {
    expect([go(fill, 'down'), go(fitCover, 'down'), go(fitCover, 'up')]).toEqual([fitCover, fitRotor, fill]);
  });
  test('left and right change between a taking and its refitting', () => {
    expect([go(cover, 'right'), go(fitRotor, 'left'), go(cover, 'left')]).toEqual([fitCover, rotor, undefined]);
    expect([go(inspect, 'right'), go(clean, 'left')]).toEqual([clean, inspect]);
  });
});
