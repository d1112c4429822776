import { PATTERNS, type PassPlan, type Pattern, type Plan, type Point, type Seat } from '../model/fastener-group';
import { USUAL_PASSES } from './passes';
import { type Order, orderOf } from './pattern';
import { distance, slotsOf } from './plan';

/**
 * How bolts of one joint take tension from one another. The cover is a beam bent round the bolt circle on the elastic
 * foundation of the gasket, the bolts are springs. A pull P at one place presses the gasket by
 * w(s) = (P·λ / 2k)·e^(−λs)·(cos λs + sin λs), with λ = (k / 4EI)^(1/4): the infinite beam on an elastic foundation, Hetényi
 * 1946. Turning one nut to its figure presses the cover down under its neighbours, which lose what the gasket yields.
 *
 * It compares ways of tightening on one joint. Left out are friction scatter, creep of the gasket, and the bending of a
 * cover across its middle; so the figures are no forecast of a preload.
 */
export interface Joint {
  /** Stiffness of a bolt, N/mm. */
  readonly bolt: number;
  /** Stiffness of the gasket per mm of the bolt circle, N/mm². */
  readonly foundation: number;
  /** Bending stiffness E·I of the cover, N·mm². */
  readonly bending: number;
  /** Where the bolts sit, mm. */
  readonly places: readonly Point[];
}

/** Young's modulus of steel, MPa. */
const STEEL = 205_000;
/** Foundation stiffness per mm of circle and mm of bolt diameter, N/mm³: soft sheet, a ring in its groove with the faces near, bare faces. Common practice. */
const FOUNDATION: Readonly<Record<Seat, number>> = { gasket: 250, 'o-ring': 700, metal: 2500 };

/** The joint of bolts of this diameter (mm) on a plan, with the usual proportions of pump covers where nobody measured. */
export function jointOf(
  plan: Plan,
  count: number,
  { diameter, stressArea }: { readonly diameter: number; readonly stressArea: number },
  seat: Seat,
): Joint {
  const slots = slotsOf(plan, count);
  // Bolts sit about five diameters apart, clamp two and a half, through a cover one and a half thick and three wide.
  const nearest = Math.min(...slots.flatMap((one, i) => slots.slice(i + 1).map((two) => distance(one, two))), 1);
  const scale = (5 * diameter) / (nearest || 1);
  return {
    bolt: (STEEL * stressArea) / (2.5 * diameter),
    foundation: FOUNDATION[seat] * diameter,
    bending: (STEEL * 3 * diameter * (1.5 * diameter) ** 3) / 12,
    places: slots.map(({ x, y }) => ({ x: x * scale, y: y * scale })),
  };
}

/** How far the gasket is pressed at each bolt, mm per N at each other. */
export function compliance({ foundation, bending, places }: Joint): number[][] {
  const lambda = (foundation / (4 * bending)) ** 0.25;
  const round = perimeterOf(places);
  const influence = (s: number) =>
    (lambda / (2 * foundation)) * Math.exp(-lambda * s) * (Math.cos(lambda * s) + Math.sin(lambda * s));
  const along = alongOf(places);
  return places.map((_, i) =>
    places.map((_, j) => {
      const s = Math.abs((along[i] ?? 0) - (along[j] ?? 0));
      // Round the joint it is reached from both sides; the ring closes.
      const other = round - s;
      return places.length < 3 ? influence(s) : influence(s) + influence(other);
    }),
  );
}

function alongOf(places: readonly Point[]): number[] {
  let sum = 0;
  return places.map((place, i) => {
    const before = places[i - 1];
    if (before) sum += distance(before, place);
    return sum;
  });
}

function perimeterOf(places: readonly Point[]): number {
  const [first] = places;
  const last = places.at(-1);
  const along = alongOf(places).at(-1) ?? 0;
  return first && last ? along + distance(last, first) : along;
}

export interface Tightened {
  /** What is left in each bolt as a share of the figure. */
  readonly left: readonly number[];
  /** Standard deviation of what is left over its mean. */
  readonly scatter: number;
  /** How far out of square the cover gets on the way: its mean plane from one side to the other, mm. */
  readonly tilt: number;
}

/** Tightens the bolts of a joint in an order, in passes, to a preload in N. */
export function tighten(joint: Joint, order: Order, plans: readonly PassPlan[], preload: number): Tightened {
  const soft = compliance(joint);
  const count = joint.places.length;
  const force = new Array<number>(count).fill(0);
  /** How far each nut is turned on, mm; nothing where it is not on yet. */
  const advance = new Array<number | undefined>(count).fill(undefined);
  let tilt = 0;
  for (const plan of plans) {
    const share = plan.is === 'rise' ? plan.percent / 100 : 1;
    // The angle of a last pass stretches all alike and takes part in no comparison.
    if (plan.is === 'angle') continue;
    for (const slot of plan.is === 'check' ? order.toSorted((a, b) => a - b) : order) {
      // A wrench does not turn a nut back.
      if ((force[slot] ?? 0) >= share * preload) continue;
      turnTo(slot, share * preload);
      tilt = Math.max(tilt, outOfSquare());
    }
  }
  const left = force.map((one) => one / preload);
  const mean = left.reduce((sum, one) => sum + one, 0) / count;
  const variance = left.reduce((sum, one) => sum + (one - mean) ** 2, 0) / count;
  return { left, scatter: mean === 0 ? 0 : Math.sqrt(variance) / mean, tilt };

  /** Turns one nut until its bolt pulls so much; the others keep their nuts where they are. */
  function turnTo(slot: number, target: number): void {
    const others = [...advance.keys()].filter((i) => i !== slot && advance[i] !== undefined);
    const forces = solveOthers(others, slot, target);
    for (const [n, i] of others.entries()) force[i] = Math.max(0, forces[n] ?? 0);
    force[slot] = target;
    advance[slot] = target / joint.bolt + pressed(slot);
  }

  /** Others: F = k·(e − C·F), with the force of the one turned given. */
  function solveOthers(others: readonly number[], slot: number, target: number): number[] {
    const matrix = others.map((i, row) =>
      others.map((j, column) => (row === column ? 1 : 0) + joint.bolt * (soft[i]?.[j] ?? 0)),
    );
    const right = others.map((i) => joint.bolt * ((advance[i] ?? 0) - (soft[i]?.[slot] ?? 0) * target));
    return solve(matrix, right);
  }

  function pressed(slot: number): number {
    return force.reduce((sum, one, j) => sum + (soft[slot]?.[j] ?? 0) * one, 0);
  }

  /** From side to side of the plane that lies nearest to the depths: w = a + b·x + c·y by least squares. */
  function outOfSquare(): number {
    const depths = [...force.keys()].map(pressed);
    const rows = joint.places.map(({ x, y }) => [1, x, y]);
    const sums = (of: (row: number[], i: number) => number) => rows.reduce((sum, row, i) => sum + of(row, i), 0);
    const normal = [0, 1, 2].map((m) => [0, 1, 2].map((n) => sums((row) => (row[m] ?? 0) * (row[n] ?? 0))));
    // Bolts in one line say nothing across it.
    for (let m = 0; m < 3; m += 1) (normal[m] as number[])[m] = (normal[m]?.[m] ?? 0) + 1e-9;
    const plane = solve(
      normal,
      [0, 1, 2].map((m) => sums((row, i) => (row[m] ?? 0) * (depths[i] ?? 0))),
    );
    const heights = rows.map((row) => row.reduce((sum, one, n) => sum + one * (plane[n] ?? 0), 0));
    return Math.max(...heights) - Math.min(...heights);
  }
}

/** Gauss with pivots; the matrices here are small and well set. */
function solve(matrix: number[][], right: number[]): number[] {
  const n = right.length;
  for (let column = 0; column < n; column += 1) {
    let pivot = column;
    for (let row = column + 1; row < n; row += 1)
      if (Math.abs(at(row, column)) > Math.abs(at(pivot, column))) pivot = row;
    [matrix[column], matrix[pivot]] = [matrix[pivot] ?? [], matrix[column] ?? []];
    [right[column], right[pivot]] = [right[pivot] ?? 0, right[column] ?? 0];
    for (let row = column + 1; row < n; row += 1) {
      const factor = at(row, column) / at(column, column);
      if (factor === 0) continue;
      const [low, high] = [matrix[row] ?? [], matrix[column] ?? []];
      for (let i = column; i < n; i += 1) low[i] = (low[i] ?? 0) - factor * (high[i] ?? 0);
      right[row] = (right[row] ?? 0) - factor * (right[column] ?? 0);
    }
  }
  const solved = new Array<number>(n).fill(0);
  for (let row = n - 1; row >= 0; row -= 1) {
    let sum = right[row] ?? 0;
    for (let i = row + 1; i < n; i += 1) sum -= at(row, i) * (solved[i] ?? 0);
    solved[row] = sum / at(row, row);
  }
  return solved;

  function at(row: number, column: number): number {
    return matrix[row]?.[column] ?? 0;
  }
}

/** One way of tightening a joint, with what it leaves behind. */
export interface WayCompared extends Tightened {
  readonly pattern: Pattern;
  readonly passes: readonly PassPlan[];
}

/** Bolts that differ by less than this are even enough; the wrench alone scatters more. Common practice. */
export const EVEN_ENOUGH = 0.1;

/** Nobody sees less at a cover. */
const micrometres = ({ tilt }: Tightened) => Math.round(tilt * 1000);

/**
 * Every pattern in one pass and in the planned passes. First come the ways that leave the bolts even enough, the
 * squarest of them first; then the others, the evenest first.
 */
export function compareWays(
  joint: Joint,
  plan: Plan,
  count: number,
  planned: readonly PassPlan[],
  preload: number,
): WayCompared[] {
  const slots = slotsOf(plan, count);
  const single: readonly PassPlan[] = [{ is: 'rise', percent: 100 }];
  const several = planned.length > 1 ? planned : USUAL_PASSES;
  const patterns = PATTERNS.filter((pattern) => count <= 2 === (pattern === 'side-to-side'));
  const orders = patterns.map((pattern) => ({ pattern, order: orderOf(pattern, plan, slots) }));
  // Of few bolts two patterns may be one and the same.
  const distinct = orders.filter(
    ({ order }, i) => !orders.slice(0, i).some((other) => other.order.join() === order.join()),
  );
  const ways = distinct.flatMap(({ pattern, order }) =>
    [several, single].map((passes) => ({ pattern, passes, ...tighten(joint, order, passes, preload) })),
  );
  const isEven = ({ scatter }: WayCompared) => scatter <= EVEN_ENOUGH;
  return [
    ...ways.filter(isEven).toSorted((a, b) => micrometres(a) - micrometres(b) || a.scatter - b.scatter),
    ...ways.filter((way) => !isEven(way)).toSorted((a, b) => a.scatter - b.scatter),
  ];
}
