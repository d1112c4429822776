import type { Direction, PlainDirection } from '../../model/faces';
import { nameKey } from '../../model/names';
import { bare } from '../../orientation/faces';

/** Said like this a direction needs no words of its own kept. */
const PLAIN: Readonly<Record<PlainDirection, string>> = {
  pressure: 'pressure',
  drive: 'drive',
  mouth: 'mouth of bore',
  bottom: 'bottom of bore',
  up: 'up',
  down: 'down',
  any: 'any way',
};

/** First match wins. */
const READ: readonly [RegExp, PlainDirection][] = [
  [/^(any|either)( way| side| direction)?$/, 'any'],
  [/\bup(wards?)?\b/, 'up'],
  [/\bdown(wards?)?\b/, 'down'],
  [/\b(out of|outwards?|outside|mouth)\b|^out$/, 'mouth'],
  [/\b(into|inwards?|bottom|inside)\b|^in$/, 'bottom'],
  [/\b(pressure|liquid|product|discharge side|wet end|fluid|water)\b/, 'pressure'],
  [/\b(drive|crankcase|motor|crank|gearbox|atmosphere|oil side)\b/, 'drive'],
];

/** What the words for a direction mean: a part of the series where they name one, else a direction, else words. */
export function readDirection(
  words: string,
  series: { readonly components: readonly { id: string; name: string }[] },
): Direction {
  const text = words.trim();
  const isAway = /^\s*away from\s+/i.test(text);
  const said = text.replace(/^\s*away from\s+/i, '').replace(/^(toward|towards|to)\s+/i, '');
  const away = isAway && ({ away: true } as const);
  const key = nameKey(bare(said));
  const part = partNamed(key, series.components);
  // Called by less than its name it is said so, and known again by that.
  if (part) return { is: 'part', componentId: part.id, ...(nameKey(bare(part.name)) !== key && { said }), ...away };
  const plain = READ.find(([pattern]) => pattern.test(bare(said)))?.[1];
  if (plain) return { is: plain, ...(bare(said) !== PLAIN[plain] && { said }), ...away };
  return { is: 'words', said, ...away };
}

/** The part of this name; or the only one that ends in it, as "ball" means the valve ball where there is no other. */
function partNamed<T extends { name: string }>(key: string, components: readonly T[]): T | undefined {
  const exact = components.find(({ name }) => nameKey(bare(name)) === key);
  if (exact || Object.values(PLAIN).includes(key)) return exact;
  // A seal assembly is a seal as well.
  const ending = components.filter(({ name }) =>
    nameKey(bare(name))
      .replace(/ (?:assembly|set|stack|cartridge|pack)$/, '')
      .endsWith(` ${key}`),
  );
  return ending.length === 1 ? ending[0] : undefined;
}

/** The parts of a text that name an end: "lip up" in "Press it home, lip up." */
export function clausesNaming(text: string, end: string | undefined): string[] {
  if (!end) return [];
  const [word = ''] = bare(end).split(' ');
  const root = word.replace(/s$/, '');
  return text.split(/[.;,]/).filter((clause) => root.length > 2 && clause.toLowerCase().includes(root));
}

/** Whether a text says that an end looks up or down on the bench; nothing where it says both. */
export function benchDirectionSaid(text: string | undefined, end: string | undefined): 'up' | 'down' | undefined {
  const said = clausesNaming(text ?? '', end).flatMap((clause) =>
    [...clause.matchAll(/\b(up|down)(?:wards?)?\b/gi)].map(([, way = '']) => way.toLowerCase()),
  );
  const [way] = said;
  return (way === 'up' || way === 'down') && said.every((other) => other === way) ? way : undefined;
}
