import type { Found } from '../../job/found';

/** "hard and cracked", "under its limit": what a look or a measurement found. */
export function sayFound({ found }: Found): string {
  if ('sign' in found) return found.sign;
  return found.limit === 'under' ? 'under its limit' : 'over its limit';
}
