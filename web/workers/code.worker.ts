import { expose } from 'comlink';
import jsQR from 'jsqr';

/** As large as a picture is looked through: a label fills a good part of it. */
const LOOKED_THROUGH_AT = 800;

/** Codes are looked for beside the screen. */
const reader = {
  /** What a code in the picture says; undefined where there is none. */
  async read(picture: Blob | ImageBitmap): Promise<string | undefined> {
    const bitmap = picture instanceof Blob ? await createImageBitmap(picture) : picture;
    const share = Math.min(1, LOOKED_THROUGH_AT / Math.max(bitmap.width, bitmap.height));
    const [width, height] = [Math.round(bitmap.width * share), Math.round(bitmap.height * share)];
    const paper = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
    if (!paper) return undefined;
    paper.drawImage(bitmap, 0, 0, width, height);
    bitmap.close();
    return jsQR(paper.getImageData(0, 0, width, height).data, width, height)?.data;
  },
};
export type CodeReader = typeof reader;
expose(reader);
