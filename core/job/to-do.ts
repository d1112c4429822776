import { askedAt, questionKey } from '../bench/passes';
import { Places } from '../bench/places';
import { componentById, positionSetById } from '../model/lookup';
import type { Step, Workbook } from '../model/procedure';
import type { Setting } from '../model/procedure-words';
import type { Series } from '../model/series';
import { methodTaken, stepBy } from '../model/setting';

/** The answers given, by the question; of one asked at each place, by the question there (`questionKey`). */
export type Answers = ReadonlyMap<string, string>;

/** What decides which steps are done in a job, where and how. */
export interface Course {
  readonly answers: Answers;
  readonly setting: Setting;
}

/** The keys under which the answers of a step are kept: one, or one for each place. */
export function questionKeys(step: Step, series: Series): string[] {
  const there = askedAt(step, series);
  return there ? there.map((id) => questionKey(step.id, id)) : [step.id];
}

/** The positions a step is carried out at, in the order it says; null for a step that repeats nowhere. */
export function stepPlaces(step: Step, { series }: Workbook): (string | null)[] {
  const ids = step.targets
    .map((target) => positionSetById(series, componentById(series, target.componentId)?.positionSetId))
    .flatMap((set) => set?.positions.map((position) => position.id) ?? []);
  const there = [...new Set(ids)];
  const said = step.positionIds.filter((id) => there.includes(id));
  const places = said.length > 0 ? said : there;
  return places.length > 0 ? places : [null];
}

/** Whether the answers given lead to a step, at one of its places at least. */
export function isToDo(step: Step, answers: Answers, workbook: Workbook): boolean {
  return placesToDo(step, answers, workbook).length > 0;
}

/**
 * A step as it is carried out in a job: by the method that is taken, and where the answers differ by place, at the
 * places they lead to. Undefined when they lead to it nowhere.
 */
export function stepInJob(
  step: Step,
  { answers, setting }: Course,
  chosenMethodId: string | null | undefined,
  workbook: Workbook,
): Step | undefined {
  const places = placesToDo(step, answers, workbook);
  if (places.length === 0) return undefined;
  const done = stepBy(step, methodTaken(step, setting, chosenMethodId));
  if (!hangsOnPlaces(step, workbook)) return done;
  return { ...done, positionIds: places.filter((place) => place !== null) };
}

function placesToDo(step: Step, answers: Answers, workbook: Workbook): (string | null)[] {
  return stepPlaces(step, workbook).filter((place) =>
    (step.when ?? []).every(({ stepId, answerIds }) => {
      const asking = askingStep(stepId, workbook);
      if (!asking || !isToDo(asking, answers, workbook)) return false;
      const there = askedAt(asking, workbook.series);
      const { places } = known(workbook);
      // What happens at no place of its own is done when any place asks for it.
      const keys = there ? there.filter((id) => places.meet(id, place)).map((id) => questionKey(stepId, id)) : [stepId];
      return keys.some((key) => answerIds.includes(answers.get(key) ?? ''));
    }),
  );
}

function hangsOnPlaces(step: Step, workbook: Workbook): boolean {
  return (step.when ?? []).some(({ stepId }) => askingStep(stepId, workbook)?.decision?.eachOf !== undefined);
}

interface Known {
  readonly places: Places;
  readonly stepsById: ReadonlyMap<string, Step>;
}

const knownOf = new WeakMap<Workbook, Known>();

function known(workbook: Workbook): Known {
  const there = knownOf.get(workbook) ?? {
    places: new Places(workbook.series),
    stepsById: new Map(workbook.procedure.steps.map((step) => [step.id, step])),
  };
  knownOf.set(workbook, there);
  return there;
}

function askingStep(stepId: string, workbook: Workbook): Step | undefined {
  return known(workbook).stepsById.get(stepId);
}
