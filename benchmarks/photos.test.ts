import { isRight, judged, type PhotoCase, photoCases, scenes } from './photos';

let cases: readonly PhotoCase[] = [];

beforeAll(async () => {
  cases = await photoCases((await scenes()).filter((_, i) => i % 8 === 0));
}, 240_000);

/** A part of what `npm run bench` measures, so that no change makes photos be judged worse without being noticed. */
test('photos of checks are judged rightly: fit ones are let stand, spoilt ones are called by what is wrong', async () => {
  expect(cases.length).toBeGreaterThanOrEqual(40);
  const wrong: string[] = [];
  for (const one of cases) {
    const found = await judged(one);
    if (!isRight(one, found)) wrong.push(`${one.kind}: ${found.join(', ') || 'nothing'}`);
  }
  const falsely = wrong.filter((one) => one.startsWith('well taken'));
  expect(falsely.length).toBeLessThanOrEqual(1);
  expect(wrong.length / cases.length).toBeLessThan(0.06);
}, 240_000);
