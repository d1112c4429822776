import { typed } from '../testing/workbook';
import { parseLine } from './parse-line';

const { series } = typed([
  'draw plungers @each shaft /reverse pliers',
  'take off 8 cover nuts /socket, 17 mm',
  'take off valve caps',
  'fit front cover',
]);

/** A line as far as it matters here; nothing of it may be asked. */
function read(line: string) {
  const { steps, faults, doubts } = parseLine(line, series);
  expect([line, faults, doubts]).toEqual([line, [], []]);
  return steps;
}

test.each([
  [
    'behind a place',
    'press plungers in @each shaft, lips to the front cover',
    { positionIds: ['s1', 's2'], faces: { end: 'lips' } },
  ],
  [
    'behind a tool without a size',
    'move front cover forward /soft mallet, alternate sides',
    { tools: [{ name: 'soft mallet' }], detail: 'forward, alternate sides' },
  ],
  [
    'behind a tool and its size',
    'take off cover nuts /socket, 17 mm, one at a time',
    { tools: [{ name: 'socket', size: '17 mm' }], detail: 'one at a time' },
  ],
  ['behind a time', 'wait ~10 min, lid open', { minutes: 10, detail: 'lid open' }],
  [
    'behind a figure',
    'torque cover nuts =24 N·m, opposite pairs first',
    { torque: { figure: { value: 24, unit: 'N·m' } }, detail: 'opposite pairs first' },
  ],
])('plain words go on %s', (_where, line, said) => {
  expect(read(line)).toMatchObject([said]);
});

test('a place list, a size and an order of tightening are no words behind', () => {
  expect(read('draw plungers @shaft 1, shaft 2')).toMatchObject([{ positionIds: ['s1', 's2'] }]);
  expect(read('take off valve caps /hook spanner, large')).toMatchObject([
    { tools: [{ name: 'hook spanner', size: 'large' }] },
  ]);
  expect(read('torque cover nuts =24 N·m, crosswise')).toMatchObject([{ detail: 'crosswise' }]);
});

test('parts with a figure behind its sign are tightened', () => {
  expect(read('valve caps =45 N·m')).toMatchObject([
    { verb: 'torque', parts: [{ name: 'valve cap' }], torque: { figure: { value: 45, unit: 'N·m' } } },
  ]);
});

test('a sign belongs to what was said before it, whatever goes on behind it', () => {
  expect(read('draw plungers @each shaft, take off the valve caps')).toMatchObject([
    { verb: 'draw', positionIds: ['s1', 's2'] },
    { verb: 'take-off', positionIds: [] },
  ]);
});

test('what cannot be read behind words of a sign is marked where it stands', () => {
  const line = 'draw plungers @each shaft, then make empty the casing';
  const { doubts, faults } = parseLine(line, series);
  expect(faults.length + doubts.length).toBeGreaterThan(0);
  for (const { from, to } of doubts) expect(line.slice(from, to)).toMatch(/make empty/);
});
