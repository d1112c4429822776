import { convert } from '../quantity/quantity';
import type { Quantity } from '../quantity/schema';
import { GRADES, type Grade, swingOf } from './acceptance';

/** What a pump has to do on the test bench, and how closely. */
export interface RunAsked {
  readonly speed: Quantity;
  /** Discharge less suction pressure. */
  readonly pressure: Quantity;
  /** The guaranteed flow; computed from the displacement where it is not given. */
  readonly flow?: Quantity | undefined;
  /** The power at the shaft; computed from flow, pressure and efficiency where it is not given. */
  readonly power?: Quantity | undefined;
  readonly grade: Grade;
}

/** What the makers' data say of a pump that gives a volume at every turn. */
export interface Duty {
  /** Volume of one revolution. */
  readonly displacement?: Quantity | undefined;
  /** Share of the displacement that is delivered at the pressure asked for. */
  readonly volumetric?: number | undefined;
  /** Share of the power at the shaft that becomes hydraulic power. */
  readonly overall?: number | undefined;
}

export const RUN_VALUES = ['flow', 'pressure', 'speed', 'power', 'temperature'] as const;
export type RunValue = (typeof RUN_VALUES)[number];

/** What a test bench reads at one moment: flow in L/min, pressure in bar, speed in rpm, power in kW, temperature in °C. */
export type Sample = Readonly<Partial<Record<RunValue, number>>>;

/** The units that samples have. */
export const RUN_UNITS = { flow: 'L/min', pressure: 'bar', speed: 'rpm', power: 'kW', temperature: '°C' } as const;

/** In the unit that samples have. */
export function plain(what: Exclude<RunValue, 'temperature'>, quantity: Quantity): number {
  return convert(quantity, RUN_UNITS[what]).value;
}

/** Flow and power that are expected; undefined where too little is known. */
export interface Expected {
  /** L/min. */
  readonly flow: number | undefined;
  /** kW at the shaft. */
  readonly power: number | undefined;
}

/** Q = V·n·ηv and P = Q·Δp/η, from the figures of the step or else those of the series. */
export function expectedOf(asked: RunAsked, { displacement, volumetric = 1, overall }: Duty): Expected {
  const turns = plain('speed', asked.speed);
  const flow = asked.flow
    ? plain('flow', asked.flow)
    : displacement && convert(displacement, 'L').value * turns * volumetric;
  const power = asked.power
    ? plain('power', asked.power)
    : flow !== undefined && overall
      ? hydraulicPower(flow, plain('pressure', asked.pressure)) / overall
      : undefined;
  return { flow, power };
}

/** kW from L/min and bar: Q·Δp. */
export function hydraulicPower(flow: number, pressure: number): number {
  return (flow * pressure) / 600;
}

/** Whether the pump delivers a volume at every turn, or a head that falls with the flow. */
export type Principle = 'displacement' | 'rotodynamic';

export interface ValueJudged {
  readonly what: 'flow' | 'pressure' | 'power';
  /** At the speed asked for, as converted from the speed that was run. */
  readonly value: number;
  readonly expected: number;
  readonly from: number | undefined;
  readonly to: number;
  readonly verdict: 'within' | 'low' | 'high';
}

/** Why a run says nothing. */
export type RunFault = 'no-speed' | 'speed-off' | 'pressure-off' | 'unsteady' | 'nothing-expected';

export interface RunJudged {
  readonly values: readonly ValueJudged[];
  readonly faults: readonly RunFault[];
}

/** A reading counts at a speed within so much of the one asked for (ISO 9906:2012, 5.4.2: 20 %, from memory). */
const SPEED_PERCENT = 20;
/** A pump that gives a volume is judged at its pressure, within so much of it. Common practice. */
const PRESSURE_PERCENT = 5;

/**
 * Judges the mean of a run. Readings at another speed are converted to the one asked for: flow with the speed, head with
 * its square, power with its cube (ISO 9906:2012, 6.1.2); for a pump that delivers a volume flow and power with the
 * speed, at the same pressure.
 */
export function judgeRun(samples: readonly Sample[], asked: RunAsked, duty: Duty, principle: Principle): RunJudged {
  const mean = meanOf(samples);
  const { flow, pressure, speed, power } = mean;
  const turns = plain('speed', asked.speed);
  const bar = plain('pressure', asked.pressure);
  const expected = expectedOf(asked, duty);
  const faults: RunFault[] = [];
  if (speed === undefined) faults.push('no-speed');
  const ratio = turns / (speed ?? turns);
  if (Math.abs(ratio - 1) * 100 > SPEED_PERCENT) faults.push('speed-off');
  if (principle === 'displacement' && pressure !== undefined && percentOff(pressure, bar) > PRESSURE_PERCENT)
    faults.push('pressure-off');
  if (isUnsteady(samples, asked.grade)) faults.push('unsteady');
  const grade = GRADES[asked.grade];
  const cube = principle === 'rotodynamic' ? ratio ** 3 : ratio;
  const values = [
    judged('flow', flow && flow * ratio, expected.flow, grade.flow),
    ...(principle === 'rotodynamic' ? [judged('pressure', pressure && pressure * ratio ** 2, bar, grade.head)] : []),
    judged('power', power && power * cube, expected.power, [undefined, grade.power]),
  ].filter((one) => one !== undefined);
  if (values.length === 0) faults.push('nothing-expected');
  return { values, faults };
}

function judged(
  what: ValueJudged['what'],
  value: number | undefined,
  expected: number | undefined,
  [below, above]: readonly [number | undefined, number],
): ValueJudged | undefined {
  if (value === undefined || expected === undefined) return undefined;
  const from = below === undefined ? undefined : expected * (1 + below / 100);
  const to = expected * (1 + above / 100);
  // A reading on the limit passes.
  const hair = expected * 1e-9;
  const verdict = from !== undefined && value < from - hair ? 'low' : value > to + hair ? 'high' : 'within';
  return { what, value, expected, from, to, verdict };
}

/** The mean of what was read, value by value. */
export function meanOf(samples: readonly Sample[]): Sample {
  return Object.fromEntries(
    RUN_VALUES.flatMap((what) => {
      const values = samples.flatMap((sample) => sample[what] ?? []);
      return values.length > 0 ? [[what, values.reduce((sum, value) => sum + value, 0) / values.length]] : [];
    }),
  );
}

/** Whether flow, pressure or speed swing more than the grade allows. */
function isUnsteady(samples: readonly Sample[], grade: Grade): boolean {
  const mean = meanOf(samples);
  return (['flow', 'pressure', 'speed'] as const).some((what) => {
    const middle = mean[what];
    if (!middle) return false;
    return samples.some((sample) => sample[what] !== undefined && percentOff(sample[what], middle) > swingOf(grade));
  });
}

function percentOff(value: number, of: number): number {
  return of === 0 ? 0 : Math.abs(value / of - 1) * 100;
}
