import { typed, withStep } from '../testing/workbook';
import type { Entry, EntryContent } from './entry';
import { foldJob } from './job';
import { placeLength, spotsOpen } from './length-reading';
import { refuseEntry } from './refuse-entry';

const workbook = withStep(typed(['inspect plunger @each shaft']), 0, {
  measurements: [{ id: 'od', what: 'diameter', points: ['top', 'bottom'], directions: 1, follows: 'renew' }],
});
const [step] = workbook.procedure.steps;
const [one, two] = (workbook.series.positionSets[0]?.positions ?? []).map(({ id }) => id);
let n = 0;
const folded = (...contents: EntryContent[]) =>
  foldJob(
    workbook,
    'mara',
    contents.map((content): Entry => {
      n += 1;
      return { id: `e${n}`, at: '2026-01-05T08:30:00.000Z', by: 'mara', content };
    }),
  );
const sent = (id: string, value = 35.94, more = {}) => ({
  ...{ id, ageMs: 100, peak: { value, unit: 'mm' }, number: 'CA-02' },
  ...more,
});
const place = (reading: ReturnType<typeof sent>, contents: EntryContent[] = [], tapped?: never) =>
  placeLength(reading, { step, tapped }, folded(...contents), 'mara', workbook);
function taken(...ids: string[]): EntryContent[] {
  const contents: EntryContent[] = [];
  for (const id of ids) {
    const placed = place(sent(id), contents);
    if (placed.is === 'taken') contents.push(placed.content);
  }
  return contents;
}

test('readings fill the open spots one after the other, and the job takes them in', () => {
  const contents = taken('a', 'b', 'c', 'd');
  expect(contents.map((content) => content.kind === 'measured' && [content.positionId, content.point])).toEqual([
    [one, 'top'],
    [one, 'bottom'],
    [two, 'top'],
    [two, 'bottom'],
  ]);
  expect(step && spotsOpen(step, folded(...contents), workbook)).toEqual([]);
  expect(place(sent('e'), contents)).toEqual({ is: 'unused', why: 'nothing-open' });
  const [first] = contents;
  expect(first && refuseEntry(workbook, folded(), 'mara', first)).toBeUndefined();
});

test('sent again it is known, also to the server', () => {
  const contents = taken('a');
  expect(place(sent('a'), contents)).toEqual({ is: 'known' });
  const [first] = contents;
  expect(first && refuseEntry(workbook, folded(...contents), 'mara', first)).toBe('reading-known');
});

test('what is late, of another kind of unit, or below zero is not used; what nobody has in hand waits', () => {
  expect(place(sent('a', 1, { ageMs: 20_000 }))).toEqual({ is: 'unused', why: 'late' });
  expect(place(sent('a', 1, { peak: { value: 1, unit: 'N·m' } }))).toEqual({ is: 'unused', why: 'no-size' });
  expect(place(sent('a', -1))).toEqual({ is: 'unused', why: 'no-size' });
  expect(placeLength(sent('a'), { step, tapped: undefined }, folded(), 'tobias', workbook)).toEqual({ is: 'waits' });
});

test('the spot that was tapped comes first, also where it was measured before', () => {
  const contents = taken('a', 'b');
  const tapped = { measurementId: 'od', positionId: one ?? null, point: 'top', direction: 1 as const };
  expect(placeLength(sent('c'), { step, tapped }, folded(...contents), 'mara', workbook)).toMatchObject({
    is: 'taken',
    spot: tapped,
  });
});
