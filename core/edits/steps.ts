import { type ComponentKind, isRenewedByDefault } from '../model/kinds';
import { singularName } from '../model/names';
import type { DraftedField, Procedure, Step } from '../model/procedure';
import type { Component, Series } from '../model/series';
import { STAGES, type Stage, type Verb, verbOf } from '../model/verbs';
import { isKeptRing, isNeverReused, kindFromName } from '../reading/en/kind-words';

/** Changes of a procedure's steps: each takes a document and returns a new one; untouched steps keep their identity. */

export function insertStep(procedure: Procedure, index: number, step: Step): Procedure {
  return { ...procedure, steps: procedure.steps.toSpliced(clamp(index, procedure.steps.length), 0, step) };
}

export function changeStep(procedure: Procedure, stepId: string, change: Partial<Step>): Procedure {
  return {
    ...procedure,
    steps: procedure.steps.map((step) => (step.id === stepId ? withoutEmpty({ ...step, ...change }) : step)),
  };
}

export function deleteStep(procedure: Procedure, stepId: string): Procedure {
  return { ...procedure, steps: procedure.steps.filter((step) => step.id !== stepId) };
}

/** What a change by hand amounts to: what a person changed is no longer a mere proposal. */
export function revision(step: Step, change: Partial<Step>): Partial<Step> {
  const left = draftedFields(step).filter((field) => !(field in change));
  return { ...change, drafted: left.length > 0 ? left : undefined };
}

/** Changes a step by hand. */
export function reviseStep(procedure: Procedure, stepId: string, change: Partial<Step>): Procedure {
  const step = procedure.steps.find((candidate) => candidate.id === stepId);
  return step ? changeStep(procedure, stepId, revision(step, change)) : procedure;
}

/** The fields of a step that were proposed and not confirmed. */
export function draftedFields(step: Step): readonly DraftedField[] {
  return step.drafted ?? [];
}

/** Moves a step so that it stands at `index` of the resulting order; it may take on another stage on the way. */
export function moveStep(procedure: Procedure, stepId: string, index: number, stage?: Stage): Procedure {
  const moved = procedure.steps.find((step) => step.id === stepId);
  if (!moved) return procedure;
  const others = procedure.steps.filter((step) => step.id !== stepId);
  const step = stage && stage !== moved.stage ? { ...moved, stage } : moved;
  return { ...procedure, steps: others.toSpliced(clamp(index, others.length), 0, step) };
}

/** Where the first step of `stage` or of a later one stands; the end when there is none. */
export function firstOf(procedure: Procedure, stage: Stage): number {
  const index = procedure.steps.findIndex((step) => STAGES.indexOf(step.stage) >= STAGES.indexOf(stage));
  return index < 0 ? procedure.steps.length : index;
}

/** An empty step with `verb`, in the stage that its verb usually belongs to where none is named. */
export function newStep(id: string, verb: Verb, stage: Stage = verbOf(verb).stage): Step {
  return {
    id,
    verb,
    stage,
    targets: [],
    positionIds: [],
    toolIds: [],
    applications: [],
    cautions: [],
  };
}

/** Verbs that belong wherever the writer is. */
const ROAMING: readonly Verb[] = [
  ...(['mark', 'turn', 'lay', 'hold', 'move', 'bend', 'cap', 'put-aside', 'discard', 'photo', 'wait'] as const),
  ...(['align', 'lubricate', 'apply-compound', 'wrap', 'adjust', 'attend'] as const),
];

export interface LinePlace {
  /** The stage of a step that is added right behind another. */
  readonly stage: Stage;
  /** Steps before it that turn out to be part of that stage: what was looked at in the middle of taking down. */
  readonly restaged: readonly string[];
  /** Where a step with this verb usually stands, if that is another stage. */
  readonly elsewhere?: { readonly stage: Stage; readonly index: number } | undefined;
}

const rankOf = (stage: Stage): number => STAGES.indexOf(stage);

/**
 * The stage of a new step right behind the one at `after` (-1: at the start). The order is the writer's: a stage
 * follows from what is done and from the steps around it, and no step is moved.
 */
export function placeAfter({ steps }: Procedure, verb: Verb, after: number): LinePlace {
  const { stage: home, effect } = verbOf(verb);
  const before = steps[after]?.stage;
  const next = steps[after + 1]?.stage;
  const here = { restaged: [] };
  if (before && ROAMING.includes(verb) && (!next || rankOf(before) <= rankOf(next))) return { stage: before, ...here };
  // Flushed before it is opened.
  if (verb === 'clean' && before === 'make-safe' && next === undefined) return { stage: before, ...here };
  if ((!before || rankOf(before) <= rankOf(home)) && (!next || rankOf(home) <= rankOf(next)))
    return { stage: home, ...here };
  if (before && rankOf(home) < rankOf(before)) {
    // Looking and cleaning were a pause in the taking down.
    if ((effect === 'takes' || effect === 'opens' || verb === 'loosen') && (before === 'look' || before === 'renew')) {
      let first = after;
      while (first > 0 && (steps[first - 1]?.stage === 'look' || steps[first - 1]?.stage === 'renew')) first -= 1;
      return { stage: home, restaged: steps.slice(first, after + 1).map(({ id }) => id) };
    }
    return { stage: before, ...here, elsewhere: elsewhere(steps, home, verb) };
  }
  return { stage: before ?? next ?? home, ...here, elsewhere: elsewhere(steps, home, verb) };
}

/** Making safe, renewing and testing in the middle of something else are usually meant for another place. */
function elsewhere(steps: readonly Step[], home: Stage, verb: Verb): LinePlace['elsewhere'] {
  if (home !== 'make-safe' && home !== 'prove' && verbOf(verb).effect !== 'refits') return undefined;
  const later = steps.findIndex((step) => rankOf(step.stage) > rankOf(home));
  return { stage: home, index: later < 0 ? steps.length : later };
}

export function newComponent(id: string, name: string, more: Partial<Component> = {}): Component {
  const kind = kindFromName(name);
  return {
    id,
    name: singularName(name),
    kind,
    count: 1,
    matched: false,
    renewal: usualRenewal(kind, name),
    ...more,
  };
}

/** Seals that were disturbed and pins that were bent are renewed, unless a trainer decides otherwise. */
export function usualRenewal(kind: ComponentKind, name: string): Component['renewal'] {
  return (isRenewedByDefault(kind) && !isKeptRing(name)) || isNeverReused(name) ? 'always' : 'judge';
}

/** What is changed of a part: once its number is said, that is not open any more. */
export function changeOf(said: Partial<Component>): Partial<Component> {
  return said.count === undefined ? said : { several: undefined, ...said };
}

export function changeComponent(series: Series, componentId: string, said: Partial<Component>): Series {
  const change = changeOf(said);
  return {
    ...series,
    components: series.components.map((component) =>
      component.id === componentId ? withoutEmpty({ ...component, ...change }) : component,
    ),
  };
}

/** Optional fields that were emptied are left out, so that a document holds only what was said. */
export function withoutEmpty<T extends object>(record: T): T {
  return Object.fromEntries(Object.entries(record).filter(([, value]) => value !== undefined && value !== '')) as T;
}

function clamp(index: number, length: number): number {
  return Math.max(0, Math.min(index, length));
}
