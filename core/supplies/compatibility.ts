import type { ConsumableBase, Material } from '../model/consumables';
import type { Component, Consumable } from '../model/series';
import { baseOf } from './consumable-kinds';
import { materialOf } from './materials';

/**
 * How a material stands up to a liquid at workshop and moderate working temperature: 1 little or no effect, 2 minor,
 * usable where it does not move, 3 doubtful, swells or softens, 4 unsuitable.
 *
 * After the ratings published in ISO/TR 7620:2005 (chemical resistance of rubbers) and ISO 6072:2011 (hydraulic fluids
 * and standard elastomers); recalled from memory and rounded to the graver side. The data of the seal's maker come first.
 */
export type Rating = 1 | 2 | 3 | 4;

export const RATING_SOURCE = 'ISO/TR 7620:2005 and ISO 6072:2011, from memory';

type Row = Readonly<Record<'NBR' | 'HNBR' | 'EPDM' | 'FKM' | 'VMQ' | 'CR' | 'NR' | 'PU' | 'PTFE' | 'leather', Rating>>;

const row = (...ratings: [Rating, Rating, Rating, Rating, Rating, Rating, Rating, Rating, Rating, Rating]): Row => {
  const [NBR, HNBR, EPDM, FKM, VMQ, CR, NR, PU, PTFE, leather] = ratings;
  return { NBR, HNBR, EPDM, FKM, VMQ, CR, NR, PU, PTFE, leather };
};

const TABLE: Readonly<Partial<Record<ConsumableBase, Row>>> = {
  //                            NBR HNBR EPDM FKM VMQ CR NR PU PTFE leather
  mineral: row(1, 1, 4, 1, 3, 2, 4, 1, 1, 1),
  'synthetic-hydrocarbon': row(1, 1, 4, 1, 3, 2, 4, 1, 1, 1),
  ester: row(2, 2, 4, 1, 3, 4, 4, 3, 1, 2),
  silicone: row(1, 1, 1, 1, 3, 1, 1, 1, 1, 1),
  polyglycol: row(2, 1, 1, 2, 1, 2, 2, 4, 1, 2),
  vegetable: row(1, 1, 3, 1, 2, 3, 4, 2, 1, 1),
  glycerine: row(1, 1, 1, 1, 1, 1, 1, 1, 1, 1),
  'phosphate-ester': row(4, 4, 1, 2, 3, 4, 4, 4, 1, 3),
  perfluorinated: row(1, 1, 1, 2, 1, 1, 1, 1, 1, 1),
  water: row(1, 1, 1, 1, 1, 1, 1, 2, 1, 3),
  alcohol: row(2, 2, 1, 2, 1, 2, 1, 3, 1, 3),
};

/** The rating of a material in a liquid; undefined where nothing is published that we know of. */
export function rate(material: Material, base: ConsumableBase): Rating | undefined {
  const found = TABLE[base];
  return found && material in found ? found[material as keyof Row] : undefined;
}

/** How a part stands up to a consumable; what the consumable is said to attack counts as unsuitable. */
export function compatibility(component: Component, consumable: Consumable): Rating | undefined {
  const material = materialOf(component);
  if (!material) return undefined;
  if (consumable.attacks?.includes(material)) return 4;
  const base = baseOf(consumable);
  return base && rate(material, base);
}
