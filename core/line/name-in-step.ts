import type { Edit } from '../edits/edit';
import { revision } from '../edits/steps';
import type { Step, Target, Workbook } from '../model/procedure';
import type { Application } from '../model/series';
import { NamingEdits, type NewId } from './apply-line';

/*
 * What a step says by name, as edits of series and procedure together: a part, tool or consumable that the series does
 * not know is made by naming it. A step that is not there is not changed.
 */

/** The step acts on the parts of these names, each once; what was said of a part named before (its count) stays. */
export function nameTargets(workbook: Workbook, stepId: string, names: readonly string[], newId: NewId): Edit[] {
  const naming = new NamingEdits(workbook, newId);
  const before = stepOf(workbook, stepId)?.targets ?? [];
  const targets = new Map<string, Target>();
  for (const name of names) {
    const target = naming.component({ name }, undefined);
    const { componentId } = target;
    targets.set(componentId, before.find((known) => known.componentId === componentId) ?? target);
  }
  return revising(workbook, stepId, naming, { targets: [...targets.values()] });
}

/** Tools by their labels ("hook tool", "ring pusher, 50 mm"); `fields` says where in the step their ids belong. */
export function nameTools(
  workbook: Workbook,
  stepId: string,
  labels: readonly string[],
  fields: (toolIds: string[]) => Partial<Step>,
  newId: NewId,
): Edit[] {
  const naming = new NamingEdits(workbook, newId);
  const toolIds = labels.map((label) => naming.tool(label));
  return revising(workbook, stepId, naming, fields([...new Set(toolIds)]));
}

/** What the `index`th application of the step puts on; one past the last is added. Where and how much stay. */
export function nameApplied(workbook: Workbook, stepId: string, index: number, name: string, newId: NewId): Edit[] {
  const naming = new NamingEdits(workbook, newId);
  const before = stepOf(workbook, stepId)?.applications ?? [];
  const application: Application = { ...before[index], consumableId: naming.consumable(name) };
  return revising(workbook, stepId, naming, { applications: before.toSpliced(index, 1, application) });
}

function stepOf({ procedure }: Workbook, stepId: string): Step | undefined {
  return procedure.steps.find(({ id }) => id === stepId);
}

function revising(workbook: Workbook, stepId: string, naming: NamingEdits, fields: Partial<Step>): Edit[] {
  const step = stepOf(workbook, stepId);
  return step ? [...naming.edits, { kind: 'change', stepId, fields: revision(step, fields) }] : naming.edits;
}
