import { FASTENER_CLASSES, type FastenerClass } from '../model/fastener-classes';

/** One ksi in MPa, NIST SP 811. */
const KSI = 6.894_757;

/** A stress for diameters up to so many mm; the last goes on. */
type BySize = readonly (readonly [upTo: number, MPa: number])[];

/** Proof stresses; of stainless steels the stress at 0.2 % permanent strain. All recalled from memory. */
const PROOF: Readonly<Record<FastenerClass, BySize>> = {
  '4.6': [[39, 225]],
  '4.8': [[39, 310]],
  '5.6': [[39, 280]],
  '5.8': [[39, 380]],
  '6.8': [[39, 440]],
  // ISO 898-1 gives 8.8 a little more above M16.
  '8.8': [
    [16, 580],
    [39, 600],
  ],
  '9.8': [[16, 650]],
  '10.9': [[39, 830]],
  '12.9': [[39, 970]],
  'SAE 1': [[38.1, 33 * KSI]],
  'SAE 2': [
    [19.05, 55 * KSI],
    [38.1, 33 * KSI],
  ],
  'SAE 5': [
    [25.4, 85 * KSI],
    [38.1, 74 * KSI],
  ],
  'SAE 8': [[38.1, 120 * KSI]],
  'A2-50': [[39, 210]],
  'A2-70': [[24, 450]],
  'A2-80': [[24, 600]],
  'A4-50': [[39, 210]],
  'A4-70': [[24, 450]],
  'A4-80': [[24, 600]],
  // Common practice for turned brass and for moulded plugs; both creep above it.
  brass: [[60, 150]],
  plastic: [[60, 25]],
};

/** Proof stress in MPa of a class at a diameter in mm. */
export function proofStress(kind: FastenerClass, diameter: number): number {
  const sizes = PROOF[kind];
  const fitting = sizes.find(([upTo]) => diameter <= upTo + 0.01) ?? sizes.at(-1);
  return fitting?.[1] ?? 0;
}

export function isStainless(kind: FastenerClass): boolean {
  return /^A[24]-/.test(kind);
}

const SAID: readonly [RegExp, (match: RegExpExecArray) => string][] = [
  [/\b(4\.6|4\.8|5\.6|5\.8|6\.8|8\.8|9\.8|10\.9|12\.9)\b/, ([, name = '']) => name],
  [/\b(A[24])[ -]?(50|70|80)\b/i, ([, steel = '', strength = '']) => `${steel.toUpperCase()}-${strength}`],
  [/\b(?:SAE|grade|gr\.?)\s*(1|2|5|8)\b/i, ([, grade = '']) => `SAE ${grade}`],
  [/\bbrass\b/i, () => 'brass'],
  [/\b(?:plastic|nylon|PVC|PP|POM|polyamide)\b/i, () => 'plastic'],
];

/** The class that words name: "M8 8.8", "A4-80", "grade 5", "brass plug". */
export function classIn(words: string): FastenerClass | undefined {
  for (const [pattern, name] of SAID) {
    const match = pattern.exec(words);
    const found = match && FASTENER_CLASSES.find((one) => one === name(match));
    if (found) return found;
  }
  return undefined;
}
