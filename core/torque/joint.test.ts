import { lusolve, std } from 'mathjs';
import { compareWays, compliance, EVEN_ENOUGH, type Joint, jointOf, tighten } from './joint';
import { USUAL_PASSES } from './passes';
import { orderOf } from './pattern';
import { slotsOf } from './plan';
import { threadIn } from './threads';

const SINGLE = [{ is: 'rise' as const, percent: 100 }];
const pair: Joint = {
  bolt: 400_000,
  foundation: 5000,
  bending: 2e9,
  places: [
    { x: 0, y: 0 },
    { x: 40, y: 0 },
  ],
};

describe('two bolts, solved by hand', () => {
  const soft = compliance(pair);
  const [c = 0, d = 0] = soft[0] ?? [];
  test('the gasket under a load gives λ/2k, and less beside it (Hetényi, Beams on Elastic Foundation, 1946)', () => {
    const lambda = (5000 / (4 * 2e9)) ** 0.25;
    expect(c).toBeCloseTo(lambda / (2 * 5000), 12);
    const x = lambda * 40;
    expect(d).toBeCloseTo(c * Math.exp(-x) * (Math.cos(x) + Math.sin(x)), 12);
  });
  test('the first loses kb·d/(1 + kb·c) when the second is tightened', () => {
    // F1 = kb·(e1 − c·F1 − d·T) with e1 = T/kb + c·T.
    const { left } = tighten(pair, [0, 1], SINGLE, 20_000);
    expect(left[0]).toBeCloseTo(1 - (pair.bolt * d) / (1 + pair.bolt * c), 9);
    expect(left[1]).toBe(1);
  });
});

const eight = () => {
  const thread = threadIn('M10');
  if (!thread) throw new Error('no M10');
  return jointOf({ shape: 'circle' }, 8, thread, 'gasket');
};
const circle = { shape: 'circle' as const };
const slots = slotsOf(circle, 8);

test('what is left agrees with the linear system as mathjs solves it', () => {
  const joint = eight();
  const order = orderOf('star', circle, slots);
  const { left } = tighten(joint, order, SINGLE, 20_000);
  const soft = compliance(joint);
  // After the last nut: (I + kb·C)·F = kb·e for all nuts together, e from the forces found.
  const forces = left.map((share) => share * 20_000);
  const advance = forces.map(
    (force, i) => force / joint.bolt + forces.reduce((sum, one, j) => sum + (soft[i]?.[j] ?? 0) * one, 0),
  );
  const matrix = soft.map((row, i) => row.map((value, j) => (i === j ? 1 : 0) + joint.bolt * value));
  const solved = (
    lusolve(
      matrix,
      advance.map((e) => e * joint.bolt),
    ) as number[][]
  ).map(([force]) => force ?? 0);
  for (const [i, force] of forces.entries()) expect(Math.abs((solved[i] ?? 0) / force - 1)).toBeLessThan(1e-9);
});

test('the scatter is the standard deviation over the mean, as mathjs computes it', () => {
  const { left, scatter } = tighten(eight(), [0, 1, 2, 3, 4, 5, 6, 7], SINGLE, 20_000);
  const mean = left.reduce((sum, one) => sum + one, 0) / left.length;
  expect(scatter).toBeCloseTo(Number(std([...left], 'uncorrected')) / mean, 12);
});

test('an order as in a mirror leaves the same as in a mirror', () => {
  const order = orderOf('star', circle, slots);
  const mirror = (slot: number) => (8 - slot) % 8;
  const { left } = tighten(eight(), order, SINGLE, 20_000);
  const mirrored = tighten(eight(), order.map(mirror), SINGLE, 20_000).left;
  for (const slot of order) expect(mirrored[mirror(slot)]).toBeCloseTo(left[slot] ?? 0, 9);
});

test('several passes leave the bolts more alike than one, and a star keeps the cover squarer than going round', () => {
  const joint = eight();
  const star = orderOf('star', circle, slots);
  const round = orderOf('clockwise', circle, slots);
  const [passes, once] = [tighten(joint, star, USUAL_PASSES, 20_000), tighten(joint, star, SINGLE, 20_000)];
  expect(passes.scatter).toBeLessThan(once.scatter / 2);
  expect(passes.tilt).toBeLessThan(once.tilt);
  expect(passes.tilt).toBeLessThan(tighten(joint, round, USUAL_PASSES, 20_000).tilt + 1e-12);
});

test('bare metal faces keep more than a soft gasket', () => {
  const thread = threadIn('M10');
  const joint = (seat: 'gasket' | 'metal') => (thread ? jointOf(circle, 8, thread, seat) : eight());
  const order = orderOf('star', circle, slots);
  expect(tighten(joint('metal'), order, SINGLE, 20_000).scatter).toBeLessThan(
    tighten(joint('gasket'), order, SINGLE, 20_000).scatter,
  );
});

test('of the ways that leave the bolts even enough the squarest comes first, then the uneven ones', () => {
  const ways = compareWays(eight(), circle, 8, USUAL_PASSES, 20_000);
  expect(ways.map(({ pattern }) => pattern).filter((pattern) => pattern === 'star')).toHaveLength(2);
  const even = ways.filter(({ scatter }) => scatter <= EVEN_ENOUGH);
  const tilts = ways.slice(0, even.length).map((way) => Math.round(way.tilt * 1000));
  expect(tilts).toEqual(tilts.toSorted((a, b) => a - b));
  expect(even.length).toBeGreaterThan(0);
  // Going round once leaves the cover twice as crooked on the way as going crosswise.
  const tilt = (pattern: string) => ways.find((way) => way.pattern === pattern && way.passes.length > 1)?.tilt ?? 0;
  expect(tilt('clockwise')).toBeGreaterThan(2 * tilt('star'));
  expect(compareWays(eight(), circle, 2, USUAL_PASSES, 20_000).every(({ pattern }) => pattern === 'side-to-side')).toBe(
    true,
  );
});
