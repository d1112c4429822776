import { modulesBefore } from './modules';
import type { Procedure } from './procedure';

const module = (id: string, takesOver?: string): Procedure => ({
  id,
  seriesId: 's',
  title: id,
  steps: [],
  ...(takesOver && { takesOver }),
});

test('tear down, rebuild the valves, put together: each stands behind the one it takes over from', () => {
  const [down, valves, up] = [module('down'), module('valves', 'down'), module('up', 'valves')];
  expect(modulesBefore(up, [up, valves, down])).toEqual([down, valves]);
  expect(modulesBefore(down, [up, valves, down])).toEqual([]);
});

test('a module that is not there, of another series, or its own predecessor ends the chain', () => {
  expect(modulesBefore(module('up', 'gone'), [])).toEqual([]);
  expect(modulesBefore(module('up', 'x'), [{ ...module('x'), seriesId: 'other' }])).toEqual([]);
  const ring = [module('a', 'b'), module('b', 'a')];
  expect(modulesBefore(ring[0]!, ring).map(({ id }) => id)).toEqual(['b']);
});
