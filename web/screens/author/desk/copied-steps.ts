import i18next from 'i18next';
import { nanoid } from 'nanoid';
import { CopiedSteps, copyingSteps, pastingSteps } from '#core/edits/copying';
import { tellDone, tellFault } from '../../../ground/notify';
import { useAuthor } from '../../../state/author-store';
import { useAuthorView } from './author-view';

/** Kept on this device, so that steps can be carried to another procedure, also of another series. */
const KEY = 'fukusa.copied-steps';

/** Copies the step in hand, or the run that is marked up to it. */
export function copySteps(): void {
  const { workbook, selected } = useAuthor.getState();
  const copied = selected && copyingSteps(workbook, useAuthorView.getState().runFrom ?? selected, selected);
  if (!copied) return;
  try {
    localStorage.setItem(KEY, JSON.stringify(copied));
  } catch (error) {
    // The device has no room for so many.
    tellFault(error);
    return;
  }
  tellDone(i18next.t('fold.copied', { count: copied.steps.length }));
}

/** Puts the steps copied last behind the step in hand. */
export function pasteSteps(): void {
  const copied = kept();
  if (!copied) {
    tellDone(i18next.t('fold.nothingCopied'));
    return;
  }
  const { workbook, selected, apply, select } = useAuthor.getState();
  const { steps } = workbook.procedure;
  const at = steps.findIndex((step) => step.id === selected);
  const { edits, stepIds } = pastingSteps(workbook, copied, at < 0 ? steps.length - 1 : at, () => nanoid(10));
  if (!apply(edits)) return;
  select(stepIds.at(-1) ?? null);
  tellDone(i18next.t('fold.pasted', { count: stepIds.length }));
}

/** The steps copied last; undefined where there are none, or none that this version reads. */
function kept(): CopiedSteps | undefined {
  try {
    return CopiedSteps.parse(JSON.parse(localStorage.getItem(KEY) ?? 'null'));
  } catch {
    return undefined;
  }
}
