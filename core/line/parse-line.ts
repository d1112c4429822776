import type { Faces } from '../model/faces';
import { byName, nameKey } from '../model/names';
import type { SignalWord } from '../model/procedure';
import type { Series } from '../model/series';
import { toolLabel } from '../model/series';
import { type Verb, verbOf } from '../model/verbs';
import { type Quantity, readQuantity } from '../quantity/quantity';
import { readDirection } from '../reading/en/direction-words';
import { splitManner } from '../reading/en/remark-words';
import { readVerb } from '../reading/en/verb-words';

/**
 * The line at the bottom of the author screen: a step as one would say it.
 *
 *   verb [count] part[, part ...] [into place] /tool[, size] @position +put on[, where] >end to where it looks
 *   !caution =torque ~minutes ?photo must show
 *
 * A sign counts only at the start of a word, so "1/2 in" and "N·m" need no quoting. `!!` is WARNING, `!!!` DANGER.
 */
export const SIGNS = ['/', '@', '+', '>', '!', '=', '~', '?'] as const;
export type Sign = (typeof SIGNS)[number];

export interface Segment {
  readonly sign: Sign | 'said';
  readonly text: string;
  /** Character offsets of the text, sign excluded, in the typed line. */
  readonly from: number;
  readonly to: number;
}

export interface NamedPart {
  readonly name: string;
  readonly count?: number;
}

export type LineFault =
  | { kind: 'no-verb'; word: string }
  | { kind: 'no-part'; verb: Verb }
  | { kind: 'unknown-position'; text: string }
  | {
      kind: 'bad-torque';
      text: string;
      reason: 'no-number' | 'no-unit' | 'unknown-unit' | 'other-dimension' | 'negative';
    }
  | { kind: 'bad-minutes'; text: string }
  | { kind: 'bad-faces'; text: string };

export interface ParsedLine {
  readonly verb: Verb | undefined;
  readonly parts: readonly NamedPart[];
  readonly about: string | undefined;
  readonly into: string | undefined;
  /** What a look is for, or what to clean with: "check the vanes for wear". */
  readonly detail: string | undefined;
  readonly tools: readonly string[];
  readonly positionIds: readonly string[];
  readonly positionSetId: string | undefined;
  readonly cautions: readonly { signal: SignalWord; text: string }[];
  readonly torque: Quantity | undefined;
  readonly minutes: number | undefined;
  readonly photo: string | undefined;
  /** Grease, oil or compound, and where it goes. */
  readonly applied: readonly { name: string; where?: string }[];
  readonly faces: Faces | undefined;
  readonly faults: readonly LineFault[];
}

export function splitLine(typed: string): Segment[] {
  const starts: { sign: Sign | 'said'; at: number; skip: number }[] = [{ sign: 'said', at: 0, skip: 0 }];
  for (const match of typed.matchAll(/(^|\s)(!{1,3}|[/@=~?]|[+>](?=\S))/g)) {
    const mark = match[2] ?? '';
    starts.push({ sign: mark[0] as Sign, at: match.index + (match[1]?.length ?? 0), skip: mark[0] === '!' ? 0 : 1 });
  }
  return starts.flatMap(({ sign, at, skip }, i) => {
    const from = at + skip;
    const to = starts[i + 1]?.at ?? typed.length;
    return to > from || sign !== 'said' ? [{ sign, text: typed.slice(from, to), from, to }] : [];
  });
}

export function parseLine(typed: string, series: Series): ParsedLine {
  const segments = splitLine(typed);
  const faults: LineFault[] = [];
  const said = segments.find((segment) => segment.sign === 'said')?.text.trim() ?? '';
  const opening = readVerb(said, (words) => byName(series.components, words) !== undefined);
  if (!opening) faults.push({ kind: 'no-verb', word: said.split(/\s+/)[0] ?? '' });

  const object = opening
    ? readObject(opening.verb, opening.rest)
    : { parts: [], about: undefined, into: undefined, detail: undefined };
  if (opening && verbOf(opening.verb).object === 'parts' && object.parts.length === 0) {
    faults.push({ kind: 'no-part', verb: opening.verb });
  }

  let torque: Quantity | undefined;
  let minutes: number | undefined;
  let remark = object.detail;
  let photo: string | undefined;
  let positionSetId: string | undefined;
  const positionIds: string[] = [];
  const tools: string[] = [];
  const applied: { name: string; where?: string }[] = [];
  let faces: Faces | undefined;
  const cautions: { signal: SignalWord; text: string }[] = [];

  for (const { sign, text } of segments) {
    const words = text.trim();
    if (sign === 'said' || words === '') continue;
    switch (sign) {
      case '/':
        tools.push(words.replace(/\s+/g, ' '));
        break;
      case '@': {
        const [where = '', more] = words.split(/\s+(?=(?:for|with|until)\s)/i);
        const whole = readPositions(words, series);
        const found = whole ?? readPositions(where, series);
        if (found && !whole) remark = [remark, more].filter(Boolean).join(', ');
        if (!found) faults.push({ kind: 'unknown-position', text: words });
        else {
          positionSetId ??= found.positionSetId;
          positionIds.push(...found.positionIds);
        }
        break;
      }
      case '+': {
        const { name, size: where } = splitTool(words);
        applied.push({ name, ...(where && { where }) });
        break;
      }
      case '>': {
        const [, end, toward] =
          /^(.+?)\s+(?:facing\s+)?(away\s+from\s+.+)$/i.exec(words) ??
          /^(.+?)\s+(?:to|toward|towards|facing)\s+(.+)$/i.exec(words) ??
          /^(.+?)\s+((?:up|down|out|in)(?:wards?)?)$/i.exec(words) ??
          [];
        if (end && toward) faces = { end, toward: readDirection(toward, series) };
        else faults.push({ kind: 'bad-faces', text: words });
        break;
      }
      case '!': {
        const marks = /^!*/.exec(words)?.[0].length ?? 1;
        const body = words.slice(marks).trim();
        if (body) cautions.push({ signal: marks >= 3 ? 'DANGER' : marks === 2 ? 'WARNING' : 'CAUTION', text: body });
        break;
      }
      case '=': {
        const reading = readQuantity(words, 'torque');
        if (reading.ok) torque = reading.quantity;
        else faults.push({ kind: 'bad-torque', text: words, reason: reading.fault });
        break;
      }
      case '~': {
        const value = Number(words.replace(/\s*(min|minutes?)\.?$/i, '').replace(',', '.'));
        if (Number.isFinite(value) && value >= 0) minutes = value;
        else faults.push({ kind: 'bad-minutes', text: words });
        break;
      }
      case '?':
        photo = words;
        break;
    }
  }
  return {
    verb: opening?.verb,
    ...object,
    detail: remark,
    tools,
    positionIds,
    positionSetId,
    cautions,
    torque,
    minutes,
    photo,
    applied,
    faces,
    faults,
  };
}

function readObject(verb: Verb, rest: string): Pick<ParsedLine, 'parts' | 'about' | 'into' | 'detail'> {
  const { effect, object: acts } = verbOf(verb);
  const [done, manner] = acts === 'parts' ? splitManner(rest) : [rest, undefined];
  const [object = '', into] = effect === 'refits' ? splitInto(done) : [done, undefined];
  if (acts === 'words')
    return { parts: [], about: object.replace(/^of\s+/i, '') || undefined, into, detail: undefined };
  const [named = '', detail = manner] = object.split(DETAIL[verb] ?? /$^/);
  const parts = named
    .split(/\s*,\s*|\s+(?:and|\+)\s+/i)
    .map((name) => name.trim().replace(/^the\s+/i, ''))
    .filter((name) => name !== '')
    .map((name): NamedPart => {
      const counted = /^(\d{1,2})\s+(?:x\s+)?(\D.*)$/.exec(name);
      return counted ? { name: counted[2] ?? name, count: Number(counted[1]) } : { name };
    });
  return { parts, about: undefined, into, detail };
}

/** Where the name of a part ends and what to look for, or what to clean it with, begins. */
const DETAIL: Readonly<Partial<Record<Verb, RegExp>>> = {
  inspect: /\s+(?=for\s)/i,
  compare: /\s+(?=for\s)/i,
  clean: /\s+(?=with\s)/i,
};

function splitInto(rest: string): [string, string | undefined] {
  const match = /^(.*?)\s+(?:into|onto|in|on|over)\s+(?:the\s+)?(.+)$/i.exec(rest);
  return match ? [match[1] ?? '', match[2]] : [rest, undefined];
}

/** "each shaft", "both ends", "shaft 1", "all": the positions meant, or undefined when the series has none such. */
export function readPositions(
  words: string,
  series: Series,
): { positionSetId: string; positionIds: string[] } | undefined {
  const each = /^(?:each|every|all|both)\s*(.*)$/i.exec(words);
  if (each) {
    const name = each[1] ?? '';
    const set = name === '' ? onlyOne(series.positionSets) : byName(series.positionSets, name);
    return set && { positionSetId: set.id, positionIds: set.positions.map((position) => position.id) };
  }
  for (const set of series.positionSets) {
    const position = set.positions.find((candidate) => nameKey(candidate.name) === nameKey(words));
    if (position) return { positionSetId: set.id, positionIds: [position.id] };
  }
  const set = byName(series.positionSets, words);
  return set && { positionSetId: set.id, positionIds: set.positions.map((position) => position.id) };
}

function onlyOne<T>(list: readonly T[]): T | undefined {
  return list.length === 1 ? list[0] : undefined;
}

/** Splits "ring pusher, 50 mm" into name and size at the first comma. */
export function splitTool(label: string): { name: string; size?: string } {
  const at = label.indexOf(',');
  if (at < 0) return { name: label.trim() };
  const size = label.slice(at + 1).trim();
  return size ? { name: label.slice(0, at).trim(), size } : { name: label.slice(0, at).trim() };
}

/** The tool of the series that `label` names, with or without its size. */
export function findTool(series: Series, label: string) {
  const wanted = nameKey(label);
  return (
    series.tools.find((tool) => nameKey(toolLabel(tool)) === wanted) ??
    (label.includes(',') ? undefined : onlyOne(series.tools.filter((tool) => nameKey(tool.name) === wanted)))
  );
}
