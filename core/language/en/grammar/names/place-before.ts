import { type KnownName, type KnownPlace, namesAt } from './known-names';
import { isPastName } from './name-ends';
import type { Sentence } from './sentence';

/** "The left diaphragm" of one at each side, "the drive end wear plate": how many words say the place. */
export function placeOfNext(sentence: Sentence, at: number): number {
  if (!mayBePlaced(sentence, at)) return 0;
  const { words, lows, names } = sentence;
  if (namesAt(names, words, at).some(({ kind }) => kind === 'part')) return 0;
  const lengths = LENGTHS.filter((length) => {
    const place = lows.slice(at, at + length).join(' ');
    return namesAt(names, words, at + length).some(
      // "The shaft 1 rotor cap" is no rotor.
      (known) => placeCalled(known, place) !== undefined && isPastName(sentence, at + length + known.length),
    );
  });
  return lengths[0] ?? 0;
}

/** The place of a part that is called so; words that were joined to one are told apart again. */
export function placeCalled({ placed }: KnownName, said: string): KnownPlace | undefined {
  return placed?.get(said) ?? placed?.get(said.replaceAll('-', ' '));
}

/** Whether one of the next words names a part that sits at several places; most do not. */
export function mayBePlaced({ words, names }: Pick<Sentence, 'words' | 'names'>, at: number): boolean {
  return LENGTHS.some((length) => namesAt(names, words, at + length).some(({ placed }) => placed !== undefined));
}

/** Names of places have so many words, the longest first. */
const LENGTHS = [3, 2, 1] as const;
