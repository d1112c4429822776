import { draftedFields } from '../../edits/edit';
import type { Rule } from '../rule';

export const unconfirmed: Rule = {
  id: 'unconfirmed',
  family: 'drafting',
  severity: 'warn',
  looksFor: 'drafted steps that nobody has looked at',
  reason: 'A draft knows the order, not the pump.',
  find: ({ workbook }) => {
    const drafted = workbook.procedure.steps.filter((step) => draftedFields(step).length > 0);
    const [first] = drafted;
    if (!first) return [];
    return [
      {
        stepId: first.id,
        componentIds: [],
        sentence: `${drafted.length === 1 ? 'One drafted step is' : `${drafted.length} drafted steps are`} not confirmed.`,
        fix: {
          label: 'Confirm all',
          edits: drafted.map((step) => ({ kind: 'change' as const, stepId: step.id, fields: { drafted: undefined } })),
        },
      },
    ];
  },
};
