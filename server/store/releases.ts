import { and, desc, eq, sql } from 'drizzle-orm';
import { releaseStops } from '#core/findings/check';
import { wholeChain } from '#core/model/modules';
import { Fault, notFound } from '../fault';
import type { Database, Queryable } from './database';
import { readWorkbook, STALE } from './documents';
import * as table from './schema';

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
  choice: { id: string; version: number; note?: string | undefined },
): Promise<ReleaseSummary> {
  return db.transaction(async (tx) => {
    const { series, procedure, before } = await readWorkbook(tx, procedureId);
    const [latest] = await listReleases(tx, procedureId);
    if (procedure.version !== choice.version) {
      throw new Fault(409, STALE, 'The draft changed after you looked at it.', 'Look at it again, then release it.');
    }
    const document = {
      series: series.document,
      procedure: procedure.document,
      ...(before.length > 0 && { before }),
    };
    const stops = releaseStops(document);
    if (stops.length > 0) {
      throw new Fault(409, 'stopped', stops[0]?.sentence ?? '', 'Put right what stops it, then release it.', {
        detail: stops,
      });
    }
    await tx.insert(table.release).values({
      id: choice.id,
      procedureId,
      number: (latest?.number ?? 0) + 1,
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
    steps: wholeChain(release.document).procedure.steps.length,
  }));
}
