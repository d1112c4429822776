import { replay, type Timeline } from '#core/bench/replay';
import { routeTo } from '#core/bench/state';
import { check } from '#core/findings/check';
import type { Finding } from '#core/findings/finding';
import { type Fold, foldOf } from '#core/fold/fold';
import type { Workbook } from '#core/model/procedure';
import { today } from '../ground/format';

/** What is computed from a workbook, once for each version of it. */
export interface Computed {
  readonly timeline: Timeline;
  readonly findings: readonly Finding[];
  readonly fold: Fold;
}

const known = new WeakMap<Workbook, Computed>();
const routed = new WeakMap<Workbook, Map<string, Timeline>>();
let latest: Timeline | undefined;

/** The replay starts from the last one computed, so that an edit costs only what follows it. */
export function computed(workbook: Workbook): Computed {
  const there = known.get(workbook);
  if (there) return there;
  const timeline = replay(workbook, latest);
  latest = timeline;
  const fresh = { timeline, findings: check(workbook, timeline, today()), fold: foldOf(timeline) };
  known.set(workbook, fresh);
  return fresh;
}

/** The timeline of one way: the given answers, the first answer wherever none is given. */
export function timelineOn(workbook: Workbook, answers: ReadonlyMap<string, string>): Timeline {
  if (answers.size === 0) return computed(workbook).timeline;
  const key = JSON.stringify([...answers].sort());
  const ways = routed.get(workbook) ?? new Map<string, Timeline>();
  routed.set(workbook, ways);
  const timeline = ways.get(key) ?? replay(workbook, undefined, answers);
  ways.set(key, timeline);
  return timeline;
}

/** The timeline of the way that leads to a step: the main one where the step is on it. */
export function timelineTo(workbook: Workbook, index: number): Timeline {
  const { timeline } = computed(workbook);
  const frame = timeline.frames[index];
  return !frame || frame.onMain ? timeline : timelineOn(workbook, routeTo(timeline, index));
}
