import type { ReadProposal } from '#core/narration/desk';
import { readingOf } from '#core/narration/reading';
import { typed } from '#core/testing/workbook';
import { marksIn } from './marks';

const { series } = typed(['take off 6 flange bolts', 'take off 4 drain bolts', 'take off pilot cap']);
const read = (line: string): ReadProposal => ({
  proposal: { id: 'one', passageIds: ['p1'], line },
  parsed: readingOf(line, series, []),
  steps: [],
  isNote: false,
  fresh: [],
  isWhole: false,
});

test('parts that are named and words that are asked about are marked, and nothing is lost', () => {
  const said = 'Take off the pilot cap and undo the bolts';
  const marks = marksIn(said, read(said));
  expect(marks.filter(({ is }) => is !== 'plain').map(({ text, is }) => [text, is])).toEqual([
    ['pilot cap', 'part'],
    ['bolts', 'asked'],
  ]);
  expect(marks.map(({ text }) => text).join('')).toBe(said);
});

test('a line that was merged marks each of its passages; one that was rewritten marks nothing', () => {
  const merged = read('Undo the flange bolts. Take off the pilot cap.');
  expect(marksIn('Take off the pilot cap.', merged).map(({ is }) => is)).toEqual(['plain', 'part', 'plain']);
  expect(marksIn('Lift it off.', merged)).toEqual([{ text: 'Lift it off.', is: 'plain', at: 0 }]);
});
