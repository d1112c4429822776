import { byName } from '../../../../model/names';
import { verbOf } from '../../../../model/verbs';
import type { UnitSymbol } from '../../../../quantity/units';
import { fasteningOf } from '../../../../torque/fastening';
import { readingsOf } from '../../../../torque/preload';
import { limitOf } from '../acts/limits';
import { FASTENER } from '../acts/meant';
import { type Construction, keep } from '../acts/place';
import { blankAct, type OpenAct, partOf, type Reading } from '../acts/reading';
import { measureAt, passesAt, torqueAt } from '../names/figures';
import { isJoint } from '../names/name-ends';
import { nounPhraseAt } from '../names/noun-phrase';
import type { SaidPart } from '../names/said';
import type { Sentence } from '../names/sentence';
import { isPartOrShort } from '../names/short-names';
import * as lexicon from '../words/lexicon';
import { RENEWED, RENEWING } from '../words/verdict-words';
import { isThousands } from '../words/words';
import { amountAt, stuffAt } from './applied';

/** Figures, amounts, times and lengths that are told along; the most particular first. */
export const MEASURES_SAID: readonly Construction[] = [
  {
    name: 'no figure: "to specification"',
    read: ({ reading, sentence, at, act, told }) => {
      const said = act.verb === 'torque' ? lexicon.NO_FIGURE.exec(told) : null;
      if (!said) return undefined;
      const end = at + said[0].trim().split(' ').length;
      reading.doubt('figure', sentence, at, end);
      return Math.min(end, sentence.words.length);
    },
  },
  {
    name: 'a torque in passes: "50, 100 and 150 N·m"',
    read: ({ sentence, at, act }) => {
      let start = at;
      while (/^(?:first|initially|to|at)$/.test(sentence.lows[start] ?? '')) start += 1;
      if (act.verb !== 'torque' || sentence.words[start]?.value === undefined || torqueAt(sentence, start))
        return undefined;
      let last = start;
      while (/^(?:,|and|then|to)$/.test(sentence.lows[last + 1] ?? '') && !torqueAt(sentence, last)) {
        last += 1;
        while (/^(?:,|and|then|to|finally)$/.test(sentence.lows[last] ?? '')) last += 1;
        if (sentence.words[last]?.value === undefined) return undefined;
      }
      const said = torqueAt(sentence, last);
      if (!said) return undefined;
      act.how.push(sentence.text(at, said.end));
      act.figure = said.figure;
      return said.end;
    },
  },
  {
    name: 'a torque: "to 44 foot pounds"',
    read: ({ reading, sentence, at, act }) => {
      const isUpTo = sentence.lows[at] === 'up' && sentence.lows[at + 1] === 'to';
      const from = isUpTo ? at + 2 : /^(?:to|at|=|of|with|by)$/.test(sentence.lows[at] ?? '') ? at + 1 : at;
      const said = torqueAt(sentence, from);
      const tightened = said && (fastenersNamed(reading, sentence, said.end) ?? fastenersFitted(act));
      if (said && tightened && verbOf(act.verb).effect !== 'takes') {
        const { end = said.end, ...rest } = tightened;
        reading.acts.push({ ...rest, figure: said.figure });
        return end;
      }
      if (said) {
        // "To 120, then to 240 N·m": the last one holds, the others are said along.
        if (act.figure) act.how.push(`to ${act.figure.value} ${act.figure.unit}, then`);
        // "Fit the cover, screws crosswise, 6 N·m" is no figure of the cover, and nothing is taken off to a torque.
        if (verbOf(act.verb).effect === 'takes') reading.doubt('unread', sentence, at, said.end);
        else if (act.verb !== 'torque' && (namesPart(sentence, at) || screwedIn(act).length === 0))
          reading.doubt('unread', sentence, at, said.end);
        act.figure = said.figure;
        const passes = passesAt(sentence, from);
        if (passes) {
          // "45/50 N·m" may be two passes or a range.
          if (/\b(?:steps?|stages?|passes|pass|rounds?|goes)\b/.test(sentence.lows.join(' ')))
            act.how.push(`${passes.join(', ')} ${said.figure.unit}`);
          else
            reading.doubt('unit', sentence, from, said.end, [
              `${passes.join(' to ')} ${said.figure.unit}`,
              `${passes.join(', ')} ${said.figure.unit}`,
            ]);
        }
        const typed = sentence.lows[from] ?? '';
        if (isThousands(typed)) {
          const values = [typed.replaceAll(',', ''), typed.replace(',', '.')].map(Number);
          reading.doubt(
            'unit',
            sentence,
            from,
            said.end,
            values.map((value) => `${value} ${said.figure.unit}`),
          );
        }
        return said.end;
      }
      const number = sentence.words[from]?.value;
      const isSaid = from > at || /^(?:then|finally)$/.test(sentence.lows[at - 1] ?? '');
      // "Cover on, six screws, 25": of what is not said.
      const isFastened =
        verbOf(act.verb).effect === 'refits' && act.parts.some(({ name }) => lexicon.FASTENS.test(name));
      const isTightened = isFastened || act.verb === 'torque';
      const isBare = isTightened && sentence.lows[at - 1] === ',' && /^(?:|,)$/.test(sentence.lows[from + 1] ?? '');
      // "Caps back on to 45": a figure of them, or of what holds them.
      const isAlone = verbOf(act.verb).effect === 'refits' && act.parts.length > 0;
      const isLast = /^(?:|,|and|then)$/.test(sentence.lows[from + 1] ?? '') && /^\d/.test(sentence.lows[from] ?? '');
      const isFigure =
        isAlone && isLast && (sentence.lows[at] === 'to' || (from === at && sentence.lows[at - 1] === ','));
      if (number === undefined || !(isFigure || ((act.verb === 'torque' || isFastened) && (isSaid || isBare))))
        return undefined;
      const measured = measureAt(sentence, from);
      if (measured && measured.unit !== 'lb') return undefined;
      const end = measured?.end ?? from + 1;
      if (measured === undefined && /^(?:turns?|degrees|passes|steps|stages|%)$/.test(sentence.lows[from + 1] ?? ''))
        return undefined;
      reading.doubt('unit', sentence, from, end, unitOffers(number, reading, act));
      return end;
    },
  },
  {
    name: 'fasteners set to a bare number: "set the bolts to 60"',
    read: ({ reading, sentence, at, act }) => {
      const number = sentence.words[at + 1]?.value;
      const isSet =
        act.verb === 'adjust' && act.parts.length > 0 && act.parts.every(({ name }) => lexicon.FASTENS.test(name));
      if (!isSet || number === undefined || sentence.lows[at] !== 'to' || !isJoint(sentence.words[at + 2]))
        return undefined;
      reading.doubt('unit', sentence, at + 1, at + 2, unitOffers(number, reading, act));
      return at + 2;
    },
  },
  {
    name: 'a limit: "not less than 12 mm", "0.4 mm max", "anything under 48.6 mm and it is scrap"',
    read: ({ reading, sentence, at, act, told }) => {
      if (!/^(?:measure|inspect)$/.test(act.verb)) return undefined;
      const before = LIMIT_BEFORE.exec(told)?.[0] ?? '';
      const from = before === '' ? at : at + before.trim().split(' ').length;
      const size = measureAt(sentence, from);
      if (!size) return undefined;
      const rest = sentence.lows.slice(size.end).join(' ');
      const behind = LIMIT_BEHIND.exec(rest)?.[0] ?? '';
      const verdict = VERDICT.exec(rest)?.[0];
      const passed = verdict === undefined ? undefined : limitOf(sentence.text(at, size.end), act);
      if (passed !== undefined && verdict !== undefined) {
        act.how.push(passed);
        const end = size.end + verdict.trim().split(' ').length;
        reading.verbs.push(...sentence.lows.slice(at, end));
        return end;
      }
      if (before === '' && behind === '') return undefined;
      if (/^(?:under|below|over|above|beyond|less|more|anything|any)\b/.test(before)) return undefined;
      const end = size.end + (behind === '' ? 0 : behind.trim().split(' ').length);
      act.how.push(sentence.text(at, end));
      return end;
    },
  },
  {
    name: 'how much of what, behind a comma: "fill the gearbox, 1.5 l of gear oil"',
    read: ({ sentence, at, act }) => {
      // "Fill the joint with grease, 40 g each".
      const [put, other] = act.applied;
      const much = put && !other && !put.amount ? measureAt(sentence, at) : undefined;
      if (put && much && /^(?:g|kg|ml|l|cm³)$/.test(much.unit)) {
        const end = sentence.lows[much.end] === 'each' ? much.end + 1 : much.end;
        act.applied[0] = { ...put, amount: sentence.text(at, end) };
        return end;
      }
      const puts = act.applied.length === 0 && /^(?:fill|lubricate|apply-compound)$/.test(act.verb);
      const said = puts && sentence.lows[at - 1] === ',' ? amountAt(sentence, at) : undefined;
      if (said) act.applied.push(said.applied);
      return said?.end;
    },
  },
  {
    name: 'what is put on as well: "seals in, grease on the lips"',
    read: ({ sentence, at, act }) => {
      if (sentence.lows[at - 1] !== ',' || act.applied.length > 0) return undefined;
      const said = stuffAt(sentence, at);
      if (
        said &&
        'amount' in said.applied &&
        isJoint(sentence.words[said.end]) &&
        /^(?:,|)$/.test(sentence.lows[said.end] ?? '')
      ) {
        act.applied.push(said.applied);
        return said.end;
      }
      if (!said || !/^(?:on|onto|in|into|to|around|round|between|under)$/.test(sentence.lows[said.end] ?? ''))
        return undefined;
      const where = nounPhraseAt(sentence, said.end + 1);
      if (!where || where.phrase.known || !lexicon.isFeature(where.phrase.words)) return undefined;
      act.applied.push({ ...said.applied, where: where.phrase.name });
      return where.end;
    },
  },
  {
    name: 'how many turns: "two full revolutions"',
    read: (place) => {
      const { sentence, at, act } = place;
      const about = /^(?:about|by|some|roughly|approximately)$/.test(sentence.lows[at] ?? '') ? at + 1 : at;
      if (sentence.words[about]?.value === undefined) return undefined;
      // "Five to six turns", "2-3 turns".
      const isRange =
        /^(?:to|or|-|–)$/.test(sentence.lows[about + 1] ?? '') && sentence.words[about + 2]?.value !== undefined;
      const behind = isRange ? about + 3 : about + 1;
      const turns = TURNS.exec(sentence.lows.slice(behind, behind + 3).join(' '))?.[0];
      const isTurned = isRange || about > at || /^(?:turn|test|inspect)$/.test(act.verb);
      return isTurned && turns ? keep(place, at, behind + turns.split(' ').length) : undefined;
    },
  },
  {
    name: 'how often: "always"',
    read: (place) =>
      /^(?:always|every time|each time|already)(?= ?[,.;]| |$)/.test(place.told)
        ? keep(place, place.at, place.at + (place.told.startsWith('al') ? 1 : 2))
        : undefined,
  },
  {
    name: 'how far: "about 12 mm"',
    read: (place) => {
      const { sentence, at, act } = place;
      const from = /^(?:about|by|some|another|a good|at least)$/.test(sentence.lows[at] ?? '') ? at + 1 : at;
      const far = measureAt(sentence, from);
      if (!far || !/^(?:mm|cm|in)$/.test(far.unit) || OPENS_OR_CLOSES.includes(act.verb)) return undefined;
      return verbOf(act.verb).object === 'parts' ? keep(place, at, far.end) : undefined;
    },
  },
  {
    name: 'how long: "for ten minutes"',
    read: (place) => {
      const { sentence, at, act } = place;
      const from = /^(?:for|about)$/.test(sentence.lows[at] ?? '') ? at + 1 : at;
      const spoken = from > at || act.verb === 'wait' ? SPOKEN_TIME.exec(sentence.lows.slice(from).join(' ')) : null;
      if (spoken) {
        act.minutes = spoken[1] ? 15 : spoken[2] ? 30 : spoken[3] ? 1 : 60;
        return from + spoken[0].split(' ').length;
      }
      const measured = measureAt(sentence, from);
      if (!measured || !/^(?:s|min|h)$/.test(measured.unit)) return undefined;
      if (/^(?:after|every|within)$/.test(sentence.lows[at - 1] ?? '')) return undefined;
      act.minutes =
        measured.unit === 'h' ? measured.value * 60 : measured.unit === 's' ? measured.value / 60 : measured.value;
      return measured.end;
    },
  },
];

/** "Cover on, six screws, crosswise, 10 N·m": fitted with its screws, and the screws are tightened. */
function fastenersFitted(act: OpenAct): (OpenAct & { end?: number }) | undefined {
  const held = act.parts.filter(({ name }) => lexicon.FASTENS.test(name));
  const fasteners = held.length > 0 ? held : screwedIn(act);
  const isPutOn = /^(?:apply-compound|lubricate)$/.test(act.verb);
  if ((verbOf(act.verb).effect !== 'refits' && !isPutOn) || fasteners.length === 0) return undefined;
  const tightened = { ...blankAct('torque'), parts: fasteners, how: act.how.filter((how) => TIGHTENS.test(how)) };
  act.how = act.how.filter((how) => !TIGHTENS.test(how));
  return tightened;
}

/** What has a thread of its own; "valve, gasket, cover, 5 N·m" tightens no valve among others. */
function screwedIn({ parts }: OpenAct): SaidPart[] {
  const screwed = parts.filter(({ name }) => FASTENER.test(name.toLowerCase()));
  const others = parts.filter(
    (part) => !screwed.includes(part) && !/\b(?:gasket|ring|seal|washer)s?$/i.test(part.name),
  );
  return others.length > 0 ? parts.filter(({ name }) => lexicon.FASTENS.test(name)) : screwed;
}

/** "6 N·m on the screws": of which. */
function fastenersNamed(reading: Reading, sentence: Sentence, at: number): (OpenAct & { end: number }) | undefined {
  const named = /^(?:on|for)$/.test(sentence.lows[at] ?? '') ? nounPhraseAt(sentence, at + 1) : undefined;
  if (!named || !lexicon.FASTENS.test(named.phrase.words.at(-1) ?? '')) return undefined;
  if (!isPartOrShort(named.phrase, reading.series) || !isJoint(sentence.words[named.end])) return undefined;
  return { ...blankAct('torque'), parts: [partOf(named.phrase)], end: named.end };
}

const TIGHTENS = /\b(?:cross|star|diagonal|even|alternat|opposite|stages?|pass(?:es)?|steps|pattern|sequence|order)/i;

const TURNS = /^(?:(?:full|complete|whole) )?(?:turns?|revolutions?|rotations?|times)(?: round| over)?(?= |$)/;
const LIMIT_BEFORE =
  /^(?:(?:anything|any|those) )?(?:(?:not|no|never) )?(?:(?:less|more|smaller|larger|greater|bigger|thinner|thicker|shorter|longer) than|under|below|over|above|beyond|at least|at most|(?:min|minimum|max|maximum)(?: is| of| :)?) /;
const LIMIT_BEHIND = /^(?:min|minimum|max|maximum|or less|or more)(?= |$)/;
/** What happens to what is past its limit. */
const VERDICT = new RegExp(
  `^(?:(?:,|and|then) )*(?:(?:it|they|that|the (?:[\\w-]+ ){1,3}?)(?:'s|'re)? ?)?(?:(?:is|are|has to be|have to be|must be|needs?|should be|gets?|goes|to be) )?(?:${RENEWED}|${RENEWING}|out)(?: (?:it|them|both|as a pair))?$`,
);

/** "A quarter of an hour", "half an hour", "a minute", "an hour". */
const SPOKEN_TIME = /^(?:(a quarter of an hour)|(half an hour)|(a minute)|(?:an|one) hour)\b/;
const UNITS: readonly UnitSymbol[] = ['N·m', 'lbf·ft', 'lbf·in'];

/** A number without a unit, read in each; those that its thread bears come first. */
function unitOffers(number: number, { series }: Reading, { parts: [part] }: OpenAct): string[] {
  const component = part && byName(series.components, part.name);
  const fastening = component && fasteningOf(series, component.id, undefined);
  const bears = new Set(readingsOf(number, fastening).flatMap((one) => (one.bears ? one.quantity.unit : [])));
  return UNITS.toSorted((a, b) => Number(bears.has(b)) - Number(bears.has(a))).map((unit) => `${number} ${unit}`);
}

/** Whether something behind a comma is called as fasteners are: "..., screws crosswise, 6 N·m". */
function namesPart(sentence: Sentence, end: number): boolean {
  return sentence.lows.some(
    (low, i) => i < end && i > 0 && sentence.lows[i - 1] === ',' && /^(?:bolt|screw|nut|stud|cap|plug)s?$/.test(low),
  );
}

/** What is opened or closed with a tool: a size behind it is that of the tool. */
export const OPENS_OR_CLOSES: readonly OpenAct['verb'][] = ['take-off', 'loosen', 'torque', 'start-by-hand'];
