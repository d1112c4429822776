import { createHash } from 'node:crypto';
import { mediaOf } from '#core/model/pictures/media';
import { type Package, parsePackage } from '#core/package/package';
import { isZip, type PackedMedia, unzipPackage, zipPackage } from '#core/package/zip';
import { badInput, Fault } from '../ground/fault';
import type { PhotoFiles, StoredPhoto } from './photos';
import type { VideoFiles } from './videos';

export interface MediaFiles {
  readonly photos: PhotoFiles;
  readonly videos: VideoFiles;
}

/** The package as a file: JSON, or a zip with its photos and videos where it names any. */
export async function packFile(document: Package, { photos, videos }: MediaFiles): Promise<{ zip: Uint8Array | null }> {
  const named = mediaOf(document.procedures);
  if (named.photos.size + named.videos.size === 0) return { zip: null };
  const packed: PackedMedia[] = [];
  for (const hash of named.photos) {
    const bytes = await photos.read(hash);
    if (bytes) packed.push({ hash, ending: 'jpg', bytes });
  }
  for (const hash of named.videos) {
    const part = await videos.read(hash, 0, Number.POSITIVE_INFINITY);
    if (part) packed.push({ hash, ending: part.type === 'video/webm' ? 'webm' : 'mp4', bytes: part.bytes });
  }
  return { zip: zipPackage(document, packed) };
}

export interface UnpackedFile {
  readonly package: Package;
  readonly media: ReadonlyMap<string, Uint8Array>;
}

/** Reads a package file, zipped or not. Throws a Fault that says what is wrong; nothing is stored yet. */
export function unpackFile(bytes: Uint8Array): UnpackedFile {
  let text: string;
  let media: ReadonlyMap<string, Uint8Array> = new Map();
  if (isZip(bytes)) {
    const reading = unzipPackage(bytes);
    if (!reading.ok)
      throw new Fault(400, 'broken-package', 'That zip holds no package.', 'Export it again and send the new file.');
    ({ text, media } = reading);
  } else text = new TextDecoder().decode(bytes);
  const reading = parsePackage(text);
  if (!reading.ok) throw badInput(reading.faults);
  for (const [hash, data] of media) {
    if (createHash('sha256').update(data).digest('hex') !== hash)
      throw badInput([{ path: `media/${hash}`, reason: 'is not the file it is named for; it was damaged on the way' }]);
  }
  return { package: reading.package, media };
}

/** Media that were stored for a package, and how to take them away again. */
interface KeptMedia {
  readonly photos: readonly StoredPhoto[];
  undo(): Promise<void>;
}

/**
 * Stores the media of an unpacked file under the hashes that its steps name, then does the work that rests on them. When
 * either fails, what was not there before is taken away again: all of a package comes in, or nothing.
 */
export async function withMedia<T>(
  unpacked: UnpackedFile,
  files: MediaFiles,
  work: (photos: readonly StoredPhoto[]) => Promise<T>,
): Promise<T> {
  const kept = await keepMedia(unpacked, files);
  try {
    return await work(kept.photos);
  } catch (error) {
    await kept.undo();
    throw error;
  }
}

async function keepMedia({ package: { procedures }, media }: UnpackedFile, files: MediaFiles): Promise<KeptMedia> {
  const named = mediaOf(procedures);
  const photos: StoredPhoto[] = [];
  const fresh: (() => Promise<void>)[] = [];
  const undo = async () => {
    for (const remove of fresh) await remove();
  };
  try {
    for (const hash of named.photos) {
      const data = media.get(hash);
      if (!data) continue;
      if (!(await files.photos.read(hash, 'thumb'))) fresh.push(() => files.photos.remove(hash));
      photos.push(await files.photos.keep(hash, data));
    }
    for (const hash of named.videos) {
      const data = media.get(hash);
      if (!data) continue;
      if (!(await files.videos.read(hash, 0, 0))) fresh.push(() => files.videos.remove(hash));
      await files.videos.takeIn(data);
    }
  } catch (error) {
    await undo();
    throw error;
  }
  return { photos, undo };
}
