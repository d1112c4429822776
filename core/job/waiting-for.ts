import type { Workbook } from '../model/procedure';
import { demandsOf } from './demands';
import type { WaitsFor } from './entry-words';
import { runOf } from './job';
import type { JobState } from './state';
import { stepInJob } from './to-do';

/** What a job waits for: what it was paused for, or a second person where nothing else of the step in hand is open. */
export function waitingFor(workbook: Workbook, state: JobState): WaitsFor | null {
  if (state.phase === 'paused') return state.waitsFor;
  const said = state.phase === 'running' && workbook.procedure.steps[state.cursor];
  if (!said) return null;
  const run = runOf(state, said.id);
  const step = stepInJob(said, state, run.chosenMethodId, workbook);
  const open = step ? demandsOf(step, run, workbook) : [];
  return open.length > 0 && open.every(({ what }) => what === 'approval') ? 'second-person' : null;
}
