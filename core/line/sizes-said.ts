import { SIZE } from '../language/en/grammar/acts/limits';
import { measureAt } from '../language/en/grammar/names/figures';
import { Sentence } from '../language/en/grammar/names/sentence';
import { wordsOf } from '../language/en/grammar/words/words';
import type { Measurement, Step } from '../model/procedure';
import { MEASURED_DIMENSIONS } from '../model/procedure-words';
import type { Quantity } from '../quantity/schema';
import { unitOf } from '../quantity/units';

/*
 * The size that the words of a step ask for, with its limits: "measure the rotor diameter at three points, minimum
 * 48.6 mm". The words stay in the step; what is measured at the bench is judged by the limits.
 */

type Limits = Pick<Measurement, 'least' | 'most' | 'nominal'>;

/** The size to be measured, or nothing where the words give no limit; `newId` names it. */
export function sizeSaid(
  { verb, about = '', detail = '', toolIds }: Step,
  newId: () => string,
): Measurement | undefined {
  if (!MEASURES.includes(verb)) return undefined;
  const limits = limitsIn(detail);
  if (Object.keys(limits).length === 0 || !areInOrder(limits)) return undefined;
  const [toolId, other] = toolIds;
  return {
    id: newId(),
    what: (about || SIZE.exec(detail)?.[0] || 'size').replace(/^the /, '').slice(0, LONGEST),
    ...limits,
    points: pointsIn(detail),
    directions: /\b(?:two directions|right angles|90 ?(?:°|degrees) apart)\b/i.test(detail) ? 2 : 1,
    ...(toolId && !other && { toolId }),
    follows: 'renew',
  };
}

const MEASURES: readonly Step['verb'][] = ['measure', 'inspect'];
const LONGEST = 120;

/** What stands before a figure and says which limit it is; the most particular first. */
const BEFORE: readonly [RegExp, keyof Limits][] = [
  [/(?:\bnot?|\bnever) (?:more|over|above|greater|larger|bigger|longer|thicker) than$|\bnot (?:over|above)$/, 'most'],
  [/(?:\bnot?|\bnever) (?:less|under|below|smaller|shorter|thinner) than$|\bnot (?:under|below)$/, 'least'],
  [/\b(?:min|minimum|at least)(?: (?:is|of|allowed|permitted|limit|size|value|:))*$|(?:>|≥) ?=?$/, 'least'],
  [/\b(?:max|maximum|at most|up to)(?: (?:is|of|allowed|permitted|limit|size|value|:))*$|(?:<|≤) ?=?$/, 'most'],
  [/\b(?:nominal|new|new size|should be|must be|has to be)(?: (?:is|about|:))*$/, 'nominal'],
];
/** "0.05 mm max": what says so stands behind. */
const BEHIND: readonly [RegExp, keyof Limits][] = [
  [/^(?:max|maximum|at most|or less)\b/, 'most'],
  [/^(?:min|minimum|at least|or more)\b/, 'least'],
  [/^(?:nominal|when new|new)\b/, 'nominal'],
];

/** Every figure with a unit of length or force whose words say what it is; a range is both limits. */
function limitsIn(detail: string): Limits {
  const limits: Limits = {};
  const said = new Sentence(detail, wordsOf(detail), new Map());
  for (let at = 0; at < said.words.length; at += 1) {
    const range = rangeAt(said, at);
    if (range) {
      Object.assign(limits, { least: range.least, most: range.most, ...(range.nominal && { nominal: range.nominal }) });
      at = range.end - 1;
      continue;
    }
    const size = sizeAt(said, at);
    if (!size) continue;
    const before = said.lows.slice(Math.max(0, at - 5), at).join(' ');
    const behind = said.lows.slice(size.end, size.end + 3).join(' ');
    const field =
      BEFORE.find(([words]) => words.test(before))?.[1] ?? BEHIND.find(([words]) => words.test(behind))?.[1];
    if (field) limits[field] = size.quantity;
    at = size.end - 1;
  }
  return limits;
}

function sizeAt(said: Sentence, at: number): { quantity: Quantity; end: number } | undefined {
  const measured = measureAt(said, at);
  if (!measured || !MEASURED_DIMENSIONS.includes(unitOf(measured.unit).dimension)) return undefined;
  return { quantity: { value: measured.value, unit: measured.unit }, end: measured.end };
}

/** "49.0 to 49.4 mm", "between 2 and 3 mm", "20 mm ± 0.1 mm", "20 ± 0.1 mm". */
function rangeAt(
  said: Sentence,
  at: number,
): (Required<Omit<Limits, 'nominal'>> & Limits & { end: number }) | undefined {
  const first = said.words[at]?.value;
  if (first === undefined) return undefined;
  const joint = sizeAt(said, at)?.end ?? at + 1;
  const low = said.lows[joint] ?? '';
  const high = sizeAt(said, joint + 1);
  if (!high) return undefined;
  const { value, unit } = high.quantity;
  if (low === '±') {
    const off = (by: number): Quantity => ({ value: Number((first + by).toPrecision(12)), unit });
    return { least: off(-value), most: off(value), nominal: { value: first, unit }, end: high.end };
  }
  const isRange = /^(?:to|-|–|\.\.\.?)$/.test(low) || (low === 'and' && said.lows[at - 1] === 'between');
  // "10 to 20 mm from the end" says where.
  if (!isRange || value <= first || /^(?:from|away|behind|above|below|apart)$/.test(said.lows[high.end] ?? ''))
    return undefined;
  return { least: { value: first, unit }, most: high.quantity, end: high.end };
}

/** Limits that contradict each other are no limits. */
function areInOrder({ least, most, nominal }: Limits): boolean {
  const sizes = [least, nominal, most].flatMap((one) => one ?? []);
  const isOneUnit = sizes.every(({ unit }) => unit === sizes[0]?.unit);
  return !isOneUnit || sizes.every(({ value }, i) => i === 0 || value >= (sizes[i - 1]?.value ?? 0));
}

/** "At three points": measured at each. */
function pointsIn(detail: string): string[] {
  const words = wordsOf(detail);
  const at = words.findIndex(
    ({ value }, i) => value !== undefined && /^(?:points?|places|positions|spots)$/.test(words[i + 1]?.low ?? ''),
  );
  const count = words[at]?.value ?? 1;
  return count > 1 && count <= MOST_POINTS && Number.isInteger(count)
    ? Array.from({ length: count }, (_, i) => `point ${i + 1}`)
    : [];
}

const MOST_POINTS = 12;
