import { pitchDiameter, stressArea, threadIn } from './threads';

/** ISO 898-1, nominal stress areas of coarse threads, mm²; recalled from memory. */
test.each([
  ['M3', 5.03],
  ['M4', 8.78],
  ['M5', 14.2],
  ['M6', 20.1],
  ['M7', 28.9],
  ['M8', 36.6],
  ['M10', 58],
  ['M12', 84.3],
  ['M14', 115],
  ['M16', 157],
  ['M18', 192],
  ['M20', 245],
  ['M22', 303],
  ['M24', 353],
  ['M27', 459],
  ['M30', 561],
  ['M33', 694],
  ['M36', 817],
  ['M39', 976],
])('the stress area of %s is %s mm² (ISO 898-1)', (name, area) => {
  expect(Math.abs((threadIn(name)?.stressArea ?? 0) / area - 1)).toBeLessThan(0.005);
});

/** ISO 898-1, fine threads; recalled from memory. */
test.each([
  ['M8x1', 39.2],
  ['M10x1.25', 61.2],
  ['M10x1', 64.5],
  ['M12x1.25', 92.1],
  ['M12x1.5', 88.1],
  ['M14x1.5', 125],
  ['M16x1.5', 167],
  ['M20x1.5', 272],
  ['M24x2', 384],
])('the stress area of %s is %s mm² (ISO 898-1)', (name, area) => {
  expect(Math.abs((threadIn(name)?.stressArea ?? 0) / area - 1)).toBeLessThan(0.005);
});

/** ASME B1.1 and SAE J429, tensile stress areas in square inches; recalled from memory. */
test.each([
  ['#10-24', 0.0175],
  ['#10-32', 0.02],
  ['1/4-20', 0.0318],
  ['1/4-28', 0.0364],
  ['5/16-18', 0.0524],
  ['5/16-24', 0.058],
  ['3/8-16', 0.0775],
  ['3/8-24', 0.0878],
  ['7/16-14', 0.1063],
  ['7/16-20', 0.1187],
  ['1/2-13', 0.1419],
  ['1/2-20', 0.1599],
  ['9/16-12', 0.182],
  ['5/8-11', 0.226],
  ['5/8-18', 0.256],
  ['3/4-10', 0.334],
  ['3/4-16', 0.373],
  ['7/8-9', 0.462],
  ['7/8-14', 0.509],
  ['1-8', 0.606],
  ['1-12', 0.663],
])('the stress area of %s is %s in² (ASME B1.1)', (name, area) => {
  expect(Math.abs((threadIn(name)?.stressArea ?? 0) / (area * 25.4 ** 2) - 1)).toBeLessThan(0.006);
});

test('the pitch diameter of M10 is 9.026 mm, of M12 10.863 mm (ISO 724)', () => {
  expect(pitchDiameter({ diameter: 10, pitch: 1.5 })).toBeCloseTo(9.026, 3);
  expect(pitchDiameter({ diameter: 12, pitch: 1.75 })).toBeCloseTo(10.863, 3);
  expect(stressArea(10, 1.5)).toBeCloseTo(57.99, 2);
});

test.each([
  ['M10', 'M10'],
  ['M 8 x 1', 'M8x1'],
  ['cover screw M10×1,25', 'M10x1.25'],
  ['m6 bolts', 'M6'],
  ['3/8-16 UNC', '3/8-16'],
  ['3/8 UNF', '3/8-24'],
  ['1/2"-13', '1/2-13'],
  ['5/16 in - 18', '5/16-18'],
  ['#10-32', '#10-32'],
  ['no. 8-32 screw', '#8-32'],
  ['1-1/4-7', '1 1/4-7'],
  ['G 1/2', 'G 1/2'],
  ['1/4 BSP plug', 'G 1/4'],
  ['R 3/8', 'R 3/8'],
  ['1/2 NPT', '1/2 NPT'],
  ['1/4-18 NPT', '1/4 NPT'],
])('%s is the thread %s', (words, name) => {
  expect(threadIn(words)?.name).toBe(name);
});

test.each(['MA10', 'M10/12 gasket', 'M99', '3/8-17', '13 mm', 'part 1/2', 'RAM 1', 'M8x9'])(
  '%s names no thread',
  (words) => {
    expect(threadIn(words)).toBeUndefined();
  },
);

test('a parallel pipe thread has the size of ISO 228-1, a taper thread seals in itself', () => {
  expect(threadIn('G 1/2')).toMatchObject({ form: 'pipe', diameter: 20.955 });
  expect(threadIn('1/4 NPT')).toMatchObject({ form: 'taper', diameter: 13.716 });
});
