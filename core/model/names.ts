import pluralize from 'pluralize';

// One is called as several are.
pluralize.addUncountableRule('bellows');

/** One word in the singular, by the rules of the language. */
export const singularWord = pluralize.singular;

/** "Cover nuts" to "Cover nut": only the last word carries the number. */
export function singularName(name: string): string {
  return onLastWord(name, pluralize.singular);
}

export function pluralName(name: string): string {
  return onLastWord(name, pluralize.plural);
}

const keys = new Map<string, string>();
/** Names come and go while a line is typed; more than this many are not remembered. */
const MOST_KEYS = 20_000;

function onLastWord(name: string, change: (word: string) => string): string {
  const at = name.trim().lastIndexOf(' ') + 1;
  const word = name.trim().slice(at);
  // "boss" and "press" are one, and so is a lens.
  return name.trim().slice(0, at) + (/^\d/.test(word) ? word : change(word));
}

/** Names are told apart by this: whatever their number, case and spaces. */
export function nameKey(name: string): string {
  const known = keys.get(name);
  if (known !== undefined) return known;
  const key = singularName(name.toLowerCase().replace(/\s+/g, ' ').trim());
  if (keys.size >= MOST_KEYS) keys.clear();
  keys.set(name, key);
  return key;
}

/** Finds by name whatever the number or case: "Cover nuts" finds "cover nut". */
export function byName<T extends { name: string }>(list: readonly T[], name: string): T | undefined {
  const known = indexes.get(list);
  const index = known?.length === list.length ? known : indexed(list);
  return index.byKey.get(nameKey(name)) as T | undefined;
}

interface Index {
  readonly length: number;
  readonly byKey: ReadonlyMap<string, unknown>;
}

/** Lists of a workbook are never changed but by adding to them; a line that is typed looks up many names in each. */
const indexes = new WeakMap<readonly { name: string }[], Index>();

function indexed(list: readonly { name: string }[]): Index {
  const byKey = new Map<string, unknown>();
  for (const item of list) {
    const key = nameKey(item.name);
    if (!byKey.has(key)) byKey.set(key, item);
  }
  const index = { length: list.length, byKey };
  indexes.set(list, index);
  return index;
}
