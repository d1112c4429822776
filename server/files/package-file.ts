import { createHash, randomUUID } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { appendFile, mkdir, open, readFile, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { mediaOf, renamingMedia } from '#core/model/pictures/media';
import type { Procedure } from '#core/model/procedure';
import { type Package, parsePackage } from '#core/package/package';
import { isZip, MOST_UNPACKED, PackageUnzip, PackageZip, type ZipFault } from '#core/package/zip';
import { badInput, Fault } from '../ground/fault';
import type { PhotoFiles, StoredPhoto } from './photos';
import type { VideoFiles } from './videos';

export interface MediaFiles {
  readonly photos: PhotoFiles;
  readonly videos: VideoFiles;
}

/** Whether a package goes out as a zip, with photos and videos, or as bare JSON. */
export function needsZip(document: Package): boolean {
  const { photos, videos } = mediaOf(document.procedures);
  return photos.size + videos.size > 0;
}

/** The package as a zip with its photos and videos, made while it is read. */
export function packFile(document: Package, { photos, videos }: MediaFiles): Readable {
  async function* pieces(): AsyncGenerator<Uint8Array> {
    let made: Uint8Array[] = [];
    const taken = () => {
      const now = made;
      made = [];
      return now;
    };
    const zip = new PackageZip(document, (chunk) => made.push(chunk));
    yield* taken();
    const named = mediaOf(document.procedures);
    for (const hash of named.photos) {
      const bytes = await photos.read(hash);
      if (bytes) zip.addMedia({ hash, ending: 'jpg', bytes });
      yield* taken();
    }
    for (const hash of named.videos) {
      const part = await videos.read(hash, 0, Number.POSITIVE_INFINITY);
      if (part) zip.addMedia({ hash, ending: part.type === 'video/webm' ? 'webm' : 'mp4', bytes: part.bytes });
      yield* taken();
    }
    zip.end();
    yield* taken();
  }
  return Readable.from(pieces());
}

/** A package that was read, with its media as files that wait in a folder of their own. */
export interface UnpackedFile {
  readonly package: Package;
  /** Paths by hash. */
  readonly media: Readonly<Record<string, string>>;
}

/**
 * Reads a package file, zipped or not, and lays its media into `folder`. Throws a Fault that says what is wrong; nothing
 * is stored yet, and whoever called removes the folder.
 */
export async function unpackFile(path: string, folder: string): Promise<UnpackedFile> {
  const file = await open(path);
  const start = new Uint8Array(4);
  try {
    await file.read(start, 0, 4, 0);
  } finally {
    await file.close();
  }
  return isZip(start) ? unzipped(path, folder) : { package: parsed(await documentText(path)), media: {} };
}

async function documentText(path: string): Promise<string> {
  if ((await stat(path)).size > MOST_UNPACKED.document) throw zipFault('too-large');
  return readFile(path, 'utf8');
}

async function unzipped(path: string, folder: string): Promise<UnpackedFile> {
  await mkdir(folder, { recursive: true });
  const digests = new Map<string, ReturnType<typeof createHash>>();
  let waiting: { path: string; chunk: Uint8Array }[] = [];
  const reader = new PackageUnzip((hash) => {
    const digest = createHash('sha256');
    digests.set(hash, digest);
    return (chunk) => {
      digest.update(chunk);
      waiting.push({ path: join(folder, hash), chunk });
    };
  });
  const settle = async () => {
    const now = waiting;
    waiting = [];
    for (const { path: to, chunk } of now) await appendFile(to, chunk);
  };
  for await (const chunk of createReadStream(path, { highWaterMark: 64 * 1024 })) {
    const fault = reader.push(chunk);
    if (fault) throw zipFault(fault);
    await settle();
  }
  const read = reader.end();
  await settle();
  if ('fault' in read) throw zipFault(read.fault);
  for (const [hash, digest] of digests) {
    if (digest.digest('hex') !== hash)
      throw badInput([{ path: `media/${hash}`, reason: 'is not the file it is named for; it was damaged on the way' }]);
  }
  const media = Object.fromEntries([...digests.keys()].map((hash) => [hash, join(folder, hash)]));
  return { package: parsed(read.text), media };
}

function parsed(text: string): Package {
  const reading = parsePackage(text);
  if (!reading.ok) throw badInput(reading.faults);
  return reading.package;
}

function zipFault(fault: ZipFault): Fault {
  switch (fault) {
    case 'too-large':
      return new Fault(
        413,
        'too-large',
        'Unpacked, that package is larger than any that this program makes.',
        'Export it again with fewer videos, or in several parts.',
      );
    case 'no-document':
    case 'not-a-zip':
      return new Fault(400, 'broken-package', 'That zip holds no package.', 'Export it again and send the new file.');
  }
}

/** A folder of its own for the time of some work; it is gone afterwards, whatever happened. */
export async function withFolder<T>(under: string, work: (folder: string) => Promise<T>): Promise<T> {
  const folder = join(under, randomUUID());
  await mkdir(folder, { recursive: true });
  try {
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** Writes what comes in to a file as it comes; refuses what is larger than `limit` bytes. */
export async function writeUpload(
  body: ReadableStream<Uint8Array> | null,
  path: string,
  limit: number,
  refusal: () => Fault,
): Promise<void> {
  let size = 0;
  const counted = new Transform({
    transform(chunk: Uint8Array, _encoding, done) {
      size += chunk.length;
      if (size > limit) done(refusal());
      else done(null, chunk);
    },
  });
  const sent = body ? Readable.fromWeb(body as Parameters<typeof Readable.fromWeb>[0]) : Readable.from([]);
  await pipeline(sent, counted, createWriteStream(path, { flush: true }));
}

/** What came in with a package: photos as stored, and the procedures with their media under the names they have here. */
export interface KeptMedia {
  readonly photos: readonly StoredPhoto[];
  readonly procedures: readonly Procedure[];
}

/**
 * Stores the media of an unpacked file, then does the work that rests on them. When either fails, what was not there
 * before is taken away again: all of a package comes in, or nothing.
 */
export async function withMedia<T>(
  { package: { procedures }, media }: UnpackedFile,
  files: MediaFiles,
  work: (kept: KeptMedia) => Promise<T>,
): Promise<T> {
  const named = mediaOf(procedures);
  const photos: StoredPhoto[] = [];
  const names = new Map<string, string>();
  const fresh: (() => Promise<void>)[] = [];
  try {
    for (const hash of named.photos) {
      const path = media[hash];
      if (!path) continue;
      if (!(await files.photos.has(hash))) fresh.push(() => files.photos.remove(hash));
      const stored = await files.photos.keep(hash, await readFile(path));
      names.set(hash, stored.hash);
      photos.push(stored);
    }
    for (const hash of named.videos) {
      const path = media[hash];
      if (!path) continue;
      if (!(await files.videos.read(hash, 0, 0))) fresh.push(() => files.videos.remove(hash));
      names.set(hash, (await files.videos.takeIn(path)).hash);
    }
    return await work({ photos, procedures: renamingMedia(procedures, names) });
  } catch (error) {
    for (const remove of fresh) await remove();
    throw error;
  }
}
