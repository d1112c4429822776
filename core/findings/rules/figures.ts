import { writtenIn } from '../../edits/written';
import { groupOf } from '../../model/lookup';
import type { Step } from '../../model/procedure';
import { convert, inSi, relativeGap } from '../../quantity/quantity';
import type { Quantity } from '../../quantity/schema';
import { isCalledPass, isOnlyFirstPass } from '../../reading/en/remark-words';
import { bareTorqueIn } from '../../reading/en/wording';
import { fasteningOf, figureOfGroup } from '../../torque/fastening';
import { threadByFlats } from '../../torque/head-sizes';
import { judgeFigure } from '../../torque/preload';
import type { Thread } from '../../torque/threads';
import { isTorque, torqueRange } from '../../torque/wrench';
import type { FactsOf } from '../finding';
import {
  atStep,
  type CheckContext,
  changeStep,
  componentOf,
  noticed,
  type Rule,
  stepOf,
  targetIds,
  toolsOf,
} from '../rule';
import { keySizes, LOOSENS, TIGHTENS } from './wrenches';

/** Rounded conversions of one figure agree within this share. */
export const MOST_APART = 0.02;

export function newtonMetres(value: number): Quantity {
  return { value: Number(value.toPrecision(4)), unit: 'N·m' };
}

/** The thread behind the key that turns a fastener. */
function threadByKey(context: CheckContext, componentId: string): Thread | undefined {
  const component = componentOf(context, componentId);
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
      const { torque } = step;
      const [target] = step.targets;
      if (!torque || !target) return [];
      const { componentId } = target;
      const byKey = threadByKey(context, componentId);
      const fastening = fasteningOf(context.workbook.series, componentId, torque, byKey);
      if (!fastening) return [];
      const { verdict, share, instead } = judgeFigure(torque.figure, fastening);
      if (verdict === 'sound' || verdict === 'unknown') return [];
      const facts: FactsOf['implausible'] = {
        componentId,
        figure: torque.figure,
        thread: fastening.thread.name,
        class: fastening.class ?? null,
        verdict,
        percent: share ? share.usual * 100 : null,
        instead,
      };
      return [{ stepId: step.id, componentIds: [componentId], facts }];
    }),
  fix: ({ stepId, facts: { instead } }, context) => {
    const step = stepOf(context, stepId);
    const [figure, other] = instead;
    // Where several readings are sound, a person has to say which was meant.
    if (!step?.torque || !figure || other) return undefined;
    return { words: { does: 'use-figure', figure }, edits: [changeStep(step, { torque: { ...step.torque, figure } })] };
  },
};

/** A step that gives another figure than the torque sheet of the series. */
export const figureDiffers: Rule<'figure-differs'> = {
  id: 'figure-differs',
  family: 'tightening',
  severity: 'warn',
  find: ({ workbook: { series, procedure } }) =>
    procedure.steps.flatMap((step) => {
      const [target] = step.targets;
      const group = target && step.torque ? groupOf(series, target.componentId) : undefined;
      const figures = group?.figures.map(({ torque }) => torque.figure) ?? [];
      const usual = group && figureOfGroup(group)?.figure;
      if (!target || !step.torque || !usual || isShareOf(step, figures)) return [];
      if (isRiseTo(procedure.steps, step, figures)) return [];
      const facts = { componentId: target.componentId, figure: step.torque.figure, usual };
      return [{ stepId: step.id, componentIds: [target.componentId], facts }];
    }),
  fix: ({ stepId, facts: { componentId } }, context) => {
    const step = stepOf(context, stepId);
    const group = groupOf(context.workbook.series, componentId);
    const torque = group && figureOfGroup(group);
    if (!step || !torque) return undefined;
    return { words: { does: 'use-figure', figure: torque.figure }, edits: [changeStep(step, { torque })] };
  },
};

/** A torque of the same parts on the way to one of the figures, which a later step reaches. */
function isRiseTo(steps: readonly Step[], step: Step, figures: readonly Quantity[]): boolean {
  const own = step.torque?.figure;
  return steps.slice(steps.indexOf(step) + 1).some(({ verb, targets, torque }) => {
    const isSame = verb === 'torque' && targets[0]?.componentId === step.targets[0]?.componentId;
    if (!isSame || !torque || !own || inSi(own) >= inSi(torque.figure)) return false;
    return figures.some((one) => relativeGap(one, torque.figure) <= MOST_APART);
  });
}

/** One of the figures, or a first pass on the way to one. */
function isShareOf(step: Step, figures: readonly Quantity[]): boolean {
  const { figure } = step.torque ?? {};
  if (!figure) return true;
  const isPass = writtenIn(step).some(({ text }) => isCalledPass(text));
  return figures.some((one) => relativeGap(one, figure) <= MOST_APART || (isPass && inSi(figure) < inSi(one)));
}

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
    const { series, procedure } = context.workbook;
    const group = componentIds.flatMap((id) => groupOf(series, id) ?? []).at(0);
    const known =
      (group && figureOfGroup(group)) ??
      procedure.steps.find((other) => other.torque && targetIds(other).some((id) => componentIds.includes(id)))?.torque;
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
      const words = writtenIn(step).flatMap(({ where, text }) => (where === 'caution' ? [] : [text]));
      const follows = procedure.steps
        .slice(index + 1)
        .some(({ verb, targets }) => verb === 'torque' && targets.some((t) => targetIds(step).includes(t.componentId)));
      if (!isOnlyFirstPass(words) || follows) return [];
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
