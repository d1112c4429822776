import { type Verb, verbOf } from '../../../model/verbs';
import { unitOf } from '../../../quantity/units';
import { kindFromName } from '../../../reading/en/kind-words';
import { movesParts } from './acts/reading';
import {
  FINISHED,
  hidesOrder,
  isOneVerb,
  joinsOrder,
  ONCE_MORE,
  ordersInstead,
  ordersSo,
  ordersWithTool,
  RENEWED_IF,
} from './hidden-orders';
import { namesAnother } from './hidden-others';
import {
  bringsAnother,
  catchesPart,
  comesOff,
  HELD_BY,
  listsNewParts,
  listsParts,
  MADE_TIGHT,
  movesByItself,
  partAt,
  remindsOfPart,
  SAID_OF,
  TAKES_ALONG,
  WILL_COME_OFF,
} from './hidden-parts';
import { measureAt } from './names/figures';
import { lastWordsOf, type NameIndex } from './names/known-names';
import { isCalledPart, nounPhraseAt } from './names/noun-phrase';
import { isPartNoun } from './names/part-nouns';
import type { Doubt, SaidAct, SaidNote } from './names/said';
import { Sentence } from './names/sentence';
import * as lexicon from './words/lexicon';
import { movedBy, verbAt, WAY_WORDS } from './words/operations';
import { DONE_WITH_TOOL, STATES } from './words/told-words';
import { baseOf } from './words/verb-forms';
import { partsOf, wordsOf } from './words/words';

/** "Scrape the old gasket off the cover" cleans the cover. */
function isScraped(verb: Verb, text: string): boolean {
  return verb === 'clean' && /^(?:the |all )?(?:old|remaining|hardened|baked-on|stuck) .* off$/i.test(text);
}

/** "With the head off": in which state it is done. */
const WITH_STATE = /^with (?!.*\btogether\b)(?:the|both|all) [\w -]+ (?:off|out|away|in|on|back)$/i;

/**
 * A part that is moved, or a torque, within words that are merely kept: understood, they would have been a step or a
 * figure. Whether they are a remark is asked.
 */
export function hiddenIn(line: string, acts: readonly SaidAct[], note: SaidNote, names: NameIndex): Doubt | undefined {
  const noted = note.how.find(
    (text) =>
      /^new \w/i.test(text) ||
      (!lexicon.REMARK_OPENING.test(text.toLowerCase()) && hidesAway(sentenceOf(text, names))) ||
      hidesOrder(sentenceOf(text, names)) ||
      / then (?:on|off|in|out)(?: with| using|$)/i.test(text) ||
      NEXT_OR_TOOL.test(text) ||
      isDoneWithTool(sentenceOf(text, names)) ||
      (!lexicon.REMARK_OPENING.test(text.toLowerCase()) && hidesDone(sentenceOf(text, names))),
  );
  const cautions = note.cautions.map(({ text }) => text);
  const warned =
    [...cautions, ...note.how].find((text) => ordersSo(sentenceOf(text, names))) ??
    cautions.find((text) => ordersInstead(sentenceOf(text, names)));
  if (noted !== undefined || warned !== undefined) return doubtAbout(line, noted ?? warned ?? line);
  for (const { verb, parts, how, why, about, cautions, figure, looks } of acts) {
    const beside = [...how, ...why, ...(about !== undefined && verb !== 'attend' ? [about] : [])];
    const hidden =
      beside.find(
        (text) => (verb !== 'wait' && hidesOrder(sentenceOf(text, names))) || movesByItself(sentenceOf(text, names)),
      ) ??
      why.find((text) => hidesDone(sentenceOf(text, names))) ??
      beside.find((text) => ONCE_MORE.test(text)) ??
      beside.find((text) => /\botherwise (?:new|renew|replace|scrap|bin)\b/i.test(text)) ??
      how.find((text) => {
        const said = sentenceOf(text, names);
        return (
          (/^(?:takes|refits)$/.test(verbOf(verb).effect) && countsFasteners(said)) ||
          hidesMove(said) ||
          ordersWithTool(said) ||
          saysAway(said) ||
          isBareOrder(said) ||
          hidesNext(said) ||
          hidesMeanwhile(said) ||
          hidesDone(said) ||
          (!/^(?:test|inspect)$/.test(verb) && isMadeSafe(said)) ||
          isDoneTo(said) ||
          namesAnother(verb, said) ||
          catchesPart(said) ||
          (movesParts(verb) && (listsParts(said) || listsNewParts(said))) ||
          (verb !== 'move' && isOneVerb(said)) ||
          isPartOnly(said) ||
          FINISHED.test(text) ||
          (!/^(?:inspect|measure)$/.test(verb) && RENEWED_IF.test(text)) ||
          (!figure &&
            verbOf(verb).effect === 'refits' &&
            parts.some(({ name }) => lexicon.FASTENS.test(name)) &&
            BARE_FIGURE.test(text)) ||
          joinsOrder(said) ||
          (/^(?:takes|opens)$/.test(verbOf(verb).effect) && bringsAnother(said, parts)) ||
          TAKES_ALONG.test(text) ||
          (verbOf(verb).effect === 'takes' && HELD_BY.test(text)) ||
          (PUT_ON.test(text) && !/^(?:lubricate|apply-compound|fill|soak|wrap)$/.test(verb)) ||
          MADE_TIGHT.test(text) ||
          withNewPart(said) ||
          (!SAID_OF.test(said.lows[0] ?? '') && !WITH_STATE.test(text) && !isScraped(verb, text) && hidesAway(said)) ||
          (!figure && !lexicon.MAY_TAKE.test(text.toLowerCase()) && (hidesTorque(said) || figuresFasteners(said)))
        );
      }) ??
      [...how, ...why, ...cautions.map(({ text }) => text)].find((text) => ordersSo(sentenceOf(text, names))) ??
      cautions
        .map(({ text }) => text)
        .find(
          (text) =>
            ordersInstead(sentenceOf(text, names)) ||
            remindsOfPart(sentenceOf(text, names)) ||
            WILL_COME_OFF.test(text),
        ) ??
      looks.find((sign) => /\bthen\b|^(?:they|it) (?:go(?:es)?|must go|has to go)$/.test(sign)) ??
      (verb === 'attend' && about !== undefined && comesOff(sentenceOf(about, names)) ? about : undefined) ??
      (about !== undefined && hidesWay(sentenceOf(about, names)) ? about : undefined);
    if (hidden === undefined) continue;
    return doubtAbout(line, hidden);
  }
  return undefined;
}

/** "All sections are marked with a punch": somebody does it. */
function isDoneWithTool({ lows }: Sentence): boolean {
  const tool = lows.findIndex(
    (low, at) => at > 2 && /^(?:with|using)$/.test(low) && /^(?:an?|the)$/.test(lows[at + 1] ?? ''),
  );
  const done = lows[tool - 1] ?? '';
  const base = STATES.test(done) && !DONE_WITH_TOOL.test(done) ? undefined : baseOf(done, 'past');
  return base !== undefined && /^(?:is|are)$/.test(lows[tool - 2] ?? '') && verbAt([base], 0) !== undefined;
}

/** "The back plate is next, four nuts": out or in; "the lock nut needs the 30 spanner": loosened or tightened. */
const NEXT_OR_TOOL =
  /\b(?:is|are|comes?) (?:next|now)?\s*,? (?:\w+ )?(?:nuts|bolts|screws|studs|clips|clamps)\b|\b(?:needs?|takes?|wants?) (?:the |an? )?(?:[\w/.-]+ ){0,2}(?:spanner|wrench|socket|key|screwdriver|puller)\b/i;

function doubtAbout(line: string, hidden: string): Doubt {
  const at = line.toLowerCase().indexOf(hidden.toLowerCase());
  const [from, to] = at < 0 ? [0, line.length] : [at, at + hidden.length];
  return { kind: 'unread', from, to, text: hidden, offers: [`*${hidden}`] };
}

/** "Ten bolts, 19 mm, out": a part, and a way that stands alone at the end. */
function hidesAway(sentence: Sentence): boolean {
  const { lows, words, names } = sentence;
  // "Zap the impeller bolt out with the gun": the way is not always the last word.
  const tool = lows.findIndex((low, i) => /^(?:with|using)$/.test(low) && /^(?:off|out)$/.test(lows[i - 1] ?? ''));
  const last = tool > 1 && /^(?:the|both|all|a)$/.test(lows[1] ?? '') ? lows[tool - 1] : lows.at(-1);
  if (!/^(?:off|out|away|in|on|back)$/.test(last ?? '') || lows.some((low) => MAY.test(low))) return false;
  // "From the back".
  if (lows.at(-2) === 'the') return false;
  // "The backing plate stays on" moves nothing.
  if (/^(?:stays?|remains?|sits?|belongs?|keeps?)$/.test(lows.at(-2) ?? '')) return false;
  return words.some((_, at) => partAt(names, sentence, at) !== undefined);
}

/** "Fuse out, tag on": things of which nobody said that they are parts, and their ways. */
function saysAway(sentence: Sentence): boolean {
  const { lows } = sentence;
  const said = lows.join(' ');
  if (/^(?!falls|comes|pops|drops|slides)[a-z-]+ (?:off|out|on)(?: , [a-z-]+ (?:off|out|on))*$/.test(said)) return true;
  // "Bearing locknut off with the hook spanner", "collet in behind it".
  const name = /^((?:[a-z-]+ ){1,3})(?:off|out|back|back on|back in|on|in) (?:with|using|behind|after|under) /
    .exec(said)?.[1]
    ?.trim();
  if (name === undefined || SAID_OF.test(lows[0] ?? '')) return false;
  return kindFromName(name) !== 'other' || partAt(sentence.names, sentence, name.split(' ').length - 1) !== undefined;
}

const MAY = /^(?:may|might|can|could|will|would|should)$/;

function sentenceOf(text: string, names: NameIndex): Sentence {
  return new Sentence(text, wordsOf(text), names);
}

/** "Nuts with new O-rings, 90 N·m": put on as well. */
function withNewPart(sentence: Sentence): boolean {
  const said = /^(?:with )?(?:an? |its |their |the )?new /.exec(sentence.lows.join(' '))?.[0];
  if (said === undefined) return false;
  const named = nounPhraseAt(sentence, said.startsWith('with') ? 1 : 0)?.phrase;
  return named !== undefined && isCalledPart(named);
}

/** "..., pack with joint grease": something is put on. */
const PUT_ON = /^(?:pack|fill|coat|smear|dip|lube|lubricate|grease|wet) (?:it |them |both )?(?:with|in) /i;

/** "..., knock the ring off". */
function hidesMove(sentence: Sentence): boolean {
  const { lows, words, names } = sentence;
  if (SAID_OF.test(lows[0] ?? '')) return false;
  return words.some((_, at) => {
    if (partAt(names, sentence, at)) return false;
    const verb = verbAt(lows, at);
    if (!verb || (verb.is === 'verb' && !MOVES.test(verb.verb) && !FOR_GOOD.test(verb.verb))) return false;
    let from = at + verb.length;
    // "Push on the inner ring only" says where.
    if (/^(?:push|pull|press)$/.test(verb.phrase) && lows[from] === 'on') return false;
    while (WAY_WORDS[lows[from] ?? ''] !== undefined) from += 1;
    // "..., lift it off": whatever it is.
    const isItMoved =
      /^(?:it|them)$/.test(lows[at + verb.length] ?? '') &&
      /^(?:off|out|in|on|back|away|apart|round|around|over)$/.test(lows[at + verb.length + 1] ?? '');
    if (isItMoved && verb.is === 'movement') return true;
    // "Anything over 3 mm worn, chuck it".
    if (verb.is === 'verb' && FOR_GOOD.test(verb.verb) && /^(?:it|them)$/.test(lows[from] ?? '')) return true;
    const moved = nounPhraseAt(sentence, from)?.phrase;
    return (
      moved?.known?.kind === 'part' ||
      (moved !== undefined &&
        (verb.phrase === 'remove' || (at === 0 && verb.is === 'movement')) &&
        isCalledPart(moved)) ||
      (moved !== undefined && lastWordsOf(names).has(partsOf(moved.words.at(-1) ?? '').at(-1) ?? ''))
    );
  });
}

/** "Cover off, two screws each side": they come off as well. */
function countsFasteners({ words, lows }: Sentence): boolean {
  // "Out of the tank: eight screws round the plate".
  const colon = lows.indexOf(':');
  if (colon > 0 && words[colon + 1]?.value !== undefined)
    return /\b(?:bolts|screws|nuts|studs)\b/.test(lows.slice(colon + 2, colon + 5).join(' '));
  const [first] = words;
  return first?.value !== undefined && lows.slice(1, 4).some((low) => /^(?:bolts|screws|nuts|studs)$/.test(low));
}

/** "Spacer in, coupling bolts 60": a torque without its unit. */
function figuresFasteners(sentence: Sentence): boolean {
  const { lows, words } = sentence;
  const part = partAt(sentence.names, sentence, 0);
  return (
    part !== undefined && words[part.length]?.value !== undefined && lexicon.FASTENS.test(lows[part.length - 1] ?? '')
  );
}

/** "..., two turns, refit": an order of one word. */
function isBareOrder({ lows }: Sentence): boolean {
  const verb = verbAt(lows, 0);
  // "Clamp, unscrew one pipe, clamp again".
  if (verb && lows.length === verb.length + 1 && lows.at(-1) === 'again' && !lexicon.isManner(lows[0] ?? ''))
    return true;
  return (
    verb?.is === 'verb' && verb.length === lows.length && MOVES.test(verb.verb) && !/^(?:press|fit)$/.test(verb.phrase)
  );
}

/** "..., washer": one more part, and no way of doing it. */
function isPartOnly(sentence: Sentence): boolean {
  const part = partAt(sentence.names, sentence, 0);
  return part !== undefined && part.length === sentence.words.length;
}

/** "In a star to 15": of what is not said. */
const BARE_FIGURE = /\b(?:to|at) \d+(?:[.,]\d+)?$/;

/** "The bolts are loosened, because ...": what is done, told as a state. */
export function hidesDone(sentence: Sentence): boolean {
  const { lows } = sentence;
  if (SAID_OF.test(lows[0] ?? '') || lows.includes('means')) return false;
  return lows.some((low, be) => BE.test(low) && !NOT.test(lows[be - 1] ?? '') && isDoneAt(sentence, be));
}

const BE = /^(?:is|are|was|were|be|gets?|got)$/;

function isDoneAt(sentence: Sentence, be: number): boolean {
  const { lows, words, names } = sentence;
  const at = lows.findIndex((low, i) => i > be && i < be + 4 && baseOf(low, 'past') !== undefined);
  const verb = at < 0 ? undefined : verbAt([baseOf(lows[at] ?? '', 'past') ?? ''], 0);
  const moves =
    verb?.is === 'movement'
      ? movedBy(verb.movement, WAY_WORDS[lows[at + 1] ?? '']) !== undefined
      : verb !== undefined && MOVES.test(verb.verb);
  const isNamed = lows.slice(0, be).some((low) => /^(?:ones?|it|they|these|those|both|all)$/.test(low));
  const isOfPart = isNamed || words.slice(0, be).some((_, at) => partAt(names, sentence, at) !== undefined);
  // "Is pressed" says how it is, "is pressed in" what is done.
  const isState = STATES.test(lows[be + 1] ?? '') && WAY_WORDS[lows[be + 2] ?? ''] === undefined;
  return moves && isOfPart && !isState;
}

/** What is no longer an order: "it can't be switched on", "it must not be removed". */
const NOT = /^(?:not|never|cannot|\w+n't)$/;
const FOR_GOOD = /^(?:discard|renew)$/;
/** What is done to a part for good, or to what holds it. */
const FIXES = /^(?:apply-compound|bend|discard|pin)$/;
const MOVES = /^(?:take-off|draw|pry|fit|press|place|loosen|torque|renew|start-by-hand)$/;

/** "The two knobs off and ..." */
function hidesWay(sentence: Sentence): boolean {
  return sentence.words.some((_, at) => {
    const part = partAt(sentence.names, sentence, at);
    const behind = part ? at + part.length : at;
    const way = part && sentence.lows[behind];
    const isAlone = behind === sentence.lows.length - 1 || /^(?:,|and|then)$/.test(sentence.lows[behind + 1] ?? '');
    return way !== undefined && way !== 'over' && WAY_WORDS[way] !== undefined && (part?.isWhole || isAlone);
  });
}

/** "In the oven, then straight on the shaft". */
function hidesNext(sentence: Sentence): boolean {
  const { lows, names } = sentence;
  // "Then make the pump empty": an order that was not understood.
  if (lows[0] === 'then' && lows.length > 2 && !MORE_OF_IT.test(lows[1] ?? '')) return true;
  // "Put the rotor in dry, then oil", "..., and then the next bowl".
  if (lows[0] === 'then' && lows.length === 2 && verbAt(lows, 1) && !lexicon.isManner(lows[1] ?? '')) return true;
  if (/^then the next [\w-]+$/.test(lows.join(' ')) && isPartNoun(lows[3] ?? '')) return true;
  // "The gland over the shaft, then the rotary".
  if (/^then (?:the|both|all|your) (?!same |next )[\w-]+(?: [\w-]+){0,2}$/.test(lows.join(' '))) return true;
  // "Fit the lower rotor first, then the upper one".
  if (/^then (?:the|both|all) (?:[\w-]+ ){0,2}(?:ones?|others?|rest|second|last)$/.test(lows.join(' '))) return true;
  const then = SAID_OF.test(lows[0] ?? '') ? -1 : lows.indexOf('then');
  const next = then + (/^(?:the|a|an)$/.test(lows[then + 1] ?? '') ? 2 : 1);
  if (then >= 0 && partAt(names, sentence, next)) return true;
  return (
    then >= 0 &&
    lows.some((low, i) => i > then && GOES.test(low) && partAt(names, sentence, i + (lows[i + 1] === 'the' ? 2 : 1)))
  );
}

/** "Then a quarter turn more", "then go round once more": goes on with what was said. */
const MORE_OF_IT =
  /^(?:a|an|the|one|half|another|back|go|come|again|once|to|by|on|with|in|only|slowly|fully|evenly|\d.*)$/;
const GOES = /^(?:on|onto|in|into|off|out|from)$/;

/** "... while you take the last two out": done as well. */
function hidesMeanwhile({ lows }: Sentence): boolean {
  const [, doing = ''] = /^(?:while|as) (?:(?:you|we|i|somebody|someone) )?([a-z]+) /.exec(lows.join(' ')) ?? [];
  const low = baseOf(doing, 'ing') ?? doing;
  const at = lows.indexOf(doing);
  const verb = at < 0 ? undefined : verbAt([low, ...lows.slice(at + 1)], 0);
  if (verb?.is !== 'movement') return verb?.is === 'verb' && /^(?:take-off|loosen|draw)$/.test(verb.verb);
  const way = lows.slice(at + 1).find((word) => WAY_WORDS[word] !== undefined);
  return /^(?:take-off|draw|fit)$/.test(movedBy(verb.movement, WAY_WORDS[way ?? '']) ?? '');
}

/** "..., valves shut, casing drained": each of them has to be done. */
function isMadeSafe({ lows }: Sentence): boolean {
  const last = lows.at(-1) ?? '';
  const low = last === 'shut' ? last : baseOf(last, 'past');
  const verb = low && lows.length < 4 && !SAID_OF.test(lows[0] ?? '') ? verbAt([low], 0) : undefined;
  return verb?.is === 'movement'
    ? last === 'shut'
    : verb !== undefined &&
        /^(?:isolate|lock-out|drain|close-valve|open-valve|release-pressure|disconnect)$/.test(verb.verb);
}

/** "..., nut loctited and nipped up": what is done to another part. */
function isDoneTo(sentence: Sentence): boolean {
  const { lows, names } = sentence;
  const part = partAt(names, sentence, 0);
  if (!part || lows.length > part.length + 5) return false;
  return lows.slice(part.length).some((low) => {
    const verb = verbAt([baseOf(low, 'past') ?? ''], 0);
    return verb?.is === 'movement' || (verb !== undefined && (MOVES.test(verb.verb) || FIXES.test(verb.verb)));
  });
}

function hidesTorque(sentence: Sentence): boolean {
  return sentence.words.some((_, at) => {
    const measured = measureAt(sentence, at);
    return measured !== undefined && unitOf(measured.unit).dimension === 'torque';
  });
}
