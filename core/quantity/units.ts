/**
 * Units of the workshop, each with its exact or published factor to the coherent SI unit of its dimension.
 * Factors: NIST Special Publication 811 (2008), Appendix B; conversion to SI is `value * factor`.
 */
export const DIMENSIONS = [
  'torque',
  'pressure',
  'length',
  'volume',
  'mass',
  'time',
  'force',
  'flow',
  'speed',
  'power',
] as const;
export type Dimension = (typeof DIMENSIONS)[number];

export interface UnitDefinition {
  readonly symbol: string;
  readonly dimension: Dimension;
  /** SI units (N·m, Pa, m, m³, kg, s, N, m³/s, 1/s, W) in one of this unit. */
  readonly factor: number;
  /** What people type, lower case without spaces, dots or hyphens. */
  readonly spellings: readonly string[];
}

const POUND_FORCE_INCH = 0.112_984_829_027_616_7;

export const UNITS = [
  {
    symbol: 'N·m',
    dimension: 'torque',
    factor: 1,
    spellings: ['nm', 'newtonmetre', 'newtonmeter', 'newtonmetres', 'newtonmeters', 'newtonsmetre'],
  },
  { symbol: 'N·cm', dimension: 'torque', factor: 0.01, spellings: ['ncm'] },
  {
    symbol: 'lbf·ft',
    dimension: 'torque',
    factor: POUND_FORCE_INCH * 12,
    spellings: [
      'lbfft',
      'ftlbf',
      'ftlb',
      'ftlbs',
      'lbft',
      'lbsft',
      'footpound',
      'footpounds',
      'poundfeet',
      'poundfoot',
      'footlbs',
      'footlb',
    ],
  },
  {
    symbol: 'lbf·in',
    dimension: 'torque',
    factor: POUND_FORCE_INCH,
    spellings: [
      'lbfin',
      'inlbf',
      'inlb',
      'inlbs',
      'lbin',
      'lbsin',
      'inchpound',
      'inchpounds',
      'poundinch',
      'poundinches',
      'inchlbs',
      'inchlb',
    ],
  },
  { symbol: 'kgf·m', dimension: 'torque', factor: 9.806_65, spellings: ['kgfm', 'kgm', 'mkgf', 'mkg'] },
  { symbol: 'kgf·cm', dimension: 'torque', factor: 0.098_066_5, spellings: ['kgfcm', 'kgcm'] },
  {
    symbol: 'ozf·in',
    dimension: 'torque',
    factor: POUND_FORCE_INCH / 16,
    spellings: ['ozfin', 'ozin', 'inoz', 'inozf', 'ounceinch', 'ounceinches', 'inchounce', 'inchounces'],
  },
  { symbol: 'bar', dimension: 'pressure', factor: 100_000, spellings: ['bar', 'bars'] },
  { symbol: 'kPa', dimension: 'pressure', factor: 1000, spellings: ['kpa'] },
  { symbol: 'MPa', dimension: 'pressure', factor: 1_000_000, spellings: ['mpa'] },
  { symbol: 'psi', dimension: 'pressure', factor: 6894.757_293_168, spellings: ['psi', 'lbf/in2', 'lbf/in²'] },
  {
    symbol: 'mm',
    dimension: 'length',
    factor: 0.001,
    spellings: ['mm', 'millimetre', 'millimeter', 'millimetres', 'millimeters'],
  },
  {
    symbol: 'cm',
    dimension: 'length',
    factor: 0.01,
    spellings: ['cm', 'centimetre', 'centimetres', 'centimeter', 'centimeters'],
  },
  { symbol: 'in', dimension: 'length', factor: 0.0254, spellings: ['in', 'inch', 'inches', '"', '″'] },
  {
    symbol: 'mL',
    dimension: 'volume',
    factor: 1e-6,
    spellings: ['ml', 'cc', 'cm3', 'millilitre', 'millilitres', 'milliliter', 'milliliters'],
  },
  { symbol: 'L', dimension: 'volume', factor: 0.001, spellings: ['l', 'litre', 'litres', 'liter', 'liters'] },
  { symbol: 'fl oz', dimension: 'volume', factor: 2.957_352_956_25e-5, spellings: ['floz', 'usfloz'] },
  { symbol: 'gal', dimension: 'volume', factor: 0.003_785_411_784, spellings: ['gal', 'usgal', 'gallon', 'gallons'] },
  { symbol: 'g', dimension: 'mass', factor: 0.001, spellings: ['g', 'gram', 'grams'] },
  { symbol: 'kg', dimension: 'mass', factor: 1, spellings: ['kg', 'kilo', 'kilos', 'kilogram', 'kilograms'] },
  { symbol: 'lb', dimension: 'mass', factor: 0.453_592_37, spellings: ['lb', 'lbs', 'pound', 'pounds'] },
  { symbol: 's', dimension: 'time', factor: 1, spellings: ['s', 'sec', 'second', 'seconds'] },
  { symbol: 'min', dimension: 'time', factor: 60, spellings: ['min', 'mins', 'minute', 'minutes'] },
  { symbol: 'h', dimension: 'time', factor: 3600, spellings: ['h', 'hr', 'hrs', 'hour', 'hours'] },
  { symbol: 'N', dimension: 'force', factor: 1, spellings: ['newton', 'newtons'] },
  { symbol: 'kgf', dimension: 'force', factor: 9.806_65, spellings: ['kp'] },
  { symbol: 'lbf', dimension: 'force', factor: 4.448_221_615_260_5, spellings: ['poundforce', 'poundsforce'] },
  { symbol: 'L/min', dimension: 'flow', factor: 1 / 60_000, spellings: ['lpm', 'litresperminute', 'litersperminute'] },
  { symbol: 'm³/h', dimension: 'flow', factor: 1 / 3600, spellings: ['m3/h', 'cbm/h'] },
  { symbol: 'gal/min', dimension: 'flow', factor: 0.003_785_411_784 / 60, spellings: ['gpm', 'usgpm'] },
  { symbol: 'rpm', dimension: 'speed', factor: 1 / 60, spellings: ['1/min', 'min-1', 'r/min'] },
  { symbol: 'kW', dimension: 'power', factor: 1000, spellings: ['kilowatt', 'kilowatts'] },
  { symbol: 'hp', dimension: 'power', factor: 745.699_871_582_270_2, spellings: ['horsepower'] },
] as const satisfies readonly UnitDefinition[];

export type UnitSymbol = (typeof UNITS)[number]['symbol'];

const bySymbol = new Map<string, UnitDefinition>(UNITS.map((unit) => [unit.symbol, unit]));
const bySpelling = new Map<string, UnitSymbol>(
  UNITS.flatMap((unit) =>
    [...unit.spellings, plain(unit.symbol)].map((word): [string, UnitSymbol] => [word, unit.symbol]),
  ),
);

export const UNIT_SYMBOLS = UNITS.map((unit) => unit.symbol) as unknown as readonly [UnitSymbol, ...UnitSymbol[]];

export function unitOf(symbol: UnitSymbol): UnitDefinition {
  const unit = bySymbol.get(symbol);
  if (!unit) throw new RangeError(`unknown unit ${symbol}`);
  return unit;
}

/** The unit meant by what somebody typed ("Nm", "ft-lb", "in lbs"), or undefined when it names none. */
export function readUnit(typed: string): UnitSymbol | undefined {
  return bySpelling.get(plain(typed));
}

export function symbolsOf(dimension: Dimension): UnitSymbol[] {
  return UNITS.filter((unit) => unit.dimension === dimension).map((unit) => unit.symbol);
}

/** "MPa" and "mPa" differ by nine orders, but no workshop means millipascal: case may be folded. */
function plain(typed: string): string {
  return typed
    .trim()
    .toLowerCase()
    .replace(/[\s.·⋅*×-]+/g, '');
}
