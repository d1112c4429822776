import { sameJson } from '../edits/merge';
import { readTorqueText } from '../language/en/grammar/names/torque-text';
import { FASTENER_CLASSES } from '../model/fastener-classes';
import { type FastenerGroup, PATTERNS, PLAN_SHAPES, SEATS, TAPPED_MATERIALS } from '../model/fastener-group';
import { groupOf, toolLabel } from '../model/lookup';
import { byName } from '../model/names';
import type { Component, Series } from '../model/series';
import { DEFAULT_TOLERANCE_PERCENT, type TorqueFigure } from '../model/torque-figure';
import { readNumber } from '../quantity/quantity';
import { figureOfGroup } from '../torque/fastening';
import { classIn } from '../torque/strength';
import { threadIn } from '../torque/threads';
import { readPasses, sayFigureText, sayPasses } from './texts';

/** The columns of a torque sheet in a spreadsheet, with the heading of each. */
export const SHEET_COLUMNS = {
  fastener: 'Fastener',
  count: 'Count',
  thread: 'Thread',
  class: 'Class',
  keySize: 'Key size',
  into: 'Screwed into',
  engagement: 'Engagement, mm',
  seat: 'Joint',
  plan: 'Plan',
  pattern: 'Pattern',
  passes: 'Passes',
  figure: 'Figure',
  on: 'On the thread',
  source: 'Source',
  wrench: 'Wrench',
} as const;
export type SheetColumn = keyof typeof SHEET_COLUMNS;
const COLUMNS = Object.keys(SHEET_COLUMNS) as SheetColumn[];

export type SheetProblem = 'no-fastener' | 'twice' | 'other-count' | 'not-known' | 'no-unit' | 'no-number' | 'too-long';

export interface SheetFault {
  /** Counted from 1, the heading included. */
  readonly row: number;
  readonly column: SheetColumn;
  readonly text: string;
  readonly problem: SheetProblem;
}

export interface SheetRows {
  readonly groups: readonly FastenerGroup[];
  readonly added: number;
  readonly changed: number;
  readonly faults: readonly SheetFault[];
}

/** The torque sheet as rows of a table, the heading first. */
export function writeSheetRows(series: Series): string[][] {
  const rows = (series.fastenerGroups ?? []).flatMap((group) => {
    const component = series.components.find(({ id }) => id === group.componentId);
    return component ? [COLUMNS.map((column) => cellOf(column, group, component, series))] : [];
  });
  return [Object.values(SHEET_COLUMNS), ...rows];
}

function cellOf(column: SheetColumn, group: FastenerGroup, component: Component, series: Series): string {
  const torque = figureOfGroup(group);
  switch (column) {
    case 'fastener':
      return component.name;
    case 'count':
      return String(component.count);
    case 'thread':
      return group.thread ?? '';
    case 'class':
      return group.class ?? '';
    case 'keySize':
      return group.keySize ?? '';
    case 'into':
      return group.into ?? '';
    case 'engagement':
      return group.engagementMm === undefined ? '' : String(group.engagementMm);
    case 'seat':
      return group.seat ?? '';
    case 'plan':
      return group.plan?.shape ?? '';
    case 'pattern':
      return group.pattern ?? '';
    case 'passes':
      return sayPasses(group.passes ?? []);
    case 'figure':
      return torque ? sayFigureText(torque) : '';
    case 'on':
      return sayThread(torque, series);
    case 'source':
      return torque?.source ?? '';
    case 'wrench':
      return (group.wrenchIds ?? [])
        .flatMap((id) => series.tools.find((tool) => tool.id === id) ?? [])
        .map(toolLabel)
        .join('; ');
  }
}

function sayThread(torque: TorqueFigure | undefined, { consumables }: Series): string {
  const { thread } = torque ?? {};
  if (!thread || thread.is === 'dry') return thread ? 'dry' : '';
  return consumables.find(({ id }) => id === thread.consumableId)?.name ?? '';
}

/**
 * Reads a torque sheet from rows of a table with a heading, in any order of columns. An empty cell leaves its value as it
 * is. Where one cell is at fault nothing is taken, and every fault is told with its row and column.
 */
export function readSheetRows(rows: readonly (readonly string[])[], series: Series, newId: () => string): SheetRows {
  const faults: SheetFault[] = [];
  const groups: FastenerGroup[] = [];
  const seen = new Set<string>();
  const [heading = [], ...body] = rows;
  const columns = heading.map((cell) => COLUMNS.find((column) => isHeading(cell, SHEET_COLUMNS[column])));
  if (!columns.includes('fastener'))
    return { groups: [], added: 0, changed: 0, faults: [fault(1, 'fastener', heading.join(', '), 'no-fastener')] };
  let added = 0;
  let changed = 0;
  for (const [i, cells] of body.entries()) {
    const row = i + 2;
    if (cells.every((cell) => cell.trim() === '')) continue;
    const said = (column: SheetColumn) => cells[columns.indexOf(column)]?.trim() ?? '';
    const fail = (column: SheetColumn, problem: SheetProblem) => faults.push(fault(row, column, said(column), problem));
    const component = byName(series.components, said('fastener'));
    if (!component || seen.has(component.id)) {
      fail('fastener', component ? 'twice' : 'no-fastener');
      continue;
    }
    seen.add(component.id);
    const before = groupOf(series, component.id);
    const blank = { id: newId(), componentId: component.id, figures: [] };
    const group = readRow(said, fail, component, before ?? blank, series);
    if (!before) added += 1;
    else if (!sameJson(before, group)) changed += 1;
    groups.push(group);
  }
  return faults.length > 0 ? { groups: [], added: 0, changed: 0, faults } : { groups, added, changed, faults };
}

const fault = (row: number, column: SheetColumn, text: string, problem: SheetProblem): SheetFault => ({
  row,
  column,
  text,
  problem,
});

const plain = (text: string) => text.trim().toLowerCase();
const isHeading = (cell: string, heading: string) => plain(cell) === plain(heading);

type Fail = (column: SheetColumn, problem: SheetProblem) => void;

function readRow(
  said: (column: SheetColumn) => string,
  fail: Fail,
  component: Component,
  before: FastenerGroup,
  series: Series,
): FastenerGroup {
  const one = <T extends string>(column: SheetColumn, list: readonly T[]): T | undefined => {
    if (said(column) === '') return undefined;
    const found = list.find(
      (item) => plain(item) === plain(said(column)).replaceAll(' ', '-') || plain(item) === plain(said(column)),
    );
    if (!found) fail(column, 'not-known');
    return found;
  };
  if (said('count') !== '' && Number(said('count')) !== component.count) fail('count', 'other-count');
  const thread = said('thread') === '' ? undefined : threadIn(said('thread'))?.name;
  if (said('thread') !== '' && thread === undefined) fail('thread', 'not-known');
  const kind = said('class') === '' ? undefined : (classIn(said('class')) ?? one('class', FASTENER_CLASSES));
  const engagementMm = said('engagement') === '' ? undefined : readNumber(said('engagement'));
  if (engagementMm !== undefined && !(engagementMm >= 0.5 && engagementMm <= 500)) fail('engagement', 'no-number');
  if (said('keySize').length > 40) fail('keySize', 'too-long');
  const shape = one('plan', PLAN_SHAPES);
  const passes = said('passes') === '' ? undefined : readPasses(said('passes'));
  if (said('passes') !== '' && passes === undefined) fail('passes', 'not-known');
  const fields: Partial<FastenerGroup> = {
    thread,
    class: kind,
    keySize: said('keySize') || undefined,
    into: one('into', TAPPED_MATERIALS),
    engagementMm,
    seat: one('seat', SEATS),
    plan: shape && { ...before.plan, shape },
    pattern: one('pattern', PATTERNS),
    passes,
    wrenchIds: readWrenches(said('wrench'), series, fail),
  };
  const figures = readFigures(said, before, series, fail);
  const given = Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined));
  return { ...before, ...given, figures };
}

function readWrenches(text: string, { tools }: Series, fail: Fail): string[] | undefined {
  if (text === '') return undefined;
  return text.split(/\s*;\s*/).flatMap((label) => {
    const tool = tools.find((one) => plain(toolLabel(one)) === plain(label));
    if (!tool) fail('wrench', 'not-known');
    return tool ? [tool.id] : [];
  });
}

/** The figure for fitting again, with its source and what is on the thread. */
function readFigures(
  said: (column: SheetColumn) => string,
  before: FastenerGroup,
  { consumables }: Series,
  fail: Fail,
): FastenerGroup['figures'] {
  const known = figureOfGroup(before);
  const read = said('figure') === '' ? undefined : readTorqueText(said('figure'));
  if (said('figure') !== '' && !read) fail('figure', /\d/.test(said('figure')) ? 'no-unit' : 'no-number');
  if (said('source').length > 200) fail('source', 'too-long');
  const consumable = consumables.find(({ name }) => plain(name) === plain(said('on')));
  if (said('on') !== '' && plain(said('on')) !== 'dry' && !consumable) fail('on', 'not-known');
  const figure = read ? { value: read.value, unit: read.unit } : known?.figure;
  if (!figure) return before.figures;
  const { also: alsoBefore, ...others } = known ?? { tolerancePercent: DEFAULT_TOLERANCE_PERCENT };
  const also = read ? read.also : alsoBefore;
  const torque: TorqueFigure = {
    ...others,
    figure,
    tolerancePercent: read ? (read.tolerancePercent ?? DEFAULT_TOLERANCE_PERCENT) : others.tolerancePercent,
    ...(also && { also }),
    ...(said('source') !== '' && { source: said('source') }),
    ...(plain(said('on')) === 'dry' && { thread: { is: 'dry' as const } }),
    ...(consumable && { thread: { is: 'with' as const, consumableId: consumable.id } }),
  };
  const kept = before.figures.filter(({ torque: other }) => other !== known);
  const use = before.figures.find(({ torque: other }) => other === known)?.use ?? 'reuse';
  return [...kept, { use, torque }];
}
