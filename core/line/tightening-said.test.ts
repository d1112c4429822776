import { groupOf } from '../model/lookup';
import { componentId, typed } from '../testing/workbook';
import { parseLine } from './parse-line';
import { tighteningSaid } from './tightening-said';

test.each([
  ['crosswise in three passes', 'star', 4],
  ['star 3 passes', 'star', 4],
  ['from the middle outward', 'middle-out', undefined],
  ['clockwise', 'clockwise', undefined],
  ['in two stages', undefined, 3],
  ['single pass', undefined, 1],
  ['with a long bar', undefined, undefined],
] as const)('"%s"', (words, pattern, passes) => {
  const said = tighteningSaid(words);
  expect([said.pattern, said.passes?.length]).toEqual([pattern, passes]);
});

const groupAfter = (...lines: string[]) => {
  const workbook = typed(lines);
  return groupOf(workbook.series, componentId(workbook, 'manifold screw'));
};

test('a line puts the joint on the torque sheet, with its figure, pattern and passes', () => {
  expect(groupAfter('torque 8 manifold screws =27 N·m star 3 passes')).toMatchObject({
    pattern: 'star',
    passes: [{ percent: 30 }, { percent: 60 }, { percent: 100 }, { is: 'check' }],
    figures: [{ use: 'reuse', torque: { figure: { value: 27, unit: 'N·m' } } }],
    plan: { shape: 'circle' },
  });
  expect(groupAfter('torque the 8 manifold screws to 27 N·m crosswise in two passes')).toMatchObject({
    pattern: 'star',
    passes: [{ percent: 50 }, { percent: 100 }, { is: 'check' }],
  });
});

test('what a later line tells otherwise is changed, the rest stays', () => {
  const group = groupAfter(
    'torque 8 manifold screws =27 N·m star 3 passes',
    'torque manifold screws =27 N·m clockwise',
  );
  expect(group).toMatchObject({ pattern: 'clockwise', passes: [{ percent: 30 }, {}, {}, {}] });
});

test('passes typed as steps of their own end at the figure of the sheet', () => {
  const group = groupAfter('torque 8 manifold screws =12 N·m crosswise', 'torque manifold screws =27 N·m');
  expect(group?.figures[0]?.torque.figure.value).toBe(27);
});

test('a number without a unit offers first what the thread bears', () => {
  const { series } = typed(['take off 8 M8 cover bolts', 'take off 4 M30 tie bolts']);
  const offers = (line: string) => parseLine(line, series).doubts[0]?.offers[0];
  expect(offers('tighten the M8 cover bolts to 218')).toBe('218 lbf·in');
  expect(offers('tighten the M30 tie bolts to 800')).toBe('800 N·m');
});

test('a line that tells no order leaves the sheet alone, as does a single nut', () => {
  expect(groupAfter('torque 8 manifold screws =27 N·m')).toBeUndefined();
  expect(groupAfter('torque manifold screw =27 N·m, in three passes')).toBeUndefined();
});
