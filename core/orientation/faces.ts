import type { Clocking, Direction, Faces } from '../model/faces';

/** Words compared without articles and case. */
export function bare(words: string): string {
  return words
    .toLowerCase()
    .replace(/\b(the|a|an|its)\b/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
}

/** Whether two sayings of a facing are one: the same end toward the same thing, turned alike. */
export function sameFacing(a: Faces, b: Faces): boolean {
  return sameEnd(a, b) && sameDirection(a.toward, b.toward);
}

/** The same end, however it is written. Where one of the two names no end, either end is meant. */
export function sameEnd(a: Faces, b: Faces): boolean {
  return a.end === undefined || b.end === undefined || bare(a.end) === bare(b.end);
}

export function sameDirection(a: Direction, b: Direction): boolean {
  if (a.away !== b.away) return false;
  // The part was not in the series yet when somebody said "the seat".
  if (a.is !== b.is)
    return (a.is === 'words' || b.is === 'words') && a.said !== undefined && bare(a.said) === bare(b.said ?? '');
  if (a.is === 'part' && b.is === 'part') return a.componentId === b.componentId;
  return a.is !== 'words' || bare(a.said) === bare(b.said ?? '');
}

/** Whether two ways of being turned contradict one another; not said is no contradiction. */
export function clockingsClash(a: Clocking | undefined, b: Clocking | undefined): boolean {
  if (!a || !b) return false;
  if (a.how !== b.how) return true;
  if (a.how === 'staggered' && b.how === 'staggered') return a.degrees !== b.degrees;
  if ('of' in a && 'of' in b) return bare(a.of) !== bare(b.of);
  return false;
}
