import { strippingLoad } from './engagement';
import { type Fastening, judgeFigure, preloadOf, proofLoad, readingsOf, torqueFor } from './preload';
import { threadIn } from './threads';

const thread = (name: string) => {
  const found = threadIn(name);
  if (!found) throw new Error(`no thread ${name}`);
  return found;
};
const dry = { is: 'dry' as const };
const M10: Fastening = { thread: thread('M10'), class: '8.8', condition: dry };
const Nm = (value: number) => ({ value, unit: 'N·m' as const });

test('a 3/4 in bolt with 25 kip at K = 0.2 was given 3750 lbf·in (Shigley, Mechanical Engineering Design, ex. 8-3; from memory)', () => {
  const torque = 3750 * 0.112_984_829;
  expect(preloadOf(torque, 0.2, 19.05) / 4.448_222 / 1000).toBeCloseTo(25, 2);
});

test('M10 of class 8.8, dry, at 45 N·m pulls 22.5 kN, 67 % of its proof load', () => {
  const { verdict, preload, share } = judgeFigure(Nm(45), M10);
  expect(verdict).toBe('sound');
  expect(preload.usual).toBeCloseTo(22_500, 0);
  expect(share?.usual).toBeCloseTo(22_500 / proofLoad(M10.thread, '8.8'), 6);
  expect(Math.round((share?.usual ?? 0) * 100)).toBe(67);
  // The factor may be a fifth off to either side.
  expect([share?.least, share?.most].map((one) => Math.round((one ?? 0) * 100))).toEqual([56, 84]);
});

test('the torque for a share of proof brings that share', () => {
  const torque = torqueFor(M10, 0.75) ?? 0;
  expect(judgeFigure(Nm(torque), M10).share?.usual).toBeCloseTo(0.75, 6);
});

describe('what a trainer slips into', () => {
  test('ten times too much, and what was meant', () => {
    const { verdict, instead } = judgeFigure(Nm(450), M10);
    expect(verdict).toBe('too-much');
    expect(instead).toContainEqual(Nm(45));
    // 450 lbf·in is 50.8 N·m.
    expect(instead).toContainEqual({ value: 450, unit: 'lbf·in' });
  });
  test('pounds for newtons: 33 N·m is sound as well, 218 lbf·ft is not, 218 lbf·in is', () => {
    const M8: Fastening = { thread: thread('M8'), class: '8.8', condition: dry };
    const { verdict, instead } = judgeFigure({ value: 218, unit: 'lbf·ft' }, M8);
    expect(verdict).toBe('too-much');
    expect(instead.map(({ unit }) => unit)).toContain('lbf·in');
  });
  test('a figure of a large thread on a small one', () => {
    expect(judgeFigure(Nm(45), { ...M10, thread: thread('M6') }).verdict).toBe('too-much');
    expect(judgeFigure(Nm(4.5), M10).verdict).toBe('too-little');
  });
  test('the class is wrong: what 10.9 bears is too much for A2-50', () => {
    expect(judgeFigure(Nm(70), { ...M10, class: '10.9' }).verdict).toBe('sound');
    expect(judgeFigure(Nm(70), { ...M10, class: 'A2-50' }).verdict).toBe('too-much');
  });
  test('anti-seize on a thread makes the same torque pull more', () => {
    const greased: Fastening = { ...M10, condition: { is: 'with', kind: 'anti-seize' } };
    expect(judgeFigure(Nm(62), M10).verdict).toBe('too-much');
    expect(judgeFigure(Nm(50), M10).verdict).toBe('sound');
    expect(judgeFigure(Nm(50), greased).verdict).toBe('too-much');
  });
  test('a number without a unit: which readings the thread bears', () => {
    const bears = readingsOf(218, { ...M10, thread: thread('M8') }).flatMap(({ quantity, bears: ok }) =>
      ok ? [quantity.unit] : [],
    );
    expect(bears).toEqual(expect.arrayContaining(['lbf·in']));
    expect(bears).not.toEqual(expect.arrayContaining(['N·m']));
    expect(readingsOf(218, undefined).every(({ bears: ok }) => ok)).toBe(true);
  });
});

describe('of a fastener whose class nobody said', () => {
  test('only what no steel bears is told', () => {
    expect(judgeFigure(Nm(45), { thread: thread('M10') }).verdict).toBe('unknown');
    expect(judgeFigure(Nm(450), { thread: thread('M10') }).verdict).toBe('too-much');
    expect(judgeFigure(Nm(0.4), { thread: thread('M10') }).verdict).toBe('too-little');
  });
});

describe('a thread in soft metal', () => {
  const inAluminium = (engagement: number): Fastening => ({ ...M10, engagement, into: 'aluminium' });
  test('strips where it is short, and holds where it is as long as twice its diameter', () => {
    expect(judgeFigure(Nm(45), inAluminium(6)).verdict).toBe('strips');
    expect(judgeFigure(Nm(45), inAluminium(20)).verdict).toBe('sound');
  });
  test('in steel a thread as long as 0.8 diameters is stronger than an 8.8 bolt (common practice)', () => {
    expect(strippingLoad(thread('M10'), 8, 'steel')).toBeGreaterThan(proofLoad(thread('M10'), '8.8'));
  });
});
