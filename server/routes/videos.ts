import { join } from 'node:path';
import { Hono } from 'hono';
import { z } from 'zod';
import { PhotoHash } from '#core/model/pictures/photo-hash';
import { withFolder, writeUpload } from '../files/package-file';
import { VIDEO_LIMIT_BYTES } from '../files/videos';
import { Fault, notFound } from '../ground/fault';
import { EVERYONE, only, type SignedIn, WRITERS } from '../services/access';
import type { Services } from '../services/services';
import { valid } from '../services/validate';

/** A player asks for stretches; none is answered with more than this at once. */
const STRETCH_BYTES = 4 * 1024 * 1024;

/** Videos in (the video itself is the body) and out a stretch at a time, to signed-in people only. */
export function videoRoutes({ videos, places }: Services) {
  return new Hono<SignedIn>()
    .post('/videos', only(...WRITERS), async (c) =>
      withFolder(places.uploads, async (folder) => {
        const file = join(folder, 'upload');
        await writeUpload(c.req.raw.body, file, VIDEO_LIMIT_BYTES, tooLarge);
        return c.json(await videos.takeIn(file), 201);
      }),
    )
    .get('/videos/:hash', only(...EVERYONE), valid('param', z.object({ hash: PhotoHash })), async (c) => {
      const { from, to } = stretchAsked(c.req.header('range'));
      const part = await videos.read(c.req.valid('param').hash, from, Math.min(to, from + STRETCH_BYTES - 1));
      if (!part) throw notFound('video');
      return c.body(part.bytes, 206, {
        'Content-Type': part.type,
        'Content-Range': `bytes ${part.from}-${part.to}/${part.size}`,
        'Accept-Ranges': 'bytes',
        'Cache-Control': 'private, max-age=31536000, immutable',
      });
    });
}

/** The stretch a player asks for (RFC 9110, 14.1.2); from the start where it asks for none that there can be. */
function stretchAsked(range: string | undefined): { from: number; to: number } {
  const [, first, last] = /^bytes=(\d{1,15})-(\d{0,15})$/.exec(range ?? '') ?? [];
  const from = Number(first ?? 0);
  const to = last ? Number(last) : Number.POSITIVE_INFINITY;
  return from <= to ? { from, to } : { from: 0, to: Number.POSITIVE_INFINITY };
}

function tooLarge(): Fault {
  return new Fault(413, 'too-large', 'That video is over 200 MB.', 'Cut it shorter and send it again.');
}
