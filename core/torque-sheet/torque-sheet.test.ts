import { edit } from '../edits/validate';
import type { FastenerGroup } from '../model/fastener-group';
import { Series } from '../model/series';
import { componentId, typed } from '../testing/workbook';
import { readSheetRows, SHEET_COLUMNS, writeSheetRows } from './rows';
import { fastenersWithoutGroup, newGroup, torqueSheet, withGroup } from './sheet';

const workbook = typed([
  'take off 8 cover nuts /torque wrench, 10-60 N·m',
  'take off 4 gear cover screws /torque wrench, 5-25 N·m',
  'take off cover',
  'fit cover +anti-seize',
]);
const nuts = componentId(workbook, 'cover nut');
const torque = (value: number) => ({
  figure: { value, unit: 'N·m' as const },
  tolerancePercent: 4,
  source: 'Data sheet, invented',
  thread: { is: 'dry' as const },
});
const group: FastenerGroup = {
  id: 'g1',
  componentId: nuts,
  thread: 'M10',
  class: '8.8',
  seat: 'o-ring',
  plan: { shape: 'oval', aspect: 1.2 },
  figures: [{ use: 'reuse', torque: torque(45) }],
};
const series = withGroup(workbook.series, group);

test('a group is judged by its thread, class and condition, and its passes are worked out', () => {
  const [sheet] = torqueSheet(series);
  expect(sheet?.judged?.verdict).toBe('sound');
  expect(Math.round((sheet?.judged?.share?.usual ?? 0) * 100)).toBe(67);
  expect(sheet?.joint.order).toEqual([0, 4, 2, 6, 1, 5, 3, 7]);
  expect(sheet?.joint.passes.map(({ target }) => target?.value)).toEqual([13.5, 27, 45, 45]);
  expect(sheet?.joint.orderFaults).toEqual([]);
});

test('of two wrenches the one whose scale reaches the figure is named as fitting', () => {
  const [sheet] = torqueSheet(series);
  expect(sheet?.wrenches.map(({ tool, fits }) => [tool.size, fits])).toEqual([
    ['10-60 N·m', true],
    ['5-25 N·m', false],
  ]);
});

test('fasteners that are not on the sheet are offered, with what their name tells', () => {
  expect(fastenersWithoutGroup(series).map(({ name }) => name)).toEqual(['gear cover screw']);
  const component = { ...series.components[0]!, name: 'M8x1 bolt 10.9' };
  expect(newGroup('new', component)).toMatchObject({ thread: 'M8x1', class: '10.9', figures: [] });
});

test('a group that points at a part or wrench that is not there is refused, as are two groups of one part', () => {
  const refused = (next: FastenerGroup) => {
    const tried = edit({ ...workbook, series }, [{ kind: 'add', list: 'fastenerGroups', item: next }]);
    return tried.ok ? [] : tried.faults.map(({ path }) => path);
  };
  expect(refused({ ...group, id: 'g2', componentId: 'nobody' })).not.toEqual([]);
  expect(refused({ ...group, id: 'g2' })).not.toEqual([]);
  expect(
    refused({ ...group, id: 'g2', componentId: componentId(workbook, 'gear cover screw'), wrenchIds: ['none'] }),
  ).not.toEqual([]);
  expect(refused({ ...group, id: 'g2', componentId: componentId(workbook, 'gear cover screw') })).toEqual([]);
});

describe('the sheet in a spreadsheet', () => {
  const heading = Object.values(SHEET_COLUMNS);
  const row = (cells: Partial<Record<keyof typeof SHEET_COLUMNS, string>>) =>
    (Object.keys(SHEET_COLUMNS) as (keyof typeof SHEET_COLUMNS)[]).map((column) => cells[column] ?? '');
  const read = (...rows: string[][]) => readSheetRows([heading, ...rows], series, () => 'fresh');

  test('comes back as it was written', () => {
    const { groups, changed, added, faults } = readSheetRows(writeSheetRows(series), series, () => 'fresh');
    expect([groups, changed, added, faults]).toEqual([[group], 0, 0, []]);
  });
  test('what an empty cell leaves out stays as it is', () => {
    const { groups, changed } = read(row({ fastener: 'Cover nuts', figure: '50 Nm ±6 %' }));
    expect(changed).toBe(1);
    expect(groups[0]).toMatchObject({ thread: 'M10', class: '8.8', seat: 'o-ring' });
    expect(groups[0]?.figures[0]?.torque).toMatchObject({
      figure: { value: 50, unit: 'N·m' },
      tolerancePercent: 6,
      source: 'Data sheet, invented',
    });
  });
  test('figures are read as people write them, also twice', () => {
    const figure = (said: string) => read(row({ fastener: 'cover nut', figure: said })).groups[0]?.figures[0]?.torque;
    expect(figure('531 in-lb, 44 ft-lb')).toMatchObject({
      figure: { value: 531, unit: 'lbf·in' },
      also: { value: 44, unit: 'lbf·ft' },
    });
    expect(figure('40-45 N·m')).toMatchObject({ figure: { value: 42.5, unit: 'N·m' }, tolerancePercent: 5.88 });
    expect(figure('3.5 mkg')?.figure).toEqual({ value: 3.5, unit: 'kgf·m' });
  });
  test('a new row makes a group; columns may stand in any order', () => {
    const { groups, added } = readSheetRows(
      [
        ['Thread', 'Fastener', 'Passes', 'On the thread', 'Figure', 'Wrench'],
        ['m6', 'gear cover screw', '50 100 check', 'anti-seize', '8 N·m', 'torque wrench, 5-25 N·m'],
      ],
      series,
      () => 'fresh',
    );
    expect(added).toBe(1);
    expect(groups[0]).toMatchObject({
      id: 'fresh',
      thread: 'M6',
      passes: [{ is: 'rise', percent: 50 }, { is: 'rise', percent: 100 }, { is: 'check' }],
      wrenchIds: [series.tools[1]?.id],
    });
    expect(groups[0]?.figures[0]?.torque.thread?.is).toBe('with');
  });
  test('every fault is told with its row and column, and nothing is taken in half', () => {
    const { groups, faults } = read(
      row({ fastener: 'cover nut', figure: '45', thread: 'M99' }),
      row({ fastener: 'gear cover screw', count: '6', class: 'strong' }),
      row({ fastener: 'unheard-of nut' }),
      row({ fastener: 'cover nuts' }),
    );
    expect(groups).toEqual([]);
    expect(faults.map(({ row: at, column, problem }) => [at, column, problem])).toEqual([
      [2, 'thread', 'not-known'],
      [2, 'figure', 'no-unit'],
      [3, 'count', 'other-count'],
      [3, 'class', 'not-known'],
      [4, 'fastener', 'no-fastener'],
      [5, 'fastener', 'twice'],
    ]);
  });
  test('a table without the column of fasteners is none', () => {
    expect(
      readSheetRows(
        [
          ['Bolt', 'Nm'],
          ['a', '4'],
        ],
        series,
        () => 'x',
      ).faults,
    ).toHaveLength(1);
  });
});

test('a group lives in the series document', () => {
  expect(Series.parse(series).fastenerGroups).toEqual([group]);
});
