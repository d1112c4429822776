import { typed } from '../testing/workbook';

const sizeOf = (line: string) => {
  const [step] = typed(['take off 2 rotors', line]).procedure.steps.slice(-1);
  const [size, other] = step?.measurements ?? [];
  if (!size) return undefined;
  expect(other).toBeUndefined();
  const { what, least, most, nominal, points, directions } = size;
  const said = [least, nominal, most].map((one) => (one ? `${one.value} ${one.unit}` : '-')).join(' | ');
  return [what, said, ...(points.length > 0 ? [points.length] : []), ...(directions > 1 ? ['crossed'] : [])];
};

test.each<[string, readonly (string | number)[] | undefined]>([
  ['measure the rotor diameter, minimum 48.6 mm', ['diameter', '48.6 mm | - | -']],
  ['measure the diameter of the rotors, min. 39.95 mm, max. 40.02 mm', ['diameter', '39.95 mm | - | 40.02 mm']],
  ['measure the rotors: not less than 12 mm', ['size', '12 mm | - | -']],
  ['measure the outside diameter of the rotors, no more than 40,2 mm', ['outside diameter', '- | - | 40.2 mm']],
  ['measure the rotor length, 49.0 to 49.4 mm', ['length', '49 mm | - | 49.4 mm']],
  ['measure the rotor length, between 2 and 3 in', ['length', '2 in | - | 3 in']],
  ['measure the rotor width, 20 ± 0.1 mm', ['width', '19.9 mm | 20 mm | 20.1 mm']],
  ['measure the diameter of the rotors at three points, at least 48.6 mm', ['diameter', '48.6 mm | - | -', 3]],
  [
    'measure the rotor diameter at two places in two directions, at least 48.6 mm',
    ['diameter', '48.6 mm | - | -', 2, 'crossed'],
  ],
  ['measure the gap between rotor and casing with a feeler gauge, 0.4 mm max', ['gap', '- | - | 0.4 mm']],
  ['check the runout of the rotors, max 0.05 mm', ['runout', '- | - | 0.05 mm']],
  // Nothing says which limit it is, it is no length, or the limits contradict each other.
  ['measure the rotor diameter 20 mm from the end', undefined],
  ['measure the rotors, about 20 mm', undefined],
  ['measure the rotor width, 10 to 20 mm from the end', undefined],
  ['check the rotors, max 3 bar', undefined],
  ['measure the rotor diameter, min 50 mm, max 40 mm', undefined],
  ['take off the rotors, at most 20 mm', undefined],
])('%s', (line, size) => {
  expect(sizeOf(line)).toEqual(size);
});

test('it is measured with the only tool of the step, and what is out of its limits is renewed', () => {
  const { series, procedure } = typed(['take off 2 rotors', 'measure the rotor width with a calliper, at least 20 mm']);
  expect(procedure.steps.at(-1)?.measurements).toMatchObject([
    { toolId: series.tools.find(({ name }) => name === 'calliper')?.id, follows: 'renew' },
  ]);
});

test('limits that are told as a condition are limits, and renew nothing that is within them', () => {
  for (const [line, limits] of [
    ['measure the rotor diameter, if it is under 48.6 mm replace the rotor', { least: 48.6 }],
    ['measure the rotor diameter, anything under 48.6 mm and it is scrap', { least: 48.6 }],
    ['measure the rotor diameter. If it is less than 48.6 mm, renew it', { least: 48.6 }],
    ['measure the clearance of the rotors, more than 0.4 mm and the rotors are renewed', { most: 0.4 }],
    ['measure the rotor diameter, renew the rotors below 48.6 mm', { least: 48.6 }],
    ['measure the rotor diameter and replace the rotors if it exceeds 48.6 mm', { most: 48.6 }],
  ] as const) {
    const { steps } = typed(['take off 2 rotors', line]).procedure;
    expect([line, steps.slice(1).map(({ verb }) => verb)]).toEqual([line, ['measure']]);
    const [size] = steps.at(-1)?.measurements ?? [];
    expect([
      line,
      { ...(size?.least && { least: size.least.value }), ...(size?.most && { most: size.most.value }) },
    ]).toEqual([line, limits]);
  }
});

test('a limit typed behind the step that measures is its limit', () => {
  const [, step] = typed(['take off 2 rotors', 'measure the rotor width', 'minimum 20 mm']).procedure.steps;
  expect(step?.measurements).toMatchObject([{ what: 'width', least: { value: 20, unit: 'mm' } }]);
});
