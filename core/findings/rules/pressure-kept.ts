import { newStep } from '../../edits/edit';
import type { Step } from '../../model/procedure';
import { nameStep, noticed, type Rule, targetIds } from '../rule';

export const pressureKept: Rule = {
  id: 'pressure-kept',
  family: 'safety',
  severity: 'warn',
  looksFor: 'something loosened or taken off before the pressure is released, unless the series holds none',
  reason: 'Stored pressure throws parts and drives liquid through the skin.',
  find: (context) =>
    noticed(context, 'pressure-kept').map(({ step, when }) => {
      const { steps } = context.workbook.procedure;
      const isolated = steps.findLastIndex(
        (s) => (s.verb === 'isolate' || s.verb === 'lock-out') && s.stage === 'make-safe',
      );
      const release: Step = {
        ...newStep(`release-${step.id}`.slice(0, 64), 'release-pressure', undefined),
        about: 'the pump, slowly',
        cautions: [
          {
            signal: 'WARNING',
            text: 'Liquid and air under pressure injure. Open slowly and away from you, and read the gauge at nothing.',
          },
        ],
        drafted: ['verb', 'about', 'cautions'],
      };
      const opening = steps.indexOf(step);
      return {
        stepId: step.id,
        componentIds: targetIds(step),
        sentence: `${nameStep(context, step)}, opens the pump before the pressure is released${when}.`,
        fix: {
          label: 'Add the release',
          edits: [{ kind: 'insert', index: isolated >= 0 && isolated < opening ? isolated + 1 : 0, step: release }],
        },
      };
    }),
};
