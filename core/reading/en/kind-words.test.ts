import { newComponent } from '../../edits/steps';
import { byName, pluralName, singularName } from '../../model/names';
import { KIND_WORDS, kindFromName } from './kind-words';

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

test('the table knows at least 150 names, and every one of them means its kind', () => {
  const names = Object.entries(KIND_WORDS).flatMap(([kind, words]) => words.map((word) => [word, kind] as const));
  expect(names.length).toBeGreaterThanOrEqual(150);
  for (const [name, kind] of names) {
    expect([name, kindFromName(name)]).toEqual([name, kind]);
    expect([name, kindFromName(`left ${pluralName(name)}`)]).toEqual([name, kind]);
  }
  expect(new Set(names.map(([name]) => name)).size).toBe(names.length);
});

/** The last word that names a kind decides. Common practice. */
test.each([
  ['plunger retainer', 'retainer'],
  ['plunger bolt seal ring', 'seal'],
  ['M10 capscrew', 'screw'],
  ['high pressure seal', 'seal'],
  ['main seal', 'seal'],
  ['V-packing', 'packing'],
  ['circlip', 'clip'],
  ['mechanical seal', 'seal'],
  ['inlet adapter', 'fitting'],
  ['seal case O-ring', 'o-ring'],
  ['crankcase rear cover bolt', 'bolt'],
  ['valve cap', 'cover'],
  ['oil seal', 'lip-seal'],
  ['discharge valve seat', 'valve-seat'],
])('%s is a %s', (name, kind) => {
  expect(kindFromName(name)).toBe(kind);
});

test('seals that were disturbed and pins that were bent are renewed, unless a trainer decides otherwise', () => {
  const renewal = (name: string) => newComponent('x', name).renewal;
  expect(['cover O-ring', 'lip seal', 'V-packing', 'head gasket', 'split pin', 'copper washer'].map(renewal)).toEqual(
    Array(6).fill('always'),
  );
  const kept = ['plunger', 'dowel pin', 'carbon seal face', 'flat washer', 'lantern ring', 'male adapter ring'];
  expect(kept.map(renewal)).toEqual(kept.map(() => 'judge'));
  expect(newComponent('x', 'cover O-ring', { renewal: 'judge' }).renewal).toBe('judge');
});
