import { kindFromName } from '../../../../reading/en/kind-words';
import { objectsAt } from '../acts/objects';
import { nounPhraseAt } from '../names/noun-phrase';
import { toolAt } from '../names/tools';
import * as lexicon from '../words/lexicon';
import { verbAt } from '../words/operations';
import { DOER, PERCEIVED } from '../words/told-words';
import { baseOf } from '../words/verb-forms';
import type { Word } from '../words/words';
import { given } from './given';
import type { Piece } from './piece';

/* Who does the work, and what is fetched for it: left out of the order. */

/** "I'm loosening", "we then pull", "I took": who does it is left out. */
export function doer(piece: Piece, at: number): boolean {
  const said = DOER.exec(piece.lows(at))?.[0];
  if (said === undefined) return false;
  let verb = at + said.trim().split(' ').length;
  // "You need to have a look": to have is no helping verb there.
  if (/ have $/.test(said) && /^a (?:\w+ )?look\b/.test(piece.lows(verb))) verb -= 1;
  const manners: Word[] = [];
  while (lexicon.isManner(piece.low(verb)) && !isOrderAt(piece, verb)) manners.push(piece.words[verb++] as Word);
  const low = piece.low(verb);
  // "I'm just gonna grab a pick and ...".
  if (/^(?:grab|fetch|get|take|use)$/.test(low) && toolAt(piece.sentence(), verb + 1)) {
    piece.words.splice(at, verb - at, ...manners);
    return fetched(piece, at + manners.length);
  }
  if (/^(?:give|giving|gave)$/.test(low)) {
    piece.words.splice(at, verb - at, ...manners);
    if (!given(piece, at + manners.length)) return false;
    piece.manner = low === 'giving' ? 'doing' : 'order';
    return true;
  }
  // "You need to look at the seats" orders it; "you'll feel it click" does not.
  const isOrdered =
    / (?:need|have|want|going|got) to $| gonna $/.test(said) && /^(?:look|let|use|see|watch|feel|get)$/.test(low);
  const isDone = low === 'do' && /^(?:do up|do (?:the|both|all) (?:[\w-]+ ){1,4}up)\b/.test(piece.lows(verb));
  const isLooked = /^(?:have a (?:\w+ )?look|get (?:a |some )?(?:\w+ )?(?:pictures?|photos?))\b/.test(piece.lows(verb));
  // "I'll get the ring out".
  const isGot = low === 'get' && piece.isWay(objectsAt(piece.sentence(), verb + 1).end);
  if ((PERCEIVED.test(low) && !isOrdered && !isLooked && !isGot) || (/^(?:do|don't|did|didn't)$/.test(low) && !isDone))
    return false;
  // "They are scrap" says how they are.
  const isDoing = (['ing', 'past'] as const).some((one) => baseOf(low, one) !== undefined);
  if (/(?: (?:am|are|is|was|were)|'(?:m|re)) $/.test(said) && !isDoing) return false;
  if (verbAt(piece.lowsFrom(verb), 0) && !baseOf(low, 'past')) {
    piece.words.splice(at, verb - at, ...manners);
    return true;
  }
  // "The technician removes the nut", "one loosens it".
  if (THIRD_PERSON.test(said) && baseOf(low, 's') !== undefined) {
    piece.words.splice(at, verb - at + 1, ...manners, piece.based(verb, 's'));
    return true;
  }
  const form = (['ing', 'past'] as const).find((one) => baseOf(low, one) !== undefined);
  // "They're timed" says how they are.
  if (!form || (form === 'past' && /(?: (?:am|are|is|was|were)|'(?:m|re|s)) $/.test(said))) return false;
  piece.words.splice(at, verb - at + 1, ...manners, piece.based(verb, form));
  piece.manner = form === 'ing' ? 'doing' : 'past';
  return true;
}

const THIRD_PERSON =
  /^(?:he|she|one|everybody|everyone|(?:the|your) \w+)(?: (?:now|then|just|also|first|simply|usually|always|normally))* $/;

/** "Clean the caps", "shut the valve": a word that says how as well. */
function isOrderAt(piece: Piece, at: number): boolean {
  return verbAt(piece.lowsFrom(at), 0) !== undefined && !/^[,.;]?$/.test(piece.low(at + 1));
}

/** "Two people lift the manifold off", "get someone to help you lift it": with whom, and then what. */
export function helped(piece: Piece, at: number): boolean {
  const said = HELPERS.exec(piece.lows(at)) ?? GOT_HELP.exec(piece.lows(at));
  const [whole = '', who = ''] = said ?? [];
  const end = at + whole.trim().split(' ').length;
  if (who === '' || !verbAt(piece.lowsFrom(end), 0)) return false;
  const first = piece.lows(at).slice(0, whole.indexOf(who)).split(' ').filter(Boolean).length;
  const helper = piece.words.slice(at + first, at + first + who.split(' ').length);
  piece.words.splice(at, end - at, piece.as(at, 'with', true), ...helper, piece.as(end - 1, ',', true));
  return true;
}

/** "Have the pump hosed down", "get the shaft checked": it is to be done, by whomever. */
export function hadDone(piece: Piece, at: number): boolean {
  if (!/^(?:have|get) (?:the|your|all|both|any) /.test(piece.lows(at))) return false;
  const done = piece.words.findIndex(({ low }, i) => i > at + 2 && i < at + 6 && baseOf(low, 'past') !== undefined);
  if (done < 0 || piece.low(done) === 'started' || !verbAt([baseOf(piece.low(done), 'past') ?? ''], 0)) return false;
  const verb = piece.based(done, 'past');
  piece.words.splice(at, done + 1 - at, verb, ...piece.words.slice(at + 1, done));
  piece.manner = 'done';
  return true;
}

const HELPER =
  '(?:two|three|2|3) (?:people|persons?|men|of (?:you|us))|(?:a|one) (?:helper|person|mate|colleague)|another person|someone|somebody|your (?:mate|helper|colleague|partner)';
const HELPERS = new RegExp(
  `^(${HELPER})(?: (?:must|should|have to|need to|has to|needs to|can|will|are needed to|is needed to))? `,
);
const GOT_HELP = new RegExp(`^(?:get|have|ask|let) (${HELPER})(?: to)?(?: (?:help|assist)(?: you| us| me)?(?: to)?)? `);

/** "Take a 13 mm socket and undo the nut": the tool is fetched to be used. */
export function fetched(piece: Piece, at: number): boolean {
  const said = FETCHES.exec(piece.lows(at))?.[0];
  if (said === undefined) return false;
  const verb = at + said.split(' ').length;
  const tool = toolAt(piece.sentence(), verb);
  // "Fit the puller and draw the gear off"; but a clamp that is fitted may be a part.
  if (tool && SETS_UP.test(said)) {
    const named = nounPhraseAt(piece.sentence(), verb)?.phrase;
    if (named?.known?.kind === 'part' || (named?.known?.kind !== 'tool' && kindFromName(tool.tool.name) !== 'other'))
      return false;
    setsUp(piece, tool.end);
  }
  // "Take the blocks out and ..." takes them away.
  const ready = tool ? (/^(?:in there|in|ready|under there)(?= )/.exec(piece.lows(tool.end))?.[0] ?? '') : '';
  if (ready !== '' && tool) piece.words.splice(tool.end, ready.split(' ').length);
  const joint = tool ? piece.low(tool.end) : '';
  if (!tool || piece.knows(tool.end + 1) || !/^(?:and|to|,)$/.test(joint)) return false;
  if ((said === 'use' && joint === 'to') || (SETS_UP.test(said) && joint !== 'and')) return false;
  let next = tool.end + 1;
  while (piece.low(next) === 'then' || (lexicon.isManner(piece.low(next)) && !verbAt(piece.lowsFrom(next), 0)))
    next += 1;
  if (verbAt(piece.lowsFrom(next), 0) === undefined) return false;
  const manners = piece.words.slice(tool.end + 1, next).filter(({ low }) => low !== 'then');
  piece.words.splice(tool.end, next - tool.end, piece.as(tool.end, ','), ...manners);
  piece.words.splice(at, verb - at, piece.as(at, 'using'));
  return true;
}

const SETS_UP = /^(?:fit|put|mount|insert|set up|rig|rig up|slip|screw)$/;
const FETCHES =
  /^(?:(?:you|we)(?:'ll| will)? need(?= (?:the|your) [^,.]*? to )|take|grab|get|pick up|fetch|use|fit|put|mount|insert|set up|rig up|rig|slip|screw)(?= )/;

/** Leaves out that it is put on: "the puller on and ...", "the puller in place and ...". */
function setsUp(piece: Piece, at: number): void {
  const said = /^(?:on|in|up|in place|into place|on it|there)(?= (?:and|,) )/.exec(piece.lows(at))?.[0];
  if (said !== undefined) piece.words.splice(at, said.split(' ').length);
}
