import type { Entry, EntryContent } from '../job/entry';
import { foldJob } from '../job/job';
import { summarySections } from '../language/en/summary';
import { sayQuantity } from '../quantity/quantity';
import { typed, withComponent, withStep } from '../testing/workbook';
import { photoPairs } from './photo-pairs';
import { summaryOf } from './summary';

const mm = (value: number) => ({ value, unit: 'mm' as const });
const HASH = (letter: string) => letter.repeat(64);
const lines = typed([
  'isolate the drive',
  'take off cover ?the cover lies face up',
  'take off 2 rings',
  'measure shaft @each shaft',
  'renew 2 rings',
  'fit 2 rings',
  'fit cover ?the gasket all round',
  'torque 4 cover nuts =20 N·m',
  'restore the drive',
]);
const counted = withComponent(lines, 'ring', { renewal: 'always' });
const workbook = withStep(counted, 3, {
  measurements: [{ id: 'od', what: 'diameter', least: mm(31.9), points: [], directions: 1, follows: 'renew' }],
});
const ids = workbook.procedure.steps.map(({ id }) => id);
const [one = '', two = ''] = (workbook.series.positionSets[0]?.positions ?? []).map(({ id }) => id);
const id = (index: number) => ids[index] ?? '';

let minute = 0;
const entry = (content: EntryContent, by = 'mara'): Entry => {
  minute += 5;
  return { id: `e${minute}`, at: new Date(Date.UTC(2026, 0, 5, 8, minute)).toISOString(), by, content };
};
const photo = (stepId: string, letter: string): EntryContent => ({ kind: 'photo-taken', stepId, photo: HASH(letter) });
const measured = (positionId: string, value: number): EntryContent => ({
  ...{
    kind: 'measured',
    stepId: id(3),
    measurementId: 'od',
    positionId,
    point: null,
    direction: 1,
    reading: mm(value),
  },
});
const pulls = [20, 20.5, 19.8, 25].map(
  (value): EntryContent => ({
    ...{ kind: 'torque-read', stepId: id(7), positionId: null, reading: { value, unit: 'N·m' } },
  }),
);

function whole() {
  minute = 0;
  const by = (index: number): EntryContent[] => {
    if (index === 1) return [photo(id(1), 'a')];
    if (index === 3) return [measured(one, 31.95), measured(two, 31.8)];
    if (index === 6) return [photo(id(6), 'b'), photo(id(6), 'c')];
    return index === 7 ? [...pulls, { kind: 'overridden', stepId: id(7), what: 'torque', reason: 'as found' }] : [];
  };
  const entries = ids.flatMap((stepId, index) => [
    ...by(index).map((content) => entry(content)),
    entry({ kind: 'step-done', stepId }, index < 5 ? 'mara' : 'tobias'),
  ]);
  const start = new Date(Date.UTC(2026, 0, 5, 8, 0)).toISOString();
  const state = foldJob(workbook, 'mara', entries);
  return { state, summary: summaryOf(workbook, state, entries, start) };
}

test('a job on one page: done, renewed, found, measured, tightened, who and how long', () => {
  const { summary } = whole();
  expect(summary).toMatchObject({ done: 9, toDo: 9, photos: 3, skipped: 1, problems: 0 });
  expect(summary.time.worked).toBe(minute);
  expect(summary.people).toEqual([
    { id: 'mara', steps: 5 },
    { id: 'tobias', steps: 4 },
  ]);
  expect(summary.renewed.map(({ component, count }) => [component.name, count])).toEqual([['ring', 2]]);
  expect(summary.found.map(({ found, place }) => [found, place])).toEqual([[{ limit: 'under' }, 'shaft 2']]);
  expect(summary.measured.map(({ place, isWithin }) => [place, isWithin])).toEqual([
    ['shaft 1', true],
    ['shaft 2', false],
  ]);
  expect(summary.tightened).toMatchObject([{ count: 1, within: 0 }]);
});

test.each([
  [31.978, 31.98, '31.978 mm to 31.980 mm'],
  [31.98, 31.98, '31.98 mm'],
  [32, 1000.5, '32.0 mm to 1000.5 mm'],
])('sizes of one part are said with as many decimals: %d and %d', (smallest, largest, said) => {
  const { summary } = whole();
  const [first] = summary.measured;
  if (!first) throw new Error('nothing measured');
  const words = { nameOf: String, say: sayQuantity, duration: String };
  const sized = { ...summary, measured: [{ ...first, smallest: mm(smallest), largest: mm(largest) }] };
  const section = summarySections(sized, words, 'workshop').find(({ title }) => title === 'Measured');
  expect(section?.lines).toEqual([`shaft, shaft 1, diameter: ${said}, within its limits`]);
});

test('the photo of a part that comes off stands beside the last one of it back in its place', () => {
  const { state } = whole();
  expect(photoPairs(workbook, state)).toMatchObject([
    { before: { index: 1, photo: { hash: HASH('a') } }, after: { index: 6, photo: { hash: HASH('c') } } },
  ]);
});
