import { type SQL, sql } from 'drizzle-orm';
import type { z } from 'zod';
import { applyStrictly, type Edit } from '#core/edits/edit';
import { changesSeries } from '#core/edits/sent';
import { faultsOf } from '#core/model/faults';
import { DOCUMENT_FORMAT } from '#core/model/migrations/migrate';
import { modulesBefore } from '#core/model/modules';
import { MOST_STEPS, type Procedure, Procedure as ProcedureSchema, type Workbook } from '#core/model/procedure';
import { chainReferences, procedureReferences, seriesReferences } from '#core/model/references';
import { type Series, Series as SeriesSchema } from '#core/model/series';
import type { Database } from '../database/open';
import * as table from '../database/schema';
import { badInput, Fault } from '../ground/fault';
import { type OpenWorkbook, proceduresOf, readSeries, readWorkbook, type Versioned } from './documents';
import { keptPerDatabase } from './kept';
import { withholdBlurred } from './media';
import { refuseFaults, refuseInUse, STALE, writeSeries, written } from './writing';

/** What is new after a save: the device has the documents already, since it made them. */
export interface SavedWorkbook {
  readonly seriesVersion: number;
  readonly procedureVersion: number;
  /** The series as it stands, where it was changed elsewhere and the edits left it alone. */
  readonly series?: Versioned<Series>;
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
  const untouched = new Set(before.procedure.steps);
  await withholdBlurred(
    db,
    procedure.steps.filter((step) => !untouched.has(step)),
  );
  const saved = await writeDraft(
    db,
    now,
    { ...(touchesSeries && { series }), ...(touchesProcedure && { procedure }) },
    by,
  );
  const changedElsewhere = now.series.version !== change.seriesVersion;
  return (
    saved && {
      ...saved,
      ...(changedElsewhere && { series: now.series }),
      ...(chained && { before: modulesBefore(procedure, [...others, procedure]) }),
    }
  );
}

async function refuseStale(db: Database, procedureId: string): Promise<never> {
  throw new Fault(
    409,
    STALE,
    'This was changed somewhere else after you opened it.',
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

type Draft = Pick<OpenWorkbook, 'series' | 'procedure'>;

const DRAFTS_KEPT = 60;
const keptDrafts = keptPerDatabase<Draft>(DRAFTS_KEPT);

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
        'This series was changed somewhere else after you opened it.',
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
