import { and, asc, eq, type SQL, sql } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import type { z } from 'zod';
import { applyStrictly, type Edit } from '#core/edits/edit';
import { changesSeries } from '#core/edits/sent';
import { type DocumentFault, faultsOf } from '#core/model/faults';
import type { HouseRules } from '#core/model/house-rules';
import { DOCUMENT_FORMAT } from '#core/model/migrations/migrate';
import { modulesBefore } from '#core/model/modules';
import { MOST_STEPS, type Procedure, Procedure as ProcedureSchema, type Workbook } from '#core/model/procedure';
import { chainReferences, procedureReferences, seriesReferences } from '#core/model/references';
import { type Series, Series as SeriesSchema } from '#core/model/series';
import type { Database, Queryable } from '../database/open';
import * as table from '../database/schema';
import { badInput, Fault, notFound } from '../ground/fault';
import { readHouse } from './house';
import { withholdBlurred } from './media';
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
  await withholdBlurred(db, [document]);
}

/** What was edited was changed by somebody else since it was opened. */
export const STALE = 'stale';

/** What is new after a save: the device has the documents already, since it made them. */
export interface SavedWorkbook {
  readonly seriesVersion: number;
  readonly procedureVersion: number;
  /** The modules before it, where others are carried out before it now. */
  readonly before?: readonly Procedure[];
}

/**
 * Applies edits to a procedure and its series, each to the version they were made on. Both or neither are saved. A
 * stale version is refused with 409 and the current documents.
 */
export async function saveWorkbook(
  db: Database,
  procedureId: string,
  change: DraftChange,
  by: string,
): Promise<SavedWorkbook> {
  const kept = keptDrafts(db).get(procedureId);
  const asMade = kept?.procedure.version === change.procedureVersion && kept.series.version === change.seriesVersion;
  const saved = kept && asMade ? await saveOn(db, kept, change, by) : undefined;
  // What is kept may be behind, and then it was not written: it is read again.
  return saved ?? (await saveOn(db, await readWorkbook(db, procedureId), change, by)) ?? refuseStale(db, procedureId);
}

interface DraftChange {
  readonly seriesVersion: number;
  readonly procedureVersion: number;
  readonly edits: readonly Edit[];
}

/** Undefined when either changed since it was read. */
async function saveOn(db: Database, now: Draft, change: DraftChange, by: string): Promise<SavedWorkbook | undefined> {
  const touchesSeries = change.edits.some(changesSeries);
  const touchesProcedure = !change.edits.every(changesSeries);
  const staleSeries = touchesSeries && now.series.version !== change.seriesVersion;
  const staleProcedure = touchesProcedure && now.procedure.version !== change.procedureVersion;
  if (staleSeries || staleProcedure) return undefined;
  const before = { series: now.series.document, procedure: now.procedure.document };
  const edited = applied(before, change.edits);
  const series = touchesSeries ? valid(edited.series, SeriesSchema, 'series') : before.series;
  const procedure = touchesProcedure ? validProcedure(edited.procedure, before.procedure) : before.procedure;
  if (
    series.id !== before.series.id ||
    procedure.id !== before.procedure.id ||
    procedure.seriesId !== before.series.id
  ) {
    throw badInput([{ path: 'id', reason: 'cannot be changed' }]);
  }
  refuseFaults([...seriesReferences(series), ...procedureReferences(procedure, series)]);
  const chained = procedure.takesOver !== before.procedure.takesOver;
  const others = touchesSeries || chained ? await proceduresOf(db, series.id) : [];
  if (chained) refuseRing(procedure, others);
  if (touchesSeries) for (const other of others) if (other.id !== procedure.id) refuseInUse(other, series);
  if (touchesProcedure) await withholdBlurred(db, [procedure]);
  const saved = await writeDraft(
    db,
    now,
    { ...(touchesSeries && { series }), ...(touchesProcedure && { procedure }) },
    by,
  );
  return saved && { ...saved, ...(chained && { before: modulesBefore(procedure, [...others, procedure]) }) };
}

async function refuseStale(db: Database, procedureId: string): Promise<never> {
  throw new Fault(
    409,
    STALE,
    'This was changed in another place after you opened it.',
    'Choose which version to keep; nothing is lost until you do.',
    { detail: await readWorkbook(db, procedureId) },
  );
}

function refuseRing(procedure: Procedure, all: readonly Procedure[]): void {
  const others = all.filter(({ id }) => id !== procedure.id);
  refuseFaults(
    chainReferences([...others, procedure], 'procedures').filter(({ path }) =>
      path.startsWith(`procedures[${others.length}]`),
    ),
  );
}

/** What is kept of one procedure, written out; more is no instruction any more, and would slow everybody down. */
const LARGEST_DOCUMENT = 6 * 1024 * 1024;

/** A document as JSON. Throws when there is more of it than is kept. */
function written(document: Procedure | Series): string {
  const text = JSON.stringify(document);
  if (text.length <= LARGEST_DOCUMENT) return text;
  throw new Fault(413, 'document-too-large', 'This has become too large to keep.', 'Split it into modules.');
}

type Draft = Pick<OpenWorkbook, 'series' | 'procedure'>;

const DRAFTS_KEPT = 60;
const drafts = new WeakMap<Database, LRUCache<string, Draft>>();

function keptDrafts(db: Database): LRUCache<string, Draft> {
  const there = drafts.get(db) ?? new LRUCache<string, Draft>({ max: DRAFTS_KEPT });
  drafts.set(db, there);
  return there;
}

/** Writes one or both in one statement, where both still have the versions they were read at; undefined where not. */
async function writeDraft(
  db: Database,
  now: Draft,
  { series, procedure }: { series?: Series; procedure?: Procedure },
  by: string,
): Promise<{ seriesVersion: number; procedureVersion: number } | undefined> {
  const seriesId = now.series.document.id;
  const procedureId = now.procedure.document.id;
  const asRead = sql`EXISTS (SELECT FROM ${table.series} s, ${table.procedure} p
    WHERE s.id = ${seriesId} AND s.version = ${now.series.version}
      AND p.id = ${procedureId} AND p.version = ${now.procedure.version})`;
  const changed = sql`version = version + 1, changed_at = now(), changed_by = ${by}, format = ${DOCUMENT_FORMAT}`;
  const parts: SQL[] = [];
  if (series) {
    parts.push(sql`series_changed AS (UPDATE ${table.series}
      SET document = ${written(series)}::jsonb, name = ${series.name}, code = ${series.code}, ${changed}
      WHERE id = ${seriesId} AND version = ${now.series.version} AND ${asRead} RETURNING id)`);
  }
  if (procedure) {
    parts.push(sql`procedure_changed AS (UPDATE ${table.procedure}
      SET document = ${written(procedure)}::jsonb, title = ${procedure.title}, check_due = check_due + 1, ${changed}
      WHERE id = ${procedureId} AND version = ${now.procedure.version} AND ${asRead} RETURNING id)`);
  }
  // What the checker said of procedures that rest on what changed may not hold any more.
  const resting = series ? sql`TRUE` : sql`takes_over IS NOT NULL`;
  const itself = procedure ? sql`AND id <> ${procedureId}` : sql``;
  parts.push(sql`others AS (UPDATE ${table.procedure} SET check_due = check_due + 1
    WHERE series_id = ${seriesId} AND ${resting} AND ${asRead} ${itself} RETURNING id)`);
  const { rows } = await db.execute(
    sql`WITH ${sql.join(parts, sql`, `)} SELECT id FROM ${procedure ? sql`procedure_changed` : sql`series_changed`}`,
  );
  if (rows.length === 0) return undefined;
  const changedAt = new Date().toISOString();
  const later = <T>(was: Versioned<T>, document: T | undefined): Versioned<T> =>
    document === undefined ? was : { version: was.version + 1, document, changedAt, changedBy: by };
  const draft = { series: later(now.series, series), procedure: later(now.procedure, procedure) };
  keptDrafts(db).set(procedureId, draft);
  return { seriesVersion: draft.series.version, procedureVersion: draft.procedure.version };
}

/** What edits made of a procedure, if it is one still; the steps they left alone were valid before. */
function validProcedure(edited: Procedure, before: Procedure): Procedure {
  const untouched = new Set(before.steps);
  const fresh = edited.steps.filter((step) => !untouched.has(step));
  const parsed = ProcedureSchema.safeParse({ ...edited, steps: fresh });
  if (!parsed.success || edited.steps.length > MOST_STEPS) return valid(edited, ProcedureSchema, 'procedure');
  const checked = parsed.data.steps[Symbol.iterator]();
  return {
    ...parsed.data,
    steps: edited.steps.map((step) => (untouched.has(step) ? step : (checked.next().value ?? step))),
  };
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
    if (!edits.every(changesSeries)) throw badInput([{ path: 'edits', reason: 'change more than the series' }]);
    const refuse = () => {
      throw new Fault(
        409,
        STALE,
        'This series was changed in another place after you opened it.',
        'Reload it and make the change again.',
        { detail: now },
      );
    };
    if (now.version !== version) refuse();
    const none = { id, seriesId: id, title: id, steps: [] };
    const series = valid(applied({ series: now.document, procedure: none }, edits).series, SeriesSchema, 'series');
    if (series.id !== id) throw badInput([{ path: 'series.id', reason: 'cannot be changed' }]);
    refuseFaults(seriesReferences(series));
    for (const other of await proceduresOf(tx, id)) refuseInUse(other, series);
    if (!(await writeSeries(tx, series, now.version, by))) refuse();
    return readSeries(tx, id);
  });
}

/** Writes a series where it still has the version it was read at; its procedures are to be checked again. */
async function writeSeries(db: Queryable, document: Series, version: number, by: string): Promise<boolean> {
  written(document);
  const changed = await db
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
    .where(and(eq(table.series.id, document.id), eq(table.series.version, version)))
    .returning({ id: table.series.id });
  await db
    .update(table.procedure)
    .set({ checkDue: sql`${table.procedure.checkDue} + 1` })
    .where(eq(table.procedure.seriesId, document.id));
  return changed.length > 0;
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
      throw new Fault(409, STALE, 'The series was changed while the package came in.', 'Import it again.');
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
    await withholdBlurred(tx, procedures);
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
