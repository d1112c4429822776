import { parseLine } from '../../../line/parse-line';
import { asks, tellerOf } from '../../../testing/said';
import { typed } from '../../../testing/workbook';

/* Turns of speech heard at the bench: what happens by itself, what is told first or last, and what may mean two things. */

const { series: bare } = typed([
  'take off 8 through bolts',
  'take off end cover',
  'take off 6 cover nuts',
  'take off cover gasket',
  'take off rotor',
  'take off shaft seal',
  'take off intermediate ring',
  'take off packing ring',
  'take off valve cap @each shaft',
  'take off line shaft',
  'take off shaft coupling',
  'take off stator',
  'take off 2 stator gaskets',
]);
const series = {
  ...bare,
  positionSets: bare.positionSets.map((set) => ({
    ...set,
    name: 'valves',
    positions: set.positions.map((place, i) => ({ ...place, name: i === 0 ? 'suction side' : 'discharge side' })),
  })),
};
const told = tellerOf(series);

test.each<[string, string, readonly string[]]>([
  [
    'a tray in which something is caught is no place to go',
    'pull the rotor and drain whatever oil is left into a tray',
    ['draw: rotor', 'drain: whatever oil is left'],
  ],
  ['pulled free is out', 'pull the rotor free', ['draw: rotor']],
  [
    'the ends of another part are no places',
    'insert the gaskets in both ends of the stator',
    ['fit: stator gasket; into both ends of the stator'],
  ],
  ['places by what they are called', 'remove the valve caps on both sides', ['take-off: valve cap; at 2']],
  [
    'what falls off by itself',
    'remove the cover nuts, and the end cover drops down',
    ['take-off: cover nut', 'take-off: end cover'],
  ],
  [
    'what comes away behind a list',
    'unbolt the end cover and the rotor, and the shaft seal slides off',
    ['take-off: end cover, rotor', 'draw: shaft seal'],
  ],
  ['when, and not why', 'mark the rotor as it comes off', ['mark: rotor; as it comes off']],
  ['by its thread', 'spin the line shaft into the coupling', ['start-by-hand: line shaft; into coupling']],
  ['through bolts', 'run all eight through bolts in', ['start-by-hand: 8 through bolt']],
  ['set back', 'set the stroke back to zero', ['adjust: stroke; to zero']],
  ['on its head', 'tip the pump upside down to get the rest of the product out', ['lay: pump; upside down']],
  [
    'what comes next',
    'insert the shaft seal, followed by the intermediate ring',
    ['fit: shaft seal', 'fit: intermediate ring'],
  ],
  [
    'one more at the end',
    'remove the end cover with the puller and the cover gasket as well',
    ['take-off: end cover, cover gasket'],
  ],
  [
    'how it is done behind a colon',
    'remove the end cover: undo the 6 cover nuts and lift the end cover off',
    ['take-off: 6 cover nut', 'take-off: end cover'],
  ],
  [
    'what is not said again is done last',
    'remove the end cover: undo the 6 cover nuts',
    ['take-off: 6 cover nut', 'take-off: end cover'],
  ],
  ['a question', 'is the rotor still straight?', ['inspect: rotor; is still straight']],
  ['what is left of a gasket', 'scrape the remains of the gasket off', ['clean: the remains of the gasket']],
  ['on its end', 'stand the rotor upright', ['lay: rotor; upright']],
  ['turned on blocks', 'roll the rotor on two V-blocks', ['turn: the rotor; on two V-blocks']],
  ['read off', 'read the runout of the rotor', ['measure: rotor; the runout']],
  ['back and forth', 'twist the rotor back and forth', ['turn: the rotor; back and forth']],
  [
    'set from the end of its thread',
    'back the through bolts out to the dimension you measured',
    ['adjust: through bolt; out, to the dimension you measured'],
  ],
  ['a number in words', 'Seven: take off the rotor', ['take-off: rotor']],
  ['how much a figure is', 'final torque on the cover nuts is 20 N·m', ['torque: cover nut']],
  ['wrapped in cloth', 'wrap the rotor in a clean cloth', ['wrap: rotor; in a clean cloth']],
  [
    'where it begins',
    'starting at the suction end, loosen the cover nuts',
    ['loosen: cover nut; starting at the suction end'],
  ],
  ['along what', 'slide the shaft seal up the line shaft', ['move: shaft seal; up the line shaft']],
  ['along what, and off', 'lift the shaft seal up the line shaft and off', ['take-off: shaft seal; up the line shaft']],
  ['down over something', 'guide the end cover down over the line shaft', ['fit: end cover; into line shaft']],
  [
    'by what it is drawn',
    'draw the end cover down with the six cover nuts',
    ['torque: 6 cover nut; to draw the end cover down'],
  ],
  ['turned off something', 'turn the stator off the rotor', ['take-off: stator; off the rotor']],
  ['cleaned up', 'clean the sealing faces up with a rag', ['clean: sealing faces']],
  ['tried', 'refit the rotor and give it a go', ['fit: rotor', 'test: run the pump']],
  [
    'what it may take',
    'rotate the rotor by hand; it should turn with no more than 5 N·m',
    ['turn: the rotor; by hand, it should turn with no more than 5 N·m'],
  ],
  ['how many people', 'lift off the end cover. Two people', ['take-off: end cover; Two people']],
  ['on stands', 'land the rotor on two stands', ['lay: rotor; on two stands']],
  ['between centres', 'put the line shaft between centres', ['hold: line shaft; between centres']],
  ['the next one', 'remove the next valve cap', ['take-off: valve cap; the next']],
  [
    'all but some',
    'take out the through bolts except two opposite ones',
    ['take-off: 6 through bolt; except two opposite ones'],
  ],
  ['a tool that is set up', 'insert two pry bars and ease the end cover off', ['take-off: end cover']],
  ['taken with it', 'take the shaft seal with it', ['take-off: shaft seal']],
  ['in a bag', 'bag the cover nuts', ['put-aside: cover nut']],
  [
    'a fastener, how, and how much',
    'all six cover nuts crosswise in three rounds to 50 N·m',
    ['torque: 6 cover nut; crosswise, in three rounds'],
  ],
  ['hosed down', 'hose the rotor down', ['clean: rotor']],
  [
    'which way it goes',
    'jog the motor and check which way it goes',
    ['test: jog the motor', 'test: check which way it goes'],
  ],
  ['out again', 'pull the rotor back out', ['draw: rotor']],
  ['with these marks', 'put witness marks on the rotor', ['mark: rotor; with witness marks']],
  ['one by one', 'draw the rotor out of the stator one by one', ['draw: rotor; out of the stator, one by one']],
  ['signs before what is looked at', 'look for sharp edges on the rotor', ['inspect: rotor']],
  [
    'work beside the pump',
    'take off the rotor and take a sample in a clean bottle',
    ['take-off: rotor', 'attend: take a sample in a clean bottle'],
  ],
  ['so many turns', 'unscrew the through bolts two turns', ['loosen: through bolt; two turns']],
  [
    'turned until it is out',
    'unscrew the through bolts one turn at a time until they come off',
    ['take-off: through bolt; one turn, at a time, until they come off'],
  ],
  [
    'when, in turns',
    'unscrew the through bolts after two turns of the rotor',
    ['take-off: through bolt; after two turns of the rotor'],
  ],
  ['pulled tight', 'fit the valve cap and pull it tight', ['fit: valve cap', 'torque: valve cap; tight']],
  [
    'turned to undo it',
    'the rotor has a left-hand thread, so turn it clockwise to undo it',
    ['take-off: rotor; the rotor has a left-hand thread, clockwise'],
  ],
  [
    'slid back after it was slack',
    'slacken the shaft seal and slide it back over the stator',
    ['loosen: shaft seal', 'move: shaft seal; back, over the stator'],
  ],
  ['a part, and what is none', 'grease the bore and the shaft seal', ['lubricate: shaft seal; and the bore']],
  ['everybody', 'everybody marks the rotor', ['mark: rotor']],
])('%s', (_what, line, expected) => {
  expect(told(line)).toEqual(expected);
});

test.each<[string, string]>([
  ['a part that is only called to mind', "draw the rotor, and don't forget the shaft seal behind it"],
  ['a part that moves by itself', 'jog the motor so that the rotor pushes the shaft seal out'],
  [
    'a word that nobody knows, done to a part',
    'clean the rotor with a rag, boing the shaft seal out with the impact gun',
  ],
  ['locked, or locked out', 'raise the line shaft by 3 mm and lock the nut'],
  ['turned into something', 'turn the rotor into the stator'],
  ['packing, where there are packing rings', 'hook out the packing'],
  ['signs of wear on nothing', 'look for a groove where it rides'],
  ['a hose that is pinched', 'pinch the rotor'],
  ['replaced, which nobody knows', 'replace the lockwasher and the locknut'],
  ['what is caught along', 'drop the end cover off and catch the shaft seal'],
  ['what comes out with it', 'tap the rotor until the shaft seal comes out'],
  ['what will slip off', 'loosen the cover nuts and the shaft seal will slip off the rotor'],
  ['a name the other way round', 'take off the ring intermediate'],
  ['what hops off', 'catch the shaft seal, it hops off'],
  ['a screw that is made tight along', 'put sealant under the end cover, screw tight'],
  ['hosed, or its hose', 'hose off pump first'],
])('asked, and not guessed: %s', (_what, line) => {
  expect([line, asks(line, series)]).toEqual([line, true]);
});

/* The first job of a pump of which nothing is known: what is named is a new part, and called by what it belongs to. */

const empty = { ...bare, components: [], tools: [], consumables: [], positionSets: [] };

test.each<[string, readonly string[]]>([
  ['replace the O-rings of the valve plugs', ['valve plug O-rings']],
  ['take off the bottom plate after removing its three screws', ['bottom plate screws', 'bottom plate']],
  ['unscrew the four screws of the seal housing', ['seal housing screws']],
  ['remove the bolts of the pump', ['bolts']],
  ['peel the diaphragm off its seat', ['diaphragm']],
  ['extract the inlet and outlet valves', ['inlet valves', 'outlet valves']],
  ['remove the upper and lower bearings', ['upper bearings', 'lower bearings']],
  ['remove the drive and driven gear', ['drive gear', 'driven gear']],
  ['take the adjusting nut and its gib key off', ['adjusting nut', 'gib key']],
  ['disconnect the coupling rod from the plug-in shaft', ['coupling rod']],
  ['take away the stator supports', ['stator supports']],
])('new parts: %s', (line, names) => {
  const { steps, faults, doubts } = parseLine(line, empty);
  expect([line, faults, doubts]).toEqual([line, [], []]);
  expect(steps.flatMap(({ parts }) => parts.map(({ name }) => name))).toEqual(names);
});
