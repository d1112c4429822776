import type { Plan, Point } from '../model/fastener-group';

/** Where each of `count` fasteners sits, clockwise from the top; free points in the order in which they were set. */
export function slotsOf(plan: Plan, count: number): Point[] {
  const { shape, aspect = 1, startDegrees = 0 } = plan;
  if (count === 1 && shape !== 'points') return [{ x: 0.5, y: 0.5 }];
  switch (shape) {
    case 'circle':
      return onEllipse(count, 1, startDegrees);
    case 'oval':
      return onEllipse(count, aspect, startDegrees);
    case 'rectangle':
      return onRectangle(count, aspect);
    case 'rows':
      return inRows(count, aspect);
    case 'points':
      return (plan.points ?? []).slice(0, count);
  }
}

/** Half the width and half the height of what fills the unit square at an aspect. */
function halves(aspect: number): { across: number; down: number } {
  const [across, down] = aspect >= 1 ? [1, 1 / aspect] : [aspect, 1];
  return { across: across / 2, down: down / 2 };
}

/** As far apart along the ellipse everywhere. */
function onEllipse(count: number, aspect: number, startDegrees: number): Point[] {
  const { across, down } = halves(aspect);
  const at = (turn: number): Point => ({
    x: 0.5 + across * Math.sin(2 * Math.PI * turn),
    y: 0.5 - down * Math.cos(2 * Math.PI * turn),
  });
  const PARTS = 720;
  const lengths = [0];
  for (let i = 1; i <= PARTS; i += 1)
    lengths.push((lengths[i - 1] ?? 0) + distance(at((i - 1) / PARTS), at(i / PARTS)));
  const whole = lengths.at(-1) ?? 1;
  const start = (startDegrees / 360) * whole;
  return Array.from({ length: count }, (_, i) => {
    const along = (start + (i * whole) / count) % whole;
    const after = lengths.findIndex((length) => length >= along);
    const before = lengths[after - 1] ?? 0;
    const share = after <= 0 ? 0 : (along - before) / ((lengths[after] ?? before) - before || 1);
    return at((Math.max(0, after - 1) + share) / PARTS);
  });
}

/** One in each corner, the rest spread along the sides, opposite one another. */
function onRectangle(count: number, aspect: number): Point[] {
  const { across, down } = halves(aspect);
  if (count < 4) return inRows(count, aspect);
  const between = { across: 0, down: 0 };
  for (let pairs = Math.floor((count - 4) / 2); pairs > 0; pairs -= 1)
    between[across / (between.across + 1) >= down / (between.down + 1) ? 'across' : 'down'] += 1;
  const odd = (count - 4) % 2;
  const [left, right, top, bottom] = [0.5 - across, 0.5 + across, 0.5 - down, 0.5 + down];
  const side = (from: Point, to: Point, inside: number) =>
    Array.from({ length: inside + 1 }, (_, i) => ({
      x: from.x + ((to.x - from.x) * i) / (inside + 1),
      y: from.y + ((to.y - from.y) * i) / (inside + 1),
    }));
  return [
    ...side({ x: left, y: top }, { x: right, y: top }, between.across + odd),
    ...side({ x: right, y: top }, { x: right, y: bottom }, between.down),
    ...side({ x: right, y: bottom }, { x: left, y: bottom }, between.across),
    ...side({ x: left, y: bottom }, { x: left, y: top }, between.down),
  ];
}

/** Two rows, the upper from left to right and the lower back; one row where there are fewer than four. */
function inRows(count: number, aspect: number): Point[] {
  const { across, down } = halves(aspect);
  const upper = count < 4 ? count : Math.ceil(count / 2);
  const row = (n: number, y: number) =>
    Array.from({ length: n }, (_, i) => ({ x: n === 1 ? 0.5 : 0.5 - across + (2 * across * i) / (n - 1), y }));
  return [...row(upper, count < 4 ? 0.5 : 0.5 - down), ...row(count - upper, 0.5 + down).reverse()];
}

export function distance(one: Point, two: Point): number {
  return Math.hypot(one.x - two.x, one.y - two.y);
}

/**
 * Which fasteners are next to one another. Around a joint these are the one before and the one after; of free points
 * all that are little farther away than the nearest.
 */
export function neighboursOf(plan: Plan, slots: readonly Point[]): readonly ReadonlySet<number>[] {
  const count = slots.length;
  if (plan.shape !== 'points')
    return slots.map((_, i) => new Set([(i + 1) % count, (i + count - 1) % count].filter((other) => other !== i)));
  return slots.map((slot, i) => {
    const apart = slots.map((other, j) => (i === j ? Number.POSITIVE_INFINITY : distance(slot, other)));
    const nearest = Math.min(...apart);
    return new Set(apart.flatMap((length, j) => (length <= nearest * LITTLE_FARTHER ? [j] : [])));
  });
}

const LITTLE_FARTHER = 1.25;
