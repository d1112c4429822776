import { parseLine } from '../../../line/parse-line';
import { tellerOf } from '../../../testing/said';
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
