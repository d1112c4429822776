import type { Frame } from '../../bench/replay';
import type { Step } from '../../model/procedure';
import { disorders } from '../order';
import {
  asNoticed,
  atStep,
  type CheckContext,
  changeStep,
  comesOff,
  draftedBefore,
  goesHome,
  indexOf,
  noticed,
  type Rule,
  stepOf,
} from '../rule';

export const covered: Rule<'covered'> = {
  id: 'covered',
  family: 'reach',
  severity: 'warn',
  find: (context) => [
    ...noticed(context, 'covered').map(({ step, on, notice: { componentId, byComponentId, sure } }) => ({
      ...atStep(step, on),
      componentIds: [componentId, byComponentId],
      ...(sure && { severity: 'stop' as const }),
      facts: { componentId, byComponentId, sure },
    })),
    // Loosening may be all it takes, as with a clamp; a fastener that comes off later had to come off first.
    ...noticed(context, 'still-held')
      .filter(({ step, notice }) => comesOffLater(context, notice.fastenerId, step))
      .map(({ step, on, notice: { componentId, fastenerId } }) => ({
        ...atStep(step, on),
        componentIds: [componentId, fastenerId],
        severity: 'stop' as const,
        facts: { componentId, byComponentId: fastenerId, sure: false },
      })),
    // Taken off before what closes over it, and put back before it as well: one of the two steps stands too early.
    ...disorders(context)
      .filter(({ at }) => at === 'taking')
      .map(({ step, on, componentId, otherId }) => ({
        ...atStep(step, on),
        componentIds: [componentId, otherId],
        facts: { componentId, byComponentId: otherId, sure: false },
      })),
  ],
  fix: ({ stepId, facts }, context) => {
    const step = stepOf(context, stepId);
    const clears = step && clearedBy(context, step, facts.byComponentId);
    return (
      clears && {
        words: { does: 'move-behind' },
        edits: [{ kind: 'move', stepId: step.id, index: indexOf(context, clears.id), stage: step.stage }],
      }
    );
  },
};

/** The later step of the same stage by which the last of what is in the way comes off, before any of it goes back. */
function clearedBy(context: CheckContext, step: Step, componentId: string): Step | undefined {
  const { timeline } = context;
  const back = [componentId, ...step.targets.map((target) => target.componentId)];
  const later = framesBehind(context, step);
  const closes = later.findIndex((frame) => back.some((id) => goesHome(timeline, frame, id)));
  return (closes < 0 ? later : later.slice(0, closes)).findLast(
    (frame) => frame.step.stage === step.stage && comesOff(timeline, frame, componentId),
  )?.step;
}

function comesOffLater(context: CheckContext, componentId: string, step: Step): boolean {
  return framesBehind(context, step).some((frame) => comesOff(context.timeline, frame, componentId));
}

function framesBehind({ timeline }: CheckContext, step: Step): readonly Frame[] {
  return timeline.frames.slice(timeline.frames.findIndex((frame) => frame.step.id === step.id) + 1);
}

export const stillTight: Rule<'still-tight'> = {
  id: 'still-tight',
  family: 'reach',
  severity: 'stop',
  find: (context) => asNoticed(context, 'still-tight'),
  // The fasteners may stand at other places than what they hold.
  fix: ({ stepId, facts: { fastenerId } }, context) => ({
    words: { does: 'loosen-first' },
    edits: draftedBefore(context, stepId, 'loosen', fastenerId, { positionIds: [] }),
  }),
};

export const notThere: Rule<'not-there'> = {
  id: 'not-there',
  family: 'reach',
  severity: 'warn',
  find: (context) => asNoticed(context, 'not-there'),
};

export const partlyThere: Rule<'partly-there'> = {
  id: 'partly-there',
  family: 'reach',
  severity: 'warn',
  // Where only some answers leave nothing to do at a place, the step may well be meant for the others.
  find: (context) =>
    asNoticed(context, 'partly-there').map((found) => (found.on ? { ...found, severity: 'advise' as const } : found)),
};

export const tooMany: Rule<'too-many'> = {
  id: 'too-many',
  family: 'reach',
  severity: 'warn',
  find: (context) => asNoticed(context, 'too-many'),
};

export const aidNotThere: Rule<'aid-not-there'> = {
  id: 'aid-not-there',
  family: 'reach',
  severity: 'warn',
  find: (context) =>
    noticed(context, 'aid-not-in').map(({ step, on, notice: { toolId } }) => ({
      ...atStep(step, on),
      componentIds: [],
      facts: { toolId },
    })),
  fix: ({ stepId, facts: { toolId } }, context) => {
    const step = stepOf(context, stepId);
    const left = (step?.aidsOut ?? []).filter((id) => id !== toolId);
    return (
      step && {
        words: { does: 'drop-aid' },
        edits: [changeStep(step, { aidsOut: left.length > 0 ? left : undefined })],
      }
    );
  },
};

export const wrongPlaces: Rule<'wrong-places'> = {
  id: 'wrong-places',
  family: 'reach',
  severity: 'warn',
  find: (context) => asNoticed(context, 'wrong-places'),
};

/**
 * What came off later is presumed to sit underneath. It stops the release where the series says so or the part belongs
 * inside; it warns where the order down and the order back contradict one another.
 */
export const buried: Rule<'buried'> = {
  id: 'buried',
  family: 'reach',
  severity: 'warn',
  find: (context) => {
    const byStep = new Map<string, ReturnType<typeof disorders>>();
    for (const disorder of disorders(context)) {
      if (disorder.at !== 'refitting') continue;
      const key = `${disorder.step.id} ${disorder.componentId}`;
      byStep.set(key, [...(byStep.get(key) ?? []), disorder]);
    }
    return [...byStep.values()].flatMap((list) => {
      const [first] = list;
      if (!first) return [];
      const others = [...new Set(list.map(({ otherId }) => otherId))];
      const pieces = list.map(({ otherPieceId }) => otherPieceId);
      return [
        {
          ...atStep(first.step, list.length === 1 ? first.on : undefined),
          componentIds: others,
          unitIds: pieces.map((id) => `${id}/old`),
          ...(list.some(({ sure }) => sure) && { severity: 'stop' as const }),
          facts: {
            overId: first.componentId,
            parts: others.map((componentId) => ({
              componentId,
              pieces: list.filter(({ otherId }) => otherId === componentId).length,
            })),
          },
        },
      ];
    });
  },
  fix: ({ stepId, componentIds }, context) => {
    const step = stepOf(context, stepId);
    if (!step) return undefined;
    const backAt = disorders(context)
      .filter((disorder) => disorder.step === step && componentIds.includes(disorder.otherId))
      .map(({ otherBackAt }) => otherBackAt);
    const index = Math.max(indexOf(context, stepId), ...backAt);
    return { words: { does: 'move-behind' }, edits: [{ kind: 'move', stepId: step.id, index, stage: step.stage }] };
  },
};

export const shaftElsewhere: Rule<'shaft-elsewhere'> = {
  id: 'shaft-elsewhere',
  family: 'reach',
  severity: 'warn',
  find: (context) =>
    noticed(context, 'shaft-elsewhere').map(({ step, on, notice: { wanted, is } }) => ({
      ...atStep(step, on),
      componentIds: step.targets.map(({ componentId }) => componentId),
      facts: { wanted, is },
    })),
};
