import { readUnit } from '../../../quantity/units';
import type { Doubt, SaidAct, SaidNote } from './names/said';
import { isToolName } from './words/lexicon';
import { partsOf, type Word } from './words/words';

/** Words that say nothing by themselves, or that are kept as something else than words. */
const EMPTY = new Set(
  `actually the a an your its their his my our this that these those some any all each every both of and or then next now first
  firstly secondly finally lastly please just simply so okay ok also well right afterwards alright to with using use by
  from off out in into on onto at for until over up down away back aside apart together loose free clear via means while
  you we i he she it they them one ones it's is are was be can will would should must have has need want get gets go going let do
  does make sure ahead remember forget try time thing step again new fresh old used same original existing spare
  replacement pair set both but plus per not n't if whether signs sign facing pointing toward towards good idea best better important
  worth suitable helps pays wise easier necessary too as minutes minute min mins hour hours h seconds second sec half quarter percent cent minus goes comes come danger
  warning caution notice attention important through around side dozen round looking turned there job work bit against clean along kindly pcs pc nos x`
    .split(/\s+/)
    .filter(Boolean),
);

/** Words of a line that are found in nothing that was understood of it: they would be lost without a word. */
export function lostWords(
  words: readonly Word[],
  acts: readonly SaidAct[],
  note: SaidNote,
  verbs: readonly string[],
): Doubt | undefined {
  const kept = new Set([
    ...verbs.flatMap((phrase) => partsOf(phrase)),
    ...verbs.flatMap((phrase) => phrase.split(' ')),
  ]);
  for (const text of [...textsOf(note), ...acts.flatMap(textsOf)])
    for (const word of text.toLowerCase().match(/[\p{L}\p{M}']+|\d+(?:[.,/-]\d+)*/gu) ?? [])
      for (const part of [word, ...partsOf(word)]) kept.add(part);
  const numbers = new Set(acts.flatMap(numbersOf));
  // What belongs to a figure or a time is read with it.
  const isMeasured = acts.some(({ figure, minutes }) => figure !== undefined || minutes !== undefined);
  // A tool may be known by another name.
  const hasTools = acts.some(({ tools }) => tools.length > 0);
  const lost = words.filter(({ low, value, parts }, i) => {
    // "(12)" stands behind its number, or points at a drawing.
    if (value !== undefined && words[i - 1]?.low === '(' && /^(?:\)|pcs?|pieces?|off)$/.test(words[i + 1]?.low ?? ''))
      return false;
    // "With one wrench".
    if (value === 1 && hasTools) return false;
    if (value !== undefined) return !isMeasured && !kept.has(low) && !kept.has(String(value)) && !numbers.has(value);
    if (!/\p{L}/u.test(low) || EMPTY.has(low) || isUnit(low) || (hasTools && isToolName([low]))) return false;
    if (low === 'after' && words[i + 1]?.low === 'that') return false;
    return (
      !low
        .split(/[^\p{L}\p{M}']+/u)
        .every(
          (piece) =>
            piece === '' || EMPTY.has(piece) || kept.has(piece) || partsOf(piece).every((one) => kept.has(one)),
        ) && !parts.every((part) => kept.has(part))
    );
  });
  const [first] = lost;
  const last = lost.at(-1);
  if (!first || !last) return undefined;
  const text = lost.map(({ low }) => low).join(' ');
  return { kind: 'unread', from: first.from, to: first.to, text, offers: [] };
}

function isUnit(low: string): boolean {
  return readUnit(low) !== undefined || UNIT_PIECE.test(low);
}

/** What a unit of several words is made of. */
const UNIT_PIECE =
  /^(?:m|newton\w*|met(?:re|er)s?|millimet\w*|foot|feet|ft|lbs?f?|pounds?|(?:inch|foot|newton|pound)-\w+|degrees?|turns?|three-quarter|between)$/;

function numbersOf({ parts, tools }: SaidAct): number[] {
  return [...parts.flatMap(({ count, total, but }) => [count, total, but]), ...tools.map(({ count }) => count)].flatMap(
    (number) => number ?? [],
  );
}

function textsOf(said: SaidNote | SaidAct): string[] {
  const texts = [...said.how, ...said.why, ...said.cautions.map(({ text }) => text)];
  if (!('verb' in said)) return texts;
  const { parts, about, into, tools, applied, faces, looks, renewIf, positionNames = [] } = said;
  return [
    ...texts,
    ...parts.map(({ name }) => name),
    about ?? '',
    into ?? '',
    ...tools.flatMap(({ name, size }) => [name, size ?? '']),
    ...applied.flatMap(({ name, where, amount }) => [name, where ?? '', amount ?? '']),
    faces ? `${faces.end} ${faces.toward}` : '',
    ...looks,
    ...renewIf,
    ...positionNames,
  ];
}
