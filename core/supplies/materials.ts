import type { Material } from '../model/consumables';

const TELLING: readonly [RegExp, Material][] = [
  [/\bHNBR\b/i, 'HNBR'],
  [/\bNBR\b|nitrile/i, 'NBR'],
  [/\bEPDM\b|\bEP rubber/i, 'EPDM'],
  [/\bFK?PM\b|\bFKM\b|fluorocarbon rubber/i, 'FKM'],
  [/\bVMQ\b|silicone (rubber|ring|O-ring|seal)/i, 'VMQ'],
  [/\bCR\b|chloroprene/i, 'CR'],
  [/natural rubber/i, 'NR'],
  [/polyurethane/i, 'PU'],
  [/\bPTFE\b/i, 'PTFE'],
  [/leather/i, 'leather'],
  [/graphite/i, 'graphite'],
  [/ceramic/i, 'ceramic'],
];

/** What a part is made of, as said or as its name tells; undefined when neither does. */
export function materialOf({
  material,
  name,
}: {
  material?: Material | undefined;
  name: string;
}): Material | undefined {
  return material ?? TELLING.find(([words]) => words.test(name))?.[1];
}
