import { applyEdits } from '../edits/edit';
import { check } from '../findings/check';
import type { Finding } from '../findings/finding';
import type { Step, Workbook } from '../model/procedure';
import { typed, withStep } from './workbook';

/** What one rule finds. */
export function found(workbook: Workbook, id: string): Finding[] {
  return check(workbook).filter((finding) => finding.id === id);
}

export function sentences(workbook: Workbook, id: string): string[] {
  return found(workbook, id).map((finding) => finding.sentence);
}

/** The workbook after the fix of the first finding of a rule. */
export function mended(workbook: Workbook, id: string): Workbook {
  const fix = found(workbook, id).find((finding) => finding.fix)?.fix;
  if (!fix) throw new Error(`${id} has no fix here`);
  return applyEdits(workbook, fix.edits);
}

export const SAFE = ['isolate the drive', 'bleed the casing'];

export const YES_NO = {
  question: 'Did it come out by itself?',
  answers: [
    { id: 'yes', text: 'yes' },
    { id: 'no', text: 'no' },
  ],
};

/** Lines of which the first asks a question and those at `only` are carried out on the answer "no". */
export function branching(lines: readonly string[], only: readonly number[]): Workbook {
  const asked = withStep(typed(lines), 0, { decision: YES_NO });
  const when: Step['when'] = [{ stepId: asked.procedure.steps[0]?.id ?? '', answerIds: ['no'] }];
  return only.reduce((workbook, index) => withStep(workbook, index, { when }), asked);
}
