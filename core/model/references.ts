import type { DocumentFault, PointedAt } from './faults';
import type { Condition, Procedure, Step } from './procedure';
import type { Application, Component, Series, Stack } from './series';

/** What a document may point at. */
interface Known {
  readonly components: ReadonlySet<string>;
  readonly tools: ReadonlySet<string>;
  readonly consumables: ReadonlySet<string>;
  readonly positions: ReadonlySet<string>;
  readonly positionSets: ReadonlySet<string>;
}

function knownIn(series: Series): Known {
  return {
    components: ids(series.components),
    tools: ids(series.tools),
    consumables: ids(series.consumables),
    positions: ids(series.positionSets.flatMap((set) => set.positions)),
    positionSets: ids(series.positionSets),
  };
}

const KINDS: Readonly<Record<keyof Known, PointedAt>> = {
  components: 'component',
  tools: 'tool',
  consumables: 'consumable',
  positions: 'position',
  positionSets: 'position-set',
};

/** Collects what points at nothing. */
class Pointers {
  readonly faults: DocumentFault[] = [];
  constructor(private readonly known: Known) {}

  one(to: keyof Known, id: string | undefined, path: string): void {
    if (id !== undefined && !this.known[to].has(id)) this.faults.push(absent(path, KINDS[to], id));
  }

  all(to: keyof Known, list: readonly string[] | undefined, path: string): void {
    list?.forEach((id, i) => {
      this.one(to, id, `${path}[${i}]`);
    });
  }

  applications(list: readonly Application[] | undefined, path: string): void {
    list?.forEach(({ consumableId, orConsumableIds }, i) => {
      this.one('consumables', consumableId, `${path}[${i}].consumableId`);
      this.all('consumables', orConsumableIds, `${path}[${i}].orConsumableIds`);
    });
  }

  direction(toward: { is: string; componentId?: string } | undefined, path: string): void {
    if (toward?.is === 'part') this.one('components', toward.componentId, `${path}.componentId`);
  }
}

/** Ids given twice in a series, and everything in it that points at what it does not hold. */
export function seriesReferences(series: Series, path = 'series'): DocumentFault[] {
  const pointers = new Pointers(knownIn(series));
  series.positionSets.forEach((set, i) => {
    set.positions.forEach((position, j) => {
      pointers.all('positions', position.within, `${path}.positionSets[${i}].positions[${j}].within`);
    });
  });
  series.kits.forEach((kit, i) => {
    kit.contents.forEach(({ componentId }, j) => {
      pointers.one('components', componentId, `${path}.kits[${i}].contents[${j}].componentId`);
    });
  });
  const lists = ['components', 'tools', 'consumables', 'kits', 'positionSets'] as const;
  return [
    ...lists.flatMap((list) => twice(series[list], `${path}.${list}`)),
    ...twice(series.stacks ?? [], `${path}.stacks`),
    ...twice(series.fastenerGroups ?? [], `${path}.fastenerGroups`),
    ...groupReferences(series, `${path}.fastenerGroups`),
    ...(series.stacks ?? []).flatMap((stack, i) => stackReferences(stack, series, `${path}.stacks[${i}]`)),
    ...series.tools.flatMap((tool, i) =>
      (tool.substituteIds ?? []).flatMap((id, j) =>
        id !== tool.id && series.tools.some((other) => other.id === id)
          ? []
          : [absent(`${path}.tools[${i}].substituteIds[${j}]`, 'tool', id)],
      ),
    ),
    ...twice(
      series.positionSets.flatMap((set) => set.positions),
      `${path}.positionSets[].positions`,
    ),
    ...series.components.flatMap((component, i) => componentReferences(component, series, `${path}.components[${i}]`)),
    ...pointers.faults,
  ];
}

/** Everything in the groups of fasteners that points at something the series does not hold; two groups of one part. */
function groupReferences(series: Series, at: string): DocumentFault[] {
  const pointers = new Pointers(knownOnce(series));
  const groups = series.fastenerGroups ?? [];
  groups.forEach((group, i) => {
    pointers.one('components', group.componentId, `${at}[${i}].componentId`);
    pointers.all('tools', group.wrenchIds, `${at}[${i}].wrenchIds`);
    group.figures.forEach(({ torque: { thread } }, j) => {
      if (thread?.is === 'with')
        pointers.one('consumables', thread.consumableId, `${at}[${i}].figures[${j}].torque.thread.consumableId`);
    });
  });
  const parts = groups.map(({ componentId }) => ({ id: componentId }));
  return [...pointers.faults, ...twice(parts, `${at}[].componentId`)];
}

/** Everything in a component that points at something its series does not hold, or at itself. */
function componentReferences(component: Component, series: Series, at: string): DocumentFault[] {
  const pointers = new Pointers(knownOnce(series));
  pointers.one('positionSets', component.positionSetId, `${at}.positionSetId`);
  pointers.one('components', component.hostId, `${at}.hostId`);
  component.hostsAt?.forEach(({ positionId, hostId }, i) => {
    pointers.one('positions', positionId, `${at}.hostsAt[${i}].positionId`);
    pointers.one('components', hostId, `${at}.hostsAt[${i}].hostId`);
  });
  component.coveredBy?.forEach(({ componentId }, i) => {
    pointers.one('components', componentId, `${at}.coveredBy[${i}].componentId`);
  });
  pointers.all('components', component.heldBy, `${at}.heldBy`);
  pointers.applications(component.wants, `${at}.wants`);
  pointers.direction(component.faces?.toward, `${at}.faces.toward`);
  const faults = [...pointers.faults];
  const seen = new Set([component.id]);
  for (let id = component.hostId; id; id = series.components.find((other) => other.id === id)?.hostId) {
    if (seen.has(id)) {
      faults.push({ path: `${at}.hostId`, problem: { is: 'sits-in-itself', id } });
      break;
    }
    seen.add(id);
  }
  return faults;
}

const remembered = new WeakMap<Series, Known>();

/** The same for all components of a series. */
function knownOnce(series: Series): Known {
  const there = remembered.get(series) ?? knownIn(series);
  remembered.set(series, there);
  return there;
}

function stackReferences({ hostId, shaft, layers, positionIds }: Stack, series: Series, at: string): DocumentFault[] {
  const pointers = new Pointers(knownOnce(series));
  pointers.one('components', hostId, `${at}.hostId`);
  pointers.one('components', shaft?.componentId, `${at}.shaft.componentId`);
  pointers.all('positions', positionIds, `${at}.positionIds`);
  layers.forEach(({ componentId }, i) => {
    pointers.one('components', componentId, `${at}.layers[${i}].componentId`);
  });
  return [...twice(layers, `${at}.layers`), ...pointers.faults];
}

/**
 * Everything in a procedure that points at something its series does not hold, or at a question, an answer, a block or
 * a picture that it does not have.
 */
export function procedureReferences(procedure: Procedure, series: Series, path = 'procedure'): DocumentFault[] {
  const pointers = new Pointers(knownOnce(series));
  const faults: DocumentFault[] =
    procedure.seriesId === series.id ? [] : [absent(`${path}.seriesId`, 'series', procedure.seriesId)];
  faults.push(...twice(procedure.steps, `${path}.steps`), ...twice(procedure.blocks ?? [], `${path}.blocks`));
  const steps = new Map(procedure.steps.map((step) => [step.id, step]));
  const blocks = ids(procedure.blocks ?? []);
  procedure.steps.forEach((step, i) => {
    const at = `${path}.steps[${i}]`;
    stepPointers(step, pointers, at);
    faults.push(...conditionFaults(step.when, steps, `${at}.when`));
    if (step.when?.some(({ stepId }) => stepId === step.id))
      faults.push({ path: `${at}.when`, problem: { is: 'waits-for-itself' } });
    if (step.blockId !== undefined && !blocks.has(step.blockId))
      faults.push(absent(`${at}.blockId`, 'block', step.blockId));
    if (step.photo?.referenceId && !step.pictures?.some(({ id }) => id === step.photo?.referenceId))
      faults.push(absent(`${at}.photo.referenceId`, 'picture', step.photo.referenceId));
  });
  procedure.blocks?.forEach(({ positionIds }, i) => {
    pointers.all('positions', positionIds, `${path}.blocks[${i}].positionIds`);
  });
  pointers.all('components', procedure.startsFrom?.componentIds, `${path}.startsFrom.componentIds`);
  procedure.kits?.forEach(({ kitId, when }, i) => {
    if (!series.kits.some((kit) => kit.id === kitId)) faults.push(absent(`${path}.kits[${i}].kitId`, 'kit', kitId));
    faults.push(...conditionFaults(when, steps, `${path}.kits[${i}].when`));
  });
  procedure.intends?.forEach((change, i) => {
    const at = `${path}.intends[${i}]`;
    pointers.one('components', change.componentId, `${at}.componentId`);
    if (change.kind === 'exchanges') pointers.one('components', change.withComponentId, `${at}.withComponentId`);
    if (change.kind !== 'moves') return;
    for (const field of ['fromPositionId', 'toPositionId'] as const)
      pointers.one('positions', change[field], `${at}.${field}`);
  });
  return [...faults, ...pointers.faults];
}

function stepPointers(step: Step, pointers: Pointers, at: string): void {
  step.targets.forEach(({ componentId }, j) => {
    pointers.one('components', componentId, `${at}.targets[${j}].componentId`);
  });
  pointers.all('tools', step.toolIds, `${at}.toolIds`);
  pointers.all('positions', step.positionIds, `${at}.positionIds`);
  pointers.applications(step.applications, `${at}.applications`);
  for (const field of ['aidsIn', 'aidsOut'] as const) pointers.all('tools', step[field], `${at}.${field}`);
  pointers.direction(step.faces?.toward, `${at}.faces.toward`);
  pointers.one('components', step.intoId, `${at}.intoId`);
  pointers.one('positionSets', step.decision?.eachOf, `${at}.decision.eachOf`);
  step.measurements?.forEach(({ toolId }, j) => {
    pointers.one('tools', toolId, `${at}.measurements[${j}].toolId`);
  });
  step.methods?.forEach((method, j) => {
    const of = `${at}.methods[${j}]`;
    for (const field of ['toolIds', 'aidsIn', 'aidsOut'] as const)
      pointers.all('tools', method[field], `${of}.${field}`);
    pointers.applications(method.applications, `${of}.applications`);
    pointers.direction(method.faces?.toward, `${of}.faces.toward`);
    if (method.torque?.thread?.is === 'with')
      pointers.one('consumables', method.torque.thread.consumableId, `${of}.torque.thread.consumableId`);
    method.measurements?.forEach(({ toolId }, k) => {
      pointers.one('tools', toolId, `${of}.measurements[${k}].toolId`);
    });
  });
  const { thread } = step.torque ?? {};
  if (thread?.is === 'with') pointers.one('consumables', thread.consumableId, `${at}.torque.thread.consumableId`);
  pointers.one('components', step.pose?.componentId, `${at}.pose.componentId`);
  pointers.one('positions', step.fromPositionId, `${at}.fromPositionId`);
}

/** Conditions that wait for a question nobody asks, or an answer it does not have. */
function conditionFaults(
  when: readonly Condition[] | undefined,
  steps: ReadonlyMap<string, Step>,
  path: string,
): DocumentFault[] {
  return (when ?? []).flatMap(({ stepId, answerIds }, i): DocumentFault[] => {
    const asking = steps.get(stepId);
    if (!asking) return [absent(`${path}[${i}].stepId`, 'step', stepId)];
    if (!asking.decision) return [{ path: `${path}[${i}].stepId`, problem: { is: 'asks-nothing', id: stepId } }];
    const answers = ids(asking.decision.answers);
    return answerIds.flatMap((id, j) =>
      answers.has(id) ? [] : [absent(`${path}[${i}].answerIds[${j}]`, 'answer', id)],
    );
  });
}

/** A module that takes over from one that is not there, of another series, or in a ring. */
export function chainReferences(procedures: readonly Procedure[], path = 'procedures'): DocumentFault[] {
  const byId = new Map(procedures.map((procedure) => [procedure.id, procedure]));
  return procedures.flatMap(({ id, takesOver, seriesId }, i): DocumentFault[] => {
    if (takesOver === undefined) return [];
    const before = byId.get(takesOver);
    const at = `${path}[${i}].takesOver`;
    if (!before) return [absent(at, 'procedure', takesOver)];
    if (before.seriesId !== seriesId) return [{ path: at, problem: { is: 'other-series', id: takesOver } }];
    const seen = new Set([id]);
    for (let next: string | undefined = takesOver; next !== undefined; next = byId.get(next)?.takesOver) {
      if (seen.has(next)) return [{ path: at, problem: { is: 'ring-of-modules' } }];
      seen.add(next);
    }
    return [];
  });
}

function ids(list: readonly { id: string }[]): Set<string> {
  return new Set(list.map((item) => item.id));
}

/** Ids that two of a list have. */
export function twice(list: readonly { id: string }[], path: string): DocumentFault[] {
  const seen = new Set<string>();
  return list.flatMap(({ id }, i) => {
    if (seen.has(id)) return [{ path: `${path}[${i}].id`, problem: { is: 'twice', id } }];
    seen.add(id);
    return [];
  });
}

function absent(path: string, what: PointedAt, id: string): DocumentFault {
  return { path, problem: { is: 'absent', what, id } };
}
