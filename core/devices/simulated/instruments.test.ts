import { judgeRun } from '../../proving/run';
import { type BenchSetting, simulatedLength, simulatedSample } from './instruments';

/** The same row of numbers every time. */
function row(seed = 7) {
  let state = seed;
  return () => {
    state = (state * 16_807) % 2_147_483_647;
    return state / 2_147_483_647;
  };
}

test('the calliper shows hundredths, close to the size', () => {
  const random = row();
  const shown = Array.from({ length: 200 }, () => simulatedLength(35.94, random));
  expect(
    shown.every((value) => Number.isInteger(Math.round(value * 1e6) / 1e4) && Math.abs(value - 35.94) < 0.05),
  ).toBe(true);
  expect(shown.reduce((sum, value) => sum + value, 0) / shown.length).toBeCloseTo(35.94, 2);
});

test('a pump as new passes, a worn one gives too little, an open valve and a swinging bench say nothing', () => {
  const random = row();
  const setting = { speed: 1450, pressure: 150, flow: 14.6 };
  const judge = (state: BenchSetting['state']) =>
    judgeRun(
      Array.from({ length: 30 }, (_, i) => simulatedSample({ ...setting, state }, i, random)),
      {
        ...{ speed: { value: 1450, unit: 'rpm' }, pressure: { value: 150, unit: 'bar' }, grade: '2B' },
        flow: { value: 14.6, unit: 'L/min' },
      },
      {},
      'displacement',
    );
  expect(judge('as-new')).toMatchObject({ values: [{ what: 'flow', verdict: 'within' }], faults: [] });
  expect(judge('worn')).toMatchObject({ values: [{ verdict: 'low' }], faults: [] });
  expect(judge('valve-open').faults).toEqual(['pressure-off']);
  expect(judge('swinging').faults).toEqual(['unsteady']);
});
