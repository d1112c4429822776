import { convert } from '../../../../quantity/quantity';
import { readUnit, type UnitSymbol, unitOf } from '../../../../quantity/units';
import type { SaidFigure } from './said';
import type { Sentence } from './sentence';

interface Measured {
  readonly value: number;
  readonly unit: UnitSymbol;
  readonly end: number;
}

/** "24 N·m", "forty-four foot pounds", "1.2 litres" at a word; undefined where no number with a unit stands. */
export function measureAt({ words, lows }: Sentence, at: number): Measured | undefined {
  const value = words[at]?.value;
  if (value === undefined) return undefined;
  for (const length of [3, 2, 1]) {
    const said = lows.slice(at + 1, at + 1 + length);
    if (said.length < length || said.some((word) => /^[,;:(]$/.test(word))) continue;
    // "To 24 in a star": no inches.
    if (said.join() === 'in' && NO_INCH.test(lows[at + 2] ?? '')) continue;
    const unit = readUnit(said.join(''));
    if (unit) return { value, unit, end: at + 1 + length };
  }
  return undefined;
}

const NO_INCH = /^(?:an?|the|two|three|four|several|one|pairs|order|sequence|turn|steps|stages|passes|line|place)$/;

/** A torque, with a range or a tolerance, and the same in another unit. */
export function torqueAt(sentence: Sentence, at: number): { figure: SaidFigure; end: number } | undefined {
  const range = plusMinusAt(sentence, at) ?? rangeAt(sentence, at);
  const slashed = passesAt(sentence, at);
  const measured = measureAt(sentence, at);
  const first = range ?? (measured && slashed ? { ...measured, value: slashed.at(-1) ?? measured.value } : measured);
  if (!first || unitOf(first.unit).dimension !== 'torque') return undefined;
  let { end } = first;
  let tolerancePercent = range?.tolerancePercent;
  const tolerance = toleranceAt(sentence, end, first);
  if (tolerance) {
    tolerancePercent = tolerance.percent;
    end = tolerance.end;
  }
  const second = alsoAt(sentence, end, first);
  return {
    figure: {
      value: first.value,
      unit: first.unit,
      ...(tolerancePercent !== undefined && { tolerancePercent }),
      ...(second && { also: { value: second.value, unit: second.unit } }),
    },
    end: second?.end ?? end,
  };
}

/** "20/40/60 N·m": one pass after the other, and no fraction of a torque. */
export function passesAt({ lows }: Sentence, at: number): number[] | undefined {
  const low = lows[at] ?? '';
  return /^\d+(?:[.,]\d+)?(?:\/\d+(?:[.,]\d+)?)+$/.test(low)
    ? low.split('/').map((one) => Number(one.replace(',', '.')))
    : undefined;
}

/** "60±5 N·m". */
function plusMinusAt(sentence: Sentence, at: number): (Measured & { tolerancePercent: number }) | undefined {
  const value = sentence.words[at]?.value;
  const off = sentence.lows[at + 1] === '±' ? measureAt(sentence, at + 2) : undefined;
  if (value === undefined || !off || value === 0) return undefined;
  return { ...off, value, tolerancePercent: round((off.value / value) * 100) };
}

/** "60-65 N·m", "between 60 and 65 N·m": the middle, and how far it reaches. */
function rangeAt(sentence: Sentence, start: number): (Measured & { tolerancePercent: number }) | undefined {
  const at = sentence.lows[start] === 'between' ? start + 1 : start;
  const low = sentence.words[at]?.value;
  const unit = low === undefined ? undefined : measureAt(sentence, at);
  const joint = unit ? unit.end : at + 1;
  // "50, 100 and 150" is no range.
  const joints = at > start ? /^(?:-|–|to|and)$/ : /^(?:-|–|to|\.\.\.?)$/;
  if (low === undefined || !joints.test(sentence.lows[joint] ?? '')) return undefined;
  const high = measureAt(sentence, joint + 1);
  if (!high || high.value <= low || (unit && unit.unit !== high.unit)) return undefined;
  const middle = (low + high.value) / 2;
  return {
    value: round(middle),
    unit: high.unit,
    end: high.end,
    tolerancePercent: round(((high.value - low) / 2 / middle) * 100),
  };
}

function toleranceAt(sentence: Sentence, start: number, of: Measured): { percent: number; end: number } | undefined {
  let at = start;
  if (sentence.lows.slice(at, at + 3).join(' ') === 'plus or minus') at += 3;
  else if (sentence.lows[at] === '±') at += 1;
  else if (
    /^\+?\/?-$/.test(sentence.lows.slice(at, at + 3).join('')) ||
    sentence.lows.slice(at, at + 3).join('') === '+/-'
  )
    at += 3;
  else return undefined;
  const value = sentence.words[at]?.value;
  if (value === undefined) return undefined;
  if (/^(?:%|percent)$/.test(sentence.lows[at + 1] ?? '')) return { percent: value, end: at + 2 };
  if (sentence.lows.slice(at + 1, at + 3).join(' ') === 'per cent') return { percent: value, end: at + 3 };
  const measured = measureAt(sentence, at);
  const inSame = measured ? convert({ value: measured.value, unit: measured.unit }, of.unit).value : value;
  return { percent: round((inSame / of.value) * 100), end: measured?.end ?? at + 1 };
}

/** "531 in-lb, 44 ft-lb" or "(8 N·m)": the same figure once more. */
function alsoAt(sentence: Sentence, start: number, first: Measured): Measured | undefined {
  const at = /^(?:,|\(|or|\/|=)$/.test(sentence.lows[start] ?? '') ? start + 1 : undefined;
  const second = at === undefined ? undefined : measureAt(sentence, at);
  if (!second || second.unit === first.unit || unitOf(second.unit).dimension !== 'torque') return undefined;
  const closed = sentence.lows[second.end] === ')' ? second.end + 1 : second.end;
  return { ...second, end: closed };
}

function round(value: number): number {
  return Number(value.toPrecision(3));
}
