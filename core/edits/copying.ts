import { z } from 'zod';
import { toolLabel } from '../model/lookup';
import { nameKey } from '../model/names';
import { type Procedure, Step, type Workbook } from '../model/procedure';
import { Component, Consumable, PositionSet, Tool } from '../model/series';
import type { Edit } from './edit';

/** Steps that were copied, with what they name, so that they can be put into another series as well. */
export const CopiedSteps = z.strictObject({
  steps: z.array(Step).min(1).max(500),
  components: z.array(Component),
  tools: z.array(Tool),
  consumables: z.array(Consumable),
  positionSets: z.array(PositionSet),
});
export type CopiedSteps = z.infer<typeof CopiedSteps>;

/** The steps from one to another, in either order, with all that they name. */
export function copyingSteps({ series, procedure }: Workbook, fromId: string, toId: string): CopiedSteps | undefined {
  const at = [fromId, toId].map((id) => procedure.steps.findIndex((step) => step.id === id));
  const [from = -1, to = -1] = at.sort((a, b) => a - b);
  if (from < 0) return undefined;
  const steps = procedure.steps.slice(from, to + 1);
  const named = new Set(steps.flatMap(idsIn));
  const components = series.components.filter(({ id }) => named.has(id));
  const sets = new Set(components.flatMap(({ positionSetId }) => positionSetId ?? []));
  return {
    steps,
    components,
    tools: series.tools.filter(({ id }) => named.has(id)),
    consumables: series.consumables.filter(({ id }) => named.has(id)),
    positionSets: series.positionSets.filter(
      ({ id, positions }) => sets.has(id) || positions.some((position) => named.has(position.id)),
    ),
  };
}

/**
 * The edits that put copied steps behind the step at `after`. Parts, tools, consumables and places are found by name, and
 * added where the series lacks them. What hangs on others is left out: conditions on a question that was not copied, the
 * block, and the narration that a step came from.
 */
export function pastingSteps(
  { series, procedure }: Workbook,
  copied: CopiedSteps,
  after: number,
  newId: () => string,
): { edits: readonly Edit[]; stepIds: readonly string[] } {
  const ids = new Map<string, string>();
  const edits: Edit[] = [];
  for (const set of copied.positionSets) {
    const known = series.positionSets.find(({ id, name }) => id === set.id || nameKey(name) === nameKey(set.name));
    const fits = known !== undefined && set.positions.every((one) => positionIn(known, one.name) !== undefined);
    const item = fits
      ? known
      : { ...set, id: newId(), positions: set.positions.map((one) => ({ ...one, id: newId() })) };
    if (!fits) edits.push({ kind: 'add', list: 'positionSets', item });
    ids.set(set.id, item.id);
    for (const [i, { id, name }] of set.positions.entries())
      ids.set(id, (fits ? positionIn(item, name) : item.positions[i]?.id) ?? id);
  }
  for (const part of copied.components) {
    const known = series.components.find(({ name }) => nameKey(name) === nameKey(part.name));
    ids.set(part.id, known?.id ?? newId());
  }
  for (const tool of copied.tools) {
    const known = series.tools.find((one) => nameKey(toolLabel(one)) === nameKey(toolLabel(tool)));
    ids.set(tool.id, known?.id ?? newId());
    const { substituteIds: _elsewhere, ...rest } = tool;
    if (!known) edits.push({ kind: 'add', list: 'tools', item: { ...rest, id: ids.get(tool.id) ?? tool.id } });
  }
  for (const stuff of copied.consumables) {
    const known = series.consumables.find(({ name }) => nameKey(name) === nameKey(stuff.name));
    ids.set(stuff.id, known?.id ?? newId());
    if (!known) edits.push({ kind: 'add', list: 'consumables', item: { ...stuff, id: ids.get(stuff.id) ?? stuff.id } });
  }
  const parts = copied.components.filter((part) => !series.components.some(({ id }) => id === ids.get(part.id)));
  const carried = new Set([...copied.components.map(({ id }) => id)]);
  for (const part of parts) {
    const { hostId, hostsAt: _at, coveredBy: _covers, heldBy, ...rest } = part;
    const held = (heldBy ?? []).filter((id) => carried.has(id));
    const item = renamed(
      { ...rest, ...(hostId && carried.has(hostId) && { hostId }), ...(held.length > 0 && { heldBy: held }) },
      ids,
    );
    edits.push({ kind: 'add', list: 'components', item });
  }
  for (const step of copied.steps) ids.set(step.id, newId());
  const asked = new Set(copied.steps.map(({ id }) => id));
  const stepIds: string[] = [];
  copied.steps.forEach((step, i) => {
    const { when, source: _said, blockId: _block, ...rest } = step;
    const kept = (when ?? []).filter(({ stepId }) => asked.has(stepId) || hasQuestion(procedure, stepId));
    const fresh = renamed({ ...rest, ...(kept.length > 0 && { when: kept }) }, ids);
    stepIds.push(fresh.id);
    edits.push({ kind: 'insert', index: after + 1 + i, step: fresh });
  });
  return { edits, stepIds };
}

function hasQuestion({ steps }: Procedure, stepId: string): boolean {
  return steps.some(({ id, decision }) => id === stepId && decision !== undefined);
}

function positionIn(set: PositionSet, name: string): string | undefined {
  return set.positions.find((one) => nameKey(one.name) === nameKey(name))?.id;
}

/** Fields in which a person writes: what reads like an id there is none. */
const WORDS: ReadonlySet<string> = new Set([
  'text',
  'about',
  'into',
  'detail',
  'why',
  'name',
  'question',
  'what',
  'said',
  'sign',
  'means',
  'sound',
  'at',
  'by',
  'where',
  'amount',
  'mustShow',
  'caption',
  'end',
  'tellBy',
  'shaftAt',
]);

/** The same with other ids, wherever they stand. */
function renamed<T>(value: T, ids: ReadonlyMap<string, string>): T {
  if (typeof value === 'string') return (ids.get(value) ?? value) as T;
  if (Array.isArray(value)) return value.map((item) => renamed(item, ids)) as T;
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, item]) => [ids.get(key) ?? key, WORDS.has(key) ? item : renamed(item, ids)]),
  ) as T;
}

/** Every text of a step that may be an id. */
function idsIn(value: unknown): string[] {
  if (typeof value === 'string') return [value];
  if (Array.isArray(value)) return value.flatMap(idsIn);
  if (value === null || typeof value !== 'object') return [];
  return Object.entries(value).flatMap(([key, item]) => [key, ...(WORDS.has(key) ? [] : idsIn(item))]);
}
