import { FASTENER_CLASSES, type FastenerClass } from '../model/fastener-classes';
import { proofLoad } from './preload';
import { classIn, proofStress } from './strength';
import { threadIn } from './threads';

const CLASSES = ['4.6', '4.8', '5.6', '5.8', '6.8', '8.8', '9.8', '10.9', '12.9'] as const;

/** ISO 898-1, proof loads of coarse threads, N, in the order of the classes above; recalled from memory. */
const PROOF_LOADS: readonly (readonly [string, ...(number | null)[]])[] = [
  ['M3', 1130, 1560, 1410, 1910, 2210, 2920, 3270, 4180, 4880],
  ['M4', 1980, 2720, 2460, 3340, 3860, 5100, 5710, 7290, 8520],
  ['M5', 3200, 4400, 3980, 5400, 6250, 8230, 9230, 11800, 13800],
  ['M6', 4520, 6230, 5630, 7640, 8840, 11600, 13100, 16700, 19500],
  ['M8', 8240, 11400, 10200, 13900, 16100, 21200, 23800, 30400, 35500],
  ['M10', 13000, 18000, 16200, 22000, 25500, 33700, 37700, 48100, 56300],
  ['M12', 19000, 26100, 23600, 32000, 37100, 48900, 54800, 70000, 81800],
  ['M14', 25900, 35600, 32200, 43700, 50600, 66700, 74800, 95500, 112000],
  ['M16', 35300, 48700, 44000, 59700, 69100, 91000, 102000, 130000, 152000],
  ['M18', 43200, 59500, 53800, 73000, 84500, 115000, null, 159000, 186000],
  ['M20', 55100, 76000, 68600, 93100, 108000, 147000, null, 203000, 238000],
  ['M22', 68200, 93900, 84800, 115000, 133000, 182000, null, 252000, 294000],
  ['M24', 79400, 109000, 98800, 134000, 155000, 212000, null, 293000, 342000],
];

test.each(
  PROOF_LOADS.flatMap(([name, ...loads]) =>
    loads.flatMap((load, i) => (load === null ? [] : [[name, CLASSES[i] as FastenerClass, load] as const])),
  ),
)('%s of class %s proves %s N (ISO 898-1)', (name, kind, load) => {
  const thread = threadIn(name);
  // The standard rounds areas and loads to three digits.
  expect(Math.abs((thread ? proofLoad(thread, kind) : 0) / load - 1)).toBeLessThan(0.011);
});

/** SAE J429, proof loads in lbf; recalled from memory. */
test.each([
  ['1/4-20', 'SAE 2', 1750],
  ['1/4-20', 'SAE 5', 2700],
  ['1/4-20', 'SAE 8', 3800],
  ['5/16-18', 'SAE 5', 4450],
  ['5/16-18', 'SAE 8', 6300],
  ['3/8-16', 'SAE 2', 4250],
  ['3/8-16', 'SAE 5', 6600],
  ['3/8-16', 'SAE 8', 9300],
  ['1/2-13', 'SAE 2', 7800],
  ['1/2-13', 'SAE 5', 12_100],
  ['1/2-13', 'SAE 8', 17_050],
  ['5/8-11', 'SAE 5', 19_200],
  ['3/4-10', 'SAE 5', 28_400],
  ['3/4-10', 'SAE 8', 40_100],
  ['1-8', 'SAE 5', 51_500],
  ['1-8', 'SAE 8', 72_700],
  ['7/8-9', 'SAE 2', 15_200],
] as const)('%s of %s proves %s lbf (SAE J429)', (name, kind, pounds) => {
  const thread = threadIn(name);
  expect(Math.abs((thread ? proofLoad(thread, kind) : 0) / (pounds * 4.448_222) - 1)).toBeLessThan(0.012);
});

/** ISO 3506-1, stress at 0.2 % permanent strain, MPa; recalled from memory. */
test.each([
  ['A2-50', 210],
  ['A4-70', 450],
  ['A4-80', 600],
] as const)('%s yields at %s MPa (ISO 3506-1)', (kind, stress) => {
  expect(proofStress(kind, 10)).toBe(stress);
});

test('grade 2 and grade 5 are weaker when they are large (SAE J429)', () => {
  expect(proofStress('SAE 2', 25.4)).toBeLessThan(proofStress('SAE 2', 12.7));
  expect(proofStress('SAE 5', 28.6)).toBeLessThan(proofStress('SAE 5', 25.4));
});

test.each([
  ['cover bolt M8 8.8', '8.8'],
  ['A4 80 stud', 'A4-80'],
  ['a2-70', 'A2-70'],
  ['grade 5 cap screw', 'SAE 5'],
  ['brass plug', 'brass'],
  ['PVC cap', 'plastic'],
])('%s is of %s', (words, kind) => {
  expect(classIn(words)).toBe(kind);
});

test('what names no class is of none', () => {
  expect(classIn('M10 bolt')).toBeUndefined();
  expect(FASTENER_CLASSES).toHaveLength(new Set(FASTENER_CLASSES).size);
});
