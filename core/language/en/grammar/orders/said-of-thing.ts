import { kindFromName } from '../../../../reading/en/kind-words';
import { objectsAt } from '../acts/objects';
import { lastWordsOf } from '../names/known-names';
import type { NounPhrase } from '../names/noun-phrase';
import * as lexicon from '../words/lexicon';
import { verbAt, WAY_BEFORE_PLACE, WAY_WORDS } from '../words/operations';
import { COMES, COMES_OUT, COMES_WHERE, DOER, DONE_WITH_TOOL, NAMED, PASSIVE, STATES } from '../words/told-words';
import { baseOf } from '../words/verb-forms';
import { isPlural, partsOf, type Word } from '../words/words';
import { behindPlace } from './beside';
import { doer } from './doer';
import { coated, givenVerb } from './given';
import type { Piece } from './piece';
import { toldOfIt } from './told-of-it';

/* Sentences about a thing: what is done to it stands behind it. */

/** "The filter is pulled out", "the cover lifts off", "nut: loosen": what it is said of stands behind its verb. */
export function saidOfThing(piece: Piece, at: number): void {
  if (alsoDone(piece, at) || toldOfIt(piece, at)) return;
  const sentence = piece.sentence();
  const stop = behindThing(piece, at);
  // "Make sure the pump is blocked": how it should be.
  if (stop < 0 || /^(?:make (?:sure|certain)|ensure|be sure|see that|verify)\b/.test(piece.lows(at))) return;
  leaveOutThatItIsFree(piece, stop);
  const things = objectsAt(sentence.slice(at, stop), 0);
  const [thing] = things.phrases;
  // "Unbolt the strainer and the bell, and the collar slides off": the collar does.
  const subject = piece
    .lowsFrom(at)
    .slice(0, stop - at)
    .join(' ');
  const isListBefore = at > 0 && things.phrases.length > 1 && subject.includes(' , and ');
  if (isListBefore) return;
  // "Light scratches can be lapped away" allows it.
  const isDirt =
    !thing?.known && lexicon.DIRT.test(thing?.words.at(-1) ?? '') && !/\S gaskets?$/.test(thing?.name ?? '');
  if (isDirt && /^(?:can|may) /.test(piece.lows(stop))) return;
  // "Screw two bolts into the holes" orders it.
  const isNext = NAMED.test(piece.low(at + 1)) || piece.words[at + 1]?.value !== undefined;
  if (!piece.knows(at) && isNext && verbAt(piece.lowsFrom(at), 0)) return;
  const end = behindPlace(piece, at + things.end);
  if (!thing || (thing.pronoun && thing.name !== 'everything') || !areAdverbs(piece, end, stop)) return;
  // "The cover and the seal, then pull the pin" begins another action.
  const isThen = piece.words.slice(end, stop).some(({ low }) => low === 'then');
  if (isThen && verbAt([piece.low(stop)], 0)) return;
  piece.words.splice(end, stop - end);
  const isCounted = things.phrases.some(({ known }) => known?.kind === 'part') && thing.fromCount !== undefined;
  const isShort = things.phrases.every(({ words }) =>
    lastWordsOf(piece.names).has(partsOf(words.at(-1) ?? '').at(-1) ?? ''),
  );
  saidOf(piece, at, end, thing.known?.kind === 'part' || isCounted || isShort || isPartLike(piece, thing));
}

/** "The screws are removed and the cover eased off": the cover is. */
function alsoDone(piece: Piece, at: number): boolean {
  const isNext = piece.manner === 'done' && /^(?:and|,|then)$/.test(piece.low(at - 1)) && NAMED.test(piece.low(at));
  if (!isNext) return false;
  const stop = piece.words.findIndex(({ low }, i) => i > at && /^(?:and|then|[,.;]|is|are)$/.test(low));
  const end = stop < 0 ? piece.words.length : stop;
  const verb = piece.words.findIndex((_, i) => i > at + 1 && i < end && baseOf(piece.low(i), 'past') !== undefined);
  if (
    verb < 0 ||
    piece.knows(verb) ||
    !/^(?:|[,.;]|and|then|off|out|away|up|down|back|in|on|by|with|from|to|into|using|together)$/.test(
      piece.low(verb + 1),
    )
  )
    return false;
  const thing = piece.words.slice(at, verb);
  piece.words.splice(at, thing.length + 1, piece.based(verb, 'past'), ...thing);
  return true;
}

/** "The rotor is now loose and can be drawn out": it is drawn out. */
function leaveOutThatItIsFree(piece: Piece, stop: number): void {
  const said = IS_FREE.exec(piece.lows(stop))?.[0];
  if (said !== undefined) piece.words.splice(stop, said.trim().split(' ').length);
}

const IS_FREE =
  /^(?:is|are)(?: now| then)? (?:loose|free|accessible|exposed|unlocked|released|undone|visible|clear)(?: now)? and (?:then |now )?(?=(?:can|may|must|should|has to|have to|needs? to|is|are|gets?|comes?|slides?|lifts?|pulls?|drops?)\b)/;

/** What nobody named yet, and is called as parts are, and as no other part of the series. */
function isPartLike({ names }: Piece, { known, pronoun, name, words }: NounPhrase): boolean {
  const isShort = lastWordsOf(names).has(partsOf(words.at(-1) ?? '').at(-1) ?? '');
  return !known && !pronoun && !isShort && kindFromName(name) !== 'other';
}

function saidOf(piece: Piece, at: number, stop: number, isKnown: boolean): void {
  const told = piece.lows(stop);
  // "The cover needs to come off".
  const passive = COMES.test(told) ? null : PASSIVE.exec(told);
  if (!isKnown && !NAMED.test(piece.low(at)) && passive?.[1] === undefined) return;
  // "Replace shaft seal: drive it out ..." is an order that heads others, and no name.
  const isHeading = /^[:–-]$/.test(piece.low(stop)) && !piece.knows(at) && verbAt([piece.low(at)], 0) !== undefined;
  if (isHeading && objectsAt(piece.sentence(), at + 1).end === stop && stop > at + 1) return;
  if (getsIt(piece, at, stop)) return;
  if (DOER.test(told)) fronted(piece, at, stop);
  else if (passive) putPassive(piece, at, stop, passive[0].trim().split(' ').length, passive[1] !== undefined);
  else if ((isKnown || (NAMED.test(piece.low(at)) && stop - at < 5)) && /^[:–-]$/.test(piece.low(stop)))
    topic(piece, at, stop);
  else if (isKnown || COMES_OUT.test(told)) byItself(piece, at, stop);
}

function putPassive(piece: Piece, at: number, stop: number, length: number, isOrder: boolean): void {
  let verb = stop + length;
  const between: Word[] = [];
  while (lexicon.isManner(piece.low(verb)) || /^(?:then|now|also|always|just|next)$/.test(piece.low(verb)))
    between.push(piece.words[verb++] as Word);
  const form = (['past', 'ing'] as const).find((one) => baseOf(piece.low(verb), one) !== undefined);
  if (!form || (form === 'ing' && !/^(?:needs?|wants?)$/.test(piece.low(stop)))) return;
  // "It must be located below the port" says where it is.
  if (piece.low(verb) === 'located') return;
  const isThen = between.some(({ low }) => /^(?:then|now|next)$/.test(low));
  // How it is, or what was done long ago, is nothing to do; what is then done is.
  const isMovedOut = /^(?:out|off|away|apart)$/.test(piece.low(verb + 1));
  const isDone = /^gets?$/.test(piece.low(stop));
  // "All sections are marked with a punch before dismantling": somebody does it.
  const isByTool = /^with (?:an? |the )?[\w -]+$/.test(piece.lows(verb + 1)) && DONE_WITH_TOOL.test(piece.low(verb));
  const isState =
    (STATES.test(piece.low(verb)) && !isMovedOut && !isDone && !isByTool) || /^(?:was|were)$/.test(piece.low(stop));
  if (!isOrder && !isThen && isState) return;
  const manners = between.filter(({ low }) => lexicon.isManner(low));
  const thing = piece.words.slice(at, stop);
  piece.words.splice(at, verb - at + 1, ...manners, piece.based(verb, form), ...thing);
  piece.manner = 'done';
}

/** "Everything gets a coat of oil first", "the cover needs a good clean". */
function getsIt(piece: Piece, at: number, stop: number): boolean {
  if (!/^(?:gets?|needs?|wants?|receives?) /.test(piece.lows(stop))) return false;
  const verb = givenVerb(piece, stop + 1);
  if (coated(piece, at, at, stop)) piece.manner = 'done';
  else if (verb) {
    const thing = piece.words.slice(at, stop);
    piece.words.splice(at, stop + 1 + verb.length - at, piece.as(stop + verb.length, verb.low), ...thing);
    piece.manner = 'done';
  } else return false;
  return true;
}

/** "The seal I pushed out with a drift". */
function fronted(piece: Piece, at: number, stop: number): void {
  const thing = piece.words.splice(at, stop - at);
  if (!doer(piece, at)) {
    piece.words.splice(at, 0, ...thing);
    return;
  }
  let verb = at;
  while (lexicon.isManner(piece.low(verb))) verb += 1;
  piece.words.splice(verb + 1, 0, ...thing);
}

function topic(piece: Piece, at: number, stop: number): void {
  const verb = verbAt(piece.lowsFrom(stop + 1), 0);
  if (!verb) return;
  const thing = piece.words.slice(at, stop);
  const behind = stop + 1 + verb.length;
  const things = objectsAt(piece.sentence(), behind);
  const [only, other] = things.phrases;
  if (only?.pronoun && !other) {
    // "Tie rods: remove all four": those it is about.
    const word = piece.words[things.end - 1] as Word;
    const isCount = word.value !== undefined;
    piece.words.splice(isCount ? things.end : behind, isCount ? 0 : things.end - behind, ...thing);
    piece.words.splice(at, stop + 1 - at);
    piece.manner = 'topic';
    return;
  }
  // "Packing: take out the gland bolts".
  const isElse = !only && piece.isWay(behind) && objectsAt(piece.sentence(), behind + 1).phrases.length > 0;
  if (isElse || (only && (other || only.known || !lexicon.isFeature(only.words)))) {
    goesOnWithTopic(piece, at, stop, thing);
    return;
  }
  if (only) {
    // "Vanes: check tips" checks the tips of the vanes.
    const of = ['of', 'the'].map((low) => piece.behind(things.end - 1, low));
    piece.words.splice(things.end, 0, ...of, ...thing);
    piece.words.splice(at, stop + 1 - at);
  } else {
    // "Stator can: look for rub marks" inspects the stator can for them.
    const isLook = /^(?:look|check|inspect|examine)$/.test(verb.phrase) && piece.low(behind) === 'for';
    const said = isLook ? [piece.as(stop + 1, 'inspect')] : piece.words.slice(stop + 1, behind);
    piece.words.splice(at, behind - at, ...said, ...thing);
  }
  piece.manner = 'topic';
}

/** "Coupling: loosen the grub screw, pull off with the puller": what names nothing is done to the coupling. */
function goesOnWithTopic(piece: Piece, at: number, stop: number, thing: readonly Word[]): void {
  const joint = piece.words.findIndex(({ low }, i) => i > stop + 1 && /^(?:,|and|then)$/.test(low));
  let next = joint;
  while (next > 0 && /^(?:,|and|then)$/.test(piece.low(next))) next += 1;
  const verb = next > 0 ? verbAt([piece.low(next)], 0) : undefined;
  const isAlone = verb?.is === 'movement' && /^(?:off|out|away)$/.test(piece.low(next + 1));
  if (!isAlone || objectsAt(piece.sentence(), next + 2).phrases.length > 0) return;
  piece.words.splice(next + 1, 0, ...thing);
  piece.words.splice(at, stop + 1 - at);
}

/** "The cylinder unscrews from the housing": what comes off by itself is taken off. */
function byItself(piece: Piece, at: number, stop: number): void {
  const coming = COMES.exec(piece.lows(stop));
  const verb = coming ? stop + coming[0].trim().split(' ').length - 1 : stop;
  const low = piece.low(verb);
  let behind = verb + 1;
  if (piece.low(behind) === 'right') piece.words.splice(behind, 1);
  while (lexicon.isManner(piece.low(behind))) behind += 1;
  const way = piece.low(behind);
  // "The seals go in the bin".
  if (coming && /^go/.test(low) && BINNED.test(piece.lows(behind))) {
    const thing = piece.words.slice(at, stop);
    piece.words.splice(at, verb + 1 - at, piece.as(verb, 'discard'), ...thing);
    return;
  }
  // "The ring goes behind the seal".
  if (coming && SITS.test(way) && /^go/.test(low)) {
    const thing = piece.words.slice(at, stop);
    piece.words.splice(at, verb + 1 - at, piece.as(verb, 'fit'), ...thing);
    return;
  }
  // "Four screws and the wear plate drops down": it is off then.
  if (/^(?:drops?|falls?)$/.test(low) && /^(?:down|out|off|away|free|from)$/.test(way)) {
    const thing = piece.words.slice(at, stop);
    if (way !== 'from') piece.words[behind] = piece.as(behind, 'off');
    piece.words.splice(at, verb + 1 - at, piece.as(verb, 'take'), ...thing);
    return;
  }
  // "The foot valve unscrews": off.
  const unDone = baseOf(low, 's');
  if (/^un(?:screw|clip|bolt|hook|thread)$/.test(unDone ?? '') && /^(?:|[,.;]|and|then)$/.test(way)) {
    const thing = piece.words.slice(at, stop);
    piece.words.splice(at, verb + 1 - at, piece.based(verb, 's'), ...thing);
    return;
  }
  if (WAY_WORDS[way] === undefined && WAY_BEFORE_PLACE[way] === undefined) return;
  const moves = baseOf(low, 's') ?? (verbAt([low], 0) ? low : undefined);
  const base = coming ? (/^(?:out|off|away|from|apart)$/.test(way) ? 'take' : 'put') : moves;
  if (base === undefined || verbAt([base], 0)?.is !== 'movement' || (coming && !COMES_WHERE.test(way))) return;
  const thing = piece.words.slice(at, stop);
  piece.words.splice(at, verb + 1 - at, piece.as(verb, base), ...thing);
}

const BINNED =
  /^(?:straight )?(?:in|into|on) (?:the |a )?(?:scrap|waste|rubbish|trash)?(?: ?(?:bin|box|can|heap|pile|skip)|(?<=scrap|waste|rubbish|trash))(?= ?[,.;]| and |$)/;
const SITS = /^(?:behind|under|underneath|between|against|inside|below|above|beside|around)$/;

function areAdverbs(piece: Piece, from: number, to: number): boolean {
  return piece.words.slice(from, to).every(({ low }) => /^(?:then|now|also|just|next|finally|always)$/.test(low));
}

const GOES_ON = /^(?:is|are|was|were|must|should|can|may|will|has|have|needs?|gets?|comes?|goes|go|:)$/;

/** Where a sentence goes on behind its subject, which may be called by words that are verbs as well: "pan screws". */
function behindThing(piece: Piece, start: number): number {
  for (let at = start; at < piece.words.length; ) {
    const behind = piece.behindPart(at);
    if (behind > at) at = behind;
    else if (at > start && endsThing(piece, at) && !isCountedNoun(piece, start, at)) return at;
    else at += 1;
  }
  return -1;
}

/** "All the cover screws back on": screws, and nobody screws. */
function isCountedNoun(piece: Piece, start: number, at: number): boolean {
  const isSeveral =
    /^(?:all|both|these|those)$/.test(piece.low(start)) ||
    piece.words.slice(start, at).some(({ value }) => value !== undefined);
  return isSeveral && lexicon.FASTENS.test(piece.low(at)) && isPlural(piece.low(at));
}

function endsThing(piece: Piece, at: number): boolean {
  const low = piece.low(at);
  if (/^(?:is|are|was|were|gets?|must|should|can|has|have|needs?|wants?|will|comes?|go|goes|:|–|-)$/.test(low))
    return true;
  if (/^(?:i|we|you)(?:'\w+)?$/.test(low)) return true;
  if (low === 'to' && piece.low(at + 1) === 'be') return true;
  // "The chamber stack can be lifted out": nothing is stacked.
  if (GOES_ON.test(piece.low(at + 1))) return false;
  // "The lower packing": no verb stands behind an article.
  if (/^(?:the|a|an|its|their|your)$/.test(piece.low(at - 1)) || piece.words[at - 1]?.value !== undefined) return false;
  // "Both guide pins are removed", "the retaining clip pulls off": called so.
  const next = piece.low(at + 1);
  const isBeforePart =
    /^(?:both|all|each|every|these|those)$/.test(piece.low(at - 1)) && kindFromName(next) !== 'other';
  if (isBeforePart || (kindFromName(low) !== 'other' && baseOf(next, 's') !== undefined)) return false;
  // "The bolts of the cover are loosened": bolts, and nothing that bolts.
  const isNoun =
    /^(?:the|a|an|all|both|these|those|new|old|its|their)$/.test(piece.low(at - 1)) ||
    piece.words[at - 1]?.value !== undefined;
  if (isNoun && /^(?:of|is|are|was|were|must|should|can|has|have|and|come|comes)$/.test(piece.low(at + 1)))
    return false;
  // "Put the bolts back in": a way.
  return baseOf(low, 's') !== undefined || (verbAt([low], 0)?.is === 'movement' && !piece.isWay(at));
}
