import { createHash, randomUUID } from 'node:crypto';
import { mkdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileTypeFromBuffer } from 'file-type';
import PQueue from 'p-queue';
import sharp from 'sharp';
import { Fault } from '../ground/fault';
import { syncFolder } from './folders';

const ACCEPTED = ['image/jpeg', 'image/png', 'image/webp'];
const LONGEST_EDGE = 2560;
const THUMBNAIL_EDGE = 360;
export const PHOTO_LIMIT_BYTES = 25 * 1024 * 1024;
/** A small file can claim to be a picture of any size; more points than this are not unpacked. */
const MOST_PIXELS = 64_000_000;
/** Pictures are worked on beside the server, one by one, so that a processor stays free to answer. */
const oneAtATime = new PQueue({ concurrency: 1 });
sharp.concurrency(1);

export interface StoredPhoto {
  /** SHA-256 of the stored bytes; the photo's name everywhere. */
  readonly hash: string;
  readonly width: number;
  readonly height: number;
  readonly bytes: number;
}

/** Photos on disk, each stored once under the hash of its bytes, with a thumbnail beside it. */
export class PhotoFiles {
  constructor(private readonly folder: string) {}

  /**
   * Takes in an image of any accepted type: turned upright by its EXIF orientation, stripped of all metadata (place
   * included) and kept as JPEG of at most 2560 px. The type is read from the content, whatever the sender calls it.
   */
  async takeIn(upload: Uint8Array): Promise<StoredPhoto> {
    const type = await fileTypeFromBuffer(upload);
    if (!type || !ACCEPTED.includes(type.mime)) {
      throw new Fault(
        415,
        'not-a-photo',
        type ? `That file is ${type.mime}, not a photo.` : 'That file is not a photo.',
        'Send a JPEG, PNG or WebP picture.',
      );
    }
    const { data, info } = await this.upright(upload);
    const hash = createHash('sha256').update(data).digest('hex');
    await this.store(hash, data);
    return { hash, width: info.width, height: info.height, bytes: data.length };
  }

  /**
   * Keeps a photo that another workshop took in, byte for byte where it says nothing but the picture. One that says
   * where it was taken, or anything else about its taking, is taken in anew and has another hash then.
   */
  async keep(hash: string, data: Uint8Array): Promise<StoredPhoto> {
    const type = await fileTypeFromBuffer(data);
    if (type?.mime !== 'image/jpeg') throw broken('A picture in the package is not a photo.');
    const { width, height, exif, xmp, iptc } = await read(data).metadata();
    if (exif || xmp || iptc) return this.takeIn(data);
    await this.store(hash, data);
    return { hash, width, height, bytes: data.length };
  }

  async remove(hash: string): Promise<void> {
    await rm(this.pathOf(hash), { force: true });
    await rm(this.pathOf(hash, 'thumb'), { force: true });
  }

  has(hash: string): Promise<boolean> {
    return exists(this.pathOf(hash));
  }

  private async store(hash: string, data: Uint8Array): Promise<void> {
    if (!(await exists(this.pathOf(hash)))) {
      const thumbnail = await sharp(data)
        .resize({ width: THUMBNAIL_EDGE, height: THUMBNAIL_EDGE, fit: 'inside' })
        .jpeg({ quality: 78 })
        .toBuffer();
      await this.put(this.pathOf(hash, 'thumb'), thumbnail);
      await this.put(this.pathOf(hash), data);
    }
  }

  async read(hash: string, size: 'full' | 'thumb' = 'full'): Promise<Buffer | undefined> {
    return readFile(this.pathOf(hash, size)).catch((error: NodeJS.ErrnoException) => {
      if (error.code === 'ENOENT') return undefined;
      throw error;
    });
  }

  private upright(upload: Uint8Array): Promise<{ data: Buffer; info: { width: number; height: number } }> {
    return oneAtATime.add(async () => {
      try {
        return await read(upload)
          .rotate()
          .resize({ width: LONGEST_EDGE, height: LONGEST_EDGE, fit: 'inside', withoutEnlargement: true })
          .flatten({ background: '#ffffff' })
          .jpeg({ quality: 86, mozjpeg: true })
          .toBuffer({ resolveWithObject: true });
      } catch (error) {
        throw /pixel limit/i.test(String(error))
          ? new Fault(
              413,
              'too-many-pixels',
              `That picture has more than ${MOST_PIXELS / 1e6} million points.`,
              'Make it smaller and send it again.',
            )
          : broken('That picture is damaged and cannot be read.');
      }
    }) as Promise<{ data: Buffer; info: { width: number; height: number } }>;
  }

  private pathOf(hash: string, size: 'full' | 'thumb' = 'full'): string {
    return join(this.folder, hash.slice(0, 2), size === 'full' ? `${hash}.jpg` : `${hash}.thumb.jpg`);
  }

  /** Written beside and renamed, so that a killed process leaves no half a photo. */
  private async put(path: string, data: Uint8Array): Promise<void> {
    await mkdir(join(path, '..'), { recursive: true });
    const draft = `${path}.${randomUUID()}`;
    await writeFile(draft, data, { flush: true });
    await rename(draft, path);
    await syncFolder(join(path, '..'));
  }
}

function read(upload: Uint8Array) {
  return sharp(upload, { failOn: 'error', limitInputPixels: MOST_PIXELS });
}

function broken(what: string): Fault {
  return new Fault(415, 'broken-photo', what, 'Take the photo again and send the new one.');
}

async function exists(path: string): Promise<boolean> {
  return stat(path).then(
    () => true,
    () => false,
  );
}
