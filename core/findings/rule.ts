import type { Timeline } from '../cloth/replay';
import { titleOf } from '../narration/sentence';
import type { Step, Workbook } from '../procedure/procedure';
import type { Family, Finding, Severity } from './finding';

/** What a rule looks at. */
export interface CheckContext {
  readonly workbook: Workbook;
  readonly timeline: Timeline;
}

/** One thing that can go wrong. Each rule stands in a module of its own, named by its id. */
export interface Rule {
  readonly id: string;
  readonly family: Family;
  readonly severity: Severity;
  /** What it looks for, as the catalogue in `docs/` says it. */
  readonly looksFor: string;
  /** Why it matters at the bench. */
  readonly reason: string;
  find(context: CheckContext): readonly FoundHere[];
}

/** What a rule finds; id, severity and reason are the rule's own. */
export type FoundHere = Pick<Finding, 'stepId' | 'componentIds' | 'sentence' | 'fix'>;

export function runRule(rule: Rule, context: CheckContext): Finding[] {
  const { id, severity, reason } = rule;
  return rule.find(context).map((found) => ({ id, severity, reason, ...found }));
}

/** 'Step 9, "Draw out rotors"', to open a sentence with. */
export function nameStep({ workbook }: CheckContext, step: Step): string {
  return `Step ${workbook.procedure.steps.indexOf(step) + 1}, "${titleOf(step, workbook.series)}"`;
}

export function targetIds(step: Step): string[] {
  return step.targets.map((target) => target.componentId);
}
