import { verbOf } from '../../../../model/verbs';
import { kindFromName } from '../../../../reading/en/kind-words';
import { keep, type Place, toComma } from '../acts/place';
import type { OpenAct } from '../acts/reading';
import { isJoint } from '../names/name-ends';
import { nounPhraseAt } from '../names/noun-phrase';
import type { Sentence } from '../names/sentence';
import * as lexicon from '../words/lexicon';
import { baseOf } from '../words/verb-forms';

const FACING =
  /^(.*?)\s*(?:is\s+)?(?:(?:pointing|looking|turned|facing)\s+(?=(?:to|toward|towards|away|up|down|in|out|inward|outward|upward|downward|inside|outside)))?(?:(toward|towards|to|facing|pointing|against)\s+(.+)|(away from .+)|((?:up|down|in|out)(?:wards?|side)?|inwards?|outwards?|upwards?|downwards?))$/i;

export function facing(place: Place): number | undefined {
  const { sentence, at, act } = place;
  // "Scrape the faces down to bright metal".
  if (/^(?:clean|dress|inspect|measure)$/.test(act.verb)) return undefined;
  let start = at;
  if (/^(?:with|,|facing)$/.test(sentence.lows[start] ?? '')) start += 1;
  if (/^(?:the|its|their|both)$/.test(sentence.lows[start] ?? '')) start += 1;
  if (sentence.lows[at] === 'facing') return keep(place, at, toComma(sentence, at));
  // "Drive the shaft with the bearings towards the impeller": where to, of both.
  const isMoved = act.verb === 'move' || verbOf(act.verb).effect === 'takes';
  for (let n = start; n < Math.min(start + 4, sentence.words.length - 1); n += 1) {
    const isToward =
      /^(?:toward|towards)$/.test(sentence.lows[n + 1] ?? '') && !lexicon.isToolName([sentence.lows[n] ?? '']);
    const isPointed =
      /^(?:facing|pointing|looking)$/.test(sentence.lows[n + 1] ?? '') ||
      (isToward &&
        !(isMoved && kindFromName(sentence.lows[n] ?? '') !== 'other') &&
        (at < start || sentence.lows[at - 1] === ',')) ||
      (sentence.lows[at] === 'with' && /^(?:up|down|in|out)wards?$/.test(sentence.lows[n + 1] ?? ''));
    // "With a hammer lips in": the tool, and then which way.
    if (!isPointed && lexicon.isToolName([sentence.lows[n] ?? '']) && !lexicon.isEnd(sentence.lows[n] ?? ''))
      return undefined;
    if (!isPointed && !lexicon.isEnd(sentence.lows[n] ?? '')) {
      if (isJoint(sentence.words[n])) return undefined;
      continue;
    }
    // "The open side of the V facing down".
    const of = sentence.lows[n + 1] === 'of' ? nounPhraseAt(sentence, n + 2) : undefined;
    const end = directionEnd(sentence, of?.end ?? n + 1);
    if (end === undefined) continue;
    // "The spring pushes the head up" says what it does.
    if (sentence.lows.slice(start + 1, n).some((low) => baseOf(low, 's') !== undefined && !lexicon.isEnd(low)))
      return undefined;
    const said = FACING.exec(sentence.text(start, end));
    if (!said) continue;
    // "Zap the shaft seal out": an order, whatever its verb is.
    if (/^\S+ (?:the|a|an|both|all|your) /i.test(said[1] ?? '')) return undefined;
    // "..., pushing the lip in" says how.
    const first = sentence.lows[start] ?? '';
    if (baseOf(first, 'ing') !== undefined && !lexicon.isEnd(first)) return undefined;
    // "..., washer dished side in": which part that is of is asked.
    if (isOfAnother(said[1] ?? '', act)) {
      place.reading.doubt('facing', sentence, start, end);
      return end;
    }
    // "Mark to mark" says how it is lined up.
    if (act.faces || said[1]?.toLowerCase() === said[3]?.toLowerCase()) return keep(place, at, end);
    act.faces = { end: said[1] ?? '', toward: (said[3] ?? said[4] ?? said[5] ?? '').trim() };
    return end;
  }
  return undefined;
}

/** An end that is named by a part, and not by the one that is moved: "washer dished side". */
function isOfAnother(end: string, act: OpenAct): boolean {
  const [first = '', ...more] = end.toLowerCase().split(' ');
  if (more.length < 2 || lexicon.isEnd(first) || kindFromName(first) === 'other') return false;
  return !act.parts.some(({ name }) => name.toLowerCase().split(' ').includes(first));
}

/** Where words for a direction end: "down", "facing in", "toward the crosshead". */
function directionEnd(sentence: Sentence, start: number): number | undefined {
  let at = start;
  const faces = /^(?:facing|pointing|looking|turned)$/.test(sentence.lows[at] ?? '');
  if (faces) at += 1;
  if (
    /^(?:up|down|in|out|upwards?|downwards?|inwards?|outwards?)$/.test(sentence.lows[at] ?? '') &&
    !/^(?:line|the|a|its|of)$/.test(sentence.lows[at + 1] ?? '')
  )
    return at + 1;
  if (faces && /^(?:inside|outside)$/.test(sentence.lows[at] ?? '') && isJoint(sentence.words[at + 1])) return at + 1;
  const away = sentence.lows[at] === 'away' && sentence.lows[at + 1] === 'from';
  const to = /^(?:to|toward|towards|against)$/.test(sentence.lows[at] ?? '');
  if (!away && !to && !faces) return undefined;
  if (to && /^(?:inside|outside)$/.test(sentence.lows[at + 1] ?? '')) return at + 2;
  if (
    to &&
    /^the (?:inside|outside)$/.test(sentence.lows.slice(at + 1, at + 3).join(' ')) &&
    isJoint(sentence.words[at + 3])
  )
    return at + 3;
  const toward = nounPhraseAt(sentence, away ? at + 2 : to ? at + 1 : at);
  return toward?.end;
}
