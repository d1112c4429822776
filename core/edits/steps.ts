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

/**
 * Where a new step of `stage` goes when it follows the step at `after` (-1 for the start): right behind it, unless
 * that would put it before a step of an earlier stage or behind one of a later stage.
 */
export function indexFor(procedure: Procedure, stage: Stage, after: number): number {
  const rank = STAGES.indexOf(stage);
  let index = clamp(after + 1, procedure.steps.length);
  while (index > 0 && STAGES.indexOf(procedure.steps[index - 1]?.stage ?? stage) > rank) index -= 1;
  while (index < procedure.steps.length && STAGES.indexOf(procedure.steps[index]?.stage ?? stage) < rank) index += 1;
  return index;
}

/** Where the first step of `stage` or of a later one stands; the end when there is none. */
export function firstOf(procedure: Procedure, stage: Stage): number {
  const index = procedure.steps.findIndex((step) => STAGES.indexOf(step.stage) >= STAGES.indexOf(stage));
  return index < 0 ? procedure.steps.length : index;
}

/** An empty step with `verb`, in the stage it belongs to when it follows `previous`. */
export function newStep(id: string, verb: Verb, previous: Step | undefined): Step {
  return {
    id,
    verb,
    stage: stageAfter(verb, previous?.stage),
    targets: [],
    positionIds: [],
    toolIds: [],
    applications: [],
    cautions: [],
  };
}

/** Verbs that belong wherever the writer is. */
const ROAMING: readonly Verb[] = ['mark', 'turn', 'lay', 'photo', 'wait', 'align', 'lubricate', 'apply-compound'];

/** A verb never falls behind its own stage; once the writer is past it, it stays where the writer is. */
function stageAfter(verb: Verb, current: Stage | undefined): Stage {
  const { stage: home, effect } = verbOf(verb);
  // Flushed before it is opened.
  if (verb === 'clean' && current === 'make-safe') return current;
  if (!current || STAGES.indexOf(current) <= STAGES.indexOf(home))
    return current && ROAMING.includes(verb) ? current : home;
  // Looking and renewing are a pause in the taking down: a part taken off after them belongs before them.
  return effect === 'takes' && (current === 'look' || current === 'renew') ? home : current;
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

export function changeComponent(series: Series, componentId: string, change: Partial<Component>): Series {
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
