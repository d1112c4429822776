import { positionSetById } from '../../../../model/lookup';
import { byName } from '../../../../model/names';
import type { Series } from '../../../../model/series';
import { type Verb, verbOf } from '../../../../model/verbs';
import { kindFromName } from '../../../../reading/en/kind-words';
import { BY_PLACE, FASTENS, ONLY_TOOLS, SAYS_WHICH } from '../words/lexicon';
import { WAY_WORDS } from '../words/operations';
import { namesSeveral, partsOf, wordsOf } from '../words/words';
import { endsIn, namesAt, namesOf, type PartName, partsEndingIn } from './known-names';
import { DETERMINERS } from './name-ends';
import { isCalledPart, type NounPhrase, STATE } from './noun-phrase';
import { isPartNoun } from './part-nouns';
import type { SaidPart } from './said';

/** What stands beside a short name and tells which part it is short for. */
export interface Beside {
  readonly line: string;
  /** Named in the line, or acted on just before. */
  readonly recent: readonly Pick<SaidPart, 'name'>[];
  /** Named by the orders before, in this line. */
  readonly named?: readonly string[];
  /** Steps are about these already. */
  readonly used?: ReadonlySet<string> | undefined;
  /** Out of the pump by then, where the line takes something out. */
  readonly out?: ReadonlySet<string> | undefined;
}

/**
 * A name in full where what is named beside it leaves one part only: "the bowl" behind the filter bowl, "six screws" of
 * the rear cover that is taken off, "all eight bolts" where one kind of bolt is eight. Everything else stays as it was
 * said, and is asked about.
 */
export function inFull(part: SaidPart, series: Series, { line, recent, used, out, named }: Beside): SaidPart {
  if (part.quoted || byName(series.components, part.name)) return part;
  const words = partsOf(part.name);
  const said = ` ${wordsOf(line)
    .map(({ low }) => partsOf(low).join(' '))
    .join(' ')} `;
  // "New gaskets" are not the one casing gasket, the bottom seats no top seat, and what is out is not taken out.
  const isPossible = (known: PartName) =>
    hasSoMany(known, part, series) &&
    !(namesSeveral(part.name) && Math.max(...unitsOf(known, series)) === 1) &&
    !out?.has(known.name) &&
    !isElsewhere(known, said) &&
    !isOneOfMany(known, part, line, series);
  const alike = partsEndingIn(series, words).filter(isPossible);
  // "The bolts of the suction flange, and pull the flange away": the suction flange.
  if (alike.length === 0 && partsEndingIn(series, words).length === 0) {
    const owners = recent
      .filter(({ name }) => FASTENS.test(name))
      .map(({ name }) => name.split(' ').slice(0, -1))
      .filter((own) => own.length > words.length && endsIn(partsOf(own.join(' ')), words));
    // "Slacken the staybolt nuts and remove nuts and washers".
    const whole = recent.flatMap(({ name }) => (endsIn(partsOf(name), words) ? [name] : []));
    const [named, other] = new Set(whole.length > 0 ? whole : owners.map((own) => own.join(' ')));
    const name = named ?? calledBefore(part, line);
    return name === undefined || other !== undefined ? part : { ...part, name };
  }
  if (alike.length === 0) return part;
  const meant = (isMeant: (known: PartName) => boolean) => {
    const [only, other] = alike.filter(isMeant);
    return only && !other ? only.name : undefined;
  };
  const recentKeys = recent.map(({ name }) => partsOf(name).join(' '));
  const beside = partsIn(line, series).map((name) => partsOf(name));
  const inLine = (named ?? []).map((name) => partsOf(name)).filter((parts) => !same(parts, words));
  const before = ({ parts }: PartName) => parts.slice(0, -words.length);
  const isSaid = (known: PartName) => !before(known).every(isWay) && said.includes(` ${before(known).join(' ')} `);
  // "Circlip off, press shaft and bearing out": the circlip of either.
  const ends = beside.reduce((text, other) => text.replaceAll(` ${other.join(' ')} `, ` ${other.at(-1) ?? ''} `), said);
  const areSeveral = alike.filter((known) => ends.includes(` ${before(known).join(' ')} `)).length > 1;
  const beneath = (isMeant: (known: PartName) => boolean) => (areSeveral ? undefined : meant(isMeant));
  // "Take the upper seal's ring out and pull the seal": not the lower one, of which the step before was.
  const recently = alike.filter(({ key }) => recentKeys.includes(key));
  const isRival = (known: PartName) =>
    before(known).some((word) => said.includes(` ${word} `) && !recently.some(({ parts }) => parts.includes(word)));
  const hasRival = recently.length > 0 && (alike.some(isRival) || isOtherOne(words, recently, said));
  // "Manifold on, bolts 18 N·m": not those that were tightened just before.
  const areOthers = FASTENS.test(part.name) && isOfOthers(alike, inLine, words);
  const isOffElse = /(?:bolt|screw|nut|stud|ring)s?$/i.test(part.name) && isOffAnother(alike, part, line);
  const name =
    (hasRival || areOthers || isOffElse ? undefined : meant(({ key }) => recentKeys.includes(key))) ??
    meant(isSaid) ??
    beneath((known) => beside.some((other) => endsIn(other, before(known)))) ??
    beneath((known) => beside.some((other) => same(other.slice(0, before(known).length), before(known)))) ??
    (isAllOfThem(part, line) ? meant((known) => unitsOf(known, series).includes(part.count ?? 0)) : undefined);
  // Once the drive shaft was taken out, "the shaft" is that one, where no other is called so.
  const only = partsEndingIn(series, words).length === 1 ? alike[0]?.name : undefined;
  const isOfBefore =
    only !== undefined &&
    !isOtherOne(words, alike, said) &&
    !isOffElse &&
    !isOfOthers(alike, [...beside, ...inLine], words) &&
    used?.has(only) &&
    !/\b(?:a|an|another|any|some)\s+(?:\w+\s+)?$/i.test(line.slice(0, part.from));
  const meantName = name ?? (isOfBefore ? only : undefined);
  return meantName === undefined ? part : { ...part, name: meantName };
}

/** "Take the nuts off the casing studs", where wing nuts of a guard are all that is known. */
function isOffAnother(alike: readonly PartName[], { to }: SaidPart, line: string): boolean {
  const owner = OFF_WHAT.exec(line.slice(to))?.[1];
  if (owner === undefined || !isPartNoun(owner)) return false;
  const words = partsOf(owner);
  return !alike.some(({ parts }) => parts.slice(0, -1).some((word) => words.includes(word)));
}

const OFF_WHAT =
  /^\s*(?:off|from|out of) (?:the |its |both |all )?([a-z][a-z -]*?)(?=$|[,.;:]| and | with | using | by )/i;

/** "The stator is held by four tie rods, take the rods away": the tie rods. */
function calledBefore({ name, from }: SaidPart, line: string): string | undefined {
  if (!/^[a-z-]+$/i.test(name)) return undefined;
  // "The front cover is held with six nuts, lift the cover away": the front cover.
  const said = new RegExp(
    `\\b(?:(?:by|with|has|have) (?:the |a |an |\\w+ )?|(?:the|a|an|its) |^\\s*(?=[a-z-]+ [a-z]+(?: is| are|'s)))([a-z-]+ ${name})(?=[,.;]|'s| (?:is|are|was|has|with|and|to|in|on|off|from|of|by|at|out|back|down|up|before|after|then)\\b)`,
    'i',
  );
  const whole = said.exec(line.slice(0, from))?.[1]?.toLowerCase();
  const lead = whole?.split(' ')[0] ?? '';
  const isName =
    whole !== undefined &&
    kindFromName(whole) !== 'other' &&
    !STATE.test(lead) &&
    !DETERMINERS.test(lead) &&
    !COUNTS_ON.test(lead);
  return isName && wordsOf(lead)[0]?.value === undefined ? whole : undefined;
}

const COUNTS_ON = /^(?:other|first|second|third|fourth|next|last|remaining)$/;

/**
 * "Both hoses" of a suction and a discharge hose, "all O-rings" of several kinds: each of them. Undefined where the
 * words do not say that all are meant.
 */
export function eachMeant(
  part: SaidPart,
  verb: Verb,
  series: Series,
  { line, recent }: Pick<Beside, 'line' | 'recent'>,
): SaidPart[] | undefined {
  if (part.quoted || byName(series.components, part.name)) return undefined;
  const words = partsOf(part.name);
  const alike = partsEndingIn(series, words);
  const said = /\b(both|all)(?: of)?(?: (?:the|these|those|new|old))*\s+$/i.exec(line.slice(0, part.from))?.[1];
  const { count, fromCount: _number, ...named } = part;
  const areBoth = alike.length === 2 && count === 2 && alike.every((known) => unitsOf(known, series)[1] === 1);
  // "All bolts" of every kind are hardly taken out in one step; all seals may well be renewed.
  const areAll = alike.length > 1 && count === undefined && /^(?:renews|stays)$/.test(verbOf(verb).effect);
  const word = said?.toLowerCase();
  // "The gears" of one idler and one drive gear, where no others are called so.
  const arePair =
    alike.length === 2 &&
    namesSeveral(part.name) &&
    (count === undefined || count === 2) &&
    alike.every((known) => Math.max(...unitsOf(known, series)) === 1) &&
    alike.every(({ parts, name }) => {
      const which = parts.slice(0, -words.length);
      return which.every((word) => SAYS_WHICH.test(word)) && !recent.some((other) => other.name === name);
    }) &&
    !/\b(?:other|new|more|remaining|any|some|no)\s+$/i.test(line.slice(0, part.from));
  return arePair || (word === 'both' && areBoth) || (word === 'all' && areAll)
    ? alike.map(({ name }) => ({ ...named, name }))
    : undefined;
}

/** "Take the upper seal's ring out and pull the seal", where only a lower seal was named so far. */
function isOtherOne(words: readonly string[], named: readonly PartName[], said: string): boolean {
  const which = new RegExp(` (${BY_PLACE}|first|second) ${words.join(' ')} `);
  const [, place] = which.exec(said) ?? [];
  return place !== undefined && !named.some(({ parts }) => parts.includes(place));
}

/** "The coupling spacer, 8 bolts": not those of the bearing frame, which no word of the line names. */
function isOfOthers(
  alike: readonly PartName[],
  beside: readonly (readonly string[])[],
  words: readonly string[],
): boolean {
  if (!FASTENS.test(words.at(-1) ?? '') && !SMALL.test(words.join('-'))) return false;
  const others = beside.filter((parts) => !alike.some(({ key }) => key === parts.join(' ')));
  const owners = new Set(alike.flatMap(({ parts }) => parts.slice(0, -words.length)));
  return others.length > 0 && !others.some((parts) => parts.some((word) => owners.has(word)));
}

const SMALL = /(?:^|-)(?:o-?ring|gasket|washer|circlip)s?$/;

/** "The nut at the end of the shaft" is none of the four staybolt nuts. */
function isOneOfMany({ name }: PartName, part: SaidPart, line: string, series: Series): boolean {
  const known = byName(series.components, name);
  const isMany = known !== undefined && known.count > 1 && known.positionSetId === undefined;
  const isOne = part.count === undefined && !namesSeveral(part.name);
  return isMany && isOne && /(?:\bthe\s+|[.;:]\s*|^\s*)$/i.test(line.slice(0, part.from));
}

const OPPOSITES = [
  ['upper', 'lower'],
  ['top', 'bottom'],
  ['front', 'rear'],
  ['left', 'right'],
  ['inner', 'outer'],
  ['inside', 'outside'],
] as const;

/** "The bottom balls and seats", where there is a top ball seat. */
function isElsewhere({ parts }: PartName, said: string): boolean {
  return OPPOSITES.flatMap(([one, two]) => [[one, two] as const, [two, one] as const]).some(
    ([own, other]) => parts.includes(own) && said.includes(` ${other} `) && !said.includes(` ${own} `),
  );
}

/** "Put the covers back": no back cover. */
const isWay = (word: string) => WAY_WORDS[word] !== undefined;
const same = (one: readonly string[], two: readonly string[]) => one.join(' ') === two.join(' ');

/** The parts of the series that a line names in full. */
function partsIn(line: string, series: Series): string[] {
  const words = wordsOf(line);
  const index = namesOf(series);
  const found: string[] = [];
  for (let at = 0; at < words.length; ) {
    const known = namesAt(index, words, at).find(({ kind }) => kind === 'part');
    if (known) found.push(known.name);
    at += known?.length ?? 1;
  }
  return found;
}

/** One at each place, and all of them. */
function unitsOf({ name }: PartName, series: Series): number[] {
  const part = byName(series.components, name);
  if (part?.several) return [Number.POSITIVE_INFINITY];
  const places = positionSetById(series, part?.positionSetId)?.positions.length ?? 1;
  return part ? [part.count, part.count * places] : [];
}

function hasSoMany(known: PartName, { count, total }: SaidPart, series: Series): boolean {
  const said = total ?? count;
  return said === undefined || said <= Math.max(...unitsOf(known, series));
}

/** "The eight bolts", "all eight": as many as there are. */
function isAllOfThem({ count, fromCount }: SaidPart, line: string): boolean {
  return (
    count !== undefined && fromCount !== undefined && /\b(?:the|all|these|those)\s+$/i.test(line.slice(0, fromCount))
  );
}

/** A part, the last words of some, or what is called as parts are and nobody named yet. */
export function isPartLike(phrase: NounPhrase, series: Series): boolean {
  return isPartOrShort(phrase, series) || isCalledPart(phrase);
}

/** A tool, and called as no part is. */
export function isToolOnly({ known, name, words, pronoun }: NounPhrase, series: Series): boolean {
  if (known) return known.kind === 'tool';
  return (
    !pronoun &&
    ONLY_TOOLS.test(name.toLowerCase()) &&
    kindFromName(name) === 'other' &&
    partsEndingIn(series, partsOf(words.join(' '))).length === 0
  );
}

/** A part, or the last words of some: which of them is asked where it is named. */
export function isPartOrShort({ known, words }: NounPhrase, series: Series): boolean {
  const parts = partsOf(words.join(' '));
  return known ? known.kind === 'part' : partsEndingIn(series, parts).length > 0;
}
