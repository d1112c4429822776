import { jointOfStep } from '../../job/tightening';
import type { FastenerGroup } from '../../model/fastener-group';
import { groupOf } from '../../model/lookup';
import type { Step } from '../../model/procedure';
import { type CheckContext, type Rule, stepOf } from '../rule';

/** The first step that tightens each group, with its plan. */
function joints({ workbook }: CheckContext) {
  const seen = new Set<string>();
  return workbook.procedure.steps.flatMap((step: Step) => {
    const componentId = step.targets[0]?.componentId;
    const joint = componentId === undefined || seen.has(componentId) ? undefined : jointOfStep(step, workbook);
    if (!joint || componentId === undefined) return [];
    seen.add(componentId);
    return [{ step, componentId, joint }];
  });
}

/** The group without what is wrong about it, so that what is usual takes its place. */
function without(field: 'order' | 'passes', componentId: string, { workbook: { series } }: CheckContext) {
  const fastenerGroups = series.fastenerGroups?.map((group): FastenerGroup => {
    if (group.componentId !== componentId) return group;
    const { [field]: _wrong, ...rest } = group;
    return rest;
  });
  return [{ kind: 'change-series' as const, fields: { fastenerGroups } }];
}

/** An order set by hand that leaves a fastener out, takes one twice, or goes to a neighbour too soon. */
export const jointOrder: Rule<'joint-order'> = {
  id: 'joint-order',
  family: 'tightening',
  severity: 'warn',
  find: (context) =>
    joints(context).flatMap(({ step, componentId, joint }) => {
      if (!groupOf(context.workbook.series, componentId)?.order) return [];
      const [fault] = joint.orderFaults;
      if (!fault) return [];
      const after = fault.is === 'neighbours' ? fault.after + 1 : null;
      const facts = { componentId, fault: fault.is, place: fault.slot + 1, after };
      return [{ stepId: step.id, componentIds: [componentId], facts }];
    }),
  fix: ({ facts: { componentId } }, context) => ({
    words: { does: 'use-pattern-order' },
    edits: without('order', componentId, context),
  }),
};

/** Passes that do not rise to the figure. */
export const jointPasses: Rule<'joint-passes'> = {
  id: 'joint-passes',
  family: 'tightening',
  severity: 'warn',
  find: (context) =>
    joints(context).flatMap(({ step, componentId, joint }) => {
      // Below what the wrench shows is told on the torque sheet: the figure itself is pulled by it all the same.
      const fault = joint.passFaults.find((one) => one !== 'below-wrench');
      if (!fault) return [];
      return [{ stepId: step.id, componentIds: [componentId], facts: { componentId, fault } }];
    }),
  fix: ({ stepId, facts: { componentId } }, context) =>
    stepOf(context, stepId) && {
      words: { does: 'use-usual-passes' },
      edits: without('passes', componentId, context),
    },
};
