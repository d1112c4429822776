import type { Measurement } from '../../model/procedure';
import { sayQuantity } from '../../quantity/quantity';
import { listing } from './sentence';

/** "diameter, new 50 mm, at least 48.6 mm, at top and bottom": a size that is measured, with its limits. */
export function sayMeasurement({ what, least, most, nominal, points, directions }: Measurement): string {
  return [
    what,
    nominal && `new ${sayQuantity(nominal, 6)}`,
    least && `at least ${sayQuantity(least, 6)}`,
    most && `at most ${sayQuantity(most, 6)}`,
    points.length > 0 && `at ${listing(points)}`,
    directions === 2 && 'twice, crosswise',
  ]
    .filter(Boolean)
    .join(', ');
}
