import { parseLine } from '../../../line/parse-line';
import { asks, tellerOf } from '../../../testing/said';
import { emptyWorkbook, typed } from '../../../testing/workbook';

/* Parts that are called by a word which orders something elsewhere. */

const unknown = tellerOf(emptyWorkbook().series);

test.each<[string, readonly string[]]>([
  ['seal on the spindle', ['fit: seal; into spindle']],
  ['seal out of the housing', ['take-off: seal; out of the housing']],
  ['cover off the housing', ['take-off: cover; off the housing']],
  ['drive side bearing off', ['take-off: drive side bearing']],
  ['right hand nut off', ['take-off: right hand nut']],
  ['non drive end cover off', ['take-off: non drive end cover']],
  ['lock washers off', ['take-off: lock washers']],
  ['lock ring off with the hook spanner', ['take-off: lock ring']],
  ['seal ring in the groove', ['fit: seal ring; into groove']],
  ['support bracket off', ['take-off: support bracket']],
  ['release lever off', ['take-off: release lever']],
  ['test cock out', ['take-off: test cock']],
  ['back cover off', ['take-off: back cover']],
  ['mount plate off', ['take-off: mount plate']],
  ['strip heater off', ['take-off: strip heater']],
  ['two guide bushes in', ['fit: 2 guide bushes']],
  ['new lock washers on', ['fit: lock washers; new']],
  ['set screws out, three of them', ['take-off: 3 set screws']],
  ['cover bolts out, eight', ['take-off: 8 cover bolts']],
  ['hold down bolts out', ['take-off: hold down bolts']],
  ['clamp bolts 18 Nm, crosswise', ['torque: clamp bolts; crosswise']],
  ['motor off its feet, feed pump off', ['take-off: motor; off its feet', 'take-off: feed pump']],
])('a name heads what is said: %s', (line, meant) => {
  expect(unknown(line)).toEqual(meant);
});

test.each<[string, readonly string[]]>([
  ['seal cover with tape', ['apply-compound: cover']],
  ['support head on blocks', ['hold: head; on blocks']],
  ['mark cover and body', ['mark: cover, body']],
  ['clamp body in vice', ['hold: body; in vice']],
  ['check the drain plug', ['inspect: drain plug']],
  ['drain the pump', ['drain: the pump']],
])('the same word orders: %s', (line, meant) => {
  expect(unknown(line)).toEqual(meant);
});

test.each(['push rods out', 'pull rod out', 'lift ring in', 'clip on the shaft', 'clamp on the hose'])(
  'meant either way: %s',
  (line) => {
    expect(asks(line, emptyWorkbook().series)).toBe(true);
  },
);

describe('known fasteners are not those of something else', () => {
  const guard = typed(['take off coupling guard', 'take off 2 wing nuts']).series;

  test.each(["take the nuts off the casing studs, there's twelve of them", 'undo the nuts off the gland'])(
    '%s',
    (line) => {
      expect(asks(line, guard)).toBe(true);
    },
  );
});

test.each([
  ['another order behind its tool', 'with one key hold the plate and with the other turn the rod'],
  ['all of it once more', 'turn over the pump and make the same with the lower manifold'],
  ['what comes next', 'the back plate is next, four nuts behind it'],
  ['what comes then', 'slide the impeller off, and then the next bowl'],
  ['one word behind "then"', 'put the rotor in dry, then oil'],
  ['what becomes of them', 'filters out, all three scrapped'],
  ['how it still is', 'rotor still in, pull it from the fan side'],
  ['what is to be noted', 'valves: unscrew, note ball + seat order'],
  ['what it needs', 'the lock nut on the screw needs the 30 spanner'],
])('nothing of it is merely kept: %s', (_name, line) => {
  expect(asks(line, emptyWorkbook().series)).toBe(true);
});

test.each<[string, readonly string[]]>([
  ['withdraw the plungers forward', ['draw: plungers; forward']],
  ['let out the pressure', ['release-pressure:']],
  ['break all sharp edges with an oil stone', ['dress: sharp edges']],
  ['drain plug out, let it run', ['take-off: drain plug', 'drain: the pump']],
  ['the gears are fitted, driving gear first', ['fit: gears; driving gear first']],
  ['the covers are marked with a letter', ['mark: covers; with a letter']],
  ['run an M8 tap through all the holes', ['dress: holes; with an M8 tap']],
  ['pull a clean rag through the bore', ['clean: bore']],
  ['spread the flanges with a wedge', ['split: flanges; with a wedge']],
  ['rig the puller and draw the hub', ['draw: hub']],
  ['release the clamp bands', ['loosen: clamp bands']],
  ['unscrew diaphragm ccw by hand', ['take-off: diaphragm; counterclockwise, by hand']],
  ['lie the motor down on its side', ['lay: motor; on its side']],
  ['bellows off', ['take-off: bellows']],
  ['cplg guard off', ['take-off: coupling guard']],
])('what it comes to: %s', (line, meant) => {
  expect(unknown(line)).toEqual(meant);
});

test.each<[string, readonly string[]]>([
  [
    "The front cover's held with six dome nuts, get them off and lift the cover away.",
    ['take-off: 6 front cover dome nuts', 'take-off: front cover'],
  ],
  [
    'Take the snap ring off the handle pin and knock the pin out.',
    ['take-off: snap ring; off the handle pin', 'draw: handle pin'],
  ],
  ["The key's tight, tap it out", ["draw: key; The key's tight"]],
])('a short name behind the full one is the same: %s', (line, meant) => {
  expect(unknown(line)).toEqual(meant);
});

test.each<[string, readonly string[]]>([
  ['hold shaft and turn impeller', ['hold: shaft', 'turn: impeller']],
  ['remove screws and press seal out', ['take-off: screws', 'draw: seal']],
  ['clean groove and fit ring', ['clean: groove', 'fit: ring']],
  ['clean bore and seat bearing', ['clean: bore', 'seat: bearing']],
  ['fit shim and lock plate', ['fit: shim, lock plate']],
  ['pull the plunger and seal out', ['draw: plunger, seal']],
  ['pull the ring and spring out', ['draw: ring, spring']],
  ['take the nut and washer off', ['take-off: nut, washer']],
  ['fit spring and cap', ['fit: spring, cap']],
  ['remove cover and support ring', ['take-off: cover, support ring']],
])('a list, or a second order, without articles: %s', (line, meant) => {
  expect(unknown(line)).toEqual(meant);
});

test.each<[string, readonly string[]]>([
  ['warm the housing and the bearing will drop out', ['heat: housing']],
  ['heat the hub and the gear slides off', ['heat: hub', 'draw: gear']],
  ['it should now be possible to remove the shaft', ['take-off: shaft']],
  ['that lets you slide the sleeve off', ['draw: sleeve']],
  ['the bearing will have to be pulled off', ['draw: bearing']],
  ['take out the two screws comma then the plate full stop', ['take-off: 2 screws', 'take-off: plate']],
  ['give the cover nuts a final pull', ['torque: cover nuts']],
])('what follows from it: %s', (line, meant) => {
  expect(unknown(line)).toEqual(meant);
});

test.each([
  'lift the cover and the gasket will stay on the body',
  'replace the pins by bolts',
  'stack the impellers with the diffusers between',
  'thread lock on the screws',
  "don't take the bolts out, just loosen them",
  'remove the filter or strainer',
  'put the thick shim at the back and the thin one in front',
  'replace the seal or the whole cartridge',
])('neither a list nor a way of doing it: %s', (line) => {
  expect(asks(line, emptyWorkbook().series)).toBe(true);
});

test('how a part is held is told, and no order', () => {
  expect(unknown('the rotors are held with a clip')).toEqual([]);
});

test.each([
  ['oil and fit the plungers', 'plungers'],
  ['clean and reinstall the strainer', 'strainer'],
  ['lube and fit', 'seal'],
])('what both are done to: %s', (line, thing) => {
  const { steps } = parseLine(line, emptyWorkbook().series, { parts: [{ name: 'seal', from: 0, to: 0 }] });
  expect(steps.map(({ parts }) => parts.map(({ name }) => name))).toEqual([[thing], [thing]]);
});
