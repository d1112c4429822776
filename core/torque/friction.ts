import type { ConsumableKind } from '../model/consumables';
import type { FastenerClass } from '../model/fastener-classes';
import { isStainless } from './strength';

/** What is on a thread while it is tightened; undefined where nobody said. */
export type ThreadCondition =
  | { readonly is: 'dry' }
  | { readonly is: 'with'; readonly kind: ConsumableKind; readonly nutFactor?: number | undefined };

/** The nut factor K of T = K·d·F, and how far it may be off. */
export interface NutFactor {
  readonly usual: number;
  readonly least: number;
  readonly most: number;
}

/** Usual nut factors by what is on the thread. Common practice; a data sheet of the compound goes before them. */
const USUAL: Readonly<Record<ConsumableKind, number>> = {
  grease: 0.15,
  oil: 0.16,
  'soaking-oil': 0.16,
  'thread-locker': 0.18,
  'anti-seize': 0.14,
  sealant: 0.17,
  tape: 0.14,
  cleaner: 0.2,
  other: 0.18,
};
const DRY = 0.2;
/** Stainless on stainless drags and may seize. */
const DRY_STAINLESS = 0.3;
/** A torque meets its preload within so much; 25 to 30 % is what textbooks give for a torque wrench, less K itself. */
const SPREAD = 0.2;
/** A factor from a data sheet is nearer. */
const SPREAD_STATED = 0.15;

/** The nut factor of a thread as it is tightened. Where nothing is said of it, from slippery to dry. */
export function nutFactor(condition: ThreadCondition | undefined, kind: FastenerClass | undefined): NutFactor {
  const isSteel = kind === undefined || !isStainless(kind);
  if (condition === undefined) return { usual: DRY, least: 0.12, most: isSteel ? 0.25 : 0.36 };
  if (condition.is === 'dry') return within(isSteel ? DRY : DRY_STAINLESS, SPREAD);
  return condition.nutFactor === undefined
    ? within(USUAL[condition.kind], SPREAD)
    : within(condition.nutFactor, SPREAD_STATED);
}

function within(usual: number, share: number): NutFactor {
  return { usual, least: usual * (1 - share), most: usual * (1 + share) };
}
