import { componentById, positionSetById } from '../model/lookup';
import type { Procedure, Step } from '../model/procedure';
import type { PositionSet, Series } from '../model/series';
import type { Places } from './places';
import { EVERY_WAY, NO_WAY, type Question, type Questions, type Ways } from './ways';

/** A step as it is carried out once: at all its places, or at one of them, and the ways on which that is to be done. */
export interface Pass {
  readonly step: Step;
  readonly ways: Ways;
}

/** The key under which the answer of a step is kept; of a question asked at each place, the one of that place. */
export function questionKey(stepId: string, positionId?: string | undefined): string {
  return positionId === undefined ? stepId : `${stepId}@${positionId}`;
}

/** The question by which method a step is done; the first answer is the step itself. */
export function methodKey(stepId: string): string {
  return `method:${stepId}`;
}

/** Whether another method does more than say it otherwise. */
export function methodsThatDiffer(step: Step) {
  return (step.methods ?? []).filter(
    ({ verb, applications, torque, faces, aidsIn, aidsOut, about }) =>
      verb !== step.verb || applications || torque || faces || aidsIn || aidsOut || about,
  );
}

/** The steps of a procedure, with a question in a block asked at each place that the block goes through. */
export function stepsAsked({ steps, blocks }: Pick<Procedure, 'steps' | 'blocks'>, series: Series): readonly Step[] {
  if (!blocks) return steps;
  return steps.map((step) => {
    const [place] = blocks.find(({ id }) => id === step.blockId)?.positionIds ?? [];
    const set = series.positionSets.find(({ positions }) => positions.some(({ id }) => id === place));
    if (!step.decision || step.decision.eachOf || !set) return step;
    return { ...step, decision: { ...step.decision, eachOf: set.id } };
  });
}

/** Every question that the steps of some procedures ask, in their order. */
export function questionsOf(steps: readonly Step[], series: Series): Question[] {
  return steps.flatMap((step): Question[] => {
    const methods = methodsThatDiffer(step);
    const byMethod =
      methods.length > 0 ? [{ key: methodKey(step.id), answers: ['', ...methods.map(({ id }) => id)] }] : [];
    if (!step.decision) return byMethod;
    const answers = step.decision.answers.map(({ id }) => id);
    const places = askedAt(step, series);
    const asked = places
      ? places.map((id) => ({ key: questionKey(step.id, id), answers }))
      : [{ key: step.id, answers }];
    return [...asked, ...byMethod];
  });
}

/** The places at which a question is asked one by one; undefined when it is asked once. */
export function askedAt({ decision, positionIds }: Step, series: Series): string[] | undefined {
  const set = positionSetById(series, decision?.eachOf);
  if (!set) return undefined;
  const all = set.positions.map(({ id }) => id);
  const named = all.filter((id) => positionIds.includes(id));
  return named.length > 0 ? named : all;
}

/** What the passes of a step depend on. */
export interface Asked {
  readonly questions: Questions;
  readonly series: Series;
  readonly places: Places;
  readonly stepsById: ReadonlyMap<string, Step>;
  /** On which ways each step that asks was carried out. */
  readonly asked: ReadonlyMap<string, Ways>;
}

/**
 * How often, and on which ways, a step is carried out: once, or once at each place where the answers differ by place.
 * Once a question was answered place by place the facts there differ place by place, and a step that looked at all of
 * them at once would meet every combination of answers.
 */
export function passesOf(step: Step, asked: Asked): Pass[] {
  // As long as nothing was asked there is one way.
  if (asked.asked.size === 0 && !step.when) return [{ step, ways: EVERY_WAY }];
  const places = placesActedAt(step, asked.series);
  if (!isPlaceByPlace(step, places, asked)) return [{ step, ways: waysOf(step, asked, undefined) }];
  const { aidsOut, ...acts } = step;
  const passes = places.map((place) => ({
    step: place === null ? ofWholePump(acts, asked.series) : atPlace(acts, place, asked.series, asked.places),
    ways: waysOf(step, asked, place),
  }));
  // Aids come out once, when all places are done.
  return aidsOut
    ? [...passes, { step: { ...acts, targets: [], positionIds: [], aidsOut }, ways: waysOf(step, asked, null) }]
    : passes;
}

function isPlaceByPlace(step: Step, places: readonly (string | null)[], { stepsById, asked, ...at }: Asked): boolean {
  if (step.when?.some(({ stepId }) => stepsById.get(stepId)?.decision?.eachOf !== undefined)) return true;
  if (places.length < 2) return false;
  return [...asked.keys()].some((id) => {
    const asking = stepsById.get(id);
    const there = asking && askedAt(asking, at.series);
    return there?.some((position) => places.some((place) => place !== null && at.places.meet(position, place)));
  });
}

function waysOf(
  step: Step,
  { questions, series, places, stepsById, asked }: Asked,
  place: string | null | undefined,
): Ways {
  let ways = EVERY_WAY;
  for (const { stepId, answerIds } of step.when ?? []) {
    const asking = stepsById.get(stepId);
    const there = asking && askedAt(asking, series);
    const keys = there
      ? there
          .filter((id) => place === null || place === undefined || places.meet(id, place))
          .map((id) => questionKey(stepId, id))
      : [stepId];
    // What happens at no place of its own is done when any place asks for it.
    const wanted = keys.reduce((all, key) => questions.either(all, questions.where(key, answerIds)), NO_WAY);
    ways = questions.both(ways, questions.both(wanted, asked.get(stepId) ?? NO_WAY));
  }
  return ways;
}

/** The positions a step acts at, and null where it also acts on parts that belong to the whole pump, or on nothing. */
function placesActedAt(step: Step, series: Series): (string | null)[] {
  const sets = step.targets.map(({ componentId }) => setOf(componentId, series));
  const named =
    step.positionIds.length > 0 ? step.positionIds : sets.flatMap((set) => set?.positions.map(({ id }) => id) ?? []);
  const whole = sets.some((set) => !set) || named.length === 0;
  return [...new Set(named), ...(whole ? [null] : [])];
}

function setOf(componentId: string, series: Series): PositionSet | undefined {
  return positionSetById(series, componentById(series, componentId)?.positionSetId);
}

/** The step with only those of its parts that belong to the whole pump. */
function ofWholePump(step: Step, series: Series): Step {
  const targets = step.targets.filter(({ componentId }) => !setOf(componentId, series));
  return targets.length === step.targets.length ? step : { ...step, targets, positionIds: [] };
}

/** The step at one place that its block goes through; undefined where the step names others of the same set only. */
export function atBlockPlace(step: Step, place: string, series: Series, places: Places): Step | undefined {
  const set = series.positionSets.find(({ positions }) => positions.some(({ id }) => id === place));
  const named = step.positionIds.filter((id) => set?.positions.some((position) => position.id === id));
  return named.length > 0 && !named.includes(place) ? undefined : atPlace(step, place, series, places);
}

/** The step at one place only, with those of its parts that are there. */
function atPlace(step: Step, place: string, series: Series, places: Places): Step {
  const positionIds = step.positionIds.filter((id) => places.meet(id, place));
  const targets = step.targets.filter(({ componentId }) => {
    const set = setOf(componentId, series);
    return !set || set.positions.some(({ id }) => places.meet(id, place));
  });
  return { ...step, targets, positionIds: positionIds.length > 0 ? positionIds : [place] };
}

/** A run of steps that are carried out together, one place after the other; a step of no block is a run of its own. */
export interface StepRun {
  readonly from: number;
  readonly to: number;
  /** The places gone through; null for a run that is carried out once. */
  readonly positionIds: readonly string[] | null;
}

export function stepRuns({ steps, blocks = [] }: Pick<Procedure, 'steps' | 'blocks'>): StepRun[] {
  const runs: StepRun[] = [];
  steps.forEach(({ blockId }, index) => {
    const block = blockId === undefined ? undefined : blocks.find(({ id }) => id === blockId);
    const last = runs.at(-1);
    const previous = steps[index - 1]?.blockId;
    if (block && last && previous === blockId) runs[runs.length - 1] = { ...last, to: index + 1 };
    else runs.push({ from: index, to: index + 1, positionIds: block ? block.positionIds : null });
  });
  return runs;
}
