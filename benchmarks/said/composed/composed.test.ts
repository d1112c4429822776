import { composedLines } from './compose';
import { judgeComposed } from './judge';
import { NO_ORDERS, readNoOrders } from './no-orders';

/** A part of what `npm run bench` measures; with each seed other lines are put together. */
const composed = composedLines(500, 7);

describe.each([
  ['a series that knows its parts', true],
  ['a series that knows none of them', false],
] as const)('%s', (_name, isKnown) => {
  const judged = composed.map((one) => ({ line: one.line, judged: judgeComposed(one, isKnown) }));

  test('what is put into a line is found in its steps, or it asks', () => {
    const wrong = judged.flatMap(({ line, judged: one }) =>
      one.is === 'wrong' ? [`${line}: ${one.how.join(', ')}`] : [],
    );
    expect(judged.length).toBeGreaterThan(450);
    expect(wrong.slice(Math.ceil(judged.length * 0.01))).toEqual([]);
  });

  test('it seldom asks where everything is told', () => {
    const asked = judged.flatMap(({ line, judged: one }) =>
      one.is === 'asked' ? [`${line}: ${one.what.join(', ')}`] : [],
    );
    expect(asked.slice(Math.ceil(judged.length * 0.03))).toEqual([]);
  });
});

test('the same seed puts the same lines together, another one other lines', () => {
  const lines = (seed: number) => composedLines(20, seed).map(({ line }) => line);
  expect(lines(3)).toEqual(lines(3));
  expect(lines(3)).not.toEqual(lines(4));
});

test('what orders nothing is asked about or kept as a remark', () => {
  const read = readNoOrders(500, 11);
  expect(new Set(read.map(({ kind }) => kind)).size).toBe(Object.keys(NO_ORDERS).length);
  const done = read.flatMap(({ line, done: steps }) => (steps.length > 0 ? [`${line}: ${steps.join(', ')}`] : []));
  expect(done).toEqual([]);
});
