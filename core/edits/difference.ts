import type { Procedure, Step, Workbook } from '../model/procedure';
import type { Series } from '../model/series';
import { type Edit, SERIES_LISTS, type SeriesList } from './edit';
import { sameJson } from './merge';

/**
 * The edits that lead from one version of a workbook to another, for where it is not known what was done: a draft that
 * a tab finds again, two versions that were merged. Applied to the first they yield the second.
 */
export function editsBetween(from: Workbook, to: Workbook): Edit[] {
  return [...seriesEdits(from.series, to.series), ...procedureEdits(from.procedure, to.procedure)];
}

export function seriesEdits(from: Series, to: Series): Edit[] {
  if (from === to) return [];
  const { id: _id, ...fields } = fieldsBetween(from, to, SERIES_LISTS);
  return [
    ...SERIES_LISTS.flatMap((list) => listEdits(list, from, to)),
    ...(Object.keys(fields).length > 0 ? [{ kind: 'change-series' as const, fields }] : []),
  ];
}

type Item = { readonly id: string };

/** Items that are new at the end or gone are said one by one, and so are changed components; else the list is said whole. */
function listEdits(list: SeriesList, from: Series, to: Series): Edit[] {
  const [before, after]: readonly (readonly Item[])[] = [from[list] ?? [], to[list] ?? []];
  if (before === undefined || after === undefined || sameJson(before, after)) return [];
  const kept = before.filter(({ id }) => after.some((item) => item.id === id));
  const isInOrder = kept.every(({ id }, i) => after[i]?.id === id);
  const changed = kept.flatMap((item, i) => (sameJson(item, after[i]) ? [] : [[item, after[i]] as const]));
  if (!isInOrder || (changed.length > 0 && list !== 'components'))
    return [{ kind: 'change-series', fields: { [list]: to[list] } }];
  const gone = before.filter((item) => !kept.includes(item));
  return [
    ...gone.map(({ id }): Edit => ({ kind: 'drop', list, id })),
    ...changed.map(
      ([item, now]): Edit => ({
        kind: 'change-component',
        componentId: item.id,
        fields: fieldsBetween(item, now ?? item),
      }),
    ),
    ...after.slice(kept.length).map((item) => ({ kind: 'add', list, item }) as Edit),
  ];
}

export function procedureEdits(from: Procedure, to: Procedure): Edit[] {
  if (from === to) return [];
  const { id: _id, seriesId: _series, ...fields } = fieldsBetween(from, to, ['steps']);
  return [
    ...stepEdits(from.steps, to.steps),
    ...(Object.keys(fields).length > 0 ? [{ kind: 'change-procedure' as const, fields }] : []),
  ];
}

function stepEdits(from: readonly Step[], to: readonly Step[]): Edit[] {
  if (from === to) return [];
  const before = new Map(from.map((step) => [step.id, step]));
  const stages = new Map(to.map(({ id, stage }) => [id, stage]));
  const removed = from.filter(({ id }) => !stages.has(id));
  const changed = to.flatMap((step): Edit[] => {
    const was = before.get(step.id);
    const fields = was && was !== step ? fieldsBetween(was, step) : {};
    return Object.keys(fields).length > 0 ? [{ kind: 'change', stepId: step.id, fields }] : [];
  });
  return [...removed.map(({ id }): Edit => ({ kind: 'remove', stepId: id })), ...orderEdits(from, to), ...changed];
}

/** New steps put in and others moved, from the front on, so that what is before a place stands already. */
function orderEdits(from: readonly Step[], to: readonly Step[]): Edit[] {
  const place = new Map(to.map(({ id }, i) => [id, i]));
  const placeOf = (id: string) => place.get(id) ?? 0;
  const order = from.flatMap(({ id }) => (place.has(id) ? [id] : []));
  const known = new Set(order);
  const staying = new Set(longestRising(order.map(placeOf)).map((i) => order[i]));
  const edits: Edit[] = [];
  const move = (id: string, index: number, stage: Step['stage']) => {
    order.splice(order.indexOf(id), 1);
    order.splice(index, 0, id);
    edits.push({ kind: 'move', stepId: id, index, stage });
  };
  to.forEach((step, index) => {
    if (!known.has(step.id)) {
      order.splice(index, 0, step.id);
      edits.push({ kind: 'insert', index, step });
      return;
    }
    for (let there = order[index]; there !== step.id && there !== undefined && !staying.has(there); ) {
      move(there, Math.min(placeOf(there), order.length - 1), to[placeOf(there)]?.stage ?? step.stage);
      there = order[index];
    }
    if (order[index] !== step.id) move(step.id, index, step.stage);
  });
  return edits;
}

/** Indices of a longest run of rising numbers, which need not be moved. */
export function longestRising(numbers: readonly number[]): number[] {
  const ends: number[] = [];
  const previous = numbers.map(() => -1);
  numbers.forEach((number, i) => {
    let at = ends.findIndex((end) => (numbers[end] ?? 0) >= number);
    if (at < 0) at = ends.length;
    previous[i] = ends[at - 1] ?? -1;
    ends[at] = i;
  });
  const run: number[] = [];
  for (let i = ends.at(-1) ?? -1; i >= 0; i = previous[i] ?? -1) run.unshift(i);
  return run;
}

/** The fields in which two versions of a thing differ, as the second has them; one that it lacks is undefined. */
function fieldsBetween<T extends object>(from: T, to: T, except: readonly (keyof T)[] = []): Partial<T> {
  const keys = [...new Set([...Object.keys(from), ...Object.keys(to)])] as (keyof T)[];
  const different = keys.filter((key) => !except.includes(key) && !sameJson(from[key], to[key]));
  return Object.fromEntries(different.map((key) => [key, to[key]])) as Partial<T>;
}
