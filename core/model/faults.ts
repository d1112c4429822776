import type { z } from 'zod';

/** Where a document is wrong and why. Paths read like `procedures[0].steps[3].targets[0].componentId`. */
export interface DocumentFault {
  readonly path: string;
  readonly reason: string;
}

export function faultsOf(error: z.ZodError): DocumentFault[] {
  return error.issues.map((issue) => ({ path: pathText(issue.path), reason: issue.message }));
}

function pathText(path: readonly PropertyKey[]): string {
  const text = path.reduce<string>(
    (said, key) => (typeof key === 'number' ? `${said}[${key}]` : said === '' ? String(key) : `${said}.${String(key)}`),
    '',
  );
  return text === '' ? '(file)' : text;
}
