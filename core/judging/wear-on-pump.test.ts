import { type SizeInJob, wearOnPump, worstOf } from './wear-on-pump';

const mm = (value: number) => ({ value, unit: 'mm' as const });
const limits = { nominal: mm(36), least: mm(35.9) };
const size = (positionId: string, value: number, more: Partial<SizeInJob> = {}): SizeInJob => ({
  ...{ componentId: 'p', part: 'plunger', what: 'diameter', positionId, place: `bore ${positionId}` },
  ...{ reading: mm(value), limits, ...more },
});

test('the size furthest from new counts; without a new size the one nearest its limit', () => {
  expect(worstOf([mm(35.98), mm(35.95), mm(36.01)], limits, 'mm')).toBe(35.95);
  expect(worstOf([mm(35.98), mm(35.95)], { least: mm(35.9) }, 'mm')).toBe(35.95);
  expect(worstOf([mm(20.02), mm(20.05)], { most: mm(20.1) }, 'mm')).toBe(20.05);
  expect(worstOf([], limits, 'mm')).toBeUndefined();
});

test('each place of a part is one line over the hours, with its rate and what is left', () => {
  const [plunger, ...others] = wearOnPump([
    { hours: 1000, measured: [size('1', 35.99), size('1', 35.98), size('2', 36)] },
    { hours: 3000, measured: [size('1', 35.94), size('2', 35.99)] },
  ]);
  expect(others).toEqual([]);
  expect(plunger).toMatchObject({ part: 'plunger', what: 'diameter', unit: 'mm', isNew: 36, least: 35.9 });
  expect(plunger?.places.map(({ place, points }) => [place, points])).toEqual([
    [
      'bore 1',
      [
        { hours: 1000, value: 35.98 },
        { hours: 3000, value: 35.94 },
      ],
    ],
    [
      'bore 2',
      [
        { hours: 1000, value: 36 },
        { hours: 3000, value: 35.99 },
      ],
    ],
  ]);
  // 0.02 mm in 1,000 h; 0.04 mm are left.
  expect(plunger?.places[0]?.rate?.perHour).toBeCloseTo(-0.00002, 9);
  expect(plunger?.places[0]?.rate?.left?.hours).toBeCloseTo(2000);
});

test('inches and millimetres are one line, by the limits of the latest job', () => {
  const [plunger] = wearOnPump([
    { hours: 100, measured: [size('1', 0, { reading: { value: 1.4173, unit: 'in' } })] },
    { hours: 200, measured: [size('1', 35.95, { limits: { ...limits, least: mm(35.85) } })] },
  ]);
  expect(plunger?.least).toBe(35.85);
  expect(plunger?.places[0]?.points[0]?.value).toBeCloseTo(35.9994, 3);
});

test('one job, or jobs without hours, show no wear', () => {
  expect(wearOnPump([{ hours: 1000, measured: [size('1', 35.99)] }])).toEqual([]);
  expect(
    wearOnPump([
      { hours: null, measured: [size('1', 35.99)] },
      { hours: 2000, measured: [size('1', 35.9)] },
    ]),
  ).toEqual([]);
});
