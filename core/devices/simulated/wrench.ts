import { convert } from '../../quantity/quantity';
import type { Quantity } from '../../quantity/schema';
import { readUnit, type UnitSymbol, unitOf } from '../../quantity/units';
import type { DeviceIdentity, DeviceTarget } from '../message';

/** What can go as it should or wrong with one pull of a connected wrench. */
export const PULLS = [
  'well',
  'too-far',
  'short',
  'pulled-twice',
  'sent-twice',
  'other-unit',
  'mislabelled',
  'no-torque',
] as const;
export type PullKind = (typeof PULLS)[number];

export interface SimulatedPull {
  /** What it reads, in the order in which it does, with the time since the first in ms. */
  readonly peaks: readonly {
    readonly peak: { readonly value: number; readonly unit: string };
    readonly afterMs: number;
  }[];
  /** The confirmation is missed, and what was sent goes once more. */
  readonly isSentAgain: boolean;
}

/** Numbers from 0 to 1, as `Math.random` gives them. */
export type Random = () => number;

/** The spread of a hand that pulls until the wrench clicks: one deviation, in per cent. Invented for the stand-in. */
const SPREAD_PERCENT = 1.2;
/** Two clicks on one fastener come so close together. */
const PULLED_AGAIN_MS = 900;

export const SIMULATED_WRENCH: DeviceIdentity = {
  kind: 'torque-wrench',
  number: 'TW-05',
  calibratedUntil: '2027-06-30',
  from: { value: 10, unit: 'N·m' },
  to: { value: 60, unit: 'N·m' },
};

/** What the stand-in for a wrench reads when somebody pulls it towards a target. */
export function simulatedPull(
  how: PullKind,
  target: Pick<DeviceTarget, 'value' | 'unit'>,
  random: Random,
): SimulatedPull {
  const off = (percent: number) => round(target.value * (1 + (percent + SPREAD_PERCENT * normal(random)) / 100));
  const peak = (value: number, unit: string = target.unit, afterMs = 0) => ({ peak: { value, unit }, afterMs });
  const once = (...peaks: SimulatedPull['peaks']): SimulatedPull => ({ peaks, isSentAgain: false });
  switch (how) {
    case 'well':
      return once(peak(off(0)));
    case 'too-far':
      return once(peak(off(20)));
    case 'short':
      return once(peak(off(-20)));
    case 'pulled-twice':
      return once(peak(off(0)), peak(off(0), target.unit, PULLED_AGAIN_MS));
    case 'sent-twice':
      return { peaks: [peak(off(0))], isSentAgain: true };
    case 'other-unit': {
      const there = inUnit(off(0), target.unit);
      const other = there && convert(there, otherUnit(there.unit));
      return once(other ? peak(round(other.value), other.unit) : peak(off(0)));
    }
    case 'mislabelled': {
      // The display stands on another unit than the one it believes.
      const there = inUnit(off(0), target.unit);
      return once(peak(off(0), there ? otherUnit(there.unit) : target.unit));
    }
    case 'no-torque':
      return once(peak(off(0), 'kN'));
  }
}

function inUnit(value: number, unit: string): Quantity | undefined {
  const symbol = readUnit(unit);
  return symbol && unitOf(symbol).dimension === 'torque' ? { value, unit: symbol } : undefined;
}

function otherUnit(unit: UnitSymbol): UnitSymbol {
  return unit === 'lbf·ft' ? 'N·m' : 'lbf·ft';
}

function round(value: number): number {
  return Number(value.toPrecision(4));
}

/** A normal deviate by the method of Box and Muller. */
export function normal(random: Random): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}
