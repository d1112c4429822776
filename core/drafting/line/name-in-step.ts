import { reviseStep } from '../../edits/steps';
import type { Step, Target, Workbook } from '../../model/procedure';
import type { Application } from '../../model/series';
import { type NewId, nameComponent, nameConsumable, nameTool } from './apply-line';

/*
 * What a step says by name, as one edit of series and procedure together: a part, tool or consumable that the
 * series does not know is made by naming it. A step that is not there leaves the workbook's procedure as it is.
 */

/** The step acts on the parts of these names, each once; what was said of a part named before (its count) stays. */
export function nameTargets(workbook: Workbook, stepId: string, names: readonly string[], newId: NewId): Workbook {
  let { series } = workbook;
  const before = workbook.procedure.steps.find(({ id }) => id === stepId)?.targets ?? [];
  const targets = new Map<string, Target>();
  for (const name of names) {
    const named = nameComponent(series, { name }, undefined, newId);
    series = named.series;
    const { componentId } = named.target;
    targets.set(componentId, before.find((target) => target.componentId === componentId) ?? named.target);
  }
  return revised({ ...workbook, series }, stepId, { targets: [...targets.values()] });
}

/** Tools by their labels ("hook tool", "ring pusher, 50 mm"); `fields` says where in the step their ids belong. */
export function nameTools(
  workbook: Workbook,
  stepId: string,
  labels: readonly string[],
  fields: (toolIds: string[]) => Partial<Step>,
  newId: NewId,
): Workbook {
  let { series } = workbook;
  const toolIds = labels.map((label) => {
    const named = nameTool(series, label, newId);
    series = named.series;
    return named.toolId;
  });
  return revised({ ...workbook, series }, stepId, fields([...new Set(toolIds)]));
}

/** What the `index`th application of the step puts on; one past the last is added. Where and how much stay. */
export function nameApplied(workbook: Workbook, stepId: string, index: number, name: string, newId: NewId): Workbook {
  const { series, consumableId } = nameConsumable(workbook.series, name, newId);
  const before = workbook.procedure.steps.find(({ id }) => id === stepId)?.applications ?? [];
  const application: Application = { ...before[index], consumableId };
  return revised({ ...workbook, series }, stepId, { applications: before.toSpliced(index, 1, application) });
}

function revised(workbook: Workbook, stepId: string, fields: Partial<Step>): Workbook {
  return { ...workbook, procedure: reviseStep(workbook.procedure, stepId, fields) };
}
