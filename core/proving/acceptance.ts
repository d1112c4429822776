/**
 * Tolerances of acceptance of ISO 9906:2012, table 8, in per cent of the guaranteed value (from memory): B and E lie on
 * both sides, U on the upper side only. Power may be higher and efficiency lower by what is said.
 */
export const GRADES = {
  '1U': { flow: [0, 10], head: [0, 6], power: 10, efficiency: 0 },
  '1E': { flow: [-5, 5], head: [-3, 3], power: 4, efficiency: 0 },
  '1B': { flow: [-5, 5], head: [-3, 3], power: 4, efficiency: -3 },
  '2B': { flow: [-8, 8], head: [-5, 5], power: 8, efficiency: -5 },
  '2U': { flow: [0, 16], head: [0, 10], power: 16, efficiency: -5 },
  '3B': { flow: [-9, 9], head: [-7, 7], power: 9, efficiency: -7 },
} as const satisfies Record<string, Tolerances>;

interface Tolerances {
  readonly flow: readonly [number, number];
  readonly head: readonly [number, number];
  readonly power: number;
  readonly efficiency: number;
}

export type Grade = keyof typeof GRADES;
export const GRADE_NAMES = Object.keys(GRADES) as [Grade, ...Grade[]];

/**
 * How far readings may swing while they are averaged, in per cent of their mean, by the first figure of the grade
 * (ISO 9906:2012, table 4, from memory).
 */
export const SWING_PERCENT: Readonly<Record<'1' | '2' | '3', number>> = { '1': 3, '2': 6, '3': 10 };

export function swingOf(grade: Grade): number {
  return SWING_PERCENT[grade[0] as '1' | '2' | '3'];
}
