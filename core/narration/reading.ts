import type { SaidBefore } from '../language/en/grammar/acts/reading';
import { type ParsedLine, parseLine } from '../line/parse-line';
import type { Passage } from '../model/narration';
import type { Series } from '../model/series';

/** What names a series has, as far as reading a line depends on it; the same text reads the same lines alike. */
const keys = new WeakMap<Series, string>();
const read = new Map<string, ParsedLine>();
const MOST_KEPT = 4000;

/** Reads a line, or gives what it was read as before with the same names. */
export function readingOf(line: string, series: Series, before: SaidBefore['parts']): ParsedLine {
  const key = `${line}\n${before.map(({ name }) => name).join(';')}\n${keyOf(series)}`;
  const known = read.get(key);
  if (known) return known;
  if (read.size >= MOST_KEPT) read.clear();
  const parsed = parseLine(line, series, { parts: before });
  read.set(key, parsed);
  return parsed;
}

/** Reads passages a few at a time, so that nothing else has to wait; gives how far it is, from 0 to 1. */
export function* readAhead(passages: readonly Passage[], series: Series): Generator<number> {
  for (const [i, { text }] of passages.entries()) {
    readingOf(text, series, []);
    if (i % AT_A_TIME === AT_A_TIME - 1) yield (i + 1) / passages.length;
  }
}

const AT_A_TIME = 3;

function keyOf(series: Series): string {
  const known = keys.get(series);
  if (known !== undefined) return known;
  const { components, tools, consumables, positionSets } = series;
  const key = JSON.stringify([
    // A direction names the part that it looks to by its id.
    components.map(({ id, name, count, positionSetId, kind }) => [id, name, count, positionSetId, kind]),
    tools.map(({ name, size }) => [name, size]),
    consumables.map(({ name }) => name),
    positionSets,
  ]);
  keys.set(series, key);
  return key;
}
