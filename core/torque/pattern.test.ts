import { PATTERNS, type Plan } from '../model/fastener-group';
import { orderFaults, orderOf, partialSets, storedSpringOrder, usualPattern } from './pattern';
import { slotsOf } from './plan';

const circle: Plan = { shape: 'circle' };
const star = (count: number, plan = circle) => orderOf('star', plan, slotsOf(plan, count));

/** The legacy star sequences of ASME PCC-1, table 4; recalled from memory. */
test.each([
  [4, [1, 3, 2, 4]],
  [8, [1, 5, 3, 7, 2, 6, 4, 8]],
  [12, [1, 7, 4, 10, 2, 8, 5, 11, 3, 9, 6, 12]],
  [16, [1, 9, 5, 13, 3, 11, 7, 15, 2, 10, 6, 14, 4, 12, 8, 16]],
  [20, [1, 11, 6, 16, 3, 13, 8, 18, 5, 15, 10, 20, 2, 12, 7, 17, 4, 14, 9, 19]],
  [24, [1, 13, 7, 19, 4, 16, 10, 22, 2, 14, 8, 20, 5, 17, 11, 23, 3, 15, 9, 21, 6, 18, 12, 24]],
])('the star of %s bolts is that of ASME PCC-1', (count, order) => {
  expect(star(count).map((slot) => slot + 1)).toEqual(order);
});

test.each(
  PATTERNS.flatMap((pattern) =>
    [1, 2, 3, 4, 5, 6, 7, 9, 10, 11, 14, 18, 22, 26, 28, 32, 37, 40].map((n) => [pattern, n] as const),
  ),
)('%s takes each of %s fasteners once', (pattern, count) => {
  for (const shape of ['circle', 'oval', 'rectangle', 'rows'] as const) {
    const plan: Plan = { shape, aspect: 2.5 };
    const slots = slotsOf(plan, count);
    expect(slots).toHaveLength(count);
    expect(orderOf(pattern, plan, slots).toSorted((a, b) => a - b)).toEqual([...slots.keys()]);
  }
});

test.each([4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 18, 20, 22, 24, 26, 28, 30, 32, 36, 40])(
  'a star of %s never goes to a neighbour while another is left',
  (count) => {
    expect(orderFaults(star(count), 'star', circle, slotsOf(circle, count))).toEqual([]);
  },
);

test('an order by hand is refused where it goes to a neighbour, leaves one out or takes one twice', () => {
  const slots = slotsOf(circle, 6);
  const faults = (order: number[]) => orderFaults(order, 'star', circle, slots).map(({ is }) => is);
  expect(faults([0, 1, 3, 5, 2, 4])).toEqual(['neighbours']);
  expect(faults([0, 3, 1, 4, 2])).toEqual(['missing']);
  expect(faults([0, 3, 1, 4, 2, 5, 0])).toEqual(['twice']);
  expect(faults([0, 3, 1, 4, 2, 9])).toEqual(['no-slot', 'missing']);
  expect(orderFaults([0, 1, 2, 3, 4, 5], 'clockwise', circle, slots)).toEqual([]);
});

test('free points go crosswise as well: the four corners of a square, clicked in turn', () => {
  const points = [
    { x: 0, y: 0 },
    { x: 1, y: 0 },
    { x: 1, y: 1 },
    { x: 0, y: 1 },
  ];
  const plan: Plan = { shape: 'points', points };
  expect(star(4, plan)).toEqual([0, 2, 1, 3].map((slot) => slot));
  expect(orderFaults([0, 2, 1, 3], 'star', plan, points)).toEqual([]);
});

test('a long head is tightened from its middle outward', () => {
  const plan: Plan = { shape: 'rows', aspect: 3 };
  const slots = slotsOf(plan, 10);
  const order = orderOf('middle-out', plan, slots);
  const out = order.map((slot) => Math.abs((slots[slot]?.x ?? 0) - 0.5));
  expect(out).toEqual(out.toSorted((a, b) => a - b));
  expect(usualPattern(plan, 10)).toBe('middle-out');
});

test.each([
  [2, 'circle', 'side-to-side'],
  [8, 'circle', 'star'],
  [8, 'rectangle', 'star'],
  [40, 'circle', 'quadrants'],
] as const)('%s fasteners on a %s are tightened %s', (count, shape, pattern) => {
  expect(usualPattern({ shape }, count)).toBe(pattern);
});

test('a cover under a spring: two opposite ones come out, the last two are eased together', () => {
  expect(storedSpringOrder(4)).toEqual([[0], [2], [1, 3]]);
  const six = storedSpringOrder(6);
  expect(six.at(-1)).toHaveLength(2);
  expect(six.flat().toSorted()).toEqual([0, 1, 2, 3, 4, 5]);
  const [one, two] = six.at(-1) ?? [];
  expect(Math.abs((one ?? 0) - (two ?? 0))).toBe(3);
  expect(storedSpringOrder(2)).toEqual([[0, 1]]);
});

test('six of eight while guide pins hold two holes, then the two', () => {
  expect(partialSets(star(8), [2, 6])).toEqual([
    [0, 4, 1, 5, 3, 7],
    [2, 6],
  ]);
  expect(partialSets(star(4), [])).toHaveLength(1);
});

test('free points are gone round clockwise, whatever order they were clicked in', () => {
  const points = [
    { x: 0, y: 0 },
    { x: 1, y: 1 },
    { x: 1, y: 0 },
    { x: 0, y: 1 },
  ];
  expect(orderOf('clockwise', { shape: 'points', points }, points)).toEqual([0, 2, 1, 3]);
});
