import { toolLabel } from '../../../../model/lookup';
import type { Series } from '../../../../model/series';
import { partsOf, type Word } from '../words/words';

export type KnownKind = 'part' | 'tool' | 'substance' | 'place' | 'places';

/** A name of the series found in what was said. */
export interface KnownName {
  readonly kind: KnownKind;
  readonly id: string;
  readonly name: string;
  /** How many words of the line it takes. */
  readonly length: number;
  /** The places of a part that has one at each, by their number: "impeller 2" is the one of stage 2. */
  readonly numbered?: ReadonlyMap<number, KnownPlace>;
  /** The same by their names, and by the first words of those: the "left" impeller. */
  readonly placed?: ReadonlyMap<string, KnownPlace>;
}

export interface KnownPlace {
  readonly id: string;
  readonly name: string;
  readonly setId: string;
}

interface Entry extends Omit<KnownName, 'length'> {
  readonly parts: readonly string[];
}

/** Names of a series by their first part, the longest first: a line is looked through once, however large the series. */
export type NameIndex = ReadonlyMap<string, readonly Entry[]>;

const indexes = new WeakMap<Series, NameIndex>();

export function namesOf(series: Series): NameIndex {
  const known = indexes.get(series);
  if (known) return known;
  const index = new Map<string, Entry[]>();
  const add = (kind: KnownKind, id: string, name: string, places?: Pick<KnownName, 'numbered' | 'placed'>) => {
    const parts = partsOf(name.replaceAll(',', ' '));
    const first = parts[0];
    if (first === undefined) return;
    index.set(first, [...(index.get(first) ?? []), { kind, id, name, parts, ...places }]);
  };
  const places = new Map(
    series.positionSets.map((set) => [set.id, { numbered: numberedPlaces(set), placed: placesByWord(set) }]),
  );
  for (const { id, name, positionSetId } of series.components)
    add('part', id, name, positionSetId === undefined ? undefined : places.get(positionSetId));
  for (const tool of series.tools) {
    add('tool', tool.id, toolLabel(tool));
    if (tool.size) add('tool', tool.id, tool.name);
  }
  for (const { id, name } of series.consumables) add('substance', id, name);
  for (const { id, name, positions } of series.positionSets) {
    add('places', id, name);
    for (const position of positions) add('place', position.id, position.name);
    const head = sharedHead(positions.map((position) => position.name));
    if (head !== undefined && !partsOf(name).includes(head)) add('places', id, head);
  }
  for (const list of index.values()) list.sort((a, b) => b.parts.length - a.parts.length);
  indexes.set(series, index);
  return index;
}

/** What all places of a set are called: the "suction side" and the "discharge side" are sides. */
function sharedHead(names: readonly string[]): string | undefined {
  const [first, ...others] = names.map((name) => partsOf(name));
  const head = first?.at(-1);
  const isShared = others.length > 0 && others.every((parts) => parts.length > 1 && parts.at(-1) === head);
  return isShared && first && first.length > 1 && head !== undefined && !/\d/.test(head) ? head : undefined;
}

function numberedPlaces({ id, positions }: Series['positionSets'][number]): ReadonlyMap<number, KnownPlace> {
  return new Map(
    positions.flatMap((position) => {
      const number = /(?:^|\s)(\d+)$/.exec(position.name)?.[1];
      return number === undefined ? [] : [[Number(number), { ...position, setId: id }] as const];
    }),
  );
}

/** Places by their names, and by their first word where no two begin with the same. */
function placesByWord({ id, positions }: Series['positionSets'][number]): ReadonlyMap<string, KnownPlace> {
  const first = ({ name }: { readonly name: string }) => name.toLowerCase().split(/\s+/)[0] ?? '';
  return new Map(
    positions.flatMap((position) => {
      const isOnly = positions.every((other) => other === position || first(other) !== first(position));
      const place = { ...position, setId: id };
      const whole = [position.name.toLowerCase(), place] as const;
      return isOnly ? [whole, [first(position), place] as const] : [whole];
    }),
  );
}

export interface PartName {
  readonly name: string;
  readonly parts: readonly string[];
  /** The parts, parted by spaces. */
  readonly key: string;
  /** The parts run together. */
  readonly run: string;
}

const partNames = new WeakMap<Series, readonly PartName[]>();

/** The names of all parts of a series, for finding those that look alike. */
export function partNamesOf(series: Series): readonly PartName[] {
  const known = partNames.get(series);
  if (known) return known;
  const made = series.components.map(({ name }) => {
    const parts = partsOf(name);
    return { name, parts, key: parts.join(' '), run: parts.join('') };
  });
  partNames.set(series, made);
  return made;
}

const indexed = { first: new WeakMap<Series, WordIndex>(), last: new WeakMap<Series, WordIndex>() };
type WordIndex = ReadonlyMap<string, readonly PartName[]>;

/** The names of the parts by their first or their last word. */
function byWord(series: Series, which: keyof typeof indexed): WordIndex {
  const known = indexed[which].get(series);
  if (known) return known;
  const made = new Map<string, PartName[]>();
  for (const name of partNamesOf(series)) {
    const word = name.parts.at(which === 'first' ? 0 : -1) ?? '';
    made.set(word, [...(made.get(word) ?? []), name]);
  }
  indexed[which].set(series, made);
  return made;
}

/** The parts whose longer names end in these words: "bolts" of the manifold, "cover bolts" of the front cover. */
export function partsEndingIn(series: Series, words: readonly string[]): PartName[] {
  return (byWord(series, 'last').get(words.at(-1) ?? '') ?? []).filter(({ parts }) => endsIn(parts, words));
}

/** The parts whose names begin with a word. */
export function partsBeginningWith(series: Series, word: string): readonly PartName[] {
  return byWord(series, 'first').get(word) ?? [];
}

/** Whether a name ends in these words and has more before them. */
export function endsIn(longer: readonly string[], parts: readonly string[]): boolean {
  return longer.length > parts.length && parts.every((part, i) => longer[longer.length - parts.length + i] === part);
}

/** The names that begin at a word, the longest first. */
export function namesAt(index: NameIndex, words: readonly Word[], at: number): KnownName[] {
  const word = words[at];
  const first = word?.parts[0];
  if (!word || first === undefined || word.quoted) return [];
  const found: KnownName[] = [];
  for (const list of [index.get(first), word.parts.length === 1 ? index.get(word.low) : undefined])
    for (const entry of list ?? []) {
      const length = lengthOf(entry.parts, words, at);
      if (length === 0) continue;
      const { parts: _parts, ...name } = entry;
      found.push({ ...name, length });
    }
  return found;
}

/** How many words a name takes from a word on; 0 where it does not stand there. */
function lengthOf(parts: readonly string[], words: readonly Word[], at: number): number {
  let i = 0;
  let length = 0;
  while (i < parts.length) {
    const word = words[at + length];
    if (!word) return 0;
    // "Stage three" is stage 3.
    const isNumber = word.value !== undefined && parts[i] !== word.low;
    if (isNumber || !word.low.includes('-')) {
      const said = isNumber ? String(word.value) : word.low;
      if (said !== parts[i] && !(i + 1 === parts.length && word.parts[0] === parts[i])) return 0;
      i += 1;
    } else {
      const said = word.low.split('-');
      const last = i + said.length === parts.length;
      if (!said.every((one, n) => one === parts[i + n] || (last && word.parts[n] === parts[i + n]))) return 0;
      i += said.length;
    }
    length += 1;
  }
  return i === parts.length ? length : 0;
}

const lastWords = new WeakMap<NameIndex, ReadonlySet<string>>();

/** The words that parts are called by for short: "cover" of a front cover. */
export function lastWordsOf(names: NameIndex): ReadonlySet<string> {
  const known = lastWords.get(names);
  if (known) return known;
  const made = new Set(
    [...names.values()].flat().flatMap(({ kind, parts }) => (kind === 'part' ? (parts.at(-1) ?? []) : [])),
  );
  lastWords.set(names, made);
  return made;
}
