import { z } from 'zod';
import { type DocumentFault, faultsOf, type Problem } from '../model/faults';
import { DOCUMENT_FORMAT, migrateProcedure, migrateSeries } from '../model/migrations/migrate';
import { impurities } from '../model/plain';
import { Procedure } from '../model/procedure';
import { chainReferences, procedureReferences, seriesReferences, twice } from '../model/references';
import { Series } from '../model/series';

/** The open format: a series with its procedures, tools and consumables, as one JSON document. */
export const FORMAT = `fukusa/${DOCUMENT_FORMAT}` as const;

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
    return refuse('(file)', { is: 'not-json', detail: error instanceof Error ? error.message : String(error) });
  }
  return readPackage(json);
}

/** Reads a package of this format or of an earlier one. */
export function readPackage(json: unknown): PackageReading {
  const reading = readDocuments(json);
  if (!reading.ok) return reading;
  const faults = referenceFaults(reading.package);
  return faults.length > 0 ? { ok: false, faults } : reading;
}

/**
 * The documents of a package file whose shape is right, and what in them points at nothing; undefined when the shape is
 * wrong. For looking at a package that could not be taken in.
 */
export function inspectPackage(text: string): { package: Package; faults: DocumentFault[] } | undefined {
  try {
    const reading = readDocuments(JSON.parse(text));
    return reading.ok ? { package: reading.package, faults: referenceFaults(reading.package) } : undefined;
  } catch {
    return undefined;
  }
}

function referenceFaults({ series, procedures }: Package): DocumentFault[] {
  return [
    ...twice(procedures, 'procedures'),
    ...seriesReferences(series),
    ...procedures.flatMap((procedure, i) => procedureReferences(procedure, series, `procedures[${i}]`)),
    ...chainReferences(procedures),
  ];
}

function readDocuments(json: unknown): PackageReading {
  const format = typeof json === 'object' && json !== null && 'format' in json ? json.format : undefined;
  if (typeof format !== 'string' || !/^fukusa\/\d+$/.test(format)) {
    return refuse('format', { is: 'not-a-package', format: FORMAT });
  }
  const version = Number(format.slice('fukusa/'.length));
  if (version > DOCUMENT_FORMAT) {
    return refuse('format', { is: 'newer-format', format, reads: FORMAT });
  }
  const impure = impurities(json);
  if (impure.length > 0) return { ok: false, faults: impure };
  const parsed = Package.safeParse(broughtUp(json as { series?: unknown; procedures?: unknown }, version));
  if (!parsed.success) return { ok: false, faults: faultsOf(parsed.error) };
  return { ok: true, package: parsed.data };
}

function broughtUp(json: { series?: unknown; procedures?: unknown }, version: number): unknown {
  const { series, procedures } = json;
  return {
    ...json,
    format: FORMAT,
    series: migrateSeries(series, version),
    ...(Array.isArray(procedures) && {
      procedures: procedures.map((procedure) => migrateProcedure(procedure, version, series)),
    }),
  };
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

function refuse(path: string, problem: Problem): PackageReading {
  return { ok: false, faults: [{ path, problem }] };
}
