import { NO_WAY, type Ways } from '../../bench/ways';
import { firstOf } from '../../edits/steps';
import { writtenIn } from '../../edits/written';
import type { Step } from '../../model/procedure';
import { isCalledPass } from '../../reading/en/remark-words';
import { asNoticed, atStep, type CheckContext, type Found, noticed, type Rule, targetIds } from '../rule';
import { MOST_APART, newtonMetres } from './figures';

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
    (one) => one && writtenIn(one).some(({ where, text }) => where !== 'caution' && isCalledPass(text)),
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
  const parts = (at: number) => (steps[at]?.targets ?? []).map(({ componentId }) => componentId).join(' ');
  const run = (from: number) => {
    let i = from;
    while (steps[i]?.verb === 'torque' && parts(i) === parts(index)) i += from < index ? -1 : 1;
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
