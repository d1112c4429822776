import type { Verb } from '../../../../model/verbs';
import { type NounPhrase, nounPhraseAt } from '../names/noun-phrase';
import type { Sentence } from '../names/sentence';
import type { Reading } from './reading';

export interface Meant {
  readonly verb: Verb;
  /** The way tells more than the verb does: "push the rods *down*". */
  readonly keepWay?: boolean;
  readonly about?: string | undefined;
  /** The word behind what it is about. */
  readonly aboutEnd?: number | undefined;
  readonly how?: string | undefined;
  /** What it is done with is what is put in: "secure it with the bolts". */
  readonly isByWhat?: boolean;
}

export const BY_HAND = /\b(?:finger|hand)[- ]tight\b|\bby hand\b/;
export const LOCKS = /^(?:(?:own|personal|safety|red) )*(?:pad)?locks?$|\btags?$|^lock-?outs?\b/;
export const POWERED =
  /\b(?:power|supply|mains|electric(?:s|ity|al)?|motor|pump|drive|unit|machine|current|battery|breaker|fan|heater|water|air|steam)\b/;
export const FASTENER =
  /\b(?:nut|bolt|screw|cap|plug|fitting|stud|nipple|adapter|union|retainer|gland|cartridge|valve|clamp)s?$/;
/** What holds a part while it is worked on: putting it there puts nothing back into the pump. */
const HOLDERS =
  /^(?:in|into|on|onto|from|between) (?:\w+ ){0,3}?(?:hoist|crane|slings?|chains?|vice|vise|jaws|clamp|chuck|fixture|jack|trolley|stand)\b/;

/** Places away from the pump: what is put there is not in it. */
const ELSEWHERE =
  /^(?:in|into|on|onto) (?:\w+ ){0,3}?(?:oven|hot ?plate|freezer|fridge|bath|washer tank|parts washer|bucket|bowl|drawer|bag|tub|sink|pan|toolbox|tool box|(?:your|his|her|my) (?:\w+ )?pockets?)\b/;

export function goesElsewhere(behind: string): boolean {
  return ELSEWHERE.test(behind);
}

export function goesToHolder(verb: Verb, behind: string): boolean {
  return (verb === 'fit' || verb === 'place' || verb === 'connect') && HOLDERS.test(behind);
}

/** By hand, or finger tight, a thread is only started. */
export function isStartedOnly(verb: Verb, objectText: string, told: string): boolean {
  // "Gland on, nuts finger tight": the nuts are.
  const isOther = /, (?:the )?(?:\w+ )?(?:nuts|bolts|screws|studs) (?:only )?(?:finger|hand)\b/.test(
    told.replaceAll(' ,', ','),
  );
  return (verb === 'fit' || verb === 'place') && FASTENER.test(objectText) && BY_HAND.test(told) && !isOther;
}

/** The words behind what is named, up to where something else is said. */
export function placeText(sentence: Sentence, start: number): string {
  const rest = sentence.lows.slice(start, start + 9);
  const comma = rest.findIndex((low) => /^(?:,|with|using|until|so)$/.test(low));
  return rest.slice(0, comma < 0 ? rest.length : comma).join(' ');
}

/** "Hang your lock on the valve" locks out the valve. */
export function lockedOut(reading: Reading, sentence: Sentence, object: NounPhrase | undefined, at: number): Meant {
  const on = sentence.lows[at] === 'on' ? nounPhraseAt(sentence, at + 1) : undefined;
  // "Hang your lock and tag".
  if (!on || !object) return { verb: 'lock-out', ...(at >= sentence.words.length && { aboutEnd: at }) };
  const before = reading.acts.at(-1);
  if (on.phrase.pronoun && before?.verb === 'lock-out') return { verb: 'lock-out' };
  if (on.phrase.pronoun)
    return {
      verb: 'lock-out',
      about: before?.about ?? before?.how.find((how) => how.startsWith('at the '))?.slice(3) ?? 'it',
      aboutEnd: on.end,
      how: `with ${object.name}`,
    };
  return { verb: 'lock-out', about: sentence.text(at + 1, on.end), aboutEnd: on.end, how: `with ${object.name}` };
}

/** Work beside the pump is kept in the words in which it was said. */
export function attended(sentence: Sentence, told: string): Meant {
  const start = sentence.words.length - told.split(' ').length;
  return { verb: 'attend', about: sentence.text(start, sentence.words.length), aboutEnd: sentence.words.length };
}
