import { verbOf } from '../../model/verbs';
import { compareFacings } from '../../orientation/directions';
import { sameFacing } from '../../orientation/faces';
import { agree, nameAll, nameStep, type Rule } from '../rule';
import { saidFacing } from '../said-facing';

export const facesWrong: Rule = {
  id: 'faces-wrong',
  family: 'faces',
  severity: 'warn',
  looksFor: 'a part refitted another way round than the series says, or than it was found',
  reason: 'One of the two is wrong, and the technician believes the step in hand.',
  find: (context) =>
    context.workbook.procedure.steps.flatMap((step) => {
      const { faces } = step;
      const [only, more] = step.targets;
      if (!faces || !only || more || verbOf(step.verb).effect !== 'refits') return [];
      const said = saidFacing(context, only.componentId, step);
      const component = context.timeline.structure.components.get(only.componentId);
      if (!said || !component || sameFacing(said, faces)) return [];
      // Said otherwise it may still be the same: "the pressure" and "into the bore" where the pressure acts from below.
      if (compareFacings(said, faces, component, context.workbook.series) === 'same') return [];
      return [
        {
          stepId: step.id,
          componentIds: [only.componentId],
          sentence: `${nameStep(context, step)}: elsewhere the ${nameAll(context, only.componentId)} ${agree(context, only.componentId, 'has', 'have')} ${said.end} toward ${said.toward}.`,
          fix: {
            label: 'Say it as there',
            edits: [{ kind: 'change' as const, stepId: step.id, fields: { faces: said } }],
          },
        },
      ];
    }),
};
