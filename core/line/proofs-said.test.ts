import { typed } from '../testing/workbook';

const BEFORE = ['take off cover', 'fit cover'];
const last = (...lines: string[]) => {
  const [step] = typed([...BEFORE, ...lines]).procedure.steps.slice(-1);
  return [step?.proofs, step?.minutes];
};

test.each<[string, string, object, number | undefined]>([
  [
    'turned, with its turns',
    'turn the shaft by hand two full turns, it must turn freely',
    { turning: { turns: 2 } },
    undefined,
  ],
  [
    'turned once, to feel whether it binds',
    "turn the shaft by hand to check that it doesn't bind",
    { turning: { turns: 1 } },
    undefined,
  ],
  ['a look at how it turns', 'check that the rotor turns freely by hand', { turning: { turns: 1 } }, undefined],
  ['the oil level', 'check the oil level', { level: {} }, undefined],
  [
    'the oil level at its mark',
    'check the oil level at the middle of the sight glass',
    { level: { mark: 'the middle of the sight glass' } },
    undefined,
  ],
  [
    'leaks, watched for a time that is the check’s own',
    'check for leaks for 10 minutes',
    { leak: { minutes: 10, drops: 0 } },
    undefined,
  ],
  [
    'leaks, with the drops that are allowed',
    'check for leaks for 5 minutes, no more than three drops a minute',
    { leak: { minutes: 5, drops: 3 } },
    undefined,
  ],
])('%s is a check by hand', (_what, line, proofs, minutes) => {
  expect(last(line)).toEqual([proofs, minutes]);
});

test('turned by hand at the end it is felt, in the middle it is only turned', () => {
  expect(last('turn the shaft by hand to reach the screw', 'take off screw')).toEqual([undefined, undefined]);
  expect(typed(['take off cover', 'turn the shaft by hand twice', 'take off screw']).procedure.steps[1]?.proofs).toBe(
    undefined,
  );
  expect(last('test run for 5 minutes', 'turn the shaft by hand twice')).toEqual([
    { turning: { turns: 2 } },
    undefined,
  ]);
});

test('what is asked stays within what a check may ask', () => {
  expect(last('check for leaks for 9 minutes, at most 900 drops a minute')).toEqual([
    { leak: { minutes: 9, drops: 600 } },
    undefined,
  ]);
  expect(last('check for leaks for 48 hours')).toEqual([undefined, 2880]);
  expect(last('turn the shaft by hand 250 times, it must turn freely')).toEqual([
    { turning: { turns: 100 } },
    undefined,
  ]);
});

test.each([
  ['a run is timed, and proves no dryness', 'run the pump for five minutes', 5],
  ['a part looked at for leaks', 'inspect cover for leaks', undefined],
  ['a wait', 'wait for 5 minutes', 5],
])('%s is none', (_what, line, minutes) => {
  expect(last(line)).toEqual([undefined, minutes]);
});
