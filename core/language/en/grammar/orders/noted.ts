import { isKindPhrase, kindFromName } from '../../../../reading/en/kind-words';
import { type Objects, objectsAt } from '../acts/objects';
import { lastWordsOf, namesAt } from '../names/known-names';
import { saysWhatItDoes } from '../names/name-ends';
import { isCalledPart, nounPhraseAt } from '../names/noun-phrase';
import * as lexicon from '../words/lexicon';
import { verbAt, WAY_WORDS } from '../words/operations';
import { BARE, BARE_WAY, NAMED, STATES } from '../words/told-words';
import { baseOf } from '../words/verb-forms';
import { partsOf, type Word } from '../words/words';
import {
  bareFilled,
  bareMeasured,
  bareSet,
  bareSubstance,
  bareSupply,
  bareTight,
  bareTorqued,
  bareValves,
} from './noted-figures';
import type { Piece } from './piece';

/* Notes: what it is and which way, without a verb. */

/** "Cap back on", "cover off", "both seals out with the pick": what it is and which way, without a verb. */
export function bare(piece: Piece, at: number): boolean {
  if (piece.words[at]?.quoted) return false;
  // "Rotor still in, pull it": so it is, and nobody put it there.
  if (STILL_THERE.test(piece.lows(at))) return false;
  return (
    bareSupply(piece, at) ||
    bareValves(piece, at) ||
    bareLoose(piece, at) ||
    bareHeld(piece, at) ||
    bareTorqued(piece, at) ||
    bareTight(piece, at) ||
    bareDone(piece, at) ||
    bareMeasured(piece, at) ||
    bareKnown(piece, at) ||
    barePair(piece, at) ||
    barePlaced(piece, at) ||
    bareFilled(piece, at) ||
    bareSet(piece, at) ||
    bareWords(piece, at) ||
    bareNew(piece, at) ||
    bareSubstance(piece, at)
  );
}

const STILL_THERE = /^(?:the |both |all )?(?:[\w-]+ ){1,3}(?:is |are )?still (?:in|on|up|down|off|out|there|inside)\b/;

/** "Casing bolts crosswise loose, then out". */
function bareLoose(piece: Piece, at: number): boolean {
  if (verbAt(piece.lowsFrom(at), 0) && !piece.knows(at)) return false;
  const things = objectsAt(piece.sentence(), at);
  if (things.phrases.length === 0 || !things.phrases.every(({ known }) => known?.kind === 'part')) return false;
  let loose = things.end;
  while (lexicon.isManner(piece.low(loose))) loose += 1;
  if (piece.low(loose) !== 'loose' || !piece.isLast(loose)) return false;
  piece.words.splice(loose, 1);
  piece.words.splice(at, 0, piece.as(at, 'loosen', true));
  piece.manner = 'bare';
  const out = /^, then (?:out|off)(?= ?[,.;]|$)/.test(piece.lows(loose + 1)) ? loose + 3 : -1;
  if (out > 0) piece.words.splice(out, 0, piece.as(out, 'take', true), piece.as(out, 'them', true));
  return true;
}

/** "Four motor screws, motor off", "two screws, then the guard unclips": what holds it comes off before. */
function bareHeld(piece: Piece, at: number): boolean {
  if (at > piece.skipFillers(0) || (verbAt(piece.lowsFrom(at), 0) && !piece.knows(at))) return false;
  const holds = nounPhraseAt(piece.sentence(), at);
  if (!holds || !/^(?:,|and)$/.test(piece.low(holds.end))) return false;
  const { known, name, fromCount } = holds.phrase;
  if (!lexicon.FASTENS.test(name) || !(known?.kind === 'part' || fromCount !== undefined)) return false;
  let next = holds.end + 1;
  while (/^(?:and|then)$/.test(piece.low(next))) next += 1;
  const first = NAMED.test(piece.low(next)) ? next + 1 : next;
  // A motor that nobody named yet is one as well.
  const held = nounPhraseAt(piece.sentence(), next);
  const end = piece.knows(first) || !held || !isCalledPart(held.phrase) ? piece.behindPart(first) : held.end;
  const away = end > first ? COMES_AWAY.exec(piece.lows(end))?.[0] : undefined;
  // "Five screws and the cover comes off" is one list of what comes off.
  if (away === undefined || (piece.low(holds.end) === 'and' && !away.startsWith('is '))) return false;
  // "Three screws, volute off", where the screws are not known yet: those of the volute.
  const isBare = known === undefined && holds.phrase.words.length === 1;
  const isOneNow = isBare && held !== undefined && !lexicon.FASTENS.test(held.phrase.name);
  if (isOneNow && piece.low(holds.end) === ',' && end === held.end) {
    const screws = piece.words.slice(at, holds.end);
    const volute = piece.words.slice(next, end);
    const order = [piece.as(at, 'take', true), ...volute, piece.as(at, 'off', true), piece.words[holds.end] as Word];
    piece.words.splice(at, end + away.split(' ').length - at, ...order, ...screws);
    piece.readTo = at + order.length + screws.length;
    piece.manner = 'bare';
    return true;
  }
  piece.words.splice(end, away.split(' ').length, piece.as(end, 'off'));
  piece.words.splice(next, 0, piece.as(next, 'take', true));
  piece.words.splice(holds.end, 0, piece.behind(holds.end - 1, 'off'));
  piece.words.splice(at, 0, piece.as(at, 'take', true));
  piece.readTo = end + 3;
  piece.manner = 'bare';
  return true;
}

const COMES_AWAY =
  /^(?:(?:then )?(?:comes?|is(?= off)|lifts?|slides?|pulls?|drops?|slips?|swings?|falls?|is free|hinges?) )?(?:off|out|away)(?= ?(?:[,.;]|and |then |with |of the |the |$))|^unclips?(?= ?[,.;]|$)/;

/** "Gland nut undone with the hook spanner": done, told as a note. */
function bareDone(piece: Piece, at: number): boolean {
  const first = NAMED.test(piece.low(at)) ? at + 1 : at;
  const done = piece.behindPart(first);
  const low = piece.low(done);
  if (done === first || baseOf(low, 'past') === undefined || STATES.test(low)) return false;
  if (!piece.isLast(done) && !BEHIND_DONE.test(piece.low(done + 1))) return false;
  const verb = piece.based(done, 'past');
  piece.words.splice(at, done - at + 1, verb, ...piece.words.slice(at, done));
  piece.manner = 'past';
  return true;
}

const BEHIND_DONE = /^(?:with|using|by|and|off|out|in|on|from|to|crosswise|evenly|together|again)$/;

function bareKnown(piece: Piece, at: number): boolean {
  const verb = verbAt(piece.lowsFrom(at), 0);
  if (verb && !piece.knows(at)) return false;
  const things = objectsAt(piece.sentence(), at);
  if (wayLast(piece, at, things)) return true;
  const way = BARE_WAY.exec(piece.lows(things.end))?.[1];
  // "Motor off": taken off, or switched off.
  if (
    /^(?:off|on)$/.test(way ?? '') &&
    RUNS_ON.test(things.phrases.at(-1)?.words.at(-1) ?? '') &&
    piece.isLast(things.end)
  )
    return false;
  if (way === undefined || lexicon.MANNER_PHRASE.test(piece.lows(things.end))) return false;
  // "Then the end cover on the other side": where it is, and not what is done.
  if (way === 'on' && ON_WHICH_SIDE.test(piece.lows(things.end))) return false;
  // "Wear rings over double the clearance" are some of them.
  const over = piece.low(things.end + 1);
  if (/^(?:on|in)$/.test(way) && /^(?:top|front|line)$/.test(over)) return false;
  if (way === 'over' && !NAMED.test(over) && !piece.knows(things.end + 1)) return false;
  // "Gland nuts off, gland back": slid back, or put back.
  const isAfterOff = piece.words.slice(0, at).some(({ low }) => /^(?:off|out)$/.test(low));
  if (way === 'back' && isAfterOff && piece.isLast(things.end)) return false;
  // "Two packings on each head come out": at which places.
  const isPlace = namesAt(piece.names, piece.words, things.end + 1).some(
    ({ kind }) => kind === 'place' || kind === 'places',
  );
  // "The nut on the screw needs the big spanner": which nut, and nothing is put on.
  const behind = /^(?:on|in)$/.test(way) ? nounPhraseAt(piece.sentence(), things.end + 1) : undefined;
  if (behind && saysWhatItDoes(piece.low(behind.end))) return false;
  if (/^(?:on|in)$/.test(way) && (isPlace || /^(?:each|every|both)$/.test(piece.low(things.end + 1)))) return false;
  const isNamed = things.phrases.every(
    ({ known, feature, fromCount, name, words }, i) =>
      feature === undefined &&
      (known?.kind === 'part' ||
        // "Circlip off the shaft": nobody named one yet.
        ((fromCount !== undefined || (/^(?:off|out)$/.test(way) && words.length < 3)) &&
          kindFromName(words.at(-1) ?? '') !== 'other' &&
          !holdsVerb(words)) ||
        // "Bearings off the shaft": which ones is asked.
        (words.length === 1 &&
          (i > 0 || /^(?:off|out)$/.test(way)) &&
          lastWordsOf(piece.names).has(partsOf(name).at(-1) ?? ''))),
  );
  if (things.phrases.length === 0 || !isNamed) return false;
  orderBare(piece, at, things.end, way);
  return true;
}

const ON_WHICH_SIDE = /^on (?:the|each|either) (?:[\w-]+ )?(?:sides?|ends?|left|right)\b/;

/** "Six rod bolts pull off" says what they do. */
function holdsVerb(words: readonly string[]): boolean {
  return words.slice(1).some((word) => verbAt([word], 0)?.is === 'movement' && kindFromName(word) === 'other');
}

/** "Cover nuts, 17 mm, off": between what it is and its way stands its tool. */
function wayLast(piece: Piece, at: number, things: Objects): boolean {
  const [, between = '', way] = WAY_LAST.exec(piece.lows(things.end)) ?? [];
  const isKnown = things.phrases.length > 0 && things.phrases.every(({ known }) => known?.kind === 'part');
  if (way === undefined || !isKnown) return false;
  const last = things.end + between.trim().split(' ').length;
  const word = piece.words[last + 1];
  if (!word || word.low !== way) return false;
  piece.words.splice(last, 2);
  piece.words.splice(things.end, 0, word);
  orderBare(piece, at, things.end, way);
  return true;
}

const WAY_LAST =
  /^((?:x ?\d+ )?(?:, )?[\d./]+ ?(?:mm|inch|in)(?: (?:hex key|hex|socket|spanner|wrench|key|allen key|allen|ring spanner))?) , (off|out)(?= ?[,.;]| and | then |$)/;

/** "Nut and new washer on", "diaphragm, plate and nut off", which nobody named yet. */
function barePair(piece: Piece, at: number): boolean {
  // "Cover and gasket off": what may be a verb is none before its pair.
  const isVerb =
    verbAt(piece.lowsFrom(at), 0) !== undefined && !piece.knows(at) && !/^(?:and|&|\+)$/.test(piece.low(at + 1));
  if (at > piece.skipFillers(0) || isVerb) return false;
  const { phrases, end } = objectsAt(piece.sentence(), at);
  const way = /^(?:back on|back in|on|in|off|out)(?= ?[,.;]| with | and |$)/.exec(piece.lows(end))?.[0];
  const isPair =
    phrases.length > 1 &&
    piece
      .lowsFrom(at)
      .slice(0, end - at)
      .some((low) => /^(?:and|&|\+)$/.test(low));
  const areParts = isPair && phrases.every((one) => isCalledPart(one) && one.words.length < 4);
  if (way === undefined || !areParts || phrases.every(({ known }) => known)) return false;
  orderBare(piece, at, end, way);
  return true;
}

/** "O-rings on the shafts", "circlip in groove": put there, where nothing else is said. */
function barePlaced(piece: Piece, at: number): boolean {
  if (at > piece.skipFillers(0) || (verbAt(piece.lowsFrom(at), 0) && !piece.knows(at))) return false;
  const { phrases, end } = objectsAt(piece.sentence(), at);
  const isIn = /^(?:on|in|onto|into)$/.test(piece.low(end));
  const place = isIn ? nounPhraseAt(piece.sentence(), end + 1) : undefined;
  const areParts =
    phrases.length > 0 &&
    phrases.every(
      (one) =>
        isCalledPart(one) &&
        !one.known &&
        one.words.length < 4 &&
        !one.state.includes('new') &&
        !lexicon.isSubstance(one.words),
    );
  const isPlace =
    place && !place.phrase.pronoun && (isCalledPart(place.phrase) || lexicon.isFeature(place.phrase.words));
  if (!areParts || !isPlace || !(piece.isLast(place.end - 1) || piece.low(place.end) === 'with')) return false;
  piece.words.splice(at, 0, piece.as(at, 'put', true));
  piece.readTo = place.end + 1;
  piece.manner = 'bare';
  return true;
}

/** "Put the strainer in, the strainer cover on, and ...": the verb is not said again. */
export function bareBehind(piece: Piece, at: number): boolean {
  const things = objectsAt(piece.sentence(), at);
  const way = BARE_WAY.exec(piece.lows(things.end))?.[0];
  const isListed = piece.low(at - 1) !== ',' && WAY_WORDS[piece.low(at - 2)] === undefined;
  if (way === undefined || piece.manner !== 'order' || isListed) return false;
  const behind = piece.low(things.end + way.split(' ').length);
  return /^(?:,|and|then|\.|;|)$/.test(behind) && bareKnown(piece, at);
}

/** What is not known yet is named by a word or two, with nothing behind its way. */
function bareWords(piece: Piece, at: number): boolean {
  const said = BARE.exec(piece.lows(at));
  if (!said) return false;
  const [, name = '', way = ''] = said;
  // More than two words are a name where they are called as parts are.
  if (
    name.replace(/^(?:the|both|all) /, '').split(' ').length > 2 &&
    (kindFromName(name.split(' ').at(-1) ?? '') === 'other' || holdsVerb(name.split(' ')))
  )
    return false;
  // "Circlip in, sharp edge out": which way it faces.
  const [end = ''] = name.split(' ').slice(-1);
  if (at > 0 && lexicon.isEnd(end) && kindFromName(end) === 'other') return false;
  // "Straight on", "first out": how, and nothing that is named.
  if (name.split(' ').every((word) => lexicon.isManner(word))) return false;
  if (/^(?:off|on)$/.test(way) && RUNS_ON.test(name.split(' ').at(-1) ?? '')) return false;
  // "Rotor slides off" says what it does.
  const [thing = '', does = ''] = name.split(' ').slice(-2);
  const base = baseOf(does, 's');
  if (base && verbAt([base], 0)?.is === 'movement' && lastWordsOf(piece.names).has(thing)) return false;
  const first = verbAt(piece.lowsFrom(at), 0);
  // "Screw cover nut out" orders it.
  const isOrder =
    first && piece.behindPart(at + first.length) === at + name.split(' ').length && piece.knows(at + first.length);
  if (isOrder) return false;
  if (
    first &&
    !piece.knows(at) &&
    !isKindPhrase(name) &&
    (!/^(?:cap|plug|cover|seal|pin|clip|clamp|ring|screw|bolt|spring)$/.test(piece.low(at)) ||
      !(/^(?:back|off|out)/.test(way) || isNounHere(piece, at, said[0]) || isNotedOn(piece, at, said[0])))
  )
    return false;
  orderBare(piece, at, at + name.split(' ').length, way);
  return true;
}

/** "Cover on with a new gasket", where the series has covers. */
function isNounHere(piece: Piece, at: number, said: string): boolean {
  const behind = piece.low(at + said.split(' ').length);
  return lastWordsOf(piece.names).has(piece.low(at)) && /^(?:|with|and|then|,|\.|;)$/.test(behind);
}

/** "Shaft in, cover on, ...": noted as the one before. */
function isNotedOn(piece: Piece, at: number, said: string): boolean {
  return piece.manner === 'bare' && at > 0 && piece.isLast(at + said.split(' ').length - 1);
}

const RUNS_ON = /^(?:power|breaker|air|water|mains|supply|engine|motor|pump|current|steam)$/;

/** Puts the verb before what is named; the way stands behind it as before. */
function orderBare(piece: Piece, at: number, end: number, way: string): void {
  const verb = piece.as(at, /^(?:off|out|away)/.test(way) ? 'take' : 'put', true);
  piece.words.splice(at, end - at, verb, ...piece.words.slice(at, end));
  piece.readTo = end + 1;
  piece.manner = 'bare';
  piece.wayAt = end + 1;
  piece.wayEnd = end + 1 + way.split(' ').length;
}

/** "Impeller on, lock washer, nut to 80": what stands in such a list by itself goes with what stands before it. */
export function bareListed(piece: Piece, at: number): boolean {
  if (piece.wayAt === 0 || piece.wayEnd !== at - 1 || piece.low(at - 1) !== ',') return false;
  if (verbAt(piece.lowsFrom(at), 0) && !piece.knows(at)) return false;
  const thing = nounPhraseAt(piece.sentence(), at);
  if (thing?.phrase.known?.kind !== 'part' || lexicon.FASTENS.test(thing.phrase.name)) return false;
  if (piece.low(thing.end) !== ',' || piece.words[thing.end + 1] === undefined) return false;
  const listed = piece.words.splice(at - 1, thing.end - at + 1);
  piece.words.splice(piece.wayAt, 0, ...listed);
  piece.wayAt += listed.length;
  piece.wayEnd += listed.length;
  piece.readTo = piece.wayEnd;
  return true;
}

/** "New shaft seal, new hose", "new O-rings on both ends". */
function bareNew(piece: Piece, at: number): boolean {
  if (piece.low(at) !== 'new' || at > piece.skipFillers(0)) return false;
  const things = objectsAt(piece.sentence(), at);
  const areNew = things.phrases.every(
    ({ known, state, words, name }) =>
      state.includes('new') &&
      (known?.kind === 'part' ||
        kindFromName(name) !== 'other' ||
        lastWordsOf(piece.names).has(partsOf(words.at(-1) ?? '').at(-1) ?? '')),
  );
  const isBeforeOrder =
    /^(?:and|then)$/.test(piece.low(things.end)) && verbAt(piece.lowsFrom(things.end + 1), 0) !== undefined;
  const isEnd =
    piece.isLast(things.end - 1) ||
    isBeforeOrder ||
    /^(?:with|on|in|at|for|between|all|each)$/.test(piece.low(things.end));
  if (things.phrases.length === 0 || !areNew || !isEnd) return false;
  // "New rubber on the hub": put there.
  const place = /^(?:on|in)$/.test(piece.low(things.end)) ? nounPhraseAt(piece.sentence(), things.end + 1) : undefined;
  const isPut = place !== undefined && isCalledPart(place.phrase) && !place.phrase.every;
  piece.words.splice(at, 0, piece.as(at, isPut ? 'fit' : 'renew', true));
  return true;
}
