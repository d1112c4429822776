import { compatibility } from '../../supplies/compatibility';
import { materialOf } from '../../supplies/materials';
import { nameAll, nameStep, type Rule } from '../rule';

export const swells: Rule = {
  id: 'swells',
  family: 'compounds',
  severity: 'warn',
  looksFor:
    'grease, oil or compound on a part whose material it attacks; a stop where the published rating is the worst',
  reason: 'The part swells or softens, jams or leaks, and nobody sees why.',
  find: (context) =>
    context.workbook.procedure.steps.flatMap((step) =>
      step.targets.flatMap(({ componentId }) => {
        const component = context.timeline.structure.components.get(componentId);
        if (!component) return [];
        return step.applications.flatMap(({ consumableId }) => {
          const consumable = context.timeline.structure.consumables.get(consumableId);
          const rating = consumable && compatibility(component, consumable);
          if (!consumable || !rating || rating < 3) return [];
          const fits = context.workbook.series.consumables.find((other) => {
            const instead = other === consumable ? undefined : compatibility(component, other);
            return instead !== undefined && instead <= 2 && sameUse(other.kind, consumable.kind);
          });
          return [
            {
              stepId: step.id,
              componentIds: [componentId],
              ...(rating === 4 && { severity: 'stop' as const }),
              sentence: `${nameStep(context, step)}: ${consumable.name} ${rating === 4 ? 'attacks' : 'may swell'} the ${materialOf(component)} of the ${nameAll(context, componentId)}.`,
              ...(fits && {
                fix: {
                  label: `Use ${fits.name}`,
                  edits: [
                    {
                      kind: 'change' as const,
                      stepId: step.id,
                      fields: {
                        applications: step.applications.map((application) =>
                          application.consumableId === consumableId
                            ? { ...application, consumableId: fits.id }
                            : application,
                        ),
                      },
                    },
                  ],
                },
              }),
            },
          ];
        });
      }),
    ),
};

function sameUse(a: string | undefined, b: string | undefined): boolean {
  return a === b || a === undefined || b === undefined;
}
