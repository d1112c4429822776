import type { Condition, Procedure, Step } from '../model/procedure';
import type { Series } from '../model/series';

type Kits = NonNullable<Procedure['kits']>;

type KitAnswer = { readonly stepId: string; readonly answerId: string };

/** What is laid out and renewed together: everything, or what the answers to the questions that pick kits lead to. */
export interface KitAlternative {
  /** The answers it takes; none where no answer picks a kit. */
  readonly answers: readonly KitAnswer[];
  readonly kits: Kits;
  /** Whether a step is carried out on it. */
  readonly includes: (step: Step) => boolean;
}

/** Each answer by which kits are picked, for itself: the leather set and the PTFE set are never laid out together. */
export function kitAlternatives({ kits = [], steps }: Procedure): KitAlternative[] {
  const asking = new Set(kits.flatMap(({ when = [] }) => when.map(({ stepId }) => stepId)));
  const combinations = steps
    .filter(({ id }) => asking.has(id))
    .reduce<KitAnswer[][]>(
      (all, { id: stepId, decision }) =>
        all.flatMap((answers) =>
          (decision?.answers ?? []).map(({ id: answerId }) => [...answers, { stepId, answerId }]),
        ),
      [[]],
    );
  return combinations.map((answers): KitAlternative => {
    const holds = ({ when = [] }: { readonly when?: readonly Condition[] | undefined }) =>
      when.every(({ stepId, answerIds }) =>
        answers.every((given) => given.stepId !== stepId || answerIds.includes(given.answerId)),
      );
    return { answers, kits: kits.filter(holds), includes: holds };
  });
}

/** How many new pieces are asked for of each component, given the component of each. */
export function piecesNeeded(componentIds: readonly string[]): Map<string, number> {
  const needed = new Map<string, number>();
  for (const id of componentIds) needed.set(id, (needed.get(id) ?? 0) + 1);
  return needed;
}

/** Pieces that kits laid out together hold of each component. */
export function piecesInKits(series: Series, kits: Kits): Map<string, number> {
  const held = new Map<string, number>();
  for (const { kitId, count } of kits) {
    for (const content of series.kits.find((kit) => kit.id === kitId)?.contents ?? [])
      held.set(content.componentId, (held.get(content.componentId) ?? 0) + content.count * count);
  }
  return held;
}

/**
 * The fewest of one kit, beside the other kits laid out, that hold all its parts that are needed. One kit may serve two
 * valve sets, so a pump of three needs two. `componentIds` names the component of each new piece asked for.
 */
export function kitsNeeded(series: Series, kits: Kits, kitId: string, componentIds: readonly string[]): number {
  const kit = series.kits.find((candidate) => candidate.id === kitId);
  const others = piecesInKits(
    series,
    kits.filter((choice) => choice.kitId !== kitId),
  );
  const needed = piecesNeeded(componentIds);
  return Math.max(
    0,
    ...(kit?.contents ?? []).map(({ componentId, count }) =>
      Math.ceil(((needed.get(componentId) ?? 0) - (others.get(componentId) ?? 0)) / count),
    ),
  );
}
