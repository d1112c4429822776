import { replay } from '../bench/replay';
import { foldOf } from '../fold/fold';
import { runOf } from '../job/job';
import type { JobState, TakenPhoto } from '../job/state';
import type { Workbook } from '../model/procedure';

/** The photos of one check before and after: of the step that took the parts off, and of the one that put them back. */
export interface PhotoPair {
  readonly before: { readonly index: number; readonly photo: TakenPhoto };
  readonly after: { readonly index: number; readonly photo: TakenPhoto };
}

/** The last photo of each step that takes off, beside the last one of the step that puts the same back. */
export function photoPairs(workbook: Workbook, state: JobState): PhotoPair[] {
  const { steps } = workbook.procedure;
  const { partners } = foldOf(replay(workbook, undefined, state.answers));
  return steps.flatMap(({ id }, index) => {
    const before = runOf(state, id).photos.at(-1);
    const backs = (partners.get(id) ?? [])
      .map((partner) => steps.findIndex((step) => step.id === partner))
      .filter((at) => at > index);
    const back = backs.find((at) => runOf(state, steps[at]?.id ?? '').photos.length > 0);
    const after = back === undefined ? undefined : runOf(state, steps[back]?.id ?? '').photos.at(-1);
    return before && after && back !== undefined
      ? [{ before: { index, photo: before }, after: { index: back, photo: after } }]
      : [];
  });
}
