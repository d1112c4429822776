import { jointOfStep } from '#core/job/tightening';
import type { FastenerGroup } from '#core/model/fastener-group';
import { groupOf } from '#core/model/lookup';
import type { Step, Workbook } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { convert, inSi } from '#core/quantity/quantity';
import type { Quantity } from '#core/quantity/schema';
import type { UnitSymbol } from '#core/quantity/units';
import type { Fault } from './planted-faults';

/** Mistakes with figures, classes, passes and orders, on procedures whose fasteners are described. */

/** One workbook for each torque step whose fasteners are described, with another figure. */
const figured = (workbook: Workbook, change: (step: Step, group: FastenerGroup) => Quantity | undefined): Workbook[] =>
  torqueSteps(workbook).flatMap(({ step, group }) => {
    const figure = change(step, group);
    return figure ? [withFields(workbook, step, { torque: { ...step.torque, figure } as Step['torque'] })] : [];
  });

function torqueSteps({ series, procedure }: Workbook) {
  return procedure.steps.flatMap((step) => {
    const group =
      step.verb === 'torque' && step.torque ? groupOf(series, step.targets[0]?.componentId ?? '') : undefined;
    return group?.thread && group.class ? [{ step, group }] : [];
  });
}

function withFields(workbook: Workbook, step: Step, fields: Partial<Step>): Workbook {
  const steps = workbook.procedure.steps.map((other) => (other === step ? { ...step, ...fields } : other));
  return { ...workbook, procedure: { ...workbook.procedure, steps } };
}

const groups = ({ series }: Workbook): readonly FastenerGroup[] => series.fastenerGroups ?? [];
const withGroup = (workbook: Workbook, group: FastenerGroup, fields: Partial<FastenerGroup>): Workbook => {
  const fastenerGroups = groups(workbook).map((other) => (other === group ? { ...group, ...fields } : other));
  return { ...workbook, series: { ...workbook.series, fastenerGroups } satisfies Series };
};
/** The same number in another unit. */
const labelled = (unit: UnitSymbol) => (workbook: Workbook) =>
  figured(workbook, ({ torque }) => (torque && torque.figure.unit !== unit ? { ...torque.figure, unit } : undefined));
const times = (factor: number) => (workbook: Workbook) =>
  figured(workbook, ({ torque }) => torque && { ...torque.figure, value: torque.figure.value * factor });

/** The sheet keeps the figure as well, as it does once a trainer has looked it up. */
function onSheet(workbook: Workbook): Workbook {
  return torqueSteps(workbook).reduce((so, { step, group }) => {
    const own = groups(so).find(({ id }) => id === group.id);
    return own && step.torque ? withGroup(so, own, { figures: [{ use: 'reuse', torque: step.torque }] }) : so;
  }, workbook);
}

/** Groups with a plan that a step tightens, and the order in which it does. */
const joints = (workbook: Workbook) =>
  torqueSteps(workbook).flatMap(({ step, group }) => {
    const joint = jointOfStep(step, workbook);
    return joint && joint.order.length > 3 ? [{ step, group, joint }] : [];
  });

export const TORQUE_FAULTS: readonly Fault[] = [
  { kind: 'figure tenfold', plant: times(10) },
  { kind: 'figure a tenth', plant: times(0.1) },
  { kind: 'inch pounds for newton metres', plant: labelled('lbf·in') },
  { kind: 'kilopond metres for newton metres', plant: labelled('kgf·m') },
  {
    kind: 'foot pounds, with the figure on the sheet',
    plant: (w) => labelled('lbf·ft')(onSheet(w)),
  },
  {
    kind: 'figures of two groups exchanged',
    plant: (workbook) => {
      const w = onSheet(workbook);
      const steps = torqueSteps(w);
      return steps.flatMap(({ step }, i) =>
        steps.slice(i + 1).flatMap(({ step: other }) => {
          const [one, two] = [step.torque, other.torque];
          if (!one || !two || Math.abs(inSi(one.figure) - inSi(two.figure)) < 0.05 * inSi(one.figure)) return [];
          const changed = withFields(w, step, { torque: { ...one, figure: two.figure } });
          return [withFields(changed, other, { torque: { ...two, figure: one.figure } })];
        }),
      );
    },
  },
  {
    kind: 'weaker class than the figure needs',
    plant: (w) => groups(w).flatMap((group) => (group.class === '8.8' ? [withGroup(w, group, { class: '4.6' })] : [])),
  },
  {
    kind: 'order leaves a fastener out',
    plant: (w) => joints(w).map(({ group, joint }) => withGroup(w, group, { order: joint.order.slice(0, -1) })),
  },
  {
    kind: 'order takes a fastener twice',
    plant: (w) =>
      joints(w).map(({ group, joint: { order } }) =>
        withGroup(w, group, { order: [...order.slice(0, -1), order[0] ?? 0] }),
      ),
  },
  {
    kind: 'order goes round although crosswise',
    plant: (w) =>
      joints(w).flatMap(({ group, joint }) =>
        joint.pattern === 'star' ? [withGroup(w, group, { order: joint.order.map((_, slot) => slot) })] : [],
      ),
  },
  {
    kind: 'passes end before the figure',
    plant: (w) =>
      joints(w).map(({ group }) =>
        withGroup(w, group, {
          passes: [
            { is: 'rise', percent: 50 },
            { is: 'rise', percent: 80 },
          ],
        }),
      ),
  },
  {
    kind: 'six of eight tightened',
    plant: (w) =>
      joints(w).map(({ step, joint }) => {
        const [target] = step.targets;
        return withFields(w, step, { targets: target ? [{ ...target, count: joint.order.length - 2 }] : [] });
      }),
  },
  {
    kind: 'second reading of another figure',
    plant: (w) =>
      torqueSteps(w).flatMap(({ step }) =>
        step.torque
          ? [
              withFields(w, step, {
                torque: { ...step.torque, also: { ...convert(step.torque.figure, 'lbf·in'), unit: 'lbf·ft' } },
              }),
            ]
          : [],
      ),
  },
];
