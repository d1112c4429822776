import * as graphlib from '@dagrejs/graphlib';
import fc from 'fast-check';
import { replay } from '../bench/replay';
import { stateAfter } from '../bench/state';
import { applyEdits } from '../edits/edit';
import type { Step, Workbook } from '../model/procedure';
import { typed, withComponent } from '../testing/workbook';
import { EXACT_UP_TO, fewestToolChanges, orderEdits, precedence, toolsPickedUp } from './tool-order';

const SIDES = [
  'take off 4 nuts @shaft 1 /socket',
  'draw cover @shaft 1 /puller',
  'draw seal @shaft 1 /hook',
  'take off 4 nuts @shaft 2 /socket',
  'draw cover @shaft 2 /puller',
  'draw seal @shaft 2 /hook',
];
const titles = (workbook: Workbook, ids: readonly string[]) =>
  ids.map((id) => workbook.procedure.steps.findIndex((step) => step.id === id));

test('two sides taken down together need each tool once', () => {
  const workbook = typed(SIDES);
  const [better] = fewestToolChanges(workbook);
  expect(better).toMatchObject({ stage: 'take-down', before: 6, after: 3, exact: true });
  expect(titles(workbook, better!.order)).toEqual([0, 3, 1, 4, 2, 5]);
  const applied = applyEdits(workbook, orderEdits(better!));
  expect(applied.procedure.steps.map((step) => step.id)).toEqual(better!.order);
  const endOf = (w: Workbook) => [...stateAfter(replay(w), w.procedure.steps.length).places];
  expect(endOf(applied)).toEqual(endOf(workbook));
});

test('what lies over it stays before it; struck out, it may change places', () => {
  const lines = ['take off lid /socket', 'draw ring /hook', 'take off plate /socket'];
  expect(fewestToolChanges(typed(lines))).toEqual([]);
  const clear = withComponent(typed(lines), 'plate', (id) => ({
    coveredBy: [{ componentId: id('ring'), said: 'clear' }],
  }));
  expect(titles(clear, fewestToolChanges(clear)[0]!.order)).toEqual([0, 2, 1]);
});

test('what is in hand stays in hand through a step without a tool', () => {
  const { steps } = typed([
    'take off lid /socket',
    'inspect ring',
    'take off plate /socket',
    'draw seal /hook, pick',
  ]).procedure;
  expect(toolsPickedUp(steps)).toBe(2);
});

const line = fc.record({
  part: fc.constantFrom('nut', 'cover', 'seal', 'washer'),
  shaft: fc.constantFrom('1', '2'),
  tool: fc.constantFrom('', ' /socket', ' /hook', ' /puller'),
});

/** Every order that keeps the precedence, by trying all. */
function* allowed(n: number, after: readonly (readonly number[])[], done: number[] = []): Generator<number[]> {
  if (done.length === n) yield done;
  for (let i = 0; i < n; i += 1) {
    if (!done.includes(i) && after[i]!.every((j) => done.includes(j))) yield* allowed(n, after, [...done, i]);
  }
}

test('for small cases no allowed order is cheaper: compared with trying them all', () => {
  fc.assert(
    fc.property(fc.array(line, { minLength: 3, maxLength: 7 }), (said) => {
      const workbook = typed(said.map(({ part, shaft, tool }) => `inspect ${part} @shaft ${shaft}${tool}`));
      const steps = workbook.procedure.steps.map((step): Step => ({ ...step, stage: 'take-down' }));
      const down = { ...workbook, procedure: { ...workbook.procedure, steps } };
      const after = precedence(down.series, steps);
      let least = Number.POSITIVE_INFINITY;
      for (const order of allowed(steps.length, after))
        least = Math.min(least, toolsPickedUp(order.map((i) => steps[i]!)));
      const [better] = fewestToolChanges(down);
      expect(better?.after ?? toolsPickedUp(steps)).toBe(least);
    }),
    { numRuns: 80 },
  );
});

test('beyond that the order found is allowed, as a general graph library says, and never worse', () => {
  fc.assert(
    fc.property(fc.array(line, { minLength: EXACT_UP_TO + 1, maxLength: 24 }), (said) => {
      const workbook = typed(said.map(({ part, shaft, tool }) => `inspect ${part} @shaft ${shaft}${tool}`));
      const steps = workbook.procedure.steps.map((step): Step => ({ ...step, stage: 'take-down' }));
      const [better] = fewestToolChanges({ ...workbook, procedure: { ...workbook.procedure, steps } });
      if (!better) return;
      expect(better.exact).toBe(false);
      expect(better.after).toBeLessThan(better.before);
      const graph = new graphlib.Graph();
      for (const step of steps) graph.setNode(step.id);
      precedence(workbook.series, steps).forEach((list, i) => {
        for (const j of list) graph.setEdge(steps[j]!.id, steps[i]!.id);
      });
      // With the found order laid over it the graph still has a topological order, and it is the found one.
      better.order.slice(1).forEach((id, i) => {
        graph.setEdge(better.order[i]!, id);
      });
      expect(graphlib.alg.topsort(graph)).toEqual(better.order);
    }),
    { numRuns: 60 },
  );
});
