import { readNumber } from '../quantity/quantity';

/** A thread as far as a torque needs it. Lengths in mm, areas in mm². */
export interface Thread {
  /** As the workshop writes it: "M10", "M10x1.25", "3/8-16", "G 1/2". */
  readonly name: string;
  readonly form: ThreadForm;
  readonly diameter: number;
  readonly pitch: number;
  readonly stressArea: number;
}

/** `pipe` is parallel and seals by a washer or ring, `taper` seals in its thread. */
export type ThreadForm = 'metric' | 'unified' | 'pipe' | 'taper';

const INCH = 25.4;

/** Coarse pitches of ISO 261, mm; recalled from memory. */
const COARSE: Readonly<Record<string, number>> = {
  '2': 0.4,
  '2.5': 0.45,
  '3': 0.5,
  '3.5': 0.6,
  '4': 0.7,
  '5': 0.8,
  '6': 1,
  '7': 1,
  '8': 1.25,
  '10': 1.5,
  '12': 1.75,
  '14': 2,
  '16': 2,
  '18': 2.5,
  '20': 2.5,
  '22': 2.5,
  '24': 3,
  '27': 3,
  '30': 3.5,
  '33': 3.5,
  '36': 4,
  '39': 4,
  '42': 4.5,
  '45': 4.5,
  '48': 5,
};

/** Threads per inch of the unified series, coarse and fine, ASME B1.1; recalled from memory. */
const UNIFIED: Readonly<Record<string, { readonly UNC: number; readonly UNF?: number }>> = {
  '#4': { UNC: 40, UNF: 48 },
  '#5': { UNC: 40, UNF: 44 },
  '#6': { UNC: 32, UNF: 40 },
  '#8': { UNC: 32, UNF: 36 },
  '#10': { UNC: 24, UNF: 32 },
  '#12': { UNC: 24, UNF: 28 },
  '1/4': { UNC: 20, UNF: 28 },
  '5/16': { UNC: 18, UNF: 24 },
  '3/8': { UNC: 16, UNF: 24 },
  '7/16': { UNC: 14, UNF: 20 },
  '1/2': { UNC: 13, UNF: 20 },
  '9/16': { UNC: 12, UNF: 18 },
  '5/8': { UNC: 11, UNF: 18 },
  '3/4': { UNC: 10, UNF: 16 },
  '7/8': { UNC: 9, UNF: 14 },
  '1': { UNC: 8, UNF: 12 },
  '1 1/8': { UNC: 7, UNF: 12 },
  '1 1/4': { UNC: 7, UNF: 12 },
  '1 1/2': { UNC: 6, UNF: 12 },
};

/** Outside diameter (mm) and threads per inch of parallel pipe threads, ISO 228-1; recalled from memory. */
const PIPE: Readonly<Record<string, readonly [diameter: number, perInch: number]>> = {
  '1/8': [9.728, 28],
  '1/4': [13.157, 19],
  '3/8': [16.662, 19],
  '1/2': [20.955, 14],
  '3/4': [26.441, 14],
  '1': [33.249, 11],
  '1 1/4': [41.91, 11],
  '1 1/2': [47.803, 11],
};

/** Outside diameter (mm) and threads per inch of American taper pipe threads, ASME B1.20.1; recalled from memory. */
const NPT: Readonly<Record<string, readonly [diameter: number, perInch: number]>> = {
  '1/8': [10.287, 27],
  '1/4': [13.716, 18],
  '3/8': [17.145, 18],
  '1/2': [21.336, 14],
  '3/4': [26.67, 14],
  '1': [33.401, 11.5],
};

const FRACTION = String.raw`(?:1[ -]1\/[248]|\d\/\d{1,2}|1)`;
const METRIC = /\bM\s?(\d{1,2}(?:[.,]5)?)(?:\s*[x×*]\s*(\d+(?:[.,]\d+)?))?(?![\w/])/i;
const PIPE_SAID = new RegExp(
  String.raw`\b(?:(G|R|Rp|Rc|BSP|BSPP|BSPT|NPT)\s?(${FRACTION})|(${FRACTION})(?:\s*(?:in\b|inch|"|″))?(?:\s*-\s*[\d.]+)?\s*(BSP|BSPP|BSPT|NPT|NPTF))(?![\w/])`,
  'i',
);
const UNIFIED_SAID = new RegExp(
  String.raw`(?:#|\bno\.?\s?)(\d{1,2})\s*-\s*(\d{2})\b|(?<![\d/])(${FRACTION})(?:\s*(?:in\b|inch|"|″))?\s*(?:-\s*(\d{1,2})(?:\s*UN[CFR]{0,2})?|(UNC|UNF))\b`,
  'i',
);

/** The thread that words name: "M10", "M10x1.25 bolt", "3/8-16 UNC", "#10-32", "G 1/2", "1/4 NPT". */
export function threadIn(words: string): Thread | undefined {
  return pipeIn(words) ?? metricIn(words) ?? unifiedIn(words);
}

function metricIn(words: string): Thread | undefined {
  const [, size = '', said] = METRIC.exec(words) ?? [];
  const coarse = COARSE[size.replace(',', '.')];
  const pitch = said === undefined ? coarse : readNumber(said);
  const diameter = readNumber(size);
  if (pitch === undefined || !(pitch > 0) || !(diameter > pitch)) return undefined;
  const name = pitch === coarse ? `M${diameter}` : `M${diameter}x${pitch}`;
  return { name, form: 'metric', diameter, pitch, stressArea: stressArea(diameter, pitch) };
}

function unifiedIn(words: string): Thread | undefined {
  const [, number, numberPitch, fraction, fractionPitch, series] = UNIFIED_SAID.exec(words) ?? [];
  const size = number === undefined ? fraction?.replace('-', ' ') : `#${number}`;
  const known = size === undefined ? undefined : UNIFIED[size];
  if (size === undefined || !known) return undefined;
  const said = numberPitch ?? fractionPitch;
  const perInch = said === undefined ? (/unf/i.test(series ?? '') ? known.UNF : known.UNC) : Number(said);
  if (perInch === undefined || (perInch !== known.UNC && perInch !== known.UNF)) return undefined;
  const diameter = number === undefined ? inches(size) * INCH : (0.06 + 0.013 * Number(number)) * INCH;
  const pitch = INCH / perInch;
  return {
    name: `${size}-${perInch}`,
    form: 'unified',
    diameter,
    pitch,
    stressArea: stressArea(diameter, pitch, 'unified'),
  };
}

function pipeIn(words: string): Thread | undefined {
  const [, before, sizeBehind, sizeBefore, behind] = PIPE_SAID.exec(words) ?? [];
  const kind = (before ?? behind)?.toUpperCase();
  const size = (sizeBehind ?? sizeBefore)?.replace('-', ' ');
  if (kind === undefined || size === undefined) return undefined;
  const [diameter, perInch] = (kind.startsWith('NPT') ? NPT : PIPE)[size] ?? [];
  if (diameter === undefined || perInch === undefined) return undefined;
  const pitch = INCH / perInch;
  const isTaper = kind.startsWith('NPT') || kind === 'BSPT' || kind === 'R' || kind === 'RC';
  const name = kind.startsWith('NPT') ? `${size} NPT` : `${isTaper ? 'R' : 'G'} ${size}`;
  return { name, form: isTaper ? 'taper' : 'pipe', diameter, pitch, stressArea: stressArea(diameter, pitch) };
}

function inches(size: string): number {
  return size.split(' ').reduce((sum, part) => {
    const [over = '', under = '1'] = part.split('/');
    return sum + Number(over) / Number(under);
  }, 0);
}

/** Pitch diameter d2 of the basic profile, ISO 724: d − 0.6495·P, mm. */
export function pitchDiameter({ diameter, pitch }: Pick<Thread, 'diameter' | 'pitch'>): number {
  return diameter - 0.649_519 * pitch;
}

/**
 * Tensile stress area, mm². ISO 898-1: As = π/4 · ((d2 + d3)/2)² with d3 = d − 1.2269·P, that is (d − 0.9382·P)²; unified
 * threads by ASME B1.1: (d − 0.9743·P)².
 */
export function stressArea(diameter: number, pitch: number, form: ThreadForm = 'metric'): number {
  return (Math.PI / 4) * (diameter - (form === 'unified' ? 0.9743 : 0.9382) * pitch) ** 2;
}
