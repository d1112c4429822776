import { dropsPerMinute, judgeProof, leakage } from './proofs';

const asked = { turning: { turns: 2 }, level: {}, leak: { minutes: 10, drops: 2 } };
const watched = (minutes: number, drops: number) => ({ what: 'leak', seconds: minutes * 60, drops }) as const;

test('only a shaft that turns freely, and oil at its mark, are good', () => {
  expect(judgeProof({ what: 'turning', felt: 'free' }, asked)).toBe('good');
  for (const felt of ['heavy', 'tight-spot', 'rough', 'stuck'] as const)
    expect(judgeProof({ what: 'turning', felt }, asked)).toBe('bad');
  expect(judgeProof({ what: 'level', stands: 'at' }, asked)).toBe('good');
  expect(judgeProof({ what: 'level', stands: 'below' }, asked)).toBe('bad');
  expect(judgeProof({ what: 'level', stands: 'above' }, asked)).toBe('bad');
});

test('drops are counted against the time that was watched', () => {
  expect(judgeProof(watched(10, 0), asked)).toBe('good');
  // On the limit it passes.
  expect(judgeProof(watched(10, 20), asked)).toBe('good');
  expect(judgeProof(watched(10, 21), asked)).toBe('bad');
  // Watched longer, more of them are allowed.
  expect(judgeProof(watched(20, 40), asked)).toBe('good');
});

test('watched too short it proves nothing, unless more came out than all the time allows', () => {
  expect(judgeProof(watched(4, 8), asked)).toBe('too-short');
  expect(judgeProof(watched(4, 20), asked)).toBe('too-short');
  expect(judgeProof(watched(4, 21), asked)).toBe('bad');
  const dry = { leak: { minutes: 5, drops: 0 } };
  expect(judgeProof(watched(1, 0), dry)).toBe('too-short');
  expect(judgeProof(watched(1, 1), dry)).toBe('bad');
  expect(judgeProof(watched(5, 0), dry)).toBe('good');
});

test('what was not asked is not judged', () => {
  expect(judgeProof({ what: 'level', stands: 'at' }, { turning: { turns: 1 } })).toBeUndefined();
});

test('drops come to a rate, and the rate to a volume: 20 drops are about 1 mL', () => {
  expect(dropsPerMinute(watched(4, 6))).toBeCloseTo(1.5);
  expect(dropsPerMinute(watched(0, 0))).toBe(0);
  expect(leakage(1.5)).toBeCloseTo(4.5);
});
