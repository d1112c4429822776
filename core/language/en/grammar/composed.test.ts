import { parseLine } from '../../../line/parse-line';
import { typed } from '../../../testing/workbook';

/* Constructions that meet in one order: what stands behind another is none of its words. */

const { series } = typed([
  'take off 8 cover nuts /socket, 17 mm',
  'take off front cover',
  'draw rotor @each shaft /jacking screw',
  'take off manifold /torx driver, T25',
  'take off 4 manifold bolts /arbor press',
  'draw cover O-ring /socket, 1-1/8 in',
  'fit front cover +silicone grease',
  'press shaft seal',
]);
const empty = { ...series, components: [], tools: [], consumables: [] };
const read = (line: string, of = series) => parseLine(line, of);
const told = (line: string, of = series) => {
  const { steps, faults, doubts } = read(line, of);
  expect([line, faults, doubts]).toEqual([line, [], []]);
  return steps.map(({ verb, parts, about, detail, into, why, tools, faces, looks, cautions, torque, applied }) =>
    [
      `${verb}: ${parts.map(({ name }) => name).join(', ') || (about ?? '')}`,
      detail,
      into && `into ${into}`,
      why && `why ${why}`,
      ...tools.map(({ name, size }) => `with ${[name, size].filter(Boolean).join(', ')}`),
      faces && `faces ${faces.end}`,
      ...looks.map((sign) => `for ${sign}`),
      ...cautions.map(({ text }) => `! ${text}`),
      torque && `to ${torque.figure.value} ${torque.figure.unit}`,
      ...applied.map(({ name, amount }) => `put ${[amount, name].filter(Boolean).join(' ')}`),
    ]
      .filter(Boolean)
      .join('; '),
  );
};

test.each<[string, string, readonly string[]]>([
  ['signs before what is looked at', 'check for burrs on the front cover', ['inspect: front cover; for burrs']],
  [
    'signs on another part than the one before',
    'lift the manifold off. Look for cracks, wear or damage on the front cover',
    ['take-off: manifold', 'inspect: front cover; for cracks; for wear; for damage'],
  ],
  ['signs that are asked for', 'any wear on the manifold?', ['inspect: manifold; for wear']],
  [
    'a caution behind signs',
    'look at the manifold for wear, never use a pick',
    ['inspect: manifold; for wear; ! Never use a pick'],
  ],
  ['leaks show on what runs', 'check for leaks at the front cover', ['test: for leaks at the front cover']],
  [
    'a facing out is no way out',
    'press the shaft seal into the manifold with the numbers facing out',
    ['press: shaft seal; into manifold; faces numbers'],
  ],
  [
    'a marked side',
    'press the shaft seal onto the manifold marked side out',
    ['press: shaft seal; into manifold; faces marked side'],
  ],
  [
    'a tool behind until',
    'drive the shaft seal home until it seats with a soft mallet because it is tight',
    ['press: shaft seal; home, until it seats; why because it is tight; with soft mallet'],
  ],
  [
    'a facing behind a tool',
    'tap the shaft seal in with a hammer lips in',
    ['press: shaft seal; with hammer; faces lips'],
  ],
  [
    'a reason behind a tool',
    'lift the manifold clear using a pry bar because it is heavy',
    ['take-off: manifold; why because it is heavy; with pry bar'],
  ],
  [
    'what would come of it',
    'lift the manifold off otherwise it will leak',
    ['take-off: manifold; why otherwise it will leak'],
  ],
  [
    'a tool that is a verb before the next order',
    'draw the rotors using an arbor press. Seat the shaft seal in the manifold',
    ['draw: rotor; with arbor press', 'seat: shaft seal; into manifold'],
  ],
  ['a mixed size', 'undo the cover nuts with a 1-1/8 in socket', ['take-off: cover nut; with socket, 1-1/8 in']],
  ['a lettered size', 'undo the cover nuts with a T25 torx driver', ['take-off: cover nut; with torx driver, T25']],
  ['by hand is no distance', 'lift off both rotors by hand', ['take-off: rotor; by hand']],
  ['back until is put back', 'put the rotors back until they stop', ['fit: rotor; until they stop']],
  ['it goes back on', 'the manifold goes back on', ['fit: manifold']],
  ['back on goes it', 'back on goes the manifold', ['fit: manifold']],
  ['begun by doing', 'begin by lifting out the manifold', ['take-off: manifold']],
  [
    'given a coat',
    "we're giving the rotors a light coat of silicone grease",
    ['lubricate: rotor; put a light coat silicone grease'],
  ],
  ['given a wipe', 'take the manifold off and give it a wipe', ['take-off: manifold', 'clean: manifold']],
  ['what it needs', 'the manifold needs a good clean', ['clean: manifold']],
  ['a figure first', '40 Nm on the cover nuts, crosswise', ['torque: cover nut; crosswise; to 40 N·m']],
  ['a figure that is', 'torque for the cover nuts is 40 Nm', ['torque: cover nut; to 40 N·m']],
  ['set to a torque', 'set the cover nuts to 40 Nm', ['torque: cover nut; to 40 N·m']],
  ['eased off', 'ease off the cover nuts', ['loosen: cover nut']],
  ['got started', 'get the cover nuts started', ['start-by-hand: cover nut']],
  ['set free', 'free the manifold from the front cover', ['take-off: manifold; from the front cover']],
  [
    'where it is before its way',
    'lift the manifold behind the front cover off',
    ['take-off: manifold; behind the front cover'],
  ],
  ['both of them back', 'put the manifold and the front cover back in', ['fit: manifold, front cover']],
  [
    'connected to a motor housing',
    'disconnect the manifold from the motor housing',
    ['disconnect: manifold; from the motor housing'],
  ],
  [
    'the next step is doing',
    'the next step is smearing silicone grease on the rotors',
    ['lubricate: rotor; put silicone grease'],
  ],
  ['some of them loose', 'crack 4 of the 8 cover nuts loose', ['loosen: cover nut']],
  ['a wedge between', 'put a wooden wedge between the rotors', ['hold: rotor; with wooden wedge']],
  [
    'a sign that is a verb',
    'look at the front cover for chips and heat checking',
    ['inspect: front cover; for chips; for heat checking'],
  ],
  ['any of it', 'wash the manifold and drain any water', ['clean: manifold', 'drain: any water']],
  [
    'a state before it',
    'with the front cover off, remove the manifold',
    ['take-off: manifold; with the front cover off'],
  ],
])('composed: %s', (_what, line, expected) => {
  expect(told(line)).toEqual(expected);
});

test('four of eight are four', () => {
  expect(read('crack 4 of the 8 cover nuts loose').steps[0]?.parts).toMatchObject([{ count: 4, total: 8 }]);
  expect(read('torque the cover nuts to 110 N m').steps[0]?.torque?.figure).toEqual({ value: 110, unit: 'N·m' });
});

test('verbs that share a part share its places', () => {
  expect(read('wash and inspect the rotor at shaft 2 for wear').steps.map(({ positionIds }) => positionIds)).toEqual([
    ['s2'],
    ['s2'],
  ]);
  expect(read('off comes the rotor of shaft 2').steps[0]).toMatchObject({ verb: 'take-off', positionIds: ['s2'] });
});

test.each<[string, string, readonly string[]]>([
  ['two ends that could face', 'pry the rear lip seal out', ['pry: rear lip seal']],
  ['a way behind it', 'hook the cover seal out', ['draw: cover seal']],
  ['a way behind a head', 'lift the pump head up and out', ['take-off: pump head']],
  ['a facing behind it', 'fit the cover gasket lips toward the frame', ['fit: cover gasket; faces lips']],
  ['a word for a way before it', 'the lower packing comes out', ['take-off: lower packing']],
  ['a word for a verb before it', 'both guide pins are removed', ['take-off: guide pins']],
  ['what it does', 'six rod bolts pull right off', ['draw: rod bolts']],
  ['a wheel', 'slide the worm wheel off', ['draw: worm wheel']],
  ['a gasket', 'work the cover gasket out of the strainer cover', ['draw: cover gasket; out of the strainer cover']],
  ['a tool nobody knows', 'tap the lip seal in using a seal sleeve', ['press: lip seal; with seal sleeve']],
])('a part that nobody named yet is named whole, without %s', (_what, line, expected) => {
  expect(told(line, empty)).toEqual(expected);
});

test.each<[string, string]>([
  ['one part or another', 'remove the manifold or the front cover'],
  ['no figure', 'torque the cover nuts to 100 in a cross pattern'],
  ['a figure behind a comma', 'torque the cover nuts, 24, crosswise'],
  ['a bare number', 'set the cover nuts to 60'],
  ['a letter left out', 'take the cover O-ing off'],
  ['told of doing it', 'removing the manifold takes a bit of force'],
  ['on some pumps', 'on some pumps you have to remove the manifold'],
  ['how it is driven', 'undo four allen bolts'],
])('asked: %s', (_what, line) => {
  const { steps, doubts, faults } = read(line);
  expect([line, doubts.length + faults.length]).not.toEqual([line, 0]);
  expect(steps.length).toBeLessThanOrEqual(1);
});

test('what holds something in place puts it nowhere', () => {
  expect(read('the front cover holds the manifold in place').steps).toEqual([]);
});

test('one part or another is asked about, also where nobody named them yet', () => {
  expect(read('take the casing or the impeller off', empty).doubts).toMatchObject([{ text: 'or the impeller' }]);
});

test('a number before a fraction counts several tools, and makes one size of one', () => {
  const tools = (line: string) => read(line, empty).steps[0]?.tools;
  expect(tools('undo the nuts with 2 1/2 in sockets')).toEqual([{ name: 'socket', size: '1/2 in', count: 2 }]);
  expect(tools('undo the nuts with a 1 1/4 in socket')).toEqual([{ name: 'socket', size: '1-1/4 in' }]);
});

const placed = {
  ...series,
  positionSets: [
    {
      id: 'ends',
      name: 'end',
      positions: [
        { id: 'de', name: 'drive end' },
        { id: 'fe', name: 'free end' },
      ],
    },
  ],
  components: [...series.components.map((part) => ({ ...part, positionSetId: undefined }))].map((part) =>
    part.name === 'front cover' ? { ...part, positionSetId: 'ends' } : part,
  ),
};

test('a place before a part is where it is, and no other part', () => {
  for (const line of ['remove the drive end front cover', 'drive end front cover off'])
    expect([line, read(line, placed).steps]).toMatchObject([
      line,
      [{ parts: [{ name: 'front cover' }], positionIds: ['de'] }],
    ]);
});

test.each<[string, string, readonly string[]]>([
  ['please in the middle', 'unscrew please the cover nuts', ['take-off: cover nut']],
  ['first behind the verb', 'remove first the manifold', ['take-off: manifold; first']],
  ['also behind a comma', 'take off the manifold, also the front cover', ['take-off: manifold, front cover']],
  ['the third person', 'the technician then removes the manifold', ['take-off: manifold']],
  ['one', 'one loosens the cover nuts', ['loosen: cover nut']],
  ['an infinitive', 'it is to loosen the cover nuts', ['loosen: cover nut']],
  ['what is always done', 'the cover O-ring must always be replaced', ['renew: cover O-ring']],
  [
    'a verb behind its fasteners',
    'cover nuts tighten crosswise with 80 Nm',
    ['torque: cover nut; crosswise; to 80 N·m'],
  ],
  ['a grip', 'grab hold of the manifold and pull it off', ['draw: manifold']],
  ['a way round', 'work your way round the cover nuts and crack each of them', ['loosen: cover nut']],
  ['parts counted as in lists', 'remove 4 off manifold bolts', ['take-off: manifold bolt']],
  ['an ordinal', 'fit 2nd manifold bolt', ['fit: manifold bolt; the second']],
  [
    'a figure that is gone up to',
    'nip the cover nuts up by hand and then go to 12 N·m',
    ['torque: cover nut; by hand; to 12 N·m'],
  ],
  [
    'started, then a figure',
    'all cover nuts in by hand, and then 45 Nm in a star',
    ['start-by-hand: cover nut; by hand', 'torque: cover nut; in a star; to 45 N·m'],
  ],
  ['so many turns', 'loosen the cover nuts about five to six turns', ['loosen: cover nut; about five to six turns']],
  ['a short second order', 'fit the manifold, check alignment', ['fit: manifold', 'inspect: alignment']],
  ['two verbs for one thing', 'unscrew and remove the cover nuts', ['take-off: cover nut']],
  ['a tool before the verb', 'with the jacking screw take out the rotor', ['take-off: rotor; with jacking screw']],
  [
    'how much, behind a comma',
    'coat the shaft seal with silicone grease, 40 g each',
    ['lubricate: shaft seal; put 40 g each silicone grease'],
  ],
  [
    'another part as the end that faces',
    'fit the manifold, the shaft seal facing the front cover',
    ['fit: manifold; faces shaft seal'],
  ],
  [
    'a verb as the end that faces',
    'fit the manifold, vent hole toward the front cover',
    ['fit: manifold; faces vent hole'],
  ],
  ['any end upward', 'fit the rotor with its vanes upward', ['fit: rotor; faces vanes']],
  ['one mark to the other', 'fit the rotor, mark to mark', ['fit: rotor; mark to mark']],
  ['a place behind its sign, apart', 'draw the rotor @ shaft 1', ['draw: rotor']],
  [
    'careful behind a comma',
    'take off the manifold, careful, there is a spring behind it',
    ['take-off: manifold; ! Careful, there is a spring behind it'],
  ],
  ['at a pressure', 'test @ 2 bar', ['test: @ 2 bar']],
  ['a figure that is passed', 'renew the shaft seal if > 2 years old', ['inspect: shaft seal']],
])('read with %s', (_what, line, expected) => {
  expect(told(line)).toEqual(expected);
});

test.each<[string, string]>([
  ['moved or put back', 'push the shaft seal back over the rotor'],
  ['another order kept as a way', 'loosen the cover nuts, fill through the manifold, then fit the rotor'],
  ['where it comes', 'the rotor comes between the manifold and the front cover'],
  ['and so on', 'fit the rotor, then the manifold, and so on to stage 5'],
  ['all the way out', 'then run them all the way out'],
  ['so many off, and no part', 'take 2 off carefully'],
  ['forward over something', 'draw the manifold forward over the rotor'],
  ['the other one', 'fit the rotor first, then the upper one'],
  ['an order behind "so"', "slide the rotor off, it's timed so mark which is which"],
])('asked, and not guessed: %s', (_what, line) => {
  const { doubts, faults } = read(line);
  expect([line, doubts.length + faults.length]).not.toEqual([line, 0]);
});
