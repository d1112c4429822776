import { linearRegression } from 'simple-statistics';
import { wearRate } from './wear-rate';

const at = (...pairs: (readonly [number, number])[]) => pairs.map(([hours, value]) => ({ hours, value }));

test('two sizes give a rate, and its range what the instrument could be off', () => {
  const rate = wearRate(at([1000, 36], [2000, 35.95]), { error: 0.01, limit: 35.9 });
  expect(rate?.perHour).toBeCloseTo(-0.000_05, 10);
  // 1.96 · 0.01/√3 over √(500² + 500²) hours.
  expect(rate?.spread).toBeCloseTo(1.6e-5, 7);
  expect(rate?.left?.hours).toBeCloseTo(1000, 6);
  expect(rate?.left?.from).toBeCloseTo(757.5, 0);
  expect(rate?.left?.to).toBeCloseTo(1471, 0);
});

test('many sizes: the line of least squares, as a statistics library draws it', () => {
  const sizes = at([0, 36.01], [400, 35.99], [900, 35.98], [1500, 35.94], [2100, 35.925]);
  const { m } = linearRegression(sizes.map(({ hours, value }) => [hours, value]));
  const rate = wearRate(sizes, { error: 0.004, limit: 35.9 });
  expect(rate?.perHour).toBeCloseTo(m, 12);
  expect(rate?.left?.from).toBeLessThan(rate?.left?.hours ?? 0);
});

test('a renewed part starts again', () => {
  const sizes = at([0, 36], [1000, 35.92], [1010, 36], [2010, 35.96]);
  expect(wearRate(sizes, { isNew: 36, error: 0.01, limit: 35.9 })).toMatchObject({ count: 2 });
  expect(wearRate(sizes, { isNew: 36, error: 0.01 })?.perHour).toBeCloseTo(-0.000_04, 9);
});

test('a bore grows towards its upper limit', () => {
  expect(wearRate(at([0, 20], [1000, 20.05]), { error: 0.01, limit: 20.1 })?.left?.hours).toBeCloseTo(1000, 6);
});

test('what the instrument cannot tell has no end; what has passed the limit has nothing left', () => {
  expect(wearRate(at([0, 36], [1000, 35.99]), { error: 0.03, limit: 35.9 })?.left?.to).toBeUndefined();
  expect(wearRate(at([0, 36], [1000, 35.85]), { error: 0.01, limit: 35.9 })?.left).toEqual({
    hours: 0,
    from: 0,
    to: 0,
  });
});

test('one size, or two at the same hour, say nothing of a rate', () => {
  expect(wearRate(at([1000, 36]), { error: 0.01, limit: 35.9 })).toBeUndefined();
  expect(wearRate(at([1000, 36], [1000, 35.9]), { error: 0.01, limit: 35.9 })).toBeUndefined();
  expect(wearRate(at([0, 36], [1000, 36]), { error: 0.01, limit: 35.9 })?.left).toBeUndefined();
});
