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
    return stepRuns(own).flatMap(({ from, to, positionIds }) => {
      const block = module.blocks?.find(({ id }) => id === own.steps[from]?.blockId);
      return repeated(own.steps.slice(from, to), positionIds, series, block?.mirrored ?? false);
    });
  });
  const { blocks: _expanded, startsFrom: _ofTheFirst, ...whole } = procedure;
  const { startsFrom } = modules[0] ?? procedure;
  return { series, procedure: { ...whole, steps, ...(startsFrom && { startsFrom }) } };
}

/** The steps of a block, once for each place; each keeps its id at its last place, for what hangs on it outside. */
function repeated(steps: readonly Step[], places: readonly string[] | null, series: Series, mirrored: boolean): Step[] {
  if (!places) return [...steps];
  const all = new Places(series);
  const passes = places.map((place) => ({
    place,
    steps: steps.flatMap(({ blockId: _block, ...step }) => atBlockPlace(step, place, series, all) ?? []),
  }));
  const lastPlace = new Map(passes.flatMap((pass) => pass.steps.map(({ id }) => [id, pass.place] as const)));
  return passes.flatMap(({ place, steps: here }, i) => {
    const idAt = (id: string) => (lastPlace.get(id) === place ? id : `${id.slice(0, 60 - place.length)}--${place}`);
    const ids = new Map(here.map(({ id }) => [id, idAt(id)]));
    const asFirst = i === 0 || !mirrored;
    return here.map((step) => renamed({ ...step, ...(!asFirst && { mirrored: true as const }) }, ids));
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
