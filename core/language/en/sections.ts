import type { SectionLabel } from '../../orientation/section-drawing';

/** The most letters there is room for beside a section. */
const MOST_LETTERS = 24;

/** What stands beside a piece of a section, or beside the arrow where the pressure acts. */
export function sayLabel({ name, pieces, tone }: SectionLabel): string {
  if (tone === 'pressure') return 'pressure';
  const counted = pieces > 1 ? `${pieces} × ${name}` : name;
  const text = tone === 'wrong' ? `${counted}: wrong way` : counted;
  return text.length > MOST_LETTERS ? `${text.slice(0, MOST_LETTERS - 1).trimEnd()}…` : text;
}
