import { movesOf, type Timeline } from '../bench/replay';
import type { Edit } from '../edits/edit';
import { firstOf } from '../edits/steps';
import { isPhotographed, lastLooks } from '../evidence/looks';
import { UNSAID_MINUTES } from '../model/lookup';
import type { Step, Workbook } from '../model/procedure';
import { verbOf } from '../model/verbs';
import { draftStep } from './draft-step';
import { lastNaming } from './refitting';

/**
 * The renewal of these components, before anything is put back and after the last of them is off, as far as the index
 * `before`; at the positions given, or wherever the parts are.
 */
export function renewing(
  workbook: Workbook,
  componentIds: readonly string[],
  positionIds: readonly string[] = [],
  before: number = workbook.procedure.steps.length,
): Edit[] {
  const step = draftStep(workbook, 'renew', componentIds.join('-'), {
    targets: componentIds.map((componentId) => ({ componentId })),
    positionIds: [...positionIds],
  });
  const lastOff = lastNaming(workbook.procedure.steps.slice(0, before), 'takes', componentIds);
  const index = Math.min(before, Math.max(firstOf(workbook.procedure, 'put-back'), lastOff + 1));
  return [{ kind: 'insert', index, step }];
}

/** What is kept and wants grease or compound is cleaned of the old before. */
export function cleaning(workbook: Workbook, timeline: Timeline): Edit[] {
  const { steps } = workbook.procedure;
  const cleaned = new Set(
    steps.flatMap((step) => (step.verb === 'clean' ? step.targets.map((t) => t.componentId) : [])),
  );
  const due = new Set<string>();
  for (const frame of timeline.frames) {
    for (const { act, unitId } of movesOf(frame)) {
      const unit = timeline.units.get(unitId);
      const component = unit && timeline.structure.components.get(unit.componentId);
      const kept = act === 'home' && unit?.generation === 'old';
      if (kept && component?.wants && !cleaned.has(component.id)) due.add(component.id);
    }
  }
  if (due.size === 0) return [];
  const step = draftStep(workbook, 'clean', [...due].join('-'), {
    targets: [...due].map((componentId) => ({ componentId })),
  });
  const lastOff = lastNaming(steps, 'takes', [...due]);
  return [{ kind: 'insert', index: Math.max(firstOf(workbook.procedure, 'put-back'), lastOff + 1), step }];
}

/** New parts that have to soak are put to soak early enough to be ready, at the latest moment that still is. */
export function soaking(workbook: Workbook): Edit[] {
  const { steps } = workbook.procedure;
  return workbook.series.components.flatMap((component): Edit[] => {
    const { soakMinutes } = component;
    const names = (step: Step) => step.targets.some((target) => target.componentId === component.id);
    const fitted = steps.findIndex((step) => verbOf(step.verb).effect === 'refits' && names(step));
    if (!soakMinutes || fitted < 0 || steps.some((step) => step.verb === 'soak' && names(step))) return [];
    let index = fitted;
    for (let minutes = 0; index > firstOf(workbook.procedure, 'take-down') && minutes < soakMinutes; ) {
      index -= 1;
      minutes += steps[index]?.minutes ?? UNSAID_MINUTES;
    }
    const step = draftStep(workbook, 'soak', component.id, {
      stage: steps[index]?.stage ?? 'renew',
      targets: [{ componentId: component.id }],
    });
    return [{ kind: 'insert', index, step }];
  });
}

/** "The drive and lock it out": what was done besides is not undone by these words. "The inlet and outlet valves" are. */
const WHAT_ELSE =
  /\s+and\s+(?:lock|tag|secure|check|try|test|hang|put|keep|wait|let|take|turn|switch|close|open|bleed|release|drain)\b.*$/i;

/** What undoes a step that moves no part: fill for drain, restore for isolate. */
export function counterpart(workbook: Workbook, step: Step, verb: 'fill' | 'restore' | 'open-valve'): Edit[] {
  const undoing = draftStep(workbook, verb, step.id, {
    ...(step.about && { about: step.about.replace(WHAT_ELSE, '') }),
  });
  const { steps } = workbook.procedure;
  let index = firstOf(workbook.procedure, 'prove');
  // The power comes back when everything is filled and open.
  const before = verb === 'fill' ? [] : verb === 'restore' ? ['fill', 'open-valve'] : ['fill'];
  while (before.includes(steps[index]?.verb ?? '')) index += 1;
  return [{ kind: 'insert', index, step: undoing }];
}

/** A photo at the last look of what the draft puts back and something covers. */
export function lastLookPhotos(timeline: Timeline): Edit[] {
  return lastLooks(timeline).flatMap((look): Edit[] => {
    const step = timeline.frames[look.from]?.step;
    if (!step?.drafted || step.photo || !look.coveredById || isPhotographed(timeline, look)) return [];
    return [{ kind: 'change', stepId: step.id, fields: { photo: {}, drafted: [...step.drafted, 'photo'] } }];
  });
}
