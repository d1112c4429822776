import type { Measurement } from '../model/procedure';
import { typed } from '../testing/workbook';
import { guardBand, instrumentOf, largestError, prove } from './guard';

const mm = (value: number) => ({ value, unit: 'mm' as const });
const PLUNGER: Measurement = {
  ...{ id: 'od', what: 'outside diameter', least: mm(35.9), most: mm(36.02) },
  ...{ points: [], directions: 1 as const, follows: 'renew' as const },
};

/** JCGM 100:2008, 4.3.7: half-width a, standard uncertainty a/√3. ISO 14253-1:2017: guard band of 1.65 of it. */
test('the guard band of a calliper with a largest error of 0.03 mm is 0.0286 mm', () => {
  expect(guardBand(mm(0.03)).value).toBeCloseTo(0.02858, 5);
});

test.each([
  [35.95, 'conforms'],
  [35.92, 'uncertain'],
  [35.9, 'uncertain'],
  [35.88, 'uncertain'],
  [35.87, 'fails'],
  [36.0, 'uncertain'],
  [36.06, 'fails'],
])('%d mm with a calliper: %s', (value, proof) => {
  expect(prove(mm(value), PLUNGER, mm(0.03))).toBe(proof);
});

test('a better instrument proves more', () => {
  expect(prove(mm(35.92), PLUNGER, mm(0.004))).toBe('conforms');
  expect(prove(mm(35.88), PLUNGER, mm(0.004))).toBe('fails');
});

test('limits closer together than the bands leave nothing that conforms', () => {
  const tight = { ...PLUNGER, least: mm(36), most: mm(36.02) };
  for (const value of [36, 36.01, 36.02]) expect(prove(mm(value), tight, mm(0.03))).toBe('uncertain');
});

test('the unit of the reading does not matter; without an instrument or limits nothing is guarded', () => {
  expect(prove({ value: 35.92 / 25.4, unit: 'in' }, PLUNGER, mm(0.03))).toBe('uncertain');
  expect(prove(mm(35.901), PLUNGER, undefined)).toBe('conforms');
  expect(prove(mm(35.899), PLUNGER, undefined)).toBe('fails');
  const { least: _least, most: _most, ...open } = PLUNGER;
  expect(prove(mm(1), open, mm(0.03))).toBe('unjudged');
});

test('what the tool says of itself counts before what is usual for its kind', () => {
  expect(largestError({ name: 'outside micrometer, 25-50 mm' })).toEqual(mm(0.004));
  expect(largestError({ name: 'digital calliper' })).toEqual(mm(0.03));
  expect(largestError({ name: 'calliper', accuracy: mm(0.02) })).toEqual(mm(0.02));
  expect(largestError({ name: 'tapered pin' })).toBeUndefined();
});

/** ISO 7500-1, class 1: 1 % of the force that is shown. */
test('a spring is judged with the share by which its gauge may be off', () => {
  const newton = (value: number) => ({ value, unit: 'N' as const });
  const { series } = typed(['measure spring /spring tester /calliper']);
  const toolId = (name: string) => series.tools.find((tool) => tool.name === name)?.id ?? '';
  const force: Measurement = {
    ...{ id: 'force', what: 'force at 40 mm', least: newton(200), toolId: toolId('spring tester') },
    ...{ points: [], directions: 1 as const, follows: 'renew' as const },
  };
  const { error } = instrumentOf(force, series);
  expect(error).toEqual(newton(2));
  expect([203, 201, 199, 197].map((value) => prove(newton(value), force, error))).toEqual([
    ...['conforms', 'uncertain', 'uncertain', 'fails'],
  ]);
  expect(prove({ value: 203 / 4.448_221_615, unit: 'lbf' }, force, error)).toBe('conforms');
  expect(instrumentOf({ ...force, toolId: toolId('calliper') }, series).error).toBeUndefined();
});
