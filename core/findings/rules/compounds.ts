import { writtenIn } from '../../edits/written';
import { UNSAID_MINUTES } from '../../model/lookup';
import type { Step } from '../../model/procedure';
import { saysLubricant } from '../../reading/en/wording';
import { compatibility } from '../../supplies/compatibility';
import { isCompound, isLubricant } from '../../supplies/consumable-kinds';
import { materialOf } from '../../supplies/materials';
import {
  asNoticed,
  atStep,
  type CheckContext,
  changeStep,
  componentOf,
  draftedBefore,
  noticed,
  type Rule,
  stepOf,
  targetIds,
  targetsOf,
} from '../rule';

export const swells: Rule<'swells'> = {
  id: 'swells',
  family: 'compounds',
  severity: 'warn',
  find: (context) => {
    const { consumables } = context.timeline.structure;
    return context.workbook.procedure.steps.flatMap((step) => {
      if (step.applications.length === 0 && !step.methods) return [];
      const applied = [...step.applications, ...(step.methods ?? []).flatMap((method) => method.applications ?? [])];
      const ids = new Set(
        applied.flatMap(({ consumableId, orConsumableIds = [] }) => [consumableId, ...orConsumableIds]),
      );
      return targetsOf(context, step).flatMap((component) =>
        [...ids].flatMap((consumableId) => {
          const consumable = consumables.get(consumableId);
          const rating = consumable && compatibility(component, consumable);
          const material = materialOf(component);
          if ((rating !== 3 && rating !== 4) || !material) return [];
          return [
            {
              stepId: step.id,
              componentIds: [component.id],
              ...(rating === 4 && { severity: 'stop' as const }),
              facts: { componentId: component.id, consumableId, rating, material },
            },
          ];
        }),
      );
    });
  },
  fix: ({ stepId, facts: { componentId, consumableId } }, context) => {
    const step = stepOf(context, stepId);
    const component = componentOf(context, componentId);
    const used = context.timeline.structure.consumables.get(consumableId);
    if (!step || !component || !used) return undefined;
    const fits = context.workbook.series.consumables.find((other) => {
      const instead = other.id === consumableId ? undefined : compatibility(component, other);
      return instead !== undefined && instead <= 2 && sameUse(other.kind, used.kind);
    });
    if (!fits || !step.applications.some((application) => application.consumableId === consumableId)) return undefined;
    const applications = step.applications.map((application) =>
      application.consumableId === consumableId ? { ...application, consumableId: fits.id } : application,
    );
    return { words: { does: 'use-consumable', id: fits.id }, edits: [changeStep(step, { applications })] };
  },
};

function sameUse(a: string | undefined, b: string | undefined): boolean {
  return a === b || a === undefined || b === undefined;
}

export const oldCompound: Rule<'old-compound'> = {
  id: 'old-compound',
  family: 'compounds',
  severity: 'warn',
  find: (context) => asNoticed(context, 'old-compound'),
  fix: ({ stepId, facts: { componentId } }, context) => ({
    words: { does: 'add-cleaning' },
    edits: draftedBefore(context, stepId, 'clean', componentId),
  }),
};

export const setsFirst: Rule<'sets-first'> = {
  id: 'sets-first',
  family: 'compounds',
  severity: 'warn',
  find: (context) => asNoticed(context, 'sets-first'),
};

export const soakShort: Rule<'soak-short'> = {
  id: 'soak-short',
  family: 'compounds',
  severity: 'warn',
  find: (context) => asNoticed(context, 'soak-short'),
  fix: ({ facts: { componentId, wanted, minutes } }, { workbook: { procedure } }) => {
    const soaked = procedure.steps.findLast(
      (other) => other.verb === 'soak' && other.targets.some((target) => target.componentId === componentId),
    );
    if (!soaked || minutes === null || minutes >= wanted) return undefined;
    const longer = (soaked.minutes ?? UNSAID_MINUTES) + wanted - minutes;
    return {
      words: { does: 'soak-longer', count: wanted - minutes },
      edits: [changeStep(soaked, { minutes: longer })],
    };
  },
};

export const drySeal: Rule<'dry-seal'> = {
  id: 'dry-seal',
  family: 'compounds',
  severity: 'advise',
  find: (context) =>
    noticed(context, 'dry-seal').flatMap(({ step, on, notice: { componentId, consumableId } }) => {
      // Greased in its place a moment later it is not dry; and what the words tell is put on, though no field says it.
      if (isGreasedLater(context, step, componentId)) return [];
      if (!consumableId && writtenIn(step).some(({ text }) => saysLubricant(text))) return [];
      return [
        {
          ...atStep(step, on),
          componentIds: [componentId],
          ...(consumableId && { severity: 'warn' as const }),
          facts: { componentId, consumableId },
        },
      ];
    }),
  fix: ({ stepId, facts: { componentId } }, context) => {
    const step = stepOf(context, stepId);
    const component = componentOf(context, componentId);
    const { consumables } = context.timeline.structure;
    const grease = component?.wants?.find(({ consumableId }) => {
      const consumable = consumables.get(consumableId);
      return consumable && isLubricant(consumable);
    });
    if (!step || !grease) return undefined;
    return {
      words: { does: 'apply-consumable', id: grease.consumableId },
      edits: [changeStep(step, { applications: [...step.applications, grease] })],
    };
  },
};

/** Whether a later step lubricates a part where it sits. */
function isGreasedLater({ workbook }: CheckContext, step: Step, componentId: string): boolean {
  const { steps } = workbook.procedure;
  return steps
    .slice(steps.indexOf(step) + 1)
    .some((later) => later.verb === 'lubricate' && later.targets.some((target) => target.componentId === componentId));
}

export const compoundMissing: Rule<'compound-missing'> = {
  id: 'compound-missing',
  family: 'compounds',
  severity: 'warn',
  find: (context) => asNoticed(context, 'compound-missing'),
  fix: ({ stepId, facts: { componentId, consumableId } }, context) => {
    const step = stepOf(context, stepId);
    const want = componentOf(context, componentId)?.wants?.find((wanted) => wanted.consumableId === consumableId);
    if (!step || !want) return undefined;
    return {
      words: { does: 'apply-consumable', id: consumableId },
      edits: [changeStep(step, { applications: [...step.applications, want] })],
    };
  },
};

/** Compound or tape, paste or sealant: two on one thread hold less than either. */
export const bothCompounds: Rule<'both-compounds'> = {
  id: 'both-compounds',
  family: 'compounds',
  severity: 'warn',
  find: (context) => {
    const { consumables } = context.timeline.structure;
    return context.workbook.procedure.steps.flatMap((step) => {
      const compounds = step.applications.filter(({ consumableId }) => {
        const consumable = consumables.get(consumableId);
        return consumable !== undefined && isCompound(consumable);
      });
      const where = new Set(compounds.map((application) => (application.where ?? '').toLowerCase()));
      if (compounds.length < 2 || where.size === compounds.length) return [];
      return [
        {
          stepId: step.id,
          componentIds: targetIds(step),
          facts: { consumableIds: compounds.map(({ consumableId }) => consumableId) },
        },
      ];
    });
  },
};

export const nothingApplied: Rule<'nothing-applied'> = {
  id: 'nothing-applied',
  family: 'compounds',
  severity: 'warn',
  find: ({ workbook }) =>
    workbook.procedure.steps.flatMap((step) => {
      const { verb } = step;
      if (verb !== 'lubricate' && verb !== 'apply-compound') return [];
      if (step.applications.length > 0 || writtenIn(step).some(({ text }) => saysLubricant(text))) return [];
      return [{ stepId: step.id, componentIds: targetIds(step), facts: { verb } }];
    }),
};
