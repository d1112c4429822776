import { draftStep } from '../../drafting/draft-step';
import { counterpart } from '../../drafting/preparing';
import { opensPump } from '../../model/verbs';
import { bare } from '../../orientation/faces';
import { isKeptFluid } from '../../reading/en/safety-words';
import { atStep, type CheckContext, componentOf, noticed, type Rule, stepOf } from '../rule';
import { openAtEnd } from './completeness';

export const notRefilled: Rule<'not-refilled'> = {
  id: 'not-refilled',
  family: 'completeness',
  severity: 'warn',
  find: (context) => {
    const { workbook, timeline } = context;
    if (workbook.procedure.handsOn) return [];
    return openAtEnd(context, 'drained').flatMap(({ key, on }) => {
      const step = timeline.end.drains.get(key);
      if (!step || !isKeptFluid(step.about)) return [];
      const here = stepOf(context, key) !== undefined;
      return [{ ...(here && { stepId: key }), ...(on && { on }), componentIds: [], facts: { about: step.about } }];
    });
  },
  fix: ({ stepId, facts: { about } }, context) => {
    const drains = [...context.timeline.end.drains.values()];
    const step = stepOf(context, stepId) ?? drains.find((other) => other.about === about);
    return step && { words: { does: 'add-filling' }, edits: counterpart(context.workbook, step, 'fill') };
  },
};

export const notRestored: Rule<'not-restored'> = {
  id: 'not-restored',
  family: 'completeness',
  severity: 'warn',
  find: (context) => {
    const { workbook, timeline } = context;
    if (workbook.procedure.handsOn) return [];
    return openAtEnd(context, 'isolated').map(({ key, on }) => {
      const step = timeline.end.isolations.get(key);
      const here = step && stepOf(context, step.id) !== undefined;
      return {
        ...(step && here && { stepId: step.id }),
        ...(on && { on }),
        componentIds: [],
        facts: { about: step?.about },
      };
    });
  },
  fix: ({ stepId, facts: { about } }, context) => {
    const isolations = [...context.timeline.end.isolations.values()];
    const step = stepOf(context, stepId) ?? isolations.find((other) => other.about === about);
    if (!step) return undefined;
    const verb = step.verb === 'close-valve' ? 'open-valve' : 'restore';
    return { words: { does: 'add-restoring' }, edits: counterpart(context.workbook, step, verb) };
  },
};

export const notClosed: Rule<'not-closed'> = {
  id: 'not-closed',
  family: 'safety',
  severity: 'warn',
  find: (context) =>
    noticed(context, 'not-closed').map(({ step, on }) => ({
      ...atStep(step, on),
      componentIds: [],
      facts: { about: step.about },
    })),
  fix: ({ stepId, facts: { about } }, context) => {
    const opening = stepOf(context, stepId);
    if (!opening) return undefined;
    const step = draftStep(context.workbook, 'close-valve', opening.id, { ...(about && { about }) });
    return { words: { does: 'add-closing' }, edits: [{ kind: 'insert', index: safeUntil(context), step }] };
  },
};

export const closedLate: Rule<'closed-late'> = {
  id: 'closed-late',
  family: 'safety',
  severity: 'warn',
  find: (context) =>
    noticed(context, 'closed-late').map(({ step, on }) => ({
      ...atStep(step, on),
      componentIds: [],
      facts: { about: step.about },
    })),
  fix: ({ stepId }, context) => {
    const step = stepOf(context, stepId);
    if (!step) return undefined;
    return {
      words: { does: 'isolate-first' },
      edits: [{ kind: 'move', stepId: step.id, index: safeUntil(context), stage: 'make-safe' }],
    };
  },
};

export const runDry: Rule<'run-dry'> = {
  id: 'run-dry',
  family: 'completeness',
  severity: 'warn',
  find: (context) =>
    noticed(context, 'run-dry').map(({ step, on, notice: { about } }) => ({
      ...atStep(step, on),
      componentIds: [],
      facts: { about },
    })),
};

export const notDrained: Rule<'not-drained'> = {
  id: 'not-drained',
  family: 'completeness',
  severity: 'warn',
  find: (context) =>
    noticed(context, 'not-drained').map(({ step, on }) => ({
      ...atStep(step, on),
      componentIds: [],
      facts: { about: step.about },
    })),
  fix: ({ stepId, facts: { about } }, context) => {
    const filling = stepOf(context, stepId);
    if (!filling) return undefined;
    const step = draftStep(context.workbook, 'drain', filling.id, { ...(about && { about }) });
    return { words: { does: 'add-draining' }, edits: [{ kind: 'insert', index: safeUntil(context), step }] };
  },
};

/** Where making safe ends: before the first step that opens the pump. */
function safeUntil({ workbook }: CheckContext): number {
  const opening = workbook.procedure.steps.findIndex(({ verb }) => opensPump(verb));
  return Math.max(0, opening);
}

/** Parts that are out as power is given back and still go back later; what never does is told as left over. */
function laterBack({ timeline }: CheckContext, index: number, componentIds: readonly string[]): string[] {
  return componentIds.filter((id) =>
    timeline.frames
      .slice(index + 1)
      .some(({ step, moves }) =>
        step.verb === 'torque'
          ? step.targets.some((target) => target.componentId === id)
          : moves.some(({ act, unitId }) => act === 'home' && timeline.units.get(unitId)?.componentId === id),
      ),
  );
}

export const restoredOpen: Rule<'restored-open'> = {
  id: 'restored-open',
  family: 'safety',
  severity: 'warn',
  find: (context) =>
    noticed(context, 'restored-open').flatMap(({ step, index, on, notice: { componentIds, why } }) => {
      // A guard goes back last; nothing turns on it.
      const open = laterBack(context, index, componentIds).filter(
        (id) => !/guard/i.test(bare(componentOf(context, id)?.name ?? '')),
      );
      return open.length > 0 ? [{ ...atStep(step, on), componentIds: open, facts: { componentIds: open, why } }] : [];
    }),
};

export const testedLocked: Rule<'tested-locked'> = {
  id: 'tested-locked',
  family: 'safety',
  severity: 'warn',
  find: (context) =>
    noticed(context, 'tested-locked').map(({ step, on, notice: { lockedBy } }) => {
      const lockedAt = context.workbook.procedure.steps.findIndex(({ id }) => id === lockedBy);
      return { ...atStep(step, on), componentIds: [], facts: { lockedAt: lockedAt >= 0 ? lockedAt : null } };
    }),
};

export const filledOpen: Rule<'filled-open'> = {
  id: 'filled-open',
  family: 'completeness',
  severity: 'warn',
  find: (context) =>
    noticed(context, 'filled-open').flatMap(({ step, index, on, notice: { componentIds } }) => {
      const open = laterBack(context, index, componentIds);
      return open.length > 0 ? [{ ...atStep(step, on), componentIds: open, facts: { componentIds: open } }] : [];
    }),
};
