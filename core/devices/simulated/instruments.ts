import { hydraulicPower, type Sample } from '../../proving/run';
import type { DeviceIdentity } from '../message';
import { normal, type Random } from './wrench';

export const SIMULATED_CALLIPER: DeviceIdentity = {
  kind: 'calliper',
  number: 'CA-02',
  calibratedUntil: '2027-03-31',
  from: { value: 0, unit: 'mm' },
  to: { value: 150, unit: 'mm' },
};

export const SIMULATED_BENCH: DeviceIdentity = { kind: 'test-bench', number: 'TB-01', calibratedUntil: '2027-08-31' };

/** One deviation of what a calliper shows when it is put on again, in mm. Invented for the stand-in. */
const CALLIPER_MM = 0.008;

/** What the stand-in for a calliper shows on a part of a size, in mm to a hundredth. */
export function simulatedLength(sizeMm: number, random: Random): number {
  return Math.max(0, Math.round((sizeMm + CALLIPER_MM * normal(random)) * 100) / 100);
}

export const PUMP_STATES = ['as-new', 'worn', 'valve-open', 'swinging'] as const;
export type PumpState = (typeof PUMP_STATES)[number];

/** What a pump on the stand-in for a test bench is run at, and what it is good for when new. */
export interface BenchSetting {
  /** rpm and bar. */
  readonly speed: number;
  readonly pressure: number;
  /** L/min at this speed and pressure when new. */
  readonly flow: number;
  readonly state: PumpState;
}

/** One deviation of each reading, in per cent. Invented for the stand-in, as is what each state does to the flow. */
const NOISE_PERCENT = 0.6;
const LOSES: Readonly<Record<PumpState, number>> = { 'as-new': 0.01, worn: 0.18, 'valve-open': 0.45, swinging: 0.01 };

/** What the stand-in for a test bench reads after so many seconds of running. */
export function simulatedSample(
  { speed, pressure, flow, state }: BenchSetting,
  seconds: number,
  random: Random,
): Sample {
  const noise = () => 1 + (NOISE_PERCENT * normal(random)) / 100;
  const swing = state === 'swinging' ? 1 + 0.22 * Math.sin(seconds * 2.1) : 1;
  const delivered = flow * (1 - LOSES[state]) * swing;
  return {
    flow: round(delivered * noise(), 3),
    pressure: round((state === 'valve-open' ? pressure * 0.6 : pressure) * noise(), 2),
    speed: round(speed * noise(), 0),
    power: round((hydraulicPower(delivered, pressure) / 0.84) * noise(), 3),
    temperature: round(22 + 14 * (1 - Math.exp(-seconds / 240)), 1),
  };
}

function round(value: number, decimals: number): number {
  return Number(value.toFixed(decimals));
}
