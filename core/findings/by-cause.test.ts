import { typed } from '../testing/workbook';
import { byCause } from './by-cause';
import { check } from './check';

const found = check(typed(['take off 8 cover nuts', 'take off cover', 'draw rotor', 'draw seal', 'fit seal']));
const byId = byCause(found, ({ id }) => id);

test('what one rule found for one reason is one cause with all its places', () => {
  const left = byId.find(({ findings: [first] }) => first?.id === 'left-on-cloth');
  expect(left?.findings).toHaveLength(3);
  expect(byId.length).toBeLessThan(found.length);
});

test('nothing is lost, and causes come in the order in which they are met', () => {
  expect(byId.flatMap(({ findings }) => findings)).toHaveLength(found.length);
  expect(byId.map(({ reason }) => reason)).toEqual([...new Set(found.map(({ id }) => id))]);
});

test('the same rule with another reason is another cause', () => {
  const each = byCause(found, ({ componentIds }) => componentIds.join());
  expect(each.every(({ findings }) => new Set(findings.map(({ id }) => id)).size === 1)).toBe(true);
  expect(each.length).toBeGreaterThan(byId.length);
});
