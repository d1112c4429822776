import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import type { Package } from './package';

/** The document in a zipped package, and the folder beside it with photos and videos named by their hash. */
const DOCUMENT = 'package.json';
const MEDIA = /^media\/([0-9a-f]{64})\.(?:jpg|mp4|webm)$/;
/** Unpacked, a package may take this much; more is no package but a trap. */
const MOST_UNPACKED_BYTES = 1024 * 1024 * 1024;

export interface PackedMedia {
  readonly hash: string;
  readonly ending: 'jpg' | 'mp4' | 'webm';
  readonly bytes: Uint8Array;
}

/** A package with its photos and videos as a zip. Media are packed as they are: they are compressed already. */
export function zipPackage(document: Package, media: readonly PackedMedia[]): Uint8Array {
  const files = Object.fromEntries(
    media.map(({ hash, ending, bytes }) => [`media/${hash}.${ending}`, [bytes, { level: 0 }]] as const),
  );
  return zipSync({ [DOCUMENT]: strToU8(`${JSON.stringify(document, null, 2)}\n`), ...files });
}

export type ZipReading =
  | { ok: true; text: string; media: ReadonlyMap<string, Uint8Array> }
  | { ok: false; reason: 'not-a-zip' | 'no-document' | 'too-large' };

/** The text of the document in a zip, and its media by name. What else lies in the zip is left alone. */
export function unzipPackage(bytes: Uint8Array): ZipReading {
  let unpacked = 0;
  try {
    const files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (name !== DOCUMENT && !MEDIA.test(name)) return false;
        unpacked += originalSize;
        return unpacked <= MOST_UNPACKED_BYTES;
      },
    });
    if (unpacked > MOST_UNPACKED_BYTES) return { ok: false, reason: 'too-large' };
    const document = files[DOCUMENT];
    if (!document) return { ok: false, reason: 'no-document' };
    const media = new Map(
      Object.entries(files).flatMap(([name, data]) => {
        const hash = MEDIA.exec(name)?.[1];
        return hash ? [[hash, data] as const] : [];
      }),
    );
    return { ok: true, text: strFromU8(document), media };
  } catch {
    return { ok: false, reason: 'not-a-zip' };
  }
}

/** Whether bytes begin as a zip does. */
export function isZip(bytes: Uint8Array): boolean {
  return bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 0x03 && bytes[3] === 0x04;
}
