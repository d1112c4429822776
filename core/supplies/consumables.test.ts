import { CONSUMABLE_BASES, type ConsumableBase, type Material } from '../model/consumables';
import { typed, withComponent } from '../testing/workbook';
import { compatibility, type Rating, rate } from './compatibility';
import { baseOf, changesFriction, isCompound, isLubricant, kindOf } from './consumable-kinds';
import { materialOf } from './materials';

/**
 * Hildebrand solubility parameters in MPa^½, Polymer Handbook (Brandrup, Immergut, Grulke, 4th ed.), recalled from
 * memory. What is alike dissolves: a rubber is swollen by a liquid whose parameter is close to its own, and left alone
 * by one that is far off. The ratings were not made from these, so each checks the other.
 */
const RUBBERS: Partial<Record<Material, number>> = { EPDM: 16.2, NR: 16.6, NBR: 19.4, VMQ: 15.2 };
const LIQUIDS: Partial<Record<ConsumableBase, number>> = {
  mineral: 16.4,
  silicone: 15.0,
  glycerine: 33.8,
  water: 47.8,
  alcohol: 23.5,
};

describe('ratings against the solubility of rubbers', () => {
  const pairs = Object.entries(RUBBERS).flatMap(([rubber, own]) =>
    Object.entries(LIQUIDS).map(([liquid, its]): [string, string, number] => [rubber, liquid, Math.abs(own - its)]),
  );
  test.each(pairs)('%s in %s', (rubber, liquid, apart) => {
    const rating = rate(rubber as Material, liquid as ConsumableBase) ?? 0;
    if (rating >= 3) expect(apart).toBeLessThan(2);
    if (apart > 4) expect(rating).toBeLessThanOrEqual(2);
    expect(rating).toBeGreaterThan(0);
  });
});

/** What every handbook says in its first paragraph on the material; common practice. */
test.each<[Material, ConsumableBase, (rating: Rating) => boolean]>([
  ['EPDM', 'mineral', (rating) => rating === 4],
  ['EPDM', 'silicone', (rating) => rating === 1],
  ['EPDM', 'phosphate-ester', (rating) => rating === 1],
  ['NBR', 'mineral', (rating) => rating === 1],
  ['NBR', 'phosphate-ester', (rating) => rating === 4],
  ['FKM', 'mineral', (rating) => rating === 1],
  ['VMQ', 'silicone', (rating) => rating >= 3],
  ['NR', 'mineral', (rating) => rating === 4],
])('%s in %s', (material, base, holds) => {
  expect(holds(rate(material, base) as Rating)).toBe(true);
});

test('PTFE stands up to every liquid that is rated', () => {
  for (const base of CONSUMABLE_BASES) expect(rate('PTFE', base) ?? 1).toBe(1);
});

test('what is not in the tables is not judged', () => {
  expect(rate('metal', 'mineral')).toBeUndefined();
  expect(rate('NBR', 'anaerobic')).toBeUndefined();
});

test('a consumable may be said to attack more than its base does', () => {
  const [ring] = withComponent(typed(['take off ring']), 'ring', { material: 'PTFE' }).series.components;
  if (!ring) throw new Error('no ring');
  expect(compatibility(ring, { id: 'c', name: 'mineral oil' })).toBe(1);
  expect(compatibility(ring, { id: 'c', name: 'mineral oil', attacks: ['PTFE'] })).toBe(4);
});

describe('a name tells what it is', () => {
  test.each([
    ['food-grade silicone grease', 'grease', 'silicone'],
    ['thread-locker, medium', 'thread-locker', 'anaerobic'],
    ['anti-seize paste', 'anti-seize', undefined],
    ['PTFE tape', 'tape', 'solid'],
    ['throat oil', 'soaking-oil', undefined],
    ['petroleum jelly', 'grease', 'mineral'],
    ['isopropyl alcohol', 'cleaner', 'alcohol'],
    ['pink stuff', 'other', undefined],
  ])('%s', (name, kind, base) => {
    expect([kindOf({ name }), baseOf({ name })]).toEqual([kind, base]);
  });
  test('unless it is said', () => {
    expect(baseOf({ name: 'silicone grease', base: 'mineral' })).toBe('mineral');
  });
  test('and what it does on a thread', () => {
    expect(isCompound({ name: 'PTFE tape' })).toBe(true);
    expect(isLubricant({ name: 'PTFE tape' })).toBe(false);
    expect(changesFriction({ name: 'gear oil' })).toBe(true);
    expect(changesFriction({ name: 'isopropyl alcohol' })).toBe(false);
  });
  test.each([
    ['EPDM O-ring', 'EPDM'],
    ['HNBR lip seal', 'HNBR'],
    ['leather V-ring', 'leather'],
    ['cover O-ring', undefined],
  ])('%s', (name, material) => {
    expect(materialOf({ name })).toBe(material);
  });
});
