import { pluralName } from '#core/model/names';
import type { Series } from '#core/model/series';
import type { Doing, Sort } from './acts';
import type { Chance } from './chance';

export type Part = Series['components'][number];

/** What an order is done to, as it is said, and what that means. */
export interface Named {
  readonly text: string;
  readonly parts: readonly Part[];
  /** How many of them, where that is fewer than there are. */
  readonly count?: number;
  /** At which places, where that is not everywhere. */
  readonly places: readonly string[];
  readonly isSeveral: boolean;
  /** Words that have to be found again in the step. */
  readonly kept: readonly string[];
  /** Other parts it names: which is meant, where from, where to, toward which it faces. */
  readonly names: readonly Part[];
}

const SORTS: readonly (readonly [Sort, RegExp])[] = [
  ['rotor', /\bscrew rotor$/],
  ['fastener', /\b(?:bolt|screw|nut|stud)$/],
  ['seal', /\b(?:seal|O-ring|gasket|packing|wiper|cup|diaphragm|boot)$/],
  ['bearing', /\bbearing$/],
  ['cover', /\b(?:cover|housing|head|flange|plate|casing|cap|bonnet|manifold|case|body|bracket|bowl|frame)$/],
  [
    'rotor',
    /\b(?:shaft|rotor|impeller|gear|plunger|piston|sleeve|pulley|coupling|crosshead|crankshaft|drum|rod|lobe|stator|wheel|hub)$/,
  ],
  ['pin', /\b(?:pin|key|clip|dowel|circlip)$/],
  ['spring', /\bspring$/],
  ['hose', /\b(?:hose|line|cable)$/],
  ['ball', /\b(?:ball|valve|seat|poppet|spool|strainer)$/],
];

export function sortOf({ name }: Part): Sort | undefined {
  return SORTS.find(([, ends]) => ends.test(name))?.[0];
}

export function isOne({ count, positionSetId }: Part): boolean {
  return count === 1 && positionSetId === undefined;
}

const NUMBERS = ['', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];
/** Parts that are named two at a time. */
const IN_PAIRS: readonly Doing[] = ['out', 'in', 'clean', 'aside', 'discard', 'mark'];
const BEHIND = ['on top of', 'behind', 'inside', 'under', 'next to', 'on the end of'];

/** A part by its name: all of its pieces, some of them, those at one place, with another part, or told by where it is. */
export function nameParts(series: Series, part: Part, does: Doing, others: readonly Part[], chance: Chance): Named {
  const whole = { parts: [part], places: [], kept: [], names: [] };
  const { name, count, positionSetId } = part;
  const positions = series.positionSets.find(({ id }) => id === positionSetId)?.positions ?? [];
  const plural = pluralName(name);
  const isMoved = /^(?:out|in|loosen|clean)$/.test(does);
  if (isOne(part)) {
    const second = others.find((other) => other !== part && sortOf(other) === sortOf(part));
    if (second && IN_PAIRS.includes(does) && chance.isIn(1, 8)) {
      const text = chance.pick([`the ${name} and the ${second.name}`, `the ${name} and ${second.name}`]);
      return { ...whole, text, parts: [part, second], isSeveral: true };
    }
    const [other] = others;
    if (other && does === 'out' && chance.isIn(1, 10)) {
      const where = chance.pick(BEHIND);
      return {
        ...whole,
        text: `the ${name} ${where} the ${other.name}`,
        isSeveral: false,
        kept: [where],
        names: [other],
      };
    }
    const old =
      does === 'out' || does === 'discard' ? 'the old' : does === 'in' || does === 'press' ? 'the new' : 'the';
    return { ...whole, text: `${chance.isIn(1, 12) ? old : 'the'} ${name}`, isSeveral: false };
  }
  if (positions.length > 1 && count === 1 && isMoved && chance.isIn(1, 2)) {
    const place = chance.pick(positions);
    const isNumbered = /\d$/.test(place.name);
    const at = chance.pick(['at', 'on', 'of']);
    const text = chance.pick([
      `the ${name} ${at} ${isNumbered ? '' : 'the '}${place.name}`,
      `every ${name}`,
      `each ${name}`,
    ]);
    return text.startsWith('the')
      ? { ...whole, text, places: [place.id], isSeveral: false }
      : { ...whole, text, isSeveral: false };
  }
  const all = count * Math.max(positions.length, 1);
  const inWords = (number: number) => (chance.isIn(1, 2) ? (NUMBERS[number] ?? String(number)) : String(number));
  if (positions.length === 0 && count > 2 && isMoved && chance.isIn(1, 6)) {
    const some = 1 + (chance.number() % (count - 1));
    const text = `${inWords(some)} of the ${inWords(count)} ${plural}`;
    return { ...whole, text, count: some, isSeveral: some > 1 };
  }
  const number = inWords(all);
  const several = [`the ${plural}`, `the ${number} ${plural}`, `all the ${plural}`, `all ${number} ${plural}`];
  const text = chance.pick(all === 2 ? [`both ${plural}`, `the two ${plural}`, `both of the ${plural}`] : several);
  return { ...whole, text, isSeveral: true };
}
