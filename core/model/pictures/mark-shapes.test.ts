import { arrowShape, arrowsAsSvg } from './mark-shapes';

const arrow = (fromX: number, fromY: number, toX: number, toY: number) =>
  ({ id: 'a', kind: 'arrow', colour: 'persimmon', fromX, fromY, toX, toY }) as const;
const size = { width: 1100, height: 500 };

test('the head of an arrow has its point where it was drawn to, and the shaft ends at its base', () => {
  const { shaft, head, line } = arrowShape(arrow(0, 0.5, 0.5, 0.5), size);
  expect(line).toBeCloseTo(10);
  expect(head[0]).toEqual([550, 250]);
  expect(shaft).toEqual({ x1: 0, y1: 250, x2: 505, y2: 250 });
  // Both other corners lie as far from the shaft.
  expect(head[1][1] - 250).toBeCloseTo(250 - head[2][1]);
});

test('a tap without a length draws no figure that is no number', () => {
  const { head } = arrowShape(arrow(0.3, 0.3, 0.3, 0.3), size);
  expect(head.flat().every(Number.isFinite)).toBe(true);
});

test('other marks are left to who draws them', () => {
  expect(arrowsAsSvg([{ id: 'b', kind: 'blur', x: 0, y: 0, width: 1, height: 1 }], size)).toBe('');
  expect(arrowsAsSvg([arrow(0, 0, 1, 1)], size)).toMatch(/<line x1="0.0" y1="0.0" .*<polygon points="1100.0,500.0 /);
});
