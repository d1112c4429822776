import type { Condition, Procedure, Step } from '../model/procedure';
import type { Edit } from './edit';

/** What becomes of the steps that hang on an answer when the answer, or its question, goes. */
export type Fate = 'delete' | 'always';

/** The steps that are done only on one of these answers; on any answer of the question when none are named. */
export function hangingOn({ steps }: Procedure, stepId: string, answerIds?: readonly string[]): Step[] {
  return steps.filter(({ when = [] }) =>
    when.some(
      (condition) =>
        condition.stepId === stepId &&
        (answerIds === undefined || condition.answerIds.every((id) => answerIds.includes(id))),
    ),
  );
}

/** Deletes a step, with what becomes of the steps that hang on its question, as one. */
export function removingStep(procedure: Procedure, stepId: string, fate: Fate): Edit[] {
  const hanging = withAllThatHangs(procedure, stepId, undefined, fate);
  return [...settling(procedure, hanging, stepId, undefined, fate), { kind: 'remove', stepId }];
}

/** Takes the question out of a step, with what becomes of the steps that hang on it. */
export function removingQuestion(procedure: Procedure, stepId: string, fate: Fate): Edit[] {
  const hanging = withAllThatHangs(procedure, stepId, undefined, fate);
  return [
    ...settling(procedure, hanging, stepId, undefined, fate),
    { kind: 'change', stepId, fields: { decision: undefined } },
  ];
}

/** Takes one answer out of a question. Steps that other answers lead to as well stay with those. */
export function removingAnswer(procedure: Procedure, stepId: string, answerId: string, fate: Fate): Edit[] {
  const asking = procedure.steps.find(({ id }) => id === stepId);
  if (!asking?.decision) return [];
  const hanging = withAllThatHangs(procedure, stepId, [answerId], fate);
  const answers = asking.decision.answers.filter(({ id }) => id !== answerId);
  return [
    ...settling(procedure, hanging, stepId, [answerId], fate),
    { kind: 'change', stepId, fields: { decision: { ...asking.decision, answers } } },
  ];
}

/** A step that goes may ask a question itself, on which others hang. */
function withAllThatHangs(
  procedure: Procedure,
  stepId: string,
  answerIds: readonly string[] | undefined,
  fate: Fate,
): Set<string> {
  const going = new Set(hangingOn(procedure, stepId, answerIds).map(({ id }) => id));
  if (fate === 'always') return going;
  for (const id of going) for (const next of hangingOn(procedure, id)) going.add(next.id);
  return going;
}

function settling(
  { steps, kits = [] }: Procedure,
  hanging: ReadonlySet<string>,
  stepId: string,
  answerIds: readonly string[] | undefined,
  fate: Fate,
): Edit[] {
  const gone = fate === 'delete' ? new Set([...hanging, stepId]) : new Set([stepId]);
  const left = (when: readonly Condition[] | undefined): Condition[] | undefined => {
    const kept = (when ?? []).flatMap((condition): Condition[] => {
      if (condition.stepId !== stepId) return fate === 'delete' && gone.has(condition.stepId) ? [] : [condition];
      if (answerIds === undefined) return [];
      const others = condition.answerIds.filter((id) => !answerIds.includes(id));
      return others.length > 0 ? [{ ...condition, answerIds: others }] : [];
    });
    return kept.length > 0 ? kept : undefined;
  };
  const edits = steps.flatMap((step): Edit[] => {
    if (fate === 'delete' && hanging.has(step.id)) return [{ kind: 'remove', stepId: step.id }];
    if (!step.when?.some((condition) => gone.has(condition.stepId))) return [];
    return [{ kind: 'change', stepId: step.id, fields: { when: left(step.when) } }];
  });
  if (!kits.some(({ when = [] }) => when.some((condition) => gone.has(condition.stepId)))) return edits;
  const settled = kits.map(({ when, ...kit }) => {
    const rest = left(when);
    return rest ? { ...kit, when: rest } : kit;
  });
  return [...edits, { kind: 'change-procedure', fields: { kits: settled } }];
}
