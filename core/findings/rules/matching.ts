import { asNoticed, draftedBefore, type Rule } from '../rule';

export const unmarked: Rule<'unmarked'> = {
  id: 'unmarked',
  family: 'matching',
  severity: 'warn',
  find: (context) => asNoticed(context, 'unmarked'),
  fix: ({ stepId, facts: { componentId } }, context) => ({
    words: { does: 'mark-first' },
    edits: draftedBefore(context, stepId, 'mark', componentId),
  }),
};

export const markedLate: Rule<'marked-late'> = {
  id: 'marked-late',
  family: 'matching',
  severity: 'warn',
  find: (context) => asNoticed(context, 'marked-late'),
};
