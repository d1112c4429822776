import { expose } from 'comlink';
import { type Grey, greyOf, type Region } from '#core/photo/grey';
import { JUDGED_AT, judgePhoto, type PhotoFault } from '#core/photo/judge-photo';

/** Photos are decoded and judged beside the screen. */
const judge = {
  async judge(picture: Blob, region: Region | undefined, reference: Blob | undefined): Promise<PhotoFault[]> {
    const [taken, wanted] = await Promise.all([greyFrom(picture), reference && greyFrom(reference)]);
    return judgePhoto(taken, region, wanted?.grey);
  },
};
export type PhotoJudge = typeof judge;
expose(judge);

async function greyFrom(picture: Blob): Promise<{ grey: Grey; longest: number }> {
  const bitmap = await createImageBitmap(picture, { imageOrientation: 'from-image' });
  const longest = Math.max(bitmap.width, bitmap.height);
  const share = Math.min(1, JUDGED_AT / longest);
  const [width, height] = [Math.round(bitmap.width * share), Math.round(bitmap.height * share)];
  const paper = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
  if (!paper) throw new Error('no canvas');
  paper.imageSmoothingQuality = 'high';
  paper.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  return { grey: greyOf(paper.getImageData(0, 0, width, height).data, width, height), longest };
}
