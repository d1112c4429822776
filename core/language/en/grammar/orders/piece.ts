import type { NameIndex } from '../names/known-names';
import { namesAt } from '../names/known-names';
import { mayBePlaced, placeOfNext } from '../names/place-before';
import { Sentence } from '../names/sentence';
import * as lexicon from '../words/lexicon';
import { type ReadVerb, verbAt, WAY_WORDS } from '../words/operations';
import { DOER, OPENINGS, withoutOwner } from '../words/told-words';
import { baseOf, type VerbForm } from '../words/verb-forms';
import { partsOf, type Word } from '../words/words';

const REMINDER =
  /^(?:always |just |also )?(?:(?:remember|don't forget|do not forget|be sure|make sure|make certain|be certain) to(?= )|(?:make sure|make certain|be sure|ensure|see)(?: that)? (?:you|we)) /;
/** What one is reminded of and is nothing to do: "make sure you keep them apart", "... you feel it click". */
const NOT_REMINDED = /^(?:keep|have|leave|wear|do|don't|are|can|note|stay|never|not|always)$/;
const PERCEIVED_YOU = /^(?:know|see|hear|feel|understand|find|catch|count)$/;

/** How the actions of a sentence are told; those behind an "and" go on in the same way. */
export type Manner = 'order' | 'doing' | 'past' | 'done' | 'topic' | 'bare';

/** A sentence while what is told in it is put as orders: its words, which may be moved, left out or read as others. */
export class Piece {
  manner: Manner = 'order';
  /** Up to here it is an order already. */
  readTo = 0;
  /** Where the way of what was noted last stands. */
  wayAt = 0;
  wayEnd = 0;
  readonly words: Word[];

  constructor(
    private readonly line: string,
    words: readonly Word[],
    readonly names: NameIndex,
  ) {
    this.words = words.flatMap(withoutOwner);
  }

  isWay(at: number): boolean {
    return WAY_WORDS[this.low(at)] !== undefined;
  }

  isLast(at: number): boolean {
    return at === this.words.length - 1 || /^[.,;!?]$/.test(this.low(at + 1));
  }

  /** Where what is said at a place ends: a comma, "and", "then", the end of the sentence. */
  clauseEnd(at: number): number {
    const stop = this.words.findIndex(({ low }, i) => i >= at && /^(?:,|and|then|[.;])$/.test(low));
    return stop < 0 ? this.words.length : stop;
  }

  /** Whether an order may stand there: first, or behind a comma, "and" or "then". */
  mayOrder(at: number): boolean {
    return /^(?:and|then|,)$/.test(this.low(at - 1)) || at === this.orderStart();
  }

  /** Where an order may begin, behind what says nothing and whoever does it. */
  orderStart(): number {
    const at = this.skipFillers(0);
    const who = DOER.exec(this.lows(at))?.[0];
    return who ? at + who.trim().split(' ').length : at;
  }

  /** The verb there, in whichever form it is told: "I'm checking", "we checked". */
  orderVerb(): ReadVerb | undefined {
    const [low = '', ...rest] = this.lowsFrom(this.orderStart());
    return verbAt([low, ...rest], 0) ?? verbAt([baseOf(low, 'ing') ?? baseOf(low, 'past') ?? low, ...rest], 0);
  }

  /** Whether it opens with when or with what, and the order stands behind that. */
  opens(): boolean {
    return OPENINGS.test(this.low(0)) && this.orderVerb() === undefined;
  }

  skipFillers(start: number): number {
    let at = start;
    for (;;) {
      const reminder = this.reminderAt(at);
      if (reminder > 0) {
        this.words.splice(at, reminder);
        continue;
      }
      const phrase = lexicon.FIRST_OF_ALL.exec(this.lows(at))?.[0];
      if (phrase) this.words.splice(at, phrase.trim().split(' ').length);
      else if (/^(?:and|then|,)$/.test(this.low(at)) || lexicon.FILLERS.has(this.low(at))) at += 1;
      else return at;
    }
  }

  /** "Don't forget to", "make sure you" before what is to be done: how many words it takes. */
  private reminderAt(at: number): number {
    const said = REMINDER.exec(this.lows(at))?.[0];
    const length = said?.trim().split(' ').length ?? 0;
    const next = at + length;
    const isNothing =
      NOT_REMINDED.test(this.low(next)) || (!said?.trimEnd().endsWith(' to') && PERCEIVED_YOU.test(this.low(next)));
    const isOrder = verbAt(this.lowsFrom(next), 0) !== undefined || this.low(next) === 'give';
    return length > 0 && !isNothing && isOrder ? length : 0;
  }

  /** The word behind the part that is named at a place, the place itself where none is. */
  behindPart(at: number): number {
    const place = mayBePlaced(this, at) ? placeOfNext(this.sentence(), at) : 0;
    if (place > 0) return this.behindPart(at + place);
    const lengths = namesAt(this.names, this.words, at).flatMap(({ kind, length }) => (kind === 'part' ? length : []));
    return at + Math.max(0, ...lengths);
  }

  knows(at: number): boolean {
    return this.behindPart(at) > at;
  }

  sentence(): Sentence {
    return new Sentence(this.line, this.words, this.names);
  }

  low(at: number): string {
    return this.words[at]?.low ?? '';
  }

  lowsFrom(at: number): string[] {
    return this.words.slice(at).map(({ low }) => low);
  }

  lows(at: number): string {
    return this.lowsFrom(at).join(' ');
  }

  lowsUpTo(at: number, end: number): string {
    return this.lowsFrom(at)
      .slice(0, end - at)
      .join(' ');
  }

  based(at: number, form: VerbForm): Word {
    return this.as(at, baseOf(this.low(at), form) ?? this.low(at));
  }

  pronounAt(at: number): Word {
    return this.as(at, 'it', true);
  }

  /** A word put in behind the one at a place. */
  behind(at: number, low: string): Word {
    const { to } = this.words[at] as Word;
    return { low, parts: partsOf(low), from: to, to, as: low };
  }

  /** The word at a place read as another; `before` where it is put in before that place and takes none itself. */
  as(at: number, low: string, before = false): Word {
    const { from, to } = this.words[at] as Word;
    return { low, parts: partsOf(low), from, to: before ? from : to, as: low };
  }
}

/** How many words a text has. */
export function wordsIn(text: string): number {
  return text.split(' ').length;
}
