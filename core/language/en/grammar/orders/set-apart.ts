import { pluralName } from '../../../../model/names';
import { kindFromName } from '../../../../reading/en/kind-words';
import { objectsAt } from '../acts/objects';
import { endsIn, lastWordsOf, namesAt } from '../names/known-names';
import { isCalledPart, nounPhraseAt, oneOf } from '../names/noun-phrase';
import * as lexicon from '../words/lexicon';
import { verbAt } from '../words/operations';
import { DOER, JOINED, MEANS, NAMED } from '../words/told-words';
import { baseOf } from '../words/verb-forms';
import { isPlural, partsOf, type Word } from '../words/words';
import type { Piece } from './piece';

/* Pieces of a sentence that are named in full, or put where they are read. */

/** "The cover and its four screws": the cover screws, where the series knows such. */
export function nameOwned(piece: Piece): void {
  if (lexicon.REMARK_OPENING.test(piece.lows(0)) || lexicon.CAUTION_OPENING.test(piece.lows(0))) return;
  for (let at = piece.words.length - 2; at > 0; at -= 1) {
    if (!/^(?:its|their)$/.test(piece.low(at))) continue;
    // "..., keep the shims with their cap": kept as it is said.
    const comma = piece.words.findLastIndex(({ low }, i) => i < at && low === ',');
    if (lexicon.REMARK_OPENING.test(piece.lows(comma + 1))) continue;
    const phrase = nounPhraseAt(piece.sentence(), at)?.phrase;
    if (!phrase || phrase.known) continue;
    const first = piece.words.findIndex(({ from }) => from === phrase.from);
    if (first < at) continue;
    const { from, to } = piece.words[first] as Word;
    const wordsOfName = (name: string) =>
      name.split(' ').map((said): Word => {
        const low = said.toLowerCase();
        return { low, parts: partsOf(low), from, to, as: said };
      });
    const name = owned(piece, at, partsOf(phrase.words.join(' ')));
    const owner = name === undefined ? ownerOf(piece, at, phrase.words) : undefined;
    const isMany = isPlural(phrase.words.at(-1) ?? '');
    if (name !== undefined)
      piece.words.splice(first, phrase.words.length, ...wordsOfName(isMany ? pluralName(name) : name));
    else if (owner !== undefined) piece.words.splice(first, 0, ...wordsOfName(owner));
  }
}

/** "The bottom plate and its screws", where the series knows no screws: the bottom plate screws. */
function ownerOf(piece: Piece, at: number, words: readonly string[]): string | undefined {
  const last = partsOf(words.at(-1) ?? '').at(-1) ?? '';
  const isBetween = piece.lowsFrom(0).slice(0, at).includes('between');
  // "With its vanes upward" says which way.
  const isFacing = /^(?:(?:up|down|in|out)(?:wards?)?|facing|pointing|toward|towards)$/.test(piece.low(at + 2));
  const isNamedHere =
    words.length === 1 &&
    !isBetween &&
    !isFacing &&
    (/^(?:and|with|,|plus)$|(?<!^includ)ing$/.test(piece.low(at - 1)) || OPENS_THEM.test(piece.low(at - 1)));
  if (!isNamedHere || lastWordsOf(piece.names).has(last) || kindFromName(words.join(' ')) === 'other') return undefined;
  for (let before = at - 1; before >= 0; before -= 1) {
    const named = NAMED.test(piece.low(before)) ? nounPhraseAt(piece.sentence(), before) : undefined;
    if (!named || named.end > at || named.phrase.pronoun) continue;
    const isShort = named.phrase.words.length + words.length < 5;
    return isCalledPart(named.phrase) && isShort ? oneOf(named.phrase) : undefined;
  }
  return undefined;
}

/** "... and tighten their screws". */
const OPENS_THEM = /^(?:tighten|torque|loosen|slacken|undo|unscrew|remove)$/;

/** The part that is meant: that of the thing named before, or the only one that is called so. */
function owned(piece: Piece, at: number, words: readonly string[]): string | undefined {
  const known = [...piece.names.values()].flat().filter(({ kind }) => kind === 'part');
  const parts = known.filter((one) => endsIn(one.parts, words));
  const [only, other] = parts;
  if (only && !other) return isOfAnother(only.parts.slice(0, -words.length), piece, at) ? undefined : only.name;
  for (let before = at - 1; before >= 0; before -= 1) {
    const owner = namesAt(piece.names, piece.words, before).find(({ kind }) => kind === 'part');
    const key = owner && [...partsOf(owner.name), ...words].join(' ');
    const own = parts.find((one) => one.parts.join(' ') === key);
    if (own) return own.name;
  }
  return undefined;
}

/** "The air valve with its screws" has not the cover screws, and a seal "with its cover" no inspection cover. */
function isOfAnother(ownerWords: readonly string[], piece: Piece, at: number): boolean {
  const before = Array.from({ length: at }, (_, i) => namesAt(piece.names, piece.words, i)).flat();
  const owners = before.filter(({ kind }) => kind === 'part').map(({ name }) => partsOf(name));
  const isOwner = (parts: readonly string[]) => ownerWords.every((word) => parts.includes(word));
  return ownerWords.length > 0 && owners.length > 0 && !owners.some(isOwner);
}

/** "After you have removed the plug" is "after removing the plug". */
function afterDone(piece: Piece): void {
  // "..., having first removed its key".
  const having = piece.words.findIndex(({ low }, i) => i > 1 && low === 'having' && piece.low(i - 1) === ',');
  if (having > 0) {
    if (piece.low(having + 1) === 'first') piece.words.splice(having + 1, 1);
    piece.words.splice(having - 1, 1, piece.as(having, 'after'));
  }
  const after = piece.words.findIndex(
    ({ low }, i) => i > 1 && low === 'after' && /^(?:(?:you|we) have|you've|we've|having) /.test(piece.lows(i + 1)),
  );
  if (after < 0) return;
  const verb = after + (/^(?:you|we)$/.test(piece.low(after + 1)) ? 3 : 2);
  const base = baseOf(piece.low(verb), 'past');
  const doing = MEANS.find((means) => base !== undefined && baseOf(means, 'ing') === base);
  if (doing) piece.words.splice(after + 1, verb - after, piece.as(verb, doing));
}

/** "Drain the oil by removing the plug", "... after you have removed it": the plug comes first. */
export function partMeans(piece: Piece): void {
  afterDone(piece);
  const by = piece.words.findIndex(
    ({ low }, i) =>
      i > 1 &&
      /^(?:by|after)$/.test(low) &&
      (MEANS.includes(piece.low(i + 1)) ||
        (low === 'after' &&
          /^(?:fitting|installing|attaching|inserting|bending|straightening|flattening)$/.test(piece.low(i + 1))) ||
        (piece.low(i + 1) === 'taking' && takesAway(piece, i + 2))),
  );
  const start = piece.orderStart();
  if (by < 0 || !piece.orderVerb()) return;
  const named = nounPhraseAt(piece.sentence(), /^(?:off|out)$/.test(piece.low(by + 2)) ? by + 3 : by + 2);
  if (!named || named.phrase.pronoun) return;
  const stop = piece.words.findIndex(({ low }, i) => i > by && /^[,.;!?]$/.test(low));
  const end = stop < 0 ? piece.words.length : stop;
  const means = [piece.based(by + 1, 'ing'), ...piece.words.slice(by + 2, end)];
  piece.words.splice(by, end - by);
  piece.words.splice(start, 0, ...means, piece.as(start, 'then', true));
}

/** "By taking off the knobs", "by taking the plug out". */
function takesAway(piece: Piece, at: number): boolean {
  if (/^(?:off|out)$/.test(piece.low(at))) return true;
  const named = nounPhraseAt(piece.sentence(), at);
  return named !== undefined && /^(?:off|out)$/.test(piece.low(named.end));
}

/** "While it drains I loosen the nut": what one does begins a new part of the sentence. */
export function partDoer(piece: Piece): void {
  if (!piece.opens() && piece.low(0) !== 'to') return;
  const at = piece.words.findIndex((_, i) => i > 2 && !JOINED.test(piece.low(i - 1)) && DOER.test(piece.lows(i)));
  if (at > 0 && piece.words.slice(0, at).every(({ low }) => low !== ','))
    piece.words.splice(at, 0, piece.as(at, ',', true));
}

/** "With the cover off you can see the gear": what one will find is no part of what stands before it. */
export function partExpectation(piece: Piece): void {
  if (!piece.opens() && piece.low(0) !== 'with') return;
  for (let at = 2; at < piece.words.length; at += 1) {
    if (!/^you(?:'ll)?$/.test(piece.low(at)) || JOINED.test(piece.low(at - 1))) continue;
    if (!lexicon.EXPECTATION.test(piece.lows(at))) continue;
    piece.words.splice(at, 0, piece.as(at, ',', true));
    return;
  }
}

/** "Hold the impeller while you undo the nut": what is done meanwhile is done, and follows the holding. */
export function partWhile(piece: Piece): void {
  const first = piece.orderVerb();
  if (first?.is !== 'verb' || !/^(?:hold|compress|lock-out)$/.test(first.verb)) return;
  const at = piece.words.findIndex(({ low }, i) => i > 1 && low === 'while');
  if (at < 0) return;
  const behind = /^(?:you|we|i)$/.test(piece.low(at + 1)) ? at + 2 : at + 1;
  const isDoing = behind === at + 1;
  const low = isDoing ? baseOf(piece.low(behind), 'ing') : piece.low(behind);
  const meanwhile = low === undefined ? undefined : verbAt([low, ...piece.lowsFrom(behind + 1)], 0);
  if (low === undefined || !meanwhile || (meanwhile.is === 'verb' && !CHANGES.test(meanwhile.verb))) return;
  const named = behind + meanwhile.length;
  const things = objectsAt(piece.sentence(), piece.isWay(named) ? named + 1 : named);
  const isIt = things.phrases.some(({ pronoun }) => pronoun);
  if (things.phrases.length === 0 || isIt) return;
  piece.words.splice(at, behind - at + 1, piece.as(at, 'and'), piece.as(behind, low));
}

const CHANGES = /^(?:take-off|draw|pry|loosen|torque|start-by-hand|fit|cut|pin)$/;
