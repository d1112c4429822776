import { parseLine } from '../../../line/parse-line';
import { typed } from '../../../testing/workbook';

/* Lines as they are noted, pasted from an old sheet or told afterwards: without a verb, with list marks, in the past. */

const { series } = typed([
  'take off 8 cover nuts /socket, 17 mm',
  'take off 4 foot bolts /hex key, 6 mm',
  'take off front cover',
  'draw rotor @each shaft /rubber mallet',
  'draw cover O-ring',
  'take off drain plug',
  'take off tab washer',
  'take off coupling guard',
  'fit front cover +silicone grease',
]);
const read = (line: string) => parseLine(line, series);
const said = (line: string) => {
  const { steps, faults, doubts } = read(line);
  expect([line, faults, doubts]).toEqual([line, [], []]);
  return steps.map(({ verb, parts, detail }) =>
    [verb, parts.map(({ name }) => name).join(', '), detail ?? ''].join(': ').replace(/(?:: )+$/, ''),
  );
};
const asked = (line: string) => {
  const { faults, doubts } = read(line);
  return [...faults, ...doubts].map(({ kind }) => kind);
};

test.each([
  ['a part and a way', 'front cover off by hand', ['take-off: front cover: by hand']],
  ['several parts and a way', 'front cover and rotor off with rubber mallet', ['take-off: front cover, rotor']],
  ['a count and a way', '8 cover nuts out', ['take-off: cover nut']],
  ['a count behind the name', 'cover nuts (8) out', ['take-off: cover nut']],
  ['the verb is not said again', 'put the rotor in, the front cover on', ['fit: rotor', 'fit: front cover']],
  ['new ones', 'new cover O-ring, new rotor', ['renew: cover O-ring, rotor']],
  ['what is put on', 'a drop of silicone grease on the cover O-ring', ['lubricate: cover O-ring']],
  ['what is put on, along with the rest', 'cover O-ring in, a bit of silicone grease', ['fit: cover O-ring']],
])('noted: %s', (_what, line, expected) => {
  expect(said(line)).toEqual(expected);
});

test.each([
  '3. Remove the front cover',
  '3) remove the front cover',
  'a) Remove the front cover',
  '- remove the front cover',
  '• Remove the front cover.',
  'Step 12: remove the front cover',
  'Remove the front cover (item 14)',
  'Remove the front cover (14).',
])('"%s" orders one thing: its mark says nothing', (line) => {
  expect(said(line)).toEqual(['take-off: front cover']);
});

test.each([
  ['the way to it comes first', 'Drain the oil by removing the drain plug', ['take-off: drain plug', 'drain']],
  [
    'what was done before comes first',
    'draw the rotor after removing the front cover',
    ['take-off: front cover', 'draw: rotor'],
  ],
  ['told in the past', 'Pulled the rotor and loosened both foot bolts', ['draw: rotor', 'loosen: foot bolt']],
  ['what it is said of stands first', 'the rotor I pushed out with a rubber mallet', ['draw: rotor']],
  ['given a wipe', 'give the rotor a quick wipe', ['clean: rotor']],
  [
    'a part by its owner',
    'take the front cover off and wipe its O-ring',
    ['take-off: front cover', 'clean: cover O-ring'],
  ],
  ['until it comes off', 'turn the rotor until it comes off', ['take-off: rotor: until it comes off']],
  ['hung up beside the pump', 'hang the coupling guard on a hook', ['put-aside: coupling guard: on a hook']],
  ['a tab is bent', 'knock back the tab washer', ['bend: tab washer: back']],
  ['rotors turned over by hand', 'spin the pump over by hand', ['turn: over, by hand']],
  ['feet are no unit here', 'remove the four foot bolts', ['take-off: foot bolt']],
])('said: %s', (_what, line, expected) => {
  expect(said(line).map((step) => step.replace(/^(drain|turn): : ?/, '$1: ').replace(/: $/, ''))).toEqual(expected);
});

test('what stands first with "to" is what it is done for', () => {
  const [step] = read('To keep the rotor from turning, hold the front cover').steps;
  expect(step).toMatchObject({ verb: 'hold', why: 'To keep the rotor from turning' });
});

test('a tool by its size alone is the one of that size', () => {
  for (const line of ['loosen the cover nuts with the 17 socket', 'loosen the cover nuts with the socket 17'])
    expect(read(line)).toMatchObject({ doubts: [], steps: [{ tools: [{ name: 'socket', size: '17 mm' }] }] });
});

test.each([
  ['a part behind a comma is not kept as mere words', 'rotor in, O-ring', ['which-part']],
  ['a thing that goes somewhere is done', 'the new one goes on with the lip up', ['no-verb']],
  ['a tool by its last word', 'tap the rotor out with a mallet', ['tool']],
  ['a thousand may be one', 'torque the foot bolts to 1,000 N·m', ['unit']],
  ['a figure of what has no thread', 'fit the front cover, 25 N·m', ['unread']],
  ['through may be out or in', 'pull the rotor through the front cover', ['sense']],
  ['initials of a part there is', 'draw CO-ring', ['near-part']],
  ['how a part that there is begins', 'take off coup guard', ['near-part']],
  ['half of a thing, and then a way', 'pull the outer half of the seal off', ['odd-name']],
  ['an oven is no place in the pump', 'put the rotor in a bath', ['sense']],
])('asked: %s', (_what, line, kinds) => {
  expect(asked(line)).toEqual(kinds);
});

test('signs: places by their last word and in a row, what is put on with its amount and where', () => {
  expect(read('draw rotor @1').steps[0]?.positionIds).toEqual(['s1']);
  expect(read('draw rotor @1 and 2').steps[0]?.positionIds).toEqual(['s1', 's2']);
  expect(read('fit cover O-ring +a drop of silicone grease on the lips').steps[0]?.applied).toEqual([
    { name: 'silicone grease', amount: 'a drop', where: 'lips' },
  ]);
  expect(read('draw rotor @9').faults).toMatchObject([{ kind: 'unknown-position' }]);
});

test('a short name is the part named right before it, where no other is called so', () => {
  expect(said('take off the coupling guard and clean the guard')).toEqual([
    'take-off: coupling guard',
    'clean: coupling guard',
  ]);
  expect(asked('clean the guard')).toEqual(['which-part']);
  const before = { parts: [{ name: 'drain plug', from: 0, to: 0 }] };
  expect(parseLine('clean the plug', series, before)).toMatchObject({
    doubts: [],
    steps: [{ verb: 'clean', parts: [{ name: 'drain plug' }] }],
  });
  expect(parseLine('undo the bolts', series, { parts: [{ name: 'cover nut', from: 0, to: 0 }] }).doubts).toHaveLength(
    1,
  );
});

test.each([
  ['take off the eight nuts of the cover', 'take-off: cover nut'],
  ['draw the O-ring of the cover', 'draw: cover O-ring'],
  ['take off the plug of the drain', 'take-off: drain plug'],
])('"%s": a part of a part is what it is called after that, and never the whole', (line, expected) => {
  expect(read(line).steps.map(({ verb, parts }) => `${verb}: ${parts[0]?.name}`)).toEqual([expected]);
});

test('a part of a part that the series has under no such name is still not the whole', () => {
  expect(read('take off the bolts of the front cover').steps[0]?.parts.map(({ name }) => name)).toEqual([
    'front cover bolts',
  ]);
});
