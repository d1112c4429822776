import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { mkdir, open, readdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { fileTypeFromFile } from 'file-type';
import { Fault } from '../ground/fault';
import { syncFolder } from './folders';
import { stripMp4, stripWebm } from './video-details';

/** What browsers play without help. */
const ACCEPTED: Readonly<Record<string, string>> = { 'video/mp4': 'mp4', 'video/webm': 'webm' };
export const VIDEO_LIMIT_BYTES = 200 * 1024 * 1024;

/** A photo or video as it lies on the disk. */
export interface KeptFile {
  readonly hash: string;
  readonly bytes: number;
  /** When it was last taken in, ISO 8601. */
  readonly takenInAt: string;
}

export interface VideoPart {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly type: string;
  readonly from: number;
  readonly to: number;
  readonly size: number;
}

/** Short videos on disk, each kept as it came under the hash of its bytes, and read a stretch at a time. */
export class VideoFiles {
  constructor(private readonly folder: string) {}

  /** Takes in a video that was written to a file, which is gone afterwards; what it says of its taking is taken out. */
  async takeIn(upload: string): Promise<{ hash: string; bytes: number }> {
    const type = await fileTypeFromFile(upload);
    const ending = type && ACCEPTED[type.mime];
    if (!ending) {
      throw new Fault(
        415,
        'not-a-video',
        type ? `That file is ${type.mime}, which browsers do not all play.` : 'That file is not a video.',
        'Send an MP4 or WebM video.',
      );
    }
    const file = await open(upload, 'r+');
    const { size } = await file.stat();
    try {
      await (ending === 'mp4' ? stripMp4 : stripWebm)(file, size);
      await file.sync();
    } finally {
      await file.close();
    }
    const digest = createHash('sha256');
    for await (const chunk of createReadStream(upload)) digest.update(chunk);
    const hash = digest.digest('hex');
    const path = this.pathOf(hash, ending);
    await mkdir(join(path, '..'), { recursive: true });
    // Written elsewhere and renamed, so that a killed process leaves no half a video.
    await rename(upload, path);
    await syncFolder(join(path, '..'));
    return { hash, bytes: size };
  }

  /** A stretch of a video, both ends included; undefined when there is no such video, or nothing at `from`. */
  async read(hash: string, from: number, to: number): Promise<VideoPart | undefined> {
    for (const [type, ending] of Object.entries(ACCEPTED)) {
      const path = this.pathOf(hash, ending);
      const size = await stat(path).then(
        (file) => file.size,
        () => 0,
      );
      if (size <= from) continue;
      const last = Math.min(to, size - 1);
      const bytes = new Uint8Array(last - from + 1);
      const file = await open(path);
      try {
        await file.read(bytes, 0, bytes.length, from);
      } finally {
        await file.close();
      }
      return { bytes, type, from, to: last, size };
    }
    return undefined;
  }

  /** Every video that is kept. */
  async list(): Promise<KeptFile[]> {
    const names = await readdir(this.folder, { recursive: true }).catch(() => []);
    const kept = names.flatMap((name) => {
      const hash = /([0-9a-f]{64})\.(?:mp4|webm)$/.exec(name)?.[1];
      return hash ? [{ hash, name }] : [];
    });
    return Promise.all(
      kept.map(async ({ hash, name }) => {
        const { size, mtime } = await stat(join(this.folder, name));
        return { hash, bytes: size, takenInAt: mtime.toISOString() };
      }),
    );
  }

  async remove(hash: string): Promise<void> {
    for (const ending of Object.values(ACCEPTED)) await rm(this.pathOf(hash, ending), { force: true });
  }

  private pathOf(hash: string, ending: string): string {
    return join(this.folder, hash.slice(0, 2), `${hash}.${ending}`);
  }
}
