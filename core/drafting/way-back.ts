import { replay, type Timeline } from '../bench/replay';
import { type BenchState, leftOut, stateAfter } from '../bench/state';
import type { Unit } from '../bench/units';
import { applyEdits, type Edit } from '../edits/edit';
import { componentById, isLeaving, positionSetById } from '../model/lookup';
import type { Step, Workbook } from '../model/procedure';
import { verbOf } from '../model/verbs';
import { isKeptFluid } from '../reading/en/safety-words';
import { cleaning, counterpart, lastLookPhotos, renewing, soaking } from './preparing';
import { joining, refitting, refittingAll, torqueAfter } from './refitting';
import { lastTakenAt, takingOf } from './takings';

/** What drafting adds: the edits, and the workbook with them. */
export interface Draft {
  readonly workbook: Workbook;
  readonly edits: readonly Edit[];
  /** Parts for which no refitting could be found; the trainer writes theirs. */
  readonly stuck: readonly string[];
}

/**
 * Drafts everything that is still missing to close the pump again, from the way down: renewal of what is always
 * renewed, cleaning and soaking, one refitting a removal in reverse order, torque for every fastener, photos at the
 * last look, fillings and restorings. Everything drafted carries a mark until a person has looked at it. Run again
 * after the teardown changed it adds only the difference; with nothing missing there are no edits.
 */
export function draftPutBack(workbook: Workbook): Draft {
  const all = renewWhatIsOut(workbook);
  let draft = applyEdits(workbook, all);
  let timeline = replay(draft);
  const go = (edits: readonly Edit[]) => {
    if (edits.length === 0) return;
    all.push(...edits);
    draft = applyEdits(draft, edits);
    timeline = replay(draft, timeline);
  };
  // What one refitting could not bring home, a second of the same kind would not either; the others go on.
  const stuck = new Set<string>();
  const alone = new Set<string>();
  for (;;) {
    const takenAt = lastTakenAt(timeline);
    const attempt = ({ id, pieceId }: Unit) => `${timeline.frames[takenAt.get(pieceId) ?? -1]?.step.id} ${id}`;
    const groups = takenGroups(
      takenAt,
      whatIsOut(draft, timeline).filter((unit) => !stuck.has(attempt(unit))),
    );
    const [latest = []] = groups;
    if (latest.length === 0) break;
    const simple = groups.findIndex(
      (units) => !isSimple(timeline, units) || units.some((unit) => alone.has(attempt(unit))),
    );
    const run = groups.slice(0, simple < 0 ? groups.length : Math.max(1, simple));
    const opening = takingOf(timeline, latest)?.step;
    const opened = opening && verbOf(opening.verb).effect === 'opens' && !isJoined(draft, opening);
    if (opened) go(joining(draft, timeline, opening));
    else go(run.length > 1 ? refittingAll(draft, timeline, run) : refitting(draft, timeline, latest));
    const left = new Set(whatIsOut(draft, timeline).map(({ id }) => id));
    const remains = (opened ? [latest] : run).flat().filter(({ id }) => left.has(id));
    for (const unit of remains) (run.length > 1 && !opened ? alone : stuck).add(attempt(unit));
  }
  for (const fastenerId of looseFasteners(timeline)) {
    const last = draft.procedure.steps.findLastIndex(
      (step) => step.verb === 'loosen' && step.targets.some((target) => target.componentId === fastenerId),
    );
    if (last >= 0) go(torqueAfter(draft, fastenerId, last));
  }
  go(cleaning(draft, timeline));
  go(soaking(draft));
  for (const step of endOf(timeline).drained) if (isKeptFluid(step.about)) go(counterpart(draft, step, 'fill'));
  for (const { id } of endOf(timeline).isolatedBy) {
    const isolating = endOf(timeline).isolatedBy.find((step) => step.id === id);
    if (isolating && !draft.procedure.handsOn)
      go(counterpart(draft, isolating, isolating.verb === 'close-valve' ? 'open-valve' : 'restore'));
  }
  go(lastLookPhotos(timeline));
  go(aidsOut(draft, timeline));
  const left = new Set(whatIsOut(draft, timeline).map(({ componentId }) => componentId));
  return { workbook: draft, edits: all, stuck: [...left] };
}

/** The bench when all is done, on the main way. */
function endOf(timeline: Timeline): BenchState {
  return stateAfter(timeline, timeline.frames.length);
}

/** Components that are always renewed, lie on the cloth at the end, and have no renewal yet. */
function renewWhatIsOut(workbook: Workbook): Edit[] {
  const timeline = replay(workbook);
  const renewed = new Set(
    workbook.procedure.steps
      .filter((step) => step.verb === 'renew')
      .flatMap((step) => step.targets.map((t) => t.componentId)),
  );
  const out = leftOut(timeline)
    .filter(({ where }) => where === 'cloth')
    .map(({ unit }) => ({ unit, cut: endOf(timeline).wasCut(unit) }));
  const due = new Map<string, Set<string>>();
  for (const { unit, cut } of out) {
    const { componentId, positionId } = unit;
    const always = cut || componentById(workbook.series, componentId)?.renewal === 'always';
    if (!always || renewed.has(componentId) || isLeaving(workbook.procedure, componentId)) continue;
    due.set(componentId, (due.get(componentId) ?? new Set()).add(positionId ?? ''));
  }
  // Parts that are out at the same positions are renewed together; those still in the pump are left alone.
  const together = new Map<string, { ids: string[]; positionIds: string[] }>();
  for (const [id, places] of due) {
    const positionIds = positionsOut(workbook, id, places);
    const key = [componentById(workbook.series, id)?.positionSetId, ...positionIds].join(' ');
    const group = together.get(key) ?? { ids: [], positionIds };
    group.ids.push(id);
    together.set(key, group);
  }
  const edits: Edit[] = [];
  let draft = workbook;
  for (const { ids, positionIds } of together.values()) {
    const more = renewing(draft, ids, positionIds);
    edits.push(...more);
    draft = applyEdits(draft, more);
  }
  return edits;
}

/** The positions a part is out at; none when it is out everywhere. */
function positionsOut({ series }: Workbook, componentId: string, out: ReadonlySet<string>): string[] {
  const all = positionSetById(series, componentById(series, componentId)?.positionSetId)?.positions ?? [];
  const there = all.map((position) => position.id).filter((id) => out.has(id));
  return there.length === all.length ? [] : there;
}

/** What lies free, or new and called for in the tray, at the end of any way, and is meant to go back. */
function whatIsOut(workbook: Workbook, timeline: Timeline): Unit[] {
  const out = leftOut(timeline).map(({ unit }) => unit);
  return [...new Set(out)].filter((unit) => !isLeaving(workbook.procedure, unit.componentId));
}

function isJoined({ procedure }: Workbook, opening: Step): boolean {
  const hosts = new Set(opening.targets.map((target) => target.componentId));
  return procedure.steps.some((step) => step.verb === 'join' && step.targets.some((t) => hosts.has(t.componentId)));
}

/** The units out, those of one component taken off together in one group, the last taken first. */
function takenGroups(takenAt: ReadonlyMap<string, number>, out: readonly Unit[]): Unit[][] {
  const groups = new Map<string, { index: number; units: Unit[] }>();
  for (const unit of out) {
    const index = takenAt.get(unit.pieceId) ?? -1;
    const key = `${index} ${unit.componentId}`;
    const group = groups.get(key) ?? { index, units: [] };
    group.units.push(unit);
    groups.set(key, group);
  }
  return [...groups.values()].sort((a, b) => b.index - a.index).map(({ units }) => units);
}

/** Put back on every way and into no assembly on the bench, so that others can be put back in one go with it. */
function isSimple(timeline: Timeline, units: readonly Unit[]): boolean {
  const step = takingOf(timeline, units)?.step;
  return (
    step !== undefined &&
    step.when === undefined &&
    verbOf(step.verb).effect === 'takes' &&
    units.every(({ pieceId }) => timeline.structure.hostOf.get(pieceId) === undefined)
  );
}

/** Fasteners that were loosened and stayed in the pump. */
function looseFasteners(timeline: Timeline): string[] {
  const { facts } = timeline.end;
  const loose = facts
    .touched('thread')
    .filter((pieceId) => facts.variants('thread', pieceId).some(({ value }) => value === 'loose'))
    .map((pieceId) => timeline.structure.pieces.get(pieceId)?.componentId ?? '');
  return [...new Set(loose)];
}

/** Aids still in come out with the last step of putting back. */
function aidsOut({ procedure }: Workbook, timeline: Timeline): Edit[] {
  const left = endOf(timeline).aids;
  const last = procedure.steps.findLast((step) => step.stage === 'put-back');
  if (left.length === 0 || !last) return [];
  return [{ kind: 'change', stepId: last.id, fields: { aidsOut: [...(last.aidsOut ?? []), ...left] } }];
}
