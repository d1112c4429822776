import { parseLine } from '../../../line/parse-line';
import { asks, tellerOf } from '../../../testing/said';
import { emptyWorkbook, typed } from '../../../testing/workbook';

/* The first job of a pump of which nothing is known: most lines name parts for the first time. */

const unknown = emptyWorkbook().series;
const told = tellerOf(unknown);

test.each<[string, string, readonly string[]]>([
  [
    'each looked at for its own',
    'look at the seats for pits and at the poppets for grooves',
    ['inspect: seats', 'inspect: poppets'],
  ],
  ['how many, told behind', 'take away the tie rods, four pieces', ['take-off: 4 tie rods']],
  ['how many there are', 'pull the retainers out, there are three of them', ['draw: 3 retainers']],
  ['how many, and how big', 'take the joint bolts out, sixteen 3/4 inch', ['take-off: 16 joint bolts; 3/4 inch']],
  ['whose fasteners, told as where', 'remove the six screws on the valve body', ['take-off: 6 valve body screws']],
  ['one more, named last', 'take off the wear plate, also three nuts', ['take-off: wear plate, 3 wear plate nuts']],
  ['a dash for what holds it', 'take out the spacer - 8 bolts', ['take-off: spacer, 8 spacer bolts']],
  ['what comes along', 'pull the shaft with the mechanical seal', ['draw: shaft, mechanical seal']],
  [
    'a magnet of a coupling is no tool',
    'pull out the inner magnet with the impeller',
    ['draw: inner magnet, impeller'],
  ],
  ['bolts that go through', 'undo 4 through bolts', ['take-off: 4 through bolts']],
  [
    'two that share their last words',
    'undo the suction and discharge spool bolts',
    ['take-off: suction spool bolts, discharge spool bolts'],
  ],
  [
    'the same in the line, for short',
    'slacken the staybolt nuts and remove nuts and washers',
    ['loosen: staybolt nuts', 'take-off: staybolt nuts, washers'],
  ],
  [
    'what its screws are called after',
    'undo the bolts on the suction flange and pull the flange away',
    ['take-off: suction flange bolts', 'draw: suction flange'],
  ],
  ['what is new is put there', 'new seal and ring in the cover groove', ['fit: seal, ring; into cover groove; new']],
  ['one after the other', 'drop the balls in, then the seats', ['place: balls', 'place: seats']],
  [
    'which way, and what is called so',
    'new shaft seals go in with the open side facing the air',
    ['fit: shaft seals; new'],
  ],
  ['flushed is no way to lie', 'disconnect the seal flush line', ['disconnect: seal flush line']],
  ['so far', 'press the shaft seal in, flush with the step', ['press: shaft seal; flush with the step']],
  [
    'a place of the tool',
    'pull the thrust bearing with a puller on the inner race',
    ['draw: thrust bearing; on the inner race'],
  ],
  ['made, and not taken off', 'cut a new gasket out of 0.4 mm sheet', ['attend: cut a new gasket out of 0.4 mm sheet']],
  ['oil that is wiped on', 'clean the liner and wipe it with light oil', ['clean: liner', 'lubricate: liner']],
  [
    'bores are looked at as well',
    'wipe the three seal bores and look them over',
    ['clean: three seal bores', 'inspect: three seal bores'],
  ],
  [
    'made safe once more',
    'switch off the motor and secure against switching on',
    ['isolate: the motor', 'lock-out: the motor; against switching on'],
  ],
  ['proved under pressure', 'pressurise the oil chamber to 0.5 bar', ['test: the oil chamber to 0.5 bar']],
  ['how it may be', 'check the drive shaft cracked or scored', ['inspect: drive shaft']],
  [
    'what comes with it goes back with it',
    'insert the swash plate with its bearing shells',
    ['fit: swash plate, bearing shells'],
  ],
  ['how many, told in a sentence', "undo the wing nuts. There's four.", ['take-off: 4 wing nuts']],
  ['towards you is off', 'pull the cover straight towards you', ['draw: cover; straight, towards you']],
  ['it is the tool', 'use the rotor nut tool, turn it to the left', ['turn: the rotor nut tool; to the left']],
  ['the size of a thread is no name', 'loosen the 6 cylinder screws M6', ['loosen: 6 cylinder screws; M6']],
  ['the whole pump goes into nothing', 'stand the pump on the assembly ring', ['lay: pump; on the assembly ring']],
  [
    'the pump empties, not its plug',
    'crack the drain plug and let it empty',
    ['loosen: drain plug', 'drain: the pump'],
  ],
  ['away it comes', 'away comes the rotor', ['take-off: rotor']],
  [
    'by what is done first',
    'remove the suction cover by taking off the four knobs',
    ['take-off: 4 knobs', 'take-off: suction cover'],
  ],
  [
    'two from two places',
    'remove the seal from the impeller and the seat from the housing',
    ['take-off: seal; from the impeller', 'take-off: seat; from the housing'],
  ],
  [
    'renewed once it is out',
    'replace the lip seal: pull it out, knock the new one in',
    ['draw: lip seal', 'renew: lip seal', 'press: lip seal; new'],
  ],
  [
    'what has to be on before',
    'withdraw both seal cartridges after fitting the setting clips',
    ['fit: setting clips', 'draw: 2 seal cartridges'],
  ],
  ['a float is measured', 'check total end float: 6 to 8 mm', ['inspect: total end float; 6 to 8 mm']],
  [
    'power is switched',
    'knock the power off and stick your lock on it',
    ['isolate: the power', 'lock-out: the power; with lock'],
  ],
  [
    'the pump drips, not its nuts',
    'crack the union nuts and let it drip into a bucket',
    ['loosen: union nuts', 'drain: the pump'],
  ],
  ['all of it', 'give it all a good scrub', ['clean: everything']],
  ['spread off is off', 'spread the band clamps off', ['take-off: band clamps']],
  [
    'a shaft that is locked is held',
    'lock the shaft and unscrew the impeller nut',
    ['hold: shaft', 'take-off: impeller nut'],
  ],
  [
    'from the back is where',
    'press the seat out of the seal plate from the back',
    ['draw: seat; out of the seal plate from the back'],
  ],
  ['in it goes', 'grease on the spool and in it goes', ['lubricate: spool', 'fit: spool']],
  [
    'the pump runs against it, and no air',
    'air on slowly, dead-head it at 2 bar',
    ['restore: air; slowly', 'test: the pump; at 2 bar'],
  ],
  [
    'out by what it is taken out',
    'drain the oil by taking the drain plug out',
    ['take-off: drain plug', 'drain: the oil'],
  ],
  ['whose bolts, by what they hold', 'take out the four bolts that hold the motor', ['take-off: 4 motor bolts']],
  ['held from turning', 'stop the motor shaft from turning with a spanner', ['hold: motor shaft']],
  ['switched on', 'turn on and look for drips', ['restore:', 'test: for drips']],
  ['filled is the pump', 'fill it to the brim', ['fill: the pump; to the brim']],
  ['measured, however long its name', 'check the casing ring clearance', ['inspect: casing ring clearance']],
  [
    'new ones put in with it',
    'insert the lobe screws with new sealing discs',
    ['fit: lobe screws, sealing discs; new'],
  ],
  ['whose ring', 'replace the O-rings on the retainers', ['renew: retainer O-rings']],
  [
    'how it should be, and nothing to do',
    'make sure the pump is blocked; remove the cover',
    ['take-off: cover; make sure the pump is blocked'],
  ],
  [
    'two rings of two parts',
    'remove the cover and take the O-ring out of it',
    ['take-off: cover', 'take-off: cover O-ring'],
  ],
  ['a ring that is called so', 'snap ring out with the pliers', ['take-off: snap ring']],
  ['which way it faces', 'bearing in, closed side out', ['fit: bearing']],
  [
    'half a coupling is a part',
    'heat the coupling half and push it on',
    ['heat: coupling half', 'press: coupling half'],
  ],
  [
    'screws in a list',
    'remove the rear cover, six screws, and the gasket',
    ['take-off: rear cover, 6 rear cover screws, gasket'],
  ],
  [
    'its seal, one step later',
    'take out the bearing cover and press out its seal',
    ['take-off: bearing cover', 'draw: bearing cover seal'],
  ],
  ['what runs into a bucket is drained', 'let the wine run into a bucket', ['drain: the wine']],
  ['looked at once it is out', 'push out piston, check for scoring', ['draw: piston', 'inspect: piston']],
  ['laid on the bench in a row', 'line the stages up on the bench', ['put-aside: stages; on the bench']],
  ['two of which the first may be a verb', 'cover and gasket off', ['take-off: cover, gasket']],
  ['put there, without a verb', 'circlip in groove', ['fit: circlip; into groove']],
  ['fasteners and their figure', 'cartridge grub screws 2.5 N·m', ['torque: cartridge grub screws']],
  [
    'bent before it is loosened',
    'loosen the bearing nut after bending the tab washer back',
    ['bend: tab washer; back', 'loosen: bearing nut'],
  ],
  ['set where it runs', 'set the impeller axially in the middle', ['adjust: impeller; axially, in the middle']],
  ['how many it has', 'take off the suction cover, it has six nuts', ['take-off: suction cover, 6 suction cover nuts']],
  [
    'a can of a canned motor',
    'inspect the rotor can and the stator can for rub marks',
    ['inspect: rotor can, stator can'],
  ],
  [
    'tested is the pump',
    'connect the hoses and test it at full pressure',
    ['connect: hoses', 'test: the pump; at full pressure'],
  ],
  [
    'run dry on purpose',
    'connect the air and let it run dry for one minute',
    ['restore: the air', 'test: run the pump dry'],
  ],
  [
    'the pump is laid, and not its bolts',
    'take the pump off its base, four bolts, and set it on the bench',
    ['take-off: pump, 4 pump bolts; off its base', 'lay: pump; on the bench'],
  ],
  ['the pump is fired up', 'fire it up at idle', ['test: the pump; at idle']],
])('%s', (_what, line, steps) => {
  expect(told(line)).toEqual(steps);
});

test.each([
  ['parts listed behind a colon', 'take the check valve out: poppet, spring, seat'],
  ['a part over another', 'fit new neck rings in the chambers, retainer over them'],
  ['one word that orders', 'fit the guards, fill and vent the pump'],
  ['a number within a name', 'unscrew the seal cartridge three grub screws'],
  ['a plug, or oil', 'oil plug with new washer, 8 N·m'],
  ['what is closed is no valve', 'push the sleeve over and close it with straps'],
  ['what is packed with what', 'fit the stuffing box and pack it, four rings'],
  ['new ones put on as well', 'torque the rotor nuts with new O-rings, 90 N·m'],
  ['what follows from a sign', 'any chips on the faces, bin both halves'],
  ['packed with rings', 'repack with five rings of square packing'],
  ['taken out or added', 'check the end play with a dial indicator, add or remove shims to get there'],
  ['what comes with it', 'pull the motor back, the impeller comes with it'],
  ['an introduction', "in this video we'll change the seals on a plunger pump"],
  ['one more, then', 'slide the gland over the shaft, then the rotary'],
  ['what is said nowhere', 'if it is, replace ring and hub ring together'],
  ['a topic with an order of its own', 'packing: take out the four gland bolts'],
  ['how it is held', "pull the cable guard off, it's held by small screws"],
  ['a fastener in kept words', 'coupling half back on, grub screw with a drop of sealant'],
  ['an order behind a condition', 'look at the shaft, if you feel a groove set the new seal deeper'],
  ['a question and its answer', 'check the sleeve. rough? change it.'],
  ['screws behind a colon', 'take the pump out of the tank: eight screws round the top plate'],
  ['a part that is moved, in kept words', 'remove the suction housing bolts, slide housing forward'],
  ['what is put on, in kept words', 'fit new boots, pack with joint grease'],
  ['turned if it is scored', 'check the discs for scoring, turn them over if scored'],
  ['turned round behind a condition', "look at the cover, if it's grooved turn it round"],
  ['no new ones come out', 'pull the valves out of the manifold, new O-rings'],
  ['some of what comes along', 'lift the motor with stool and impeller up'],
  ['whose torque', 'mount the valve, new gasket, cover, 5 N·m'],
  ['what it takes along', 'spin the outer plate off, it takes the inner plate with it'],
  ['what comes off with it, or pulls it', 'remove the bearing plate with the can from the motor'],
  ['off and on in one breath', 'unscrew the packing nut and slide it over the plunger'],
  ['an order among the signs', 'examine the plunger for scratches, polish minor marks with crocus cloth'],
  ['what is ordered behind so', "let's get the head off, so break loose the eight head bolts"],
  ['no name of a part', 'start putting it back with the top bowl'],
  ['rings have no thread', 'start the O-rings on by hand'],
])('asked: %s', (_what, line) => {
  expect(asks(line, unknown)).toBe(true);
});

test('signs by which a look renews', () => {
  const signs = (line: string) => parseLine(line, unknown).steps.map(({ looks, renewIf }) => [looks, renewIf]);
  expect(signs('check the bearing for roughness, replace if necessary')).toEqual([[[], ['roughness']]]);
  expect(signs('check the neck rings; renew those with visible wear')).toEqual([[[], ['visible wear']]]);
  expect(signs('renew valves with a broken cage')).toEqual([[[], ['broken cage']]]);
  expect(signs("check the bush, if it's oval it's scrap")).toEqual([[[], ['oval']]]);
  expect(signs('change all valves that are bad for new')).toEqual([[[], ['bad']]]);
  expect(signs('see if the seats have pitting or marks')).toEqual([[['pitting', 'marks'], []]]);
  expect(signs('check the plunger for runout, 0.05 mm max')).toEqual([[['runout'], []]]);
  expect(signs('check the shaft seal cracked or scored')).toEqual([[['cracked', 'scored'], []]]);
});

test('tools by what they are made of and what they are for', () => {
  const tools = (line: string) => parseLine(line, unknown).steps.map((step) => step.tools.map(({ name }) => name));
  expect(tools('drive the liner out with a block of wood')).toEqual([['block of wood']]);
  expect(tools('lift the volute liner out with the lifting tube')).toEqual([['lifting tube']]);
});

test('a torque behind a caution is not lost in it', () => {
  const [, tightened] = parseLine('fit the rotor and tighten the rotor screws, not too tight, 12 N·m', unknown).steps;
  expect(tightened).toMatchObject({ torque: { figure: { value: 12 } }, cautions: [{ text: 'Not too tight' }] });
});

test('two that differ by where they are are meant by one word in the plural', () => {
  const { series } = typed([
    'take off drive gear',
    'take off idler gear',
    'take off relief valve',
    'take off refill valve',
  ]);
  expect(tellerOf(series)('check the gears')).toEqual(['inspect: drive gear, idler gear']);
  expect(asks('check the valves', series)).toBe(true);
});

test('what has screws of its own takes no torque without being asked about', () => {
  const { series } = typed(['take off 4 air valve screws', 'take off air valve']);
  expect(asks('torque the air valve to 5 N·m', series)).toBe(true);
  expect(asks('torque the air valve screws to 5 N·m', series)).toBe(false);
});

test('a ring or a nut of another place is not the one that was named before', () => {
  const { series } = typed(['take off 16 manifold bolts', 'take off cover O-ring', 'take off gland', 'take off plug']);
  const used = new Set(series.components.map(({ name }) => name));
  const asksBehind = (line: string) => parseLine(line, series, { parts: [], used }).doubts.length > 0;
  expect(asksBehind('gland in, bolts finger tight')).toBe(true);
  expect(asksBehind('fit the new O-ring on the plug')).toBe(true);
  expect(asksBehind('fit the new O-ring')).toBe(false);
});
