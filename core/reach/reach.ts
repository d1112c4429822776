import type { Timeline } from '../bench/replay';
import { Covers, type InTheWay, type Spot, spotKey } from './covers';

/**
 * What must come off to reach a part: the smallest set, in an order in which it can. Everything that covers it, what
 * covers that in turn, and the fasteners that hold them; what sits in a part that comes off anyway comes away with it.
 */
export function whatMustComeOff(timeline: Timeline, target: Spot, covers = new Covers(timeline)): InTheWay[] {
  const needed = closure(covers, target);
  const carried = [...needed.values()].filter((spot) => {
    const host = covers.hostOf(spot);
    if (!host || !needed.has(spotKey(host))) return false;
    return !closure(covers, host).has(spotKey(spot));
  });
  for (const spot of carried) needed.delete(spotKey(spot));
  return inOrder(covers, [...needed.values()]);
}

/** Everything that lies over a spot, and over what lies over it. */
function closure(covers: Covers, target: Spot): Map<string, InTheWay> {
  const found = new Map<string, InTheWay>();
  const open: Spot[] = [target];
  for (let spot = open.pop(); spot; spot = open.pop()) {
    for (const over of covers.over(spot)) {
      const key = spotKey(over);
      if (key === spotKey(target) || found.has(key)) continue;
      found.set(key, over);
      open.push(over);
    }
  }
  return found;
}

/** A part goes before all it covers; among those free to go, the one the take-down takes first. */
function inOrder(covers: Covers, spots: readonly InTheWay[]): InTheWay[] {
  const waiting = new Map(spots.map((spot) => [spotKey(spot), spot]));
  const order: InTheWay[] = [];
  while (waiting.size > 0) {
    const free = [...waiting.values()].filter((spot) => !covers.over(spot).some((over) => waiting.has(spotKey(over))));
    // Parts said to cover one another in a ring go in the order of the take-down.
    const [next] = (free.length > 0 ? free : [...waiting.values()]).sort((a, b) => covers.offAt(a) - covers.offAt(b));
    if (!next) break;
    order.push(next);
    waiting.delete(spotKey(next));
  }
  return order;
}
