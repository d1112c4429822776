import { asFoundEnds, asFoundPoints } from '../../evidence/looks';
import type { Rule } from '../rule';

export const noAsFound: Rule = {
  id: 'no-as-found',
  family: 'evidence',
  severity: 'advise',
  looksFor: 'a teardown with no photo before anything is cleaned or renewed',
  reason: 'Six weeks later nobody can show the customer what was found.',
  find: ({ workbook, timeline }) => {
    const { steps } = workbook.procedure;
    const points = asFoundPoints(timeline);
    const end = asFoundEnds(steps);
    const seen = steps.slice(0, end < 0 ? steps.length : end);
    const point = points.find((step) => seen.includes(step));
    if (!point || end < 0 || seen.some((step) => step.photo || step.verb === 'photo')) return [];
    return [
      {
        stepId: point.id,
        componentIds: [],
        sentence: `No photo shows what was found before step ${end + 1} cleans or renews it.`,
        fix: {
          label: 'Ask for a photo',
          edits: [
            {
              kind: 'change',
              stepId: point.id,
              fields: { photo: { mustShow: 'What was found, before anything is disturbed' } },
            },
          ],
        },
      },
    ];
  },
};
