import type { Rule } from '../rule';

export const empty: Rule = {
  id: 'empty',
  family: 'completeness',
  severity: 'stop',
  looksFor: 'a procedure without steps',
  reason: 'There is nothing a technician could carry out.',
  find: ({ workbook }) =>
    workbook.procedure.steps.length > 0 ? [] : [{ componentIds: [], sentence: 'The procedure has no steps.' }],
};
