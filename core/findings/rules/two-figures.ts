import { convert, relativeGap, sayNumber, sayQuantity } from '../../quantity/quantity';
import { nameStep, type Rule, targetIds } from '../rule';

/** Rounded conversions of one figure agree within this share. */
const MOST_APART = 0.02;

export const twoFigures: Rule = {
  id: 'two-figures',
  family: 'tightening',
  severity: 'warn',
  looksFor: 'a torque given in two units that disagree by more than 2 %',
  reason: 'Two people with two wrenches tighten the same joint differently.',
  find: (context) =>
    context.workbook.procedure.steps.flatMap((step) => {
      const { figure, also } = step.torque ?? {};
      if (!step.torque || !figure || !also || relativeGap(figure, also) <= MOST_APART) return [];
      const right = { ...convert(figure, also.unit), value: Number(convert(figure, also.unit).value.toPrecision(3)) };
      return [
        {
          stepId: step.id,
          componentIds: targetIds(step),
          sentence: `${nameStep(context, step)}: ${sayQuantity(figure)} and ${sayQuantity(also)} are ${sayNumber(relativeGap(figure, also) * 100, 2)} % apart.`,
          fix: {
            label: `Say ${sayQuantity(right)}`,
            edits: [{ kind: 'change' as const, stepId: step.id, fields: { torque: { ...step.torque, also: right } } }],
          },
        },
      ];
    }),
};
