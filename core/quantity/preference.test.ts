import { preferred, preferredAs, sayPreferred } from './preference';

test.each([
  // NIST SP 811 factors, worked by hand: 45 / 1.355 818 = 33.19.
  [{ value: 45, unit: 'N·m' }, 'us', '33.2 lbf·ft (45 N·m)'],
  // Small torques are told in inch pounds: 7 / 0.112 985 = 61.96.
  [{ value: 7, unit: 'N·m' }, 'us', '62 lbf·in (7 N·m)'],
  [{ value: 531, unit: 'lbf·in' }, 'metric', '60 N·m (531 lbf·in)'],
  [{ value: 45, unit: 'N·m' }, 'metric', '45 N·m'],
  [{ value: 62, unit: 'lbf·in' }, 'us', '62 lbf·in'],
  [{ value: 45, unit: 'N·m' }, 'as-given', '45 N·m'],
  [{ value: 28, unit: 'kg' }, 'us', '61.7 lb (28 kg)'],
  [{ value: 36, unit: 'mm' }, 'us', '1.4173 in (36 mm)'],
] as const)('%j for a reader who prefers %s', (quantity, preference, said) => {
  expect(sayPreferred({ ...quantity }, preference)).toBe(said);
});

test('a quantity is converted to be shown and kept as it was given', () => {
  const given = { value: 45, unit: 'N·m' as const };
  expect(preferred(given, 'us')).not.toBe(given);
  expect(given).toEqual({ value: 45, unit: 'N·m' });
  expect(preferred(given, 'metric')).toBe(given);
});

test('figures that stand together are shown in one unit', () => {
  const [pass, last] = [13.5, 45].map((value) => ({ value, unit: 'N·m' as const }));
  if (!pass || !last) throw new Error('no figures');
  // By itself it would be told in inch pounds; 13.5 / 1.355 818 = 9.957.
  expect(preferred(pass, 'us').unit).toBe('lbf·in');
  const shown = preferredAs(pass, last, 'us');
  expect([shown.unit, shown.value.toFixed(3)]).toEqual(['lbf·ft', '9.957']);
  expect(preferredAs(pass, last, 'as-given')).toEqual(pass);
});
