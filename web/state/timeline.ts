import { replay, type Timeline } from '#core/cloth/replay';
import { check } from '#core/findings/check';
import type { Finding } from '#core/findings/finding';
import { type Fold, foldOf } from '#core/fold/fold';
import type { Workbook } from '#core/procedure/procedure';

/** What is computed from a workbook, once for each version of it. */
export interface Computed {
  readonly timeline: Timeline;
  readonly findings: readonly Finding[];
  readonly fold: Fold;
}

const known = new WeakMap<Workbook, Computed>();
let latest: Timeline | undefined;

/** The replay starts from the last one computed, so that an edit costs only what follows it. */
export function computed(workbook: Workbook): Computed {
  const there = known.get(workbook);
  if (there) return there;
  const timeline = replay(workbook, latest);
  latest = timeline;
  const fresh = { timeline, findings: check(workbook, timeline), fold: foldOf(timeline) };
  known.set(workbook, fresh);
  return fresh;
}
