import { fittingOf, turnsPastFingerTight } from './fittings';
import { toNextSlot } from './slotted-nut';
import { threadIn } from './threads';

test('a castle nut of six slots is turned on by 60° at most, solved by hand for M12 over 40 mm', () => {
  const thread = threadIn('M12');
  if (!thread) throw new Error('no M12');
  const { mostDegrees, addedPreload, addedTorque } = toNextSlot(thread, 40, 0.2);
  expect(mostDegrees).toBe(60);
  // kb = 205 000·84.3/40 = 432 kN/mm; in series with three times that 324 kN/mm; a sixth of 1.75 mm stretches 0.292 mm.
  expect(addedPreload / 1000).toBeCloseTo(94.5, 0);
  expect(addedTorque).toBeCloseTo((0.2 * 12 * addedPreload) / 1000, 6);
});

test('an odd number of slots meets the hole twice as often', () => {
  const thread = threadIn('M12');
  expect(thread && toNextSlot(thread, 40, 0.2, 5).mostDegrees).toBe(36);
});

test('taper threads are tightened by turns', () => {
  const taper = threadIn('1/4 NPT');
  const parallel = threadIn('G 1/4');
  expect(fittingOf(taper, 'plug')).toBe('taper');
  expect(fittingOf(parallel, 'plug')).toBeUndefined();
  expect(fittingOf(undefined, 'flared tube nut')).toBe('flare-37');
  expect(fittingOf(undefined, 'compression fitting')).toBe('compression');
  expect(turnsPastFingerTight('taper', 13.7)).toEqual({ least: 1.5, most: 3 });
  expect(turnsPastFingerTight('compression', 12)).toEqual({ least: 1.25, most: 1.25 });
});
