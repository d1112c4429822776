import { parseLine } from '../../../line/parse-line';
import { asks, tellerOf } from '../../../testing/said';
import { typed } from '../../../testing/workbook';

/* Lines heard for the first time: what holds a part, what stays where it is, tools that are set up, and what is asked. */

const { series } = typed([
  'take off motor',
  'take off 4 motor screws',
  'take off coupling guard',
  'take off 2 guard screws',
  'take off dosing head',
  'take off 4 head screws',
  'take off suction valve',
  'take off discharge valve /wrench, 17 mm',
  'take off front bearing',
  'take off rear bearing /lifting eye',
  'take off rotor /adjusting fork',
  'take off stator',
  'take off backing plate',
  'take off outer sleeve',
  'take off knob',
  'take off drive shaft',
  'take off discharge flange',
  'take off 2 flange gaskets',
  'lubricate rotor +gear oil',
  'clean rotor +white spirit',
]);
const told = tellerOf(series);

test.each<[string, string, readonly string[]]>([
  ['what holds it comes off before', 'four motor screws, motor off', ['take-off: 4 motor screw', 'take-off: motor']],
  [
    'what is off when its screws are out',
    'two guard screws and the coupling guard is off',
    ['take-off: 2 guard screw', 'take-off: coupling guard'],
  ],
  [
    'what unclips by itself',
    'two guard screws, then the coupling guard unclips',
    ['take-off: 2 guard screw', 'take-off: coupling guard'],
  ],
  [
    'the same done once more',
    'suction valve off, then discharge valve the same',
    ['take-off: suction valve', 'take-off: discharge valve'],
  ],
  ['what is free now', 'the rotor is now loose and can be drawn out', ['draw: rotor']],
  ['both of what is called alike', 'both bearings get pressed on', ['press: front bearing, rear bearing']],
  [
    'done to the same, one verb after the other',
    'remove the stator, clean, inspect',
    ['take-off: stator', 'clean: stator', 'inspect: stator'],
  ],
  [
    'a tool that is set up moves no part',
    'push the adjusting fork under the rotor',
    ['attend: push the adjusting fork under the rotor'],
  ],
  [
    'what hangs on the tool is what it was put into',
    'screw the lifting eye into the motor and hoist it off',
    ['attend: screw the lifting eye into the motor', 'take-off: motor'],
  ],
  ['round the screws once more', 'go round the head screws with 12 N·m', ['torque: head screw']],
  ['moved so far', 'lift the drive shaft 1.5 mm with the adjusting fork', ['move: drive shaft; lift, 1.5 mm']],
  ['round the screws with a brush', 'go over the head screws with a 2 in brush', ['inspect: head screw']],
  ['how it lies', 'turn the motor on its back', ['lay: motor; on its back']],
  ['set by turning', 'turn the knob to zero', ['adjust: knob; to zero']],
  ['set, without a verb', 'knob to zero', ['adjust: knob; to zero']],
  ['put on by turning', 'turn the rotor onto the drive shaft', ['fit: rotor; into drive shaft']],
  ['as far as the shoulder', 'slide the rotor against the shoulder', ['fit: rotor; against the shoulder']],
  [
    'one of them, which is its own',
    'take the discharge flange off with its flange gasket',
    ['take-off: discharge flange, 1 flange gasket'],
  ],
  ['the first of several', 'take off the first flange gasket', ['take-off: 1 flange gasket; the first']],
  ['out with it', 'out with the rotor, then clean it', ['take-off: rotor', 'clean: rotor']],
  ['begun with', 'begin with the head screws, turn them off', ['take-off: head screw']],
  ['had done', 'have the rotor cleaned', ['clean: rotor']],
  ['kept on a wire', 'thread the flange gaskets on a wire', ['put-aside: flange gasket; on a wire']],
  [
    'what stays on it',
    'draw the rotor up and out with the front bearing still on it',
    ['draw: rotor; with the front bearing still on it'],
  ],
  ['pulled up by hand', 'twist the outer sleeve and pull up', ['turn: the outer sleeve', 'draw: outer sleeve']],
  ['when, and not of what', 'vent before you start', ['release-pressure:; before you start']],
  ['the pump so many times', 'turn ten times by hand', ['turn: the pump; ten times, by hand']],
  ['a proof that is made', 'do a dry vacuum test', ['test: a dry vacuum test']],
  [
    'a reading that is taken',
    'remove the rotor and take a reading at the drive shaft',
    ['take-off: rotor', 'measure: drive shaft'],
  ],
  ['as far as another part', 'fit the rotor flush with the stator', ['fit: rotor; flush with the stator']],
  [
    'what was named before it',
    'before the bearings come off, rotate them',
    ['turn: the bearings; Before the bearings come off'],
  ],
  ['fastened is no bolt tightened', 'fasten the dosing head', ['pin: dosing head']],
])('%s', (_what, line, steps) => {
  expect(told(line).map((step) => step.toLowerCase())).toEqual(steps.map((step) => step.toLowerCase()));
});

test.each<[string, string]>([
  ['where nothing of a pump goes', 'drop the front bearing in a can of thinner'],
  ['a name that ends as no name of a part does', 'look at the arrow'],
  ['more parts in the words kept', 'stack the rotor, backup, stator on the drive shaft'],
  ['joined with a word that nobody knows', 'set the knob to zero and frobnicate the motor'],
  ['a verb by itself', 'check the rotor: pull and press the stator'],
  ['a figure without a unit', 'dosing head on, head screws finger tight, then in a star to 15'],
  ['an order within a caution', 'head screws have never been out so soak them overnight'],
  ['a verdict within the words kept', "inspect the rotor, any rounding and they're finished"],
  ['renewed if it is worn', 'when the rotor is scored, renew it'],
  ['what comes off while a tool is screwed in', 'screw the lifting eye in until the motor comes off'],
  ['released, which lets no pressure off', 'release the rotor'],
  ['a nut that is bent', 'bend the backing plate back, and then the head screws'],
  ['a gasket that is tightened', 'tighten the flange gaskets'],
  ['one nut, where there are several', 'unscrew the screw at the end of the drive shaft'],
  ['what is made tight without a word of it', 'place the rotor, then drive shaft in'],
  ['an order to use something', 'the motor sits on two dowels, so use the wrench until it parts'],
  ['renewed if, behind a comma', 'polish the rotor, replace if grooved'],
  ['parts that places are called by', 'where does the knob go and which way'],
])('asked, and not guessed: %s', (_what, line) => {
  expect([line, asks(line, series)]).toEqual([line, true]);
});

test.each([
  'the backing plate stays on',
  'arrows on the rotor point up',
  'both bearings have numbers',
  'shims under the rotor must be equal',
])('a statement is kept, and nothing is done: %s', (line) => {
  const { steps, note, faults, doubts } = parseLine(line, series);
  expect([line, steps, faults, doubts]).toEqual([line, [], [], []]);
  expect(note?.detail?.toLowerCase()).toBe(line);
});

/* A pump of which nothing is known yet. */

const unknown = { ...series, components: [], tools: [], consumables: [] };

test.each<[string, readonly string[]]>([
  ['take off the coupling guard, four screws', ['coupling guard', 'coupling guard screws']],
  ['four motor screws, motor off', ['motor screws', 'motor']],
  ['take off the suction manifold same way', ['suction manifold']],
  ['hook out the packing rings, the lantern ring lies in the middle', ['packing rings']],
  ['hook out packing rings (5)', ['packing rings']],
  ['take off both coupling halves', ['coupling halves']],
  ['remove impeller with two pry bars, take out key', ['impeller', 'key']],
  ['swing the setting clips in and tighten their screws', ['setting clips', 'setting clip screws']],
])('new parts: %s', (line, names) => {
  const { steps, faults } = parseLine(line, unknown);
  expect([line, faults]).toEqual([line, []]);
  expect(steps.flatMap(({ parts }) => parts.map(({ name }) => name))).toEqual(names);
});

test('whatever verb is typed, the line is read to its end', () => {
  const verbs = [
    'fasten',
    'secure',
    'lock',
    'plug',
    'assemble',
    'restore',
    'replace',
    'close',
    'shut',
    'stop',
    'hang',
    'stick',
    'pour',
    'tag',
  ];
  const objects = ['the motor', 'it', 'head screws', 'the power', 'both bearings', 'a valve', 'grease', ''];
  for (const verb of verbs)
    for (const object of objects)
      for (const behind of ['', ' down', ' with the wrench', ' to the rotor', ' in place', ' until it stops'])
        expect(() => parseLine(`${verb} ${object}${behind}`, series)).not.toThrow();
});
