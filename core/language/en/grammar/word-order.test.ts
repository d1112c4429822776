import { parseLine } from '../../../line/parse-line';
import { typed } from '../../../testing/workbook';

/* Lines that leave the verb out, or put it last: what is named, the way, and the figure say what is done. */

const { series } = typed([
  'take off 8 cover nuts /socket, 17 mm',
  'take off front cover',
  'take off 4 air valve screws',
  'take off air valve',
  'draw rotor @each shaft',
  'take off lock washer',
  'take off impeller nut',
  'take off impeller',
  'draw bearings /puller /soft-jaw vice',
  'fit front cover +silicone grease',
]);
const read = (line: string) => parseLine(line, series);
const steps = (line: string) => {
  const { steps: made, faults, doubts } = read(line);
  expect([line, faults, doubts]).toEqual([line, [], []]);
  return made.map(({ verb, parts, about, torque, tools, detail }) =>
    [
      verb,
      parts.map(({ name, count }) => (count ? `${count} ${name}` : name)).join(', ') || (about ?? ''),
      torque ? `${torque.figure.value} ${torque.figure.unit}` : '',
      tools.map(({ name }) => name).join(', '),
      detail ?? '',
    ].join(' | '),
  );
};

test.each<[string, string, readonly string[]]>([
  ['a fastener with its figure is tightened', 'cover nuts evenly, 31 N·m', ['torque | cover nut | 31 N·m |  | evenly']],
  [
    'its passes stand behind a colon',
    'cover nuts: 3 passes, 10, 20 then 45 N·m, crosswise',
    ['torque | cover nut | 45 N·m |  | 3 passes, 10, 20 then 45 N·m, crosswise'],
  ],
  [
    'what stands in a list goes with what is before it',
    'impeller on, lock washer, impeller nut to 80 N·m',
    ['fit | impeller, lock washer, impeller nut |  |  | ', 'torque | impeller nut | 80 N·m |  | '],
  ],
  ['power is switched', 'power off, lock it', ['isolate | power |  |  | ', 'lock-out | power |  |  | ']],
  [
    'loose, and then out',
    'cover nuts crosswise loose, then out',
    ['loosen | cover nut |  |  | crosswise', 'take-off | cover nut |  |  | '],
  ],
  [
    'what is tightened was put on',
    'front cover, 8 cover nuts, 45 N·m',
    ['fit | front cover, 8 cover nut |  |  | ', 'torque | 8 cover nut | 45 N·m |  | '],
  ],
  ['a topic that is looked at', 'bearings: look for rub marks', ['inspect | bearing |  |  | ']],
  [
    'a topic that something else comes off first',
    'impeller: loosen the impeller nut, pull off with the puller',
    ['loosen | impeller nut |  |  | ', 'draw | impeller |  | puller | '],
  ],
  [
    'finger tight are the nuts',
    'front cover on, cover nuts finger tight',
    ['fit | front cover |  |  | ', 'start-by-hand | cover nut |  |  | finger tight'],
  ],
  ['the verb last', 'bearings with the puller take down', ['take-off | bearing |  | puller | ']],
  ['the verb last, with its way', 'impeller straight pull out', ['draw | impeller |  |  | straight']],
  ['to be done', 'bearings to pull with the puller', ['draw | bearing |  | puller | ']],
  ['it comes, and its way behind it', 'now comes the impeller off', ['take-off | impeller |  |  | ']],
  ['a state with a way is done', 'the bearings are pressed out', ['draw | bearing |  |  | ']],
  ['beaten out', 'the bearings are beaten out', ['draw | bearing |  |  | ']],
  ['told where one is', "here I'm removing the cover nuts", ['take-off | cover nut |  |  | ']],
  ['a reminder to do it', 'make sure you get the lock washer off', ['take-off | lock washer |  |  | ']],
  ['between what it is and its way its tool', '8 cover nuts, 17 mm, out', ['take-off | 8 cover nut |  | socket | ']],
  ['so many times', 'cover nuts x8, 17 mm, off', ['take-off | 8 cover nut |  | socket | ']],
  [
    'nuts counted, and what they hold',
    'eight cover nuts and the front cover comes off',
    ['take-off | 8 cover nut, front cover |  |  | '],
  ],
  ['a topic, and what of it', 'bearings: check the tips', ['inspect | bearing |  |  | the tips']],
  [
    'what is done while something is held',
    'hold the impeller with the strap wrench while you undo the impeller nut',
    ['hold | impeller |  | strap wrench | ', 'take-off | impeller nut |  |  | '],
  ],
  ['one verb of two words', 'kill the power, lock + tag', ['isolate | the power |  |  | ', 'lock-out |  |  |  | ']],
  [
    'the other one',
    'hold one impeller and unscrew the other one',
    ['hold | 1 impeller |  |  | ', 'take-off | impeller |  |  | the other'],
  ],
  [
    'fasteners counted behind a colon',
    'remove the air valve: four air valve screws',
    ['take-off | air valve, 4 air valve screw |  |  | '],
  ],
  [
    'how many hold it, told as a statement',
    "take the air valve off, that's four air valve screws with the 17 mm socket",
    ['take-off | air valve, 4 air valve screw |  | socket | '],
  ],
  [
    'whether there is something is looked for',
    'look if there is any water in the oil',
    ['test | for water in the oil |  |  | '],
  ],
  ['knocked on both sides', 'tap the front cover on both sides', ['loosen | front cover |  |  | on both sides']],
  ['stood on a face of its own', 'stand the front cover on its flange', ['lay | front cover |  |  | on its flange']],
  [
    'held in a tool of the series',
    'clamp the impeller in the soft-jaw vice',
    ['hold | impeller |  | soft-jaw vice | '],
  ],
  [
    'a figure of the fasteners and not of what they hold',
    'put the front cover back, 45 N·m on the cover nuts',
    ['fit | front cover |  |  | ', 'torque | cover nut | 45 N·m |  | '],
  ],
  [
    'greased through a fitting',
    'grease the bearings through the fitting',
    ['lubricate | bearing |  |  | through the fitting'],
  ],
  [
    'smooth is how',
    'check the rotor for burrs and file smooth',
    ['inspect | rotor |  |  | ', 'dress | rotor |  |  | smooth'],
  ],
  [
    'of all that was fitted the fasteners are started',
    'front cover on, eight cover nuts, start them all by hand',
    ['fit | front cover, 8 cover nut |  |  | ', 'start-by-hand | 8 cover nut |  |  | by hand'],
  ],
  [
    'air is let in',
    'connect the air and start at 1 bar',
    ['restore | the air |  |  | ', 'test | start |  |  | at 1 bar'],
  ],
  ['all of what it is about', 'cover nuts: remove all eight', ['take-off | 8 cover nut |  |  | ']],
  ['how many, behind the way', 'cover nuts off (8)', ['take-off | 8 cover nut |  |  | ']],
  [
    'tight by hand, without a verb',
    'cover nuts finger tight only',
    ['start-by-hand | cover nut |  |  | finger tight, only'],
  ],
  ['by means of a tool', 'draw the bearings with the help of the puller', ['draw | bearing |  | puller | ']],
  [
    'two looks in one order',
    'check the bearings for noise and the rotor for burrs',
    ['inspect | bearing |  |  | ', 'inspect | rotor |  |  | '],
  ],
  [
    'a stack is no order to stack',
    'the chamber stack can now be lifted out complete',
    ['take-off | chamber stack |  |  | complete'],
  ],
  ['what the line goes on about', 'now the front cover. undo the nuts', ['take-off | cover nut |  |  | ']],
  ['going back together', 'okay, going back together, fit the rotor', ['fit | rotor |  |  | ']],
  ['come apart', 'impeller and rotor now come apart', ['split | impeller, rotor |  |  | ']],
  ['new ones, and where', 'new bearings on both ends', ['renew | bearing |  |  | on both ends']],
  ['a tag that marks', 'tag the rotor for the repair shop', ['mark | rotor |  |  | for the repair shop']],
  [
    'turned to be unscrewed',
    'turn the impeller by hand to unscrew it from the rotor',
    ['take-off | impeller |  |  | by hand, from the rotor'],
  ],
  ['signs behind a colon', 'inspect the bearings: pits, scores, blue colour', ['inspect | bearing |  |  | ']],
  ['tipped out', 'tip the oil into a tin', ['drain | oil |  |  | into a tin']],
  [
    'a switch is opened',
    'open the disconnect and hang your lock and tag',
    ['isolate | the disconnect |  |  | ', 'lock-out |  |  |  | '],
  ],
  [
    'tools, and where they are placed',
    'draw the rotor with two pry bars placed opposite each other',
    ['draw | rotor |  | pry bar | placed opposite each other'],
  ],
  ['how they are is no order', "take both rotors off, they're timed", ["take-off | rotor |  |  | they're timed"]],
  ['done, without a helping verb', 'impeller nut undone with the puller', ['take-off | impeller nut |  | puller | ']],
  [
    'what something does is no direction',
    'take off the cover nuts bit by bit, the spring pushes the head up',
    ['take-off | cover nut |  |  | bit by bit, the spring pushes the head up'],
  ],
  [
    'a condition behind a colon',
    'look at the bearings: if they are rough, change both',
    ['inspect | bearing |  |  | '],
  ],
  ['what something does', 'rotor slides off, mind the bearing', ['draw | rotor |  |  | ']],
  [
    'kept from turning',
    'prevent the rotor from turning by means of a screwdriver',
    ['hold | rotor |  | screwdriver | '],
  ],
  [
    'burrs are no part',
    'clean the rotor and remove any burrs',
    ['clean | rotor |  |  | ', 'dress | any burrs |  |  | '],
  ],
  [
    'what is measured, without a verb',
    'rotor run-out 0.03 max between V-blocks',
    ['measure | rotor |  |  | run-out, 0.03 max between V-blocks'],
  ],
  ['a limit behind a colon', 'bearing: max wear 0.2 mm', ['measure | bearing |  |  | max wear 0.2 mm']],
  ['what everything gets', 'everything gets a film of grease first', ['lubricate | everything |  |  | first']],
  ['a question on the way', 'turn by hand - free?', ['turn |  |  |  | by hand, free?']],
  [
    'what comes first',
    'impeller first: nut off, lock washer off',
    ['take-off | impeller nut |  |  | ', 'take-off | lock washer |  |  | '],
  ],
  ['already done', "I've already undone the cover nuts", ['take-off | cover nut |  |  | ']],
  ['given whacks', 'give the front cover a couple of good whacks off', ['draw | front cover |  |  | ']],
  [
    'done first',
    'pull the rotor, having first removed the impeller',
    ['take-off | impeller |  |  | ', 'draw | rotor |  |  | '],
  ],
  [
    'set to the side',
    "pull the bearings and set 'em off to the side",
    ['draw | bearing |  |  | ', 'put-aside | bearing |  |  | '],
  ],
  ['upwards is how', 'withdraw the rotor upwards', ['draw | rotor |  |  | upwards']],
  ['a machine is started', 'start it slowly', ['test | start the pump |  |  | slowly']],
  ['how it turns is looked at', 'feel whether the rotors touch anywhere', ['inspect | rotor |  |  | touch anywhere']],
])('word order: %s', (_what, line, expected) => {
  expect(steps(line)).toEqual(expected);
});

test.each<[string, readonly (readonly string[])[]]>([['draw the rotor at shaft 2 and clean it', [['s2'], ['s2']]]])(
  'where a part is: %s',
  (line, places) => {
    expect(read(line).steps.map(({ positionIds }) => positionIds)).toEqual(places);
  },
);

test('a part at one of two sides, and what belongs to it', () => {
  const sides = {
    ...series,
    positionSets: [
      {
        id: 'side',
        name: 'side',
        positions: [
          { id: 'l', name: 'left side' },
          { id: 'r', name: 'right side' },
        ],
      },
    ],
  };
  const placed = ['rotor', 'bearing'];
  const components = series.components.map((part) =>
    placed.includes(part.name) ? { ...part, positionSetId: 'side' } : part,
  );
  const at = (line: string) => parseLine(line, { ...sides, components }).steps.map(({ positionIds }) => positionIds);
  expect(at('draw the right rotor')).toEqual([['r']]);
  expect(at('draw the bearings from the left rotor and pull it off')).toEqual([['l'], ['l']]);
});

test('only those that show something are renewed', () => {
  const [step] = read('the bearings must be quiet; replace any that are rough').steps;
  expect(step).toMatchObject({ verb: 'inspect', parts: [{ name: 'bearing' }], renewIf: ['rough'] });
});

test.each<[string, string]>([
  ['what is put in behind a place', 'fit the rotor @each shaft with a new O-ring'],
  ['things nobody knows, and their ways', 'power off, fuse out, tag on'],
  ['slid back or put back', 'cover nuts off, front cover back'],
  ['a tool that a thing without a verb comes off with', 'bend the lock washer up, bearing nut off with a hook spanner'],
  ['raised, or taken off', 'raise the rotor with the fork and fit the lock washer'],
  ['a word nobody knows, done to it', 'put the rotor on the bench and blue it'],
  ['what is done while another is held', 'hold the front cover down while you take the last two out'],
  ['made safe, all in a row', 'power off & locked, valves shut, casing drained'],
  ['the same on the other side', 'flip the rotor and repeat on the other side'],
  ['put back, with what', 'fill the casing with oil, front cover back with a new gasket'],
  ['changed upon a sign', 'spin the bearings, any rumble and they get changed'],
  ['turned to the left', 'hold the rotor and turn the impeller nut counterclockwise'],
  ['on, behind a look', 'rotor faces spotless, then on with the puller'],
  ['an order within a caution', "take off the cover nuts, it's under tension so hold the cover down"],
  ['once more', 'clamp the rotor, unscrew the impeller nut, clamp again'],
  ['got changed', 'one bearing was rough so both got changed'],
  ['ordered by "us"', "alright that's drained, so let's get the front cover off"],
  ['what a thing gets', 'cover nuts get thread locker and 120'],
  ['a limit and what follows from it', 'bearing: max wear 0.2 mm, otherwise new'],
  ['a torque without its unit', 'rotor in, cover nuts 60'],
  ['an order of two words in one', 'put the rotors back so paint-mark a pair of teeth'],
  ['a number without its unit', 'torque the cover nuts to one-twenty in three steps'],
  ['pushed behind loosening', 'unclamp the rotors and push them forward into the front cover'],
  ['put in behind it', 'set the impeller on, nut in behind it'],
  ['how things go', 'rotors go horizontal on the stands'],
  ['some of them', 'bearings over double the clearance get pressed out and replaced'],
  ['several valves and one "it"', 'close the valves on either side and relieve it'],
  ['clipped names', 'pull the brng'],
  ['a fork that may be the assembly fork', 'take the vice out'],
  ['an order behind a reason', 'the impeller sits on a taper so screw the puller in and tap it'],
  ['orders behind a remark', 'fit the front cover, make sure it sits on the bench, start, check the amps'],
  ['fasteners at each side', 'front cover off, two nuts each side'],
  ['a part named by its place', 'draw the shaft 1 rotor cap'],
  ['an order that was not understood behind "then"', 'draw the rotor, then make empty the casing'],
  ['a place is no part', 'mark the rotors left and right'],
  ['all but some', 'cover nuts hold the front cover, take them all out but two'],
  [
    'several things on a shaft, in whatever order',
    'impeller on the shaft: lock washer, bearing (square side out), impeller nut',
  ],
])('asked: %s', (_what, line) => {
  const { faults, doubts } = read(line);
  expect(faults.length + doubts.length).toBeGreaterThan(0);
});
