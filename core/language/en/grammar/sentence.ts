import type { NameIndex } from './known-names';
import type { Word } from './words';

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

  /** What was typed from one word to before another. */
  text(start: number, end: number): string {
    const first = this.words[start];
    const last = this.words[end - 1];
    return first && last && end > start ? this.line.slice(first.from, last.to) : '';
  }

  slice(start: number, end: number): Sentence {
    return new Sentence(this.line, this.words.slice(start, end), this.names);
  }
}
