import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { applyLine } from '#core/line/apply-line';
import { parseLine } from '#core/line/parse-line';
import { singularName } from '#core/model/names';
import { Series } from '#core/model/series';
import { differences, type Meaning, readMeaning } from './meaning';
import { typedWorkbook } from './read-step';

/**
 * Lines as trainers say them, each with what it means, over the ten families of pumps. Those of families marked `apart`
 * are only counted: nobody looks at how they fare while the grammar is worked on. Once looked at, they are worked on,
 * and new ones are written.
 */
export interface SaidLine {
  readonly family: string;
  readonly line: string;
  readonly meaning: Meaning;
  readonly series: Series;
  /** Not looked at while the grammar is worked on. */
  readonly apart: boolean;
}

export type Outcome =
  | { readonly is: 'whole' }
  /** It asks, where asking is right or at least does no harm. */
  | { readonly is: 'asked'; readonly rightly: boolean }
  | { readonly is: 'wrong'; readonly how: readonly string[] };

const folder = fileURLToPath(new URL('./lines/', import.meta.url));

export function readCorpus(): SaidLine[] {
  return readdirSync(folder)
    .filter((name) => name.endsWith('.txt'))
    .sort()
    .flatMap((name) => readFamily(name, readFileSync(folder + name, 'utf8')));
}

function readFamily(file: string, text: string): SaidLine[] {
  const rows = text.split('\n');
  const family =
    rows
      .find((row) => row.startsWith('#'))
      ?.slice(1)
      .trim() ?? file;
  const series = seriesOf(rows);
  const apart = rows.includes('apart');
  return rows
    .filter((row) => row.includes(' => '))
    .map((row) => {
      const [line = '', meaning = ''] = row.split(' => ');
      return {
        family,
        line: line.trim(),
        meaning: readMeaning(meaning.trim()),
        series,
        apart,
      };
    });
}

export function seriesOf(rows: readonly string[]): Series {
  const after = (word: string) =>
    rows.flatMap((row) => (row.startsWith(`${word} `) ? [row.slice(word.length + 1).trim()] : []));
  const positionSets = after('positions').map((row) => {
    const [name = '', places = ''] = row.split(':');
    return {
      id: `set-${name}`,
      name,
      positions: places
        .split(',')
        .map((place) => ({ id: place.trim().replace(/[^A-Za-z0-9]+/g, '-'), name: place.trim() })),
    };
  });
  const components = after('parts')
    .flatMap((row) => row.split(';'))
    .map((said) => {
      const [, count, name = '', set] = /^\s*(\d+)?\s*(.+?)(?:\s*@(\w+))?\s*$/.exec(said) ?? [];
      return {
        id: `part-${name.replace(/[^A-Za-z0-9]+/g, '-')}`,
        name: singularName(name),
        kind: 'other',
        count: Number(count ?? 1),
        ...(set && { positionSetId: `set-${set}` }),
      };
    });
  const tools = after('tools')
    .flatMap((row) => row.split(';'))
    .map((said) => {
      const [name = '', size] = said.trim().split(', ');
      return { id: `tool-${said.trim().replace(/[^A-Za-z0-9]+/g, '-')}`, name, ...(size && { size }) };
    });
  const consumables = after('consumables')
    .flatMap((row) => row.split(';'))
    .map((said) => ({ id: `stuff-${said.trim().replace(/[^A-Za-z0-9]+/g, '-')}`, name: said.trim() }));
  return Series.parse({
    id: 'series',
    name: 'Said',
    code: 'S-1',
    pumpType: 'other',
    positionSets,
    components,
    tools,
    consumables,
  });
}

/** What comes of a line, compared with what it means. */
export function judgeLine({ line, meaning, series }: SaidLine): Outcome {
  const parsed = parseLine(line, series);
  const asks = parsed.faults.length > 0 || parsed.doubts.length > 0;
  if (asks) return { is: 'asked', rightly: meaning.is === 'ask' };
  const { workbook, after } = typedWorkbook(series);
  let n = 0;
  const applied = applyLine(workbook, parsed, after, () => `new-${++n}`);
  if (!applied) return { is: 'asked', rightly: meaning.is === 'ask' };
  if (meaning.is === 'ask') return { is: 'wrong', how: ['it does not ask'] };
  const how = differences(meaning, applied);
  return how.length === 0 ? { is: 'whole' } : { is: 'wrong', how };
}
