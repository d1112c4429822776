import type { Grey } from './grey';

export interface Exposure {
  /** Luma below which 5 % and 95 % of the pixels lie. */
  readonly dark: number;
  readonly bright: number;
  /** Share of pixels at the upper end of the scale. */
  readonly burnt: number;
}

export function exposureOf({ luma }: Grey): Exposure {
  const histogram = new Uint32Array(256);
  // Luma lies from 0 to 255; adding a half and cutting off rounds it.
  for (let i = 0; i < luma.length; i += 1) {
    const value = ((luma[i] as number) + 0.5) | 0;
    histogram[value] = (histogram[value] as number) + 1;
  }
  const below = (share: number) => {
    let sum = 0;
    for (let value = 0; value < 256; value += 1) {
      sum += histogram[value] as number;
      if (sum >= share * luma.length) return value;
    }
    return 255;
  };
  let burnt = 0;
  for (let value = BURNT; value < 256; value += 1) burnt += histogram[value] as number;
  return { dark: below(0.05), bright: below(0.95), burnt: burnt / luma.length };
}

const BURNT = 250;

/* Limits set on drawn pictures, darkened and brightened step by step; see the test. */
const DARKEST = 70;
const BRIGHTEST = 190;
const MOST_BURNT = 0.35;
const LEAST_CONTRAST = 18;

export type ExposureFault = 'too-dark' | 'too-bright' | 'no-contrast';

export function exposureFault({ dark, bright, burnt }: Exposure): ExposureFault | undefined {
  if (bright < DARKEST) return 'too-dark';
  if (dark > BRIGHTEST || burnt > MOST_BURNT) return 'too-bright';
  return bright - dark < LEAST_CONTRAST ? 'no-contrast' : undefined;
}
