import sharp from 'sharp';
import { COMPONENT_KINDS } from '../model/kinds';
import { silhouetteOf } from './shapes';
import { NAMED_SILHOUETTES, SILHOUETTE_BOX, SILHOUETTES } from './silhouettes';

const AT = 24;
const drawn = async (path: string) =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="${AT}" height="${AT}" viewBox="0 0 ${SILHOUETTE_BOX} ${SILHOUETTE_BOX}"><rect width="40" height="40" fill="#fff"/><path d="${path}" fill-rule="evenodd"/></svg>`,
    ),
  )
    .greyscale()
    .raw()
    .toBuffer();

test('at least forty outlines, each told from every other at 24 pixels', async () => {
  const shapes = Object.entries({ ...SILHOUETTES, ...NAMED_SILHOUETTES });
  expect(shapes.length).toBeGreaterThanOrEqual(40);
  const pictures = await Promise.all(shapes.map(async ([name, path]) => [name, await drawn(path)] as const));
  const alike: string[] = [];
  pictures.forEach(([name, one], i) => {
    for (const [other, two] of pictures.slice(i + 1)) {
      const differs = one.reduce((sum, value, at) => sum + Math.abs(value - (two[at] ?? 0)), 0) / 255;
      // In how many of the 576 dots they differ.
      if (differs < 24) alike.push(`${name} and ${other}: ${differs.toFixed(0)}`);
    }
  });
  expect(alike).toEqual([]);
});

test.each([
  ['V-rings', 'packing', 'v-ring'],
  ['outer retaining ring', 'clip', 'circlip'],
  ['suction hose', 'other', 'hose'],
  ['slinger', 'ring', 'slinger'],
  ['discharge manifold', 'housing', 'manifold'],
] as const)('%s are drawn as such', (name, kind, shape) => {
  expect(silhouetteOf({ name, kind })).toBe(NAMED_SILHOUETTES[shape]);
});

test('what only fastens or seals it is drawn as what it is', () => {
  expect(silhouetteOf({ name: 'manifold bolt', kind: 'bolt' })).toBe(SILHOUETTES.bolt);
  expect(silhouetteOf({ name: 'gear cover', kind: 'cover' })).toBe(SILHOUETTES.cover);
  for (const kind of COMPONENT_KINDS) expect(silhouetteOf({ name: 'something', kind })).toBe(SILHOUETTES[kind]);
});
