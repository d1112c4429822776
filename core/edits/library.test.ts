import { typed } from '../testing/workbook';
import { withConsumablesOf, withToolsOf } from './library';

let n = 0;
const newId = () => `new-${n++}`;
const mine = typed(['take off nut /socket, 17 mm +silicone grease']).series;
const other = typed([
  'take off nut /socket, 19 mm +anti-seize paste',
  'draw hub /Socket, 17 mm',
  'fit hub /puller',
]).series;

test('tools that are there by name and size are not taken twice; what is new keeps all that is known of it', () => {
  const [nineteen, seventeen, puller] = other.tools;
  const from = {
    ...other,
    tools: other.tools.map((tool) =>
      tool === puller
        ? {
            ...tool,
            kind: 'special' as const,
            specialNumber: 'T-1',
            substituteIds: [seventeen!.id, nineteen!.id, 'gone'],
          }
        : tool,
    ),
  };
  const grown = withToolsOf(mine, from, newId);
  expect(grown.tools.map(({ name, size }) => [name, size])).toEqual([
    ['socket', '17 mm'],
    ['socket', '19 mm'],
    ['puller', undefined],
  ]);
  const taken = grown.tools[2];
  expect(taken).toMatchObject({ kind: 'special', specialNumber: 'T-1' });
  // Its substitutes are those of this series now.
  expect(taken?.substituteIds).toEqual([grown.tools[0]?.id, grown.tools[1]?.id]);
  expect(new Set(grown.tools.map(({ id }) => id)).size).toBe(3);
});

test('consumables come by name, under ids of their own where they clash', () => {
  const clashing = {
    ...other,
    consumables: [
      { id: mine.consumables[0]!.id, name: 'anti-seize paste' },
      { id: 'x', name: 'Silicone grease' },
    ],
  };
  const grown = withConsumablesOf(mine, clashing, newId);
  expect(grown.consumables.map(({ name }) => name)).toEqual(['silicone grease', 'anti-seize paste']);
  expect(new Set(grown.consumables.map(({ id }) => id)).size).toBe(2);
  expect(withConsumablesOf(grown, clashing, newId).consumables).toHaveLength(2);
});
