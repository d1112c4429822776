import type { TorqueFigure } from '../../model/procedure';
import { sayQuantity } from '../../quantity/quantity';
import { nameAll, nameStep, noticed, type Rule } from '../rule';

export const threadCondition: Rule = {
  id: 'thread-condition',
  family: 'tightening',
  severity: 'warn',
  looksFor: 'a torque figure that does not hold for what is on the thread, or does not say what it holds for',
  reason: 'Compound and grease change the preload that a torque gives, by a third and more.',
  find: (context) =>
    noticed(context, 'thread-condition').flatMap(({ step, notice: { componentId, consumableId }, when }) => {
      const { torque } = step;
      if (!torque) return [];
      const name = (id: string) => context.timeline.structure.consumables.get(id)?.name ?? 'compound';
      const holdsFor =
        torque.thread === undefined
          ? 'does not say what thread it is for'
          : torque.thread.is === 'dry'
            ? 'is for a dry thread'
            : `is for a thread with ${name(torque.thread.consumableId)}`;
      const isOn = consumableId ? name(consumableId) : 'nothing';
      const thread: TorqueFigure['thread'] = consumableId ? { is: 'with', consumableId } : { is: 'dry' };
      return [
        {
          stepId: step.id,
          componentIds: [componentId],
          sentence: `${nameStep(context, step)}: ${sayQuantity(torque.figure)} ${holdsFor}; ${isOn} is on the ${nameAll(context, componentId)}${when}.`,
          // Which of the two is wrong a person has to say, unless only one was said.
          ...(torque.thread === undefined && {
            fix: {
              label: consumableId ? `Say: with ${name(consumableId)}` : 'Say: dry',
              edits: [{ kind: 'change' as const, stepId: step.id, fields: { torque: { ...torque, thread } } }],
            },
          }),
        },
      ];
    }),
};
