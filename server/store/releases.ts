import { and, desc, eq, sql } from 'drizzle-orm';
import { sameJson } from '#core/edits/merge';
import { releaseStops } from '#core/findings/check';
import { wholeChain } from '#core/job/whole';
import { sayFinding } from '#core/language/en/findings';
import { DOCUMENT_FORMAT } from '#core/model/migrations/migrate';
import type { Workbook } from '#core/model/procedure';
import { procedureReferences, seriesReferences } from '#core/model/references';
import { badInput, Fault, notFound } from '../ground/fault';
import type { Database, Queryable } from './database';
import { type OpenWorkbook, readWorkbook, STALE } from './documents';
import * as table from './schema';
import { storedWorkbook } from './stored';

export interface ReleaseSummary {
  readonly id: string;
  readonly number: number;
  readonly procedureVersion: number;
  readonly releasedAt: string;
  readonly releasedBy: string;
  readonly note: string | null;
}

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
  choice: { id: string; version: number; seriesVersion: number; note?: string | undefined },
): Promise<ReleaseSummary> {
  return db.transaction(async (tx) => {
    await lockWorkbook(tx, procedureId);
    const { series, procedure, before } = await readWorkbook(tx, procedureId);
    const [latest] = await listReleases(tx, procedureId);
    if (procedure.version !== choice.version || series.version !== choice.seriesVersion) {
      throw new Fault(
        409,
        STALE,
        procedure.version === choice.version
          ? 'The series changed after you looked at it.'
          : 'The draft changed after you looked at it.',
        'Look at it again, then release it.',
      );
    }
    const document = workbookOf({ series, procedure, before });
    const faults = [...seriesReferences(document.series), ...procedureReferences(document.procedure, document.series)];
    if (faults.length > 0) throw badInput(faults);
    if (latest && sameJson(await frozenIn(tx, latest.id), document)) {
      throw new Fault(
        409,
        'nothing-new',
        `Nothing changed since release ${latest.number}.`,
        'Start jobs on that release.',
      );
    }
    const [stop, ...more] = releaseStops(document);
    if (stop) {
      throw new Fault(409, 'stopped', sayFinding(stop, document), 'Put right what stops it, then release it.', {
        detail: [stop, ...more],
      });
    }
    await tx.insert(table.release).values({
      id: choice.id,
      procedureId,
      number: (latest?.number ?? 0) + 1,
      procedureVersion: procedure.version,
      seriesVersion: series.version,
      document,
      format: DOCUMENT_FORMAT,
      note: choice.note ?? null,
      releasedBy: by,
    });
    const [newest] = await listReleases(tx, procedureId);
    if (!newest) throw notFound('release');
    return newest;
  });
}

/** What a release froze of the documents as they stand. */
function workbookOf({ series, procedure, before }: Pick<OpenWorkbook, 'series' | 'procedure' | 'before'>): Workbook {
  return { series: series.document, procedure: procedure.document, ...(before.length > 0 && { before }) };
}

/** Nobody changes the procedure or its series while both are looked at and frozen. */
async function lockWorkbook(tx: Queryable, procedureId: string): Promise<void> {
  const [row] = await tx.select().from(table.procedure).where(eq(table.procedure.id, procedureId)).for('update');
  if (row) await tx.select().from(table.series).where(eq(table.series.id, row.seriesId)).for('update');
}

async function frozenIn(db: Queryable, releaseId: string): Promise<Workbook | undefined> {
  const [row] = await db.select().from(table.release).where(eq(table.release.id, releaseId));
  return row && storedWorkbook(row);
}

/** Whether the newest release froze exactly what is there now, procedure, series and modules. */
export async function isReleasedAsIs(db: Queryable, open: OpenWorkbook): Promise<boolean> {
  const [latest] = await listReleases(db, open.procedure.document.id);
  return latest !== undefined && sameJson(await frozenIn(db, latest.id), workbookOf(open));
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
    workbook: storedWorkbook(row.release),
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
  return rows.map(({ release }) => {
    const workbook = storedWorkbook(release);
    return {
      id: release.id,
      number: release.number,
      seriesName: workbook.series.name,
      title: workbook.procedure.title,
      steps: wholeChain(workbook).procedure.steps.length,
    };
  });
}
