import i18next from 'i18next';
import { commonUnits } from '#core/quantity/preference';
import type { QuantityFault } from '#core/quantity/quantity';
import type { Dimension } from '#core/quantity/units';

/** What is wrong with a quantity that was typed, and which units it may have. */
export function sayQuantityFault(fault: QuantityFault, ...dimensions: readonly Dimension[]): string {
  const units = dimensions.flatMap(commonUnits);
  const last = units.at(-1) ?? '';
  const listed = units.length > 1 ? `${units.slice(0, -1).join(', ')} or ${last}` : last;
  return i18next.t(`quantity.${fault}`, { units: listed });
}
