import * as graphlib from '@dagrejs/graphlib';
import fc from 'fast-check';
import { replay } from '../bench/replay';
import type { Workbook } from '../model/procedure';
import { componentId, typed, withComponent } from '../testing/workbook';
import { Covers, spotKey } from './covers';
import { whatMustComeOff } from './reach';

const toReach = (workbook: Workbook, name: string, positionId: string | null = null) =>
  whatMustComeOff(replay(workbook), { componentId: componentId(workbook, name), positionId }).map((spot) => [
    workbook.series.components.find((component) => component.id === spot.componentId)?.name,
    spot.positionId,
    spot.reason,
  ]);
const DOWN = ['take off 8 cover nuts', 'take off cover', 'draw rotor @each shaft', 'draw seal @each shaft'];

test('what came off before is presumed to be in the way, at the same shaft only', () => {
  expect(toReach(typed(DOWN), 'seal', 's2')).toEqual([
    ['cover nut', null, 'presumed'],
    ['cover', null, 'presumed'],
    ['rotor', 's2', 'presumed'],
  ]);
});

test('what the trainer strikes out, and what only that needed, stays on', () => {
  const side = typed(['take off side plate', 'take off cover', 'draw seal']);
  const clear = withComponent(side, 'seal', (id) => ({
    coveredBy: [{ componentId: id('side plate'), said: 'clear' }],
  }));
  const free = withComponent(clear, 'cover', (id) => ({
    coveredBy: [{ componentId: id('side plate'), said: 'clear' }],
  }));
  expect(toReach(free, 'seal')).toEqual([['cover', null, 'presumed']]);
});

test('the fasteners of what has to come off come off too', () => {
  const workbook = withComponent(typed(['inspect seal', 'inspect cover', 'inspect 4 bolts']), 'seal', (id) => ({
    coveredBy: [{ componentId: id('cover'), said: 'covers' }],
  }));
  const held = withComponent(workbook, 'cover', (id) => ({ heldBy: [id('bolt')] }));
  expect(toReach(held, 'seal')).toEqual([
    ['bolt', null, 'holds'],
    ['cover', null, 'said'],
  ]);
});

test('what sits in a part that comes off anyway comes away with it', () => {
  const workbook = typed(['take off manifold', 'draw case', 'draw plunger']);
  const hosted = withComponent(workbook, 'case', (id) => ({ hostId: id('manifold') }));
  expect(toReach(hosted, 'plunger')).toEqual([['manifold', null, 'presumed']]);
});

test('the set and its order agree with a general graph library, whatever covers what', () => {
  const names = ['plate', 'cover', 'gland', 'seal', 'ring', 'sleeve', 'shaft'];
  const relation = fc.array(fc.tuple(fc.nat(6), fc.nat(6)), { maxLength: 14 });
  fc.assert(
    fc.property(relation, fc.nat(6), (pairs, wanted) => {
      const base = typed(names.map((name) => `inspect ${name}`));
      // Only a part named earlier covers one named later, so that no ring of covers can arise.
      const over = pairs.filter(([a, b]) => a < b);
      const workbook = names.reduce(
        (w, name, under) =>
          withComponent(w, name, (id) => ({
            coveredBy: over
              .filter(([, b]) => b === under)
              .map(([a]) => ({ componentId: id(names[a]!), said: 'covers' as const })),
          })),
        base,
      );
      const timeline = replay(workbook);
      const target = { componentId: componentId(workbook, names[wanted]!), positionId: null };
      const graph = new graphlib.Graph();
      const covers = new Covers(timeline);
      for (const spot of covers.spots) {
        graph.setNode(spotKey(spot));
        for (const above of covers.over(spot)) graph.setEdge(spotKey(spot), spotKey(above));
      }
      const reachable = graphlib.alg.postorder(graph, [spotKey(target)]).filter((key) => key !== spotKey(target));
      const ours = whatMustComeOff(timeline, target).map(spotKey);
      expect([...ours].sort()).toEqual([...reachable].sort());
      // Every cover goes before what it covers: the library's topological order read backwards allows the same.
      const rank = new Map(ours.map((key, i) => [key, i]));
      for (const { v, w } of graph.edges()) {
        if (rank.has(v) && rank.has(w)) expect(rank.get(w)!).toBeLessThan(rank.get(v)!);
      }
      expect(graphlib.alg.topsort(graph)).toHaveLength(names.length);
    }),
    { numRuns: 120 },
  );
});
