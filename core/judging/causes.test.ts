import { sayPointedTo } from '../language/en/causes';
import { causesOf, type Evidence } from './causes';

const seen = (text: string, kind?: Evidence['kind'], part?: string, place?: string): Evidence => ({
  ...{ stepId: text, text, kind, part, place },
});
const names = (...evidence: Evidence[]) => causesOf(evidence).map(({ cause }) => cause);

test('pitting on seats and a noisy suction point to cavitation, with the reasons', () => {
  const pitting = seen('pitting', 'valve-seat', 'valve seat', 'bore 1');
  const [first] = causesOf([pitting, seen('the suction is noisy')]);
  expect(first?.cause).toBe('cavitation');
  expect(first && sayPointedTo(first).why).toBe(
    'pitting, valve seat bore 1; the suction is noisy: together they point to cavitation.',
  );
});

test('scoring on two plungers points to dirt; on one it points to nothing yet', () => {
  const scoring = (place: string) => seen('scoring along the stroke', 'plunger', 'plunger', place);
  expect(names(scoring('bore 1'), scoring('bore 2'))).toContain('dirt');
  expect(names(scoring('bore 1'))).toEqual([]);
  expect(names(scoring('bore 1'), scoring('bore 1'))).toEqual([]);
});

test.each<[string, Evidence[], string]>([
  [
    'seals that swell',
    [seen('swollen or soft', 'o-ring', 'O-ring'), seen('swollen', 'lip-seal', 'seal')],
    'wrong-material',
  ],
  [
    'a step beside hard packing',
    [seen('a step in the diameter', 'plunger', 'plunger'), seen('packing is hard')],
    'retightened-packing',
  ],
  ['milky oil and rust', [seen('oil is milky'), seen('rust or a leak trail', 'bearing', 'bearing')], 'water-in-oil'],
  [
    'an extruded ring and a stuck relief valve',
    [seen('extruded edge', 'o-ring', 'O-ring'), seen('relief valve stuck')],
    'over-pressure',
  ],
  [
    'blue shaft, run dry',
    [seen('blue or brown colour', 'shaft', 'shaft'), seen('operator says it ran dry')],
    'dry-run',
  ],
])('%s', (_name, evidence, cause) => {
  expect(names(...evidence)[0]).toBe(cause);
});

test('what was looked for and not there is no sign, and a sign counts on its kind of part only', () => {
  expect(names(seen('no pitting', 'valve-seat', 'seat', '1'), seen('no noise'))).toEqual([]);
  expect(names(seen('pitting', 'gasket', 'gasket', '1'), seen('pitting', 'gasket', 'gasket', '2'))).toEqual([]);
});
