import type { Entry } from './entry';
import { unusualEntries } from './origin';

const entry = (minute: number, more: Partial<Entry> = {}): Entry => ({
  id: `e${minute}`,
  at: `2026-01-05T08:${String(minute).padStart(2, '0')}:00.000Z`,
  by: 'mara',
  content: { kind: 'paused' },
  ...more,
});

test('entries of a device whose clock is right, sent by their maker, are nothing unusual', () => {
  expect(unusualEntries([entry(1), entry(2)])).toEqual([]);
});

test('a clock that is off is told once for all entries it is off by as much, with its sign', () => {
  const threeHours = 3 * 60 * 60_000;
  const off = [entry(1, { clockBehindMs: threeHours }), entry(2), entry(9, { clockBehindMs: threeHours + 400 })];
  expect(unusualEntries([...off, entry(10, { clockBehindMs: -300_000 })])).toMatchObject([
    { is: 'clock', behindMinutes: 180, count: 2, from: off[0]?.at, to: off[2]?.at },
    { is: 'clock', behindMinutes: -5, count: 1 },
  ]);
});

test('who sent what another made is told', () => {
  expect(unusualEntries([entry(1, { sentBy: 'jun' }), entry(2, { sentBy: 'jun' })])).toMatchObject([
    { is: 'sent-by-another', by: 'mara', sentBy: 'jun', count: 2 },
  ]);
});
