import type { Direction, PlainDirection } from '../faces';
import { nameKey } from '../names';

/**
 * How format 2 read the words of format 1 for where an end looks. Kept as it was then: a migration must not change when
 * the reading of what people type gets better.
 */
const READ: readonly [RegExp, PlainDirection][] = [
  [/^(any|either)( way| side| direction)?$/, 'any'],
  [/\bup(wards?)?\b/, 'up'],
  [/\bdown(wards?)?\b/, 'down'],
  [/\b(out of|outwards?|outside|mouth)\b|^out$/, 'mouth'],
  [/\b(into|inwards?|bottom|inside)\b|^in$/, 'bottom'],
  [/\b(pressure|liquid|product)\b/, 'pressure'],
  [/\b(drive|crankcase|motor)\b/, 'drive'],
];

export function typedDirection(
  words: string,
  components: readonly { readonly id: string; readonly name: string }[],
): Direction {
  const isAway = /^\s*away from\s+/i.test(words);
  const said = words
    .trim()
    .replace(/^away from\s+/i, '')
    .replace(/^(toward|towards|to)\s+/i, '');
  const away = isAway && ({ away: true } as const);
  const plainWords = said
    .toLowerCase()
    .replace(/\b(the|a|an|its)\b/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  const key = nameKey(plainWords);
  const keys = components.map(({ id, name }) => ({ id, key: nameKey(name.replace(/^(the|a|an)\s+/i, '')) }));
  const ending = /^(pressure|drive)$/.test(key) ? [] : keys.filter((one) => one.key.endsWith(` ${key}`));
  const part = keys.find((one) => one.key === key) ?? (ending.length === 1 ? ending[0] : undefined);
  if (part) return { is: 'part', componentId: part.id, ...away };
  const plain = READ.find(([pattern]) => pattern.test(plainWords))?.[1];
  return plain ? { is: plain, said, ...away } : { is: 'words', said: said || words.trim(), ...away };
}
