import { replay } from '../bench/replay';
import { lyingFree, stateAfter } from '../bench/state';
import { branching } from '../testing/findings';
import { typed } from '../testing/workbook';
import { modulesBefore, wholeChain } from './modules';
import type { Procedure, Workbook } from './procedure';

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

describe('the whole chain, as it is carried out', () => {
  const down = typed(['isolate the drive', 'take off cover', 'draw rotor @each shaft']);
  const up = typed(['fit rotor', 'fit cover', 'restore the drive'], {
    ...down,
    procedure: { ...down.procedure, steps: [] },
  });
  const chain: Workbook = { series: up.series, procedure: up.procedure, before: [down.procedure] };

  test('is all steps in order, and ends as the modules do', () => {
    const whole = wholeChain(chain);
    expect(whole.procedure.steps.map((step) => step.verb)).toEqual([
      'isolate',
      'take-off',
      'draw',
      'fit',
      'fit',
      'restore',
    ]);
    expect(whole.before).toBeUndefined();
    expect(lyingFree(replay(whole), stateAfter(replay(whole), whole.procedure.steps.length))).toEqual([]);
  });
  test('of a procedure that takes nothing over is the procedure itself', () => {
    expect(wholeChain(down)).toBe(down);
  });
  test('keeps steps of the same id apart, with what hangs on their answers', () => {
    const module = branching(['mark ball', 'draw seat', 'fit seat'], [1, 2]);
    const whole = wholeChain({ ...module, before: [module.procedure] });
    const ids = whole.procedure.steps.map((step) => step.id);
    expect(new Set(ids).size).toBe(6);
    expect(whole.procedure.steps[4]?.when?.[0]?.stepId).toBe(ids[3]);
    expect(whole.procedure.steps[1]?.when?.[0]?.stepId).toBe(ids[0]);
  });
});
