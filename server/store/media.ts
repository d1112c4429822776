import { eq, inArray } from 'drizzle-orm';
import { photoNamedIn } from '#core/job/entry-words';
import { blurredAndOpen, mediaOf } from '#core/model/pictures/media';
import type { Step } from '#core/model/procedure';
import type { Queryable } from '../database/open';
import * as table from '../database/schema';
import type { StoredPhoto } from '../files/photos';
import type { KeptFile } from '../files/videos';

/** One that was taken in before counts as taken in anew. */
export async function notePhotos(db: Queryable, photos: readonly StoredPhoto[], by: string): Promise<void> {
  for (const photo of photos)
    await db
      .insert(table.photo)
      .values({ ...photo, takenInBy: by })
      .onConflictDoUpdate({ target: table.photo.hash, set: { createdAt: new Date() } });
}

/**
 * Photos, and those of `videos`, that no draft, release or job names any more and that were taken in before `before`;
 * the newest first.
 */
export async function unusedMedia(
  db: Queryable,
  videos: readonly KeptFile[],
  before: Date,
): Promise<{ photos: KeptFile[]; videos: KeptFile[] }> {
  const drafts = await db.select({ document: table.procedure.document }).from(table.procedure);
  const releases = await db.select({ document: table.release.document }).from(table.release);
  const entries = await db.select({ content: table.entry.content }).from(table.entry);
  const frozen = releases.flatMap(({ document }) => [document.procedure, ...(document.before ?? [])]);
  const shown = mediaOf([...drafts.map(({ document }) => document), ...frozen]);
  const taken = new Set(entries.flatMap(({ content }) => photoNamedIn(content) ?? []));
  const photos = (await db.select().from(table.photo)).map(({ hash, bytes, createdAt }) => ({
    hash,
    bytes,
    takenInAt: createdAt.toISOString(),
  }));
  const unused = (files: readonly KeptFile[], used: (hash: string) => boolean) =>
    files
      .filter(({ hash, takenInAt }) => !used(hash) && takenInAt < before.toISOString())
      .sort((a, b) => b.takenInAt.localeCompare(a.takenInAt));
  return {
    photos: unused(photos, (hash) => shown.photos.has(hash) || taken.has(hash)),
    videos: unused(videos, (hash) => shown.videos.has(hash)),
  };
}

export async function forgetPhotos(db: Queryable, hashes: readonly string[]): Promise<void> {
  if (hashes.length > 0) await db.delete(table.photo).where(inArray(table.photo.hash, [...hashes]));
}

/** A device knows a photo by what it sent, before it hears what was made of it. */
export async function notePhotoSource(db: Queryable, sent: string, photo: string): Promise<void> {
  await db
    .insert(table.photoSource)
    .values({ sent, photo })
    .onConflictDoUpdate({ target: table.photoSource.sent, set: { photo } });
}

/** Where steps blur part of a picture, the picture without the blur is for those who write; until they show it again. */
export async function withholdBlurred(db: Queryable, steps: readonly Step[]): Promise<void> {
  const { blurred, open } = blurredAndOpen(steps);
  const mark = async (hashes: string[], writersOnly: boolean) => {
    if (hashes.length > 0) await db.update(table.photo).set({ writersOnly }).where(inArray(table.photo.hash, hashes));
  };
  await mark(blurred, true);
  await mark(open, false);
}

export async function isForWriters(db: Queryable, hash: string): Promise<boolean> {
  const [row] = await db
    .select({ writersOnly: table.photo.writersOnly })
    .from(table.photo)
    .where(eq(table.photo.hash, hash));
  return row?.writersOnly ?? false;
}
