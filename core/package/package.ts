import { z } from 'zod';
import { Procedure } from '../model/procedure';
import { type DocumentFault, procedureReferences, seriesReferences } from '../model/references';
import { Series } from '../model/series';

/** The open format: a series with its procedures, tools and consumables, as one JSON document. */
export const FORMAT_VERSION = 1;
export const FORMAT = `fukusa/${FORMAT_VERSION}` as const;

export const Package = z.strictObject({
  format: z.literal(FORMAT),
  series: Series,
  procedures: z.array(Procedure).max(500),
});
export type Package = z.infer<typeof Package>;

export type PackageReading = { ok: true; package: Package } | { ok: false; faults: DocumentFault[] };

/** Parses the text of a package file; every fault is named, not only the first. */
export function parsePackage(text: string): PackageReading {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    return refuse('(file)', `is not JSON: ${error instanceof Error ? error.message : String(error)}`);
  }
  return readPackage(json);
}

export function readPackage(json: unknown): PackageReading {
  const format = typeof json === 'object' && json !== null && 'format' in json ? json.format : undefined;
  if (typeof format !== 'string' || !/^fukusa\/\d+$/.test(format)) {
    return refuse('format', `is not a Fukusa package: "format" must be "${FORMAT}"`);
  }
  if (Number(format.slice('fukusa/'.length)) > FORMAT_VERSION) {
    return refuse(
      'format',
      `is "${format}", from a newer version; this one reads up to "${FORMAT}". Update and try again`,
    );
  }
  const parsed = Package.safeParse(json);
  if (!parsed.success) return { ok: false, faults: faultsOf(parsed.error) };
  const { series, procedures } = parsed.data;
  const faults = [
    ...seriesReferences(series),
    ...procedures.flatMap((procedure, i) => procedureReferences(procedure, series, `procedures[${i}]`)),
  ];
  return faults.length > 0 ? { ok: false, faults } : { ok: true, package: parsed.data };
}

export function packageOf(series: Series, procedures: readonly Procedure[]): Package {
  return { format: FORMAT, series, procedures: [...procedures] };
}

/** The same package under fresh ids, so that it can stand beside the one it was copied from. */
export function copyOf(original: Package, newId: () => string): Package {
  const seriesId = newId();
  const fresh = new Map(original.procedures.map((procedure) => [procedure.id, newId()]));
  return {
    ...original,
    series: { ...original.series, id: seriesId },
    procedures: original.procedures.map((procedure) => {
      const takesOver = procedure.takesOver && (fresh.get(procedure.takesOver) ?? procedure.takesOver);
      return { ...procedure, id: fresh.get(procedure.id) ?? newId(), seriesId, ...(takesOver && { takesOver }) };
    }),
  };
}

/** JSON Schema (draft 2020-12) of the format, generated from the schemas that validate it. */
export function packageJsonSchema(): object {
  return {
    title: 'Fukusa package',
    description: `A pump series and its work instructions, format ${FORMAT}.`,
    ...z.toJSONSchema(Package, { io: 'input' }),
  };
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

function refuse(path: string, reason: string): PackageReading {
  return { ok: false, faults: [{ path, reason }] };
}
