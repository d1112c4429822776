import { type ExposureFault, exposureFault, exposureOf } from './exposure';
import { cropped, type Grey, type Region } from './grey';
import { type BlurFault, blurFault, blurOf } from './sharpness';
import { likenessOf, showsOther } from './similarity';

/** What is wrong with a photo, so that it may not show what it has to. */
export const PHOTO_FAULTS = [
  'too-small',
  'too-dark',
  'too-bright',
  'no-contrast',
  'blurred',
  'moved',
  'other-view',
] as const;
export type PhotoFault = (typeof PHOTO_FAULTS)[number];

/** A photo as it is judged: made smaller, with the size it came in. */
export interface TakenPhoto {
  readonly grey: Grey;
  /** Pixels as taken, along the longer side. */
  readonly longest: number;
}

/** The longer side at which photos are judged: what is blurred here is blurred on a tablet. */
export const JUDGED_AT = 1024;
/** With fewer pixels along the longer side of what matters, nothing can be looked at closely. */
const LEAST_PIXELS = 480;

/**
 * What is wrong with a photo of a check, the worst first; nothing where it is fit to be kept. Only the part that matters
 * is judged, where the trainer has drawn one, and its likeness where there is a reference.
 */
export function judgePhoto({ grey, longest }: TakenPhoto, region?: Region, reference?: Grey): PhotoFault[] {
  const part = cropped(grey, region);
  const faults: PhotoFault[] = [];
  const share = Math.max(part.width, part.height) / Math.max(grey.width, grey.height);
  if (longest * share < LEAST_PIXELS) faults.push('too-small');
  const exposure: ExposureFault | undefined = exposureFault(exposureOf(part));
  if (exposure) faults.push(exposure);
  // Where there is no light to see by, nothing more can be said.
  if (exposure) return faults;
  const blur = blurOf(part);
  const smeared: BlurFault | undefined = blur ? blurFault(blur) : 'blurred';
  if (smeared) faults.push(smeared);
  if (reference && showsOther(likenessOf(part, cropped(reference, region)))) faults.push('other-view');
  return faults;
}
