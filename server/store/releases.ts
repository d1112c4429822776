import { desc, eq, inArray, sql } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import { sameJson } from '#core/edits/merge';
import type { Finding } from '#core/findings/finding';
import { wholeChain } from '#core/job/whole';
import { DOCUMENT_FORMAT } from '#core/model/migrations/migrate';
import type { Workbook } from '#core/model/procedure';
import { procedureReferences, seriesReferences } from '#core/model/references';
import { withoutSources } from '#core/model/without-sources';
import type { Database, Queryable } from '../database/open';
import * as table from '../database/schema';
import { badInput, Fault, notFound } from '../ground/fault';
import { type OpenWorkbook, type ReadWorkbook, readWorkbook } from './documents';
import { correctedBy } from './problems';
import { storedWorkbook } from './stored';
import { STALE } from './writing';

export interface ReleaseSummary {
  readonly id: string;
  readonly number: number;
  readonly procedureVersion: number;
  readonly releasedAt: string;
  readonly releasedBy: string;
  readonly note: string | null;
}

/** The releases of a procedure, the newest first; nothing of their documents is read. */
async function listReleases(db: Queryable, procedureId: string): Promise<ReleaseSummary[]> {
  return (await releaseRows(db, procedureId)).map(summaryOf);
}

function releaseRows(db: Queryable, procedureId: string) {
  const { id, number, procedureVersion, releasedAt, note, frozen } = table.release;
  return db
    .select({ id, number, procedureVersion, releasedAt, note, frozen, releasedBy: table.user.name })
    .from(table.release)
    .innerJoin(table.user, eq(table.user.id, table.release.releasedBy))
    .where(eq(table.release.procedureId, procedureId))
    .orderBy(desc(table.release.number));
}

function summaryOf({ frozen: _frozen, ...row }: Awaited<ReturnType<typeof releaseRows>>[number]): ReleaseSummary {
  return { ...row, releasedAt: row.releasedAt.toISOString() };
}

/** Finds what stops a release; large procedures are gone through elsewhere, so that other requests are not held up. */
export type FindStops = (workbook: Workbook) => Promise<readonly { finding: Finding; sentence: string }[]>;

/** Freezes the draft under the next number; a procedure the checker stops is refused with what stops it. */
export async function releaseProcedure(
  db: Database,
  findStops: FindStops,
  procedureId: string,
  by: string,
  choice: {
    id: string;
    version: number;
    seriesVersion: number;
    note?: string | undefined;
    /** Entries of the problems that it corrects. */
    corrects?: readonly string[] | undefined;
  },
): Promise<ReleaseSummary> {
  const looked = await readWorkbook(db, procedureId);
  refuseOther(looked, choice);
  const document = workbookOf(looked);
  const faults = [...seriesReferences(document.series), ...procedureReferences(document.procedure, document.series)];
  if (faults.length > 0) throw badInput(faults);
  if (await isReleasedAsIs(db, looked)) {
    throw new Fault(409, 'nothing-new', 'Nothing changed since the last release.', 'Start jobs on that release.');
  }
  const frozen = await digestsOf(db, looked);
  const [stop, ...more] = await findStops(document);
  if (stop) {
    throw new Fault(409, 'stopped', stop.sentence, 'Correct what blocks the release, then release it.', {
      detail: [stop, ...more].map(({ finding }) => finding),
    });
  }
  return db.transaction(async (tx) => {
    // What was looked at is what is frozen: neither it nor a module before it changed meanwhile.
    await lockWorkbook(tx, procedureId);
    const now = await readWorkbook(tx, procedureId);
    refuseOther(now, choice);
    if ((await digestsOf(tx, now)) !== frozen) refuseOther(now, { ...choice, version: -1 });
    const [latest] = await listReleases(tx, procedureId);
    await tx.insert(table.release).values({
      id: choice.id,
      procedureId,
      number: (latest?.number ?? 0) + 1,
      procedureVersion: now.procedure.version,
      seriesVersion: now.series.version,
      document,
      frozen,
      seriesName: document.series.name,
      title: document.procedure.title,
      steps: wholeChain(document).procedure.steps.length,
      format: DOCUMENT_FORMAT,
      note: choice.note ?? null,
      releasedBy: by,
    });
    const [newest] = await listReleases(tx, procedureId);
    if (!newest) throw notFound('release');
    await correctedBy(tx, { id: choice.id, procedureId, number: newest.number }, choice.corrects ?? [], by);
    return newest;
  });
}

function refuseOther({ procedure, series }: OpenWorkbook, choice: { version: number; seriesVersion: number }): void {
  if (procedure.version === choice.version && series.version === choice.seriesVersion) return;
  throw new Fault(
    409,
    STALE,
    procedure.version === choice.version
      ? 'The series changed after you looked at it.'
      : 'The draft changed after you looked at it.',
    'Check it again, then release it.',
  );
}

/** What a release froze of the documents as they stand. */
function workbookOf({ series, procedure, before }: Pick<OpenWorkbook, 'series' | 'procedure' | 'before'>): Workbook {
  return withoutSources({
    series: series.document,
    procedure: procedure.document,
    ...(before.length > 0 && { before }),
  });
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

/** What a release froze, in short: the digests of its series, its procedure and the modules before it. */
async function digestsOf(db: Queryable, { digests, before }: ReadWorkbook): Promise<string> {
  if (before.length === 0) return digests.join(' ');
  const ids = before.map(({ id }) => id);
  const rows = await db
    .select({ id: table.procedure.id, digest: table.procedure.digest })
    .from(table.procedure)
    .where(inArray(table.procedure.id, ids));
  return [...digests, ...ids.map((id) => rows.find((row) => row.id === id)?.digest)].join(' ');
}

/** The releases of a procedure, and whether the newest froze exactly what is there now: procedure, series, modules. */
export async function releasesOf(
  db: Queryable,
  open: ReadWorkbook,
): Promise<{ releases: ReleaseSummary[]; releasedAsIs: boolean }> {
  const rows = await releaseRows(db, open.procedure.document.id);
  return { releases: rows.map(summaryOf), releasedAsIs: await isAsFrozen(db, open, rows[0]) };
}

async function isReleasedAsIs(db: Queryable, open: ReadWorkbook): Promise<boolean> {
  const [latest] = await releaseRows(db, open.procedure.document.id);
  return isAsFrozen(db, open, latest);
}

async function isAsFrozen(
  db: Queryable,
  open: ReadWorkbook,
  latest: { id: string; frozen: string | null } | undefined,
): Promise<boolean> {
  if (!latest) return false;
  if (latest.frozen !== null) return latest.frozen === (await digestsOf(db, open));
  return sameJson(await frozenIn(db, latest.id), workbookOf(open));
}

export interface FrozenRelease {
  readonly id: string;
  readonly procedureId: string;
  readonly number: number;
  readonly workbook: Workbook;
  readonly note: string | null;
  readonly releasedAt: string;
  readonly releasedBy: string;
}

export async function readRelease(db: Queryable, id: string): Promise<FrozenRelease> {
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

const WHOLE_KEPT = 40;
/** Releases never change, so what was read of one holds for as long as it is kept. */
const whole = new LRUCache<string, FrozenRelease>({ max: WHOLE_KEPT });

/** A release with the modules before it and the passes of its blocks as one procedure, as jobs carry it out. */
export async function frozenWhole(db: Queryable, id: string): Promise<FrozenRelease> {
  const there = whole.get(id);
  if (there) return there;
  const release = await readRelease(db, id);
  const expanded = { ...release, workbook: wholeChain(release.workbook) };
  whole.set(id, expanded);
  return expanded;
}

/** Notes what lists show of the releases of an earlier version. */
export async function catchUpReleases(db: Database): Promise<void> {
  for (;;) {
    const [row] = await db
      .select({ id: table.release.id })
      .from(table.release)
      .where(sql`${table.release.steps} IS NULL`)
      .limit(1);
    if (!row) return;
    const { workbook } = await frozenWhole(db, row.id);
    await db.update(table.release).set({ steps: workbook.procedure.steps.length }).where(eq(table.release.id, row.id));
  }
}
