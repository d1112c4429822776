import { writtenIn } from '../../edits/written';
import { asFoundEnds } from '../../evidence/looks';
import type { Faces } from '../../model/faces';
import type { Procedure, Step } from '../../model/procedure';
import { verbOf } from '../../model/verbs';
import { placesInStacks } from '../../orientation/directions';
import { facingsSaid } from '../../orientation/facings-said';
import { countInStack } from '../../orientation/stack-section';
import { asNoticed, atStep, type CheckContext, changeStep, componentOf, noticed, type Rule, stepOf } from '../rule';
import { saysFacing } from '../words/compare-text';

/** The steps that say how a single part faces, by component, once for each version of a procedure. */
const known = new WeakMap<Procedure, ReadonlyMap<string, readonly Step[]>>();

function facingSteps(procedure: Procedure): ReadonlyMap<string, readonly Step[]> {
  const there = known.get(procedure);
  if (there) return there;
  const saying = facingsSaid(procedure.steps);
  known.set(procedure, saying);
  return saying;
}

/** How a part sits: as the series says, or as another step for it alone does. */
function saidFacing(context: CheckContext, componentId: string, except: Step): Faces | undefined {
  return (
    componentOf(context, componentId)?.faces ??
    facingSteps(context.workbook.procedure)
      .get(componentId)
      ?.find((step) => step !== except)?.faces
  );
}

export const facesWrong: Rule<'faces-wrong'> = {
  id: 'faces-wrong',
  family: 'faces',
  severity: 'warn',
  find: (context) =>
    noticed(context, 'faces-wrong')
      .filter(({ notice }) => !isTurning(context, notice.componentId))
      .map(({ step, on, notice: { componentId, expected } }) => ({
        ...atStep(step, on),
        componentIds: [componentId],
        facts: { componentId, expected },
      })),
  fix: ({ stepId, facts: { expected } }, context) => {
    const step = stepOf(context, stepId);
    return step && { words: { does: 'use-facing', faces: expected }, edits: [changeStep(step, { faces: expected })] };
  },
};

function isTurning({ workbook }: CheckContext, componentId: string): boolean {
  return (workbook.procedure.intends ?? []).some(
    (change) => change.kind === 'turns' && change.componentId === componentId,
  );
}

export const facesClash: Rule<'faces-clash'> = {
  id: 'faces-clash',
  family: 'faces',
  severity: 'warn',
  find: (context) => asNoticed(context, 'faces-clash'),
};

/** How a part is turned may be said in words instead. */
const TURNED = /\b(stagger|offset|degrees|°|joints?|clock|tab|slot|notch|mark|aligned?|line up)\b/i;

export const facesUnsaid: Rule<'faces-unsaid'> = {
  id: 'faces-unsaid',
  family: 'faces',
  severity: 'warn',
  find: (context) =>
    context.workbook.procedure.steps.flatMap((step) => {
      if (verbOf(step.verb).effect !== 'refits') return [];
      return step.targets.flatMap(({ componentId }) => {
        const component = componentOf(context, componentId);
        const said = saidFacing(context, componentId, step);
        if (!component || !(component.keyed || said)) return [];
        const found = (what: 'end' | 'clocking') => [
          { stepId: step.id, componentIds: [componentId], facts: { componentId, expected: said ?? null, what } },
        ];
        if (!step.faces) return saysInWords(step, said) ? [] : found('end');
        const { clocking } = component.faces ?? {};
        if (!clocking || clocking.how === 'any' || step.faces.clocking || step.targets.length > 1) return [];
        return writtenIn(step).some(({ text }) => TURNED.test(text)) ? [] : found('clocking');
      });
    }),
  fix: ({ stepId, facts: { expected } }, context) => {
    const step = stepOf(context, stepId);
    if (!step || !expected) return undefined;
    return { words: { does: 'use-facing', faces: expected }, edits: [changeStep(step, { faces: expected })] };
  },
};

/** The words that a technician reads as the instruction may name the end and where it looks. */
function saysInWords({ text = '', detail = '' }: Step, said: Faces | undefined): boolean {
  const { end } = said ?? {};
  return end !== undefined && [text, detail].some((words) => saysFacing(words, end));
}

export const unrecorded: Rule<'unrecorded'> = {
  id: 'unrecorded',
  family: 'faces',
  severity: 'warn',
  find: (context) => {
    const { timeline, workbook } = context;
    const { steps } = workbook.procedure;
    if (!workbook.series.components.some((component) => component.keyed)) return [];
    const end = asFoundEnds(steps);
    return timeline.frames.flatMap(({ step, moves }, index) => {
      const taken = new Set(
        moves.flatMap(({ act, unitId }) => (act === 'out' ? (timeline.units.get(unitId)?.componentId ?? []) : [])),
      );
      return [...taken].flatMap((componentId) => {
        const component = componentOf(context, componentId);
        if (!component?.keyed || step.faces || step.photo || saidFacing(context, componentId, step)) return [];
        const before = steps.slice(0, index).findLast((earlier) => earlier.photo);
        if (before?.targets.some((target) => target.componentId === componentId)) return [];
        if (end >= 0 && index > end) return [];
        return [{ stepId: step.id, componentIds: [componentId], facts: { componentId } }];
      });
    });
  },
  fix: ({ stepId }, context) => {
    const step = stepOf(context, stepId);
    return step && { words: { does: 'ask-photo' }, edits: [changeStep(step, { photo: {} })] };
  },
};

export const stackOrder: Rule<'stack-order'> = {
  id: 'stack-order',
  family: 'faces',
  severity: 'warn',
  find: (context) => asNoticed(context, 'stack-order'),
};

export const stackCount: Rule<'stack-count'> = {
  id: 'stack-count',
  family: 'faces',
  severity: 'warn',
  find: (context) => {
    const { series, procedure } = context.workbook;
    const stacks = series.stacks ?? [];
    const handled = new Set(procedure.steps.flatMap((step) => step.targets.map((t) => t.componentId)));
    const inStacks = new Set(stacks.flatMap((stack) => stack.layers.map(({ componentId }) => componentId)));
    return [...inStacks].flatMap((componentId) => {
      const component = componentOf(context, componentId);
      if (!component || !handled.has(componentId)) return [];
      const positions = series.positionSets.find(({ id }) => id === component.positionSetId)?.positions ?? [];
      const held = heldAt(
        context,
        componentId,
        positions.map(({ id }) => id),
      ).filter((count) => count !== component.count);
      const [wrong] = held;
      if (wrong === undefined) return [];
      const facts = { componentId, held: wrong, listed: component.count, eachPlace: positions.length > 0 };
      return [{ componentIds: [componentId], facts }];
    });
  },
  fix: ({ facts: { componentId, held } }, { workbook: { series } }) => {
    // Where several stacks hold it, which of them is right a person has to say.
    if ((series.stacks ?? []).filter((stack) => countInStack(stack, componentId) > 0).length > 1) return undefined;
    return {
      words: { does: 'list-count', count: held },
      edits: [{ kind: 'change-component', componentId, fields: { count: held } }],
    };
  },
};

/** How many of a part the stacks hold: at each of its positions, or in the whole pump. */
function heldAt({ workbook: { series } }: CheckContext, componentId: string, positionIds: readonly string[]): number[] {
  const all = placesInStacks(series, componentId);
  const sum = (list: typeof all) => list.reduce((held, { stack }) => held + countInStack(stack, componentId), 0);
  const perPlace = positionIds.map((id) => placesInStacks(series, componentId, { positionIds: [id] }));
  if (perPlace.length > 0 && perPlace.every((places) => places.length < all.length)) return perPlace.map(sum);
  // One stack drawn for all places, or all stacks of the pump together.
  if (
    all.length > 1 &&
    all.every(({ stack }) => countInStack(stack, componentId) === countInStack(all[0]?.stack ?? stack, componentId)) &&
    positionIds.length > 0
  )
    return [countInStack(all[0]?.stack as (typeof all)[number]['stack'], componentId)];
  return [sum(all)];
}

export const swapped: Rule<'swapped'> = {
  id: 'swapped',
  family: 'matching',
  severity: 'stop',
  find: (context) =>
    noticed(context, 'swapped')
      .filter(
        ({ notice }) =>
          !(context.workbook.procedure.intends ?? []).some(
            (change) =>
              change.kind === 'moves' &&
              change.componentId === notice.componentId &&
              change.fromPositionId === notice.fromPositionId &&
              change.toPositionId === notice.toPositionId,
          ),
      )
      .map(({ step, on, notice: { componentId, fromPositionId, toPositionId } }) => ({
        ...atStep(step, on),
        componentIds: [componentId],
        facts: { componentId, fromPositionId, toPositionId },
      })),
  fix: ({ stepId, facts: { fromPositionId } }, context) => {
    const step = stepOf(context, stepId);
    if (!step) return undefined;
    return {
      words: { does: 'fit-own-place' },
      edits: [changeStep(step, { positionIds: [fromPositionId], fromPositionId: undefined })],
    };
  },
};
