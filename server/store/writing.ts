import { and, eq, sql } from 'drizzle-orm';
import type { DocumentFault } from '#core/model/faults';
import { DOCUMENT_FORMAT } from '#core/model/migrations/migrate';
import type { Procedure } from '#core/model/procedure';
import { procedureReferences } from '#core/model/references';
import type { Series } from '#core/model/series';
import type { Queryable } from '../database/open';
import * as table from '../database/schema';
import { badInput, Fault } from '../ground/fault';

/** What was edited was changed by somebody else since it was opened. */
export const STALE = 'stale';

/** What is kept of one procedure, written out; more is no instruction any more, and would slow everybody down. */
const LARGEST_DOCUMENT = 6 * 1024 * 1024;

/** A document as JSON. Throws when there is more of it than is kept. */
export function written(document: Procedure | Series): string {
  const text = JSON.stringify(document);
  if (text.length <= LARGEST_DOCUMENT) return text;
  throw new Fault(413, 'document-too-large', 'This is too large to save.', 'Split it into modules.');
}

/** Writes a series where it still has the version it was read at; its procedures are to be checked again. */
export async function writeSeries(db: Queryable, document: Series, version: number, by: string): Promise<boolean> {
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

/** A procedure that is not being edited must still find all it names in the changed series. */
export function refuseInUse(procedure: Procedure, series: Series): void {
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

/** Throws when a document points at what is not there. */
export function refuseFaults(faults: readonly DocumentFault[]): void {
  if (faults.length > 0) throw badInput(faults);
}
