import { newStep } from '../../edits/edit';
import type { Step } from '../../model/procedure';
import { nameStep, noticed, type Rule, targetIds } from '../rule';

export const notIsolated: Rule = {
  id: 'not-isolated',
  family: 'safety',
  severity: 'warn',
  looksFor: 'something loosened or taken off before the drive is isolated or locked out',
  reason: 'A motor on automatic control starts without warning.',
  find: (context) =>
    noticed(context, 'not-isolated').map(({ step, when }) => {
      const isolate: Step = {
        ...newStep(`isolate-${step.id}`.slice(0, 64), 'isolate', undefined),
        about: 'the drive and lock it',
        cautions: [
          {
            signal: 'DANGER',
            text: 'A motor on automatic control starts without warning. Lock it yourself and keep the key.',
          },
        ],
        drafted: ['verb', 'about', 'cautions'],
      };
      return {
        stepId: step.id,
        componentIds: targetIds(step),
        sentence: `${nameStep(context, step)}, opens the pump before it is isolated${when}.`,
        fix: { label: 'Add the isolating', edits: [{ kind: 'insert', index: 0, step: isolate }] },
      };
    }),
};
