import { kindFromName } from '../../../../reading/en/kind-words';
import { type Objects, objectsAt } from '../acts/objects';
import { RUNNING_SIGNS } from '../acts/plain-verb';
import { torqueAt } from '../names/figures';
import { lastWordsOf } from '../names/known-names';
import { isWornWord } from '../names/name-ends';
import type { NounPhrase } from '../names/noun-phrase';
import { toolAt } from '../names/tools';
import * as lexicon from '../words/lexicon';
import { verbAt } from '../words/operations';
import { NAMED } from '../words/told-words';
import { baseOf } from '../words/verb-forms';
import { RENEWING } from '../words/verdict-words';
import { isPlural, partsOf, type Word } from '../words/words';
import type { Piece } from './piece';

/* Turns of speech that a shorter one says as well: put so, one grammar reads both. */

/** "The other one", "all of them", "any that are bent": "the other", "all", "them that are bent". */
export function sayShorter(piece: Piece): void {
  // "Now that the cover is off".
  if (piece.lows(0).startsWith('now that ')) piece.words.splice(0, 2, piece.as(0, 'once'));
  leaveOut(piece);
  feelOver(piece);
  lookHow(piece);
  beginWith(piece);
  takeReading(piece);
  makeProof(piece);
  // "Put 0.5 bar of air in the chamber" proves it.
  const start = piece.orderStart();
  if (/^(?:put|apply|pump|give) [\d.,]+ (?:bar|psi|kpa|mpa) /.test(piece.lows(start)))
    piece.words[start] = piece.as(start, 'test');
  // "Blow it up to 20 psi".
  const blown = /^blow (?:it|her|them|the pump) up (?=to [\d.,]+)/.exec(piece.lows(start))?.[0];
  if (blown !== undefined)
    piece.words.splice(
      start,
      wordsIn(blown),
      piece.as(start, 'pressurise'),
      piece.behind(start, 'the'),
      piece.behind(start, 'pump'),
    );
  goRound(piece);
  lookFor(piece);
  askAny(piece);
  askWhether(piece);
  cleanUp(piece);
  putMarks(piece);
  lookAgain(piece);
  turnToTake(piece);
  getStarted(piece);
  // "Take them all out but two" leaves some.
  if (/ (?:but|except) /.test(piece.lows(0))) return;
  for (let at = piece.words.length - 2; at >= 0; at -= 1) {
    const said = piece.lows(at);
    const [toTorque = ''] = TO_TORQUE.exec(said) ?? [];
    const [means = ''] = BY_MEANS.exec(said) ?? [];
    const [thereIs = ''] = THERE_IS.exec(said) ?? [];
    const [itIs = ''] = piece.low(at - 1) === ',' ? (IT_IS.exec(said) ?? []) : [];
    const [isCountBehind] = COUNT_BEHIND_WAY.exec(said) ?? [];
    // "Nuts off (4)" are "nuts (4) off".
    if (isCountBehind && isPlural(piece.low(at - 1)))
      piece.words.splice(at, 4, ...piece.words.slice(at + 1, at + 4), piece.words[at] as Word);
    else if (toTorque) piece.words.splice(at, wordsIn(toTorque), piece.as(at, 'to'));
    else if (
      (/^(?:, )?(?:looking|checking|watching|feeling) for /.test(said) ||
        (/^, look for /.test(said) && !RUNNING_SIGNS.test(said) && !piece.lowsFrom(0).slice(0, at).includes('for'))) &&
      piece
        .lowsFrom(0)
        .slice(0, at)
        .some((low) => /^(?:look|check|inspect|examin|study)/.test(low))
    )
      piece.words.splice(at, said.startsWith(',') ? 3 : 2, piece.as(at, 'for'));
    else if (CHECKS_FOR.test(said) && !RUNNING_SIGNS.test(said) && MOVED_FIRST.test(piece.orderVerb()?.is ?? ''))
      piece.words.splice(at + 1, 1, piece.as(at + 1, 'inspect'), piece.behind(at + 1, 'it'));
    else if (piece.low(at - 1) !== 'to' && /^free(?:ing)? (?:the|a|all|both|your|it|them|\d+)\b.* from /.test(said))
      piece.words[at] = piece.as(at, piece.low(at) === 'free' ? 'remove' : 'removing');
    else if (means) piece.words.splice(at, wordsIn(means), piece.as(at, 'with'));
    else if (/^the (?:whole )?lot(?= |$)/.test(said) && !piece.knows(at + 1))
      piece.words.splice(at, piece.low(at + 1) === 'lot' ? 2 : 3, piece.as(at, 'everything'));
    else if (
      LOOKS_AT_ANOTHER.test(said) &&
      / for /.test(piece.lowsFrom(0).slice(0, at).join(' ')) &&
      LOOKED.test(piece.lows(0))
    )
      piece.words.splice(at + 1, piece.low(at + 1) === 'at' ? 1 : 0, piece.behind(at, 'inspect'));
    else if (
      /^secure (?:it )?against (?:(?:being )?switch(?:ed|ing) on|re-?start\w*|re-?connection|start\w*|unintended \w+)/.test(
        said,
      )
    )
      piece.words.splice(
        at,
        piece.low(at + 1) === 'it' ? 2 : 1,
        piece.as(at, 'lock'),
        piece.behind(at, 'it'),
        piece.behind(at, 'out'),
      );
    else if (/^all over (?:the|both|each|its|your) /.test(said)) piece.words.splice(at, 2, piece.as(at + 1, 'on'));
    else if (
      /^(?:any|those|ones) with (?:visible |any |signs of |heavy |obvious |deep )*[a-z]+/.test(said) &&
      /^(?:replace|renew|change|discard|scrap|bin)$/.test(piece.low(at - 1))
    )
      piece.words.splice(at, 2, piece.as(at, 'them'), piece.as(at + 1, 'if'));
    else if (
      /^with (?:an?|any|visible) /.test(said) &&
      isWornWord(piece.low(at + 2)) &&
      new RegExp(`^(?:${RENEWING})$`).test(piece.orderVerb()?.phrase ?? '')
    )
      piece.words.splice(at, 2, piece.as(at, 'if'));
    else if (/^full of /.test(said) && FRACTION.test(piece.low(at - 1))) piece.words[at + 1] = piece.as(at + 1, 'with');
    else if (/^other ones?(?: |$)/.test(said)) piece.words.splice(at + 1, 1);
    else if (/^it all (?!the way|over|round|around|goes|go|is|was|has|comes|fits|looks|moves|turns)/.test(`${said} `))
      piece.words.splice(at, 2, piece.as(at, 'everything'));
    else if (/^(?:them|it) all(?! the way)(?: |$)/.test(said)) piece.words.splice(at + 1, 1);
    else if (/^all of it (?:,|$)/.test(`${said} `) && piece.low(at - 1) === ',') piece.words.splice(at - 1, 4);
    else if (/^(?:all|both|each) of (?:them|it)(?: |$)/.test(said)) piece.words.splice(at, 2);
    else if (ANY_THAT.test(said)) piece.words.splice(at, piece.low(at) === 'the' ? 2 : 1, piece.as(at, 'them'));
    else if (thereIs && /^(?:look|check|see)$/.test(piece.low(at - 1)))
      piece.words.splice(at - 1, wordsIn(thereIs) + 1, piece.as(at - 1, 'look'), piece.as(at, 'for'));
    else if (itIs && piece.words[at + wordsIn(itIs)]?.value !== undefined) piece.words.splice(at, wordsIn(itIs));
  }
  takeHold(piece);
  lookOn(piece);
}

/** "Unscrew please the nuts", "take out the rings, also the lantern ring": words that only make it polite or longer. */
function leaveOut(piece: Piece): void {
  for (let at = piece.words.length - 2; at > 0; at -= 1) {
    const [before, low] = [piece.low(at - 1), piece.low(at)];
    const isAlso = low === 'also' && /^(?:and|,)$/.test(before);
    // "The wear plate, also three nuts".
    if (
      isAlso &&
      /^\S+ (?:[\w-]+ )?(?:screws|bolts|nuts|studs)(?: |$)/.test(piece.lows(at + 1)) &&
      piece.words[at + 1]?.value !== undefined
    ) {
      piece.words.splice(at, 1);
      continue;
    }
    const named = NAMED.test(piece.low(at + 1)) ? at + 2 : at + 1;
    if (/^(?:please|kindly)$/.test(low)) piece.words.splice(at, 1);
    else if (isAlso && (piece.knows(at + 1) || piece.knows(named)))
      piece.words.splice(at - 1, 2, piece.as(at - 1, 'and'));
  }
}

/** "Grab the rotor and pull it out": pulled out. */
function takeHold(piece: Piece): void {
  const at = piece.orderStart();
  const said = TAKES_HOLD.exec(piece.lows(at))?.[0];
  const held = said === undefined ? undefined : objectsAt(piece.sentence(), at + wordsIn(said));
  const things = held && toolLast(piece, held);
  if (said === undefined || !things || !/^(?:and|, and|, then)(?= )/.test(piece.lows(things.end))) return;
  const [thing] = things.phrases;
  let verb = things.end;
  while (/^(?:and|,|then)$/.test(piece.low(verb))) verb += 1;
  while (lexicon.isManner(piece.low(verb))) verb += 1;
  const isTurned = /^(?:turn|rotate)$/.test(piece.low(verb));
  if (
    isTurned ||
    thing?.known?.kind === 'tool' ||
    lexicon.isToolName(thing?.words ?? []) ||
    !verbAt(piece.lowsFrom(verb), 0) ||
    !/^(?:it|them|each)$/.test(piece.low(verb + 1))
  )
    return;
  const named = piece.words.slice(at + wordsIn(said), things.end);
  piece.words.splice(verb + 1, 1, ...named);
  piece.words.splice(at, things.end + 1 - at);
}

/** "Grab the cage with the pliers and pull it out": the tool stands last. */
function toolLast(piece: Piece, things: Objects): Objects {
  const tool = /^(?:with|using)$/.test(piece.low(things.end)) ? toolAt(piece.sentence(), things.end + 1) : undefined;
  if (!tool || !/^(?:and|,)$/.test(piece.low(tool.end))) return things;
  const stop = piece.words.findIndex(({ low }, i) => i > tool.end && /^[.,;]$/.test(low));
  const said = piece.words.splice(things.end, tool.end - things.end);
  piece.words.splice((stop < 0 ? piece.words.length + said.length : stop) - said.length, 0, ...said);
  return things;
}

const TAKES_HOLD =
  /^(?:(?:take|get|grab|catch)(?: a)? (?:firm |good )?(?:hold|grip) (?:of|on)|grab|grip|grasp|clasp|(?:work|make|go) (?:your|our|my) way (?:round|around|along|through|across))(?= )/;

/** "Run your finger over the plates": looked at, and nothing is run there. */
function feelOver(piece: Piece): void {
  const at = piece.orderStart();
  const said = FELT_OVER.exec(piece.lows(at))?.[0];
  if (said !== undefined) piece.words.splice(at, wordsIn(said), piece.as(at, 'inspect'));
}

const FELT_OVER =
  /^(?:run|slide|draw|move|pass|drag) (?:your|a|the) (?:finger|fingers|finger nail|fingernail|nail|thumb|thumbnail|hand) (?:over|along|round|around|across|down|inside|on)(?= )/;

/** "Look at how the rotor sits": look how it does. */
function lookHow(piece: Piece): void {
  // "Check the wear on the bearing rings": of these.
  const on = piece.words.findIndex((_, i) => /^(?:wear|condition|state|fit|tightness) (?:on|in) /.test(piece.lows(i)));
  const verb = piece.orderVerb();
  const isFirst = verb !== undefined && on <= piece.orderStart() + verb.length + 1;
  if (on > 0 && isFirst && verb.is === 'verb' && verb.verb === 'inspect') {
    const things = objectsAt(piece.sentence(), on + 2).phrases;
    if (things.length > 0 && things.every(isThing)) piece.words[on + 1] = piece.as(on + 1, 'of');
  }
  const at = piece.words.findIndex((_, i) =>
    /^look (?:closely |carefully )?at (?:how|which|where|what) /.test(piece.lows(i)),
  );
  if (at >= 0) piece.words.splice(at, piece.low(at + 1) === 'at' ? 2 : 3, piece.as(at, 'look'));
}

/** "Begin with the dome nuts, turn them off": they are turned off. */
function beginWith(piece: Piece): void {
  const at = piece.orderStart();
  if (!/^(?:begin|start|continue|finish) with (?:the|both|all) /.test(piece.lows(at))) return;
  const things = objectsAt(piece.sentence(), at + 2);
  const verb = things.end + 1;
  const isNext = piece.low(things.end) === ',' && /^(?:it|them)$/.test(piece.low(verb + 1));
  if (things.phrases.length !== 1 || !isNext || !verbAt(piece.lowsFrom(verb), 0)) return;
  const named = piece.words.slice(at + 2, things.end);
  piece.words.splice(verb + 1, 1, ...named);
  piece.words.splice(at, verb - at);
}

/** "Take a runout reading at both sleeves": measured there. */
function takeReading(piece: Piece): void {
  for (const at of orderStarts(piece)) {
    const said = TAKES_READING.exec(piece.lows(at));
    if (!said) continue;
    const [whole, what] = said;
    const end = at + wordsIn(whole);
    // "Take a reading at both sleeves" measures the sleeves.
    const kept = what === undefined ? [] : [...piece.words.slice(end - 3, end - 2), ...piece.words.slice(end - 1, end)];
    piece.words.splice(at, end - at, piece.as(at, 'measure'), ...kept);
  }
}

const TAKES_READING =
  /^take (?:a |the |two |three )?(?:([\w-]+) )?(?:readings?|measurements?) (?:at|on|of|from|across)(?= )/;

/** "Do a dry vacuum test": test it. */
function makeProof(piece: Piece): void {
  for (const at of orderStarts(piece)) {
    const said = MAKES_PROOF.exec(piece.lows(at))?.[1];
    if (said !== undefined) piece.words.splice(at, wordsIn(said), piece.as(at, 'test'));
  }
}

const MAKES_PROOF =
  /^(do|perform|make|run|carry out|conduct) (?:an?|the|another) (?:[\w-]+ ){0,2}?(?:test|trial|check|run)(?: run)?(?= ?[,.;:]| and | then | with | at | of | for | on | under |$)/;

/** Where orders may begin: first, and behind each joint. */
function orderStarts(piece: Piece): number[] {
  const behind = piece.words.flatMap(({ low }, i) => (/^(?:and|then|,)$/.test(low) ? [i + 1] : []));
  return [piece.orderStart(), ...behind].reverse();
}

/** "Go round the head screws twice": they are tightened. */
function goRound(piece: Piece): void {
  const at = piece.orderStart();
  const said = GOES_ROUND.exec(piece.lows(at))?.[0];
  const things = said === undefined ? undefined : objectsAt(piece.sentence(), at + wordsIn(said)).phrases;
  if (said === undefined || !things?.length || !things.every(({ name }) => lexicon.FASTENS.test(name))) return;
  // "Go over the nuts with a brush" tightens none.
  const isTorqued = piece.words.some((_, i) => i > at && torqueAt(piece.sentence(), i) !== undefined);
  if (/ over$/.test(said) && !isTorqued) return;
  piece.words.splice(at, wordsIn(said), piece.as(at, 'tighten'));
}

const GOES_ROUND = /^(?:go|work) (?:once |again |right )?(?:round|around|over)(?: all)?(?= )/;

/** "With the help of two screwdrivers". */
const BY_MEANS = /^(?:with the (?:help|aid|use) of|by (?:means|use) of)(?= )/;
/** "To a torque of 24 N·m". */
const TO_TORQUE =
  /^(?:to|at|with) (?:a |the )?(?:final |tightening )?(?:torque|figure|setting)(?: value| setting| figure)? of(?= )/;
const COUNT_BEHIND_WAY = /^(?:off|out|on|in|loose) \( \d+ \)/;
/** "Replace any that are bent". */
const ANY_THAT = /^(?:any|those|(?:the )?ones) (?:that|which) (?:is|are|has|have|shows?|looks?|feels?) /;
/** "Look if there is any water in it". */
const THERE_IS = /^(?:if|whether) (?:there (?:is|are)|there's)(?: any)?(?= )/;
/** "One third full of grease". */
/** "Push out the piston, check for scoring": looked at for it. */
const CHECKS_FOR = /^(?:,|and) (?:check|look|inspect|examine) for /;
const MOVED_FIRST = /^movement$/;
/** "Look at the seats for pitting and at the poppets for grooves": each for its own. */
const LOOKS_AT_ANOTHER = /^and (?:at )?(?:the|both|all|its) (?:[\w-]+ ){1,4}?for /;
const LOOKED = /\b(?:look|check|inspect|examine)\b/;
const FRACTION = /^(?:half|thirds?|quarters?|percent|cent)$/;
/** "Take the cover off, it's just two screws". */
const IT_IS =
  /^(?:it's|that's|they're|there's|(?:it|that) is|(?:they|there) are)(?: (?:just|only|held by|fixed with))?(?= \S+ (?:[\w-]+ ){0,3}(?:screw|bolt|nut|stud)s(?: |$))/;

/** "Inspect the plungers: cracks, scores, chipped ends": for these. */
function lookFor(piece: Piece): void {
  const verb = piece.orderVerb();
  const colon = piece.words.findIndex(({ low }, i) => i > 1 && low === ':');
  if (verb?.is !== 'verb' || verb.verb !== 'inspect' || colon < 0 || piece.lows(0).includes(' for ')) return;
  const signs = piece.lows(colon + 1).split(/ (?:,|and|or) /);
  const areSigns = signs.every((sign) => sign.split(' ').length < 4 && !SAYS_SO.test(sign));
  const isPart = piece.words.some((_, i) => i > colon && piece.knows(i));
  if (areSigns && !isPart) piece.words[colon] = piece.as(colon, 'for');
}

/** "Look for scoring on the shaft": look at the shaft for it; leaks show on what runs. */
function lookOn(piece: Piece): void {
  for (let at = 1; at < piece.words.length - 3; at += 1) {
    if (piece.low(at) !== 'for' || !LOOKS.test(piece.low(at - 1)) || RUNNING_SIGNS.test(piece.lows(at))) continue;
    const end = piece.words.findIndex((_, i) => i > at && beginsOrder(piece, i));
    const looked = piece.sentence().slice(0, end < 0 ? piece.words.length : end);
    const on = looked.lows.findLastIndex((low, i) => i > at + 1 && /^(?:on|in|of|at|around|along|inside)$/.test(low));
    const things = on < 0 ? undefined : objectsAt(looked, on + 1);
    if (
      !things?.phrases.length ||
      !things.phrases.every((one) => isThing(one) || isShortName(piece, partsOf(one.words.at(-1) ?? '')))
    )
      continue;
    // "Washboarding in the liner and chunking on the rubber": each on its own.
    const first = looked.lows.findIndex((low, i) => i > at + 1 && i < on && /^(?:on|in|of|at)$/.test(low));
    const one = first < 0 ? undefined : objectsAt(looked, first + 1);
    if (
      one?.phrases.length &&
      one.phrases.every(isThing) &&
      /^and$/.test(looked.lows[one.end] ?? '') &&
      on > one.end + 1
    ) {
      piece.words.splice(
        one.end + 1,
        0,
        piece.behind(one.end, 'inspect'),
        ...piece.words.splice(on + 1, things.end - on - 1),
        piece.behind(one.end, 'for'),
      );
      const left = piece.words.indexOf(looked.words[on] as Word);
      if (left >= 0) piece.words.splice(left, 1);
      const [, ...own] = piece.words.splice(first, one.end - first);
      piece.words.splice(at - 1, 1, piece.as(at - 1, 'inspect'), ...own);
      return;
    }
    const [, ...thing] = piece.words.splice(on, things.end - on);
    const verb = piece.low(at - 1).endsWith('ing') ? 'inspecting' : 'inspect';
    piece.words.splice(at - 1, 1, piece.as(at - 1, verb), ...thing);
  }
}

function beginsOrder(piece: Piece, at: number): boolean {
  if (/^[.;]$/.test(piece.low(at)) || piece.low(at) === 'then') return true;
  const [low = '', ...rest] = piece.lowsFrom(at);
  const isJoined =
    /^(?:,|and)$/.test(piece.low(at - 1)) && verbAt([baseOf(low, 'ing') ?? low, ...rest], 0) !== undefined;
  return isJoined && (NAMED.test(piece.low(at + 1)) || piece.isWay(at + 1) || piece.knows(at + 1));
}

function isThing({ known, pronoun, name, words }: NounPhrase): boolean {
  return known?.kind === 'part' || (!pronoun && (kindFromName(name) !== 'other' || lexicon.isFeature(words)));
}

const LOOKS = /^(?:(?:look|check|inspect)(?:ing)?|examin(?:e|ing))$/;

/** "Any wear on the shaft?": look for it. */
function askAny(piece: Piece): void {
  const at = piece.skipFillers(0);
  const said = /^(?:(?:is|are) there )?any(?= )/.exec(piece.lows(at))?.[0];
  const on = piece.words.findLastIndex(({ low }) => /^(?:on|in|at|around|inside)$/.test(low));
  if (said === undefined || on < at + wordsIn(said)) return;
  const end = objectsAt(piece.sentence(), on + 1).end;
  const sign = piece
    .lowsFrom(at)
    .slice(0, on - at)
    .join(' ');
  // "Any chips on the faces, bin them": done only then.
  const isUpon = new RegExp(`^, (?:then )?(?:you )?(?:${RENEWING}|bin|chuck|scrap)\\b`).test(piece.lows(end));
  if (end === on + 1 || isUpon || !piece.isLast(end - 1) || /[;:]| that | which |,(?!.* (?:or|and) )/.test(sign))
    return;
  piece.words.splice(at, wordsIn(said), piece.as(at, 'look', true), piece.as(at, 'for'));
}

/** "Put witness marks on the hubs": mark the hubs, with these. */
function putMarks(piece: Piece): void {
  const at = piece.orderStart();
  const said = PUTS_MARKS.exec(piece.lows(at));
  if (!said || piece.knows(at + 1)) return;
  const marks = piece.words.slice(at + 1, at + wordsIn(said[0]) - 1);
  const end = piece.words.findIndex(({ low }, i) => i > at && /^(?:[.,;]|before|after|so|and|then|while)$/.test(low));
  const behind = end < 0 ? piece.words.length : end;
  piece.words.splice(behind, 0, piece.behind(behind - 1, ','), piece.behind(behind - 1, 'with'), ...marks);
  piece.words.splice(at, wordsIn(said[0]), piece.as(at, 'mark'));
}

const PUTS_MARKS =
  /^(?:put|make|paint|scribe|chalk|place|draw) (?:(?:a|an|some|two|three|your) )?(?:witness|match|matching|alignment|assembly|reference|pen|paint|chalk|marker|clear|small) (?:marks?|dots?|lines?|numbers?|arrows?) (?:on|onto|across|over|along|between|at)(?= )/;

/** "Clean the faces up with the wheel": cleaned, and they face nowhere. */
function cleanUp(piece: Piece): void {
  const verb = piece.orderVerb();
  if (verb?.is !== 'verb' || !/^(?:clean|dress)$/.test(verb.verb)) return;
  const up = piece.words.findIndex(
    ({ low }, i) =>
      low === 'up' && lexicon.isEnd(piece.low(i - 1)) && /^(?:|with|using|and|,|\.|;)$/.test(piece.low(i + 1)),
  );
  if (up > 1) piece.words.splice(up, 1);
}

/** "Are the balls still round?": check whether they are. */
function askWhether(piece: Piece): void {
  const at = piece.skipFillers(0);
  if (!/^(?:is|are)$/.test(piece.low(at)) || piece.low(at + 1) === 'there' || piece.words.at(-1)?.low !== '?') return;
  const thing = NAMED.test(piece.low(at + 1)) ? at + 2 : at + 1;
  const known = piece.behindPart(thing);
  const end = known === thing && isShortName(piece, piece.words[thing]?.parts) ? thing + 1 : known;
  if (end === thing || end >= piece.words.length - 1) return;
  const [be] = piece.words.splice(at, 1);
  if (be) piece.words.splice(end - 1, 0, { ...be, as: be.low });
  piece.words.splice(at, 0, piece.as(at, 'check', true), piece.as(at, 'if', true));
}

const SAYS_SO = /\d|\b(?:is|are|be|must|should|no|not|it|if|max|min|within|free|good|ok|okay|replace|renew|clean)\b/;

/** "Turn the diaphragm by hand to unscrew it": it is unscrewed. */
function turnToTake(piece: Piece): void {
  const start = piece.orderStart();
  const isTurn = /^(?:turn|rotate|twist)$/;
  // "It has a left-hand thread, so turn it clockwise to undo it".
  const at = isTurn.test(piece.orderVerb()?.phrase ?? '')
    ? start
    : piece.words.findIndex(({ low }, i) => isTurn.test(low) && /^(?:so|and|then|,)$/.test(piece.low(i - 1)));
  if (at < 0) return;
  const to = piece.words.findIndex(
    ({ low }, i) =>
      i > at + 1 &&
      low === 'to' &&
      /^(?:unscrew|remove|release|free|detach|unthread|undo|loosen) (?:it|them)\b/.test(piece.lows(i + 1)),
  );
  if (to < 0) return;
  const verb = /^(?:unscrew|unthread|undo|loosen)$/.test(piece.low(to + 1)) ? piece.low(to + 1) : 'remove';
  piece.words.splice(to, 3);
  piece.words[at] = piece.as(at, verb);
}

const GOT_STARTED =
  /^(?:get|getting) (?!.*\b(?:and|to|by|,)\b.* started)(?:[\w-]+ ){1,5}started(?= (?:[.;]|and|by|with|using|,|a few|two|then)|$)/;

/** "Get the bolts started": started by hand. */
function getStarted(piece: Piece): void {
  for (let at = 0; at < piece.words.length - 2; at += 1) {
    const said = GOT_STARTED.exec(piece.lows(at))?.[0];
    if (said === undefined) continue;
    piece.words.splice(at + wordsIn(said) - 1, 1);
    piece.words[at] = piece.as(at, piece.low(at) === 'get' ? 'start' : 'starting');
  }
}

/** "Check the teeth for chips and the journals for scores": they are checked as well. */
function lookAgain(piece: Piece): void {
  const verb = piece.orderVerb();
  if (verb?.is !== 'verb' || verb.verb !== 'inspect') return;
  for (let at = piece.words.length - 3; at > 2; at -= 1) {
    const [said] = /^(?:and|,) (?:the )?(?:[\w-]+ ){1,4}for /.exec(piece.lows(at)) ?? [];
    const isBehindFor = piece.lowsFrom(0).slice(0, at).includes('for');
    if (
      !said ||
      !isBehindFor ||
      verbAt(piece.lowsFrom(at + 1), 0) ||
      !(/ the | and /.test(` ${said}`) || piece.knows(at + 1) || isShortName(piece, piece.words[at + 1]?.parts)) ||
      !objectsAt(piece.sentence(), at + 1).phrases[0]
    )
      continue;
    piece.words.splice(at + 1, 0, piece.as(at + 1, 'check', true));
    if (piece.low(at) === ',') piece.words[at] = piece.as(at, 'and');
  }
}

/** "Rod" where there is a "diaphragm rod". */
function isShortName({ names }: Piece, parts: readonly string[] = []): boolean {
  return lastWordsOf(names).has(parts.at(-1) ?? '');
}

function wordsIn(text: string): number {
  return text.split(' ').length;
}
