import { wrap } from 'comlink';
import type { Region } from '#core/photo/grey';
import type { PhotoFault } from '#core/photo/judge-photo';
import { photoUrl } from '../../../ground/api';
import type { PhotoJudge } from '../../../workers/photo.worker';

/** What is wrong with a photo; nothing where it cannot be judged here, for a photo that is taken counts more. */
export async function judgeTaken(
  picture: Blob,
  region: Region | undefined,
  referenceHash: string | undefined,
): Promise<PhotoFault[]> {
  if (typeof OffscreenCanvas === 'undefined') return [];
  const worker = new Worker(new URL('../../../workers/photo.worker.ts', import.meta.url), { type: 'module' });
  try {
    // A worker that cannot be loaded, or hangs, keeps nobody from going on.
    const given = new Promise<PhotoFault[]>((resolve) => {
      worker.addEventListener('error', () => resolve([]));
      setTimeout(() => resolve([]), LONGEST_MS);
    });
    const judged = wrap<PhotoJudge>(worker).judge(picture, region, await pictureOf(referenceHash));
    return await Promise.race([judged, given]);
  } catch {
    return [];
  } finally {
    worker.terminate();
  }
}

const LONGEST_MS = 8000;

/** From the server or from what this device keeps of it; without it likeness is not judged. */
async function pictureOf(hash: string | undefined): Promise<Blob | undefined> {
  if (hash === undefined) return undefined;
  const found = await fetch(photoUrl(hash)).catch(() => undefined);
  return found?.ok ? found.blob() : undefined;
}
