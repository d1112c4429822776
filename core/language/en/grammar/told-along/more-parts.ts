import { byName, singularName } from '../../../../model/names';
import { verbOf } from '../../../../model/verbs';
import { objectsAt, takeObjects } from '../acts/objects';
import { SIZED } from '../acts/owners';
import { type Construction, toComma } from '../acts/place';
import { blankAct, movesParts, partOf, type Reading } from '../acts/reading';
import { measureAt } from '../names/figures';
import { partsEndingIn } from '../names/known-names';
import { isJoint } from '../names/name-ends';
import { AROUND, isCalledPart, type NounPhrase, nounPhraseAt, oneOf } from '../names/noun-phrase';
import type { SaidPart } from '../names/said';
import { isPartLike } from '../names/short-names';
import { FASTENS } from '../words/lexicon';
import { partsOf } from '../words/words';

const HOLD_IT =
  /^(?:on|of|from|out of|at|in|around|round|for|(?:(?:that|which) )?(?:hold(?:s|ing)?|secur(?:es?|ing)|fasten(?:s|ing)?|fix(?:es|ing)?|retain(?:s|ing)?|attach(?:es|ing)?))(?= (?:the|its|it|them)(?: |$))/;

/** Further parts to which the same is done, told behind all that is said of the first. */
export const MORE_PARTS: readonly Construction[] = [
  {
    name: 'what comes next: "insert the seals, followed by the rings"',
    read: ({ reading, sentence, at, act, told }) => {
      if (!/^followed by\b/.test(told) || !movesParts(act.verb)) return undefined;
      const next = objectsAt(sentence, at + 2);
      if (next.phrases.length === 0) return undefined;
      const { into, positionIds, positionSetId } = act;
      const more = {
        ...blankAct(act.verb),
        ...(into !== undefined && { into }),
        positionIds: [...positionIds],
        ...(positionSetId && { positionSetId }),
      };
      reading.acts.push(more);
      reading.verbs.push('followed');
      takeObjects(reading, next.phrases, more);
      return next.end;
    },
  },
  {
    name: 'all but some: "take out the bolts, except two opposite ones"',
    read: ({ sentence, at, act, told }) => {
      const joint = /^(?:, )?(?:except|but|bar|save)(?: for)? /.exec(told)?.[0];
      const number = joint === undefined ? -1 : at + joint.trim().split(' ').length;
      const count = sentence.words[number]?.value;
      const part = act.parts.at(-1);
      if (count === undefined || !part || !movesParts(act.verb)) return undefined;
      const end = toComma(sentence, number);
      act.parts[act.parts.length - 1] = { ...part, but: count };
      act.how.push(sentence.text(sentence.lows[at] === ',' ? at + 1 : at, end));
      return end;
    },
  },
  {
    name: 'how many they are: "the retainers, there are three of them", "the rods, four pieces"',
    read: ({ reading, sentence, at, act }) => {
      const [part, other] = act.parts;
      const from = sentence.lows[at] === ',' ? at + 1 : at;
      const there = /^(?:there are|there're|there's|there is|it's|they are|they're|there were)(?: all)? (?=\S)/.exec(
        sentence.lows.slice(from).join(' '),
      )?.[0];
      const number = from + (there === undefined ? 0 : there.trim().split(' ').length);
      const count = sentence.words[number]?.value;
      const behind =
        /^(?:pieces?|pcs?|off|of (?:them|these|those)|in (?:all|total)|altogether)(?: in (?:all|total))?(?= ?,| ?$)/.exec(
          sentence.lows.slice(number + 1).join(' '),
        )?.[0];
      // "The bolts out, sixteen 3/4 inch": how many, and their size.
      const size = there === undefined && behind === undefined ? measureAt(sentence, number + 1) : undefined;
      const isSized = size !== undefined && /^(?:mm|in)$/.test(size.unit) && isJoint(sentence.words[size.end]);
      // "Cover bolts out, eight".
      const isOfFasteners =
        FASTENS.test(part?.name ?? '') && (count ?? 0) > 1 && !/^(?:torque|start-by-hand)$/.test(act.verb);
      const isLast = /^(?:|,)$/.test(sentence.lows[number + 1] ?? '');
      const isAlone = isSized || ((there !== undefined || isOfFasteners) && isLast);
      if (!part || other || part.count !== undefined || count === undefined || (behind === undefined && !isAlone))
        return undefined;
      if (!Number.isInteger(count) || (there === undefined && !/^[,:–-]$/.test(sentence.lows[from - 1] ?? '')))
        return undefined;
      const end = isSized ? size.end : number + 1 + (behind === undefined ? 0 : behind.split(' ').length);
      if (isSized) act.how.push(sentence.text(number + 1, end));
      reading.verbs.push(...sentence.lows.slice(from, end));
      act.parts[0] = { ...part, count, fromCount: sentence.words[number]?.from ?? part.from };
      return end;
    },
  },
  {
    name: 'another from somewhere else: "the seal from the impeller and the seat from the housing"',
    read: ({ reading, sentence, at, act, told }) => {
      const joint = /^(?:from|off|out of|into|onto|in|on) /.exec(told)?.[0].trim();
      if (joint === undefined || !movesParts(act.verb) || act.parts.length === 0) return undefined;
      const length = joint.split(' ').length;
      const place = nounPhraseAt(sentence, at + length);
      const next = place && sentence.lows[place.end] === 'and' ? nounPhraseAt(sentence, place.end + 1) : undefined;
      const isNext =
        next &&
        isPartLike(next.phrase, reading.series) &&
        sentence.lows.slice(next.end, next.end + length).join(' ') === joint &&
        nounPhraseAt(sentence, next.end + length) !== undefined;
      if (!place || !isNext) return undefined;
      const isInto = verbOf(act.verb).effect === 'refits' && !/^(?:from|off|out)/.test(joint);
      if (isInto && act.into === undefined) act.into = place.phrase.name;
      else act.how.push(sentence.text(at, place.end));
      const other = { ...blankAct(act.verb), parts: [partOf(next.phrase)], how: [...next.phrase.state] };
      reading.acts.push(other);
      return next.end;
    },
  },
  {
    name: 'whose fasteners they are: "the six screws on the valve body"',
    read: ({ reading, sentence, at, act, told }) => {
      const [part, other] = act.parts;
      if (!part || other || !/^(?:take-off|draw|pry|loosen|torque|disconnect|renew|discard)$/.test(act.verb))
        return undefined;
      const joint = HOLD_IT.exec(told)?.[0];
      if (joint === undefined || !isBare(part)) return undefined;
      const owner = nounPhraseAt(sentence, at + joint.split(' ').length);
      // "Securing the cover to the casing".
      const to = owner && /(?:s|ing)$/.test(joint) && /^to (?:the|its) /.test(sentence.lows.slice(owner.end).join(' '));
      const end = (to ? nounPhraseAt(sentence, owner.end + 1)?.end : undefined) ?? owner?.end ?? at;
      const it = owner?.phrase.pronoun
        ? reading.acts.findLast((one) => one !== act && one.parts.length > 0)?.parts
        : undefined;
      if (it?.length === 1 && it[0] && owner && isJoint(sentence.words[end])) {
        const whose = singularName(it[0].name);
        if (byName(reading.series.components, part.name) || FASTENS.test(whose)) return undefined;
        act.parts[0] = { ...part, name: `${whose} ${part.name}` };
        reading.verbs.push(...told.split(' ').slice(0, end - at));
        return end;
      }
      const isOwner =
        owner &&
        !owner.phrase.pronoun &&
        isCalledPart(owner.phrase) &&
        !AROUND.test(owner.phrase.name) &&
        isJoint(sentence.words[end]) &&
        owner.phrase.feature === undefined &&
        owner.phrase.state.length === 0 &&
        owner.phrase.which === undefined &&
        owner.phrase.words.length < 4;
      if (!isOwner || isKnownByOwner(reading, part, owner.phrase)) return undefined;
      const [, size, bare = part.name] = SIZED.exec(part.name) ?? [];
      act.parts[0] = { ...part, name: `${oneOf(owner.phrase)} ${bare}` };
      if (size !== undefined) act.how.push(size.toUpperCase());
      reading.verbs.push(...told.split(' ').slice(0, end - at));
      return end;
    },
  },
  {
    name: 'one more behind its tool: "the screws with the key, and their washers as well"',
    read: ({ reading, sentence, at, act }) => {
      if (!/^(?:and|,)$/.test(sentence.lows[at] ?? '') || !movesParts(act.verb)) return undefined;
      const start = sentence.lows[at + 1] === 'and' ? at + 2 : at + 1;
      const more = objectsAt(sentence, start);
      const tail = /^(?:as well|too|also|included)(?= |$)/.exec(sentence.lows.slice(more.end).join(' '))?.[0];
      const areParts = more.phrases.length > 0 && more.phrases.every((one) => isPartLike(one, reading.series));
      if (tail === undefined || !areParts) return undefined;
      act.parts.push(...more.phrases.map(partOf));
      reading.verbs.push('as', 'well', 'also');
      return more.end + tail.split(' ').length;
    },
  },
];

/** Called by its kind alone, of which a pump has many. */
function isBare({ name, quoted }: SaidPart): boolean {
  return (
    !quoted &&
    (/^(?:o-rings?|gaskets?|washers?)$/i.test(name) ||
      ((SIZED.test(name) || !name.includes(' ')) && FASTENS.test(name)))
  );
}

/** Whether the series has fasteners that are called after that part, or by this very word. */
function isKnownByOwner({ series }: Reading, { name }: SaidPart, owner: NounPhrase): boolean {
  if (byName(series.components, name)) return true;
  const words = partsOf(owner.name);
  return partsEndingIn(series, partsOf(name)).some(({ parts }) => parts.some((word) => words.includes(word)));
}
