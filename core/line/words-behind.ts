/* Where plain words go on behind what a sign says: "@each bore, lips down", "/soft hammer, alternate sides". */

import { torqueWithMore } from '../language/en/grammar/names/torque-text';
import type { Series } from '../model/series';
import { findTool, readPositions } from './behind-signs';
import type { Segment } from './segments';
import { tighteningSaid } from './tightening-said';

/** The segments of a line, each ending where plain words go on, and those words as segments of their own. */
export function withWordsBehind(segments: readonly Segment[], series: Series): Segment[] {
  return segments.flatMap((segment) => {
    const length = lengthOfSaid(segment, series);
    if (length >= segment.text.length) return [segment];
    const at = segment.from + length;
    return [
      { ...segment, text: segment.text.slice(0, length), to: at },
      { sign: 'said', text: segment.text.slice(length), from: at, to: segment.to },
    ];
  });
}

/** How much of the text behind a sign belongs to it. */
function lengthOfSaid({ sign, text }: Segment, series: Series): number {
  switch (sign) {
    case '@':
      return beforeWords(
        text,
        (head, tail) => readPositions(head, series) !== undefined && !readPositions(tail, series),
      );
    case '/':
      return beforeWords(text, (head, tail) => {
        const [next = ''] = tail.split(',');
        const isSize =
          /\d/.test(next) || !/\S\s+\S/.test(next.trim()) || findTool(series, `${head},${next}`) !== undefined;
        return !(isSize && !head.includes(','));
      });
    case '~':
      return beforeWords(text, (head) => /^\s*\d+(?:[.,]\d+)?\s*(?:min|minutes?)?\.?$/i.test(head));
    case '=': {
      const behind = torqueWithMore(text);
      if (!behind || !/^[,;]/.test(behind.more) || Object.keys(tighteningSaid(behind.more)).length > 0)
        return text.length;
      return text.length - behind.more.length;
    }
    default:
      return text.length;
  }
}

/** Up to the first comma at which plain words go on. */
function beforeWords(text: string, goesOn: (head: string, tail: string) => boolean): number {
  for (let at = text.indexOf(','); at >= 0; at = text.indexOf(',', at + 1))
    if (goesOn(text.slice(0, at).trim(), text.slice(at + 1).trim())) return at;
  return text.length;
}

/** The plain words of a line, each where it stands in it; what is kept is read as words too. */
export function plainWords(typed: string, segments: readonly Segment[], kept?: Segment['sign']): string {
  let words = '';
  for (const { sign, from, to } of segments)
    if (sign === 'said' || sign === kept) words = words.padEnd(from) + typed.slice(from, to);
  return words;
}
