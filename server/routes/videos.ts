import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { z } from 'zod';
import { PhotoHash } from '#core/model/pictures/photo-hash';
import { VIDEO_LIMIT_BYTES } from '../files/videos';
import { Fault, notFound } from '../ground/fault';
import { EVERYONE, only, type SignedIn, WRITERS } from '../services/access';
import type { Services } from '../services/services';
import { valid } from '../services/validate';

/** A player asks for stretches; none is answered with more than this at once. */
const STRETCH_BYTES = 4 * 1024 * 1024;

/** Videos in (the video itself is the body) and out a stretch at a time, to signed-in people only. */
export function videoRoutes({ videos }: Services) {
  return new Hono<SignedIn>()
    .post('/videos', only(...WRITERS), bodyLimit({ maxSize: VIDEO_LIMIT_BYTES, onError: tooLarge }), async (c) =>
      c.json(await videos.takeIn(new Uint8Array(await c.req.arrayBuffer())), 201),
    )
    .get('/videos/:hash', only(...EVERYONE), valid('param', z.object({ hash: PhotoHash })), async (c) => {
      const [, first = '0', last = ''] = /^bytes=(\d+)-(\d*)$/.exec(c.req.header('range') ?? '') ?? [];
      const from = Number(first);
      const part = await videos.read(
        c.req.valid('param').hash,
        from,
        Math.min(last === '' ? Number.POSITIVE_INFINITY : Number(last), from + STRETCH_BYTES - 1),
      );
      if (!part) throw notFound('video');
      return c.body(part.bytes, 206, {
        'Content-Type': part.type,
        'Content-Range': `bytes ${part.from}-${part.to}/${part.size}`,
        'Accept-Ranges': 'bytes',
        'Cache-Control': 'private, max-age=31536000, immutable',
      });
    });
}

function tooLarge(): never {
  throw new Fault(413, 'too-large', 'That video is over 200 MB.', 'Cut it shorter and send it again.');
}
