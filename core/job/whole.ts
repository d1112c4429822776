import { atBlockPlace, stepRuns } from '../bench/passes';
import { Places } from '../bench/places';
import type { Step, Workbook } from '../model/procedure';
import type { Series } from '../model/series';

/**
 * What is carried out, step after step: the modules before a procedure and the procedure itself as one, with the steps
 * of each block once for every place it goes through. A step whose id was used already gets one of its own, and what
 * hangs on its answers follows it.
 */
export function wholeChain(workbook: Workbook): Workbook {
  const { series, procedure, before = [] } = workbook;
  const modules = [...before, procedure];
  if (before.length === 0 && !procedure.blocks) return workbook;
  const taken = new Set<string>();
  const steps = modules.flatMap((module, m) => {
    const gone = (id: string) => (taken.has(id) ? `m${m + 1}-${id}`.slice(0, 64) : id);
    const ids = new Map(module.steps.map(({ id }) => [id, gone(id)]));
    for (const id of ids.values()) taken.add(id);
    const own = { ...module, steps: module.steps.map((step) => renamed(step, ids)) };
    const asking = new Map<string, ReadonlyMap<string, string>>();
    return stepRuns(own).flatMap(({ from, to, positionIds }) => {
      const block = module.blocks?.find(({ id }) => id === own.steps[from]?.blockId);
      const run = own.steps.slice(from, to);
      if (!positionIds) return run.flatMap((step) => atPlacesAsked(step, asking, series));
      const passes = repeated(run, positionIds, series, block?.mirrored ?? false);
      for (const { id, decision } of run) if (decision) asking.set(id, placesAsked(passes, id));
      return passes.flatMap(({ steps: here }) => here);
    });
  });
  const { blocks: _expanded, startsFrom: _ofTheFirst, ...whole } = procedure;
  const { startsFrom } = modules[0] ?? procedure;
  return { series, procedure: { ...whole, steps, ...(startsFrom && { startsFrom }) } };
}

/** The steps of a block at one place, and what they were called before. */
interface BlockPass {
  readonly place: string;
  readonly steps: readonly Step[];
  readonly ids: ReadonlyMap<string, string>;
}

/** The steps of a block, once for each place; each keeps its id at its last place, for what hangs on it outside. */
function repeated(steps: readonly Step[], places: readonly string[], series: Series, mirrored: boolean): BlockPass[] {
  const all = new Places(series);
  const passes = places.map((place) => ({
    place,
    steps: steps.flatMap(({ blockId: _block, ...step }) => atBlockPlace(step, place, series, all) ?? []),
  }));
  const lastPlace = new Map(passes.flatMap((pass) => pass.steps.map(({ id }) => [id, pass.place] as const)));
  return passes.map(({ place, steps: here }, i): BlockPass => {
    const idAt = (id: string) => (lastPlace.get(id) === place ? id : `${id.slice(0, 60 - place.length)}--${place}`);
    const ids = new Map(here.map(({ id }) => [id, idAt(id)]));
    const asFirst = i === 0 || !mirrored;
    const renamedHere = here.map((step) => renamed({ ...step, ...(!asFirst && { mirrored: true as const }) }, ids));
    return { place, ids, steps: renamedHere };
  });
}

/** By place, the id of the step that asks a question of a block there. */
function placesAsked(passes: readonly BlockPass[], stepId: string): Map<string, string> {
  return new Map(passes.flatMap(({ place, ids }) => (ids.has(stepId) ? [[place, ids.get(stepId) ?? stepId]] : [])));
}

/** A step outside a block that hangs on a question of it is done at each place by what was answered there. */
function atPlacesAsked(step: Step, asking: ReadonlyMap<string, ReadonlyMap<string, string>>, series: Series): Step[] {
  const hung = step.when?.flatMap(({ stepId }) => asking.get(stepId) ?? []) ?? [];
  const [places] = hung;
  if (!places) return [step];
  const all = new Places(series);
  const acts = [...places.keys()].filter(
    (place) => step.positionIds.length > 0 && step.positionIds.some((id) => all.meet(id, place)),
  );
  if (acts.length === 0) return [step];
  return acts.flatMap((place, i): Step[] => {
    const here = atBlockPlace(step, place, series, all);
    if (!here) return [];
    const ids = new Map([...asking].flatMap(([id, at]) => (at.has(place) ? [[id, at.get(place) ?? id]] : [])));
    const own = i === acts.length - 1 ? step.id : `${step.id.slice(0, 60 - place.length)}--${place}`;
    return [{ ...renamed(here, ids), id: own }];
  });
}

function renamed(step: Step, ids: ReadonlyMap<string, string>): Step {
  const idOf = (id: string) => ids.get(id) ?? id;
  return {
    ...step,
    id: idOf(step.id),
    ...(step.when && { when: step.when.map((condition) => ({ ...condition, stepId: idOf(condition.stepId) })) }),
  };
}
