import { replay, type Timeline, unitsIn } from '../../cloth/replay';
import type { Unit } from '../../cloth/units';
import { isFastener } from '../../pump/kinds';
import { componentById, type Series } from '../../pump/series';
import { applyEdits, firstOf, newStep, type ProcedureEdit } from '../edit';
import type { Step, Target, Workbook } from '../procedure';
import { type Verb, type VerbEffect, verbOf } from '../verbs';
import { takingOf } from './takings';

/**
 * The way back, drafted from the way down: what came off first goes on last. Everything drafted carries a mark until
 * a person has looked at it. Each function gives edits and changes nothing.
 */

/** The edits that put these units back, mirrored to where they were taken off. */
export function refitting(workbook: Workbook, timeline: Timeline, units: readonly Unit[]): ProcedureEdit[] {
  const taking = takingOf(timeline, units);
  const [unit] = units;
  const component = unit && componentById(workbook.series, unit.componentId);
  if (!component) return [];
  const { procedure, series } = workbook;
  const verb: Verb = component.kind === 'pin' ? 'pin' : isFastener(component.kind) ? 'start-by-hand' : 'fit';
  const positions = [...new Set(units.flatMap((u) => (u.positionId ? [u.positionId] : [])))];
  const everywhere = allPositions(series, component.id);
  const perPosition = units.length / Math.max(1, positions.length);
  const target: Target =
    perPosition < component.count
      ? { componentId: component.id, count: Math.ceil(perPosition) }
      : { componentId: component.id };
  const step: Step = {
    ...newStep(draftId(workbook, verb, component.id), verb, undefined),
    targets: [target],
    positionIds: positions.length === everywhere.length && taking?.step.positionIds.length === 0 ? [] : positions,
    ...(taking?.step.faces && { faces: taking.step.faces }),
    drafted: true,
  };
  const index = mirroredIndex(workbook, timeline, taking?.index ?? -1, component.id);
  const edits: ProcedureEdit[] = [{ kind: 'insert', index, step }];
  if (verb !== 'start-by-hand' || torquedFrom(procedure.steps, index, component.id)) return edits;
  return [...edits, { kind: 'insert', index: index + 1, step: torqueStep(workbook, component.id, step.positionIds) }];
}

/** A torque step behind the step at `index`, with the figure already given for these fasteners, if there is one. */
export function torqueAfter(workbook: Workbook, componentId: string, index: number): ProcedureEdit[] {
  const before = workbook.procedure.steps[index];
  const at = Math.max(
    index + 1,
    before && verbOf(before.verb).effect === 'refits' ? 0 : firstOf(workbook.procedure, 'prove'),
  );
  return [{ kind: 'insert', index: at, step: torqueStep(workbook, componentId, before?.positionIds ?? []) }];
}

/** The renewal of these components, before anything is put back and after the last of them is off. */
export function renewing(workbook: Workbook, componentIds: readonly string[]): ProcedureEdit[] {
  const step: Step = {
    ...newStep(draftId(workbook, 'renew', componentIds.join('-')), 'renew', undefined),
    targets: componentIds.map((componentId) => ({ componentId })),
    drafted: true,
  };
  const lastOff = lastNaming(workbook.procedure.steps, 'takes', componentIds);
  return [{ kind: 'insert', index: Math.max(firstOf(workbook.procedure, 'put-back'), lastOff + 1), step }];
}

/** What undoes a step that moves no part: fill for drain, restore for isolate. */
export function counterpart(workbook: Workbook, step: Step, verb: 'fill' | 'restore'): ProcedureEdit[] {
  const undoing: Step = {
    ...newStep(draftId(workbook, verb, step.id), verb, undefined),
    ...(step.about && { about: step.about.replace(/\s+and\s+.*$/i, '') }),
    drafted: true,
  };
  const { steps } = workbook.procedure;
  let index = firstOf(workbook.procedure, 'prove');
  while (verb === 'restore' && steps[index]?.verb === 'fill') index += 1;
  return [{ kind: 'insert', index, step: undoing }];
}

/**
 * Drafts everything that is still missing to close the pump again: renewal of what is always renewed, one refitting a
 * removal in reverse order, torque for every fastener, fillings and restorings. Run again after the teardown changed it
 * adds only the difference; with nothing missing the workbook comes back as it was.
 */
export function draftPutBack(workbook: Workbook): Workbook {
  let draft = renewWhatIsOut(workbook);
  let left = Number.POSITIVE_INFINITY;
  for (;;) {
    const timeline = replay(draft);
    const out = [...unitsIn(timeline, timeline.end, 'cloth'), ...unitsIn(timeline, timeline.end, 'tray')];
    // What one refitting could not bring home, a second of the same kind would not either.
    if (out.length === 0 || out.length >= left) break;
    left = out.length;
    draft = withEdits(draft, refitting(draft, timeline, latestTaken(timeline, out)));
  }
  for (const [verb, undone] of [
    ['fill', wantsFilling],
    ['restore', (step: Step) => step.verb === 'isolate' || step.verb === 'lock-out'],
  ] as const) {
    const step = draft.procedure.steps.find(undone);
    if (step && !draft.procedure.steps.some((other) => other.verb === verb))
      draft = withEdits(draft, counterpart(draft, step, verb));
  }
  return draft;
}

/** A casing is drained of the product and fills itself; oil has to be put back. */
export function wantsFilling(step: Step): boolean {
  return step.verb === 'drain' && /oil|grease|fluid|coolant/i.test(step.about ?? '');
}

/** Components that are always renewed, lie on the cloth at the end, and have no renewal yet. */
function renewWhatIsOut(workbook: Workbook): Workbook {
  const timeline = replay(workbook);
  const renewed = new Set(
    workbook.procedure.steps
      .filter((step) => step.verb === 'renew')
      .flatMap((step) => step.targets.map((t) => t.componentId)),
  );
  const due = [...new Set(unitsIn(timeline, timeline.end, 'cloth').map((unit) => unit.componentId))].filter(
    (id) => !renewed.has(id) && componentById(workbook.series, id)?.renewal === 'always',
  );
  return due.length > 0 ? withEdits(workbook, renewing(workbook, due)) : workbook;
}

/** Of the units out, those of one component that were taken off last and together. */
function latestTaken(timeline: Timeline, out: readonly Unit[]): Unit[] {
  let latest: { index: number; units: Unit[] } | undefined;
  for (const unit of out) {
    const index = takingOf(timeline, [unit])?.index ?? -1;
    if (!latest || index > latest.index) latest = { index, units: [unit] };
    else if (index === latest.index && unit.componentId === latest.units[0]?.componentId) latest.units.push(unit);
  }
  return latest?.units ?? [];
}

/**
 * Where the refitting of what was taken at `takenAt` belongs: behind the refitting and the torque of everything taken
 * later, behind its own renewal, and not before anything is put back at all.
 */
function mirroredIndex({ procedure }: Workbook, timeline: Timeline, takenAt: number, componentId: string): number {
  let index = Math.max(
    firstOf(procedure, 'put-back'),
    lastNaming(procedure.steps, 'takes', [componentId]) + 1,
    lastNaming(procedure.steps, 'renews', [componentId]) + 1,
  );
  const takenLater = new Set<string>();
  timeline.frames.forEach(({ step, moves }, i) => {
    for (const move of moves) {
      const moved = timeline.units.get(move.unitId)?.componentId;
      if (!moved || i <= takenAt) continue;
      if (move.to === 'cloth') takenLater.add(moved);
      if (move.to === 'pump' && takenLater.has(moved)) index = Math.max(index, i + 1);
    }
    const torquesLater = step.verb === 'torque' && step.targets.some((target) => takenLater.has(target.componentId));
    if (torquesLater && i > takenAt) index = Math.max(index, i + 1);
  });
  return index;
}

/** The last step of this effect that names one of the components, whether it found them or not; -1 for none. */
function lastNaming(steps: readonly Step[], effect: VerbEffect, componentIds: readonly string[]): number {
  return steps.findLastIndex(
    (step) =>
      verbOf(step.verb).effect === effect && step.targets.some((target) => componentIds.includes(target.componentId)),
  );
}

function torqueStep(workbook: Workbook, componentId: string, positionIds: readonly string[]): Step {
  const known = workbook.procedure.steps.find(
    (step) => step.torque && step.targets.some((target) => target.componentId === componentId),
  )?.torque;
  return {
    ...newStep(draftId(workbook, 'torque', componentId), 'torque', undefined),
    targets: [{ componentId }],
    positionIds: [...positionIds],
    ...(known && { torque: known }),
    drafted: true,
  };
}

function torquedFrom(steps: readonly Step[], index: number, componentId: string): boolean {
  return steps
    .slice(index)
    .some((step) => step.verb === 'torque' && step.targets.some((t) => t.componentId === componentId));
}

function withEdits(workbook: Workbook, edits: readonly ProcedureEdit[]): Workbook {
  return { ...workbook, procedure: applyEdits(workbook.procedure, edits) };
}

function allPositions(series: Series, componentId: string): string[] {
  const setId = componentById(series, componentId)?.positionSetId;
  return series.positionSets.find((set) => set.id === setId)?.positions.map((position) => position.id) ?? [];
}

/** Core has no randomness: the id tells what it is for, and a number keeps it apart from earlier drafts. */
function draftId({ procedure }: Workbook, verb: Verb, what: string): string {
  const base = `${verb}-${what}`.slice(0, 56);
  const taken = new Set(procedure.steps.map((step) => step.id));
  let n = 1;
  while (taken.has(`${base}-${n}`)) n += 1;
  return `${base}-${n}`;
}
