import { kindFromName } from '../../../reading/en/kind-words';
import { lastWordsOf, type NameIndex, namesAt } from './names/known-names';
import type { SaidAct } from './names/said';
import type { Sentence } from './names/sentence';
import { verbAt } from './words/operations';
import { baseOf } from './words/verb-forms';

/* Parts that come off, or go tight, within words that are merely kept: by then it is done, and nobody said so. */

/** What is said of when, why or how long, and may name an action that is a step elsewhere. */
export const SAID_OF = /^(?:before|until|till|while|when|after|once|as|so|if|unless|where|because|to|without|for)$/;

export function partAt(
  names: NameIndex,
  { words }: Sentence,
  at: number,
): { readonly length: number; readonly isWhole: boolean } | undefined {
  const known = namesAt(names, words, at).find(({ kind }) => kind === 'part');
  if (known) return { length: known.length, isWhole: true };
  const word = words[at];
  const isCalledSo = lastWordsOf(names).has(word?.parts.at(-1) ?? '') || kindFromName(word?.low ?? '') !== 'other';
  return isCalledSo ? { length: 1, isWhole: false } : undefined;
}

/** "So that the rotor pushes the hose out", "and the hose feeds itself out": it is out by then, and nobody said so. */
export function movesByItself(sentence: Sentence): boolean {
  const { lows, names } = sentence;
  if (SAID_OF.test(lows[0] ?? '') && lows[0] !== 'so') return false;
  return lows.some((low, i) => {
    const base = baseOf(low, 's');
    if (base === undefined || verbAt([base], 0)?.is !== 'movement' || i === 0) return false;
    const named = lows.slice(Math.max(i - 2, 0), i + 4).some((_, near) => {
      const at = Math.max(i - 2, 0) + near;
      return at !== i && partAt(names, sentence, at) !== undefined;
    });
    return named && lows.slice(i + 1, i + 6).some((way) => /^(?:out|off)$/.test(way));
  });
}

/** "..., and the cartridge will slip off the shaft": what then comes off, and no danger. */
export const WILL_COME_OFF =
  /^(?!careful|mind|watch|be |take care|beware)(?:the |both |all )?(?:[\w-]+ ){1,4}(?:will|can|should)(?: now| then)? (?:slip|slide|come|lift|pull|walk) (?:right |straight )?(?:off|out|away|free)\b/i;

/** "..., screw tight": tightened as well. */
export const MADE_TIGHT =
  /^(?:the |both |all )?(?:[\w-]+ )?(?:screw|bolt|nut|stud)s? (?:tight|home|snug|nipped|hand|finger)\b/i;

/** "... and catch the O-ring": it is off by then. */
export function catchesPart(sentence: Sentence): boolean {
  return (
    /^catch (?:the|both|all|any) /.test(sentence.lows.join(' ')) && partAt(sentence.names, sentence, 2) !== undefined
  );
}

/** "Tap the shaft until the bearing comes out": the bearing is out as well. */
export function bringsAnother({ lows, words, names }: Sentence, parts: SaidAct['parts']): boolean {
  const comes = lows.findIndex(
    (low, i) => /^(?:comes?|slides?|drops?|pops?|falls?|is|are)$/.test(low) && /^(?:out|off)$/.test(lows[i + 1] ?? ''),
  );
  if (comes < 0 || !/^(?:until|till)$/.test(lows[0] ?? '')) return false;
  return lows
    .slice(0, comes)
    .some((_, at) =>
      namesAt(names, words, at).some(({ kind, name }) => kind === 'part' && !parts.some((part) => part.name === name)),
    );
}

/** "Stack the inner plate, backup, diaphragm on the shaft": more of them are moved. */
export function listsParts(sentence: Sentence): boolean {
  const { lows, names } = sentence;
  if (SAID_OF.test(lows[0] ?? '') || /^(?:with|from|by|at|in|on|of|between|toward|towards)$/.test(lows[0] ?? ''))
    return false;
  // "..., balls on top", "..., stator on the drive shaft".
  const first = partAt(names, sentence, 0);
  const place = first && /^(?:on|onto|into|over)$/.test(lows[first.length] ?? '') ? first.length + 1 : 0;
  const isPut = place > 0 && [place, place + 1].some((at) => partAt(names, sentence, at) !== undefined);
  const isOnTop = first !== undefined && /^on top(?: |$)/.test(lows.slice(first.length).join(' '));
  if (isPut || isOnTop) return true;
  return lows.some((low, joint) => {
    if (low !== ',' || joint === 0 || joint > 3) return false;
    const from = /^(?:the|both|all|and)$/.test(lows[joint + 1] ?? '') ? joint + 2 : joint + 1;
    const part = partAt(names, sentence, from);
    const behind = part ? (lows[from + part.length] ?? '') : undefined;
    return behind !== undefined && /^(?:|,|and|on|onto|into|in|over)$/.test(behind);
  });
}

/** "The valve out: poppet, spring, seat": parts that nobody named yet, and nothing said of them. */
export function listsNewParts({ lows }: Sentence): boolean {
  if (SAID_OF.test(lows[0] ?? '')) return false;
  const pieces = lows.join(' ').split(/ (?:,|and|then) /);
  return pieces.some((piece) => {
    const words = piece.replace(/^(?:the|its|their|a|an|new|old|both|all|one|two|three|four|\d+) /, '').split(' ');
    const place = words.findIndex((word) => NO_NAME.test(word));
    const isPut =
      place > 0 &&
      place < 4 &&
      /^(?:on|over|under|behind|in|between|onto|into|with) (?:it|them|top|the|that|each|an?)\b/.test(
        words.slice(place).join(' '),
      );
    if (isPut && kindFromName(words[place - 1] ?? '') !== 'other') return true;
    const isName = words.length < 4 && words.every((word) => /^[a-z-]+$/.test(word) && !NO_NAME.test(word));
    return isName && kindFromName(words.at(-1) ?? '') !== 'other';
  });
}

const NO_NAME =
  /^(?:of|on|off|from|in|into|onto|to|at|by|with|without|under|over|against|through|between|behind|around|round|along|per|each|every|as|like|is|are|no|not|out|up|down|back|away|first|last|next|it|them|its|the|a|an)$/;

/** "Pull the guard off, it's held by small screws": they come off first. */
export const HELD_BY =
  /^(?:it's|they're|it is|they are|that's|which is|which are) (?:just |only )?(?:held|fixed|secured|fastened|retained|screwed)(?: on| in| down| together)? (?:by|with) .*\b(?:screws|bolts|nuts|studs|clips)$/i;

/** "..., it takes the inner plate with it": off as well. */
export const TAKES_ALONG =
  /\b(?:it|they|that|which|this)(?:'ll| will)? (?:takes?|brings?|pulls?|carr(?:y|ies)|lifts?) (?:the|both|all|its) .*\b(?:with (?:it|them)|along)\b|^(?:the|both|all|its) .*\b(?:comes?|goes?|slides?|lifts?) (?:off |out |away |up )?(?:along )?with (?:it|them)\b/i;

/** "Catch the slinger, it hops off": it is off by then. */
export function comesOff(sentence: Sentence): boolean {
  const { lows, names } = sentence;
  const told = lows.join(' ');
  return (
    /\b(?:it|they|which|that) \w+ (?:off|out|away|down)\b/.test(told) &&
    (/^catch (?:the|both|all) /.test(told) || lows.some((_, at) => partAt(names, sentence, at) !== undefined))
  );
}

/** "Pull the rings, and don't forget the lantern ring": it is pulled as well. */
export function remindsOfPart(sentence: Sentence): boolean {
  if (!/^(?:and )?(?:do not|don't|never) forget (?!to\b)/.test(sentence.lows.join(' '))) return false;
  return sentence.words.some(
    (_, at) => partAt(sentence.names, sentence, at) !== undefined || kindFromName(sentence.lows[at] ?? '') !== 'other',
  );
}
