import type { ConsumableBase, ConsumableKind } from '../model/consumables';

interface Described {
  readonly name: string;
  readonly kind?: ConsumableKind | undefined;
  readonly base?: ConsumableBase | undefined;
}

/** First match wins, so the telling words stand first. */
const KIND_WORDS: readonly [RegExp, ConsumableKind][] = [
  [/thread[- ]?lock|anaerobic|retaining compound/i, 'thread-locker'],
  [/anti[- ]?seize|copper paste|assembly paste/i, 'anti-seize'],
  [/\btape\b/i, 'tape'],
  [/sealant|gasket compound|pipe dope/i, 'sealant'],
  [/soaking|throat|packing oil/i, 'soaking-oil'],
  [/grease|jelly/i, 'grease'],
  [/\boil\b|lubricant/i, 'oil'],
  [/alcohol|cleaner|solvent|degreaser|soap|detergent/i, 'cleaner'],
];
const BASE_WORDS: readonly [RegExp, ConsumableBase][] = [
  [/perfluor|pfpe/i, 'perfluorinated'],
  [/silicone/i, 'silicone'],
  [/thread[- ]?lock|anaerobic|retaining compound/i, 'anaerobic'],
  [/phosphate/i, 'phosphate-ester'],
  [/polyglycol|\bpag\b/i, 'polyglycol'],
  [/glycerine|glycerol/i, 'glycerine'],
  [/alcohol/i, 'alcohol'],
  [/vegetable|rapeseed|castor/i, 'vegetable'],
  [/\bpao\b|polyalphaolefin|synthetic hydrocarbon/i, 'synthetic-hydrocarbon'],
  [/ester\b/i, 'ester'],
  [/mineral|petroleum|lithium|paraffin|vaseline|jelly/i, 'mineral'],
  [/soap|water|detergent/i, 'water'],
  [/\btape\b|ptfe|graphite/i, 'solid'],
];

/** What a consumable is, as said or as its name tells. */
export function kindOf({ kind, name }: Described): ConsumableKind {
  return kind ?? KIND_WORDS.find(([words]) => words.test(name))?.[1] ?? 'other';
}

/** Its base, as said or as its name tells; undefined when neither does. */
export function baseOf({ base, name }: Described): ConsumableBase | undefined {
  return base ?? BASE_WORDS.find(([words]) => words.test(name))?.[1];
}

const ON_THREADS: readonly ConsumableKind[] = ['thread-locker', 'anti-seize', 'sealant', 'tape'];
const LUBRICATES: readonly ConsumableKind[] = ['grease', 'oil', 'soaking-oil'];

/** Put on threads, and left there from the last time. */
export function isCompound(consumable: Described): boolean {
  return ON_THREADS.includes(kindOf(consumable));
}

export function isLubricant(consumable: Described): boolean {
  return LUBRICATES.includes(kindOf(consumable));
}

/** What changes the friction of a thread, and with it the preload a torque gives. */
export function changesFriction(consumable: Described): boolean {
  return isCompound(consumable) || isLubricant(consumable);
}
