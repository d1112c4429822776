import type { ComponentKind } from '../../model/kinds';
import type { Consequence } from '../../model/looks';

/** A sign of wear, what it points to, and what usually follows. Common practice throughout. */
export interface WearSign {
  readonly sign: string;
  readonly means: string;
  readonly follows: Consequence;
  /** The kinds of part it is seen on; on any when absent. */
  readonly on?: readonly ComponentKind[];
}

export const WEAR_SIGNS: readonly WearSign[] = [
  {
    sign: 'pitting',
    means: 'Cavitation: look at suction, temperature and speed.',
    follows: 'renew',
    on: ['valve-seat', 'valve-ball', 'impeller', 'housing'],
  },
  {
    sign: 'scoring along the stroke',
    means: 'Dirt in the liquid, or a dry run.',
    follows: 'renew',
    on: ['plunger', 'shaft', 'seal-face', 'rotor'],
  },
  {
    sign: 'extruded edge',
    means: 'Too much pressure, or too much clearance behind it.',
    follows: 'refer',
    on: ['o-ring', 'lip-seal', 'packing', 'gasket'],
  },
  {
    sign: 'hard and cracked',
    means: 'Heat, or the wrong material for the liquid.',
    follows: 'renew',
    on: ['o-ring', 'lip-seal', 'gasket', 'diaphragm'],
  },
  {
    sign: 'swollen or soft',
    means: 'The liquid or the grease attacks the material.',
    follows: 'refer',
    on: ['o-ring', 'lip-seal', 'gasket', 'diaphragm'],
  },
  {
    sign: 'a step in the diameter',
    means: 'Worn packing that was tightened again and again.',
    follows: 'renew',
    on: ['plunger', 'shaft', 'spacer'],
  },
  {
    sign: 'blue or brown colour',
    means: 'It ran hot: dry, or without flushing.',
    follows: 'refer',
    on: ['shaft', 'seal-face', 'bearing', 'plunger'],
  },
  { sign: 'chipped edge', means: 'Pried or dropped.', follows: 'renew', on: ['seal-face', 'plunger', 'valve-seat'] },
  {
    sign: 'bright on one side',
    means: 'It does not run true: look at alignment and bearings.',
    follows: 'refer',
    on: ['shaft', 'impeller', 'rotor', 'spacer'],
  },
  { sign: 'shorter than a new one', means: 'The spring has set.', follows: 'renew', on: ['spring'] },
  {
    sign: 'a thread pulled or seized',
    means: 'Overtightened, or no compound on it.',
    follows: 'renew',
    on: ['nut', 'dome-nut', 'bolt', 'screw', 'plug'],
  },
  { sign: 'rough when turned', means: 'Dirt or water in the bearing.', follows: 'renew', on: ['bearing'] },
  { sign: 'rust or a leak trail', means: 'Liquid got past a seal here.', follows: 'refer' },
];

/** What is sound where one looks for these signs, and renews upon others: "no scratches, not worn". */
export function soundWithout(signs: readonly string[], renewIf: readonly string[] = []): string {
  const either = (list: readonly string[]) =>
    list.length < 2 ? (list[0] ?? 'damage') : `${list.slice(0, -1).join(', ')} or ${list.at(-1)}`;
  const without = signs.length > 0 || renewIf.length === 0 ? [`no ${either(signs)}`] : [];
  return [...without, ...renewIf.map((sign) => `not: ${sign}`)].join(', ');
}

/** The signs to offer for a kind of part, the telling ones first. */
export function signsFor(kind: ComponentKind): WearSign[] {
  return [...WEAR_SIGNS.filter(({ on }) => on?.includes(kind)), ...WEAR_SIGNS.filter(({ on }) => !on)];
}
