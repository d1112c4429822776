import { PLANNED_LIFT_KG } from '../../cautions/safety-page';
import { sayNumber } from '../../quantity/quantity';
import { agree, nameAll, nameStep, type Rule } from '../rule';

const SAID = /\b(lift|hoist|crane|sling|support|heavy|two people|trolley|jack)/i;

export const heavy: Rule = {
  id: 'heavy',
  family: 'safety',
  severity: 'warn',
  looksFor: `parts of ${PLANNED_LIFT_KG} kg and more, with all that sits in them, moved without a word about the lift`,
  reason: 'It slips, crushes a hand or hurts a back.',
  find: (context) => {
    const { components } = context.timeline.structure;
    const massOf = (unitId: string) =>
      components.get(context.timeline.units.get(unitId)?.componentId ?? '')?.massKg ?? 0;
    if (![...components.values()].some((component) => component.massKg !== undefined)) return [];
    return context.timeline.frames.flatMap(({ step, runs }) => {
      let heaviest: { componentId: string; kg: number } | undefined;
      let lifted: typeof heaviest;
      for (const move of runs.flatMap((run) => run.moves)) {
        if (move.act === 'out' || move.act === 'home') {
          lifted = { componentId: context.timeline.units.get(move.unitId)?.componentId ?? '', kg: massOf(move.unitId) };
        } else if (move.act === 'along' && lifted) lifted = { ...lifted, kg: lifted.kg + massOf(move.unitId) };
        if (lifted && lifted.kg > (heaviest?.kg ?? 0)) heaviest = lifted;
      }
      if (!heaviest || heaviest.kg < PLANNED_LIFT_KG) return [];
      const words = [
        step.detail,
        step.about,
        ...step.cautions.map((caution) => caution.text),
        ...step.toolIds.map((id) => context.workbook.series.tools.find((tool) => tool.id === id)?.name),
      ];
      if (SAID.test(words.join(' '))) return [];
      const kg = sayNumber(heaviest.kg);
      return [
        {
          stepId: step.id,
          componentIds: [heaviest.componentId],
          sentence: `${nameStep(context, step)}: the ${nameAll(context, heaviest.componentId)} of ${kg} kg ${agree(context, heaviest.componentId, 'is', 'are')} moved without a planned lift.`,
          fix: {
            label: 'Add the caution',
            edits: [
              {
                kind: 'change' as const,
                stepId: step.id,
                fields: {
                  cautions: [
                    ...step.cautions,
                    {
                      signal: 'WARNING' as const,
                      text: `Heavy: about ${kg} kg. Plan the lift and support it before it is free.`,
                    },
                  ],
                },
              },
            ],
          },
        },
      ];
    });
  },
};
