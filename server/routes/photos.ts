import { createHash } from 'node:crypto';
import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { z } from 'zod';
import { PhotoHash } from '#core/model/pictures/photo-hash';
import { PHOTO_LIMIT_BYTES } from '../files/photos';
import { Fault, notFound } from '../ground/fault';
import { BENCH, EVERYONE, only, type SignedIn, WRITERS } from '../services/access';
import type { Services } from '../services/services';
import { valid } from '../services/validate';
import { isForWriters, notePhotoSource, notePhotos } from '../store/media';

const Named = z.object({ hash: PhotoHash });
const Size = z.object({ size: z.enum(['full', 'thumb']).default('full') });

/** Photos in (the picture itself is the body) and out, to signed-in people only. */
export function photoRoutes({ db, photos }: Services) {
  return new Hono<SignedIn>()
    .post('/photos', only(...BENCH), bodyLimit({ maxSize: PHOTO_LIMIT_BYTES, onError: tooLarge }), async (c) => {
      const sent = new Uint8Array(await c.req.arrayBuffer());
      const stored = await photos.takeIn(sent);
      await notePhotos(db, [stored], c.get('person').id);
      await notePhotoSource(db, createHash('sha256').update(sent).digest('hex'), stored.hash);
      return c.json(stored, 201);
    })
    .get('/photos/:hash', only(...EVERYONE), valid('param', Named), valid('query', Size), async (c) => {
      const { hash } = c.req.valid('param');
      const writes = WRITERS.includes(c.get('person').role);
      if (!writes && (await isForWriters(db, hash))) throw notFound('photo');
      const bytes = await photos.read(hash, c.req.valid('query').size);
      if (!bytes) throw notFound('photo');
      return c.body(new Uint8Array(bytes), 200, {
        'Content-Type': 'image/jpeg',
        // What is blurred later is not shown from a memory of before.
        'Cache-Control': writes ? 'private, max-age=31536000, immutable' : 'private, max-age=86400',
        Vary: 'Cookie',
      });
    });
}

function tooLarge(): never {
  throw new Fault(413, 'too-large', 'That photo is over 25 MB.', 'Send a smaller picture.');
}
