import type { Edit } from '../edits/edit';
import { componentById, positionSetById } from '../model/lookup';
import type { Procedure, Step, Workbook } from '../model/procedure';
import type { Component, Series } from '../model/series';
import type { Stage } from '../model/verbs';

/** An order of one stage that picks up as few tools as the structure of the pump allows. */
export interface ToolOrder {
  readonly stage: Stage;
  /** Where the run of steps begins. */
  readonly from: number;
  readonly order: readonly string[];
  /** Tools picked up in the present order and in this one. */
  readonly before: number;
  readonly after: number;
  /** Whether no allowed order picks up fewer; beyond `EXACT_UP_TO` steps a good order is looked for instead. */
  readonly exact: boolean;
}

/** Up to this many steps every allowed order is weighed, by dynamic programming over what is done and what is in hand. */
export const EXACT_UP_TO = 14;

const STAGES_REORDERED: readonly Stage[] = ['take-down', 'put-back'];

/** For each run of steps of a stage that can be reordered with a saving, the order with the fewest tool changes. */
export function fewestToolChanges({ series, procedure }: Workbook): ToolOrder[] {
  return runsOf(procedure).flatMap(({ stage, from, steps }): ToolOrder[] => {
    const after = precedence(series, steps);
    const exact = steps.length <= EXACT_UP_TO;
    const best = exact ? exactOrder(steps, after) : searchedOrder(steps, after);
    const before = toolsPickedUp(steps);
    const pickedUp = toolsPickedUp(best.map((i) => steps[i]).filter((step) => step !== undefined));
    if (pickedUp >= before) return [];
    return [{ stage, from, order: best.flatMap((i) => steps[i]?.id ?? []), before, after: pickedUp, exact }];
  });
}

/** The edits that bring the steps into that order. */
export function orderEdits({ order, from, stage }: ToolOrder): Edit[] {
  return order.map((stepId, i) => ({ kind: 'move', stepId, index: from + i, stage }));
}

/** How many tools are picked up along the way; what is in hand stays there through steps that need none. */
export function toolsPickedUp(steps: readonly Step[]): number {
  let inHand: readonly string[] = [];
  let picked = 0;
  for (const { toolIds } of steps) {
    if (toolIds.length === 0) continue;
    picked += pickUps(inHand, toolIds);
    inHand = toolIds;
  }
  return picked;
}

/**
 * For each step the steps that must stay before it. Two steps keep their order when they touch the same part, or parts
 * of which one may lie over, hold or hold within it the other, at the same position. Steps about no part, questions
 * and what hangs on them, turning, waiting and temporary aids keep their place among all others.
 */
export function precedence(series: Series, steps: readonly Step[]): number[][] {
  return steps.map((step, i) =>
    steps.slice(0, i).flatMap((earlier, j) => (keepOrder(series, earlier, step) ? [j] : [])),
  );
}

function keepOrder(series: Series, a: Step, b: Step): boolean {
  if (staysPut(a) || staysPut(b)) return true;
  return a.targets.some((one) =>
    b.targets.some((other) => {
      const x = componentById(series, one.componentId);
      const y = componentById(series, other.componentId);
      return !x || !y || (overlap(series, a, x, b, y) && related(x, y));
    }),
  );
}

function staysPut(step: Step): boolean {
  return (
    step.targets.length === 0 ||
    step.decision !== undefined ||
    step.when !== undefined ||
    step.pose !== undefined ||
    step.aidsIn !== undefined ||
    step.aidsOut !== undefined ||
    step.fromPositionId !== undefined ||
    ['soak', 'wait', 'turn', 'compress', 'ease', 'apply-compound'].includes(step.verb)
  );
}

function related(x: Component, y: Component): boolean {
  if (x.id === y.id || x.hostId === y.id || y.hostId === x.id) return true;
  if (x.heldBy?.includes(y.id) || y.heldBy?.includes(x.id)) return true;
  const said = [
    x.coveredBy?.find((cover) => cover.componentId === y.id)?.said,
    y.coveredBy?.find((cover) => cover.componentId === x.id)?.said,
  ];
  return said.includes('covers') || !said.includes('clear');
}

function overlap(series: Series, a: Step, x: Component, b: Step, y: Component): boolean {
  const [here, there] = [positionsOf(series, a, x), positionsOf(series, b, y)];
  return !here || !there || here.some((id) => there.includes(id));
}

/** The positions at which a step touches a component; undefined for the whole pump. */
function positionsOf(series: Series, step: Step, component: Component): readonly string[] | undefined {
  const set = positionSetById(series, component.positionSetId);
  if (!set) return undefined;
  const named = set.positions.map((position) => position.id).filter((id) => step.positionIds.includes(id));
  return named.length > 0 ? named : set.positions.map((position) => position.id);
}

function pickUps(inHand: readonly string[], wanted: readonly string[]): number {
  return wanted.filter((id) => !inHand.includes(id)).length;
}

/** The cheapest order; of several, the one nearest to the present. */
function exactOrder(steps: readonly Step[], after: readonly (readonly number[])[]): number[] {
  const n = steps.length;
  const needs = after.map((list) => list.reduce((mask, j) => mask | (1 << j), 0));
  const tools = steps.map((step) => step.toolIds);
  const known = new Map<number, number>();
  const whole = (1 << n) - 1;
  /** The last step with a tool, n for none yet. */
  const handAfter = (hand: number, i: number) => ((tools[i]?.length ?? 0) > 0 ? i : hand);
  const price = (hand: number, i: number) => pickUps(tools[hand] ?? [], tools[i] ?? []);
  const cheapest = (done: number, hand: number): number => {
    if (done === whole) return 0;
    const key = done * (n + 1) + hand;
    const there = known.get(key);
    if (there !== undefined) return there;
    let least = Number.POSITIVE_INFINITY;
    for (const i of free(done)) least = Math.min(least, price(hand, i) + cheapest(done | (1 << i), handAfter(hand, i)));
    known.set(key, least);
    return least;
  };
  const free = (done: number) =>
    Array.from({ length: n }, (_, i) => i).filter((i) => !(done & (1 << i)) && ((needs[i] ?? 0) & ~done) === 0);
  const order: number[] = [];
  for (let done = 0, hand = n; done !== whole; ) {
    const least = cheapest(done, hand);
    const next = free(done).find((i) => price(hand, i) + cheapest(done | (1 << i), handAfter(hand, i)) === least);
    if (next === undefined) break;
    order.push(next);
    done |= 1 << next;
    hand = handAfter(hand, next);
  }
  return order;
}

/** Greedy, then each step is moved to wherever it saves most until nothing saves any more. Never worse than now. */
function searchedOrder(steps: readonly Step[], after: readonly (readonly number[])[]): number[] {
  const cost = (order: readonly number[]) => toolsPickedUp(order.flatMap((i) => steps[i] ?? []));
  const present = steps.map((_, i) => i);
  const greedy = greedyOrder(steps, after);
  let best = cost(greedy) < cost(present) ? greedy : present;
  for (let improved = true; improved; ) {
    improved = false;
    for (const i of present) {
      const at = best.indexOf(i);
      const rest = best.toSpliced(at, 1);
      const lowest = Math.max(-1, ...(after[i] ?? []).map((j) => rest.indexOf(j))) + 1;
      const dependants = rest.findIndex((j) => after[j]?.includes(i));
      for (let to = lowest; to <= (dependants < 0 ? rest.length : dependants); to += 1) {
        const moved = rest.toSpliced(to, 0, i);
        if (cost(moved) < cost(best)) {
          best = moved;
          improved = true;
        }
      }
    }
  }
  return best;
}

function greedyOrder(steps: readonly Step[], after: readonly (readonly number[])[]): number[] {
  const order: number[] = [];
  const left = new Set(steps.map((_, i) => i));
  let inHand: readonly string[] = [];
  while (left.size > 0) {
    const free = [...left].filter((i) => (after[i] ?? []).every((j) => !left.has(j)));
    const price = (i: number) => pickUps(inHand, steps[i]?.toolIds ?? []);
    const next = free.reduce((a, b) => (price(b) < price(a) ? b : a), free[0] ?? 0);
    order.push(next);
    left.delete(next);
    const tools = steps[next]?.toolIds ?? [];
    if (tools.length > 0) inHand = tools;
  }
  return order;
}

/** The longest runs of steps of one stage, for the stages whose order the structure decides. */
function runsOf({ steps }: Procedure): { stage: Stage; from: number; steps: Step[] }[] {
  const runs: { stage: Stage; from: number; steps: Step[] }[] = [];
  steps.forEach((step, index) => {
    const last = runs.at(-1);
    if (last?.stage === step.stage) last.steps.push(step);
    else runs.push({ stage: step.stage, from: index, steps: [step] });
  });
  return runs.filter((run) => STAGES_REORDERED.includes(run.stage) && run.steps.length > 2);
}
