import { typed } from '../testing/workbook';
import { usualFields } from './usual-fields';

const { series, procedure } = typed([
  'fit oil seal',
  'fit cover',
  'torque cover bolts =9 N·m',
  'inspect rotor',
  'wait',
  'take off cover',
  'fill the gear oil',
  'test the pump',
]);
const of = (index: number) => usualFields(procedure.steps[index]!, series);

test('a field that a verb says nothing without stands there from the start', () => {
  expect([2, 3, 4].map((index) => of(index).needed)).toEqual([['torque'], ['looks'], ['minutes']]);
  expect(of(5).needed).toEqual([]);
});

test('what is offered first is what such a part needs', () => {
  expect(of(0).likely.slice(0, 2)).toEqual(['faces', 'applied']);
  expect(of(1).likely[0]).toBe('detail');
  expect(of(5).likely[0]).toBe('caution');
  expect([of(6).likely[0], of(7).likely[0]]).toEqual(['proofs', 'proofs']);
});
