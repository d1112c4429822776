import type { Quantity } from '../quantity/quantity';
import { readNumber } from '../quantity/quantity';

/** A thread as far as a torque needs it. Lengths in mm, areas in mm². */
export interface Thread {
  readonly name: string;
  readonly diameter: number;
  readonly stressArea: number;
}

/** Coarse pitches of ISO 261, in mm; recalled from memory. */
const COARSE: Readonly<Record<number, number>> = {
  3: 0.5,
  4: 0.7,
  5: 0.8,
  6: 1,
  8: 1.25,
  10: 1.5,
  12: 1.75,
  14: 2,
  16: 2,
  18: 2.5,
  20: 2.5,
  22: 2.5,
  24: 3,
  27: 3,
  30: 3.5,
  33: 3.5,
  36: 4,
};

/** Threads per inch of coarse unified threads, ASME B1.1; recalled from memory. */
const UNC: Readonly<Record<string, { diameter: number; perInch: number }>> = {
  '1/4': { diameter: 6.35, perInch: 20 },
  '5/16': { diameter: 7.938, perInch: 18 },
  '3/8': { diameter: 9.525, perInch: 16 },
  '7/16': { diameter: 11.113, perInch: 14 },
  '1/2': { diameter: 12.7, perInch: 13 },
  '5/8': { diameter: 15.875, perInch: 11 },
  '3/4': { diameter: 19.05, perInch: 10 },
  '7/8': { diameter: 22.225, perInch: 9 },
  '1': { diameter: 25.4, perInch: 8 },
};

/** The metric thread behind a head: ISO 4014 with the older widths of DIN 931, and ISO 4762 for a hexagon socket. */
const BY_FLATS: Readonly<Record<'outside' | 'inside', Readonly<Record<string, number>>>> = {
  outside: {
    5.5: 3,
    7: 4,
    8: 5,
    10: 6,
    13: 8,
    16: 10,
    17: 10,
    18: 12,
    19: 12,
    21: 14,
    22: 14,
    24: 16,
    27: 18,
    30: 20,
    36: 24,
    46: 30,
    55: 36,
  },
  inside: { 2.5: 3, 3: 4, 4: 5, 5: 6, 6: 8, 8: 10, 10: 12, 12: 14, 14: 16, 17: 20, 19: 24 },
};

/** The thread that words name: "M10", "M10x1.25", "3/8-16 UNC". */
export function threadIn(words: string): Thread | undefined {
  const metric = /\bM(\d{1,2})(?:\s*[x×]\s*(\d+(?:[.,]\d+)?))?\b/.exec(words);
  if (metric) {
    const diameter = Number(metric[1]);
    const pitch = metric[2] ? readNumber(metric[2]) : COARSE[diameter];
    return pitch ? { name: `M${metric[1]}`, diameter, stressArea: stressArea(diameter, pitch) } : undefined;
  }
  const inch = /\b(\d\/\d{1,2}|1)(?:\s*(?:in|"|″))?\s*-\s*(\d{1,2})\b/.exec(words);
  const size = inch && UNC[inch[1] ?? ''];
  if (!size) return undefined;
  return {
    name: `${inch[1]}-${inch[2]}`,
    diameter: size.diameter,
    stressArea: stressArea(size.diameter, 25.4 / Number(inch[2])),
  };
}

/** The thread that a head of this width across flats (mm) usually belongs to. */
export function threadByFlats(mm: number, inside: boolean): Thread | undefined {
  const diameter = BY_FLATS[inside ? 'inside' : 'outside'][String(mm)];
  return diameter === undefined ? undefined : threadIn(`M${diameter}`);
}

/** Nominal stress area of ISO 898-1: As = π/4 · (d − 0.9382·P)², mm². */
export function stressArea(diameter: number, pitch: number): number {
  return (Math.PI / 4) * (diameter - 0.9382 * pitch) ** 2;
}

/** Proof stresses of ISO 898-1, MPa; recalled from memory. */
const PROOF: Readonly<Record<string, number>> = {
  '4.6': 225,
  '4.8': 310,
  '5.6': 280,
  '5.8': 380,
  '6.8': 440,
  '8.8': 580,
  '10.9': 830,
  '12.9': 970,
};

/**
 * Torques that can be meant for a thread, in N·m, by T = K·d·F. Without a property class from a fifth of the proof load
 * of the weakest (4.6) on a slippery thread (K 0.12) to the whole proof load of the strongest (12.9) on a dry one (K 0.25).
 */
export function plausibleTorque(thread: Thread, words: string): { least: number; most: number } {
  const named = /\b(4\.6|4\.8|5\.6|5\.8|6\.8|8\.8|10\.9|12\.9)\b/.exec(words)?.[1];
  const [weak, strong] = named ? [PROOF[named], PROOF[named]] : [PROOF['4.6'], PROOF['12.9']];
  const torque = (factor: number, proof: number | undefined, share: number) =>
    (factor * thread.diameter * thread.stressArea * (proof ?? 0) * share) / 1000;
  return { least: torque(0.12, weak, 0.1), most: torque(0.25, strong, 1) };
}

/** The range a torque tool says in its size: "10-60 N·m". */
export function rangeIn(
  label: string,
  read: (words: string) => Quantity | undefined,
): { from: Quantity; to: Quantity } | undefined {
  const match = /(\d+(?:[.,]\d+)?)\s*(?:-|–|to|…|\.\.)\s*(\d+(?:[.,]\d+)?)\s*([^\d,;]+)$/i.exec(label.trim());
  const to = match && read(`${match[2]} ${match[3]}`);
  return to ? { from: { value: readNumber(match[1] ?? ''), unit: to.unit }, to } : undefined;
}
