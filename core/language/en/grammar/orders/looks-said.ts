import { kindFromName } from '../../../../reading/en/kind-words';
import { objectsAt } from '../acts/objects';
import { RUNNING_SIGNS } from '../acts/plain-verb';
import { lastWordsOf } from '../names/known-names';
import type { NounPhrase } from '../names/noun-phrase';
import * as lexicon from '../words/lexicon';
import { verbAt } from '../words/operations';
import { NAMED } from '../words/told-words';
import { baseOf } from '../words/verb-forms';
import { RENEWING } from '../words/verdict-words';
import { partsOf, type Word } from '../words/words';
import { type Piece, wordsIn } from './piece';

/* What is looked at and for what, however that is told: put so that one verb looks at one thing for its signs. */

/** "Run your finger over the plates": looked at, and nothing is run there. */
export function feelOver(piece: Piece): void {
  const at = piece.orderStart();
  const said = FELT_OVER.exec(piece.lows(at))?.[0];
  if (said !== undefined) piece.words.splice(at, wordsIn(said), piece.as(at, 'inspect'));
}

const FELT_OVER =
  /^(?:run|slide|draw|move|pass|drag) (?:your|a|the) (?:finger|fingers|finger nail|fingernail|nail|thumb|thumbnail|hand) (?:over|along|round|around|across|down|inside|on)(?= )/;

/** "Look at how the rotor sits": look how it does. */
export function lookHow(piece: Piece): void {
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

/** "Inspect the plungers: cracks, scores, chipped ends": for these. */
export function lookFor(piece: Piece): void {
  const verb = piece.orderVerb();
  const colon = piece.words.findIndex(({ low }, i) => i > 1 && low === ':');
  if (verb?.is !== 'verb' || verb.verb !== 'inspect' || colon < 0 || piece.lows(0).includes(' for ')) return;
  const signs = piece.lows(colon + 1).split(/ (?:,|and|or) /);
  const areSigns = signs.every((sign) => sign.split(' ').length < 4 && !SAYS_SO.test(sign));
  const isPart = piece.words.some((_, i) => i > colon && piece.knows(i));
  if (areSigns && !isPart) piece.words[colon] = piece.as(colon, 'for');
}

/** "Look for scoring on the shaft": look at the shaft for it; leaks show on what runs. */
export function lookOn(piece: Piece): void {
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
export function askAny(piece: Piece): void {
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

/** "Are the balls still round?": check whether they are. */
export function askWhether(piece: Piece): void {
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

/** "Check the teeth for chips and the journals for scores": they are checked as well. */
export function lookAgain(piece: Piece): void {
  const verb = piece.orderVerb();
  if (verb?.is !== 'verb' || verb.verb !== 'inspect') return;
  for (let at = piece.words.length - 3; at > 2; at -= 1) {
    const [said] = /^(?:and|,) (?:at )?(?:the )?(?:[\w-]+ ){1,4}for /.exec(piece.lows(at)) ?? [];
    const isBehindFor = piece.lowsFrom(0).slice(0, at).includes('for');
    if (
      !said ||
      !isBehindFor ||
      verbAt(piece.lowsFrom(at + 1), 0) ||
      !(/ the | at | and /.test(` ${said}`) || piece.knows(at + 1) || isShortName(piece, piece.words[at + 1]?.parts)) ||
      !objectsAt(piece.sentence(), piece.low(at + 1) === 'at' ? at + 2 : at + 1).phrases[0]
    )
      continue;
    // "... and at the poppets for grooves".
    if (piece.low(at + 1) === 'at') piece.words[at + 1] = piece.as(at + 1, 'check');
    else piece.words.splice(at + 1, 0, piece.as(at + 1, 'check', true));
    if (piece.low(at) === ',') piece.words[at] = piece.as(at, 'and');
  }
}

/** "Rod" where there is a "diaphragm rod". */
function isShortName({ names }: Piece, parts: readonly string[] = []): boolean {
  return lastWordsOf(names).has(parts.at(-1) ?? '');
}
