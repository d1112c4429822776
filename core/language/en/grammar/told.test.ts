import { parseLine } from '../../../line/parse-line';
import { typed } from '../../../testing/workbook';

/* Lines as people tell their work rather than order it, and what must not pass for understood. */

const { series } = typed([
  'take off 8 cover nuts /socket, 17 mm',
  'take off front cover',
  'draw rotor @each shaft /jacking screw',
  'take off lock washer',
  'draw cover O-ring',
  'draw filter spring',
  'take off oil pan',
  'take off 6 oil pan screws',
  'fit front cover +silicone grease',
]);
const read = (line: string) => parseLine(line, series);
const steps = (line: string) => {
  const { steps: made, faults, doubts } = read(line);
  expect([line, faults, doubts]).toEqual([line, [], []]);
  return made.map(({ verb, parts, detail }) => [verb, parts.map(({ name }) => name).join(', '), detail ?? ''] as const);
};

test.each<[string, string, readonly (readonly [string, string, string])[]]>([
  [
    'a part called by a word that is a verb as well is what it is said of',
    'the oil pan screws are removed and the oil pan is pried off',
    [
      ['take-off', 'oil pan screw', ''],
      ['pry', 'oil pan', ''],
    ],
  ],
  [
    'nothing but what comes off, one after the other',
    'cover nuts off, front cover off',
    [
      ['take-off', 'cover nut', ''],
      ['take-off', 'front cover', ''],
    ],
  ],
  [
    'what opens the telling says nothing',
    "so the first thing we're gonna do is take the front cover off",
    [['take-off', 'front cover', '']],
  ],
  [
    'a tool is fetched, and how it is used stands between',
    'grab a 17 mm socket and carefully loosen the cover nuts',
    [['loosen', 'cover nut', 'carefully']],
  ],
  [
    'what fasteners hold is said along',
    'remove the eight cover nuts securing the front cover',
    [['take-off', 'cover nut', 'securing the front cover']],
  ],
  [
    'a new part put in with another',
    'fit the front cover with a new cover O-ring',
    [['fit', 'front cover, cover O-ring', 'new']],
  ],
  ['a part behind a comma', 'rotor back on, new lock washer', [['fit', 'rotor, lock washer', 'new']]],
  [
    'secured with nuts, it is the nuts that go on',
    'fit the front cover and secure it with the cover nuts',
    [
      ['fit', 'front cover', ''],
      ['fit', 'cover nut', ''],
    ],
  ],
  [
    'pressed down after it is put on, it goes further on',
    'set the front cover on the oil pan and press it down evenly',
    [
      ['place', 'front cover', ''],
      ['press', 'front cover', 'down, evenly'],
    ],
  ],
  [
    'what comes along is taken off as well',
    'lift the front cover off with the oil pan',
    [['take-off', 'front cover, oil pan', '']],
  ],
  ['two ways in one', 'pull the filter spring down and out', [['draw', 'filter spring', '']]],
  ['pushed up on, it is moved', 'push up on the filter spring', [['move', 'filter spring', 'up']]],
  ['hung on a hoist, it is held', 'hang the front cover on the hoist', [['hold', 'front cover', 'on the hoist']]],
  ['finger tight is started', 'fit the cover nuts finger tight', [['start-by-hand', 'cover nut', 'finger tight']]],
  ['the mains plug is pulled to isolate', 'pull the mains plug', [['isolate', '', '']]],
  ['"w/" is with', 'fit the front cover w/ the cover nuts', [['fit', 'front cover, cover nut', '']]],
  ['a place without a word before it', 'fit rotor shaft 1', [['fit', 'rotor', '']]],
])('%s', (_what, line, made) => expect(steps(line)).toEqual(made));

test('of a torque in passes the last figure holds, and all are told', () => {
  const [step] = read('tighten the cover nuts in three passes, 15, 30 and 45 N·m').steps;
  expect(step?.torque?.figure).toEqual({ value: 45, unit: 'N·m' });
  expect(step?.detail).toBe('in three passes, 15, 30 and 45 N·m');
});

test('places are named by their number in words as well', () => {
  const { positions } = series.positionSets.find(({ name }) => name === 'shaft')!;
  expect(read('fit the rotor at shaft two').steps[0]?.positionIds).toEqual([positions[1]?.id]);
});

test('a figure said behind the action belongs to it', () => {
  expect(read('snug the cover nuts up, then 45 N·m').steps[0]?.torque?.figure).toEqual({ value: 45, unit: 'N·m' });
  expect(read('the cover nuts get 45 N·m').steps[0]).toMatchObject({
    verb: 'torque',
    torque: { figure: { value: 45 } },
  });
  expect(read('torque the cover nuts to between 40 and 44 N·m').steps[0]?.torque?.figure.value).toBe(42);
  expect(read('run the pump for a minute').steps[0]?.minutes).toBe(1);
});

test.each([
  ['a figure without a unit behind a second verb', 'nip up the cover nuts and then torque them to 45', 'unit'],
  ['an order that nobody knows', 'front cover off and blue it', 'unread'],
  ['a condition on what cannot be undone', "cut the filter spring if it won't come", 'condition'],
  ['a condition on what is taken out', 'check the rotor for cracks, and if it is cracked take it out', 'condition'],
  ['fasteners by their number alone', 'take off four nuts', 'which-part'],
  ['a part called like a tool', 'loosen the jacking screw', 'odd-name'],
  ['something that is no name', "scrape off what's left of it", 'odd-name'],
  ['two parts written as one', 'draw the rotor/spacer', 'odd-name'],
])('%s is asked about', (_what, line, kind) => {
  expect(read(line).doubts.map((doubt) => doubt.kind)).toContain(kind);
});

test.each([
  ['a remark in which something is taken off', 'make sure the cover O-ring is taken out'],
  ['a remark with a torque in it', 'these get 45 N·m'],
  ['a heading that is a verb as well', 'seal: rotating half off by hand'],
  ['a ball rolled over a surface', 'roll the rotor over a flat surface'],
  ['something said to be done', 'new rings are to be oiled'],
])('%s is no remark and no step', (_what, line) => {
  const { faults, doubts } = read(line);
  expect(faults.length + doubts.length).toBeGreaterThan(0);
});

test('wear is no caution where a part is called so', () => {
  const worn = typed(['take off wear plate']).series;
  expect(parseLine('wear plate gap max 0.8', worn).note?.cautions ?? []).toEqual([]);
  expect(read('wear gloves').note?.cautions).toHaveLength(1);
});
