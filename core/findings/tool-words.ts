import type { Edit } from '../edits/edit';
import type { Step } from '../model/procedure';
import type { Series, Tool } from '../model/series';

/** The tools of a step whose name matches. */
export function toolsLike(step: Step, series: Series, pattern: RegExp): Tool[] {
  return step.toolIds
    .flatMap((id) => series.tools.find((tool) => tool.id === id) ?? [])
    .filter((tool) => pattern.test(tool.name));
}

export function withoutTools(step: Step, toolId: string): Edit[] {
  return [{ kind: 'change', stepId: step.id, fields: { toolIds: step.toolIds.filter((id) => id !== toolId) } }];
}
