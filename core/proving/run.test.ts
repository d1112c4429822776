import fc from 'fast-check';
import type { GRADES } from './acceptance';
import { expectedOf, hydraulicPower, judgeRun, type RunAsked, type Sample } from './run';

const rpm = (value: number) => ({ value, unit: 'rpm' as const });
const bar = (value: number) => ({ value, unit: 'bar' as const });
const mL = (value: number) => ({ value, unit: 'mL' as const });
const asked: RunAsked = { speed: rpm(1450), pressure: bar(150), grade: '2B' };
const duty = { displacement: mL(10.5), volumetric: 0.96, overall: 0.85 };
const steady = (sample: Sample): Sample[] => [sample, sample, sample];
const verdicts = (samples: Sample[], principle: 'displacement' | 'rotodynamic' = 'displacement', more = {}) =>
  judgeRun(samples, { ...asked, ...more }, duty, principle).values.map(({ what, verdict }) => [what, verdict]);

/** 10.5 mL at every turn, 1450 turns, 96 %: 14.616 L/min; at 150 bar 3.654 kW in the liquid, 4.299 kW at the shaft. */
test('flow and power expected of a plunger pump, worked by hand', () => {
  const { flow, power } = expectedOf(asked, duty);
  expect(flow).toBeCloseTo(14.616, 3);
  expect(hydraulicPower(14.616, 150)).toBeCloseTo(3.654, 3);
  expect(power).toBeCloseTo(4.299, 3);
  expect(expectedOf({ ...asked, flow: { value: 15, unit: 'L/min' } }, {}).flow).toBe(15);
  expect(expectedOf(asked, {})).toEqual({ flow: undefined, power: undefined });
});

/** Hydraulic power of 1 gal/min at 1 psi is 1/1714 hp: the usual rule of thumb, in which 1714 is rounded. */
test('the hydraulic power agrees with the rule in US units', () => {
  const litres = 10 * 3.785411784;
  const pressure = 1000 * 0.0689475729;
  expect(hydraulicPower(litres, pressure) / 0.745699872).toBeCloseTo((10 * 1000) / 1714, 2);
});

test('within the grade, too little, and too much power', () => {
  expect(verdicts(steady({ flow: 14.6, pressure: 150, speed: 1450, power: 4.3 }))).toEqual([
    ['flow', 'within'],
    ['power', 'within'],
  ]);
  expect(verdicts(steady({ flow: 13.3, pressure: 150, speed: 1450, power: 4.9 }))).toEqual([
    ['flow', 'low'],
    ['power', 'high'],
  ]);
});

test('a reading at another speed is converted: flow with it, head with its square, power with its cube', () => {
  const at = judgeRun(
    steady({ flow: 9, pressure: 2.43, speed: 2610, power: 0.729 }),
    {
      ...{ speed: rpm(2900), pressure: bar(3), grade: '2B', flow: { value: 10, unit: 'L/min' } },
      power: { value: 1, unit: 'kW' },
    },
    {},
    'rotodynamic',
  );
  expect(at.values.map(({ value }) => Number(value.toFixed(6)))).toEqual([10, 3, 1]);
  expect(at.faults).toEqual([]);
});

test('what says nothing of the pump is told', () => {
  const faults = (samples: Sample[]) => judgeRun(samples, asked, duty, 'displacement').faults;
  expect(faults(steady({ flow: 14.6, pressure: 150 }))).toEqual(['no-speed']);
  expect(faults(steady({ flow: 10, pressure: 150, speed: 1000 }))).toEqual(['speed-off']);
  expect(faults(steady({ flow: 14.6, pressure: 120, speed: 1450 }))).toEqual(['pressure-off']);
  expect(
    faults([
      { flow: 13, pressure: 150, speed: 1450 },
      { flow: 16, pressure: 150, speed: 1450 },
    ]),
  ).toEqual(['unsteady']);
  expect(faults([])).toEqual(['no-speed', 'nothing-expected']);
});

test('a wider grade never refuses what a narrower one passes on the same side', () => {
  const pairs = [
    ['1B', '2B'],
    ['2B', '3B'],
    ['1U', '2U'],
  ] as const;
  fc.assert(
    fc.property(fc.constantFrom(...pairs), fc.double({ min: 8, max: 20, noNaN: true }), ([narrow, wide], flow) => {
      const passes = (grade: keyof typeof GRADES) =>
        verdicts(steady({ flow, pressure: 150, speed: 1450 }), 'displacement', { grade }).every(
          ([, v]) => v === 'within',
        );
      return !passes(narrow) || passes(wide);
    }),
  );
});
