import { Hono } from 'hono';
import { z } from 'zod';
import { PhotoHash } from '#core/model/pictures/photo-hash';
import { only, type SignedIn, WRITERS } from '../services/access';
import type { Services } from '../services/services';
import { valid } from '../services/validate';
import { forgetPhotos, unusedMedia } from '../store/media';

/** What was taken in a moment ago may still be on its way into a step or a job. */
const SETTLED_MS = 60 * 60 * 1000;
const Hashes = z.array(PhotoHash).max(500);

/** Photos and videos that nothing shows any more: listed, and deleted when a person says so. */
export function mediaRoutes({ db, photos, videos }: Services) {
  const unused = async () => unusedMedia(db, await videos.list(), new Date(Date.now() - SETTLED_MS));
  return new Hono<SignedIn>()
    .get('/media/unused', only(...WRITERS), async (c) => c.json(await unused()))
    .delete(
      '/media/unused',
      only(...WRITERS),
      valid('json', z.strictObject({ photos: Hashes, videos: Hashes })),
      async (c) => {
        // What is used again since it was listed stays.
        const asked = c.req.valid('json');
        const now = await unused();
        const goingPhotos = now.photos.map(({ hash }) => hash).filter((hash) => asked.photos.includes(hash));
        const goingVideos = now.videos.map(({ hash }) => hash).filter((hash) => asked.videos.includes(hash));
        await forgetPhotos(db, goingPhotos);
        for (const hash of goingPhotos) await photos.remove(hash);
        for (const hash of goingVideos) await videos.remove(hash);
        return c.json({ deleted: goingPhotos.length + goingVideos.length });
      },
    );
}
