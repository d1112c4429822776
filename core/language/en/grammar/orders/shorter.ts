import { kindFromName } from '../../../../reading/en/kind-words';
import { type Objects, objectsAt } from '../acts/objects';
import { torqueAt } from '../names/figures';
import { toolAt } from '../names/tools';
import * as lexicon from '../words/lexicon';
import { verbAt } from '../words/operations';
import { NAMED } from '../words/told-words';
import type { Word } from '../words/words';
import { introduced } from './introduced';
import { askAny, askWhether, feelOver, lookAgain, lookFor, lookHow, lookOn } from './looks-said';
import { type Piece, wordsIn } from './piece';
import { putTurns } from './turns-of-speech';

/* Orders that a shorter one gives as well: put so, one grammar reads both. */

/** "Grab the rotor and pull it out", "go round the nuts", "are the balls round?": pull it, tighten them, check it. */
export function sayShorter(piece: Piece): void {
  // "Now that the cover is off".
  if (piece.lows(0).startsWith('now that ')) piece.words.splice(0, 2, piece.as(0, 'once'));
  leaveOut(piece);
  nowPossible(piece);
  introduced(piece);
  feelOver(piece);
  lookHow(piece);
  beginWith(piece);
  takeReading(piece);
  makeProof(piece);
  putPressure(piece);
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
  putTurns(piece);
  takeHold(piece);
  lookOn(piece);
}

/** "It should now be possible to remove the shaft": remove it; "this allows you to slide the sleeve off": slide it. */
function nowPossible(piece: Piece): void {
  const said = POSSIBLE.exec(piece.lows(0))?.[0].trim();
  if (said !== undefined && verbAt(piece.lowsFrom(wordsIn(said)), 0)) piece.words.splice(0, wordsIn(said));
}

const POSSIBLE =
  /^(?:(?:and|now|then|so) )*(?:it (?:is|should|will|must)(?: now| then)?(?: be)?(?: now| then)? possible to|(?:this|that|which) (?:now )?(?:lets you|allows you to|enables you to)|you (?:will|should) now be able to|you are now able to) /;

/** "Put 0.5 bar of air in the chamber", "blow it up to 20 psi": proved under that pressure. */
function putPressure(piece: Piece): void {
  const start = piece.orderStart();
  if (/^(?:put|apply|pump|give) [\d.,]+ (?:bar|psi|kpa|mpa) /.test(piece.lows(start)))
    piece.words[start] = piece.as(start, 'test');
  const blown = /^blow (?:it|her|them|the pump) up (?=to [\d.,]+)/.exec(piece.lows(start))?.[0].trim();
  if (blown === undefined) return;
  const [the, pump] = ['the', 'pump'].map((low) => piece.behind(start, low)) as [Word, Word];
  piece.words.splice(start, wordsIn(blown), piece.as(start, 'pressurise'), the, pump);
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
    // "Undo the bolts here around the casing".
    if (low === 'here' && kindFromName(before) !== 'other' && !NAMED.test(piece.low(at + 1))) {
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
  if (said === undefined || !things?.length) return;
  const areThem = things.every(({ pronoun }) => pronoun) && !/ over$/.test(said);
  if (!areThem && !things.every(({ name }) => lexicon.FASTENS.test(name))) return;
  // "Go over the nuts with a brush" tightens none.
  const isTorqued = piece.words.some((_, i) => i > at && torqueAt(piece.sentence(), i) !== undefined);
  if (/ over$/.test(said) && !isTorqued) return;
  piece.words.splice(at, wordsIn(said), piece.as(at, 'tighten'));
}

const GOES_ROUND = /^(?:go|work) (?:once |again |right )?(?:round|around|over)(?: all)?(?= )/;

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
