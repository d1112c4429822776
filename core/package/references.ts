import type { Procedure } from '../procedure/procedure';
import type { Series } from '../pump/series';

/** Where a document is wrong and why. Paths read like `procedures[0].steps[3].targets[0].componentId`. */
export interface DocumentFault {
  readonly path: string;
  readonly reason: string;
}

/** Ids given twice in a series, and position sets that components name and the series lacks. */
export function seriesReferences(series: Series, path = 'series'): DocumentFault[] {
  const sets = new Set(series.positionSets.map((set) => set.id));
  return [
    ...twice(series.components, `${path}.components`),
    ...twice(series.tools, `${path}.tools`),
    ...twice(series.consumables, `${path}.consumables`),
    ...twice(series.positionSets, `${path}.positionSets`),
    ...twice(
      series.positionSets.flatMap((set) => set.positions),
      `${path}.positionSets[].positions`,
    ),
    ...series.components.flatMap((component, i) =>
      component.positionSetId === undefined || sets.has(component.positionSetId)
        ? []
        : [unknown(`${path}.components[${i}].positionSetId`, 'position set', component.positionSetId)],
    ),
  ];
}

/** Everything in a procedure that points at something its series does not hold. */
export function procedureReferences(procedure: Procedure, series: Series, path = 'procedure'): DocumentFault[] {
  const components = ids(series.components);
  const tools = ids(series.tools);
  const consumables = ids(series.consumables);
  const positions = ids(series.positionSets.flatMap((set) => set.positions));
  const faults: DocumentFault[] =
    procedure.seriesId === series.id ? [] : [unknown(`${path}.seriesId`, 'series', procedure.seriesId)];
  faults.push(...twice(procedure.steps, `${path}.steps`));
  procedure.steps.forEach((step, i) => {
    const at = `${path}.steps[${i}]`;
    step.targets.forEach(({ componentId }, j) => {
      if (!components.has(componentId))
        faults.push(unknown(`${at}.targets[${j}].componentId`, 'component', componentId));
    });
    step.toolIds.forEach((id, j) => {
      if (!tools.has(id)) faults.push(unknown(`${at}.toolIds[${j}]`, 'tool', id));
    });
    step.positionIds.forEach((id, j) => {
      if (!positions.has(id)) faults.push(unknown(`${at}.positionIds[${j}]`, 'position', id));
    });
    step.applications.forEach(({ consumableId }, j) => {
      if (!consumables.has(consumableId)) {
        faults.push(unknown(`${at}.applications[${j}].consumableId`, 'consumable', consumableId));
      }
    });
  });
  return faults;
}

function ids(list: readonly { id: string }[]): Set<string> {
  return new Set(list.map((item) => item.id));
}

function twice(list: readonly { id: string }[], path: string): DocumentFault[] {
  const seen = new Set<string>();
  return list.flatMap(({ id }, i) => {
    if (seen.has(id)) return [{ path: `${path}[${i}].id`, reason: `the id "${id}" is given twice` }];
    seen.add(id);
    return [];
  });
}

function unknown(path: string, kind: string, id: string): DocumentFault {
  return { path, reason: `there is no ${kind} "${id}" in the series` };
}
