import { objectsAt, takeObjects } from '../acts/objects';
import { type Construction, toComma } from '../acts/place';
import { blankAct, movesParts, partOf } from '../acts/reading';
import { isPartOrShort } from '../names/short-names';

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
    name: 'one more behind its tool: "the screws with the key, and their washers as well"',
    read: ({ reading, sentence, at, act }) => {
      if (!/^(?:and|,)$/.test(sentence.lows[at] ?? '') || !movesParts(act.verb)) return undefined;
      const start = sentence.lows[at + 1] === 'and' ? at + 2 : at + 1;
      const more = objectsAt(sentence, start);
      const tail = /^(?:as well|too|also)(?= |$)/.exec(sentence.lows.slice(more.end).join(' '))?.[0];
      const areParts = more.phrases.length > 0 && more.phrases.every((one) => isPartOrShort(one, reading.series));
      if (tail === undefined || !areParts) return undefined;
      act.parts.push(...more.phrases.map(partOf));
      reading.verbs.push('as', 'well', 'also');
      return more.end + tail.split(' ').length;
    },
  },
];
