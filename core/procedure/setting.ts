import type { Method, Setting, Step } from './procedure';

/** The method to go by in a setting; undefined when the step itself is the way there. */
export function methodIn(step: Step, setting: Setting): Method | undefined {
  return step.methods?.find((method) => method.setting === setting);
}

/** A step as it is carried out in a setting: what its method does not say is as in the step. */
export function stepIn(step: Step, setting: Setting): Step {
  const method = methodIn(step, setting);
  if (!method) return step;
  const { text: _forTheOther, ...rest } = step;
  return {
    ...rest,
    verb: method.verb,
    toolIds: method.toolIds,
    cautions: [...step.cautions, ...method.cautions],
    ...(method.detail && { detail: method.detail }),
    methods: (step.methods ?? []).filter((other) => other !== method),
  };
}
