import { EntryContent } from './entry';
import { MOST_IN_SIGNATURE } from './entry-words';
import { SignedEntry } from './signed-entry';

const signed = (strokes: number[][]) => ({ kind: 'signed', as: 'customer', name: 'A'.repeat(120), strokes });
const id = 'x'.repeat(64);
const textOf = (content: unknown) =>
  JSON.stringify({ id, jobId: id, at: new Date(0), by: id, format: 1, content, before: '0'.repeat(64) });

test('the longest signature that is taken can be sent with its proof', () => {
  const longest = signed(Array.from({ length: 40 }, () => Array.from({ length: MOST_IN_SIGNATURE / 40 }, () => 1000)));
  expect(EntryContent.safeParse(longest).success).toBe(true);
  expect(SignedEntry.safeParse({ text: textOf(longest), keyId: id, signature: 'x' }).error).toBeUndefined();
});

test('a longer one is refused, however few its strokes', () => {
  const strokes = Array.from({ length: 10 }, () => Array.from({ length: 302 }, () => 1000));
  expect(EntryContent.safeParse(signed(strokes)).success).toBe(false);
});
