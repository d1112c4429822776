import { replay } from '../bench/replay';
import { applyEdits } from '../edits/edit';
import { check, fixFor } from '../findings/check';
import type { Finding, RuleId } from '../findings/finding';
import { sayFinding } from '../language/en/findings';
import type { Step, Workbook } from '../model/procedure';
import { typed, withStep } from './workbook';

/** What one rule finds. */
export function found(workbook: Workbook, id: RuleId): Finding[] {
  return check(workbook).filter((finding) => finding.id === id);
}

export function sentences(workbook: Workbook, id: RuleId): string[] {
  return found(workbook, id).map((finding) => sayFinding(finding, workbook));
}

/** The workbook after the fix of the first finding of a rule that has one. */
export function mended(workbook: Workbook, id: RuleId): Workbook {
  const timeline = replay(workbook);
  const [fix] = found(workbook, id).flatMap((finding) => fixFor(finding, workbook, timeline) ?? []);
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

/** Numbers of the steps a rule finds something at, from 1; 0 where the whole procedure is meant. */
export function at(workbook: Workbook, id: RuleId): number[] {
  return found(workbook, id).map(({ stepId }) => workbook.procedure.steps.findIndex((step) => step.id === stepId) + 1);
}
