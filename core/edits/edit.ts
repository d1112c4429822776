import type { FastenerGroup } from '../model/fastener-group';
import type { Procedure, Step, Workbook } from '../model/procedure';
import type { Component, Consumable, Kit, PositionSet, Series, Stack, Tool } from '../model/series';
import type { Stage } from '../model/verbs';
import { changeComponent, changeOf, changeStep, deleteStep, insertStep, moveStep, withoutEmpty } from './steps';

/** The lists of a series whose items are added and dropped one by one. */
export interface SeriesLists {
  readonly components: Component;
  readonly tools: Tool;
  readonly consumables: Consumable;
  readonly kits: Kit;
  readonly positionSets: PositionSet;
  readonly stacks: Stack;
  readonly fastenerGroups: FastenerGroup;
}
export const SERIES_LISTS = [
  'components',
  'tools',
  'consumables',
  'kits',
  'positionSets',
  'stacks',
  'fastenerGroups',
] as const satisfies readonly (keyof SeriesLists)[];
export type SeriesList = keyof SeriesLists;

type AddItem = {
  [L in SeriesList]: { readonly kind: 'add'; readonly list: L; readonly index?: number; readonly item: SeriesLists[L] };
}[SeriesList];

/**
 * A change of a workbook as data: it applies to one and yields another, and has an inverse that undoes it. Screens,
 * drafting, fixes and undo all speak edits, so that nobody has to find out by comparison what was changed.
 */
export type Edit =
  | { readonly kind: 'insert'; readonly index: number; readonly step: Step }
  | { readonly kind: 'remove'; readonly stepId: string }
  | { readonly kind: 'change'; readonly stepId: string; readonly fields: Partial<Step> }
  | { readonly kind: 'move'; readonly stepId: string; readonly index: number; readonly stage: Stage }
  | AddItem
  | { readonly kind: 'drop'; readonly list: SeriesList; readonly id: string }
  | { readonly kind: 'change-component'; readonly componentId: string; readonly fields: Partial<Component> }
  | { readonly kind: 'change-series'; readonly fields: Partial<Omit<Series, 'id'>> }
  | { readonly kind: 'change-procedure'; readonly fields: Partial<Omit<Procedure, 'id' | 'seriesId' | 'steps'>> };

export function applyEdits(workbook: Workbook, edits: readonly Edit[]): Workbook {
  return edits.reduce(applyEdit, workbook);
}

export function applyEdit(workbook: Workbook, edit: Edit): Workbook {
  const { series, procedure } = workbook;
  switch (edit.kind) {
    case 'insert':
      return { ...workbook, procedure: insertStep(procedure, edit.index, edit.step) };
    case 'remove':
      return { ...workbook, procedure: deleteStep(procedure, edit.stepId) };
    case 'change':
      return { ...workbook, procedure: changeStep(procedure, edit.stepId, edit.fields) };
    case 'move':
      return { ...workbook, procedure: moveStep(procedure, edit.stepId, edit.index, edit.stage) };
    case 'add': {
      const list: readonly { readonly id: string }[] = series[edit.list] ?? [];
      return {
        ...workbook,
        series: { ...series, [edit.list]: list.toSpliced(edit.index ?? list.length, 0, edit.item) },
      };
    }
    case 'drop': {
      const list: readonly { readonly id: string }[] = series[edit.list] ?? [];
      return { ...workbook, series: { ...series, [edit.list]: list.filter(({ id }) => id !== edit.id) } };
    }
    case 'change-component':
      return { ...workbook, series: changeComponent(series, edit.componentId, edit.fields) };
    case 'change-series':
      return { ...workbook, series: withoutEmpty({ ...series, ...edit.fields }) };
    case 'change-procedure':
      return { ...workbook, procedure: withoutEmpty({ ...procedure, ...edit.fields }) };
  }
}

/** What undoes an edit of this workbook; nothing where the edit changes nothing. */
function inverseOf({ series, procedure }: Workbook, edit: Edit): Edit | undefined {
  switch (edit.kind) {
    case 'insert':
      return { kind: 'remove', stepId: edit.step.id };
    case 'remove': {
      const index = procedure.steps.findIndex(({ id }) => id === edit.stepId);
      const step = procedure.steps[index];
      return step && { kind: 'insert', index, step };
    }
    case 'change': {
      const step = procedure.steps.find(({ id }) => id === edit.stepId);
      return step && { ...edit, fields: before(step, edit.fields) };
    }
    case 'move': {
      const index = procedure.steps.findIndex(({ id }) => id === edit.stepId);
      const step = procedure.steps[index];
      return step && { ...edit, index, stage: step.stage };
    }
    case 'add':
      return { kind: 'drop', list: edit.list, id: edit.item.id };
    case 'drop': {
      const list: readonly SeriesLists[SeriesList][] = series[edit.list] ?? [];
      const index = list.findIndex(({ id }) => id === edit.id);
      const item = list[index];
      return item && ({ kind: 'add', list: edit.list, index, item } as AddItem);
    }
    case 'change-component': {
      const component = series.components.find(({ id }) => id === edit.componentId);
      return component && { ...edit, fields: before(component, changeOf(edit.fields)) };
    }
    case 'change-series':
      return { ...edit, fields: before(series, edit.fields) };
    case 'change-procedure':
      return { ...edit, fields: before(procedure, edit.fields) };
  }
}

/** What these fields were before. */
function before<T extends object>(document: T, fields: Partial<T>): Partial<T> {
  return Object.fromEntries(Object.keys(fields).map((key) => [key, document[key as keyof T]])) as Partial<T>;
}

export interface Applied {
  readonly workbook: Workbook;
  /** The edits that bring the workbook back to what it was. */
  readonly inverse: readonly Edit[];
}

/** Applies edits one after the other, and says what undoes them all. */
export function applyWithInverse(workbook: Workbook, edits: readonly Edit[]): Applied {
  const inverse: Edit[] = [];
  let changed = workbook;
  for (const edit of edits) {
    const undo = inverseOf(changed, edit);
    if (undo) inverse.unshift(undo);
    changed = applyEdit(changed, edit);
  }
  return { workbook: changed, inverse };
}

/** Applies edits that came from elsewhere; where one names something that is not there, it is told which. */
export function applyStrictly(
  workbook: Workbook,
  edits: readonly Edit[],
): { readonly ok: true; readonly workbook: Workbook } | { readonly ok: false; readonly absentAt: number } {
  let changed = workbook;
  for (const [index, edit] of edits.entries()) {
    if (!inverseOf(changed, edit)) return { ok: false, absentAt: index };
    changed = applyEdit(changed, edit);
  }
  return { ok: true, workbook: changed };
}

/**
 * A part said otherwise. Steps that named all its pieces go on naming all of them when their number changes.
 */
export function revisingComponent(
  { series, procedure }: Workbook,
  componentId: string,
  fields: Partial<Component>,
): Edit[] {
  const before = series.components.find(({ id }) => id === componentId)?.count;
  const { count } = fields;
  const following = procedure.steps.flatMap((step): Edit[] => {
    const named = (target: Step['targets'][number]) => target.componentId === componentId && target.count === before;
    if (count === undefined || count === before || !step.targets.some(named)) return [];
    const targets = step.targets.map((target) => (named(target) ? { ...target, count } : target));
    return [{ kind: 'change', stepId: step.id, fields: { targets } }];
  });
  return [{ kind: 'change-component', componentId, fields }, ...following];
}

/** A copy right after the original, under a new id. */
export function duplicating({ procedure }: Workbook, stepId: string, newId: string): Edit[] {
  const index = procedure.steps.findIndex((step) => step.id === stepId);
  const original = procedure.steps[index];
  return original ? [{ kind: 'insert', index: index + 1, step: { ...original, id: newId } }] : [];
}
