import { componentById, toolLabel } from '../../model/lookup';
import type { Method, Step, Workbook } from '../../model/procedure';
import { listing } from './sentence';
import { VERB_SAYS } from './verbs';

/** 'when step 9 is answered "no"': on what a step depends; undefined when it is always carried out. */
export function conditionOf(step: Step, { procedure }: Workbook): string | undefined {
  const conditions = (step.when ?? []).map(({ stepId, answerIds }) => {
    const asking = procedure.steps.findIndex((candidate) => candidate.id === stepId);
    const decision = procedure.steps[asking]?.decision;
    const answers = decision?.answers.filter(({ id }) => answerIds.includes(id)) ?? [];
    return asking < 0
      ? 'when a question is answered that is gone'
      : `${decision?.eachOf ? 'where' : 'when'} step ${asking + 1} is answered ${answers.map(({ text }) => `"${text}"`).join(' or ')}`;
  });
  return conditions.length > 0 ? listing(conditions) : undefined;
}

/** "turn the crank: Separate, with the crank handle": another method in a few words. */
export function methodLine(method: Method, { series }: Workbook): string {
  const tools = method.toolIds.flatMap((id) => series.tools.find((tool) => tool.id === id) ?? []).map(toolLabel);
  const how = [VERB_SAYS[method.verb], ...(tools.length > 0 ? [`with ${listing(tools)}`] : [])].join(' ');
  return `${method.name}: ${how}${method.detail ? `. ${method.detail}` : ''}`;
}

/** "guide pins" put in, or taken out, by a step. */
export function aidNames(ids: readonly string[] | undefined, { series }: Workbook): string {
  return listing((ids ?? []).flatMap((id) => series.tools.find((tool) => tool.id === id) ?? []).map(toolLabel));
}

/** "the manifold lies face down". */
export function poseLine(step: Step, { series }: Workbook): string | undefined {
  if (!step.pose) return undefined;
  const name = componentById(series, step.pose.componentId)?.name ?? 'housing';
  return `the ${name} ${{ 'as-fitted': 'is back as fitted', 'face-up': 'lies face up', 'face-down': 'lies face down', 'on-its-side': 'lies on its side' }[step.pose.lies]}`;
}
