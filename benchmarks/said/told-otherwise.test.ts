import { parseLine } from '#core/line/parse-line';
import { typed } from '#core/testing/workbook';
import { TOLD } from './told-otherwise';

/* The same order, told in other words, is the same step: whoever tells it, however politely, in whichever form. */

const { series } = typed([
  'take off 8 cover nuts /socket, 17 mm',
  'take off front cover',
  'draw rotor @each shaft',
  'draw bearings /puller',
  'fit front cover +silicone grease',
]);
const meant = (line: string) => {
  const { steps, note, faults, doubts } = parseLine(line, series);
  expect([line, faults, doubts, note]).toEqual([line, [], [], undefined]);
  // Where its words stand in the line is another thing each time.
  return steps.map((step) => ({ ...step, parts: step.parts.map(({ name, count }) => ({ name, count })) }));
};

const ORDERS = [
  'take off the 8 cover nuts with a 17 mm socket',
  'clean the front cover and draw the rotors',
  'look at the bearings for pitting',
  'hold the rotor and undo the cover nuts',
  'put silicone grease on the front cover',
  'shut the suction valve',
  'check the bearings for noise and the rotors for burrs',
  'draw the rotor by removing the front cover',
];

test.each(ORDERS.flatMap((order) => Object.values(TOLD).map((tell) => [tell(order), order] as const)))(
  '%s',
  (told, order) => {
    expect(meant(told)).toEqual(meant(order));
  },
);

test.each([
  [
    "I'm checking the bearings for noise and the rotors for burrs",
    'check the bearings for noise and the rotors for burrs',
  ],
  ["Now I'm drawing the rotor, turning it as I go", 'draw the rotor, turning it as I go'],
  ['We inspected the rotors: burrs, scores', 'inspect the rotors: burrs, scores'],
  ['With the seals up, lay the front cover on the bench', 'lay the front cover on the bench, seals up'],
])('%s', (told, order) => {
  expect(meant(told)).toEqual(meant(order));
});

test('what one is told to keep or to feel is no order', () => {
  for (const line of ['make sure you keep the rotors apart', 'make sure you feel it click'])
    expect(parseLine(line, series).steps).toEqual([]);
});
