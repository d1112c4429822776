import {
  drySaid,
  isBroken,
  isCalledPass,
  isOnlyFirstPass,
  oldSaid,
  stepsNamed,
  substancesIn,
  turningSaid,
  waitsIn,
} from './remark-words';

describe('what a remark tells to put on', () => {
  test.each([
    ['Coat it with petroleum jelly.', ['petroleum jelly']],
    ['Apply a thin film of silicone grease to the lip.', ['silicone grease']],
    ['Use a drop of thread-locker.', ['thread-locker']],
    ['Grease the lip, then press it home.', ['grease']],
    ['Pull it out and oil the shaft.', ['oil']],
  ])('%s', (text, expected) => {
    expect(substancesIn(text)).toEqual(expected);
  });
  test.each([
    'Wipe off the old grease.',
    'No grease on the faces.',
    'Keep the disc free of oil.',
    'Never use silicone grease here.',
    'Press it in with the oil seal driver.',
    'Fill with oil to the mark.',
    'Look at the oil side.',
    'Clean the thread of old sealant.',
  ])('%s tells nothing to put on', (text) => {
    expect(substancesIn(text)).toEqual([]);
  });
});

test.each([
  ['Fit it dry.', true],
  ['Press it in without any grease.', true],
  ['Wipe the bore dry.', false],
  ['Clean and dry the faces.', false],
  ['No grease on the outside.', false],
  ['Fit it once the face is clean and let it dry off.', false],
])('%s says that it goes in dry: %s', (text, expected) => {
  expect(drySaid(text) !== undefined).toBe(expected);
});

test.each([
  ['Refit the old split pin.', true],
  ['Fit the same ring again.', true],
  ['The pin can be reused.', true],
  ['Never refit the old pin.', false],
  ['Do not reuse the gasket.', false],
  ['Fit it in the same place.', false],
  ['Press it in to the original depth.', false],
  ['Compare it with the old one.', false],
])('%s puts the old part back: %s', (text, expected) => {
  expect(oldSaid(text) !== undefined).toBe(expected);
});

test('times to soak or wait are read in minutes', () => {
  expect(waitsIn('Soak for 5 minutes, then let it stand 1 hour.').map(({ minutes }) => minutes)).toEqual([5, 60]);
  expect(waitsIn('Torque within 15 minutes.')).toEqual([]);
});

test.each([
  ['Turn clockwise.', 'clockwise'],
  ['Unscrew it counter-clockwise.', 'counter-clockwise'],
  ['Turn it anticlockwise to loosen.', 'counter-clockwise'],
  ['Do not turn it clockwise.', undefined],
  ['Half a turn clockwise, then counter-clockwise.', undefined],
])('%s', (text, expected) => {
  expect(turningSaid(text)).toBe(expected);
});

test('references to steps, with ranges', () => {
  expect(stepsNamed('As in step 12; see steps 4 to 6.')).toEqual([12, 4, 6]);
  expect(stepsNamed('Mind the step in the bore, 3 mm deep.')).toEqual([]);
});

test('a first pass and broken parts are told apart from the rest', () => {
  expect(isOnlyFirstPass(['First pass, crosswise.'])).toBe(true);
  expect(isOnlyFirstPass(['First pass to 20 N·m, then to the figure.'])).toBe(false);
  expect([isCalledPass('Final pass.'), isCalledPass('In three passes.')]).toEqual([true, false]);
  expect([isBroken('a crack'), isBroken('no cracks'), isBroken('light scoring')]).toEqual([true, false, false]);
});
