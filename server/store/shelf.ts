import { asc, desc } from 'drizzle-orm';
import { releaseStops } from '#core/findings/check';
import { sayFinding } from '#core/language/en/findings';
import { modulesBefore } from '#core/model/modules';
import type { Queryable } from './database';
import * as table from './schema';
import { storedProcedure, storedSeries } from './stored';

/** Everything on the shelf: series with their procedures and how far each has come. */
export async function readShelf(db: Queryable) {
  const rows = await db.select().from(table.series).orderBy(asc(table.series.name), asc(table.series.code));
  const drafts = await db
    .select({
      id: table.procedure.id,
      seriesId: table.procedure.seriesId,
      title: table.procedure.title,
      version: table.procedure.version,
      changedAt: table.procedure.changedAt,
      document: table.procedure.document,
      format: table.procedure.format,
    })
    .from(table.procedure)
    .orderBy(asc(table.procedure.title));
  const seriesById = new Map(rows.map((row) => [row.id, row.document]));
  const procedures = drafts.map((row) => ({ ...row, document: storedProcedure(row, seriesById.get(row.seriesId)) }));
  const documents = procedures.map((row) => row.document);
  const releases = await db
    .select({
      id: table.release.id,
      procedureId: table.release.procedureId,
      number: table.release.number,
      procedureVersion: table.release.procedureVersion,
      seriesVersion: table.release.seriesVersion,
      releasedAt: table.release.releasedAt,
    })
    .from(table.release)
    .orderBy(desc(table.release.number));
  return rows
    .map((row) => ({ ...row, document: storedSeries(row) }))
    .map(({ id, name, code, document, version }) => ({
      id,
      name,
      code,
      pumpType: document.pumpType,
      positions: document.positionSets.map((set) => ({ name: set.name, count: set.positions.length })),
      procedures: procedures
        .filter((row) => row.seriesId === id)
        .map((row) => {
          const latest = releases.find((candidate) => candidate.procedureId === row.id);
          const before = modulesBefore(row.document, documents);
          const workbook = { series: document, procedure: row.document, before };
          const stops = releaseStops(workbook);
          return {
            id: row.id,
            title: row.title,
            steps: row.document.steps.length,
            changedAt: row.changedAt.toISOString(),
            stops: stops.length,
            firstStop: stops[0] ? sayFinding(stops[0], workbook) : null,
            release: latest
              ? { id: latest.id, number: latest.number, releasedAt: latest.releasedAt.toISOString() }
              : null,
            changedSinceRelease: latest
              ? row.version > latest.procedureVersion || version > latest.seriesVersion
              : false,
          };
        }),
    }));
}
