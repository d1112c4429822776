import { type Verb, verbOf } from '../../../../model/verbs';
import { kindFromName } from '../../../../reading/en/kind-words';
import { isRenewal, MOVES, renewedUpon } from '../acts/conditions';
import { limitOf } from '../acts/limits';
import { nameAfterOwner } from '../acts/owners';
import { type Construction, keep, toComma, toJoint } from '../acts/place';
import { movesParts, partOf } from '../acts/reading';
import { namesAt, partsEndingIn } from '../names/known-names';
import { beginsFacing, isJoint, isWornWord, LIES, saysWhatItDoes } from '../names/name-ends';
import { isCalledPart, nounPhraseAt } from '../names/noun-phrase';
import type { SaidPart } from '../names/said';
import type { Sentence } from '../names/sentence';
import { toolAt } from '../names/tools';
import * as lexicon from '../words/lexicon';
import { verbAt } from '../words/operations';
import { RENEWING } from '../words/verdict-words';
import { partsOf } from '../words/words';

/** Ways to go on that are kept in the words in which they were said: how, until when, a remark; the most particular first. */
export const KEPT_AS_SAID: readonly Construction[] = [
  {
    name: 'how: "evenly", "half a turn"',
    read: (place) => {
      const { sentence, at, told } = place;
      const phrase = lexicon.MANNER_PHRASE.exec(told)?.[0];
      // "Take the plate off as well" says no more than "and".
      if (phrase && /^(?:as well|too)$/.test(phrase)) return at + phrase.split(' ').length;
      if (phrase) return keep(place, at, Math.min(at + phrase.split(' ').length, sentence.words.length));
      if (!lexicon.isManner(sentence.lows[at] ?? '')) return undefined;
      let end = at + 1;
      while (
        lexicon.isManner(sentence.lows[end] ?? '') ||
        (sentence.lows[end] === 'and' && lexicon.isManner(sentence.lows[end + 1] ?? ''))
      )
        end += 1;
      // "Flush with the step", "level with the face": so far.
      const isWithWhat =
        /^(?:flush|level|square|even)$/.test(sentence.lows[end - 1] ?? '') &&
        /^(?:with|to)$/.test(sentence.lows[end] ?? '');
      const measure = isWithWhat && !beginsFacing(sentence, end + 2) ? nounPhraseAt(sentence, end + 1) : undefined;
      if (measure && !lexicon.isToolName(measure.phrase.words)) return keep(place, at, measure.end);
      // "..., still fine" is a remark that begins with such a word.
      const isRemark = sentence.lows[at - 1] === ',' && sentence.lows[at] === 'still' && !isJoint(sentence.words[end]);
      return keep(place, at, isRemark ? toComma(sentence, end) : end);
    },
  },
  {
    name: 'another way it faces, somewhere else: "arrow up on this side and down on the other"',
    read: ({ reading, sentence, at, act, told }) => {
      if (
        !act.faces ||
        !/^(?:and|but|,)$/.test(sentence.lows[at - 1] ?? '') ||
        !/^(?:up|down|in|out|inwards?|outwards?|upwards?|downwards?) (?:on|at|in|for)\b/.test(told)
      )
        return undefined;
      reading.doubt('facing', sentence, at, sentence.words.length);
      return sentence.words.length;
    },
  },
  {
    name: 'one part or another: "remove the cover or the cap"',
    read: ({ reading, sentence, at, act }) => {
      const isMoved = act.parts.length > 0 && movesParts(act.verb);
      const other = sentence.lows[at] === 'or' && isMoved ? nounPhraseAt(sentence, at + 1) : undefined;
      const isPart = other?.phrase.known?.kind === 'part' || kindFromName(other?.phrase.name ?? '') !== 'other';
      if (!other || !isPart) return undefined;
      reading.doubt('unread', sentence, at, other.end);
      return other.end;
    },
  },
  {
    name: 'a condition: "renew them if they are stepped"',
    read: ({ reading, sentence, at, act, told }) => {
      if (
        !(
          /^(?:only )?(?:if|unless|whenever)\b/.test(told) ||
          (isForGood(act.verb) && (ONLY_THOSE.test(told) || WORN.test(told) || PAST_LIMIT.test(told)))
        ) ||
        lexicon.EASY_CONDITION.test(told) ||
        (verbOf(act.verb).effect === 'stays' &&
          !FOR_GOOD.includes(act.verb) &&
          !MOVES.test(told) &&
          !(/^(?:lay|turn|bend)$/.test(act.verb) && sentence.lows.slice(at).some(isWornWord)))
      )
        return undefined;
      if (isRenewal(act) && reading.acts.at(-1) === act && !told.includes('unless'))
        renewedUpon(reading, act, sentence, at, sentence.words.length);
      else reading.doubt('condition', sentence, at, sentence.words.length);
      return sentence.words.length;
    },
  },
  {
    name: 'what it shall not do: "stop the shaft turning"',
    read: ({ reading, at, act, told }) => {
      const said =
        act.verb === 'hold' ? /^(?:from )?(?:turning|rotating|spinning|moving|falling|dropping)\b/.exec(told) : null;
      if (said) reading.verbs.push(...said[0].split(' '));
      return said ? at + said[0].split(' ').length : undefined;
    },
  },
  {
    name: 'what it shall do: "check that it swivels freely"',
    read: (place) => {
      const { sentence, at, reading, act } = place;
      const asked = /\b(?:that|if|whether)$/.test(reading.verbs.at(-1) ?? '') && act.verb === 'inspect';
      const isFirst = act.how.length + act.looks.length === 0;
      return asked && isFirst && /^[a-z]{3,}[^s\W]s$/.test(sentence.lows[at] ?? '')
        ? keep(place, at, toComma(sentence, at))
        : undefined;
    },
  },
  {
    name: 'what it must not have done: "check that the pin hasn\'t been sheared"',
    read: (place) =>
      /^(?:inspect|test)$/.test(place.act.verb) && /^(?:has|have|was|were|does|do|can)n't\b/.test(place.told)
        ? keep(place, place.at, toComma(place.sentence, place.at))
        : undefined,
  },
  {
    name: 'what it does there: "securing the cover", "lying behind it"',
    read: (place) => {
      const low = place.sentence.lows[place.at] ?? '';
      if (!lexicon.SECURES.test(low) && !LIES.test(low)) return undefined;
      return keep(place, place.at, toJoint(place.sentence, LIES.test(low) ? place.at + 2 : place.at));
    },
  },
  {
    name: 'until when, before or after what: kept as said',
    read: (place) =>
      /^(?:until|till|before|prior to|after|while|during|whenever|wherever|when|upon|once|as soon as|as|where|if|unless|then|so|but)\b/.test(
        place.told,
      )
        ? keep(
            place,
            place.at,
            (place.told.startsWith('where ') ? toJoint : /^(?:until|till) /.test(place.told) ? toAnother : toComma)(
              place.sentence,
              place.at,
            ),
          )
        : undefined,
  },
  {
    name: 'how one goes along: "work your way round from the middle"',
    read: (place) =>
      lexicon.OWN_WAY.test(place.told) ? keep(place, place.at, toComma(place.sentence, place.at)) : undefined,
  },
  {
    name: 'its limit: "measure the shoe, renew below 39 mm"',
    read: ({ reading, sentence, at, act }) => {
      const isLimit = act.verb === 'measure' && RENEWS.test(sentence.lows[at] ?? '') && sentence.lows[at - 1] === ',';
      const from = /^(?:it|them)$/.test(sentence.lows[at + 1] ?? '') ? at + 2 : at + 1;
      const end = toComma(sentence, at);
      const limit = isLimit ? limitOf(sentence.text(from, end), act) : undefined;
      if (limit === undefined) return undefined;
      act.how.push(limit);
      reading.verbs.push(...sentence.lows.slice(at, end));
      return end;
    },
  },
  {
    name: 'an order that was taken for none: "plug out, drain oil into jar"',
    read: ({ reading, sentence, at, act }) => {
      const verb = sentence.lows[at - 1] === ',' ? verbAt(sentence.lows, at) : undefined;
      const end = toComma(sentence, at);
      const isKept = lexicon.REMARK_OPENING.test(sentence.lows.slice(at).join(' '));
      if (
        !verb ||
        isKept ||
        toolAt(sentence, at) !== undefined ||
        (verb.is === 'verb' && verb.verb === 'attend') ||
        (act.verb === 'test' && verb.is === 'verb' && /^(?:inspect|test)$/.test(verb.verb)) ||
        lexicon.isManner(sentence.lows[at] ?? '') ||
        lexicon.isManner(sentence.lows[end - 1] ?? '')
      )
        return undefined;
      if (!nounPhraseAt(sentence, at + verb.length)) return undefined;
      reading.doubt('unread', sentence, at, end);
      return end;
    },
  },
  {
    name: 'what to use for it: "..., use the pressure gauge"',
    read: ({ sentence, at, act, told }) => {
      const tool = /^use (?:the|a|an|your)\b/.test(told) ? toolAt(sentence, at + 1) : undefined;
      if (tool && /^(?:if|when|where)$/.test(sentence.lows[tool.end] ?? '')) {
        act.how.push(sentence.text(at, sentence.words.length));
        return sentence.words.length;
      }
      if (!tool || !/^(?:|,)$/.test(sentence.lows[tool.end] ?? '')) return undefined;
      act.tools.push(tool.tool);
      return tool.end;
    },
  },
  {
    name: 'a remark: "keep it square"',
    read: (place) =>
      lexicon.REMARK_OPENING.test(place.told) ||
      /^(?:count|go|let|note|watch|catch|write|call|tell|ask|max|maximum|min|minimum|tag|supported|held|guided|especially|particularly|mainly|including|it |they |you )/.test(
        place.told,
      ) ||
      saysWhatItDoes(place.sentence.lows[place.at] ?? '')
        ? keep(place, place.at, place.sentence.words.length)
        : undefined,
  },
  {
    name: 'the state it is in: "run it unloaded"',
    read: (place) =>
      /^(?:un)?\w{3,}ed(?: |$)/.test(place.told) && nounPhraseAt(place.sentence, place.at)?.phrase.known === undefined
        ? keep(place, place.at, toJoint(place.sentence, place.at))
        : undefined,
  },
  {
    name: 'how far up or down: "oil up to the middle of the glass"',
    read: (place) =>
      /^(?:up|down) to (?:the|its|a) /.test(place.told)
        ? keep(place, place.at, toJoint(place.sentence, place.at + 2))
        : undefined,
  },
  {
    name: 'anything else that begins with a word like "against" or "through": kept as said',
    read: (place) => {
      const { sentence, at } = place;
      const low = sentence.lows[at] ?? '';
      if (!JOINED.test(low) && !place.told.startsWith('next to ')) return undefined;
      // "Instead of grease" ends with what it names.
      const isPair = /^(?:instead of|next to) /.test(place.told);
      const of = isPair ? nounPhraseAt(sentence, at + 2) : undefined;
      if (of) return keep(place, at, of.end);
      // "The half of the seal off" names something, and then a way.
      const end = toJoint(sentence, at);
      if (
        low === 'of' &&
        sentence.lows.slice(at, end).some((word) => /^(?:off|out|away|in|on|back|apart)$/.test(word))
      ) {
        place.reading.doubt('unread', sentence, at, end);
        return end;
      }
      return keep(place, at, end);
    },
  },
  {
    name: 'another part behind a comma: "rotor back on, new locking washer"',
    read: ({ reading, sentence, at, act }) => {
      if (!/^[,:–-]$/.test(sentence.lows[at - 1] ?? '') || !movesParts(act.verb)) return undefined;
      const more = nounPhraseAt(sentence, at);
      // "The valves out, new O-rings": no new ones come out.
      if (more?.phrase.state.includes('new') && verbOf(act.verb).effect === 'takes') return undefined;
      // "The cover, four screws": which screws is asked where they are named.
      const isCounted = more?.phrase.fromCount !== undefined && kindFromName(more.phrase.name) !== 'other';
      // "The cover: eight screws"; but "on the shaft: inner plate, ring" may be all there is on it.
      if (sentence.lows[at - 1] === ':' && !(isCounted && lexicon.FASTENS.test(more?.phrase.name ?? '')))
        return undefined;
      if (
        !more ||
        (more.phrase.known?.kind !== 'part' && !isCounted) ||
        !goesOnTightening(sentence.lows[more.end] ?? '')
      )
        return undefined;
      const each = forEach(partOf(more.phrase), sentence.lows[more.end] === 'each' ? act.parts : []);
      act.parts.push({ ...each, ...nameAfterOwner(reading, more.phrase, act) });
      act.how.push(...more.phrase.state);
      reading.verbs.push(sentence.lows[at] ?? '');
      return sentence.lows[more.end] === 'each' ? more.end + 1 : more.end;
    },
  },
  {
    name: 'fasteners counted behind a comma where nothing is moved: "shut it, four screws"',
    read: ({ reading, sentence, at, act }) => {
      if (sentence.lows[at - 1] !== ',' || verbOf(act.verb).object !== 'words') return undefined;
      const more = nounPhraseAt(sentence, at);
      if (more?.phrase.known?.kind !== 'part' || more.phrase.fromCount === undefined) return undefined;
      reading.doubt('unread', sentence, at, more.end);
      return more.end;
    },
  },
  {
    name: 'something behind a comma that may be one of the parts: "rotor on, nut"',
    read: ({ reading, sentence, at, act }) => {
      if (sentence.lows[at - 1] !== ',' || !movesParts(act.verb)) return undefined;
      const alone = nounPhraseAt(sentence, at);
      if (alone?.phrase.state.includes('new') && verbOf(act.verb).effect === 'takes') return undefined;
      const words = partsOf(alone?.phrase.words.join(' ') ?? '');
      const behind = sentence.lows[alone?.end ?? 0] ?? '';
      const isFigureNext = sentence.words[alone?.end ?? 0]?.value !== undefined;
      if (!alone || alone.phrase.known || !(goesOnTightening(behind) || isFigureNext)) return undefined;
      const alike = partsEndingIn(reading.series, words);
      const isNew = alone.phrase.state.includes('new') && isCalledPart(alone.phrase);
      if (alike.length === 0 && !isNew) return undefined;
      // Which of them is asked where it is named.
      act.parts.push(partOf(alone.phrase));
      act.how.push(...alone.phrase.state);
      return alone.end;
    },
  },
  {
    name: 'whatever stands behind a comma, or behind a colon where it names no part: kept as said',
    read: (place) => {
      const { sentence, at } = place;
      const end = toComma(sentence, at);
      const names = sentence.words
        .slice(at, end)
        .some((_, i) => namesAt(sentence.names, sentence.words, at + i).length > 0);
      const before = sentence.lows[at - 1];
      return before === ',' || (before === ':' && !names) ? keep(place, at, end) : undefined;
    },
  },
  {
    name: 'the size of its thread: "the cylinder screws M6"',
    read: (place) => (/^m \d+(?= ?[,.;]| and |$)/.test(place.told) ? keep(place, place.at, place.at + 2) : undefined),
  },
  {
    name: 'on which of its sides: "oil the gasket both sides", "the screws either end"',
    read: (place) =>
      /^(?:both (?:sides|faces|ends)|either (?:side|end))(?= ?,| and |$)/.test(place.told)
        ? keep(place, place.at, place.at + 2)
        : undefined,
  },
  {
    name: 'what one can then see or reach: "then you can see the bolts"',
    read: (place) =>
      /^(?:and )?(?:then |now )?(?:you|we)(?:'ll)?(?: can| will)? (?:now |then )?(?:see|reach|get (?:at|to)|have access to) /.test(
        place.told,
      )
        ? keep(place, place.at, toComma(place.sentence, place.at))
        : undefined,
  },
  {
    name: 'what one takes care of along: "ensuring correct mesh with the worm"',
    read: (place) =>
      /^(?:ensuring|making sure|taking care|taking note|noting|observing|allowing|avoiding|paying attention|leaving|keeping) /.test(
        place.told,
      )
        ? keep(place, place.at, toComma(place.sentence, place.at))
        : undefined,
  },
  {
    name: 'as something says: "in accordance with the marks"',
    read: (place) =>
      /^(?:in accordance with|according to|in line with|as per) (?:the|its|your) /.test(place.told)
        ? keep(place, place.at, toJoint(place.sentence, place.at + 3))
        : undefined,
  },
  {
    name: 'something with a way behind it: "key in line with the slot"',
    read: (place) =>
      /^(?:\w+ )?(?:\w+ )?(?:side|end|edge|face|key|notch|mark|tab|chamfer|taper|bevel|lip|flange|nose|point|shoulder|cone|groove)s? (?:first|leading|last|in line|aligned|flush|level|square)\b/.test(
        place.told,
      )
        ? keep(place, place.at, toComma(place.sentence, place.at))
        : undefined,
  },
];
const AIM =
  /^(?:so (?:that|it|they|the|you|nothing)|to (?:make|avoid|prevent|keep|stop|protect|let|allow|get|give|free))\b/;

/** Up to the next comma, or to a tool, a direction or a reason that is told behind: "until it stops with a mallet". */
function toAnother(sentence: Sentence, start: number): number {
  const comma = toComma(sentence, start);
  for (let at = start + 2; at < comma; at += 1) {
    const low = sentence.lows[at] ?? '';
    if (lexicon.isEnd(low) && beginsFacing(sentence, at)) return at;
    if (/^(?:because|since|otherwise)$/.test(low) || AIM.test(sentence.lows.slice(at).join(' '))) return at;
    if (
      /^(?:with|using)$/.test(low) &&
      (toolAt(sentence, at + 1) || beginsFacing(sentence, sentence.lows[at + 1] === 'the' ? at + 2 : at + 1))
    )
      return at;
  }
  return comma;
}

/** "Both covers, four bolts each" are eight bolts. */
function forEach(part: SaidPart, owners: readonly SaidPart[]): SaidPart {
  const many = owners.reduce((sum, { count = 1 }) => sum + count, 0);
  return part.count === undefined || many === 0 ? part : { ...part, count: part.count * many };
}

/** What stands behind fasteners that are named along: nothing more, or how they are tightened. */
function goesOnTightening(behind: string): boolean {
  return /^(?:|,|and|at|to|with|each|crosswise|crossways|diagonally|alternately|evenly|hand-tight|finger-tight|finger|hand)$/.test(
    behind,
  );
}

/** "Renew every ring *that is* worn": some of them only. */
const ONLY_THOSE = /^(?:that|which) (?:is|are|has|have|shows?|looks?|feels?|measures?)\b/;
/** "Replace over 0.1 mm of wear". */
const PAST_LIMIT = /^(?:over|above|under|below|beyond|past|at|from) \d/;
/** "Replace when worn more than 0.25 mm". */
const WORN =
  /^(?:when|where|once) (?:(?:the|its|their) )?(?:[\w-]+ ){0,3}(?:exceeds?|(?:has|have) (?:doubled|trebled|gone|fallen|dropped|grown|risen|worn)|(?:is|are) (?:twice|double|half)|(?:runs?|turns?|spins?|sounds?|feels?) (?:\w+ )?(?:rough|noisy|hot|loud|dry|bad|stiff|loose|worn)|(?:is|are) (?:more|less|over|under|above|below|greater|smaller|bigger))\b|^(?:when|where|once) (?:it is |they are |it's |they're |it has |they have )?(?:worn|damaged|scored|cracked|pitted|hard|torn|bent|swollen|stepped|grooved|more than|over|below|under|less than|thinner|it shows|they show|it looks|they look|it feels|they feel)\b/;
const isForGood = (verb: Verb) => verbOf(verb).effect === 'renews' || FOR_GOOD.includes(verb);
/** Done, it cannot be undone: whether it is to be done has to be asked. */
const FOR_GOOD: readonly Verb[] = ['discard', 'cut', 'bend', 'dress', 'heat'];
const RENEWS = new RegExp(`^(?:${RENEWING})$`);
const JOINED =
  /^(?:into|onto|or|and|from|off|out|of|clear|in|on|at|to|through|under|around|against|along|past|between|over|by|toward|towards|without|via|per|relative|as|inside|underneath|behind|beside|instead|up|down|back|away|in|on|for|like|across|above|below|near|plus|facing|that|which|how|irrespective|regardless|despite)$/;
