import { changeStep } from '../../edits/steps';
import type { Step } from '../../model/procedure';
import { typed, withStep } from '../../testing/workbook';
import { photoShows } from './photo';
import { headingOf, sayStep, titleOf } from './sentence';

function say(line: string, setup: string[] = []): string {
  const workbook = typed([...setup, line]);
  return sayStep(workbook.procedure.steps.at(-1)!, workbook.series);
}

test.each([
  ['take off 8 cover nuts /socket, 17 mm', 'Take off the eight cover nuts with socket, 17 mm.'],
  ['draw rotor @each shaft', 'Draw out the rotor at each shaft.'],
  ['draw rotor @shaft 2', 'Draw out the rotor at shaft 2.'],
  ['take off cover, gasket and 2 dowel pins', 'Take off the cover, the gasket and the two dowel pins.'],
  [
    'press stationary rings into seal pocket @each shaft',
    'Press the stationary ring into the seal pocket at each shaft.',
  ],
  ['torque 8 cover nuts =45 N·m', 'Torque the eight cover nuts to 45 N·m.'],
  ['release pressure of the casing', 'Release the pressure of the casing.'],
  ['bleed the seal flush', 'Release the pressure of the seal flush.'],
  ['take off O-rings @each shaft', 'Take off the O-ring at each shaft.'],
  ['run the pump for ten minutes', 'Run the pump.'],
  ['look for leaks', 'Test for leaks.'],
  ['put a tray under the drain plug', 'Put a tray under the drain plug.'],
])('%s', (line, sentence) => {
  expect(say(line)).toBe(sentence);
});

test('some of several are told as some of several', () => {
  expect(say('start by hand 6 bolts', ['take off 8 bolts'])).toBe('Start by hand six of the eight bolts.');
});

test('the face is told where it looks; the heading leaves it to the line beside it', () => {
  const { procedure, series } = typed(['seat stationary ring @each shaft /ring pusher, 50 mm']);
  const step = changeStep(procedure, procedure.steps[0]!.id, {
    faces: { end: 'lapped face', toward: { is: 'words', said: 'the rotor' } },
  }).steps[0]!;
  expect(sayStep(step, series)).toBe(
    'Seat the stationary ring at each shaft with ring pusher, 50 mm, lapped face facing the rotor.',
  );
  expect(headingOf(step, series)).toBe('Seat the stationary ring at each shaft');
});

test('a title is a few words, in the plural where there are several', () => {
  const { procedure, series } = typed(['draw rotor @each shaft /hook tool', 'bleed the casing']);
  expect(procedure.steps.map((step) => titleOf(step, series))).toEqual([
    'Draw out rotors',
    'Release the pressure of the casing',
  ]);
});

describe('verbs that open, join and hold', () => {
  test.each([
    ['split valve', 'Open the valve.'],
    ['join valve', 'Join up the valve.'],
    ['cut split pin', 'Cut away the split pin.'],
    ['compress spring', 'Compress the spring.'],
    ['ease 2 bolts', 'Ease out the two bolts.'],
    ['pin split pin @each shaft', 'Secure with the split pin at each shaft.'],
    ['align 2 joint marks', 'Align the two joint marks.'],
    ['turn the shaft to top dead centre', 'Turn the shaft to top dead centre.'],
    ['bleed the casing', 'Release the pressure of the casing.'],
  ])('%s', (line, sentence) => {
    const { procedure, series } = typed([line]);
    expect(sayStep(procedure.steps[0]!, series)).toBe(sentence);
  });
});

describe('a step that repeats', () => {
  const at = (positionIds: string[], oneByOne: boolean) => {
    const workbook = withStep(typed(['draw rotor @each shaft']), 0, {
      positionIds,
      ...(oneByOne && { oneByOne: true as const }),
    });
    return sayStep(workbook.procedure.steps[0]!, workbook.series);
  };
  test('names what is taken out of turn, and nothing where the order is the usual one', () => {
    expect(at(['s1', 's2'], true)).not.toContain('first');
    expect(at(['s2', 's1'], true)).toContain('at each shaft, shaft 2 first');
    // Done all at once there is no order to name.
    expect(at(['s2', 's1'], false)).not.toContain('first');
    expect(at(['s2'], true)).toContain('at shaft 2');
  });
});

test("the trainer's own words stand for the whole sentence; without them it is composed", () => {
  const composed = typed(['take off cover']);
  const own = withStep(composed, 0, { text: 'Ease the cover off by hand.' });
  expect(sayStep(own.procedure.steps[0]!, own.series)).toBe('Ease the cover off by hand.');
  expect(sayStep(composed.procedure.steps[0]!, composed.series)).toBe('Take off the cover.');
});

test('figures are told as the reader prefers them, with the given one behind', () => {
  const { procedure, series } = typed(['torque 4 bolts =45 N·m']);
  expect(sayStep(procedure.steps[0]!, series, 'us')).toBe('Torque the four bolts to 33.2 lbf·ft (45 N·m).');
});

test('how a part is turned follows how it faces', () => {
  const { procedure, series } = withStep(typed(['take off ring', 'fit ring']), 1, {
    faces: { end: 'lip', toward: { is: 'pressure' }, clocking: { how: 'staggered', degrees: 120 } },
    mirrored: true,
  });
  expect(sayStep(procedure.steps[1]!, series)).toBe(
    'Fit the ring, lip facing the pressure, joints staggered by 120°, the other side as a mirror image.',
  );
});

test('what does instead of a compound is said with it', () => {
  const workbook = typed(['start by hand 4 bolts +thread sealant', 'start by hand 2 plugs +PTFE tape']);
  const [, tape] = workbook.series.consumables;
  const { procedure, series } = withStep(workbook, 0, ({ applications }) => ({
    applications: applications.map((application) => ({ ...application, orConsumableIds: [tape?.id ?? ''] })),
  }));
  const [step] = procedure.steps;
  expect(step && sayStep({ ...step, verb: 'lubricate' }, series)).toMatch(/with thread sealant or PTFE tape/);
});

test('what a photo shows is told of one part or of several', () => {
  const shown = (line: string) => {
    const { series, procedure } = typed([line]);
    return photoShows(procedure.steps[0] as Step, series);
  };
  expect(shown('take off cover')).toBe('How the cover sits');
  expect(shown('take off 8 cover nuts')).toBe('How the cover nuts sit');
  expect(shown('take off cover and gasket')).toBe('How the cover and the gasket sit');
});
