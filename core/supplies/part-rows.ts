import Papa from 'papaparse';
import type { Edit } from '../edits/edit';
import { newComponent } from '../edits/steps';
import { COMPONENT_KINDS, type ComponentKind } from '../model/kinds';
import { byName, singularName } from '../model/names';
import { type Component, RENEWALS, type Series } from '../model/series';

/** What a column of a pasted table says of a part. */
export const PART_COLUMNS = ['name', 'count', 'kind', 'renewal', 'number'] as const;
export type PartColumn = (typeof PART_COLUMNS)[number];

export interface PartRowFault {
  /** Counted from 1, the heading included. */
  readonly row: number;
  readonly column: PartColumn;
  readonly text: string;
}

export interface PartRows {
  readonly edits: readonly Edit[];
  readonly added: number;
  readonly changed: number;
  readonly faults: readonly PartRowFault[];
}

/** How words for kinds and renewals are found, in the language of the screen. */
export interface PartWords {
  readonly kind: (text: string) => ComponentKind | undefined;
  readonly renewal: (text: string) => Component['renewal'] | undefined;
}

/**
 * Reads rows of parts as they come from a spreadsheet, parted by tabs, commas or semicolons, with or without a heading.
 * The columns are name, count, kind, renewed and part number; what is left empty stays as it is. Where one row is at
 * fault nothing is taken.
 */
export function readPartRows(text: string, series: Series, words: PartWords, newId: () => string): PartRows {
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' });
  const heading = columnsOf(data[0] ?? []);
  const columns = heading ?? PART_COLUMNS;
  const edits: Edit[] = [];
  const faults: PartRowFault[] = [];
  const named = new Set<string>();
  let added = 0;
  data.slice(heading ? 1 : 0).forEach((cells, i) => {
    const row = i + 1 + (heading ? 1 : 0);
    const said = (column: PartColumn) => cells[columns.indexOf(column)]?.trim() ?? '';
    const fail = (column: PartColumn) => faults.push({ row, column, text: said(column) });
    const name = singularName(said('name'));
    if (name === '' || name.length > 120 || named.has(name.toLowerCase())) {
      fail('name');
      return;
    }
    named.add(name.toLowerCase());
    const fields: Partial<Component> = {};
    const count = Number(said('count'));
    if (said('count') !== '') {
      if (Number.isInteger(count) && count >= 1 && count <= 96) fields.count = count;
      else fail('count');
    }
    if (said('kind') !== '') {
      const kind = COMPONENT_KINDS.find((one) => one === said('kind').toLowerCase()) ?? words.kind(said('kind'));
      if (kind) fields.kind = kind;
      else fail('kind');
    }
    if (said('renewal') !== '') {
      const renewal = RENEWALS.find((one) => one === said('renewal').toLowerCase()) ?? words.renewal(said('renewal'));
      if (renewal) fields.renewal = renewal;
      else fail('renewal');
    }
    if (said('number').length > 60) fail('number');
    else if (said('number') !== '') fields.partNumber = said('number');
    const known = byName(series.components, name);
    if (known) {
      const change = Object.entries(fields).filter(([field, value]) => known[field as keyof Component] !== value);
      if (change.length > 0)
        edits.push({ kind: 'change-component', componentId: known.id, fields: Object.fromEntries(change) });
    } else {
      added += 1;
      edits.push({ kind: 'add', list: 'components', item: newComponent(newId(), name, fields) });
    }
  });
  if (faults.length > 0) return { edits: [], added: 0, changed: 0, faults };
  return { edits, added, changed: edits.length - added, faults };
}

/** The columns that a heading names, in its order; undefined where the first row is a part. */
function columnsOf(cells: readonly string[]): readonly (PartColumn | undefined)[] | undefined {
  const columns = cells.map((cell) => PART_COLUMNS.find((column) => HEADINGS[column].test(cell.trim())));
  return columns.includes('name') ? columns : undefined;
}

const HEADINGS: Readonly<Record<PartColumn, RegExp>> = {
  name: /^(?:name|part|description|component)$/i,
  count: /^(?:count|qty|quantity|number of|pieces|pcs)\.?$/i,
  kind: /^(?:kind|type)$/i,
  renewal: /^(?:renewed|renewal|renew|replace)$/i,
  number: /^(?:part (?:no|number)|number|item no|order no)\.?$/i,
};
