import type { Thread } from './threads';

/** A nut with slots for a split pin: tightened to its figure and turned on to the next slot, never back. */
export interface SlottedNut {
  /** The most it has to be turned on, degrees. */
  readonly mostDegrees: number;
  /** What that adds at most: N of preload and N·m of torque. */
  readonly addedPreload: number;
  readonly addedTorque: number;
}

/** Slots of castle nuts: six up to M39, eight above; ISO 7035 and 7036, recalled from memory. */
export function slotsOfNut(diameter: number): number {
  return diameter <= 39 ? 6 : 8;
}

/** What is clamped is about three times as stiff as the bolt that clamps it. Common practice. */
const CLAMPED_TO_BOLT = 3;
const STEEL = 205_000;

/**
 * What turning on to the next slot adds. Turning by a share of the pitch stretches bolt and clamped parts in series:
 * ΔF = (θ/360)·P / (1/kb + 1/kc), and ΔT = K·d·ΔF. Each end of the pin hole meets a slot twice as often as there are
 * slots when their number is odd. `clampedMm` is the length between head and nut.
 */
export function toNextSlot(
  thread: Thread,
  clampedMm: number,
  nutFactor: number,
  slots = slotsOfNut(thread.diameter),
): SlottedNut {
  const mostDegrees = 360 / (slots % 2 === 0 ? slots : slots * 2);
  const bolt = (STEEL * thread.stressArea) / clampedMm;
  const series = bolt * (CLAMPED_TO_BOLT / (1 + CLAMPED_TO_BOLT));
  const addedPreload = (mostDegrees / 360) * thread.pitch * series;
  return { mostDegrees, addedPreload, addedTorque: (nutFactor * thread.diameter * addedPreload) / 1000 };
}
