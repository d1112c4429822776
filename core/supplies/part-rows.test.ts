import { applyEdits } from '../edits/edit';
import { kindFromName } from '../reading/en/kind-words';
import { typed } from '../testing/workbook';
import { type PartWords, readPartRows } from './part-rows';

const workbook = typed(['take off 8 cover nuts', 'draw rotor @each shaft']);
const words: PartWords = {
  kind: (text) => (kindFromName(text) === 'other' ? undefined : kindFromName(text)),
  renewal: (text) => (text === 'every time' ? 'always' : undefined),
};
const read = (text: string) => {
  let n = 0;
  return readPartRows(text, workbook.series, words, () => `new${n++}`);
};
const parts = (text: string) =>
  applyEdits(workbook, read(text).edits).series.components.map(({ name, count, kind, renewal, partNumber }) => [
    name,
    count,
    kind,
    renewal,
    partNumber,
  ]);

test('rows without a heading are name, count, kind, renewed, part number; known parts are found by name', () => {
  const rows = 'cover nuts\t6\t\t\t17-4\nwear plate\t2\tgasket\tevery time';
  expect(read(rows)).toMatchObject({ added: 1, changed: 1, faults: [] });
  expect(parts(rows)).toEqual([
    ['cover nut', 6, 'nut', 'judge', '17-4'],
    ['rotor', 1, 'rotor', 'judge', undefined],
    ['wear plate', 2, 'gasket', 'always', undefined],
  ]);
});

test('a heading names the columns in another order; commas and quotes part as well as tabs', () => {
  expect(parts('Qty,Description\n4,"rotor"\n1,"plate, upper"').map(([name, count]) => [name, count])).toEqual([
    ['cover nut', 8],
    ['rotor', 4],
    ['plate, upper', 1],
  ]);
});

test('what stands there already is no change', () => {
  expect(read('cover nut\t8\tnut\tjudge').edits).toEqual([]);
});

test.each([
  ['a count that is none', 'rotor\tmany', { row: 1, column: 'count', text: 'many' }],
  ['a count of more than there can be', 'rotor\t97', { row: 1, column: 'count', text: '97' }],
  ['half a piece', 'rotor\t1.5', { row: 1, column: 'count', text: '1.5' }],
  ['a kind that nobody knows', 'rotor\t1\tthingummy', { row: 1, column: 'kind', text: 'thingummy' }],
  ['a renewal that nobody knows', 'rotor\t1\t\tperhaps', { row: 1, column: 'renewal', text: 'perhaps' }],
  ['a row without a name, behind a heading', 'name\tcount\n\t4', { row: 2, column: 'name', text: '' }],
  ['a name that comes twice', 'rotor\t1\nrotors\t2', { row: 2, column: 'name', text: 'rotors' }],
  ['a number that is too long', `rotor\t1\t\t\t${'9'.repeat(61)}`, { row: 1, column: 'number', text: '9'.repeat(61) }],
])('%s is told with its row and column, and nothing is taken', (_what, rows, fault) => {
  expect(read(`${rows}\nwear plate\t2`)).toEqual({ edits: [], added: 0, changed: 0, faults: [fault] });
});
