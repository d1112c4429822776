import { and, asc, desc, eq, sql } from 'drizzle-orm';
import fastJsonPatch, { type Operation } from 'fast-json-patch';
import { releaseStops } from '#core/findings/check';
import { faultsOf } from '#core/package/package';
import { procedureReferences, seriesReferences } from '#core/package/references';
import { type Procedure, Procedure as ProcedureSchema } from '#core/procedure/procedure';
import { type Series, Series as SeriesSchema } from '#core/pump/series';
import { badInput, Fault, notFound } from '../fault';
import type { Database, Queryable } from './database';
import * as table from './schema';

/** RFC 6902 operations, as the author screen sends them. */
export type Patch = readonly Operation[];

export interface Versioned<T> {
  readonly version: number;
  readonly document: T;
  readonly changedAt: string;
  readonly changedBy: string | null;
}

export interface OpenWorkbook {
  readonly series: Versioned<Series>;
  readonly procedure: Versioned<Procedure>;
  readonly releases: readonly ReleaseSummary[];
}

export interface ReleaseSummary {
  readonly id: string;
  readonly number: number;
  readonly procedureVersion: number;
  readonly releasedAt: string;
  readonly releasedBy: string;
  readonly note: string | null;
}

/** Everything on the shelf: series with their procedures and how far each has come. */
export async function readShelf(db: Queryable) {
  const rows = await db.select().from(table.series).orderBy(asc(table.series.name), asc(table.series.code));
  const procedures = await db
    .select({
      id: table.procedure.id,
      seriesId: table.procedure.seriesId,
      title: table.procedure.title,
      version: table.procedure.version,
      changedAt: table.procedure.changedAt,
      document: table.procedure.document,
    })
    .from(table.procedure)
    .orderBy(asc(table.procedure.title));
  const releases = await db
    .select({
      id: table.release.id,
      procedureId: table.release.procedureId,
      number: table.release.number,
      procedureVersion: table.release.procedureVersion,
      releasedAt: table.release.releasedAt,
    })
    .from(table.release)
    .orderBy(desc(table.release.number));
  return rows.map(({ id, name, code, document }) => ({
    id,
    name,
    code,
    pumpType: document.pumpType,
    positions: document.positionSets.map((set) => ({ name: set.name, count: set.positions.length })),
    procedures: procedures
      .filter((row) => row.seriesId === id)
      .map((row) => {
        const latest = releases.find((candidate) => candidate.procedureId === row.id);
        const stops = releaseStops({ series: document, procedure: row.document });
        return {
          id: row.id,
          title: row.title,
          steps: row.document.steps.length,
          changedAt: row.changedAt.toISOString(),
          stops: stops.length,
          firstStop: stops[0]?.sentence ?? null,
          release: latest
            ? { id: latest.id, number: latest.number, releasedAt: latest.releasedAt.toISOString() }
            : null,
          changedSinceRelease: latest ? row.version > latest.procedureVersion : false,
        };
      }),
  }));
}

export async function readSeries(db: Queryable, id: string): Promise<Versioned<Series>> {
  const [row] = await db.select().from(table.series).where(eq(table.series.id, id));
  if (!row) throw notFound('series');
  return versioned(row);
}

export async function readWorkbook(db: Queryable, procedureId: string): Promise<OpenWorkbook> {
  const [row] = await db.select().from(table.procedure).where(eq(table.procedure.id, procedureId));
  if (!row) throw notFound('procedure');
  return {
    series: await readSeries(db, row.seriesId),
    procedure: versioned(row),
    releases: await listReleases(db, procedureId),
  };
}

export async function proceduresOf(db: Queryable, seriesId: string): Promise<Procedure[]> {
  const rows = await db
    .select()
    .from(table.procedure)
    .where(eq(table.procedure.seriesId, seriesId))
    .orderBy(asc(table.procedure.title));
  return rows.map((row) => row.document);
}

export async function addSeries(db: Queryable, document: Series, by: string): Promise<void> {
  refuseFaults(seriesReferences(document));
  await db
    .insert(table.series)
    .values({ id: document.id, name: document.name, code: document.code, document, changedBy: by });
}

export async function addProcedure(db: Queryable, document: Procedure, by: string): Promise<void> {
  const series = await readSeries(db, document.seriesId);
  refuseFaults(procedureReferences(document, series.document));
  const { id, seriesId, title } = document;
  await db.insert(table.procedure).values({ id, seriesId, title, document, changedBy: by });
}

/** What was patched was changed by somebody else since it was opened. */
export const STALE = 'stale';

/**
 * Applies patches to a procedure and its series, each against the version it was made on. Both or neither are saved.
 * A stale version is refused with 409 and the current documents.
 */
export async function saveWorkbook(
  db: Database,
  procedureId: string,
  change: { seriesVersion: number; seriesPatch: Patch; procedureVersion: number; procedurePatch: Patch },
  by: string,
): Promise<OpenWorkbook> {
  return db.transaction(async (tx) => {
    const now = await readWorkbook(tx, procedureId);
    const staleSeries = change.seriesPatch.length > 0 && now.series.version !== change.seriesVersion;
    const staleProcedure = change.procedurePatch.length > 0 && now.procedure.version !== change.procedureVersion;
    if (staleSeries || staleProcedure) {
      throw new Fault(
        409,
        STALE,
        'This was changed in another place after you opened it.',
        'Choose which version to keep; nothing is lost until you do.',
        { detail: now },
      );
    }
    const series = patched(now.series.document, change.seriesPatch, SeriesSchema, 'series');
    const procedure = patched(now.procedure.document, change.procedurePatch, ProcedureSchema, 'procedure');
    if (series.id !== now.series.document.id || procedure.id !== procedureId) {
      throw badInput([{ path: 'id', reason: 'cannot be changed' }]);
    }
    refuseFaults([...seriesReferences(series), ...procedureReferences(procedure, series)]);
    if (change.seriesPatch.length > 0) {
      for (const other of await proceduresOf(tx, series.id)) {
        if (other.id !== procedureId) refuseFaults(procedureReferences(other, series, `"${other.title}"`));
      }
      await writeSeries(tx, series, now.series.version, by);
    }
    if (change.procedurePatch.length > 0) {
      await tx
        .update(table.procedure)
        .set({
          document: procedure,
          title: procedure.title,
          version: now.procedure.version + 1,
          changedAt: new Date(),
          changedBy: by,
        })
        .where(eq(table.procedure.id, procedureId));
    }
    return readWorkbook(tx, procedureId);
  });
}

async function writeSeries(db: Queryable, document: Series, version: number, by: string): Promise<void> {
  await db
    .update(table.series)
    .set({
      document,
      name: document.name,
      code: document.code,
      version: version + 1,
      changedAt: new Date(),
      changedBy: by,
    })
    .where(eq(table.series.id, document.id));
}

/** Saves the series alone; every procedure of it must still hold. */
export async function saveSeries(
  db: Database,
  id: string,
  version: number,
  patch: Patch,
  by: string,
): Promise<Versioned<Series>> {
  return db.transaction(async (tx) => {
    const now = await readSeries(tx, id);
    if (now.version !== version) {
      throw new Fault(
        409,
        STALE,
        'This series was changed in another place after you opened it.',
        'Reload it and make the change again.',
        {
          detail: now,
        },
      );
    }
    const series = patched(now.document, patch, SeriesSchema, 'series');
    if (series.id !== id) throw badInput([{ path: 'series.id', reason: 'cannot be changed' }]);
    refuseFaults(seriesReferences(series));
    for (const other of await proceduresOf(tx, id))
      refuseFaults(procedureReferences(other, series, `"${other.title}"`));
    await writeSeries(tx, series, now.version, by);
    return readSeries(tx, id);
  });
}

/** Takes in a whole package: adds what is new and, when `replace` is set, overwrites the drafts that are there. */
export async function takeInPackage(
  db: Database,
  series: Series,
  procedures: readonly Procedure[],
  replace: boolean,
  by: string,
) {
  await db.transaction(async (tx) => {
    const [known] = await tx.select().from(table.series).where(eq(table.series.id, series.id));
    if (known && !replace) {
      throw new Fault(
        409,
        'series-exists',
        `The series "${known.name}" is on the shelf already.`,
        'Import it as a copy, or replace the drafts that are there. Releases stay as they are.',
      );
    }
    if (known) await writeSeries(tx, series, known.version, by);
    else await addSeries(tx, series, by);
    for (const procedure of procedures) {
      const [there] = await tx.select().from(table.procedure).where(eq(table.procedure.id, procedure.id));
      if (!there) await addProcedure(tx, procedure, by);
      else if (there.seriesId !== series.id) {
        throw badInput([
          { path: `procedures: "${procedure.title}"`, reason: 'belongs to another series here; import it as a copy' },
        ]);
      } else {
        await tx
          .update(table.procedure)
          .set({
            document: procedure,
            title: procedure.title,
            version: there.version + 1,
            changedAt: new Date(),
            changedBy: by,
          })
          .where(eq(table.procedure.id, procedure.id));
      }
    }
    // Procedures that the package does not bring must still fit the series it replaces.
    for (const other of await proceduresOf(tx, series.id)) {
      refuseFaults(procedureReferences(other, series, `"${other.title}" on the shelf`));
    }
  });
}

/** Removes a draft that was never released. */
export async function removeProcedure(db: Database, id: string): Promise<void> {
  await db.transaction(async (tx) => {
    const { releases } = await readWorkbook(tx, id);
    if (releases.length > 0) {
      throw new Fault(
        409,
        'released',
        'A released procedure cannot be deleted: jobs and records rest on it.',
        'Leave it on the shelf.',
      );
    }
    await tx.delete(table.procedure).where(eq(table.procedure.id, id));
  });
}

export async function removeSeries(db: Database, id: string): Promise<void> {
  await db.transaction(async (tx) => {
    await readSeries(tx, id);
    if ((await proceduresOf(tx, id)).length > 0) {
      throw new Fault(
        409,
        'series-in-use',
        'A series with procedures cannot be deleted.',
        'Delete its procedures first.',
      );
    }
    await tx.delete(table.series).where(eq(table.series.id, id));
  });
}

/* Releases */

export async function listReleases(db: Queryable, procedureId: string): Promise<ReleaseSummary[]> {
  const rows = await db
    .select({ release: table.release, by: table.user.name })
    .from(table.release)
    .innerJoin(table.user, eq(table.user.id, table.release.releasedBy))
    .where(eq(table.release.procedureId, procedureId))
    .orderBy(desc(table.release.number));
  return rows.map(({ release, by }) => ({
    id: release.id,
    number: release.number,
    procedureVersion: release.procedureVersion,
    releasedAt: release.releasedAt.toISOString(),
    releasedBy: by,
    note: release.note,
  }));
}

/** Freezes the draft under the next number; a procedure the checker stops is refused with what stops it. */
export async function releaseProcedure(
  db: Database,
  procedureId: string,
  by: string,
  choice: { id: string; version: number; note?: string | undefined },
): Promise<ReleaseSummary> {
  return db.transaction(async (tx) => {
    const { series, procedure, releases } = await readWorkbook(tx, procedureId);
    if (procedure.version !== choice.version) {
      throw new Fault(409, STALE, 'The draft changed after you looked at it.', 'Look at it again, then release it.');
    }
    const document = { series: series.document, procedure: procedure.document };
    const stops = releaseStops(document);
    if (stops.length > 0) {
      throw new Fault(409, 'stopped', stops[0]?.sentence ?? '', 'Put right what stops it, then release it.', {
        detail: stops,
      });
    }
    await tx.insert(table.release).values({
      id: choice.id,
      procedureId,
      number: (releases[0]?.number ?? 0) + 1,
      procedureVersion: procedure.version,
      document,
      note: choice.note ?? null,
      releasedBy: by,
    });
    const [newest] = await listReleases(tx, procedureId);
    if (!newest) throw notFound('release');
    return newest;
  });
}

export async function readRelease(db: Queryable, id: string) {
  const [row] = await db
    .select({ release: table.release, by: table.user.name })
    .from(table.release)
    .innerJoin(table.user, eq(table.user.id, table.release.releasedBy))
    .where(eq(table.release.id, id));
  if (!row) throw notFound('release');
  return {
    id: row.release.id,
    procedureId: row.release.procedureId,
    number: row.release.number,
    workbook: row.release.document,
    note: row.release.note,
    releasedAt: row.release.releasedAt.toISOString(),
    releasedBy: row.by,
  };
}

/** The newest release of every procedure: what a job can be started on. */
export async function newestReleases(db: Queryable) {
  const newest = db
    .select({ procedureId: table.release.procedureId, number: sql<number>`max(${table.release.number})`.as('newest') })
    .from(table.release)
    .groupBy(table.release.procedureId)
    .as('newest');
  const rows = await db
    .select({ release: table.release })
    .from(table.release)
    .innerJoin(newest, and(eq(newest.procedureId, table.release.procedureId), eq(newest.number, table.release.number)));
  return rows.map(({ release }) => ({
    id: release.id,
    number: release.number,
    seriesName: release.document.series.name,
    title: release.document.procedure.title,
    steps: release.document.procedure.steps.length,
  }));
}

function patched<T>(
  document: T,
  patch: Patch,
  schema: { safeParse(value: unknown): { success: true; data: T } | { success: false; error: import('zod').ZodError } },
  name: string,
): T {
  if (patch.length === 0) return document;
  let result: unknown;
  try {
    result = fastJsonPatch.applyPatch(document, [...patch], true, false).newDocument;
  } catch (error) {
    throw badInput([
      {
        path: name,
        reason: `the change does not fit: ${error instanceof Error ? error.message.split('\n')[0] : error}`,
      },
    ]);
  }
  const parsed = schema.safeParse(result);
  if (!parsed.success)
    throw badInput(faultsOf(parsed.error).map((fault) => ({ ...fault, path: `${name}.${fault.path}` })));
  return parsed.data;
}

function refuseFaults(faults: readonly { path: string; reason: string }[]): void {
  if (faults.length > 0) throw badInput(faults);
}

function versioned<T>(row: { version: number; document: T; changedAt: Date; changedBy: string | null }): Versioned<T> {
  return {
    version: row.version,
    document: row.document,
    changedAt: row.changedAt.toISOString(),
    changedBy: row.changedBy,
  };
}
