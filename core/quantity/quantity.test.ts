import fc from 'fast-check';
import { convert, readNumber, readQuantity, relativeGap, sayQuantity } from './quantity';
import { UNITS, type UnitSymbol, unitOf } from './units';

describe('factors against NIST SP 811 (2008), Appendix B.8', () => {
  // Seven-digit factors as printed in the guide; our table holds more digits, so they agree to its rounding.
  const printed: [UnitSymbol, number][] = [
    ['lbf·ft', 1.355_818],
    ['lbf·in', 0.112_984_8],
    ['kgf·m', 9.806_65],
    ['psi', 6894.757],
    ['bar', 1e5],
    ['in', 0.0254],
    ['gal', 3.785_412e-3],
    ['fl oz', 2.957_353e-5],
    ['L', 1e-3],
    ['lb', 0.453_592_4],
  ];
  test.each(printed)('one %s', (symbol, factor) => {
    expect(Math.abs(unitOf(symbol).factor - factor) / factor).toBeLessThan(5e-7);
  });
});

test('531 lbf·in is 44 lbf·ft (common practice)', () => {
  expect(Math.round(convert({ value: 531, unit: 'lbf·in' }, 'lbf·ft').value)).toBe(44);
  expect(relativeGap({ value: 531, unit: 'lbf·in' }, { value: 44, unit: 'lbf·ft' })).toBeLessThan(0.02);
});

test('a torque cannot be given in bar', () => {
  expect(() => convert({ value: 1, unit: 'N·m' }, 'bar')).toThrow(RangeError);
});

test('there and back is the same, for every pair of units of a dimension', () => {
  const pairs = UNITS.flatMap((a) =>
    UNITS.filter((b) => b.dimension === a.dimension).map((b) => [a.symbol, b.symbol] as const),
  );
  fc.assert(
    fc.property(fc.constantFrom(...pairs), fc.double({ min: 0.001, max: 1e6, noNaN: true }), ([a, b], value) => {
      const back = convert(convert({ value, unit: a }, b), a).value;
      expect(Math.abs(back - value) / value).toBeLessThan(1e-12);
    }),
  );
});

describe('what people type', () => {
  test.each([
    ['45 N·m', 45, 'N·m'],
    ['45Nm', 45, 'N·m'],
    ['45 N.m', 45, 'N·m'],
    ['33 ft-lb', 33, 'lbf·ft'],
    ['33 lbf ft', 33, 'lbf·ft'],
    ['218 in lbs', 218, 'lbf·in'],
    ['6,2 kgf·m', 6.2, 'kgf·m'],
    ['1,250 lbf·in', 1250, 'lbf·in'],
  ])('%s', (typed, value, unit) => {
    expect(readQuantity(typed, 'torque')).toEqual({ ok: true, quantity: { value, unit } });
  });

  test.each([
    ['tight', 'no-number'],
    ['45', 'no-unit'],
    ['218 pounds', 'other-dimension'],
    ['45 quux', 'unknown-unit'],
    ['-3 N·m', 'negative'],
    ['4.5.6 N·m', 'no-number'],
  ])('%s is refused: %s', (typed, fault) => {
    expect(readQuantity(typed, 'torque')).toEqual({ ok: false, fault });
  });

  test('0,125 is an eighth, 1,250 is twelve hundred and fifty', () => {
    expect(readNumber('0,125')).toBe(0.125);
    expect(readNumber('1,250')).toBe(1250);
    expect(readNumber('1,250,000.5')).toBe(1_250_000.5);
  });
});

test('a quantity is said with at most four digits and no idle zeros', () => {
  expect(sayQuantity({ value: 45.0, unit: 'N·m' })).toBe('45 N·m');
  expect(sayQuantity({ value: 23.456789, unit: 'N·m' })).toBe('23.46 N·m');
});
