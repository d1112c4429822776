import type { Measurement } from '../model/procedure';
import type { Series, Tool } from '../model/series';
import { convert } from '../quantity/quantity';
import type { Quantity } from '../quantity/schema';
import { unitOf } from '../quantity/units';
import { judgeReading } from './measure';

/** What a reading proves, with the uncertainty of what it was taken with. */
export type Proof = 'conforms' | 'fails' | 'uncertain' | 'unjudged';

/**
 * Largest errors that instruments of a kind may have, in mm: DIN 862 for callipers up to 200 mm, DIN 863-1 for
 * micrometers up to 100 mm, both from memory; the others are common practice. What the tool says of itself counts first.
 */
const USUAL_ERROR_MM: readonly { readonly words: RegExp; readonly error: number }[] = [
  { words: /micrometer/i, error: 0.004 },
  { words: /dial|bore gauge|internal gauge/i, error: 0.012 },
  { words: /calliper|caliper|vernier/i, error: 0.03 },
  { words: /feeler/i, error: 0.01 },
  { words: /\b(rule|tape measure)\b/i, error: 0.5 },
];

/** What measures forces is off by a share of what it shows: 1 % in class 1 of ISO 7500-1, from memory. */
const FORCE_GAUGES = /\b(?:force gauge|force meter|spring tester|spring scale|spring balance|load cell|dynamometer)\b/i;
const FORCE_ERROR = 0.01;

const MEASURES = /gauge|meter|calliper|caliper|rule\b|tester|scale\b|balance|load cell|indicator/i;

/** A tool that sizes or forces are read from. */
export function isInstrument({ kind, name }: Pick<Tool, 'kind' | 'name'>): boolean {
  return kind === 'measuring' || MEASURES.test(name);
}

/** The largest error that an instrument may have, to either side, near a limit; undefined where nobody knows. */
export function largestError(tool: Pick<Tool, 'name' | 'accuracy'>, limit?: Quantity): Quantity | undefined {
  if (tool.accuracy) return tool.accuracy;
  if (FORCE_GAUGES.test(tool.name)) return limit && { value: FORCE_ERROR * limit.value, unit: limit.unit };
  const usual = USUAL_ERROR_MM.find(({ words }) => words.test(tool.name));
  return usual && { value: usual.error, unit: 'mm' };
}

/** One-sided, for a probability of 95 % that what is accepted conforms. */
const GUARD_FACTOR = 1.65;

/**
 * How far inside a limit a reading has to lie to prove that the part conforms: 1.65 times the standard uncertainty
 * (ISO 14253-1:2017, clause 5, from memory). A largest error without more is taken as a rectangular distribution, whose
 * standard uncertainty is a divided by the square root of 3 (JCGM 100:2008, 4.3.7).
 */
export function guardBand(error: Quantity): Quantity {
  return { value: (GUARD_FACTOR * error.value) / Math.sqrt(3), unit: error.unit };
}

/** Between the two bands a reading proves neither that the part conforms nor that it fails. */
export function prove(reading: Quantity, measurement: Measurement, error: Quantity | undefined): Proof {
  const verdict = judgeReading(reading, measurement);
  if (verdict === 'unjudged') return 'unjudged';
  if (!error || unitOf(error.unit).dimension !== unitOf(reading.unit).dimension)
    return verdict === 'within' ? 'conforms' : 'fails';
  const guard = guardBand(error);
  const near = [measurement.least, measurement.most].some((limit) => {
    if (!limit) return false;
    const { value } = convert(limit, guard.unit);
    return Math.abs(convert(reading, guard.unit).value - value) < guard.value * (1 - 1e-9);
  });
  return near ? 'uncertain' : verdict === 'within' ? 'conforms' : 'fails';
}

/** What a measurement is taken with, and how far off that may be. */
export function instrumentOf(measurement: Measurement, { tools }: Series): { tool?: Tool; error?: Quantity } {
  const tool = tools.find(({ id }) => id === measurement.toolId);
  const limit = measurement.most ?? measurement.least ?? measurement.nominal;
  const error = tool && largestError(tool, limit);
  // A calliper that was chosen for a force says nothing of it.
  const isOfIt = error && limit && unitOf(error.unit).dimension === unitOf(limit.unit).dimension;
  return { ...(tool && { tool }), ...(isOfIt && { error }) };
}
