import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { z } from 'zod';
import { PhotoHash } from '#core/model/pictures/photo-hash';
import { PHOTO_LIMIT_BYTES } from '../files/photos';
import { Fault, notFound } from '../ground/fault';
import { BENCH, EVERYONE, only, type SignedIn } from '../services/access';
import type { Services } from '../services/services';
import { valid } from '../services/validate';
import { notePhotos } from '../store/media';

const Named = z.object({ hash: PhotoHash });
const Size = z.object({ size: z.enum(['full', 'thumb']).default('full') });

/** Photos in (the picture itself is the body) and out, to signed-in people only. */
export function photoRoutes({ db, photos }: Services) {
  return new Hono<SignedIn>()
    .post('/photos', only(...BENCH), bodyLimit({ maxSize: PHOTO_LIMIT_BYTES, onError: tooLarge }), async (c) => {
      const stored = await photos.takeIn(new Uint8Array(await c.req.arrayBuffer()));
      await notePhotos(db, [stored], c.get('person').id);
      return c.json(stored, 201);
    })
    .get('/photos/:hash', only(...EVERYONE), valid('param', Named), valid('query', Size), async (c) => {
      const bytes = await photos.read(c.req.valid('param').hash, c.req.valid('query').size);
      if (!bytes) throw notFound('photo');
      return c.body(new Uint8Array(bytes), 200, {
        'Content-Type': 'image/jpeg',
        'Cache-Control': 'private, max-age=31536000, immutable',
      });
    });
}

function tooLarge(): never {
  throw new Fault(413, 'too-large', 'That photo is over 25 MB.', 'Send a smaller picture.');
}
