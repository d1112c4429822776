import { typed } from '../testing/workbook';
import { check } from './check';
import { isLeftForReassembly, isReassemblyBegun } from './still-to-do';

const DOWN = [
  'isolate the drive',
  'bleed the casing',
  'take off 8 nuts',
  'take off cover',
  'take off gasket',
  'renew gasket',
];
const idsLeft = (lines: readonly string[]) =>
  check(typed(lines))
    .filter(isLeftForReassembly)
    .map(({ id }) => id);

test('what a teardown leaves undone is told from what is wrong in it', () => {
  expect(new Set(idsLeft(DOWN))).toEqual(new Set(['left-on-cloth', 'left-in-tray', 'not-restored']));
  expect(
    check(typed(['take off cover']))
      .filter((finding) => !isLeftForReassembly(finding))
      .map(({ id }) => id),
  ).toContain('not-isolated');
});

test('the first part that is refitted begins the reassembly', () => {
  expect(isReassemblyBegun(typed(DOWN).procedure)).toBe(false);
  expect(isReassemblyBegun(typed([...DOWN, 'fit cover']).procedure)).toBe(true);
});
