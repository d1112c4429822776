import { at, found } from '../../testing/findings';
import { typed, withComponent } from '../../testing/workbook';
import type { RuleId } from '../finding';

const ISOLATED = 'isolate the motor at the breaker';
const told = (lines: readonly string[], id: RuleId) => at(typed(lines), id);
const line = (lines: readonly string[]) => found(typed(lines), 'pressure-kept').map(({ facts }) => facts);

describe('pressure', () => {
  test('without its air a pump still holds its liquid, until that is let off or drained', () => {
    const air = ['shut off the air', 'vent the air line'];
    expect(line([...air, 'flush the pump with solvent', 'take off intake housing'])).toEqual([{ line: null }]);
    expect(line([...air, 'release pressure of the spray hose', 'take off intake housing'])).toEqual([]);
    expect(line([...air, 'disconnect air hose', 'drain the pump', 'take off intake housing'])).toEqual([]);
  });
  test('an air motor by itself holds no liquid', () => {
    expect(line(['shut off the air', 'vent the air line', 'take off motor cover'])).toEqual([]);
  });
  test('a hose that is opened lets out its own line first', () => {
    const lines = [
      ISOLATED,
      'close the suction valve',
      'release pressure of the suction line',
      'disconnect discharge hose',
    ];
    expect(line(lines)).toEqual([{ line: 'discharge' }]);
    expect(line([...lines.slice(0, 2), 'release pressure of the discharge line', 'disconnect discharge hose'])).toEqual(
      [],
    );
  });
  test('draining empties a casing, but lets nothing off behind the valves of a plunger pump', () => {
    const lines = [
      ISOLATED,
      'close the suction valve',
      'close the discharge valve',
      'release pressure of the suction line',
      'drain the pump',
      'take off cover',
    ];
    expect(line(lines)).toEqual([]);
    expect(line([...lines, 'draw valve seat'])).toEqual([{ line: 'discharge' }]);
  });
  test('a dampener keeps its charge when the pump is without pressure', () => {
    const lines = [ISOLATED, 'release pressure of the pump', 'take off pulsation dampener'];
    expect(line(lines)).toEqual([{ line: 'air' }]);
    expect(
      line([ISOLATED, 'release pressure of the pump', 'bleed the nitrogen of the dampener', ...lines.slice(2)]),
    ).toEqual([]);
    expect(line([ISOLATED, 'release pressure of the pump', 'take off dampener gasket'])).toEqual([]);
  });
  test('a line released before its own valve is closed fills again; one closed elsewhere does not matter', () => {
    expect(
      told([ISOLATED, 'bleed the suction line', 'close the suction valve', 'take off cover'], 'pressure-first'),
    ).toEqual([2]);
    expect(
      told([ISOLATED, 'bleed the discharge line', 'close the inlet valve', 'take off cover'], 'pressure-first'),
    ).toEqual([]);
  });
});

describe('valves and locks', () => {
  const open = [ISOLATED, 'close the suction valve', 'bleed the pump', 'take off cover', 'fit cover'];
  test('unlocking the pump opens no valve', () => {
    expect(told([...open, 'unlock the pump'], 'not-restored')).toEqual([2]);
    expect(told([...open, 'unlock the pump', 'open the suction valve'], 'not-restored')).toEqual([]);
  });
  test('a valve on one line is not opened by the valve of another', () => {
    expect(told([...open, 'open the discharge valve', 'unlock the pump'], 'not-restored')).toEqual([2]);
  });
  test('what nothing closed cannot be opened again, but for what stands closed anyhow', () => {
    expect(told([...open, 'open the suction valve', 'open the discharge valve'], 'not-closed')).toEqual([7]);
    expect(told([...open, 'open the suction valve', 'open the vent valve'], 'not-closed')).toEqual([]);
    expect(told(['open the discharge valve'], 'not-closed')).toEqual([]);
  });
  test('a pump does not run against a closed suction; a closed discharge may be meant', () => {
    const run = ['unlock the pump', 'test run the pump for ten minutes'];
    expect(told([...open, ...run], 'tested-locked')).toEqual([7]);
    expect(told([ISOLATED, 'close the discharge valve', 'bleed the pump', ...run], 'tested-locked')).toEqual([]);
  });
});

describe('oil', () => {
  const lines = [ISOLATED, 'bleed the pump', 'take off rear cover', 'fit rear cover'];
  test('what is filled again was drained before', () => {
    expect(told([...lines, 'fill the crankcase oil'], 'not-drained')).toEqual([5]);
    expect(told([ISOLATED, 'drain the oil', ...lines.slice(1), 'fill the crankcase oil'], 'not-drained')).toEqual([]);
  });
  test('a cup that is filled for the first time, and topping up a closed pump, are no refilling', () => {
    expect(told([...lines, 'fill the wet cup with throat oil'], 'not-drained')).toEqual([]);
    expect(told(['fill the gear oil'], 'not-drained')).toEqual([]);
  });
});

test('lifting gear is known by its name, and bears what it is marked with', () => {
  const lines = ['take off cylinder head /eye bolt, 20 kg'];
  const heavy = (kg: number) => withComponent(typed(lines), 'cylinder head', { massKg: kg });
  expect(found(heavy(28), 'lift-short')).toHaveLength(1);
  expect(found(heavy(18), 'lift-short')).toEqual([]);
});
