import { emptyWorkbook } from '../testing/workbook';
import { componentById, positionSetById, toolLabel } from './lookup';
import { byName, nameKey } from './names';
import { Component, Kit, Series } from './series';

const { series } = emptyWorkbook();

describe('names', () => {
  const list = [{ name: 'cover nut' }, { name: 'O-ring' }, { name: 'shaft seal' }];
  test.each([
    ['Cover nuts', 'cover nut'],
    ['  cover   nut ', 'cover nut'],
    ['o-rings', 'O-ring'],
    ['shaft seals', 'shaft seal'],
  ])('%s is found whatever its number, case or spaces', (said, found) => {
    expect(byName(list, said)?.name).toBe(found);
  });
  test('only the last word carries the number', () => {
    expect(nameKey('glands seal')).not.toBe(nameKey('gland seal'));
    expect(byName(list, 'nut')).toBeUndefined();
  });
  test('a tool is told with its size', () => {
    expect(toolLabel({ id: 't', name: 'socket', size: '17 mm' })).toBe('socket, 17 mm');
    expect(toolLabel({ id: 't', name: 'lamp' })).toBe('lamp');
  });
});

describe('a component', () => {
  const plain = { id: 'seal', name: 'seal', kind: 'lip-seal', count: 1 };
  const reasons = (fields: object) => {
    const parsed = Component.safeParse({ ...plain, ...fields });
    return parsed.success ? [] : parsed.error.issues.map((issue) => issue.path.join('.'));
  };
  test('says little until somebody says more', () => {
    expect(Component.parse(plain)).toEqual({ ...plain, matched: false, renewal: 'judge' });
  });
  test.each([
    ['a count of nothing', { count: 0 }, ['count']],
    ['half a piece', { count: 1.5 }, ['count']],
    ['no mass at all', { massKg: 0 }, ['massKg']],
    ['a soak shorter than a minute', { soakMinutes: 0.5 }, ['soakMinutes']],
    [
      'a face without a direction',
      { faces: { end: 'lip', toward: { is: 'words', said: ' ' } } },
      ['faces.toward.said'],
    ],
    ['an id with a slash, which units are told apart by', { id: 'a/b' }, ['id']],
    ['a cover neither said nor struck out', { coveredBy: [{ componentId: 'x', said: 'maybe' }] }, ['coveredBy.0.said']],
    ['"brittle: no", which is said by saying nothing', { brittle: false }, ['brittle']],
  ])('is refused with %s', (_what, fields, paths) => {
    expect(reasons(fields)).toEqual(paths);
  });
  test('is refused with a word that the format does not know', () => {
    expect(Component.safeParse({ ...plain, colour: 'red' }).success).toBe(false);
  });
});

describe('a series', () => {
  test('finds its parts and positions, and nothing for nothing', () => {
    expect(positionSetById(series, 'shafts')?.positions).toHaveLength(2);
    expect(positionSetById(series, undefined)).toBeUndefined();
    expect(componentById(series, 'nobody')).toBeUndefined();
  });
  test('of an earlier version has no kits yet', () => {
    const { kits: _unknown, ...earlier } = series;
    expect(Series.parse(earlier).kits).toEqual([]);
  });
  test('holds pressure unless it says that it does not', () => {
    expect(Series.parse(series).unpressurised).toBeUndefined();
    expect(Series.safeParse({ ...series, unpressurised: false }).success).toBe(false);
  });
  test('has kits of whole pieces', () => {
    const kit = { id: 'k', name: 'kit', contents: [{ componentId: 'seal', count: 2 }] };
    expect(Kit.parse(kit)).toEqual(kit);
    expect(Kit.safeParse({ ...kit, contents: [{ componentId: 'seal', count: 0 }] }).success).toBe(false);
  });
});
