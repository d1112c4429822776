import { replay } from '#core/bench/replay';
import { foldOf } from '#core/fold/fold';
import { typed } from '#core/testing/workbook';
import { foldItems, itemOf } from './fold-items';

const workbook = typed([
  'isolate the drive',
  'take off cover',
  'draw rotor @each shaft',
  'inspect rotor',
  'clean rotor',
  'renew rotor @shaft 1',
  'fit rotor @each shaft',
  'fit cover',
  'restore the drive',
]);
const fold = foldOf(replay(workbook));
const ids = workbook.procedure.steps.map((step) => step.id);
const said = (closed: Parameters<typeof foldItems>[1], wanted: Set<string> | null = null) =>
  foldItems(fold, closed, wanted).map((item) =>
    item.kind === 'section' ? `${item.section} ${item.count}` : item.kind,
  );

test('the fold runs from make safe down to the bend, stage facing stage', () => {
  expect(said(new Set())).toEqual(['safe 2', 'row', 'strip 4', 'row', 'row', 'bend 3', 'bend', 'bend']);
  expect(foldItems(fold, new Set(), null).at(-1)).toMatchObject({ last: true });
});

test('a stage folded away shows its heading with the number of its steps', () => {
  expect(said(new Set(['strip', 'bend']))).toEqual(['safe 2', 'row', 'strip 4', 'bend 3']);
  expect(itemOf(foldItems(fold, new Set(['strip']), null), ids[1]!)).toBe(-1);
});

test('a search shows the rows that hold what was found, folded away or not', () => {
  const items = foldItems(fold, new Set(['strip']), new Set([ids[2]!]));
  expect(items.map((item) => item.kind)).toEqual(['section', 'row']);
  expect(itemOf(items, ids[2]!)).toBe(1);
});
