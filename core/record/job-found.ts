import { type Found, foundIn } from '../job/found';
import { runOf } from '../job/job';
import type { JobState } from '../job/state';
import { stepInJob } from '../job/to-do';
import { causesOf, type Evidence, type PointedTo } from '../judging/causes';
import { componentById, placeNameOf } from '../model/lookup';
import type { Step, Workbook } from '../model/procedure';
import type { Component } from '../model/series';
import { verbOf } from '../model/verbs';
import { piecesInKits } from '../supplies/kit-need';

/** Something found in a job, with the part it was found on and the step that found it. */
export interface FoundInJob extends Found {
  readonly step: Step;
  /** Index of the step. */
  readonly index: number;
  readonly component: Component | undefined;
  readonly place: string | undefined;
}

/** Everything that looks and measurements of a job found, in the order of the steps. */
export function foundInJob(workbook: Workbook, state: JobState): FoundInJob[] {
  const { series, procedure } = workbook;
  return procedure.steps.flatMap((said, index) => {
    const run = runOf(state, said.id);
    if (run.looked.length + run.measured.length + run.gauged.length === 0) return [];
    const step = stepInJob(said, state, run.chosenMethodId, workbook) ?? said;
    const component = componentById(series, step.targets[0]?.componentId ?? '');
    return foundIn(step, run, series).map((one) => ({
      ...one,
      ...{ step, index, component, place: placeNameOf(series, one.positionId) },
    }));
  });
}

/** What the findings and problems of a job point to together. */
export function pointsTo(workbook: Workbook, state: JobState): PointedTo[] {
  const found = foundInJob(workbook, state).flatMap(({ found: seen, step, place, component }): Evidence[] =>
    'sign' in seen ? [{ stepId: step.id, text: seen.sign, place, kind: component?.kind, part: component?.name }] : [],
  );
  const told = [...state.runs].flatMap(([stepId, { problems }]) =>
    problems.map(({ text }): Evidence => ({ stepId, text })),
  );
  return causesOf([...found, ...told]);
}

/** Pieces that have to be renewed and lie in no kit of the job: what the office has to get. */
export interface PartWanted {
  readonly component: Component;
  readonly count: number;
  readonly found: readonly FoundInJob[];
  /** The step that cannot be done without them; undefined where none fits the part. */
  readonly stops: { readonly step: Step; readonly index: number } | undefined;
}

export function partsWanted(workbook: Workbook, state: JobState): PartWanted[] {
  const { series, procedure } = workbook;
  const held = piecesInKits(series, procedure.kits ?? []);
  const wanted = new Map<string, { component: Component; found: FoundInJob[] }>();
  for (const one of foundInJob(workbook, state)) {
    const { component } = one;
    // Renewed anyway, it is laid out already.
    if (!component || one.follows !== 'renew' || component.renewal === 'always') continue;
    const known = wanted.get(component.id) ?? { component, found: [] };
    known.found.push(one);
    wanted.set(component.id, known);
  }
  return [...wanted.values()].flatMap(({ component, found }) => {
    // One piece with two faults is one piece.
    const pieces = new Set(found.map(({ positionId }) => positionId)).size;
    const missing = pieces - (held.get(component.id) ?? 0);
    if (missing <= 0) return [];
    const index = procedure.steps.findIndex(
      ({ verb, targets }, i) =>
        i >= (found[0]?.index ?? 0) &&
        ['refits', 'renews'].includes(verbOf(verb).effect) &&
        targets.some(({ componentId }) => componentId === component.id),
    );
    const step = procedure.steps[index];
    return [{ component, count: missing, found, stops: step && { step, index } }];
  });
}
