import { readUnit } from '../quantity/units';

/**
 * The line at the bottom of the author screen: a step as one says it, in plain words, or short with signs.
 *
 *   what is done [/tool, size] [@position] [+what is put on, where] [>end to where it faces]
 *   [!caution] [=torque] [~minutes] [?what a photo must show] [*how] [^why]
 *
 * A sign counts only at the start of a word, also with a space behind it, so "1/2 in" and "N·m" need no quoting. `!!` is WARNING, `!!!` DANGER.
 */
const SIGNS = ['/', '@', '+', '>', '!', '=', '~', '?', '*', '^'] as const;
type Sign = (typeof SIGNS)[number];

export interface Segment {
  readonly sign: Sign | 'said';
  readonly text: string;
  /** Character offsets of the text, sign excluded, in the typed line. */
  readonly from: number;
  readonly to: number;
}

/** The words of a line and what stands behind each of its signs, in the order in which they are typed. */
export function splitLine(typed: string): Segment[] {
  const starts: { sign: Sign | 'said'; at: number; skip: number }[] = [{ sign: 'said', at: 0, skip: 0 }];
  for (const match of typed.matchAll(/(^|\s)(!{1,3}|[/@=~?^]|[+*](?=\s?\S)|>(?=\s?\S))/g)) {
    const mark = match[2] ?? '';
    // "Test @ 2 bar" and "worn > 2 mm" are said of a figure, and name no place and no end.
    const [, value, unit = ''] = /^\s(\d\S*)(?:\s(\S+))?/.exec(typed.slice(match.index + match[0].length)) ?? [];
    if ((mark === '>' && value) || (mark === '@' && value && readUnit(unit.replace(/[,.;]$/, '')))) continue;
    // "Scratches = replace" says what follows, and no torque.
    if (mark === '=' && /^\s\p{L}/u.test(typed.slice(match.index + match[0].length))) continue;
    // In plain words "seal + spring" are two things and "M8 * 20" is a size; behind a sign they are signs.
    const isApart = /^[+*]$/.test(mark) && /\s/.test(typed[match.index + match[0].length] ?? '');
    if (
      isApart &&
      starts.length === 1 &&
      !(mark === '*' && /^\s\p{L}/u.test(typed.slice(match.index + match[0].length)))
    )
      continue;
    starts.push({ sign: mark[0] as Sign, at: match.index + (match[1]?.length ?? 0), skip: mark[0] === '!' ? 0 : 1 });
  }
  return starts.flatMap(({ sign, at, skip }, i) => {
    const from = at + skip;
    const to = starts[i + 1]?.at ?? typed.length;
    return to > from || sign !== 'said' ? [{ sign, text: typed.slice(from, to), from, to }] : [];
  });
}
