import type { Timeline } from '../bench/replay';
import type { Unit } from '../bench/units';
import type { Edit } from '../edits/edit';
import { firstOf } from '../edits/steps';
import { componentById } from '../model/lookup';
import type { Step, Target, Workbook } from '../model/procedure';
import type { Component, Series } from '../model/series';
import { type VerbEffect, verbOf } from '../model/verbs';
import { courseOf } from './course';
import { draftStep } from './draft-step';
import { toolsBack, verbBack, wrenchFor } from './manner';
import { takingOf, whenBack } from './takings';

/** The edits that put units of one component back, mirrored to where they were taken off. They change nothing else. */
export function refitting(workbook: Workbook, timeline: Timeline, units: readonly Unit[]): Edit[] {
  const taking = takingOf(timeline, units);
  const [unit] = units;
  const component = unit && componentById(workbook.series, unit.componentId);
  if (!component) return [];
  const { procedure, series } = workbook;
  const when = whenBack(timeline, procedure, units);
  const isThreaded = timeline.structure.threaded.has(component.id) && !hasNutsOf(component, series);
  const verb = verbBack(component, taking?.step, isThreaded);
  const toolIds = toolsBack(verb, component, taking?.step, series);
  const positions = [...new Set(units.flatMap((u) => (u.positionId ? [u.positionId] : [])))];
  const everywhere = allPositions(series, component.id);
  const perPosition = units.length / Math.max(1, positions.length);
  const target: Target =
    perPosition < component.count
      ? { componentId: component.id, count: Math.ceil(perPosition) }
      : { componentId: component.id };
  const faces = component.faces ?? (taking?.step.targets.length === 1 ? taking.step.faces : undefined);
  const step = draftStep(workbook, verb, component.id, {
    targets: [target],
    positionIds: positions.length === everywhere.length && taking?.step.positionIds.length === 0 ? [] : positions,
    applications: component.wants ?? [],
    toolIds,
    ...(faces && { faces }),
    ...(when && { when: [...when] }),
  });
  const index = mirroredIndex(workbook, timeline, taking?.index ?? -1, component.id);
  const edits: Edit[] = [{ kind: 'insert', index, step }];
  if (verb !== 'start-by-hand' || torquedFrom(procedure.steps, index, component.id)) return edits;
  return [...edits, { kind: 'insert', index: index + 1, step: torqueStep(workbook, component.id, step) }];
}

/**
 * The edits that put several groups of units back, each behind those taken later: as one by one, but without carrying
 * out the procedure in between.
 */
export function refittingAll(workbook: Workbook, timeline: Timeline, groups: readonly (readonly Unit[])[]): Edit[] {
  const edits: Edit[] = [];
  const before: number[] = [];
  let last = -1;
  for (const units of groups) {
    const made = refitting(workbook, timeline, units).flatMap((edit) => (edit.kind === 'insert' ? [edit] : []));
    const [first] = made;
    if (!first) continue;
    const shifted = first.index + before.filter((index) => index <= first.index).length;
    const at = Math.max(shifted, last + 1);
    made.forEach(({ step }, i) => {
      edits.push({ kind: 'insert', index: at + i, step });
      before.push(first.index);
    });
    last = at + made.length - 1;
  }
  return edits;
}

/** A tie rod with tie rod nuts is slid in; its nuts are what is tightened. */
function hasNutsOf({ id, name }: Component, { components }: Series): boolean {
  return components.some((other) => other.id !== id && other.name.toLowerCase() === `${name.toLowerCase()} nut`);
}

/** The edits that join up an assembly that a step opened, with all that was in it. */
export function joining(workbook: Workbook, timeline: Timeline, opening: Step): Edit[] {
  const index = timeline.frames.findIndex(({ step }) => step === opening);
  const hostId = opening.targets[0]?.componentId ?? '';
  const inside = new Set(timeline.structure.series.components.flatMap((c) => (c.hostId === hostId ? [c.id] : [])));
  const step = draftStep(workbook, 'join', hostId, {
    targets: opening.targets,
    positionIds: opening.positionIds,
    ...(opening.when && { when: opening.when }),
  });
  const at = [...inside].map((id) => mirroredIndex(workbook, timeline, index, id));
  return [{ kind: 'insert', index: Math.max(firstOf(workbook.procedure, 'put-back'), ...at), step }];
}

/** A torque step behind the step at `index`, with the figure already given for these fasteners, if there is one. */
export function torqueAfter(workbook: Workbook, componentId: string, index: number): Edit[] {
  const before = workbook.procedure.steps[index];
  const at = Math.max(
    index + 1,
    before && verbOf(before.verb).effect === 'refits' ? 0 : firstOf(workbook.procedure, 'prove'),
  );
  return [{ kind: 'insert', index: at, step: torqueStep(workbook, componentId, before) }];
}

/**
 * Where the refitting of what was taken at `takenAt` belongs: behind the refitting and the torque of everything taken
 * later, behind its own renewal, and not before anything is put back at all.
 */
export function mirroredIndex(
  { procedure }: Workbook,
  timeline: Timeline,
  takenAt: number,
  componentId: string,
): number {
  const index = Math.max(
    firstOf(procedure, 'put-back'),
    takenAt + 1,
    lastNaming(procedure.steps, 'takes', [componentId]) + 1,
    lastNaming(procedure.steps, 'renews', [componentId]) + 1,
    courseOf(timeline).closedBehind(takenAt),
  );
  const built = hostGoesHome(timeline, takenAt, componentId);
  return built === undefined ? index : Math.min(index, built);
}

/** The step that puts home the host a part was taken out of on the bench: it is built up before that. */
function hostGoesHome(timeline: Timeline, takenAt: number, componentId: string): number | undefined {
  const { structure } = timeline;
  const hosts = new Set(
    (structure.byComponent.get(componentId) ?? []).flatMap(({ id }) => structure.hostOf.get(id) ?? []),
  );
  const moves = [...hosts].flatMap((id) => courseOf(timeline).movesOfPiece(id)).sort((a, b) => a.index - b.index);
  let isOut = false;
  for (const { act, index } of moves) {
    if (act === 'home' && isOut && index > takenAt) return index;
    if (index <= takenAt) isOut = act === 'out';
  }
  return undefined;
}

/** The last step of this effect that names one of the components, whether it found them or not; -1 for none. */
export function lastNaming(steps: readonly Step[], effect: VerbEffect, componentIds: readonly string[]): number {
  return steps.findLastIndex(
    (step) =>
      verbOf(step.verb).effect === effect && step.targets.some((target) => componentIds.includes(target.componentId)),
  );
}

function torqueStep(workbook: Workbook, componentId: string, like: Step | undefined): Step {
  const known = workbook.procedure.steps.find(
    (step) => step.torque && step.targets.some((target) => target.componentId === componentId),
  )?.torque;
  return draftStep(workbook, 'torque', componentId, {
    targets: [{ componentId }],
    positionIds: [...(like?.positionIds ?? [])],
    ...(known && { torque: known }),
    toolIds: wrenchFor(known?.figure, workbook.series),
    ...(like?.when && { when: like.when }),
  });
}

function torquedFrom(steps: readonly Step[], index: number, componentId: string): boolean {
  return steps
    .slice(index)
    .some((step) => step.verb === 'torque' && step.targets.some((t) => t.componentId === componentId));
}

function allPositions(series: Series, componentId: string): string[] {
  const setId = componentById(series, componentId)?.positionSetId;
  return series.positionSets.find((set) => set.id === setId)?.positions.map((position) => position.id) ?? [];
}
