import type { Procedure, Step } from '../model/procedure';
import type { Faces } from '../orientation/faces';
import type { CheckContext } from './rule';

/** The steps that say how a single component faces, by component, once for each version of a procedure. */
const known = new WeakMap<Procedure, ReadonlyMap<string, readonly Step[]>>();

function facingSteps(procedure: Procedure): ReadonlyMap<string, readonly Step[]> {
  const there = known.get(procedure);
  if (there) return there;
  const saying = new Map<string, Step[]>();
  for (const step of procedure.steps) {
    const [only, more] = step.targets;
    if (!step.faces || !only || more) continue;
    saying.set(only.componentId, [...(saying.get(only.componentId) ?? []), step]);
  }
  known.set(procedure, saying);
  return saying;
}

/** How a part sits: as the series says, or as another step for it alone does. */
export function saidFacing({ workbook, timeline }: CheckContext, componentId: string, except: Step): Faces | undefined {
  return (
    timeline.structure.components.get(componentId)?.faces ??
    facingSteps(workbook.procedure)
      .get(componentId)
      ?.find((step) => step !== except)?.faces
  );
}
