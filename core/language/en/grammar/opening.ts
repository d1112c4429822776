import { blankAct, type OpenAct, type Reading } from './acts/reading';
import { measureAt } from './names/figures';
import { namesAt } from './names/known-names';
import { beginsFacing } from './names/name-ends';
import { Sentence } from './names/sentence';
import { toolAt } from './names/tools';
import { trailing } from './told-along/trailing';
import * as lexicon from './words/lexicon';
import { verbAt, WAY_WORDS } from './words/operations';
import { NAMED } from './words/told-words';
import { wordsOf } from './words/words';

/** What was said before the verb, and where it ends. */
export type Opened = { readonly end: number; readonly how: string[]; readonly act?: Partial<OpenAct> };

/** What is said before the verb: "using a socket,", "with the rod in,", "on the right end", "before you pull the seal". */
export function openingOf(reading: Reading, sentence: Sentence, at: number): Opened | undefined {
  const low = sentence.lows[at] ?? '';
  const aim = aimAt(sentence, at);
  if (aim) return aim;
  // "Once warm recheck the nuts".
  if (
    /^(?:once|when|while|after|before|if)$/.test(low) &&
    IN_STATE.test(sentence.lows[at + 1] ?? '') &&
    verbAt(sentence.lows, at + 2)
  )
    return { end: at + 2, how: [sentence.text(at, at + 2)] };
  const use = /^use$/.test(low);
  if (
    !use &&
    !/^(?:using|starting|beginning|with|by|before|prior|after|while|when|whenever|once|as|until|on|in|at|for|from|working|if|where)$/.test(
      low,
    )
  )
    return undefined;
  if (use && !/\bto\b/.test(sentence.lows.slice(at).join(' '))) return undefined;
  const comma = sentence.lows.indexOf(',', at);
  // "After 30 minutes check the temperature, it ...": how long is over before the comma.
  const time = /^(?:after|within|every)$/.test(low) ? measureAt(sentence, at + 1) : undefined;
  if (time && /^(?:s|min|h)$/.test(time.unit) && verbAt(sentence.lows, time.end))
    return { end: time.end, how: [sentence.text(at, time.end)] };
  const next = use ? undefined : nextVerb(sentence, at);
  // "While you're there have a look, ...": the comma stands behind the action.
  const isBeforeComma = next !== undefined && comma > next && next - at < 5;
  const end = use ? sentence.lows.indexOf('to', at) : comma > at && !isBeforeComma ? comma : next;
  if (end === undefined || end <= at) return undefined;
  const open = blankAct('test');
  const piece = sentence.slice(at, end);
  const inside = use
    ? new Sentence(piece.text(0, piece.words.length), wordsOf(piece.text(0, piece.words.length)), piece.names)
    : piece;
  if (use) {
    const tool = toolAt(inside, 1);
    if (!tool || tool.end < inside.words.length) return undefined;
    open.tools.push(tool.tool);
  } else if (
    /^(?:starting|beginning|before|prior|after|while|when|whenever|once|as|until|working|if|where)$/.test(low)
  ) {
    open.how.push(piece.text(0, piece.words.length));
    nameFor(reading, piece, sentence.lows.slice(end));
  } else if (
    /^(?:with|by)$/.test(low) &&
    !toolAt(inside, 1) &&
    !beginsFacing(inside, NAMED.test(inside.lows[1] ?? '') ? 2 : 1)
  )
    open.how.push(piece.text(0, piece.words.length));
  else trailing(reading, inside, 0, open);
  const { tools, applied, positionIds, positionSetId, positionNames, faces } = open;
  return {
    end: end + 1 - (use || (comma > at && !isBeforeComma) ? 0 : 1),
    how: open.how,
    act: {
      tools,
      applied,
      positionIds,
      ...(positionSetId && { positionSetId }),
      ...(positionNames && { positionNames }),
      ...(faces && { faces }),
    },
  };
}

/** "Before the gears come off, rotate them": what was named there. */
function nameFor(reading: Reading, piece: Sentence, behind: readonly string[]): void {
  const [first, last] = [piece.words[0]?.from ?? 0, piece.words.at(-1)?.to ?? 0];
  const [only, other] = reading.inLine.filter(({ from, to }) => from >= first && to <= last);
  const pronoun = behind.find((low) => /^(?:it|them)$/.test(low));
  // "When the shaft is scored, renew it" hangs on that.
  if (!MOVED.test(piece.lows.join(' '))) return;
  const isIt = only && !other && pronoun === (only.count === 2 ? 'them' : 'it');
  const isNew = reading.named.length === 0 && reading.acts.length === 0;
  if (isIt && isNew) reading.named = [{ name: only.name, from: only.from, to: only.to }];
}

const MOVED =
  /\b(?:off|out|on|in|back|away|loose|free|apart|open|down|up|removed|fitted|undone|released|refitting|fitting|removing)\b/;

/** In which state something is, right behind "once". */
const IN_STATE =
  /^(?:warm|cold|hot|cool|dry|wet|clean|loose|free|empty|full|done|set|cured|seated|apart|open|tight|finished|assembled|dismantled|start-up|startup|assembly|reassembly|cleaning|fitting|commissioning|dismantling)$/;

/** "To stop the shaft from turning, hold the fan": what it is done for. */
function aimAt(sentence: Sentence, at: number): Opened | undefined {
  const comma = sentence.lows.indexOf(',', at);
  if (sentence.lows[at] !== 'to' || comma < 0 || !verbAt(sentence.lows, comma + 1)) return undefined;
  return { end: comma + 1, how: [], act: { why: [sentence.text(at, comma)] } };
}

/** Where an action begins that was not parted by a comma: a verb behind something named. */
function nextVerb(sentence: Sentence, start: number): number | undefined {
  for (let at = start + 2; at < sentence.words.length; at += 1) {
    const verb = verbAt(sentence.lows, at);
    const named = namesAt(sentence.names, sentence.words, at).some(({ kind }) => kind === 'part');
    const before = sentence.lows[at - 1] ?? '';
    if (!verb || named || /^(?:to|you|we|the|a|an|and|i|they|it)$/.test(before)) continue;
    // "With the hook take out the rings".
    const isWay = verb.is === 'movement' && WAY_WORDS[sentence.lows[at + verb.length] ?? ''] !== undefined;
    const behind = at + verb.length + (isWay ? 1 : 0);
    if (
      /^(?:the|a|an|both|all|each|it|them)$/.test(sentence.lows[behind] ?? '') ||
      namesAt(sentence.names, sentence.words, behind).length > 0
    )
      return at;
  }
  return undefined;
}

export function skipFillers(sentence: Sentence, start: number): number {
  let at = start;
  for (;;) {
    const low = sentence.lows[at] ?? '';
    if (lexicon.EXPECTATION.test(sentence.lows.slice(at).join(' ')) || aimAt(sentence, at)) return at;
    const phrase = lexicon.FILLER_PHRASE.exec(sentence.lows.slice(at).join(' '));
    if (phrase) at += phrase[0].trim().split(' ').length;
    else if (low === ',' || low === 'and' || lexicon.FILLERS.has(low)) at += 1;
    else return at;
    if (at >= sentence.words.length) return at;
  }
}
