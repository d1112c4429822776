import type { Quantity } from './schema';
import { type Dimension, readUnit, type UnitSymbol, unitOf } from './units';

export type QuantityFault = 'no-number' | 'no-unit' | 'unknown-unit' | 'other-dimension' | 'negative';
export type QuantityReading = { ok: true; quantity: Quantity } | { ok: false; fault: QuantityFault };

/** `quantity` expressed in `unit`. Throws RangeError when the two measure different things. */
export function convert(quantity: Quantity, unit: UnitSymbol): Quantity {
  const from = unitOf(quantity.unit);
  const to = unitOf(unit);
  if (from.dimension !== to.dimension) throw new RangeError(`${quantity.unit} cannot be given in ${unit}`);
  if (from === to) return quantity;
  return { value: (quantity.value * from.factor) / to.factor, unit };
}

/** The value in the coherent SI unit of its dimension (N·m, Pa, m, m³, kg, s). */
export function inSi(quantity: Quantity): number {
  return quantity.value * unitOf(quantity.unit).factor;
}

/**
 * Reads "45 N·m", "33,5 ft-lb" or "45Nm" as a quantity of `dimension`.
 * A comma is a decimal comma when one to two digits or more than three follow and no point stands beside it.
 */
export function readQuantity(typed: string, dimension: Dimension): QuantityReading {
  const match = /^\s*([+-]?\d[\d.,']*)\s*(.*?)\s*$/.exec(typed);
  const value = match ? readNumber(match[1] ?? '') : Number.NaN;
  if (!match || !Number.isFinite(value)) return { ok: false, fault: 'no-number' };
  if (value < 0) return { ok: false, fault: 'negative' };
  const word = match[2] ?? '';
  if (word === '') return { ok: false, fault: 'no-unit' };
  const unit = readUnit(word);
  if (!unit) return { ok: false, fault: 'unknown-unit' };
  if (unitOf(unit).dimension !== dimension) return { ok: false, fault: 'other-dimension' };
  return { ok: true, quantity: { value, unit } };
}

/** Reads a number written with a decimal point or a decimal comma. NaN when it is neither. */
export function readNumber(typed: string): number {
  const text = typed.trim().replace(/['\s]/g, '');
  if (/^[+-]?\d+(\.\d+)?$/.test(text)) return Number(text);
  if (/^[+-]?\d+,\d+$/.test(text)) {
    const decimals = text.length - text.indexOf(',') - 1;
    return Number(decimals === 3 && !/^[+-]?0,/.test(text) ? text.replace(',', '') : text.replace(',', '.'));
  }
  return /^[+-]?\d{1,3}(,\d{3})+(\.\d+)?$/.test(text) ? Number(text.replaceAll(',', '')) : Number.NaN;
}

/** "45 N·m": at most `digits` significant digits, no trailing zeros. */
export function sayQuantity(quantity: Quantity, digits = 4): string {
  return `${sayNumber(quantity.value, digits)} ${quantity.unit}`;
}

/** "30 Jun 2026" of an ISO date. */
export function sayDay(day: string): string {
  return DAY.format(new Date(day));
}

const DAY = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeZone: 'UTC' });

export function sayNumber(value: number, digits = 4): string {
  return String(Number(value.toPrecision(digits)));
}

/** How far `b` lies from `a`, as a share of `a` (0.02 is two per cent). Both of one dimension. */
export function relativeGap(a: Quantity, b: Quantity): number {
  return Math.abs(inSi(convert(b, a.unit)) - inSi(a)) / Math.abs(inSi(a));
}
