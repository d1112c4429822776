import type { Sentence } from '../names/sentence';
import type { OpenAct, Reading } from './reading';

export interface Place {
  readonly reading: Reading;
  readonly sentence: Sentence;
  readonly at: number;
  readonly act: OpenAct;
  /** The words from here on. */
  readonly told: string;
}

/** One way in which a sentence goes on behind what the verb is done to. */
export interface Construction {
  readonly name: string;
  /** Where it ends; undefined where it does not stand here. What it says goes into the act. */
  read(at: Place): number | undefined;
}

export const keep = ({ sentence, act }: Place, from: number, end: number): number => {
  const text = sentence.text(from, end);
  if (text) act.how.push(text);
  return end;
};

/** Up to the next comma, or to the end. */
export function toComma(sentence: Sentence, at: number): number {
  const comma = sentence.lows.indexOf(',', at + 1);
  return comma < 0 ? sentence.words.length : comma;
}

/** Up to where another construction begins. */
export function toJoint(sentence: Sentence, at: number): number {
  let end = at + 1;
  // "Out of the rotor one by one".
  const isEach = (i: number) => sentence.lows[i + 1] === 'by' && sentence.lows[i + 2] === sentence.lows[i];
  // "The rod it was marked with," ends with its "with".
  while (
    end < sentence.words.length &&
    !isEach(end) &&
    (!CLOSES.test(sentence.lows[end] ?? '') || (sentence.lows[end] === 'with' && sentence.lows[end + 1] === ','))
  )
    end += 1;
  return end;
}

const CLOSES =
  /^(?:with|using|by|until|till|so|because|since|otherwise|before|prior|after|while|during|when|once|,|without|to|for|if|unless|;)$/;
