import { capital } from '../language/en/counted';
import { movesParts, type SaidBefore } from '../language/en/grammar/acts/reading';
import { doubtAboutName } from '../language/en/grammar/names/name-doubts';
import type { Doubt, SaidAct, SaidPart } from '../language/en/grammar/names/said';
import { eachMeant, inFull } from '../language/en/grammar/names/short-names';
import { doubtAboutStuff, stuffMeant } from '../language/en/grammar/names/stuff-doubts';
import { doubtAboutTool, toolMeant } from '../language/en/grammar/names/tool-doubts';
import { readSaid } from '../language/en/grammar/read-said';
import { FASTENS, isToolName } from '../language/en/grammar/words/lexicon';
import { partsOf } from '../language/en/grammar/words/words';
import { positionSetById } from '../model/lookup';
import { byName, pluralName } from '../model/names';
import type { Series } from '../model/series';
import { verbOf } from '../model/verbs';
import { readDirection } from '../reading/en/direction-words';
import type { LineFault, OpenStep, ParsedStep } from './parsed-step';
import { readSign } from './read-sign';
import { splitLine } from './segments';
import { plainWords, withWordsBehind } from './words-behind';

/** What a line says of the step in hand without being a step: a caution, a torque, a tool. */
export type ParsedNote = Omit<ParsedStep, 'verb' | 'parts' | 'about' | 'into'>;

export interface ParsedLine {
  /** What is done, one after the other. */
  readonly steps: readonly ParsedStep[];
  readonly note: ParsedNote | undefined;
  readonly faults: readonly LineFault[];
  /** What has to be asked before the line is added. */
  readonly doubts: readonly Doubt[];
}

/**
 * Reads a typed line against the names of a series. `before` is what the step in hand is about, for "it" and "them".
 * Nothing is guessed: what could mean several things is among the doubts.
 */
export function parseLine(line: string, series: Series, before: SaidBefore = { parts: [] }): ParsedLine {
  const typed = withoutCapsLock(line);
  const segments = withWordsBehind(splitLine(typed), series);
  const plain = plainWords(typed, segments);
  const read = readSaid(plain, series, before);
  // "Valve caps =45 N·m": what is named is tightened.
  const isBare = read.acts.length === 0 && plain.trim() !== '' && segments.some(({ sign }) => sign === '=');
  const figured = isBare ? readSaid(plainWords(typed, segments, '='), series, before) : undefined;
  const isTightened = figured !== undefined && figured.acts.length > 0;
  const words = isTightened ? plainWords(typed, segments, '=') : plain;
  const said = isTightened ? figured : read;
  const faults: LineFault[] = [];
  const doubts: Doubt[] = [];
  for (const doubt of said.doubts) {
    if (doubt.kind === 'verb') faults.push({ kind: 'no-verb', word: doubt.text });
    else doubts.push(doubt);
  }
  const acts = said.acts.map((act, i) => ({
    ...act,
    applied: act.applied.map((one) => stuffMeant(one, series)),
    parts: act.parts.flatMap((part) => {
      const inLine = said.acts.slice(0, i).flatMap(partsOfAct);
      const recent = [...before.parts, ...inLine];
      const named = inLine.map(({ name }) => name);
      return (
        eachMeant(part, act.verb, series, { line: words, recent }) ?? [
          allBut(
            inFull(part, series, { line: words, recent, used: before.used, out: outBefore(act, before), named }),
            series,
          ),
        ]
      );
    }),
    tools: act.tools.map((tool) => toolMeant(tool, series, typed)),
  }));
  const steps = acts.map((act) => openStep(act, series));
  doubts.push(...acts.flatMap((act, i) => outAlready(act, acts.slice(0, i), before, series)));
  const note: OpenStep | undefined = steps.length === 0 ? openStep({ ...NO_ACT, ...said.note }, series) : undefined;
  const signs = segments.filter(({ sign }) => sign !== 'said');
  const isMixed = segments.length - signs.length > 1;
  for (const segment of signs) {
    // Words that go on behind a sign may be another step; the sign belongs to what was said before it.
    const saidBefore = isMixed ? readSaid(words.slice(0, segment.from), series, before).acts.length : steps.length;
    const signed = steps[saidBefore - 1] ?? note ?? steps[0];
    if (signed) readSign(segment, signed, series, faults);
  }
  // What stands behind a sign is meant as it is typed, as is what stands in quotes.
  const isSaid = (name: string) => words.toLowerCase().includes(name.toLowerCase()) && !words.includes(`"${name}"`);
  const named = new Set<number>();
  for (const step of note ? [note] : steps) {
    if (steps.length > 0 && needsPart(step)) faults.push({ kind: 'no-part', verb: step.verb });
    doubts.push(
      ...doubtsAbout(step, series, named),
      ...step.tools.flatMap((tool) => doubtAboutTool(tool, series, typed) ?? []),
      ...step.applied.flatMap(({ name }) => (isSaid(name) ? (doubtAboutStuff(name, series, typed) ?? []) : [])),
    );
    for (const { from } of step.parts) named.add(from);
  }
  const saysNothing = steps.length === 0 && doubts.length === 0 && (!note || isEmpty(note));
  if (saysNothing && faults.length === 0) faults.push({ kind: 'no-verb', word: '' });
  return { steps, note: saysNothing ? undefined : note, faults, doubts: doubts.sort((a, b) => a.from - b.from) };
}

/** A line in capitals throughout is read as if Caps Lock were off; units keep theirs. */
function withoutCapsLock(line: string): string {
  if (/\p{Ll}/u.test(line) || !/\p{Lu}{3,}.*\s.*\p{Lu}{2,}/u.test(line)) return line;
  const low = line.toLowerCase().replace(/(?<=\d\s?)n(?=·?m\b)/g, 'N');
  return low.length === line.length ? low : line;
}

/** What is out by then, where an act takes something out of the pump and of nothing that is named. */
function outBefore({ verb, how }: SaidAct, { out }: SaidBefore): ReadonlySet<string> | undefined {
  const isTaken = verbOf(verb).effect === 'takes' && !how.some((told) => OUT_OF.test(told));
  return isTaken ? out : undefined;
}

/** "Remove the circlip", which a step before took out: another one, or a slip. */
function outAlready(act: SaidAct, earlier: readonly SaidAct[], before: SaidBefore, series: Series): Doubt[] {
  const out = outBefore(act, before);
  return act.parts.flatMap(({ name, quoted, from, to }): Doubt[] => {
    const known = byName(series.components, name);
    const isBack = earlier.some(
      ({ verb, parts }) => verbOf(verb).effect !== 'stays' && parts.some((part) => part.name === name),
    );
    return known && !quoted && !isBack && out?.has(known.name)
      ? [{ kind: 'out-already', from, to, text: name, offers: [`"${name}"`] }]
      : [];
  });
}

/** Where a part is taken out of, that came out with it before. */
const OUT_OF = /^(?:out|off|from|away from)\b/i;

/** "All but two of the bolts" are as many as the series has, but two. */
function allBut(part: SaidPart, series: Series): SaidPart {
  const { but, ...named } = part;
  const count = byName(series.components, part.name)?.count ?? 0;
  return but !== undefined && count > but ? { ...named, count: count - but, total: count } : part;
}

const partsOfAct = ({ parts }: SaidAct) => parts;

const NO_ACT = { verb: 'wait', parts: [], tools: [], applied: [], positionIds: [], looks: [], renewIf: [] } as const;

/** Whether nothing at all is said in a step but its verb. */
function isEmpty({ verb: _verb, ...said }: OpenStep): boolean {
  return Object.values(said).every((value) => value === undefined || (Array.isArray(value) && value.length === 0));
}

function needsPart({ verb, parts, about }: OpenStep): boolean {
  const { object, effect } = verbOf(verb);
  return object === 'parts' && parts.length === 0 && !(effect === 'stays' && about);
}

function openStep(act: SaidAct, series: Series): OpenStep {
  const { faces, figure, how, why, about, into, minutes, positionSetId } = act;
  const parts = act.parts.map((part) => countedAtPlaces(part, series, how));
  return {
    verb: act.verb,
    parts: parts.map(({ part }) => part),
    tools: [...act.tools],
    positionIds: [...act.positionIds],
    cautions: act.cautions.map(({ signal, text }) => ({ signal, text: capital(text) })),
    applied: [...act.applied],
    looks: [...act.looks],
    renewIf: [...act.renewIf],
    ...(about && { about }),
    ...(into && { into }),
    ...withText('detail', [...parts.flatMap(({ how: which }) => which ?? []), ...how]),
    ...withText('why', why),
    ...(positionSetId && { positionSetId }),
    ...(minutes !== undefined && { minutes }),
    ...(faces && { faces: { end: faces.end, toward: readDirection(faces.toward, series) } }),
    ...(figure && {
      torque: {
        figure: { value: figure.value, unit: figure.unit },
        ...(figure.tolerancePercent !== undefined && { tolerancePercent: figure.tolerancePercent }),
        ...(figure.also && { also: figure.also }),
      },
    }),
  };
}

function withText<K extends string>(key: K, said: readonly string[]): Partial<Record<K, string>> {
  const text = said
    .map((one) => one.trim())
    .filter(Boolean)
    .join(', ');
  return text ? ({ [key]: text } as Partial<Record<K, string>>) : {};
}

/** "The outside two plungers" of one at each rod are two places and not two at each: that stays in words. */
function countedAtPlaces(part: SaidPart, series: Series, how: readonly string[]): { part: SaidPart; how?: string } {
  const known = byName(series.components, part.name);
  const places = positionSetById(series, known?.positionSetId)?.positions.length ?? 1;
  const { count, total: _total, ...rest } = part;
  if (!known || count === undefined || places === 1 || count <= known.count) return { part };
  if (count === known.count * places) return { part: rest };
  return count < known.count * places && how.length > 0 ? { part: rest, how: String(count) } : { part };
}

function doubtsAbout(step: OpenStep, series: Series, named: ReadonlySet<number>): Doubt[] {
  const screws =
    step.verb === 'torque' && step.torque ? step.parts.flatMap((part) => screwsOf(part, series, named)) : [];
  if (screws.length > 0) return screws;
  return step.parts.flatMap((part) => {
    const odd = doubtAboutName(part, series, movesParts(step.verb));
    const isLine = /^(?:dis)?connect$/.test(step.verb) && odd?.kind === 'odd-name' && isToolName(partsOf(part.name));
    if (odd && !isLine) return [odd];
    // How many are left is not known.
    if (part.but !== undefined)
      return [{ kind: 'count' as const, from: part.from, to: part.to, text: part.name, offers: [] }];
    const known = byName(series.components, part.name);
    const most = known?.count;
    const said = part.total ?? part.count;
    if (most === undefined || said === undefined || said <= most || part.quoted || known?.several) return [];
    const { fromCount = part.from, to, name } = part;
    const names = most === 1 ? name : pluralName(name);
    return [
      {
        kind: 'count' as const,
        from: fromCount,
        to,
        text: `${said} ${names}`,
        offers: [`${most} ${names}`, `${said} "${name}"`],
      },
    ];
  });
}

/**
 * "Air valve on, 5 N·m", where there are air valve screws: they are tightened, or what they hold. Behind "it" there is no
 * place for another name.
 */
function screwsOf({ name, quoted, from, to }: SaidPart, series: Series, named: ReadonlySet<number>): Doubt[] {
  if (quoted || FASTENS.test(name)) return [];
  const own = partsOf(name).join(' ');
  const screws = series.components.filter(
    (other) => FASTENS.test(other.name) && partsOf(other.name).slice(0, -1).join(' ') === own,
  );
  if (screws.length === 0) return [];
  const offers = named.has(from) ? [] : screws.map((screw) => (screw.count > 1 ? pluralName(screw.name) : screw.name));
  return [{ kind: 'held-by-others', from, to, text: name, offers: [...offers, `"${name}"`] }];
}
