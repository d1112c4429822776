import type { z } from 'zod';

/** What a schema refuses besides the shape of things; said by the language. */
export const SCHEMA_PROBLEMS = [
  'empty',
  'no-torque',
  'no-length',
  'no-such-quantity',
  'not-above-zero',
  'below-zero',
  'too-short-a-reason',
  'no-photo',
  'ends-before-start',
  'range-in-two-dimensions',
  'range-falls',
  'no-id',
  'replaces-nothing',
  'no-caution',
  'no-such-time',
] as const;
type SchemaProblem = (typeof SCHEMA_PROBLEMS)[number];

/** What a document may point at. */
export const POINTED_AT = [
  'component',
  'tool',
  'consumable',
  'position',
  'position-set',
  'kit',
  'series',
  'procedure',
  'step',
  'block',
  'picture',
  'answer',
] as const;
export type PointedAt = (typeof POINTED_AT)[number];

/** Why a place in a document is refused. */
export type Problem =
  | { readonly is: SchemaProblem | 'waits-for-itself' | 'ring-of-modules' | 'unprintable' | 'no-number' }
  /** In the words of a schema of its own, as the server has some. */
  | { readonly is: 'said'; readonly words: string }
  | { readonly is: 'not-json'; readonly detail: string }
  | { readonly is: 'not-a-package'; readonly format: string }
  | { readonly is: 'newer-format'; readonly format: string; readonly reads: string }
  | { readonly is: 'type'; readonly expected: string }
  | { readonly is: 'choice'; readonly values: readonly string[] }
  | { readonly is: 'least' | 'most'; readonly limit: number; readonly of: 'number' | 'letters' | 'items' }
  | { readonly is: 'unknown-fields'; readonly fields: readonly string[] }
  | { readonly is: 'malformed'; readonly what: string }
  | { readonly is: 'absent'; readonly what: PointedAt; readonly id: string }
  | { readonly is: 'twice' | 'sits-in-itself' | 'asks-nothing' | 'other-series'; readonly id: string };

/** Where a document is wrong and why. Paths read like `procedures[0].steps[3].targets[0].componentId`. */
export interface DocumentFault {
  readonly path: string;
  readonly problem: Problem;
}

export function faultsOf(error: z.ZodError): DocumentFault[] {
  return error.issues.map((issue) => ({ path: pathText(issue.path), problem: problemOf(issue) }));
}

/** How the schema library begins what it says by itself. */
const USUAL_MESSAGE = /^(Too (small|big)|Invalid|Unrecognized|Expected)/;

function problemOf(issue: z.core.$ZodIssue): Problem {
  const said = SCHEMA_PROBLEMS.find((problem) => problem === issue.message);
  if (said) return { is: said };
  if (!USUAL_MESSAGE.test(issue.message)) return { is: 'said', words: issue.message };
  switch (issue.code) {
    case 'invalid_type':
      return { is: 'type', expected: issue.expected };
    case 'invalid_value':
      return { is: 'choice', values: issue.values.map(String) };
    case 'invalid_union':
      return issue.discriminator === undefined
        ? { is: 'malformed', what: 'value' }
        : { is: 'malformed', what: issue.discriminator };
    case 'too_small':
      return { is: 'least', limit: Number(issue.minimum), of: unitOf(issue.origin) };
    case 'too_big':
      return { is: 'most', limit: Number(issue.maximum), of: unitOf(issue.origin) };
    case 'unrecognized_keys':
      return { is: 'unknown-fields', fields: issue.keys };
    case 'invalid_format':
      return { is: 'malformed', what: issue.format };
    default:
      return { is: 'malformed', what: 'value' };
  }
}

function unitOf(origin: string): 'number' | 'letters' | 'items' {
  return origin === 'string' ? 'letters' : origin === 'array' || origin === 'set' ? 'items' : 'number';
}

function pathText(path: readonly PropertyKey[]): string {
  const text = path.reduce<string>(
    (said, key) => (typeof key === 'number' ? `${said}[${key}]` : said === '' ? String(key) : `${said}.${String(key)}`),
    '',
  );
  return text === '' ? '(file)' : text;
}
