import { parseLine } from '../../../line/parse-line';
import { tellerOf } from '../../../testing/said';
import { emptyWorkbook, typed } from '../../../testing/workbook';

/* What holds a part, and what "it" and "them" are beside it. */

const unknown = tellerOf(emptyWorkbook().series);

test.each<[string, string, readonly string[]]>([
  ['bolts in brackets', 'remove the spacer (8 bolts)', ['take-off: spacer, 8 spacer bolts']],
  [
    'their size behind them',
    'unscrew the pump head from the lantern, four screws M6',
    ['take-off: pump head, 4 pump head screws; from the lantern, M6'],
  ],
  [
    'their size before them',
    'take the crankcase cover off, that is six M8 screws',
    ['take-off: crankcase cover, 6 crankcase cover screws; M8'],
  ],
  [
    'a list of what comes off',
    'inlet manifold: 8 nuts, lift clear',
    ['take-off: inlet manifold, 8 inlet manifold nuts'],
  ],
  ['and off', 'outer chamber, 10 bolts, off', ['take-off: outer chamber, 10 outer chamber bolts']],
  ['screws first', '3 screws, volute off', ['take-off: volute, 3 volute screws']],
  ['bolted on to a figure', 'bolt the flange on, 30 N·m', ['fit: flange', 'torque: flange bolts']],
  ['put in to hold', 'secure the cover with the circlip', ['fit: circlip']],
  ['locked by a nut', 'put the wheel on and lock it with the nut', ['fit: wheel', 'torque: nut']],
  ['there, and taken out', "there's an O-ring under it, bin it", ['discard: O-ring']],
  ['found there', "you'll find a spring behind it, take it out", ['take-off: spring']],
  ['what comes next', 'valves next, pull the six caps', ['draw: 6 caps']],
  ['a tool in reserve', 'pull the impeller; use the puller if stuck', ['draw: impeller; use the puller if stuck']],
  [
    'slid out of the way',
    'loosen both gland nuts and slide the gland back',
    ['loosen: 2 gland nuts', 'move: gland; back'],
  ],
  ['a bit more', 'take up the gland nuts a flat at a time', ['torque: gland nuts; a flat at a time']],
  ['in two halves', 'nip the cover bolts up', ['torque: cover bolts']],
  [
    'where a name ends',
    'remove the backing plate and the membrane lying behind it',
    ['take-off: backing plate, membrane; lying behind it'],
  ],
  ['at both of its ends', 'slacken the two cap screws either end', ['loosen: 2 cap screws; either end']],
  [
    'what was named to say what holds',
    'the stator is held by four tie rods, take the rods away',
    ['take-off: tie rods; the stator is held by four tie rods'],
  ],
  [
    'unscrewed until it is free',
    'turn the disc by hand until it comes free of the rod',
    ['take-off: disc; by hand, until it comes free of the rod'],
  ],
  [
    'told of it before',
    "the cups are leather, they'll be hard, chuck them",
    ["discard: cups; the cups are leather, they'll be hard"],
  ],
  ['stuck back', 'stick the foot valve back', ['fit: foot valve']],
  [
    'an order that heads others',
    'replace shaft seal: drive it out with a pin punch and press in a new one',
    ['draw: shaft seal', 'renew: shaft seal', 'press: shaft seal; new'],
  ],
  ['one on each', 'take the nut off each one', ['take-off: nuts; off each one']],
  ['in a block of the pump', 'seals into the centre block', ['fit: seals; into centre block']],
  [
    'renewed together',
    'inspect the balls and seats and replace them as a set when worn',
    ['inspect: balls, seats; renew as a set'],
  ],
])('%s: %s', (_what, line, meant) => expect(unknown(line)).toEqual(meant));

test.each([
  [
    'a cover that has nothing to do with the bolts that are known',
    'take off the bearing bracket, 4 bolts',
    ['take-off: bearing bracket, 4 bearing bracket bolts'],
  ],
  [
    'an impeller where its nut is known',
    'refit the key, impeller, a new washer and the nut',
    ['fit: key, impeller, washer, impeller nut; new'],
  ],
])('%s', (_what, line, meant) => {
  const { series } = typed(['take off coupling spacer', 'take off 8 coupling spacer bolts', 'take off impeller nut']);
  expect(tellerOf(series)(line)).toEqual(meant);
});

test('a cover that is bolted on has the screws that the series knows', () => {
  const { series } = typed(['take off pump head', 'take off 4 pump head screws']);
  expect(tellerOf(series)('bolt the pump head on, 22 N·m')).toEqual(['fit: pump head', 'torque: pump head screw']);
});

test.each(['held by (a nut, take the (a off', 'with a c*p, remove c*p', 'by the [x, pull the [x out'])(
  'whatever signs stand in a name, the line is read: %s',
  (line) => expect(() => parseLine(line, emptyWorkbook().series)).not.toThrow(),
);

test('it is the sleeve, and not the screws in it', () => {
  const { series } = typed(['inspect shaft sleeve']);
  expect(tellerOf(series)('loosen the grub screws in the shaft sleeve and pull it off')).toEqual([
    'loosen: grub screws; in the shaft sleeve',
    'draw: shaft sleeve',
  ]);
});

test.each([
  ['a figure without a unit behind a refit', 'put the caps back on to 45', 'unit'],
  ['a shaft that is held or pinned', 'lock it with the pin', 'no-verb'],
  ['what is so already', "we've got the pump here with the motor already off", 'unlikely'],
  ['the caps or the shims', 'take the caps off, watch for the shims, tag them', 'pronoun'],
  ['a noun that begins like a verb', 'shim washers behind impeller', 'no-verb'],
])('%s is asked about', (_what, line, kind) => {
  const { faults, doubts } = parseLine(line, emptyWorkbook().series);
  expect([...faults, ...doubts].map((asked) => asked.kind)).toContain(kind);
});
