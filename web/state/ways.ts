import { replay, type Timeline } from '#core/bench/replay';
import type { Workbook } from '#core/model/procedure';

const known = new WeakMap<Workbook, Timeline>();
const routed = new WeakMap<Workbook, Map<string, Timeline>>();
let latest: Timeline | undefined;

/** The replay of a workbook, once for each version of it; it starts from the last one, so that an edit costs only what follows it. */
export function timelineOf(workbook: Workbook): Timeline {
  const there = known.get(workbook);
  if (there) return there;
  latest = replay(workbook, latest);
  known.set(workbook, latest);
  return latest;
}

/** The timeline of one way: the given answers, the first answer wherever none is given. */
export function timelineOn(workbook: Workbook, answers: ReadonlyMap<string, string>): Timeline {
  if (answers.size === 0) return timelineOf(workbook);
  const key = JSON.stringify([...answers].sort());
  const ways = routed.get(workbook) ?? new Map<string, Timeline>();
  routed.set(workbook, ways);
  const timeline = ways.get(key) ?? replay(workbook, undefined, answers);
  ways.set(key, timeline);
  return timeline;
}
