import { type Thread, threadIn } from './threads';

/**
 * The metric thread behind a head, by its width across flats in mm: ISO 4014 with the older widths of DIN 931, and
 * ISO 4762 for a hexagon socket; recalled from memory.
 */
const BY_FLATS: Readonly<Record<'outside' | 'inside', Readonly<Record<string, number>>>> = {
  outside: {
    '5.5': 3,
    '7': 4,
    '8': 5,
    '10': 6,
    '13': 8,
    '16': 10,
    '17': 10,
    '18': 12,
    '19': 12,
    '21': 14,
    '22': 14,
    '24': 16,
    '27': 18,
    '30': 20,
    '36': 24,
    '46': 30,
    '55': 36,
  },
  inside: { '2.5': 3, '3': 4, '4': 5, '5': 6, '6': 8, '8': 10, '10': 12, '12': 14, '14': 16, '17': 20, '19': 24 },
};

/** The thread that a head of this width across flats (mm) usually belongs to. */
export function threadByFlats(mm: number, inside: boolean): Thread | undefined {
  const diameter = BY_FLATS[inside ? 'inside' : 'outside'][String(mm)];
  return diameter === undefined ? undefined : threadIn(`M${diameter}`);
}
