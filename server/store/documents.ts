import { asc, eq } from 'drizzle-orm';
import type { z } from 'zod';
import { applyStrictly, type Edit } from '#core/edits/edit';
import { changesSeries } from '#core/edits/sent';
import { type DocumentFault, faultsOf } from '#core/model/faults';
import type { HouseRules } from '#core/model/house-rules';
import { DOCUMENT_FORMAT } from '#core/model/migrations/migrate';
import { modulesBefore } from '#core/model/modules';
import { type Procedure, Procedure as ProcedureSchema, type Workbook } from '#core/model/procedure';
import { chainReferences, procedureReferences, seriesReferences } from '#core/model/references';
import { type Series, Series as SeriesSchema } from '#core/model/series';
import { badInput, Fault, notFound } from '../ground/fault';
import type { Database, Queryable } from './database';
import { readHouse } from './house';
import * as table from './schema';
import { storedProcedure, storedSeries } from './stored';

export interface Versioned<T> {
  readonly version: number;
  readonly document: T;
  readonly changedAt: string;
  readonly changedBy: string | null;
}

export interface OpenWorkbook {
  readonly series: Versioned<Series>;
  readonly procedure: Versioned<Procedure>;
  /** The modules carried out before it, as their drafts stand. */
  readonly before: readonly Procedure[];
  readonly house: HouseRules;
}

export async function readSeries(db: Queryable, id: string): Promise<Versioned<Series>> {
  const row = await seriesRow(db, id);
  return versioned(row, storedSeries(row));
}

async function seriesRow(db: Queryable, id: string): Promise<typeof table.series.$inferSelect> {
  const [row] = await db.select().from(table.series).where(eq(table.series.id, id));
  if (!row) throw notFound('series');
  return row;
}

export async function readWorkbook(db: Queryable, procedureId: string): Promise<OpenWorkbook> {
  const [row] = await db.select().from(table.procedure).where(eq(table.procedure.id, procedureId));
  if (!row) throw notFound('procedure');
  const series = await seriesRow(db, row.seriesId);
  const procedure = versioned(row, storedProcedure(row, series.document));
  const { takesOver } = procedure.document;
  return {
    series: versioned(series, storedSeries(series)),
    procedure,
    before: takesOver ? modulesBefore(procedure.document, await proceduresOf(db, row.seriesId)) : [],
    house: await readHouse(db),
  };
}

export async function proceduresOf(db: Queryable, seriesId: string): Promise<Procedure[]> {
  const rows = await db
    .select()
    .from(table.procedure)
    .where(eq(table.procedure.seriesId, seriesId))
    .orderBy(asc(table.procedure.title));
  const [series] = await db.select().from(table.series).where(eq(table.series.id, seriesId));
  return rows.map((row) => storedProcedure(row, series?.document));
}

export async function addSeries(db: Queryable, document: Series, by: string): Promise<void> {
  refuseFaults(seriesReferences(document));
  await db.insert(table.series).values({
    id: document.id,
    name: document.name,
    code: document.code,
    document,
    format: DOCUMENT_FORMAT,
    changedBy: by,
  });
}

export async function addProcedure(db: Queryable, document: Procedure, by: string): Promise<void> {
  const series = await readSeries(db, document.seriesId);
  refuseFaults(procedureReferences(document, series.document));
  const { id, seriesId, title } = document;
  await db.insert(table.procedure).values({ id, seriesId, title, document, format: DOCUMENT_FORMAT, changedBy: by });
}

/** What was edited was changed by somebody else since it was opened. */
export const STALE = 'stale';

/**
 * Applies edits to a procedure and its series, each to the version they were made on. Both or neither are saved. A
 * stale version is refused with 409 and the current documents.
 */
export async function saveWorkbook(
  db: Database,
  procedureId: string,
  change: { seriesVersion: number; procedureVersion: number; edits: readonly Edit[] },
  by: string,
): Promise<OpenWorkbook> {
  return db.transaction(async (tx) => {
    const now = await readWorkbook(tx, procedureId);
    const touchesSeries = change.edits.some(changesSeries);
    const touchesProcedure = !change.edits.every(changesSeries);
    const staleSeries = touchesSeries && now.series.version !== change.seriesVersion;
    const staleProcedure = touchesProcedure && now.procedure.version !== change.procedureVersion;
    if (staleSeries || staleProcedure) {
      throw new Fault(
        409,
        STALE,
        'This was changed in another place after you opened it.',
        'Choose which version to keep; nothing is lost until you do.',
        { detail: now },
      );
    }
    const edited = applied({ series: now.series.document, procedure: now.procedure.document }, change.edits);
    const series = valid(edited.series, SeriesSchema, 'series');
    const procedure = valid(edited.procedure, ProcedureSchema, 'procedure');
    if (series.id !== now.series.document.id || procedure.id !== procedureId || procedure.seriesId !== series.id) {
      throw badInput([{ path: 'id', reason: 'cannot be changed' }]);
    }
    refuseFaults([...seriesReferences(series), ...procedureReferences(procedure, series)]);
    if (procedure.takesOver !== now.procedure.document.takesOver) {
      const others = (await proceduresOf(tx, series.id)).filter(({ id }) => id !== procedureId);
      refuseFaults(
        chainReferences([...others, procedure], 'procedures').filter(({ path }) =>
          path.startsWith(`procedures[${others.length}]`),
        ),
      );
    }
    if (touchesSeries) {
      for (const other of await proceduresOf(tx, series.id)) {
        if (other.id !== procedureId) refuseInUse(other, series);
      }
      await writeSeries(tx, series, now.series.version, by);
    }
    if (touchesProcedure) {
      await tx
        .update(table.procedure)
        .set({
          document: procedure,
          format: DOCUMENT_FORMAT,
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
      format: DOCUMENT_FORMAT,
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
  edits: readonly Edit[],
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
    if (!edits.every(changesSeries)) throw badInput([{ path: 'edits', reason: 'change more than the series' }]);
    const none = { id, seriesId: id, title: id, steps: [] };
    const series = valid(applied({ series: now.document, procedure: none }, edits).series, SeriesSchema, 'series');
    if (series.id !== id) throw badInput([{ path: 'series.id', reason: 'cannot be changed' }]);
    refuseFaults(seriesReferences(series));
    for (const other of await proceduresOf(tx, id)) refuseInUse(other, series);
    await writeSeries(tx, series, now.version, by);
    return readSeries(tx, id);
  });
}

/**
 * Takes in a whole package: adds what is new and, when `replace` is set, overwrites the drafts that are there.
 * `also` notes what came with it, such as photos; all of it is kept or nothing is.
 */
export async function takeInPackage(
  db: Database,
  series: Series,
  procedures: readonly Procedure[],
  replace: boolean,
  by: string,
  also: (tx: Queryable) => Promise<void> = async () => {},
) {
  await db.transaction(async (tx) => {
    await also(tx);
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
            format: DOCUMENT_FORMAT,
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
      refuseInUse(other, series);
    }
  });
}

/** Removes a draft that was never released. */
export async function removeProcedure(db: Database, id: string): Promise<void> {
  await db.transaction(async (tx) => {
    await readWorkbook(tx, id);
    if ((await tx.$count(table.release, eq(table.release.procedureId, id))) > 0) {
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

function applied(workbook: Workbook, edits: readonly Edit[]): Workbook {
  const result = applyStrictly(workbook, edits);
  if (!result.ok) throw badInput([{ path: `edits[${result.absentAt}]`, reason: 'names something that is not there' }]);
  return result.workbook;
}

/** What edits made of a document, if it is one still. */
function valid<T>(document: T, schema: z.ZodType<T>, name: string): T {
  const parsed = schema.safeParse(document);
  if (parsed.success) return parsed.data;
  throw badInput(faultsOf(parsed.error).map((fault) => ({ ...fault, path: `${name}.${fault.path}` })));
}

/** A procedure that is not being edited must still find all it names in the changed series. */
function refuseInUse(procedure: Procedure, series: Series): void {
  const faults = procedureReferences(procedure, series);
  if (faults.length === 0) return;
  const steps = new Set(faults.map((fault) => Number(/steps\[(\d+)\]/.exec(fault.path)?.[1] ?? -1) + 1));
  throw new Fault(
    409,
    'in-use',
    `"${procedure.title}" still uses what would be gone.`,
    'Take it out of those steps first.',
    {
      where: [{ path: procedure.title, reason: `step ${[...steps].join(', ')}` }],
    },
  );
}

function refuseFaults(faults: readonly DocumentFault[]): void {
  if (faults.length > 0) throw badInput(faults);
}

function versioned<T>(row: { version: number; changedAt: Date; changedBy: string | null }, document: T): Versioned<T> {
  return {
    version: row.version,
    document,
    changedAt: row.changedAt.toISOString(),
    changedBy: row.changedBy,
  };
}
