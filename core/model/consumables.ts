import { z } from 'zod';

/** What a consumable is for. */
export const CONSUMABLE_KINDS = [
  'grease',
  'oil',
  'soaking-oil',
  'thread-locker',
  'anti-seize',
  'sealant',
  'tape',
  'cleaner',
  'other',
] as const;
export const ConsumableKind = z.enum(CONSUMABLE_KINDS);
export type ConsumableKind = z.infer<typeof ConsumableKind>;

/** What its liquid part is, which decides what it attacks. */
export const CONSUMABLE_BASES = [
  'mineral',
  'synthetic-hydrocarbon',
  'ester',
  'silicone',
  'polyglycol',
  'vegetable',
  'glycerine',
  'phosphate-ester',
  'perfluorinated',
  'water',
  'alcohol',
  'anaerobic',
  'solid',
] as const;
export const ConsumableBase = z.enum(CONSUMABLE_BASES);
export type ConsumableBase = z.infer<typeof ConsumableBase>;

/**
 * What seals and soft parts are made of. Elastomers by the symbols of ISO 1629, thermoplastics by ISO 1043-1; both
 * recalled from memory.
 */
export const MATERIALS = [
  'NBR',
  'HNBR',
  'EPDM',
  'FKM',
  'VMQ',
  'CR',
  'NR',
  'PU',
  'PTFE',
  'leather',
  'graphite',
  'ceramic',
  'metal',
] as const;
export const Material = z.enum(MATERIALS);
export type Material = z.infer<typeof Material>;
