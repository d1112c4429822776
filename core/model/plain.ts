import type { DocumentFault } from './faults';

/**
 * Signs that no text here may hold: control characters except tab and line ends, halves of surrogate pairs, and marks
 * that turn the direction of what follows, with which one name can be made to look like another.
 */
const UNPRINTABLE =
  // biome-ignore lint/suspicious/noControlCharactersInRegex: these are what is looked for
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f\u200e\u200f\u202a-\u202e\u2066-\u2069\ufeff\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;
/** Beyond what anybody measures, and what a database keeps as a whole number. */
const LARGEST = 2 ** 31 - 1;
/** Deeper than any document; what is nested further is no document but a trap. */
const DEEPEST = 64;
const MOST_FAULTS = 20;

/**
 * What is in a value from outside that no document may hold, whatever its schema: texts that cannot be shown or kept,
 * and numbers out of all range. Says where, with paths as schemas tell them.
 */
export function impurities(value: unknown): DocumentFault[] {
  const faults: DocumentFault[] = [];
  visit(value, '', 0);
  return faults;

  function visit(item: unknown, path: string, depth: number): void {
    if (faults.length >= MOST_FAULTS) return;
    if (typeof item === 'string') {
      if (UNPRINTABLE.test(item)) faults.push({ path, problem: { is: 'unprintable' } });
    } else if (typeof item === 'number') {
      if (!Number.isFinite(item) || Math.abs(item) > LARGEST) faults.push({ path, problem: { is: 'no-number' } });
    } else if (Array.isArray(item)) {
      if (depth >= DEEPEST) faults.push({ path, problem: { is: 'malformed', what: 'nesting' } });
      else
        item.forEach((one, at) => {
          visit(one, `${path}[${at}]`, depth + 1);
        });
    } else if (typeof item === 'object' && item !== null) {
      if (depth >= DEEPEST) faults.push({ path, problem: { is: 'malformed', what: 'nesting' } });
      else
        for (const [key, one] of Object.entries(item)) {
          const at = path === '' ? key : `${path}.${key}`;
          if (UNPRINTABLE.test(key)) faults.push({ path, problem: { is: 'unprintable' } });
          else visit(one, at, depth + 1);
        }
    }
  }
}

/** A line of text that stands in lists and on papers: one line, without signs that cannot be shown. */
export function isOneLine(text: string): boolean {
  return !UNPRINTABLE.test(text) && !/[\n\r\u2028\u2029]/.test(text);
}
