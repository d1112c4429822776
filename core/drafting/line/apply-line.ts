import { indexFor, insertStep, newComponent, newStep } from '../../edits/steps';
import { DEFAULT_TOLERANCE_PERCENT, type Step, type Target, type Workbook } from '../../model/procedure';
import { type Series } from '../../model/series';
import { byName } from '../../model/names';
import { findTool, type NamedPart, type ParsedLine, splitTool } from './parse-line';

/** Makes a fresh id; ids come in as an argument because core has no randomness of its own. */
export type NewId = () => string;

export interface AppliedLine {
  readonly workbook: Workbook;
  readonly stepId: string;
  /** Where the new step stands. */
  readonly index: number;
}

/**
 * Adds the step that a faultless line says, after the step at `after` (-1: at the start). Parts, tools and
 * consumables named for the first time are created in the series.
 */
export function applyLine(workbook: Workbook, line: ParsedLine, after: number, newId: NewId): AppliedLine | undefined {
  if (!line.verb || line.faults.length > 0) return undefined;
  let series = workbook.series;
  const targets = line.parts.map((part): Target => {
    const named = nameComponent(series, part, line.positionSetId, newId);
    series = named.series;
    return named.target;
  });
  const toolIds = line.tools.map((label) => {
    const named = nameTool(series, label, newId);
    series = named.series;
    return named.toolId;
  });
  const applications = line.applied.map(({ name, where }) => {
    const named = nameConsumable(series, name, newId);
    series = named.series;
    return { consumableId: named.consumableId, ...(where && { where }) };
  });
  const step: Step = {
    ...newStep(newId(), line.verb, workbook.procedure.steps[after]),
    targets,
    positionIds: [...new Set(line.positionIds)],
    toolIds: [...new Set(toolIds)],
    applications,
    cautions: [...line.cautions],
    ...(line.faces && { faces: line.faces }),
    ...(line.about && { about: line.about }),
    ...(line.into && { into: line.into }),
    ...(line.torque && { torque: { figure: line.torque, tolerancePercent: DEFAULT_TOLERANCE_PERCENT } }),
    ...(line.minutes !== undefined && { minutes: line.minutes }),
    ...(line.photo && { photo: { mustShow: line.photo } }),
  };
  const index = indexFor(workbook.procedure, step.stage, after);
  const procedure = insertStep(workbook.procedure, index, step);
  return { workbook: { ...workbook, series, procedure }, stepId: step.id, index };
}

/** The component a name means, created when the series has none such. A number said first becomes its count. */
export function nameComponent(
  series: Series,
  part: NamedPart,
  positionSetId: string | undefined,
  newId: NewId,
): { series: Series; target: Target } {
  const known = byName(series.components, part.name);
  if (known) {
    const fewer = part.count !== undefined && part.count < known.count;
    return { series, target: fewer ? { componentId: known.id, count: part.count } : { componentId: known.id } };
  }
  const component = newComponent(newId(), part.name, {
    ...(part.count && { count: part.count }),
    ...(positionSetId && { positionSetId }),
  });
  return {
    series: { ...series, components: [...series.components, component] },
    target: { componentId: component.id },
  };
}

/** The tool a label means ("ring pusher, 50 mm"), created when the series has none such. */
export function nameTool(series: Series, label: string, newId: NewId): { series: Series; toolId: string } {
  const known = findTool(series, label);
  if (known) return { series, toolId: known.id };
  const tool = { id: newId(), ...splitTool(label) };
  return { series: { ...series, tools: [...series.tools, tool] }, toolId: tool.id };
}

export function nameConsumable(series: Series, name: string, newId: NewId): { series: Series; consumableId: string } {
  const known = byName(series.consumables, name);
  if (known) return { series, consumableId: known.id };
  const consumable = { id: newId(), name: name.trim() };
  return { series: { ...series, consumables: [...series.consumables, consumable] }, consumableId: consumable.id };
}
