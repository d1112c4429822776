import type { Word } from '../words/words';
import type { NameIndex } from './known-names';

/** A run of words that is read as one, with the names it may use. */
export class Sentence {
  readonly lows: readonly string[];

  constructor(
    /** The whole line, of which the words are a part. */
    private readonly line: string,
    readonly words: readonly Word[],
    readonly names: NameIndex,
  ) {
    this.lows = words.map(({ low }) => low);
  }

  /** Whether it ends with a question mark. */
  get isQuestion(): boolean {
    const last = this.words.at(-1);
    return last !== undefined && /^\s*\?/.test(this.line.slice(last.to));
  }

  /** What was typed from one word to before another. */
  text(start: number, end: number): string {
    let text = '';
    let last: Word | undefined;
    for (const word of this.words.slice(start, end)) {
      const between = last === undefined ? '' : this.between(last, word);
      text += between + (word.as ?? this.line.slice(word.from, word.to));
      last = word;
    }
    return text;
  }

  /** What stands between two words; those that were put in another order are parted by a space. */
  private between(one: Word, two: Word): string {
    const isPutIn = one.from === one.to && /\p{L}/u.test(one.low);
    const gap = two.from >= one.to && !isPutIn ? this.line.slice(one.to, two.from) : ' ';
    return /\p{L}|\d/u.test(gap) ? ' ' : gap;
  }

  slice(start: number, end: number): Sentence {
    return new Sentence(this.line, this.words.slice(start, end), this.names);
  }
}
