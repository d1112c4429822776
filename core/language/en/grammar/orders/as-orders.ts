import { objectsAt } from '../acts/objects';
import { RUNNING_SIGNS } from '../acts/plain-verb';
import { type NameIndex, namesAt } from '../names/known-names';
import { STATE } from '../names/noun-phrase';
import * as lexicon from '../words/lexicon';
import { ALSO_NOUN, verbAt } from '../words/operations';
import { ALLOWED, NAMED, USING } from '../words/told-words';
import { baseOf } from '../words/verb-forms';
import { endsSentence, type Word } from '../words/words';
import { behindPlace, wayBeforePlace } from './beside';
import { doer, fetched, hadDone, helped } from './doer';
import { figureFirst } from './figure-first';
import { given } from './given';
import { bare, bareBehind, bareListed } from './noted';
import { Piece } from './piece';
import { saidOfThing } from './said-of-thing';
import { nameOwned, partDoer, partExpectation, partMeans, partWhile } from './set-apart';
import { sayShorter } from './shorter';

/**
 * What is told about work, put as the order to do it, so that one grammar reads both: "I'm loosening the nut", "the nut
 * is loosened", "removing the nut, ...", "off comes the nut", "nut: loosen". Words keep where they stand in the line.
 */
export function asOrders(line: string, words: readonly Word[], names: NameIndex): Word[] {
  const orders: Word[] = [];
  let piece: Word[] = [];
  for (const [at, word] of words.entries()) {
    piece.push(word);
    // "Seal – draw it": what it is about stands before the dash.
    const isTopic = /^[-–—]$/.test(word.low) && isName(piece.slice(0, -1), names);
    // "Strainer first: cover off".
    const isHead = word.low === ':' && /^(?:first|next|now)$/.test(piece.at(-2)?.low ?? '');
    if ((!endsSentence(words, at) && !isHead) || isTopic) continue;
    orders.push(...asOrder(new Piece(line, piece, names)));
    piece = [];
  }
  return [...orders, ...asOrder(new Piece(line, piece, names))];
}

function isName(words: readonly Word[], names: NameIndex): boolean {
  const start = /^(?:the|a|an)$/.test(words[0]?.low ?? '') ? 1 : 0;
  return namesAt(names, words, start).some(({ kind, length }) => kind === 'part' && start + length === words.length);
}

function asOrder(piece: Piece): Word[] {
  if (piece.words.length < 2) return piece.words;
  sayShorter(piece);
  partWhile(piece);
  nameOwned(piece);
  partDoer(piece);
  partMeans(piece);
  // "Now you want to seat the ring, shiny side out" opens with an order.
  const opens = piece.opens();
  putAt(piece, piece.skipFillers(0), true);
  for (let at = 1; at < piece.words.length; at += 1) {
    if (at < piece.readTo) continue;
    if (!/^(?:and|then|,)$/.test(piece.low(at - 1)) || /^(?:and|then|,)$/.test(piece.low(at))) continue;
    const isOpening = piece.low(at - 1) === ',' && opens;
    putAt(piece, piece.skipFillers(at), isOpening);
  }
  partExpectation(piece);
  wayBeforePlace(piece);
  return piece.words.filter(
    ({ low }, i) =>
      i === 0 ||
      !(
        (low === 'here' && piece.manner === 'doing') ||
        (/^(?:next|now)$/.test(low) &&
          piece.isLast(i) &&
          !/^(?:for|from|by|until|is|are|comes?)$/.test(piece.low(i - 1)))
      ),
  );
}

function putAt(piece: Piece, at: number, isStart: boolean): void {
  if (at >= piece.words.length) return;
  if (isStart && (helped(piece, at) || hadDone(piece, at))) return;
  if (!isStart && ALLOWED.test(piece.lows(at))) return;
  // Behind a condition it is no more than a hint: "if it sticks, give it a tap".
  const isOrder = isStart || /^(?:and|then)$/.test(piece.low(at - 1));
  if (doer(piece, at) || (isOrder && given(piece, at)) || goesOn(piece, at)) return;
  if (!isStart && isOrder && piece.knows(at) && figureFirst(piece, at)) return;
  if (
    isStart &&
    (figureFirst(piece, at) || gerund(piece, at) || pastAlone(piece, at) || fetched(piece, at) || heading(piece, at))
  )
    return;
  if (
    inverted(piece, at) ||
    ((isStart || (piece.manner === 'bare' && !isListedInOrder(piece, at))) && bare(piece, at)) ||
    bareBehind(piece, at)
  )
    return;
  if (!isStart && piece.manner === 'bare' && bareListed(piece, at)) return;
  if (isStart && verbLast(piece, at)) return;
  if (isStart || /^(?:order|done|bare)$/.test(piece.manner)) saidOfThing(piece, at);
}

/** "Circlip off, press shaft and bearing out": the bearing is pressed as well, and nothing by itself. */
function isListedInOrder(piece: Piece, at: number): boolean {
  const comma = piece.words.findLastIndex(({ low }, i) => i < at - 1 && /^(?:,|then|;)$/.test(low));
  const verb = verbAt(piece.lowsFrom(comma + 1), 0);
  const from = comma + 1 + (verb?.length ?? 0);
  return (
    piece.low(at - 1) === 'and' &&
    verb !== undefined &&
    !piece.knows(comma + 1) &&
    objectsAt(piece.sentence(), from).end > at
  );
}

/** "... and cleaned", "... and pulling it out": told in the same way as the action before. */
function goesOn(piece: Piece, at: number): boolean {
  const form = piece.manner === 'doing' ? 'ing' : /^(?:done|past|bare)$/.test(piece.manner) ? 'past' : undefined;
  let verb = at;
  while (lexicon.isManner(piece.low(verb))) verb += 1;
  // "I'm pulling it off, turning it slightly": how.
  const isHow = form === 'ing' && piece.low(at - 1) === ',' && DOING_ALONG.test(piece.lows(verb));
  // "Bearing in, closed side out": which way.
  if (lexicon.isEnd(piece.low(verb + 1))) return false;
  // "The liner in, held with its four keys": how it sits.
  if (/^(?:held|secured|fixed|located|retained|guided|kept|supported) (?:with|by|in|on|at)\b/.test(piece.lows(verb)))
    return false;
  // "The cover and retaining plate" goes on with a part.
  if (form && !isHow && !piece.knows(verb) && baseOf(piece.low(verb), form) !== undefined) {
    piece.words[verb] = piece.based(verb, form);
    if (piece.manner === 'done' || piece.manner === 'bare') piece.words.splice(verb + 1, 0, piece.pronounAt(verb));
    return true;
  }
  if (thrownAway(piece, at)) return true;
  // "The rods come out and get counted".
  if (/^gets?$/.test(piece.low(at)) && piece.low(at - 1) === 'and' && baseOf(piece.low(at + 1), 'past') !== undefined) {
    piece.words.splice(at, 2, piece.based(at + 1, 'past'), piece.pronounAt(at + 1));
    return true;
  }
  if (isDoneToTheSame(piece, at)) {
    piece.words.splice(at + 1, 0, piece.pronounAt(at));
    return true;
  }
  const next = piece.manner === 'topic' ? verbAt(piece.lowsFrom(at), 0) : undefined;
  if (!next) return false;
  if (next.is === 'verb' && next.verb === 'attend') return true;
  if (objectsAt(piece.sentence(), at + next.length).phrases.length === 0)
    piece.words.splice(at + 1, 0, piece.pronounAt(at));
  return true;
}

/** "Pull the ring out, it is thrown away": done as well. */
function thrownAway(piece: Piece, at: number): boolean {
  const said = /^(?:it|they) (?:is|are|gets?|must be|has to be|have to be) /.exec(piece.lows(at))?.[0];
  if (said === undefined || piece.low(at - 1) !== ',') return false;
  const done = at + said.trim().split(' ').length;
  const base = baseOf(piece.low(done), 'past');
  const verb = base === undefined ? undefined : verbAt([base, ...piece.lowsFrom(done + 1)], 0);
  if (!verb || !((verb.is === 'verb' && verb.verb === 'discard') || verb.phrase === 'throw')) return false;
  const way = piece.isWay(done + 1) ? piece.words.slice(done + 1, done + 2) : [];
  piece.words.splice(at, done + 1 + way.length - at, piece.based(done, 'past'), ...way, piece.pronounAt(done));
  return true;
}

/** "Remove the stator, clean, inspect": done to the same; "keep it clean, dry" says how. */
function isDoneToTheSame(piece: Piece, at: number): boolean {
  const isNext =
    /^(?:|[,.;!]|and|then)$/.test(piece.low(at + 1)) ||
    (/^check for /.test(piece.lows(at)) && !RUNNING_SIGNS.test(piece.lows(at)) && !/\bzero\b/.test(piece.lows(at)));
  // "Turn the sleeve with both hands and pull up": bolts are pulled up otherwise.
  const isPulled =
    /^(?:pull|draw) up(?= ?[,.;]|$)/.test(piece.lows(at)) && !piece.words.some(({ low }) => lexicon.FASTENS.test(low));
  const isHow = lexicon.isManner(piece.low(at - 2)) || lexicon.REMARK_OPENING.test(piece.lows(0));
  const isNamed = piece.words.some(({ low }, i) => i < at && (piece.knows(i) || NAMED.test(low)));
  return (
    ((DONE_TO_THE_SAME.test(piece.low(at)) && isNext) || isPulled) &&
    !isHow &&
    isNamed &&
    piece.orderVerb() !== undefined
  );
}

const DONE_TO_THE_SAME =
  /^(?:clean|rinse|wash|wipe|degrease|descale|inspect|check|examine|measure|discard|scrap|bin|renew|lubricate|refit|reinstall|photograph)$/;

const DOING_ALONG =
  /^(?:(?:turning|twisting|rocking|tilting|pushing|pulling|tapping|working|holding|keeping|rotating) (?:it|them)\b|(?:working|stopping|starting|going|taking care|making sure|watching|applying (?:force|pressure|load))\b)/;

/** "Removing the nut, ..." */
function gerund(piece: Piece, at: number): boolean {
  const next = piece.isWay(at + 1) ? at + 2 : at + 1;
  // "Cleaning and inspecting the cover".
  const isTwo = /^(?:and|,)$/.test(piece.low(next)) && baseOf(piece.low(next + 1), 'ing') !== undefined;
  const isNamed = NAMED.test(piece.low(next)) || piece.words[next]?.value !== undefined || piece.knows(next) || isTwo;
  if (baseOf(piece.low(at), 'ing') === undefined || piece.knows(at) || !isNamed) return false;
  if (USING.test(piece.low(at)) || saysHowItIs(piece, next)) return false;
  piece.words[at] = piece.based(at, 'ing');
  piece.manner = 'doing';
  return true;
}

/** "Removing the nut takes some force": told of it, and no order. */
function saysHowItIs(piece: Piece, at: number): boolean {
  let end = objectsAt(piece.sentence(), at).end;
  while (piece.isWay(end)) end += 1;
  return /^(?:is|are|takes?|needs?|requires?|makes?|gives?|helps?|lets?|means|works|can|may|might|could|will|would|should)$/.test(
    piece.low(end),
  );
}

/** "Loosened both clamps": who did it is left out. */
function pastAlone(piece: Piece, at: number): boolean {
  const low = piece.low(at);
  if (baseOf(low, 'past') === undefined || piece.knows(at) || verbAt([low], 0)) return false;
  const isNamed = NAMED.test(piece.low(at + 1)) || piece.words[at + 1]?.value !== undefined;
  // "Greased seal" says in which state it is.
  if (!isNamed && (STATE.test(low) || !(piece.knows(at + 1) || piece.isWay(at + 1)))) return false;
  piece.words[at] = piece.based(at, 'past');
  piece.manner = 'past';
  return true;
}

/** "Torque: packing nut 34 N·m". */
function heading(piece: Piece, at: number): boolean {
  const verb = verbAt(piece.lowsFrom(at), 0);
  // "Seal: draw it" heads a line with what it is about, and seals nothing.
  if (!verb || piece.low(at + verb.length) !== ':' || piece.knows(at) || ALSO_NOUN.test(piece.low(at))) return false;
  piece.words.splice(at + verb.length, 1);
  return true;
}

/** "Now comes the rotor off". */
function comesLast(piece: Piece, at: number): boolean {
  if (!/^(?:comes?|goes|go)$/.test(piece.low(at)) || lexicon.CAUTION_OPENING.test(piece.lows(at))) return false;
  const things = objectsAt(piece.sentence(), at + 1);
  const way = /^(?:out|off|in|on|back)$/.exec(piece.low(things.end))?.[0];
  if (way === undefined || things.phrases.length === 0) return false;
  piece.words[at] = piece.as(at, /^(?:out|off)$/.test(way) ? 'take' : 'put');
  return true;
}

/** "Bearings with the puller take down", "cover to demount": as languages say it that put the verb last. */
function verbLast(piece: Piece, at: number): boolean {
  const first = NAMED.test(piece.low(at)) || /^(?:new|old)$/.test(piece.low(at)) ? at + 1 : at;
  const behindName = piece.behindPart(first);
  if (behindName === first) return false;
  for (let end = behindName; end < piece.words.length && !/^[,.;:]$/.test(piece.low(end)); end += 1) {
    if (SAID_BEFORE_VERB.test(piece.low(end))) return false;
    const verb = verbAt(piece.lowsFrom(end), 0);
    // "Put the cover back in": a way, and no verb.
    if (!verb || piece.low(end) === 'zero' || lexicon.isManner(piece.low(end)) || piece.knows(end) || piece.isWay(end))
      continue;
    // "Holds the head in place".
    if (/^(?:in|into|at|of|the|a|an|its|their)$/.test(piece.low(end - 1))) continue;
    let behind = end + verb.length;
    if (piece.isWay(behind)) behind += 1;
    const isTo = end === behindName + 1 && piece.low(behindName) === 'to';
    // "Cover nuts tighten crosswise with 80 N·m".
    const isFastened = end === behindName && TIGHTENS.test(piece.low(end)) && !piece.isLast(end);
    if (isFastened) {
      piece.words.splice(at, 0, ...piece.words.splice(end, 1));
      return true;
    }
    // A noun as well, unless something makes it a verb.
    if (ALSO_NOUN.test(piece.low(end)) && !isTo && behind === end + 1) continue;
    if (!isTo && !/^[,.;]?$/.test(piece.low(behind))) return false;
    const said = piece.words.splice(end, behind - end);
    if (isTo) piece.words.splice(behindName, 1);
    piece.words.splice(at, 0, ...said);
    return true;
  }
  return false;
}

/** What no fastener does by itself. */
const TIGHTENS =
  /^(?:tighten|torque|retighten|loosen|slacken|unscrew|remove|dismount|renew|replace|clean|insert|install|refit)$/;

/** With one of these before it, a verb is no order. */
const SAID_BEFORE_VERB =
  /^(?:is|are|was|were|be|gets?|becomes?|stays?|feels?|looks?|runs?|comes?|came|go|goes|went|has|have|had|can|could|may|might|must|should|will|would|do|does|did|don't|doesn't|not|never|you|we|i|they|it|that|which|who|before|after|until|when|while|if|so|as|and|or|because|for)$/;

/** "Out with the snap ring"; "up and out with the cup on it" goes on with a way. */
function outWith(piece: Piece, at: number): boolean {
  const way = /^(out|off|away|in|on) with (?=(?:the|both|all|your|that|those|these) )/.exec(piece.lows(at))?.[1];
  if (way === undefined || (piece.low(at - 1) === 'and' && piece.isWay(at - 2))) return false;
  const { phrases, end } = objectsAt(piece.sentence(), at + 2);
  const isTool = phrases.some(({ known, words }) => known?.kind === 'tool' || (!known && lexicon.isToolName(words)));
  if (phrases.length === 0 || isTool) return false;
  const verb = piece.as(at, /^(?:in|on)$/.test(way) ? 'put' : 'take');
  piece.words.splice(at, end - at, verb, ...piece.words.slice(at + 2, end), piece.words[at] as Word);
  return true;
}

/** "Off comes the cover", "in goes the ball". */
function inverted(piece: Piece, at: number): boolean {
  if (comesLast(piece, at) || outWith(piece, at)) return true;
  // "Grease on it, and in it goes".
  const [alone, to, thing] =
    /^(out|off|in|on|back in|back on) (it|they) (?:goes|go|comes|come)(?= ?[,.;]|$| with | and )/.exec(
      piece.lows(at),
    ) ?? [];
  if (alone !== undefined && to !== undefined) {
    const ways = piece.words.slice(at, at + to.split(' ').length);
    const verb = piece.as(at, /^(?:out|off)$/.test(to) ? 'take' : 'put');
    piece.words.splice(
      at,
      alone.split(' ').length,
      verb,
      piece.as(at + ways.length, thing === 'it' ? 'it' : 'them'),
      ...ways,
    );
    return true;
  }
  const [, back, way] = /^(back )?(out|off|in|on|back|down|away|up) (?:comes?|go|goes) /.exec(piece.lows(at)) ?? [];
  const comes = at + (back ? 2 : 1);
  const things = way ? objectsAt(piece.sentence(), comes + 1) : undefined;
  if (!way || !things || things.phrases.length === 0) return false;
  const verb = piece.as(comes, /^(?:out|off|away|up)$/.test(way) ? 'take' : 'put');
  const end = behindPlace(piece, things.end);
  const [named, place] = [piece.words.slice(comes + 1, things.end), piece.words.slice(things.end, end)];
  piece.words.splice(at, end - at, verb, ...named, ...place, ...piece.words.slice(at, comes));
  return true;
}
