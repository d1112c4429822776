import { nameStep, type Rule, targetIds } from '../rule';

/** "torque to 45", "tighten to 218 pounds": a number that nothing makes a torque. */
const BARE =
  /\b(?:torque[ds]?|tighten(?:ed)?)\b[^.;]{0,24}?\b(?:to|at)\s+(\d+(?:[.,]\d+)?)\s*(?!\d)(?![.,]\d)([^\s.;,]*)(?:\s|$|[.;,])/i;
const TORQUE_UNIT = /^(n[·.*-]?m|nm|newton|lbf?[·.-]?(ft|in)|ft[·.-]?lbf?|in[·.-]?lbf?|kgf?[·.-]?c?m)/i;

export const noUnit: Rule = {
  id: 'no-unit',
  family: 'tightening',
  severity: 'warn',
  looksFor: 'a torque told in words without a unit of torque',
  reason: 'Inch pounds read as foot pounds are twelve times too much.',
  find: (context) =>
    context.workbook.procedure.steps.flatMap((step) => {
      for (const text of [step.detail, step.about, ...step.cautions.map((caution) => caution.text)]) {
        const [, figure, unit = ''] = BARE.exec(text ?? '') ?? [];
        if (!figure || TORQUE_UNIT.test(unit)) continue;
        return [
          {
            stepId: step.id,
            componentIds: targetIds(step),
            sentence: `${nameStep(context, step)}, says ${figure}${unit ? ` ${unit}` : ''} and no unit of torque.`,
          },
        ];
      }
      return [];
    }),
};
