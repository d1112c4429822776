import type { Timeline } from '#core/bench/replay';
import { routeTo } from '#core/bench/state';
import { check } from '#core/findings/check';
import type { Finding } from '#core/findings/finding';
import { type Fold, foldOf } from '#core/fold/fold';
import type { Workbook } from '#core/model/procedure';
import { today } from '../ground/format';
import { timelineOf, timelineOn } from './ways';

/** What is computed from a workbook while it is written, once for each version of it. */
export interface Computed {
  readonly timeline: Timeline;
  readonly findings: readonly Finding[];
  readonly fold: Fold;
}

const known = new WeakMap<Workbook, Computed>();

export function computed(workbook: Workbook): Computed {
  const there = known.get(workbook);
  if (there) return there;
  const timeline = timelineOf(workbook);
  const fresh = { timeline, findings: check(workbook, timeline, today()), fold: foldOf(timeline) };
  known.set(workbook, fresh);
  return fresh;
}

/** The timeline of the way that leads to a step: the main one where the step is on it. */
export function timelineTo(workbook: Workbook, index: number): Timeline {
  const timeline = timelineOf(workbook);
  const frame = timeline.frames[index];
  return !frame || frame.onMain ? timeline : timelineOn(workbook, routeTo(timeline, index));
}
