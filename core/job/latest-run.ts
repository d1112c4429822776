import { principleOf } from '../model/principle';
import type { Step } from '../model/procedure';
import type { Series } from '../model/series';
import { judgeRun, type RunJudged } from '../proving/run';
import type { StepRun } from './state';

/** The latest run of a step on the test bench, judged; undefined where the step asks for none or none was made. */
export function latestRun(
  { run: asked }: Step,
  { tests }: StepRun,
  series: Series,
): { readonly test: StepRun['tests'][number]; readonly judged: RunJudged } | undefined {
  const test = tests.at(-1);
  if (!asked || !test) return undefined;
  return { test, judged: judgeRun(test.samples, asked, series.duty ?? {}, principleOf(series)) };
}
