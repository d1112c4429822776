import { kindFromName } from './kinds';
import { pluralName, singularName } from './names';
import { byName } from './names';

test.each([
  ['Cover nuts', 'nut'],
  ['Dome nut', 'dome-nut'],
  ['O-rings', 'o-ring'],
  ['stationary ring', 'seal-face'],
  ['Rotary head', 'spring'],
  ['front cover', 'cover'],
  ['cup washers', 'cup-washer'],
  ['Thingummy', 'other'],
])('%s looks like a %s', (name, kind) => {
  expect(kindFromName(name)).toBe(kind);
});

test('only the last word takes the number', () => {
  expect(singularName('Thrust washers')).toBe('Thrust washer');
  expect(pluralName('support ring')).toBe('support rings');
  expect(pluralName('cover gasket')).toBe('cover gaskets');
});

test('a name is found whatever its number, case and spacing', () => {
  expect(byName([{ name: 'cover nut' }], ' Cover  Nuts ')).toEqual({ name: 'cover nut' });
  expect(byName([{ name: 'cover nut' }], 'rotor nut')).toBeUndefined();
});
