import { asc, eq, sql } from 'drizzle-orm';
import type { HouseRules } from '#core/model/house-rules';
import { DOCUMENT_FORMAT } from '#core/model/migrations/migrate';
import { modulesBefore } from '#core/model/modules';
import type { Procedure } from '#core/model/procedure';
import { procedureReferences, seriesReferences } from '#core/model/references';
import type { Series } from '#core/model/series';
import type { Database, Queryable } from '../database/open';
import * as table from '../database/schema';
import { badInput, Fault, notFound } from '../ground/fault';
import { readHouse } from './house';
import { withholdBlurred } from './media';
import { storedProcedure, storedSeries } from './stored';
import { refuseFaults, refuseInUse, STALE, writeSeries } from './writing';

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

/** With what the series and the procedure say, in short, as the database has it. */
export interface ReadWorkbook extends OpenWorkbook {
  readonly digests: readonly [series: string, procedure: string];
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

export async function readWorkbook(db: Queryable, procedureId: string): Promise<ReadWorkbook> {
  const [row] = await db
    .select({ procedure: table.procedure, series: table.series })
    .from(table.procedure)
    .innerJoin(table.series, eq(table.series.id, table.procedure.seriesId))
    .where(eq(table.procedure.id, procedureId));
  if (!row) throw notFound('procedure');
  const series = versioned(row.series, storedSeries(row.series));
  const procedure = versioned(row.procedure, storedProcedure(row.procedure, row.series.document));
  return {
    series,
    procedure,
    before: await modulesOf(db, procedure.document),
    house: await readHouse(db),
    digests: [row.series.digest ?? '', row.procedure.digest ?? ''],
  };
}

async function modulesOf(db: Queryable, procedure: Procedure): Promise<readonly Procedure[]> {
  return procedure.takesOver ? modulesBefore(procedure, await proceduresOf(db, procedure.seriesId)) : [];
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
  await withholdBlurred(db, document.steps);
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
    if (known && !(await writeSeries(tx, series, known.version, by))) {
      throw new Fault(409, STALE, 'The series was changed while the package was imported.', 'Import it again.');
    }
    if (!known) await addSeries(tx, series, by);
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
            version: sql`${table.procedure.version} + 1`,
            checkDue: sql`${table.procedure.checkDue} + 1`,
            changedAt: new Date(),
            changedBy: by,
          })
          .where(eq(table.procedure.id, procedure.id));
      }
    }
    await withholdBlurred(
      tx,
      procedures.flatMap(({ steps }) => steps),
    );
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
        'A released procedure cannot be deleted: jobs and records depend on it.',
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

function versioned<T>(row: { version: number; changedAt: Date; changedBy: string | null }, document: T): Versioned<T> {
  return {
    version: row.version,
    document,
    changedAt: row.changedAt.toISOString(),
    changedBy: row.changedBy,
  };
}
