import { replay } from '../bench/replay';
import type { Workbook } from '../model/procedure';
import { componentId, typed, withComponent, withStep } from '../testing/workbook';
import { asFoundEnds, asFoundPoints, isPhotographed, lastLooks } from './looks';

const looks = (workbook: Workbook) =>
  lastLooks(replay(workbook)).map(({ componentId: id, from, coveredAt, coveredById }) => [
    nameOf(workbook, id),
    from,
    coveredAt,
    coveredById && nameOf(workbook, coveredById),
  ]);
const nameOf = (workbook: Workbook, id: string) => workbook.series.components.find((part) => part.id === id)?.name;
const keyed = (lines: string[], name = 'seal') => withComponent(typed(lines), name, { keyed: true });

const CLOSED = [
  'take off cover',
  'draw rotor @each shaft',
  'draw seal @each shaft',
  'fit seal',
  'fit rotor',
  'fit cover',
];

describe('the last look', () => {
  test('is between the fitting and the first thing that goes over it', () => {
    expect(looks(keyed(CLOSED))).toEqual([['seal', 3, 4, 'rotor']]);
  });
  test('is never over while nothing covers it', () => {
    expect(looks(keyed(CLOSED.slice(0, 4)))).toEqual([['seal', 3, 4, undefined]]);
  });
  test('concerns only parts of which it matters how they sit', () => {
    expect(looks(typed(CLOSED))).toEqual([]);
    const said = withStep(typed(CLOSED), 3, { faces: { end: 'lip', toward: { is: 'pressure' } } });
    expect(looks(said)).toHaveLength(1);
  });
  test('is judged at the shaft it concerns', () => {
    const lines = ['draw rotor @shaft 1', 'draw seal @each shaft', 'fit seal', 'fit rotor @shaft 1'];
    expect(looks(keyed(lines))).toEqual([['seal', 2, 3, 'rotor']]);
    const other = ['draw rotor @shaft 1', 'draw seal @shaft 2', 'fit seal @shaft 2', 'fit rotor @shaft 1'];
    expect(looks(keyed(other))).toEqual([['seal', 2, 4, undefined]]);
  });
  test('is not ended by what the series says does not cover it', () => {
    const clear = withComponent(keyed(CLOSED), 'seal', (id) => ({
      coveredBy: [{ componentId: id('rotor'), said: 'clear' }],
    }));
    expect(looks(clear)).toEqual([['seal', 3, 5, 'cover']]);
  });
  test('counts a photo at the fitting or before the covering, not one after it', () => {
    const workbook = keyed(CLOSED);
    const photographed = (index: number) => {
      const timeline = replay(withStep(workbook, index, { photo: { mustShow: 'the lip' } }));
      return lastLooks(timeline).every((look) => isPhotographed(timeline, look));
    };
    expect([3, 4, 5].map(photographed)).toEqual([true, false, false]);
  });
});

describe('as found', () => {
  test('lasts until something is cleaned or renewed', () => {
    const { steps } = typed(['take off cover', 'inspect rotor', 'clean rotor', 'renew seal']).procedure;
    expect(asFoundEnds(steps)).toBe(2);
    expect(asFoundEnds(steps.slice(0, 2))).toBe(-1);
  });
  test('is disturbed by taking off what is judged or matched, not by a plain cover that is kept', () => {
    const base = withComponent(typed(['take off cover', 'draw rotor @each shaft', 'take off seal']), 'cover', {
      renewal: 'keep',
    });
    const disturbed = asFoundPoints(replay(base)).map((step) => step.targets[0]?.componentId);
    expect(disturbed).toEqual([componentId(base, 'rotor'), componentId(base, 'seal')]);
  });
});
