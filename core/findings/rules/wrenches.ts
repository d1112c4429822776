import { toolLabel } from '../../model/lookup';
import type { Step } from '../../model/procedure';
import type { Series, Tool } from '../../model/series';
import { verbOf } from '../../model/verbs';
import { isPowerTool, turnsBySize } from '../../reading/en/wording';
import { bears, calibrationOf, isTorque, liesIn, torqueRange, usableRange } from '../../torque/wrench';
import { type CheckContext, changeStep, type Rule, stepOf, targetIds, toolsOf } from '../rule';

/** Verbs by which a thread is turned off. */
export const LOOSENS: readonly Step['verb'][] = ['loosen', 'take-off', 'draw', 'separate', 'disconnect', 'ease'];

export const TIGHTENS: readonly Step['verb'][] = ['torque', 'start-by-hand', 'fit', 'connect'];

/** Sizes across flats of the tools that turn a part, in mm, by whether it comes off or goes back. */
export function keySizes(
  { workbook: { series, procedure } }: CheckContext,
  verbs: readonly Step['verb'][],
  componentId: string,
) {
  return procedure.steps
    .filter(
      (step) => verbs.includes(step.verb) && step.targets.length === 1 && step.targets[0]?.componentId === componentId,
    )
    .flatMap((step) =>
      toolsOf(step, series).flatMap((tool) => {
        const size = turnsBySize(tool.name) ? flatsOf(tool) : undefined;
        return size === undefined ? [] : [{ step, tool, size }];
      }),
    );
}

/** Width across flats in mm; undefined where the size says none. */
function flatsOf({ size, name }: Tool): number | undefined {
  const label = size ?? name;
  const metric = /(\d+(?:[.,]\d+)?)\s*mm\b/i.exec(label)?.[1];
  if (metric) return Number(metric.replace(',', '.'));
  const inch = /(?:(\d+)[ -])?(\d+)\/(\d+)\s*(?:in|"|″)?/.exec(label);
  if (inch) return Number(((Number(inch[1] ?? 0) + Number(inch[2]) / Number(inch[3])) * 25.4).toFixed(2));
  return undefined;
}

export const keySize: Rule<'key-size'> = {
  id: 'key-size',
  family: 'tightening',
  severity: 'warn',
  find: (context) =>
    [...context.timeline.structure.threaded].flatMap((componentId) => {
      const down = keySizes(context, LOOSENS, componentId);
      const back = keySizes(context, TIGHTENS, componentId);
      const [first] = down;
      if (!first || back.length === 0) return [];
      const fits = ({ size }: (typeof back)[number]) => down.some((other) => Math.abs(other.size - size) < 0.3);
      // A step may list a second key to hold against.
      const odd = back.find((key) => !back.some((other) => other.step === key.step && fits(other)));
      if (!odd) return [];
      return [
        {
          stepId: odd.step.id,
          componentIds: [componentId],
          facts: { componentId, down: toolLabel(first.tool), back: toolLabel(odd.tool) },
        },
      ];
    }),
};

export const wrenchLoosens: Rule<'wrench-loosens'> = {
  id: 'wrench-loosens',
  family: 'tightening',
  severity: 'warn',
  find: ({ workbook: { series, procedure } }) =>
    procedure.steps.flatMap((step) => {
      if (step.verb !== 'loosen' && verbOf(step.verb).effect !== 'takes') return [];
      return toolsOf(step, series)
        .filter(isTorque)
        .map((tool) => ({ stepId: step.id, componentIds: targetIds(step), facts: { toolId: tool.id } }));
    }),
  fix: ({ stepId, facts }, context) => withoutTool(stepOf(context, stepId), facts.toolId),
};

function withoutTool(step: Step | undefined, toolId: string) {
  if (!step?.toolIds.includes(toolId)) return undefined;
  return {
    words: { does: 'take-tool-out' as const },
    edits: [changeStep(step, { toolIds: step.toolIds.filter((id) => id !== toolId) })],
  };
}

const PUTS_TOGETHER: readonly Step['verb'][] = [
  'torque',
  'start-by-hand',
  'fit',
  'press',
  'seat',
  'place',
  'connect',
  'join',
];

export const powerTightens: Rule<'power-tightens'> = {
  id: 'power-tightens',
  family: 'tightening',
  severity: 'warn',
  find: ({ workbook: { series, procedure } }) =>
    procedure.steps.flatMap((step) => {
      if (!PUTS_TOGETHER.includes(step.verb)) return [];
      return toolsOf(step, series)
        .filter((tool) => tool.kind === 'power' || isPowerTool(tool.name))
        .map((tool) => ({ stepId: step.id, componentIds: targetIds(step), facts: { toolId: tool.id } }));
    }),
  fix: ({ stepId, facts }, context) => withoutTool(stepOf(context, stepId), facts.toolId),
};

/** A torque that no wrench is laid out for, in a procedure that lists its tools. */
export const noWrench: Rule<'no-wrench'> = {
  id: 'no-wrench',
  family: 'tightening',
  severity: 'warn',
  find: ({ workbook: { series, procedure } }) => {
    const listsTools = procedure.steps.some((step) => toolsOf(step, series).length > 0);
    return procedure.steps.flatMap((step) => {
      if (step.verb !== 'torque' || !step.torque) return [];
      if (!listsTools || toolsOf(step, series).some(isTorque)) return [];
      return [{ stepId: step.id, componentIds: targetIds(step), facts: {} }];
    });
  },
};

export const wrenchRange: Rule<'wrench-range'> = {
  id: 'wrench-range',
  family: 'tightening',
  severity: 'warn',
  find: ({ workbook: { series, procedure }, today }) => [
    ...procedure.steps.flatMap((step) => {
      const { figure } = step.torque ?? {};
      const wrenches = toolsOf(step, series).flatMap((tool) => {
        const range = isTorque(tool) ? torqueRange(tool) : undefined;
        return range ? [{ tool, ...range }] : [];
      });
      const [first] = wrenches;
      if (!figure || !first) return [];
      if (wrenches.some((range) => liesIn(figure, usableRange(range)))) return [];
      const facts = { toolId: first.tool.id, figure, ...usableRange(first) };
      return [{ stepId: step.id, componentIds: targetIds(step), facts }];
    }),
    ...(today === undefined ? [] : overdueWrenches(procedure.steps, series, today)),
  ],
  fix: ({ stepId, facts }, context) => {
    const step = stepOf(context, stepId);
    if (!('figure' in facts)) return undefined;
    const other = context.workbook.series.tools.find((tool) => bears(tool, facts.figure));
    if (!step || !other) return undefined;
    const toolIds = step.toolIds.map((id) => (id === facts.toolId ? other.id : id));
    return { words: { does: 'use-tool', id: other.id }, edits: [changeStep(step, { toolIds })] };
  },
};

/** Torque wrenches of which no piece is calibrated any more, each at the first step that tightens with it. */
function overdueWrenches(steps: readonly Step[], series: Series, today: string) {
  const seen = new Set<string>();
  return steps.flatMap((step) => {
    if (!step.torque) return [];
    return toolsOf(step, series).flatMap((tool) => {
      if (seen.has(tool.id) || !isTorque(tool)) return [];
      seen.add(tool.id);
      const overdue = overdueSince(tool, today);
      return overdue === undefined
        ? []
        : [{ stepId: step.id, componentIds: targetIds(step), facts: { toolId: tool.id, overdue } }];
    });
  });
}

/** The last day on which a piece of the tool was calibrated, where all of them ran out; those without a date are not told. */
function overdueSince(tool: Tool, today: string): string | undefined {
  const pieces = calibrationOf(tool, today);
  if (pieces.length === 0 || pieces.some(({ is }) => is !== 'expired')) return undefined;
  return (tool.assets ?? [])
    .flatMap(({ calibratedUntil }) => calibratedUntil ?? [])
    .sort()
    .at(-1);
}
