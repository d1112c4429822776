import type { Method, Step } from './procedure';
import type { Setting } from './procedure-words';

/** The method to go by in a setting; undefined when the step itself is the way there. */
export function methodIn(step: Step, setting: Setting): Method | undefined {
  return step.methods?.find((method) => method.setting === setting);
}

/** The method to go by: the one chosen (null for the step's own way), or else the one of the setting. */
export function methodTaken(step: Step, setting: Setting, chosenId: string | null | undefined): Method | undefined {
  return chosenId === undefined ? methodIn(step, setting) : step.methods?.find(({ id }) => id === chosenId);
}

/** A step as it is carried out in a setting. */
export function stepIn(step: Step, setting: Setting): Step {
  return stepBy(step, methodIn(step, setting));
}

/** What a method says in place of the step; the rest is as in the step. */
const REPLACED = [
  'about',
  'faces',
  'applications',
  'torque',
  'looks',
  'measurements',
  'aidsIn',
  'aidsOut',
  'minutes',
  'detail',
] as const satisfies readonly (keyof Method & keyof Step)[];

/** A step as it is carried out by a method: what the method does not say is as in the step. */
export function stepBy(step: Step, method: Method | undefined): Step {
  if (!method) return step;
  const { text: _forTheOther, ...rest } = step;
  const said = Object.fromEntries(
    REPLACED.flatMap((field) => (method[field] === undefined ? [] : [[field, method[field]]])),
  );
  return {
    ...rest,
    ...said,
    verb: method.verb,
    toolIds: method.toolIds,
    cautions: [...step.cautions, ...method.cautions],
    methods: (step.methods ?? []).filter((other) => other !== method),
  };
}
