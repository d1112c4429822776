import { objectsAt } from '../acts/objects';
import { torqueAt } from '../names/figures';
import { lastWordsOf, namesAt } from '../names/known-names';
import { isCalledPart, type NounPhrase, nounPhraseAt } from '../names/noun-phrase';
import { FASTENS } from '../words/lexicon';
import { verbAt } from '../words/operations';
import { NAMED } from '../words/told-words';
import { isPlural, type Word, wordsOf } from '../words/words';
import { type Piece, wordsIn } from './piece';
import type { Turn } from './turns-of-speech';

/** What holds a part, told beside it or put in to hold it. */
export const WHAT_HOLDS: readonly Turn[] = [
  {
    name: '"the spacer (8 bolts)": the spacer, 8 bolts',
    put: ({ piece, at, said }) => {
      if (!/^\( \S+ (?:[\w-]+ )?[\w-]+ \)/.test(said) || !isCounted(piece, at + 1)) return false;
      const close = piece.lowsFrom(at).indexOf(')') + at;
      if (!FASTENS.test(piece.low(close - 1))) return false;
      piece.words.splice(close, 1);
      piece.words[at] = piece.as(at, ',');
      return true;
    },
  },
  {
    name: '"head bolts (8x M10)", "8 head bolts (M10)": how many, and their size',
    put: ({ piece, at, said }) => {
      const [all, count = ''] = /^\( (\d+ (?:x|off|no) )?m ?\d+(?: x ?\d+)? \)/.exec(said) ?? [];
      if (all === undefined || !FASTENS.test(piece.low(at - 1))) return false;
      const length = wordsIn(all);
      const number = count ? [piece.words[at] as Word, piece.words[at + 1] as Word, piece.as(at + 2, ')')] : [];
      const size = piece.words.slice(at + (count ? 3 : 1), at + length - 1);
      piece.words.splice(at, length, ...number, piece.behind(at - 1, ','), ...size);
      return true;
    },
  },
  {
    name: '"four screws M6": four M6 screws',
    put: ({ piece, at }) => {
      const size = /^m ?\d+/.exec(piece.lows(at + 1))?.[0];
      const isSized = size !== undefined && FASTENS.test(piece.low(at)) && isPlural(piece.low(at));
      if (!isSized || !isCounted(piece, at - 1) || !piece.isLast(at + wordsIn(size))) return false;
      const screws = piece.words.splice(at, 1);
      piece.words.splice(at + wordsIn(size), 0, ...screws);
      return true;
    },
  },
  {
    name: '"inlet manifold: 8 nuts, lift clear": off with its nuts',
    put: ({ piece, at, said }) => {
      const holders = /^[:,] \S+ (?:[\w-]+ )?[\w-]+ , (?:off|out|lift (?:it )?(?:off|out|clear|away))$/.test(said)
        ? piece.lowsFrom(at + 1).indexOf(',')
        : -1;
      if (holders < 0) return false;
      const start = piece.skipFillers(0);
      const held = nounPhraseAt(piece.sentence(), start);
      const isHeld = held?.end === at && !held.phrase.pronoun && isCalledPart(held.phrase);
      if (!isHeld || !isCounted(piece, at + 1) || !FASTENS.test(piece.low(at + holders))) return false;
      piece.words.splice(at + 1 + holders);
      piece.words[at] = piece.as(at, ',');
      piece.words.splice(start, 0, piece.as(start, 'remove', true));
      return true;
    },
  },
  {
    name: '"bolt the cover on, 22 N·m": the cover is put on and its bolts tightened',
    put: ({ piece, at, said }) => {
      if (!/^(?:bolt|screw) /.test(said) || !piece.mayOrder(at) || piece.knows(at)) return false;
      const { phrases, end } = objectsAt(piece.sentence(), at + 1);
      const [held, other] = phrases;
      const way = /^(?:back on|on|down|back down) , (?=\S)/.exec(piece.lows(end))?.[0].trim();
      const figure = end + (way === undefined ? 0 : wordsIn(way));
      const behind = torqueAt(piece.sentence(), figure)?.end ?? figure;
      const isHeld = held !== undefined && !other && !held.pronoun && isCalledPart(held) && !FASTENS.test(held.name);
      if (way === undefined || !isHeld || behind === figure || !piece.isLast(behind - 1)) return false;
      const things = piece.words.slice(at + 1, end);
      const put = (low: string) => piece.behind(figure - 1, low);
      const screws = ['torque', 'the', fastenersOf(piece, held.name) ?? `${piece.low(at)}s`, 'of'].map(put);
      piece.words.splice(figure, 0, ...screws, ...things, put('to'));
      piece.words[at] = piece.as(at, 'put');
      return true;
    },
  },
  {
    name: '"head on, nuts 40 N·m": its nuts, where nobody named any yet',
    put: ({ piece, at, said, before }) => {
      if (!/^, (?:the )?[a-z]+ [\d.]/.test(said) || !/^(?:on|in|back|down)$/.test(before.at(-1) ?? '')) return false;
      const start = piece.skipFillers(0);
      if (verbAt(piece.lowsFrom(start), 0) && !piece.knows(start)) return false;
      const first = piece.low(at + 1) === 'the' ? at + 2 : at + 1;
      const isNew =
        FASTENS.test(piece.low(first)) && !lastWordsOf(piece.names).has(piece.words[first]?.parts.at(-1) ?? '');
      if (!isNew || torqueAt(piece.sentence(), first + 1) === undefined) return false;
      piece.words.splice(at + 1, first - at - 1, piece.behind(at, 'tighten'), piece.behind(at, 'its'));
      return true;
    },
  },
  {
    name: '"lock the fan with the clip": the clip is fitted',
    put: ({ piece, at, said }) => {
      if (!/^(?:lock|secure|fasten|fix|retain) /.test(said) || !NAMED.test(piece.low(at + 1))) return false;
      if (!piece.mayOrder(at)) return false;
      const held = objectsAt(piece.sentence(), at + 1);
      if (held.phrases.length === 0 || piece.low(held.end) !== 'with') return false;
      const by = objectsAt(piece.sentence(), held.end + 1);
      const isEnd = piece.isLast(by.end - 1) || /^(?:and|then)$/.test(piece.low(by.end));
      const verb = isEnd ? putToHold(piece.low(at), held.phrases, by.phrases) : undefined;
      if (verb === undefined) return false;
      const holders = piece.words.slice(held.end + 1, by.end);
      const toHold = [piece.behind(by.end - 1, 'to'), ...piece.words.slice(at, held.end)];
      piece.words.splice(at, by.end - at, piece.as(at, verb), ...holders, ...toHold);
      return true;
    },
  },
];

/** By what kind of fastener the series knows a part to be held, however one says that it is put on. */
function fastenersOf({ names }: Piece, name: string): string | undefined {
  return ['bolts', 'screws', 'nuts', 'studs'].find((kind) => {
    const words = wordsOf(`${name} ${kind}`);
    return namesAt(names, words, 0).some((known) => known.kind === 'part' && known.length === words.length);
  });
}

/** What is done to what holds; undefined where it is no part of the pump, or nobody can tell. */
function putToHold(verb: string, held: readonly NounPhrase[], by: readonly NounPhrase[]): string | undefined {
  const last = by.at(-1)?.words.at(-1) ?? '';
  const isHeldWith = held.some(({ words }) => TURNS.test(words.at(-1) ?? '')) && MAY_BE_A_TOOL.test(last);
  if (!HOLDS.test(last) || isHeldWith || by.some(({ known }) => known?.kind === 'tool')) return undefined;
  // Tab washers are bent to lock a nut.
  if (verb === 'lock' && /^washers?$/.test(last)) return undefined;
  // "Secure it with the clip" of the series is read where clips are put in.
  const isKnown = held.every(({ pronoun }) => pronoun) && by.every(({ known }) => known);
  if (verb !== 'lock' && isKnown) return undefined;
  const isTurned = by.some(({ name }) => TURNED.test(name)) || (verb === 'lock' && /^nuts?$/.test(last));
  return isTurned ? 'tighten' : 'fit';
}

const TURNED = /\b(?:lock|grub|set)[ -]?(?:nut|screw)s?$/;
const HOLDS =
  /^(?:clip|circlip|e-clip|snap-?ring|ring|pin|split-?pin|cotter|key|wedge|bolt|screw|setscrew|grubscrew|nut|locknut|stud|washer|plate|collar|retainer|cap)s?$/;
/** What is held while something is undone, and by what. */
const TURNS = /^(?:shaft|crankshaft|crank|rotor|spindle|coupling|flywheel|motor|impeller|it)s?$/;
const MAY_BE_A_TOOL = /^(?:pin|bolt|stud|key|wedge|plate)s?$/;

function isCounted(piece: Piece, at: number): boolean {
  return piece.words[at]?.value !== undefined;
}
