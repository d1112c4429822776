import type { Found } from '../../job/found';

const GAPS = { 'in-places': 'a new ring shows a gap in places', 'all-along': 'a new ring shows a gap all along' };

/** "hard and cracked", "under its limit": what a look or a measurement found. */
export function sayFound({ found }: Pick<Found, 'found'>): string {
  if ('sign' in found) return found.sign;
  if ('near' in found) return 'too close to its limit for this instrument';
  if ('gap' in found) return GAPS[found.gap];
  return found.limit === 'under' ? 'under its limit' : 'over its limit';
}
