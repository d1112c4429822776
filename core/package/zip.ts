import {
  strFromU8,
  strToU8,
  Unzip,
  UnzipInflate,
  UnzipPassThrough,
  Zip,
  ZipDeflate,
  ZipPassThrough,
  zipSync,
} from 'fflate';
import type { Package } from './package';

/** The document in a zipped package, and the folder beside it with photos and videos named by their hash. */
const DOCUMENT = 'package.json';
const MEDIA = /^media\/([0-9a-f]{64})\.(?:jpg|mp4|webm)$/;
/** What a zip may become; more is no package but a trap. */
export const MOST_UNPACKED = { document: 24 * 1024 * 1024, all: 1024 * 1024 * 1024, files: 10_000 };
/** Pushed at once when a whole zip is at hand: what one push can swell to is bounded by it. */
const CHUNK = 8 * 1024;

export interface PackedMedia {
  readonly hash: string;
  readonly ending: 'jpg' | 'mp4' | 'webm';
  readonly bytes: Uint8Array;
}

/** A package with its photos and videos as a zip. Media are packed as they are: they are compressed already. */
export function zipPackage(document: Package, media: readonly PackedMedia[]): Uint8Array {
  const files = Object.fromEntries(media.map((one) => [nameOf(one), [one.bytes, { level: 0 }]] as const));
  return zipSync({ [DOCUMENT]: documentBytes(document), ...files });
}

/** The same a piece at a time, so that never more than one photo or video is in memory. */
export class PackageZip {
  private readonly zip: Zip;

  constructor(document: Package, write: (chunk: Uint8Array) => void) {
    this.zip = new Zip((error, chunk) => {
      if (error) throw error;
      write(chunk);
    });
    this.add(new ZipDeflate(DOCUMENT), documentBytes(document));
  }

  addMedia(media: PackedMedia): void {
    this.add(new ZipPassThrough(nameOf(media)), media.bytes);
  }

  end(): void {
    this.zip.end();
  }

  private add(file: ZipDeflate | ZipPassThrough, bytes: Uint8Array): void {
    this.zip.add(file);
    file.push(bytes, true);
  }
}

function nameOf({ hash, ending }: PackedMedia): string {
  return `media/${hash}.${ending}`;
}

function documentBytes(document: Package): Uint8Array {
  return strToU8(`${JSON.stringify(document, null, 2)}\n`);
}

export type ZipFault = 'not-a-zip' | 'no-document' | 'too-large';

/** Where the pieces of a photo or video go, in their order. */
export type MediaSink = (hash: string) => (chunk: Uint8Array) => void;

/**
 * Reads a zipped package from its bytes as they come. What is made of them is counted as it is made, whatever the zip
 * claims: more than the limits is refused before it is kept. What else lies in the zip is left alone.
 */
export class PackageUnzip {
  private readonly unzip: Unzip;
  private readonly pieces: Uint8Array[] = [];
  private made = 0;
  private files = 0;
  private hasDocument = false;
  private fault: ZipFault | undefined;

  constructor(sink: MediaSink) {
    this.unzip = new Unzip((file) => {
      this.files += 1;
      if (this.files > MOST_UNPACKED.files) this.fault = 'too-large';
      const hash = MEDIA.exec(file.name)?.[1];
      if (file.name !== DOCUMENT && !hash) return;
      this.hasDocument ||= file.name === DOCUMENT;
      let inFile = 0;
      const take = hash ? sink(hash) : (chunk: Uint8Array) => void this.pieces.push(chunk);
      file.ondata = (error, chunk) => {
        if (error) this.fault ??= 'not-a-zip';
        if (this.fault) return;
        inFile += chunk.length;
        this.made += chunk.length;
        if (this.made > MOST_UNPACKED.all || (!hash && inFile > MOST_UNPACKED.document)) this.fault = 'too-large';
        else take(chunk);
      };
      file.start();
    });
    this.unzip.register(UnzipPassThrough);
    this.unzip.register(UnzipInflate);
  }

  /** Gives what is wrong as soon as it is known; nothing more is read then. */
  push(chunk: Uint8Array): ZipFault | undefined {
    for (let at = 0; at < chunk.length && !this.fault; at += CHUNK) {
      try {
        this.unzip.push(chunk.subarray(at, at + CHUNK));
      } catch {
        this.fault ??= 'not-a-zip';
      }
    }
    return this.fault;
  }

  /** The text of the document, once all is pushed. */
  end(): { text: string } | { fault: ZipFault } {
    try {
      if (!this.fault) this.unzip.push(new Uint8Array(), true);
    } catch {
      this.fault ??= 'not-a-zip';
    }
    if (this.fault) return { fault: this.fault };
    if (!this.hasDocument) return { fault: this.files === 0 ? 'not-a-zip' : 'no-document' };
    return { text: strFromU8(joined(this.pieces)) };
  }
}

export type ZipReading =
  | { ok: true; text: string; media: ReadonlyMap<string, Uint8Array> }
  | { ok: false; reason: ZipFault };

/** A zipped package that is at hand as a whole: the text of its document, and its media by name. */
export function unzipPackage(bytes: Uint8Array): ZipReading {
  const media = new Map<string, Uint8Array[]>();
  const reader = new PackageUnzip((hash) => {
    const pieces: Uint8Array[] = [];
    media.set(hash, pieces);
    return (chunk) => void pieces.push(chunk);
  });
  reader.push(bytes);
  const read = reader.end();
  if ('fault' in read) return { ok: false, reason: read.fault };
  return { ok: true, text: read.text, media: new Map([...media].map(([hash, pieces]) => [hash, joined(pieces)])) };
}

function joined(pieces: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(pieces.reduce((sum, piece) => sum + piece.length, 0));
  let at = 0;
  for (const piece of pieces) {
    whole.set(piece, at);
    at += piece.length;
  }
  return whole;
}

/** Whether bytes begin as a zip does. */
export function isZip(bytes: Uint8Array): boolean {
  return bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 0x03 && bytes[3] === 0x04;
}
