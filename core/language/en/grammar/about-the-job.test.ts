import { parseLine } from '../../../line/parse-line';
import { asks, tellerOf } from '../../../testing/said';
import { emptyWorkbook, typed } from '../../../testing/workbook';

/* Oil, supply and protection; what goes on in a chain of notes; bolts called after what they secure. */

const unknown = tellerOf(emptyWorkbook().series);

test.each<[string, string, readonly string[]]>([
  ['oil changed', 'change the oil', ['drain: the oil', 'fill:']],
  ['its place', 'change the gearbox oil', ['drain: the gearbox oil', 'fill: the gearbox']],
  [
    'how much of which',
    'change the crankcase oil, 1.2 litres of SAE 30',
    ['drain: the crankcase oil', 'fill: the crankcase'],
  ],
  ['a filter is renewed', 'change the oil filter', ['renew: oil filter']],
  ['off and locked', 'power off, locked', ['isolate: power', 'lock-out: power']],
  ['dead', "lock the breaker out and check it's dead", ['lock-out: the breaker', 'test: that it is dead']],
  ['peeled back', 'peel the boot back', ['move: boot; back']],
])('about the job: %s', (_name, line, meant) => {
  expect(unknown(line)).toEqual(meant);
});

test('what one wears is a caution', () => {
  const { steps } = parseLine('rinse the pump with caustic, gloves and goggles on', emptyWorkbook().series);
  expect(steps.flatMap(({ cautions }) => cautions.map(({ text }) => text))).toEqual(['Wear gloves and goggles']);
});

test.each<[string, string, readonly string[]]>([
  ['and its nuts', 'head on, nuts 40 Nm crosswise', ['fit: head', 'torque: head nuts; crosswise']],
  ['a cover that is no verb', 'shaft in, cover on, screws 25 Nm', ['fit: shaft', 'fit: cover', 'torque: cover screws']],
  ['a cover put back', 'Cover back over the shaft, straight', ['fit: Cover; into shaft; straight']],
  ['away', 'rotor away', ['take-off: rotor']],
  ['and new ones', 'joint pin in, new boot, new clips', ['fit: joint pin, boot, clips; new, new']],
])('a chain of notes: %s', (_name, line, meant) => {
  expect(unknown(line)).toEqual(meant);
});

test.each<[string, string, readonly string[]]>([
  [
    'to what it is bolted',
    'remove the four M12 bolts securing the cover to the casing',
    ['take-off: 4 cover bolts; M12'],
  ],
  ['held on', 'unscrew the six nuts that hold the head on', ['take-off: 6 head nuts; on']],
])('bolts are called after what they secure: %s', (_name, line, meant) => {
  expect(unknown(line)).toEqual(meant);
});

test('bolts behind a part that is fitted are not those that were tightened just before', () => {
  const { series } = typed(['take off clamp band', 'take off 2 clamp band bolts']);
  const { doubts } = parseLine('manifold on, bolts 18 Nm', series, {
    parts: [{ name: 'clamp band bolt', from: 0, to: 0 }],
  });
  expect(doubts.map(({ kind }) => kind)).toContain('which-part');
});

test.each([
  'torque cover nuts =24 N·m, new washers first',
  'key in, impeller on, nut on, sixty foot pounds, new pin',
  'hook the packings out with the brass rings',
])('a part within words that are kept is asked about: %s', (line) => {
  expect(asks(line, emptyWorkbook().series)).toBe(true);
});

test.each<[string, string, readonly string[]]>([
  ['how many, and their size', 'remove head bolts (8x M10)', ['take-off: 8 head bolts; M10']],
  ['their size', 'remove the 8 head bolts (M10)', ['take-off: 8 head bolts; M10']],
  [
    'a line blown down',
    'blow the line down till the gauge reads nothing',
    ['release-pressure: the line; till the gauge reads nothing'],
  ],
  ['no voltage', 'lock out the motor, verify zero voltage', ['lock-out: the motor', 'attend: verify zero voltage']],
  [
    'along with each of them',
    'take the impellers off one after the other together with their stage casings',
    ['take-off: impellers, stage casings; one after the other'],
  ],
])('as bulletins and checklists say it: %s', (_name, line, meant) => {
  expect(unknown(line)).toEqual(meant);
});
