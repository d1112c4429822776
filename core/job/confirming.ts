import type { Timeline } from '../bench/replay';
import type { Step, Workbook } from '../model/procedure';
import { indexOfStep, runOf } from './job';
import type { JobState } from './state';

/** What is out or not tight when a step gives the energy back: components, as the replay of this way sees them. */
export interface StillOpen {
  readonly out: readonly string[];
  readonly loose: readonly string[];
}

export function stillOpen(timeline: Timeline, index: number): StillOpen {
  const notices = (timeline.frames[index]?.runs ?? []).flatMap((run) => run.notices);
  const of = (why: 'out' | 'loose') => [
    ...new Set(
      notices.flatMap((notice) => (notice.kind === 'restored-open' && notice.why === why ? notice.componentIds : [])),
    ),
  ];
  return { out: of('out'), loose: of('loose') };
}

/**
 * Steps that made the pump safe and hold at this moment, which whoever has the job in hand has neither carried out nor
 * checked since: a lock protects who has put it on, or has looked at it.
 */
export function locksToCheck({ procedure }: Workbook, state: JobState): Step[] {
  if (state.locksCheckedBy === state.holder) return [];
  return state.locks.flatMap((stepId) => {
    const step = procedure.steps[indexOfStep(procedure, stepId)];
    return step && runOf(state, stepId).doneBy !== state.holder ? [step] : [];
  });
}
