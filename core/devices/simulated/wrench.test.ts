import { mean, standardDeviation } from 'simple-statistics';
import { torqueOf } from '../../job/wrench-reading';
import { convert } from '../../quantity/quantity';
import { type PullKind, simulatedPull } from './wrench';

const target = { value: 45, unit: 'N·m' };

/** A generator with a seed, after Park and Miller (recalled from memory). */
function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 48_271) % 2_147_483_647;
    return state / 2_147_483_647;
  };
}
const pulls = (how: PullKind, count = 400) => {
  const random = seeded(7);
  return Array.from({ length: count }, () => simulatedPull(how, target, random));
};
const values = (how: PullKind) => pulls(how).flatMap(({ peaks }) => peaks.map(({ peak }) => peak.value));

test('a pull spreads about its target as a hand does', () => {
  const read = values('well');
  expect(mean(read)).toBeCloseTo(45, 0);
  expect((100 * standardDeviation(read)) / 45).toBeCloseTo(1.2, 0);
});

test('pulls too far and too short lie outside a window of 10 %', () => {
  expect(Math.min(...values('too-far'))).toBeGreaterThan(49.5);
  expect(Math.max(...values('short'))).toBeLessThan(40.5);
});

test('another unit says the same torque; a wrong label says another; a force is no torque', () => {
  const [first] = pulls('other-unit');
  const there = torqueOf(first!.peaks[0]!.peak)!;
  expect(there.unit).toBe('lbf·ft');
  expect(convert(there, 'N·m').value).toBeCloseTo(45, -1);
  const wrong = torqueOf(pulls('mislabelled')[0]!.peaks[0]!.peak)!;
  expect(convert(wrong, 'N·m').value).toBeGreaterThan(55);
  expect(torqueOf(pulls('no-torque')[0]!.peaks[0]!.peak)).toBeUndefined();
});

test('a second click is a reading of its own, a second sending is not', () => {
  expect(pulls('pulled-twice')[0]).toMatchObject({ isSentAgain: false, peaks: [{ afterMs: 0 }, { afterMs: 900 }] });
  expect(pulls('sent-twice')[0]).toMatchObject({ isSentAgain: true, peaks: [{}] });
});
