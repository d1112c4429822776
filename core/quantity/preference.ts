import { convert, sayQuantity } from './quantity';
import type { Quantity } from './schema';
import { type Dimension, type UnitSymbol, unitOf } from './units';

/** How a reader wants quantities shown. They are kept as they were given. */
export const UNIT_PREFERENCES = ['as-given', 'metric', 'us'] as const;
export type UnitPreference = (typeof UNIT_PREFERENCES)[number];

const METRIC: Readonly<Record<Dimension, readonly UnitSymbol[]>> = {
  torque: ['N·m', 'N·cm'],
  pressure: ['bar', 'kPa', 'MPa'],
  length: ['mm', 'cm'],
  volume: ['L', 'mL'],
  mass: ['kg', 'g'],
  time: ['min', 's', 'h'],
  force: ['N'],
  flow: ['L/min', 'm³/h'],
  speed: ['rpm'],
  power: ['kW'],
};
const US: Readonly<Record<Dimension, readonly UnitSymbol[]>> = {
  torque: ['lbf·ft', 'lbf·in'],
  pressure: ['psi'],
  length: ['in'],
  volume: ['gal', 'fl oz'],
  mass: ['lb'],
  time: ['min', 's', 'h'],
  force: ['lbf'],
  flow: ['gal/min'],
  speed: ['rpm'],
  power: ['hp'],
};
/** The units in which people usually give a quantity of a dimension. */
export function commonUnits(dimension: Dimension): readonly UnitSymbol[] {
  return [...new Set([...METRIC[dimension], ...US[dimension]])];
}

/** Below this a torque is told in inch pounds: the wrench for it has that scale. Common practice. */
const FOOT_POUNDS_FROM = 20;

/** A quantity in a unit its reader uses; unchanged when it already is in one. */
export function preferred(quantity: Quantity, preference: UnitPreference): Quantity {
  if (preference === 'as-given') return quantity;
  const units = (preference === 'metric' ? METRIC : US)[unitOf(quantity.unit).dimension];
  const [first, second] = units;
  if (!first || units.includes(quantity.unit)) return quantity;
  const shown = convert(quantity, first);
  if (first === 'lbf·ft' && shown.value < FOOT_POUNDS_FROM && second) return convert(quantity, second);
  if (shown.value < 0.1 && second) return convert(quantity, second);
  return shown;
}

/** A quantity in the unit in which its reader is shown another: all passes of a joint in that of the last. */
export function preferredAs(quantity: Quantity, model: Quantity, preference: UnitPreference): Quantity {
  return convert(quantity, preferred(model, preference).unit);
}

/** "33.2 lbf·ft (45 N·m)": as the reader prefers, with the figure as given behind it where the two differ. */
export function sayPreferred(quantity: Quantity, preference: UnitPreference): string {
  const shown = preferred(quantity, preference);
  const digits = unitOf(quantity.unit).dimension === 'length' ? 5 : 3;
  return shown === quantity ? sayQuantity(quantity) : `${sayQuantity(shown, digits)} (${sayQuantity(quantity)})`;
}
