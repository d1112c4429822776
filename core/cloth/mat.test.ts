import fc from 'fast-check';
import { layOutMat, PAPERS, TILE_OVERLAP } from './mat';

test('the sheets are those of ISO 216, landscape', () => {
  expect(layOutMat(9, 'A2').sheet).toEqual({ width: 594, height: 420 });
  expect(layOutMat(9, 'A3').sheet).toEqual({ width: 420, height: 297 });
  expect(layOutMat(9, 'A4-tiles').sheet).toEqual({ width: 297, height: 210 });
});

test('four A4 tiles show the whole mat and overlap enough to be glued', () => {
  const { tiles, width, height, sheet } = layOutMat(12, 'A4-tiles');
  const seen = { width: sheet.width - 20, height: sheet.height - 20 };
  expect(tiles).toHaveLength(4);
  expect(tiles[1]!.x + TILE_OVERLAP).toBe(seen.width);
  expect(tiles[3]!.x + seen.width).toBe(width);
  expect(tiles[3]!.y + seen.height).toBe(height);
});

test('every cell is on some mat, none over another or over the edge, and none too small to lay a part in', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 300 }), fc.constantFrom(...PAPERS), (cells, paper) => {
      const { mats, cell, width, height } = layOutMat(cells, paper);
      expect(mats.flat().map(({ index }) => index)).toEqual(Array.from({ length: cells }, (_, i) => i));
      for (const mat of mats) {
        for (const { x, y } of mat) {
          expect(x + cell.width).toBeLessThanOrEqual(width + 0.001);
          expect(y + cell.height).toBeLessThanOrEqual(height + 0.001);
        }
        expect(new Set(mat.map(({ x, y }) => `${x} ${y}`)).size).toBe(mat.length);
      }
      expect(Math.min(cell.width, cell.height)).toBeGreaterThanOrEqual(40);
    }),
  );
});
