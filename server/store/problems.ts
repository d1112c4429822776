import { and, desc, eq, gt, sql } from 'drizzle-orm';
import type { EntryContent } from '#core/job/entry';
import type { Database, Queryable } from '../database/open';
import * as table from '../database/schema';
import { notFound } from '../ground/fault';
import { storedEntry } from './stored';

/** As many are shown, the newest. */
const MOST = 200;

/** Something that was wrong at the bench, as the trainer reads it at the step. */
export interface ToldProblem {
  readonly entryId: string;
  readonly stepId: string;
  readonly text: string;
  readonly about: (EntryContent & { kind: 'problem' })['about'] | null;
  readonly photo: string | null;
  readonly at: string;
  readonly by: string;
  readonly job: { readonly id: string; readonly number: number };
  readonly releaseNumber: number;
  readonly reply: { readonly text: string; readonly at: string; readonly correctedIn: number | null } | null;
}

/** What technicians reported at the steps of a procedure, in all its releases; the newest first. */
export async function problemsOf(db: Queryable, procedureId: string): Promise<ToldProblem[]> {
  const corrected = sql<number | null>`(SELECT number FROM ${table.release} r WHERE r.id = ${table.reply.releaseId})`;
  const rows = await db
    .select({
      entry: table.entry,
      by: table.user.name,
      job: { id: table.job.id, number: table.job.number },
      releaseNumber: table.release.number,
      reply: table.reply,
      correctedIn: corrected,
    })
    .from(table.entry)
    .innerJoin(table.job, eq(table.job.id, table.entry.jobId))
    .innerJoin(table.release, eq(table.release.id, table.job.releaseId))
    .innerJoin(table.user, eq(table.user.id, table.entry.by))
    .leftJoin(table.reply, eq(table.reply.entryId, table.entry.id))
    .where(
      and(
        eq(table.release.procedureId, procedureId),
        gt(table.job.problems, 0),
        sql`${table.entry.content} ->> 'kind' = 'problem'`,
      ),
    )
    .orderBy(desc(table.entry.at))
    .limit(MOST);
  return rows.flatMap(({ entry, by, job, releaseNumber, reply, correctedIn }) => {
    const content = storedEntry(entry);
    if (content.kind !== 'problem') return [];
    const { stepId, note, about = null, photo = null } = content;
    return [
      {
        ...{ entryId: entry.id, stepId, text: note, about, photo, by, job, releaseNumber },
        at: entry.at.toISOString(),
        reply: reply && { text: reply.text, at: reply.at.toISOString(), correctedIn },
      },
    ];
  });
}

/** Answers a problem; answered again, the newer text counts. */
export async function replyTo(db: Database, entryId: string, text: string, by: string): Promise<void> {
  const [there] = await db
    .select({ content: table.entry.content })
    .from(table.entry)
    .where(and(eq(table.entry.id, entryId), sql`${table.entry.content} ->> 'kind' = 'problem'`));
  if (!there) throw notFound('problem');
  const values = { text, by, at: new Date() };
  await db
    .insert(table.reply)
    .values({ entryId, ...values })
    .onConflictDoUpdate({ target: table.reply.entryId, set: values });
}

/** Says which release corrects some problems of its procedure; those of others are passed over. */
export async function correctedBy(
  db: Queryable,
  release: { readonly id: string; readonly procedureId: string; readonly number: number },
  entryIds: readonly string[],
  by: string,
): Promise<void> {
  const known = new Set((await problemsOf(db, release.procedureId)).map(({ entryId }) => entryId));
  for (const entryId of entryIds) {
    if (!known.has(entryId)) continue;
    await db
      .insert(table.reply)
      .values({ entryId, text: `Corrected in release ${release.number}.`, by, releaseId: release.id })
      .onConflictDoUpdate({ target: table.reply.entryId, set: { releaseId: release.id } });
  }
}
