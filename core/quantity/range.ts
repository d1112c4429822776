import { readNumber } from './quantity';
import type { Quantity } from './schema';

export interface Range {
  readonly from: Quantity;
  readonly to: Quantity;
}

/** The range that a tool says in its size: "10-60 N·m", "0-25 mm". `read` knows which unit may stand there. */
export function rangeIn(label: string, read: (words: string) => Quantity | undefined): Range | undefined {
  const match = /(\d+(?:[.,]\d+)?)\s*(?:-|–|to|…|\.\.)\s*(\d+(?:[.,]\d+)?)\s*([^\d,;]+)$/i.exec(label.trim());
  const to = match && read(`${match[2]} ${match[3]}`);
  return to ? { from: { value: readNumber(match[1] ?? ''), unit: to.unit }, to } : undefined;
}
