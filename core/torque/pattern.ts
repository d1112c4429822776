import type { Pattern, Plan, Point } from '../model/fastener-group';
import { distance, neighboursOf } from './plan';

/** Fasteners by their slot, counted from 0, in the order in which they are tightened. */
export type Order = readonly number[];

/** From this many on a joint is gone over group by group. Common practice. */
const MANY = 28;

/** The pattern that a joint of this plan wants. */
export function usualPattern({ shape, aspect = 1 }: Plan, count: number): Pattern {
  if (count <= 2) return 'side-to-side';
  if (count >= MANY) return 'quadrants';
  const isLong = aspect >= LONG || aspect <= 1 / LONG;
  return count >= 6 && (shape === 'rows' || shape === 'rectangle') && isLong ? 'middle-out' : 'star';
}

/** A head this many times as long as it is wide is tightened from its middle. Common practice. */
const LONG = 2;

export function orderOf(pattern: Pattern, plan: Plan, slots: readonly Point[]): Order {
  const count = slots.length;
  switch (pattern) {
    case 'star':
      return plan.shape === 'points' ? farthestFirst(slots) : star(count);
    case 'middle-out':
      return fromMiddle(slots);
    case 'quadrants':
      return byGroups(count);
    case 'side-to-side':
      return inTurn(count);
    case 'clockwise':
      return roundOf(plan, slots);
  }
}

/** Clockwise round the joint, from the first fastener on; free points by the side they are on, whatever order they were set in. */
export function roundOf({ shape }: Plan, slots: readonly Point[]): Order {
  const order = inTurn(slots.length);
  if (shape !== 'points') return order;
  const middle = (axis: 'x' | 'y') => slots.reduce((sum, slot) => sum + slot[axis], 0) / (slots.length || 1);
  const [x, y] = [middle('x'), middle('y')];
  const angle = (slot: number) => Math.atan2((slots[slot]?.y ?? 0) - y, (slots[slot]?.x ?? 0) - x);
  const round = order.toSorted((a, b) => angle(a) - angle(b));
  const first = round.indexOf(0);
  return [...round.slice(first), ...round.slice(0, first)];
}

function inTurn(count: number): Order {
  return Array.from({ length: count }, (_, i) => i);
}

/**
 * The crosswise order around a joint. Of 4, 8, 12, 16, 20 and 24 it is the legacy star sequence of ASME PCC-1; of other
 * numbers it goes on in the same way: across, a quarter on, across, and then to a quarter not yet begun.
 */
function star(count: number): Order {
  if (count < 4) return inTurn(count);
  if (count % 2 === 1) return strided(count, Math.floor(count / 2));
  if (count % 4 === 2) return starts(count / 2).flatMap((start) => [start, start + count / 2]);
  const quarter = count / 4;
  return starts(quarter).flatMap((start) => [start, start + 2 * quarter, start + quarter, start + 3 * quarter]);
}

/** In which order the places of one quarter are begun. */
function starts(count: number): Order {
  if (count === 8) return [0, 4, 2, 6, 1, 5, 3, 7];
  if (count < 4) return inTurn(count);
  return strided(count, count % 2 === 0 ? (STRIDES[count] ?? 2) : Math.floor(count / 2.5) || 2);
}

const STRIDES: Readonly<Record<number, number>> = { 4: 2, 6: 3 };

/** Round and round in strides, one place on whenever a place was taken already. */
function strided(count: number, stride: number): Order {
  const order: number[] = [];
  const taken = new Set<number>();
  let at = 0;
  while (order.length < count) {
    while (taken.has(at)) at = (at + 1) % count;
    order.push(at);
    taken.add(at);
    at = (at + stride) % count;
  }
  return order;
}

/** Each time the one farthest from all that were just tightened. */
function farthestFirst(slots: readonly Point[]): Order {
  const order: number[] = [];
  const left = new Set(slots.keys());
  let at = 0;
  while (left.size > 0) {
    order.push(at);
    left.delete(at);
    const recent = order.slice(-2).map((i) => slots[i] as Point);
    at = best(left, (i) => Math.min(...recent.map((point) => distance(point, slots[i] as Point)))) ?? 0;
  }
  return order;
}

/** From the middle outward along the longer way, from side to side. */
function fromMiddle(slots: readonly Point[]): Order {
  const spread = (axis: 'x' | 'y') => {
    const values = slots.map((slot) => slot[axis]);
    return Math.max(...values) - Math.min(...values);
  };
  const along = spread('x') >= spread('y') ? 'x' : 'y';
  const middle = slots.reduce((sum, slot) => sum + slot[along], 0) / (slots.length || 1);
  const order: number[] = [];
  const left = new Set(slots.keys());
  while (left.size > 0) {
    const from = (i: number) => Math.abs((slots[i] as Point)[along] - middle);
    const nearest = Math.min(...[...left].map(from));
    const ring = [...left].filter((i) => from(i) < nearest + 1e-6);
    const last = order.at(-1);
    const next = best(ring, (i) => (last === undefined ? 0 : distance(slots[last] as Point, slots[i] as Point)));
    if (next === undefined) break;
    order.push(next);
    left.delete(next);
  }
  return order;
}

/** Groups of fasteners side by side, gone over crosswise as if each group were one. */
function byGroups(count: number): Order {
  const size = Math.ceil(count / 8);
  const groups = Math.ceil(count / size);
  return star(groups).flatMap((group) =>
    Array.from({ length: size }, (_, i) => group * size + i).filter((slot) => slot < count),
  );
}

function best(slots: Iterable<number>, value: (slot: number) => number): number | undefined {
  let chosen: number | undefined;
  let most = Number.NEGATIVE_INFINITY;
  for (const slot of slots) {
    const of = value(slot);
    if (of > most + 1e-9) {
      chosen = slot;
      most = of;
    }
  }
  return chosen;
}

export type OrderFault =
  | { readonly is: 'missing'; readonly slot: number }
  | { readonly is: 'twice'; readonly slot: number }
  | { readonly is: 'no-slot'; readonly slot: number }
  /** `slot` comes right after its neighbour although `instead` was still left. */
  | { readonly is: 'neighbours'; readonly slot: number; readonly after: number; readonly instead: number };

/**
 * What is wrong with an order: every fastener once, and no neighbours in a row while another was left. Whoever goes
 * round clockwise, from the middle or group by group means to go to neighbours.
 */
export function orderFaults(order: Order, pattern: Pattern, plan: Plan, slots: readonly Point[]): OrderFault[] {
  const faults: OrderFault[] = [];
  const left = new Set(slots.keys());
  const seen = new Set<number>();
  const neighbours = neighboursOf(plan, slots);
  const isApart = pattern === 'star';
  for (const [i, slot] of order.entries()) {
    if (slot < 0 || slot >= slots.length) faults.push({ is: 'no-slot', slot });
    else if (seen.has(slot)) faults.push({ is: 'twice', slot });
    else {
      const after = order[i - 1];
      const near = after === undefined ? undefined : neighbours[after];
      const instead = near?.has(slot) ? [...left].find((other) => other !== slot && !near.has(other)) : undefined;
      if (isApart && after !== undefined && instead !== undefined)
        faults.push({ is: 'neighbours', slot, after, instead });
    }
    seen.add(slot);
    left.delete(slot);
  }
  return [...faults, ...[...left].map((slot): OrderFault => ({ is: 'missing', slot }))];
}

/** Fasteners that are eased together, turn by turn, or one alone. */
export type Stage = readonly number[];

/**
 * The order for a cover under a spring: opposite ones come out two by two, and the last two are eased together turn by
 * turn, so that the cover rises square. Put back, it is the reverse. Common practice.
 */
export function storedSpringOrder(count: number): readonly Stage[] {
  if (count < 3) return [inTurn(count)];
  const half = Math.floor(count / 2);
  const pairs = starts(half).flatMap((start): Stage[] => [[start], [start + half]]);
  const odd: Stage[] = count % 2 === 1 ? [[count - 1]] : [];
  const last = pairs.slice(-2).flat();
  return [...odd, ...pairs.slice(0, -2), last];
}

/** In which goes a joint is tightened where guide pins keep some holes: first the others, then those of the pins. */
export function partialSets(order: Order, pinSlots: readonly number[]): readonly Order[] {
  const pins = new Set(pinSlots);
  const [first, then] = [order.filter((slot) => !pins.has(slot)), order.filter((slot) => pins.has(slot))];
  return then.length === 0 || first.length === 0 ? [order] : [first, then];
}
