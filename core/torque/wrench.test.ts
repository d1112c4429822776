import type { Tool } from '../model/series';
import { bears, calibrationOf, isTorque, settingWithCrowFoot, torqueRange, usableRange } from './wrench';

const wrench = (size: string, more: Partial<Tool> = {}): Tool => ({ id: 'one', name: 'torque wrench', size, ...more });
const newtons = (value: number) => ({ value, unit: 'N·m' as const });

test('the range is read from the size, in whatever unit, unless it is said', () => {
  expect(torqueRange(wrench('10-60 N·m'))).toEqual({ from: newtons(10), to: newtons(60) });
  expect(torqueRange(wrench('20 to 100 lbf·ft'))?.to).toEqual({ value: 100, unit: 'lbf·ft' });
  expect(torqueRange(wrench('large'))).toBeUndefined();
  expect(torqueRange(wrench('10-60 N·m', { range: { from: newtons(5), to: newtons(25) } }))?.to).toEqual(newtons(25));
});

test('a wrench is not used below a fifth of its scale, whatever it says (ISO 6789-1)', () => {
  expect(usableRange({ from: newtons(5), to: newtons(50) }).from).toEqual(newtons(10));
  expect(usableRange({ from: newtons(20), to: newtons(60) }).from).toEqual(newtons(20));
});

test('a wrench bears what lies in its range, both ends included; what is no torque tool bears nothing', () => {
  expect([11, 12, 60, 61].map((value) => bears(wrench('10-60 N·m'), newtons(value)))).toEqual([
    false,
    true,
    true,
    false,
  ]);
  // 1 lbf·ft is 1.355 817 9 N·m (NIST SP 811): 100 of them are 135.6 N·m.
  expect(bears(wrench('20-100 lbf·ft'), newtons(135))).toBe(true);
  expect(bears(wrench('20-100 lbf·ft'), newtons(136))).toBe(false);
  expect(bears({ id: 'two', name: 'socket', size: '10-60 N·m' }, newtons(20))).toBe(false);
  expect(isTorque({ id: 'three', name: 'click wrench', kind: 'torque' })).toBe(true);
});

test('a crow-foot of 50 mm on a wrench of 400 mm is set to eight ninths; across the handle to the figure', () => {
  expect(settingWithCrowFoot(newtons(90), 400, 50).value).toBeCloseTo(80, 9);
  expect(settingWithCrowFoot(newtons(90), 400, 50, 90).value).toBeCloseTo(90, 9);
  expect(settingWithCrowFoot(newtons(90), 400, 50, 180).value).toBeGreaterThan(90);
});

test('a calibration that ended before the day has run out', () => {
  const tool = wrench('10-60 N·m', {
    assets: [
      { number: '1', calibratedUntil: '2026-05-01' },
      { number: '2', calibratedUntil: '2027-05-01' },
      { number: '3' },
    ],
  });
  expect(calibrationOf(tool, '2026-11-26').map(({ is }) => is)).toEqual(['expired', 'valid', 'unknown']);
});
