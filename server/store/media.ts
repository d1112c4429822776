import { inArray } from 'drizzle-orm';
import { mediaOf } from '#core/pictures/media';
import type { StoredPhoto } from '../files/photos';
import type { Queryable } from './database';
import * as table from './schema';

export async function notePhotos(db: Queryable, photos: readonly StoredPhoto[], by: string): Promise<void> {
  for (const photo of photos)
    await db
      .insert(table.photo)
      .values({ ...photo, takenInBy: by })
      .onConflictDoNothing();
}

/** Photos that no draft, release or job names any more, the newest first. */
export async function unusedPhotos(db: Queryable): Promise<{ hash: string; bytes: number; createdAt: string }[]> {
  const drafts = await db.select({ document: table.procedure.document }).from(table.procedure);
  const releases = await db.select({ document: table.release.document }).from(table.release);
  const entries = await db.select({ content: table.entry.content }).from(table.entry);
  const frozen = releases.flatMap(({ document }) => [document.procedure, ...(document.before ?? [])]);
  const used = new Set([
    ...mediaOf([...drafts.map(({ document }) => document), ...frozen]).photos,
    ...entries.flatMap(({ content }) => (content.kind === 'photo-taken' ? [content.photo] : [])),
  ]);
  const all = await db.select().from(table.photo);
  return all
    .filter(({ hash }) => !used.has(hash))
    .map(({ hash, bytes, createdAt }) => ({ hash, bytes, createdAt: createdAt.toISOString() }))
    .sort((a, b) => b.createdAt.localeCompare(a.createdAt));
}

export async function forgetPhotos(db: Queryable, hashes: readonly string[]): Promise<void> {
  if (hashes.length > 0) await db.delete(table.photo).where(inArray(table.photo.hash, [...hashes]));
}
