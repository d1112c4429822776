import { isJoint, namesHere } from '../names/name-ends';
import { nounPhraseAt } from '../names/noun-phrase';
import type { Sentence } from '../names/sentence';
import { verbAt, WAY_BEFORE_PLACE, type Way } from '../words/operations';

/* Which way something is moved, of all that tells one. */

/** "Back in" is in, "off to one side" aside: the way that tells most. */
export function strongest(ways: readonly Way[], backFits: boolean): Way | undefined {
  const goesIn = ways.find((way) => way === 'in' || way === 'on');
  if (ways.includes('back') && goesIn && !backFits) return goesIn;
  // "Slide both off together": at the same time.
  if (ways.includes('together')) ways = ways.length > 1 ? ways.filter((way) => way !== 'together') : ways;
  return (
    ['aside', 'apart', 'together', 'over', 'loose', 'back', 'out', 'in', 'on', 'down', 'up', 'along'] as const
  ).find((way) => ways.includes(way));
}

/** The way a place tells: "from the bore" is out. Not where it says at which of several: "on each side". */
export function placeBehind(sentence: Sentence, start: number): Way | undefined {
  const tool = sentence.lows.findIndex((low, i) => i >= start && /^(?:with|using)$/.test(low));
  for (let at = start; at < sentence.words.length; at += 1) {
    const low = sentence.lows[at] ?? '';
    if (low === 'through' && sentence.lows[at + 1] === 'to') return 'along';
    if (/^(?:,|;|until|so|because|for|before|after|while)$/.test(low)) return undefined;
    if (isElse(sentence, at)) return undefined;
    const way =
      low === 'down' && /^(?:onto|into|over|on)$/.test(sentence.lows[at + 1] ?? '') ? 'on' : WAY_BEFORE_PLACE[low];
    if (way === undefined) {
      if (low === 'back' && WAY_BEFORE_PLACE[sentence.lows[at + 1] ?? ''] !== undefined) return 'back';
      continue;
    }
    const next = nounPhraseAt(sentence, at + 1);
    const isPosition =
      next?.phrase.known?.kind === 'place' || (next?.phrase.known?.kind === 'places' && next.phrase.every);
    if (isPosition && (low === 'on' || low === 'in')) continue;
    // "Tap it on both sides" says where it is tapped.
    if (
      low === 'on' &&
      /^(?:both|all|either|each|the|one|its) sides?\b/.test(sentence.lows.slice(at + 1, at + 3).join(' '))
    )
      continue;
    if (
      /^(?:a|two|three|the right|the same|pairs|turn|line|order|one|direction|the direction)\b/.test(
        sentence.lows.slice(at + 1, at + 3).join(' '),
      ) &&
      low === 'in'
    )
      continue;
    if (
      way === 'out' &&
      low === 'from' &&
      /^(?:behind|inside|the inside|the other|the outside|the drive (?:side|end)|the front|the rear|the back|the backside|below|above|underneath|the (?:bottom|top|left|right|side|middle|other))\b/.test(
        sentence.lows.slice(at + 1, at + 4).join(' '),
      )
    )
      continue;
    // "Pull the plugs into a tray": caught there.
    if (way === 'in' && CATCHES.test(next?.phrase.words.at(-1) ?? '') && next?.phrase.known?.kind !== 'part') continue;
    // "Pull it towards you": off.
    if (way === 'along' && /^(?:you|yourself)$/.test(sentence.lows[at + 1] ?? '')) return 'out';
    // "With a puller on the inner race" says where the puller goes.
    if (/^(?:in|on)$/.test(low) && tool >= start && tool < at - 1) continue;
    return /^(?:in|on)$/.test(way) && isOutBehind(sentence, at + 1) ? 'out' : way;
  }
  return undefined;
}

/** "... and drain the rest into a tray", "... to get the rest out": what else is done, and what for. */
function isElse(sentence: Sentence, at: number): boolean {
  const { lows } = sentence;
  if (!/^(?:and|then|to)$/.test(lows[at] ?? '') || namesHere(sentence, at + 1, 'part')) return false;
  // "Tap it to separate it from the dowels" says what comes of it.
  if (lows[at] === 'to' && /^(?:separate|free|release|remove|loosen|break|unseat|part)$/.test(lows[at + 1] ?? ''))
    return false;
  const verb = verbAt(lows, at + 1);
  return verb !== undefined && WAY_BEFORE_PLACE[lows[at + 1] ?? ''] === undefined;
}

const CATCHES = /^(?:trays?|buckets?|pans?|bowls?|jars?|cans?|tubs?|containers?|drums?|bottles?|basins?|pails?)$/;

/** "Numbers facing out", "marked side out" is no way out. */
const FACED =
  /^(?:facing|pointing|looking|turned|sides?|lips?|faces?|ends?|numbers?|letters|lettering|marks?|chamfer|grooves?|arrow|open)$/;

/** "Spin the screws in the seal *out*". */
function isOutBehind({ lows, words }: Sentence, start: number): boolean {
  for (
    let at = start;
    at < lows.length && !/^(?:,|until|till|so|because|while|before|after)$/.test(lows[at] ?? '');
    at += 1
  )
    if (
      /^(?:out|off)$/.test(lows[at] ?? '') &&
      !FACED.test(lows[at - 1] ?? '') &&
      (isJoint(words[at + 1]) || words[at + 1]?.value !== undefined) &&
      lows[at + 1] !== 'of'
    )
      return true;
  return false;
}
