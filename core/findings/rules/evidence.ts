import { asFoundEnds, asFoundPoints, isPhotographed, type LastLook, lastLooks } from '../../evidence/looks';
import type { Component } from '../../model/series';
import { type CheckContext, changeStep, componentOf, type Rule, stepOf } from '../rule';

export const noLastLook: Rule<'no-last-look'> = {
  id: 'no-last-look',
  family: 'evidence',
  severity: 'advise',
  find: (context) => {
    const missed = missedLooks(context);
    const stepId = context.timeline.frames[missed[0]?.from ?? -1]?.step.id;
    if (!stepId) return [];
    return [{ stepId, componentIds: [...new Set(missed.map(({ componentId }) => componentId))], facts: {} }];
  },
  fix: (_finding, context) => {
    const steps = new Set(missedLooks(context).flatMap(({ from }) => context.timeline.frames[from]?.step ?? []));
    return { words: { does: 'ask-photo' }, edits: [...steps].map((step) => changeStep(step, { photo: {} })) };
  },
};

function missedLooks(context: CheckContext): LastLook[] {
  return lastLooks(context.timeline)
    .filter(({ componentId }) => hidesMistakes(componentOf(context, componentId)))
    .filter((look) => look.coveredById !== undefined && !isPhotographed(context.timeline, look));
}

/** Of a part that goes in either way and at any angle the facing is soon seen to be right. */
function hidesMistakes(component: Component | undefined): boolean {
  const { keyed, faces } = component ?? {};
  return keyed === true || (faces?.clocking !== undefined && faces.clocking.how !== 'any');
}

export const noAsFound: Rule<'no-as-found'> = {
  id: 'no-as-found',
  family: 'evidence',
  severity: 'advise',
  find: ({ workbook, timeline }) => {
    const { steps } = workbook.procedure;
    const points = asFoundPoints(timeline);
    const end = asFoundEnds(steps);
    const seen = steps.slice(0, end < 0 ? steps.length : end);
    const point = points.find((step) => seen.includes(step));
    if (!point || end < 0 || seen.some((step) => step.photo || step.verb === 'photo')) return [];
    return [{ stepId: point.id, componentIds: [], facts: { disturbedAt: end } }];
  },
  fix: ({ stepId }, context) => {
    const step = stepOf(context, stepId);
    return step && { words: { does: 'ask-photo' }, edits: [changeStep(step, { photo: {} })] };
  },
};
