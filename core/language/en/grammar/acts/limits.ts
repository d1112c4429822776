import { readUnit } from '../../../../quantity/units';
import type { OpenAct } from './reading';

/**
 * "Below 4.5 mm", "the gap is more than 0.8 mm": the limit of what is measured, as "minimum 4.5 mm", "gap, maximum
 * 0.8 mm". Nothing where it is the limit of another size than the one that is measured.
 */
export function limitOf(sign: string, { how, about = '' }: Pick<OpenAct, 'how' | 'about'>): string | undefined {
  const [, subject, less, value, unit] = PASSED.exec(sign) ?? [];
  if (value === undefined || !readUnit(unit ?? '')) return undefined;
  const limit = `${less ? 'minimum' : 'maximum'} ${value} ${unit}`;
  const measured = [about, ...how].join(' ').toLowerCase();
  if (subject === undefined || measured.includes(subject.toLowerCase())) return limit;
  return SIZE.test(measured) ? undefined : `${subject}, ${limit}`;
}

/** What can be measured of a part. */
export const SIZE =
  /\b(?:(?:outside|inside|outer|inner|free|overall|axial|radial|end|bore|shaft|total) )*(?:diameter|length|width|height|depth|thickness|clearance|gap|play|float|run-?out|backlash|bore|wear|stroke|protrusion|flatness|force)\b/i;

const LESS = 'under|below|(?:less|smaller|thinner|shorter|narrower) than';
const MORE = 'over|above|beyond|exceeds?|(?:more|greater|larger|bigger|longer|wider|thicker) than';
/** What is said of how much is worn away is no size: "worn more than 0.25 mm". */
const PASSED = new RegExp(
  `^(?:(?:if|when|where) )?(?:(?:it|they|that|anything|any|(?:the|its|their) ((?:(?!worn\\b)[\\w-]+ ){0,3}?[\\w-]+)) )?(?:(?:is|are|measures?|falls|drops|goes|gets|it's|they're) )?(?:(${LESS})|(?:${MORE})) (\\d[\\d.,/]*) ?([^\\d\\s]\\S*)$`,
  'i',
);

/** Whether words say by how much something is passed, in whatever unit. */
export function compares(text: string): boolean {
  return COMPARES.test(text);
}

const COMPARES = new RegExp(`\\b(?:${LESS}|${MORE}) \\S`, 'i');
