import type { Series, Stack } from '../pump/series';
import { componentId, typed, withComponent } from '../testing/workbook';
import { PROFILES } from './profiles';
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
    'a ring',
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
  expect(layers.map(({ text }) => text)).toEqual([
    '8 × h ring',
    '7 × g ring',
    '6 × f ring',
    '5 × e ring',
    '4 × d ring',
    '3 × c ring',
    '2 × b ring',
    'a ring',
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
