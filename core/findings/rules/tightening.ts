import { NO_WAY, type Ways } from '../../bench/ways';
import { firstOf } from '../../edits/steps';
import { writtenIn } from '../../edits/written';
import type { Step } from '../../model/procedure';
import { type Tool, toolLabel } from '../../model/series';
import { verbOf } from '../../model/verbs';
import { convert, inSi, type Quantity, readQuantity, relativeGap } from '../../quantity/quantity';
import { isFirstPass } from '../../reading/en/remark-words';
import { bareTorqueIn, isPowerTool, isTorqueTool, turnsBySize } from '../../reading/en/wording';
import { plausibleTorque, rangeIn, type Thread, threadByFlats, threadIn } from '../../torque/plausible';
import type { FactsOf } from '../finding';
import {
  asNoticed,
  atStep,
  type CheckContext,
  changeStep,
  componentOf,
  type Found,
  noticed,
  type Rule,
  stepOf,
  targetIds,
  toolsOf,
} from '../rule';

/** Rounded conversions of one figure agree within this share. */
const MOST_APART = 0.02;

const newtonMetres = (value: number): Quantity => ({ value: Number(value.toPrecision(4)), unit: 'N·m' });

export const torqueMisplaced: Rule<'torque-misplaced'> = {
  id: 'torque-misplaced',
  family: 'tightening',
  severity: 'warn',
  find: ({ workbook }) =>
    workbook.procedure.steps
      .filter((step) => step.verb === 'torque' && (step.stage === 'make-safe' || step.stage === 'take-down'))
      .map((step) => ({ stepId: step.id, componentIds: targetIds(step), facts: {} })),
  fix: ({ stepId }, { workbook: { procedure } }) =>
    stepId === undefined
      ? undefined
      : {
          words: { does: 'move-to-put-back' },
          edits: [{ kind: 'move', stepId, index: firstOf(procedure, 'prove') - 1, stage: 'put-back' }],
        },
};

export const torqueEarly: Rule<'torque-early'> = {
  id: 'torque-early',
  family: 'tightening',
  severity: 'warn',
  find: (context) => asNoticed(context, 'torque-early'),
};

export const lockEarly: Rule<'lock-early'> = {
  id: 'lock-early',
  family: 'tightening',
  severity: 'warn',
  find: (context) => asNoticed(context, 'lock-early'),
};

export const lockBeforeTorque: Rule<'lock-before-torque'> = {
  id: 'lock-before-torque',
  family: 'tightening',
  severity: 'warn',
  find: (context) => asNoticed(context, 'lock-before-torque'),
};

export const secondFigure: Rule<'second-figure'> = {
  id: 'second-figure',
  family: 'tightening',
  severity: 'warn',
  find: (context) => [
    ...figuresApart(context),
    ...noticed(context, 'second-figure').flatMap(({ step, index, on, notice: { componentId, first, second } }) =>
      // Rising passes are told lowest first; a later lower figure, or one of the same step elsewhere, is a second one.
      isPass(context, step, index, componentId, first, second)
        ? []
        : [
            {
              ...atStep(step, on),
              componentIds: [componentId],
              facts: { componentId, first: newtonMetres(first), second: newtonMetres(second) },
            },
          ],
    ),
  ],
};

/** Pieces of one part that end at different figures: at two places, or within one group. */
function figuresApart(context: CheckContext): Found<'second-figure'>[] {
  const { timeline, workbook } = context;
  const { facts } = timeline.end;
  const byPart = new Map<string, { value: number; ways: Ways }[]>();
  for (const pieceId of facts.touched('figure')) {
    const componentId = timeline.structure.pieces.get(pieceId)?.componentId ?? '';
    for (const { value, ways } of facts.variants('figure', pieceId))
      if (value !== null) byPart.set(componentId, [...(byPart.get(componentId) ?? []), { value, ways }]);
  }
  return [...byPart].flatMap(([componentId, figures]) => {
    const [first] = figures;
    const other = figures.find(
      ({ value, ways }) =>
        first !== undefined &&
        Math.abs(value - first.value) > MOST_APART * value &&
        timeline.questions.both(ways, timeline.questions.both(first.ways, timeline.within)) !== NO_WAY,
    );
    const step = workbook.procedure.steps.findLast(
      ({ verb, targets }) => verb === 'torque' && targets.some((target) => target.componentId === componentId),
    );
    if (!first || !other || !step) return [];
    const facts = { componentId, first: newtonMetres(first.value), second: newtonMetres(other.value) };
    return [{ stepId: step.id, componentIds: [componentId], facts }];
  });
}

/** The last but one pass of a tightening reaches at most this share of the figure, unless its words call it a pass. */
const MOST_BEFORE_LAST = 0.75;
const CALLED_PASS =
  /\b(?:first|second|third|final|last|next) (?:pass|round|stage|time)\b|\b(?:pass|stage|round) \d|\b(?:snug|half|pre-?torque)\b|\d+ ?%/i;

/** Two torque steps right after one another with a rising figure are passes of one tightening. */
function isPass(
  { workbook }: CheckContext,
  step: Step,
  index: number,
  componentId: string,
  first: number,
  second: number,
): boolean {
  const before = workbook.procedure.steps
    .slice(0, index)
    .findLast((other) => other.verb === 'torque' && other.targets.some((target) => target.componentId === componentId));
  const between = before ? workbook.procedure.steps.slice(workbook.procedure.steps.indexOf(before) + 1, index) : [];
  const rises = second > first && second <= first * 6;
  const called = [before, step].some(
    (one) => one && writtenIn(one).some(({ where, text }) => where !== 'caution' && CALLED_PASS.test(text)),
  );
  return (
    rises &&
    (called || first < second * MOST_BEFORE_LAST || isThirdInARow(workbook.procedure.steps, index)) &&
    between.every(({ verb }) => ['torque', 'turn', 'wait', 'inspect', 'photo'].includes(verb)) &&
    step.stage === before?.stage
  );
}

/** Three torques of the same parts right after one another are rounds of one tightening. */
function isThirdInARow(steps: readonly Step[], index: number): boolean {
  const parts = JSON.stringify(steps[index]?.targets);
  const run = (from: number) => {
    let i = from;
    while (steps[i]?.verb === 'torque' && JSON.stringify(steps[i]?.targets) === parts) i += from < index ? -1 : 1;
    return Math.abs(i - from);
  };
  return run(index - 1) + 1 + run(index + 1) >= 3;
}

export const holeOccupied: Rule<'hole-occupied'> = {
  id: 'hole-occupied',
  family: 'tightening',
  severity: 'warn',
  find: (context) => asNoticed(context, 'hole-occupied'),
};

const LOOSENS: readonly Step['verb'][] = ['loosen', 'take-off', 'draw', 'separate', 'disconnect', 'ease'];
const TIGHTENS: readonly Step['verb'][] = ['torque', 'start-by-hand', 'fit', 'connect'];

/** Sizes across flats of the tools that turn a part, in mm, by whether it comes off or goes back. */
function keySizes(
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

const isTorque = (tool: Tool) => tool.kind === 'torque' || isTorqueTool(tool.name);

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

/** The range of a torque tool: as said, or as its size tells. */
function torqueRange(tool: Tool): { from: Quantity; to: Quantity } | undefined {
  return (
    tool.range ??
    rangeIn(tool.size ?? tool.name, (words) => {
      const reading = readQuantity(words, 'torque');
      return reading.ok ? reading.quantity : undefined;
    })
  );
}

export const wrenchRange: Rule<'wrench-range'> = {
  id: 'wrench-range',
  family: 'tightening',
  severity: 'warn',
  find: ({ workbook: { series, procedure } }) =>
    procedure.steps.flatMap((step) => {
      const { figure } = step.torque ?? {};
      const wrenches = toolsOf(step, series).flatMap((tool) => {
        const range = isTorque(tool) ? torqueRange(tool) : undefined;
        return range ? [{ tool, ...range }] : [];
      });
      const [first] = wrenches;
      if (!figure || !first) return [];
      const fits = wrenches.some(
        ({ from, to }) => inSi(figure) >= inSi(from) * 0.999 && inSi(figure) <= inSi(to) * 1.001,
      );
      if (fits) return [];
      const facts = { toolId: first.tool.id, figure, from: first.from, to: first.to };
      return [{ stepId: step.id, componentIds: targetIds(step), facts }];
    }),
  fix: ({ stepId, facts }, context) => {
    const step = stepOf(context, stepId);
    const other = context.workbook.series.tools.find((tool) => {
      const range = isTorque(tool) ? torqueRange(tool) : undefined;
      return range && inSi(facts.figure) >= inSi(range.from) && inSi(facts.figure) <= inSi(range.to);
    });
    if (!step || !other) return undefined;
    const toolIds = step.toolIds.map((id) => (id === facts.toolId ? other.id : id));
    return { words: { does: 'use-tool', id: other.id }, edits: [changeStep(step, { toolIds })] };
  },
};

/** The thread of a part: as its name says, or as the key tells that turns it. */
function threadOf(context: CheckContext, componentId: string): Thread | undefined {
  const component = componentOf(context, componentId);
  const named = component && threadIn(component.name);
  if (named) return named;
  if (!component || !['bolt', 'screw', 'nut', 'dome-nut'].includes(component.kind)) return undefined;
  const [key] = [...keySizes(context, LOOSENS, componentId), ...keySizes(context, TIGHTENS, componentId)];
  return key && threadByFlats(key.size, /hex key|allen|hexagon key/i.test(key.tool.name));
}

export const implausible: Rule<'implausible'> = {
  id: 'implausible',
  family: 'tightening',
  severity: 'warn',
  find: (context) =>
    context.workbook.procedure.steps.flatMap((step) => {
      const { figure } = step.torque ?? {};
      const [target] = step.targets;
      const thread = target && figure ? threadOf(context, target.componentId) : undefined;
      if (!figure || !target || !thread) return [];
      const { least, most } = plausibleTorque(thread, componentOf(context, target.componentId)?.name ?? '');
      const torque = inSi(figure);
      if (torque >= least && torque <= most) return [];
      const facts = {
        componentId: target.componentId,
        figure,
        thread: thread.name,
        least: convert(newtonMetres(least), figure.unit).value,
        most: convert(newtonMetres(most), figure.unit).value,
      };
      return [{ stepId: step.id, componentIds: [target.componentId], facts }];
    }),
};

export const oddUnit: Rule<'odd-unit'> = {
  id: 'odd-unit',
  family: 'tightening',
  severity: 'warn',
  find: ({ workbook: { series, procedure } }) => {
    const isPound = ({ unit }: Quantity) => unit.startsWith('lbf');
    const torqued = procedure.steps.flatMap((step) =>
      step.torque ? [{ step, figure: step.torque.figure, also: step.torque.also }] : [],
    );
    return torqued.flatMap(({ step, figure, also }) => {
      if (also) return [];
      const ranges = toolsOf(step, series).flatMap((tool) => (isTorque(tool) ? (torqueRange(tool) ?? []) : []));
      const [scale] = ranges;
      if (scale && ranges.every(({ from }) => isPound(from) !== isPound(figure))) {
        const facts: FactsOf['odd-unit'] = { figure, usual: scale.from.unit, by: 'wrench' };
        return [{ stepId: step.id, componentIds: targetIds(step), facts }];
      }
      const others = torqued.filter((other) => other.step !== step);
      const [first] = others;
      if (others.length < 2 || !first) return [];
      if (others.some((other) => isPound(other.figure) === isPound(figure))) return [];
      return [
        {
          stepId: step.id,
          componentIds: targetIds(step),
          facts: { figure, usual: first.figure.unit, by: 'figures' as const },
        },
      ];
    });
  },
};

export const noUnit: Rule<'no-unit'> = {
  id: 'no-unit',
  family: 'tightening',
  severity: 'warn',
  find: ({ workbook }) =>
    workbook.procedure.steps.flatMap((step) => {
      for (const { text } of writtenIn(step)) {
        const bare = bareTorqueIn(text);
        // The field may give the unit that the words leave out.
        if (
          !bare ||
          (step.torque && step.torque.figure.value === Number(bare.figure.replace(',', '.')) && bare.word === '')
        )
          continue;
        return [{ stepId: step.id, componentIds: targetIds(step), facts: bare }];
      }
      return [];
    }),
};

export const noFigure: Rule<'no-figure'> = {
  id: 'no-figure',
  family: 'tightening',
  severity: 'warn',
  find: ({ workbook }) =>
    workbook.procedure.steps
      .filter((step) => step.verb === 'torque' && !step.torque)
      .map((step) => ({ stepId: step.id, componentIds: targetIds(step), facts: {} })),
  fix: ({ stepId, componentIds }, context) => {
    const step = stepOf(context, stepId);
    const known = context.workbook.procedure.steps.find(
      (other) => other.torque && targetIds(other).some((id) => componentIds.includes(id)),
    )?.torque;
    if (!step || !known) return undefined;
    return { words: { does: 'use-figure', figure: known.figure }, edits: [changeStep(step, { torque: known })] };
  },
};

/** A first pass that nothing follows leaves the joint at a share of its figure. */
export const passMissing: Rule<'pass-missing'> = {
  id: 'pass-missing',
  family: 'tightening',
  severity: 'warn',
  find: ({ workbook: { procedure } }) =>
    procedure.steps.flatMap((step, index) => {
      if (step.verb !== 'torque') return [];
      const isFirst = writtenIn(step).some(({ where, text }) => where !== 'caution' && isFirstPass(text));
      const follows = procedure.steps
        .slice(index + 1)
        .some(({ verb, targets }) => verb === 'torque' && targets.some((t) => targetIds(step).includes(t.componentId)));
      const tellsMore = writtenIn(step).some(({ text }) =>
        /\b(then|second|final(?:ly)?|last|100 ?%|three|two)\b/i.test(text),
      );
      if (!isFirst || follows || tellsMore) return [];
      return [{ stepId: step.id, componentIds: targetIds(step), facts: { figure: step.torque?.figure ?? null } }];
    }),
};

export const twoFigures: Rule<'two-figures'> = {
  id: 'two-figures',
  family: 'tightening',
  severity: 'warn',
  find: ({ workbook }) =>
    workbook.procedure.steps.flatMap((step) => {
      const { figure, also } = step.torque ?? {};
      if (!figure || !also || relativeGap(figure, also) <= MOST_APART) return [];
      const facts = { figure, also, percent: relativeGap(figure, also) * 100 };
      return [{ stepId: step.id, componentIds: targetIds(step), facts }];
    }),
  fix: ({ stepId, facts: { figure, also } }, context) => {
    const step = stepOf(context, stepId);
    if (!step?.torque) return undefined;
    const right = { ...convert(figure, also.unit), value: Number(convert(figure, also.unit).value.toPrecision(3)) };
    return {
      words: { does: 'use-figure', figure: right },
      edits: [changeStep(step, { torque: { ...step.torque, also: right } })],
    };
  },
};

export const threadCondition: Rule<'thread-condition'> = {
  id: 'thread-condition',
  family: 'tightening',
  severity: 'warn',
  find: (context) =>
    noticed(context, 'thread-condition').flatMap(({ step, on, notice: { componentId, consumableId } }) =>
      step.torque
        ? [
            {
              ...atStep(step, on),
              componentIds: [componentId],
              // A figure that names no thread may well be meant for the compound beside it.
              ...(!step.torque.thread && { severity: 'advise' as const }),
              facts: {
                componentId,
                consumableId,
                figure: step.torque.figure,
                threadSaid: step.torque.thread !== undefined,
              },
            },
          ]
        : [],
    ),
  // Which of the two is wrong a person has to say, unless only one was said.
  fix: ({ stepId, facts: { consumableId } }, context) => {
    const step = stepOf(context, stepId);
    if (!step?.torque || step.torque.thread) return undefined;
    const thread = consumableId ? { is: 'with' as const, consumableId } : { is: 'dry' as const };
    return {
      words: consumableId ? { does: 'say-consumable', id: consumableId } : { does: 'say-dry' },
      edits: [changeStep(step, { torque: { ...step.torque, thread } })],
    };
  },
};

export const noSource: Rule<'no-source'> = {
  id: 'no-source',
  family: 'tightening',
  severity: 'advise',
  find: ({ workbook }) =>
    workbook.procedure.steps.flatMap((step) =>
      step.torque && !step.torque.source
        ? [{ stepId: step.id, componentIds: targetIds(step), facts: { figure: step.torque.figure } }]
        : [],
    ),
};
