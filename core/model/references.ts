import type { Procedure } from './procedure';
import type { Component, Series, Stack } from './series';

/** Where a document is wrong and why. Paths read like `procedures[0].steps[3].targets[0].componentId`. */
export interface DocumentFault {
  readonly path: string;
  readonly reason: string;
}

/** Ids given twice in a series, and position sets that components name and the series lacks. */
export function seriesReferences(series: Series, path = 'series'): DocumentFault[] {
  const components = ids(series.components);
  return [
    ...twice(series.components, `${path}.components`),
    ...twice(series.tools, `${path}.tools`),
    ...twice(series.consumables, `${path}.consumables`),
    ...twice(series.kits, `${path}.kits`),
    ...twice(series.positionSets, `${path}.positionSets`),
    ...twice(series.stacks ?? [], `${path}.stacks`),
    ...(series.stacks ?? []).flatMap((stack, i) => stackReferences(stack, components, `${path}.stacks[${i}]`)),
    ...series.tools.flatMap((tool, i) =>
      (tool.substituteIds ?? []).flatMap((id, j) =>
        id !== tool.id && series.tools.some((other) => other.id === id)
          ? []
          : [unknown(`${path}.tools[${i}].substituteIds[${j}]`, 'other tool', id)],
      ),
    ),
    ...twice(
      series.positionSets.flatMap((set) => set.positions),
      `${path}.positionSets[].positions`,
    ),
    ...series.components.flatMap((component, i) => componentReferences(component, series, `${path}.components[${i}]`)),
    ...series.kits.flatMap((kit, i) =>
      kit.contents.flatMap(({ componentId }, j) =>
        components.has(componentId)
          ? []
          : [unknown(`${path}.kits[${i}].contents[${j}].componentId`, 'component', componentId)],
      ),
    ),
  ];
}

/** Everything in a component that points at something its series does not hold, or at itself. */
function componentReferences(component: Component, series: Series, at: string): DocumentFault[] {
  const faults: DocumentFault[] = [];
  const wanted = (path: string, kind: string, list: readonly { id: string }[], id: string | undefined) => {
    if (id !== undefined && !list.some((item) => item.id === id)) faults.push(unknown(`${at}.${path}`, kind, id));
  };
  wanted('positionSetId', 'position set', series.positionSets, component.positionSetId);
  wanted('hostId', 'component', series.components, component.hostId);
  component.coveredBy?.forEach(({ componentId }, i) => {
    wanted(`coveredBy[${i}].componentId`, 'component', series.components, componentId);
  });
  component.heldBy?.forEach((id, i) => {
    wanted(`heldBy[${i}]`, 'component', series.components, id);
  });
  component.wants?.forEach(({ consumableId }, i) => {
    wanted(`wants[${i}].consumableId`, 'consumable', series.consumables, consumableId);
  });
  const seen = new Set([component.id]);
  for (let id = component.hostId; id; id = series.components.find((other) => other.id === id)?.hostId) {
    if (seen.has(id)) {
      faults.push({ path: `${at}.hostId`, reason: `the part would sit in itself through "${id}"` });
      break;
    }
    seen.add(id);
  }
  return faults;
}

function stackReferences({ hostId, shaft, layers }: Stack, components: Set<string>, at: string): DocumentFault[] {
  const named = [
    ['hostId', hostId],
    ['shaft.componentId', shaft?.componentId],
    ...layers.map(({ componentId }, i) => [`layers[${i}].componentId`, componentId]),
  ] as const;
  return [
    ...twice(layers, `${at}.layers`),
    ...named.flatMap(([path, id]) => (id && !components.has(id) ? [unknown(`${at}.${path}`, 'component', id)] : [])),
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
    for (const field of ['aidsIn', 'aidsOut'] as const) {
      step[field]?.forEach((id, j) => {
        if (!tools.has(id)) faults.push(unknown(`${at}.${field}[${j}]`, 'tool', id));
      });
    }
    step.methods?.forEach((method, j) => {
      method.toolIds.forEach((id, k) => {
        if (!tools.has(id)) faults.push(unknown(`${at}.methods[${j}].toolIds[${k}]`, 'tool', id));
      });
    });
    step.measurements?.forEach(({ toolId }, j) => {
      if (toolId && !tools.has(toolId)) faults.push(unknown(`${at}.measurements[${j}].toolId`, 'tool', toolId));
    });
    const { thread } = step.torque ?? {};
    if (thread?.is === 'with' && !consumables.has(thread.consumableId))
      faults.push(unknown(`${at}.torque.thread.consumableId`, 'consumable', thread.consumableId));
    if (step.photo?.referenceId && !step.pictures?.some(({ id }) => id === step.photo?.referenceId))
      faults.push({ path: `${at}.photo.referenceId`, reason: `the step has no picture "${step.photo.referenceId}"` });
    if (step.pose && !components.has(step.pose.componentId))
      faults.push(unknown(`${at}.pose.componentId`, 'component', step.pose.componentId));
    if (step.fromPositionId && !positions.has(step.fromPositionId))
      faults.push(unknown(`${at}.fromPositionId`, 'position', step.fromPositionId));
  });
  procedure.kits?.forEach(({ kitId }, i) => {
    if (!series.kits.some((kit) => kit.id === kitId)) faults.push(unknown(`${path}.kits[${i}].kitId`, 'kit', kitId));
  });
  procedure.intends?.forEach((change, i) => {
    const at = `${path}.intends[${i}]`;
    if (!components.has(change.componentId)) faults.push(unknown(`${at}.componentId`, 'component', change.componentId));
    if (change.kind !== 'moves') return;
    for (const field of ['fromPositionId', 'toPositionId'] as const) {
      if (!positions.has(change[field])) faults.push(unknown(`${at}.${field}`, 'position', change[field]));
    }
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
