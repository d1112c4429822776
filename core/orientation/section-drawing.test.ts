import fc from 'fast-check';
import { sayLabel } from '../language/en/sections';
import { PROFILES } from '../model/faces';
import type { Series, Stack } from '../model/series';
import { componentId, typed, withComponent } from '../testing/workbook';
import { drawSection } from './section-drawing';
import { stackSection } from './stack-section';

function seriesWith(
  names: string[],
  kinds: Record<string, 'o-ring' | 'spring' | 'valve-ball'> = {},
): { series: Series; stack: Stack } {
  let workbook = typed(names.map((name) => `take off ${name}`));
  for (const [name, kind] of Object.entries(kinds)) workbook = withComponent(workbook, name, { kind });
  const layers = names.map((name, i) => ({ id: `l${i}`, componentId: componentId(workbook, name), count: i + 1 }));
  const stack: Stack = { id: 's', name: 'the box', pressureAt: 'bottom', bore: [], shaft: { diameterMm: 20 }, layers };
  return { series: workbook.series, stack };
}
const numbers = (d: string) => (d.match(/-?\d+(?:\.\d+)?/g) ?? []).map(Number);

test('every profile is drawn within the bore, and no two alike but the plain ones', () => {
  const drawn = PROFILES.map((profile) => {
    const { series, stack } = seriesWith(['ring', 'gland']);
    const section = stackSection(stack, series);
    const pieces = section.pieces.map((piece) => ({ ...piece, atMouth: profile }));
    const { shapes } = drawSection({ ...section, pieces });
    const own = shapes.filter(({ tone }) => tone === 'piece' || tone === 'mark').map(({ d }) => d);
    for (const d of own) for (const n of numbers(d)) expect(Math.abs(n)).toBeLessThanOrEqual(360);
    expect(own.join()).not.toMatch(/NaN|undefined/);
    return own.join();
  });
  expect(new Set(drawn).size).toBe(PROFILES.length);
});

test('O-rings, springs and balls have shapes of their own; a ball is one, a ring is cut twice', () => {
  const { series, stack } = seriesWith(['seat ring', 'spring', 'ball'], {
    'seat ring': 'o-ring',
    spring: 'spring',
    ball: 'valve-ball',
  });
  const { shapes } = drawSection(
    stackSection({ ...stack, layers: stack.layers.map((l) => ({ ...l, count: 1 })) }, series),
  );
  const of = (name: string) =>
    shapes.filter(
      ({ componentId: id }) =>
        id === componentId({ series, procedure: { id: 'p', seriesId: 's', title: 't', steps: [] } }, name),
    );
  expect(of('ball')).toHaveLength(1);
  expect(of('seat ring')).toHaveLength(2);
  expect(of('spring')).toHaveLength(2);
});

test('labels stand one to a layer, from the mouth down, and never on one another', () => {
  const { series, stack } = seriesWith([
    'k ring',
    'b ring',
    'c ring',
    'd ring',
    'e ring',
    'f ring',
    'g ring',
    'h ring',
  ]);
  const { labels, height } = drawSection(stackSection(stack, series));
  const layers = labels.filter(({ tone }) => tone !== 'pressure');
  expect(layers.map(sayLabel)).toEqual([
    '8 × h ring',
    '7 × g ring',
    '6 × f ring',
    '5 × e ring',
    '4 × d ring',
    '3 × c ring',
    '2 × b ring',
    'k ring',
  ]);
  layers.slice(1).forEach(({ y }, i) => {
    expect(y - (layers[i]?.y ?? 0)).toBeGreaterThanOrEqual(16.9);
  });
  expect(Math.max(...labels.map(({ y }) => y))).toBeLessThan(height);
});

test('the part in hand stands out, and the arrow comes from where the pressure acts', () => {
  const { series, stack } = seriesWith(['ring', 'gland']);
  const ring = series.components[0]?.id ?? '';
  const drawing = drawSection(stackSection(stack, series), [ring]);
  expect(drawing.shapes.filter(({ tone }) => tone === 'current').every(({ componentId: id }) => id === ring)).toBe(
    true,
  );
  expect(drawing.shapes.some(({ tone }) => tone === 'current')).toBe(true);
  const low = drawing.labels.find(({ tone }) => tone === 'pressure')?.y ?? 0;
  const high =
    drawSection(stackSection({ ...stack, pressureAt: 'mouth' }, series)).labels.find(({ tone }) => tone === 'pressure')
      ?.y ?? 0;
  expect(low).toBeGreaterThan(high);
});

describe('whatever is said of a stack', () => {
  const size = fc.option(fc.integer({ min: 1, max: 400 }), { nil: undefined });
  const layer = fc.record({ count: fc.integer({ min: 1, max: 12 }), lengthMm: size, innerMm: size, outerMm: size });
  const said = fc.record({
    layers: fc.array(layer, { minLength: 1, maxLength: 9 }),
    bore: fc.array(
      fc.record({ diameterMm: fc.integer({ min: 5, max: 300 }), lengthMm: fc.integer({ min: 1, max: 200 }) }),
      { maxLength: 4 },
    ),
    shaftMm: size,
    pressureAt: fc.constantFrom('mouth' as const, 'bottom' as const, undefined),
  });
  type SaidStack = typeof said extends fc.Arbitrary<infer T> ? T : never;
  const stacked = ({ layers, bore, shaftMm, pressureAt }: SaidStack) => {
    const { series, stack } = seriesWith(layers.map((_, i) => `${'kbcdefghi'[i]} ring`));
    const given = <T extends object>(fields: T) =>
      Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as Partial<T>;
    const { pressureAt: _pressure, shaft: _shaft, ...bare } = stack;
    const full = {
      ...bare,
      bore,
      ...(pressureAt && { pressureAt }),
      ...(shaftMm && { shaft: { diameterMm: shaftMm } }),
      layers: stack.layers.map((one, i) => ({ ...one, ...given(layers[i] ?? { count: 1 }) })),
    } as Stack;
    return stackSection(full, series);
  };

  test('every piece is there, on the one below it, with a wall of some thickness', () => {
    fc.assert(
      fc.property(said, (one) => {
        const { pieces, lengthMm } = stacked(one);
        expect(pieces).toHaveLength(one.layers.reduce((sum, { count }) => sum + count, 0));
        pieces.forEach((piece, i) => {
          expect(piece.fromMm).toBeCloseTo(pieces[i - 1]?.toMm ?? 0, 6);
          expect(piece.toMm).toBeGreaterThan(piece.fromMm);
          expect(piece.innerMm).toBeLessThanOrEqual(piece.outerMm);
        });
        expect(pieces.at(-1)?.toMm ?? 0).toBeLessThanOrEqual(lengthMm + 1e-6);
      }),
    );
  });

  test('it is drawn within its frame, with one label to a layer and none on another', () => {
    fc.assert(
      fc.property(said, (one) => {
        const { shapes, labels, height } = drawSection(stacked(one));
        for (const { d } of shapes) expect(d).not.toMatch(/NaN|Infinity|undefined/);
        const layers = labels.filter(({ tone }) => tone !== 'pressure').map(({ y }) => y);
        expect(layers).toHaveLength(one.layers.length);
        for (const y of layers) expect(y).toBeLessThanOrEqual(height);
        layers.slice(1).forEach((y, i) => {
          expect(y - (layers[i] ?? 0)).toBeGreaterThanOrEqual(16.9);
        });
      }),
    );
  });
});
