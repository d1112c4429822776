import pluralize from 'pluralize';

/** "Cover nuts" to "Cover nut": only the last word carries the number. */
export function singularName(name: string): string {
  return onLastWord(name, pluralize.singular);
}

export function pluralName(name: string): string {
  return onLastWord(name, pluralize.plural);
}

function onLastWord(name: string, change: (word: string) => string): string {
  const at = name.trim().lastIndexOf(' ') + 1;
  const word = name.trim().slice(at);
  // "boss" and "press" are one, and so is a lens.
  return name.trim().slice(0, at) + (/^\d/.test(word) ? word : change(word));
}

/** Names are told apart by this: whatever their number, case and spaces. */
export function nameKey(name: string): string {
  return singularName(name.toLowerCase().replace(/\s+/g, ' ').trim());
}

/** Finds by name whatever the number or case: "Cover nuts" finds "cover nut". */
export function byName<T extends { name: string }>(list: readonly T[], name: string): T | undefined {
  const wanted = nameKey(name);
  return list.find((item) => nameKey(item.name) === wanted);
}
