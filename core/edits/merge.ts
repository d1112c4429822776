/**
 * Three-way merge of JSON documents by stable ids. Lists of things with an `id` are merged thing by thing, so two
 * people who edit different steps do not hinder one another; all other values are merged whole.
 */
export type Json = string | number | boolean | null | undefined | readonly Json[] | { readonly [key: string]: Json };

export interface Merge<T> {
  readonly merged: T;
  /** Paths both sides changed in different ways; `merged` holds mine there. */
  readonly conflicts: readonly string[];
}

export function mergeThree<T>(base: T, mine: T, theirs: T): Merge<T> {
  const conflicts: string[] = [];
  const merged = mergeValue(base as Json, mine as Json, theirs as Json, '', conflicts);
  return { merged: merged as T, conflicts };
}

export function sameJson(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((item, i) => sameJson(item, b[i]));
  if (!isRecord(a) || !isRecord(b)) return false;
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].every((key) => sameJson(a[key], b[key]));
}

function mergeValue(base: Json, mine: Json, theirs: Json, path: string, conflicts: string[]): Json {
  if (sameJson(mine, theirs) || sameJson(theirs, base)) return mine;
  if (sameJson(mine, base)) return theirs;
  if (isIdList(mine) && isIdList(theirs) && (base === undefined || isIdList(base))) {
    return mergeList(base ?? [], mine, theirs, path, conflicts);
  }
  if (isRecord(mine) && isRecord(theirs) && isRecord(base)) {
    const keys = new Set([...Object.keys(base), ...Object.keys(theirs), ...Object.keys(mine)]);
    const merged = [...keys].map((key): [string, Json] => [
      key,
      mergeValue(base[key], mine[key], theirs[key], path ? `${path}.${key}` : key, conflicts),
    ]);
    return Object.fromEntries(merged.filter(([, value]) => value !== undefined));
  }
  conflicts.push(path);
  return mine;
}

type Item = { readonly id: string; readonly [key: string]: Json };

function mergeList(
  base: readonly Item[],
  mine: readonly Item[],
  theirs: readonly Item[],
  path: string,
  conflicts: string[],
) {
  const [b, m, t] = [index(base), index(mine), index(theirs)];
  const result = new Map<string, Item>();
  for (const id of new Set([...m.keys(), ...t.keys()])) {
    const [was, my, their] = [b.get(id), m.get(id), t.get(id)];
    const at = `${path}[${id}]`;
    if (my && their) result.set(id, mergeValue(was, my, their, at, conflicts) as Item);
    else {
      const left = my ?? their;
      if (!left) continue;
      if (was === undefined) result.set(id, left);
      else if (!sameJson(was, left)) {
        // One side deleted what the other changed: keeping it loses nothing.
        conflicts.push(at);
        result.set(id, left);
      }
    }
  }
  const order = mergeOrder(base, mine, theirs, path, conflicts);
  return order.flatMap((id) => result.get(id) ?? []);
}

/** Mine decides the order if only mine changed it, theirs otherwise; new items follow the neighbour they came with. */
function mergeOrder(
  base: readonly Item[],
  mine: readonly Item[],
  theirs: readonly Item[],
  path: string,
  conflicts: string[],
): string[] {
  const moved = (side: readonly Item[], other: readonly Item[]) => {
    const kept = new Set(side.map((item) => item.id));
    const both = new Set(other.map((item) => item.id));
    const was = base.filter((item) => kept.has(item.id) && both.has(item.id)).map((item) => item.id);
    const known = new Set(was);
    return side.filter((item) => known.has(item.id)).some((item, i) => item.id !== was[i]);
  };
  const [mineMoved, theirsMoved] = [moved(mine, theirs), moved(theirs, mine)];
  if (mineMoved && theirsMoved) conflicts.push(`${path} (order)`);
  const [lead, follow] = mineMoved ? [mine, theirs] : [theirs, mine];
  const order = lead.map((item) => item.id);
  follow.forEach((item, i) => {
    if (order.includes(item.id)) return;
    const before = follow.slice(0, i).findLast((earlier) => order.includes(earlier.id));
    order.splice(before ? order.indexOf(before.id) + 1 : 0, 0, item.id);
  });
  return order;
}

function index(list: readonly Item[]): Map<string, Item> {
  return new Map(list.map((item) => [item.id, item]));
}

function isRecord(value: unknown): value is { readonly [key: string]: Json } {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function isIdList(value: Json): value is readonly Item[] {
  return Array.isArray(value) && value.every((item) => isRecord(item) && typeof item.id === 'string');
}
