import { cropped, type Grey, shrunk } from './grey';

/** Constants of Wang, Bovik, Sheikh and Simoncelli, "Image quality assessment" (2004), recalled from memory. */
const C1 = (0.01 * 255) ** 2;
const C2 = (0.03 * 255) ** 2;
const WINDOW = 8;

/** Mean structural similarity of two pictures of one size, over windows of eight by eight pixels: 1 for the same picture. */
export function ssim(a: Grey, b: Grey): number {
  let sum = 0;
  let count = 0;
  for (let top = 0; top + WINDOW <= a.height; top += WINDOW / 2) {
    for (let left = 0; left + WINDOW <= a.width; left += WINDOW / 2) {
      let [meanA, meanB, squareA, squareB, both] = [0, 0, 0, 0, 0];
      for (let y = top; y < top + WINDOW; y += 1) {
        for (let x = left; x < left + WINDOW; x += 1) {
          const one = a.luma[y * a.width + x] as number;
          const two = b.luma[y * b.width + x] as number;
          meanA += one;
          meanB += two;
          squareA += one * one;
          squareB += two * two;
          both += one * two;
        }
      }
      const n = WINDOW * WINDOW;
      meanA /= n;
      meanB /= n;
      const varianceA = squareA / n - meanA * meanA;
      const varianceB = squareB / n - meanB * meanB;
      const covariance = both / n - meanA * meanB;
      sum +=
        ((2 * meanA * meanB + C1) * (2 * covariance + C2)) /
        ((meanA * meanA + meanB * meanB + C1) * (varianceA + varianceB + C2));
      count += 1;
    }
  }
  return count > 0 ? sum / count : 0;
}

const HASH_SIDE = 32;
const HASH_KEPT = 8;

/**
 * A perceptual hash of 64 bits: the lowest frequencies of a cosine transform, each above or below their median. Pictures
 * that look alike differ in few bits.
 */
export function perceptualHash(grey: Grey): boolean[] {
  const { luma } = shrunk(grey, HASH_SIDE, HASH_SIDE);
  const cosines = Array.from({ length: HASH_KEPT + 1 }, (_, k) =>
    Array.from({ length: HASH_SIDE }, (_n, n) => Math.cos((Math.PI / HASH_SIDE) * (n + 0.5) * k)),
  );
  const rows = Array.from({ length: HASH_SIDE }, (_, y) =>
    cosines.map((wave) => wave.reduce((sum, value, x) => sum + value * (luma[y * HASH_SIDE + x] as number), 0)),
  );
  const kept: number[] = [];
  // Without the means: how bright a picture is says nothing of what it shows.
  for (let v = 1; v <= HASH_KEPT; v += 1)
    for (let u = 1; u <= HASH_KEPT; u += 1)
      kept.push((cosines[v] ?? []).reduce((sum, value, y) => sum + value * (rows[y]?.[u] ?? 0), 0));
  const median = kept.toSorted((a, b) => a - b)[kept.length / 2] as number;
  return kept.map((value) => value > median);
}

/** In how many bits two hashes differ. */
export function hashDistance(a: readonly boolean[], b: readonly boolean[]): number {
  return a.filter((bit, i) => bit !== b[i]).length;
}

export interface Likeness {
  /** Structural similarity of the edges: the best over small shifts, for nobody holds a camera twice alike. */
  readonly ssim: number;
  readonly hashDistance: number;
}

/** Edges are taken at this size, and compared at half of it. */
const EDGED_AT = { across: 192, down: 144 };
const COMPARED = { across: 48, down: 36 };
/** How far a photo may be shifted or nearer, in shares of its size. */
const SHIFTS = [-0.08, -0.04, 0, 0.04, 0.08];
const SCALES = [1, 0.9];

/** How much a photo shows what its reference shows. */
export function likenessOf(photo: Grey, reference: Grey): Likeness {
  const wanted = evened(shrunk(edgesOf(reference), COMPARED.across, COMPARED.down));
  const edges = edgesOf(photo);
  let best = -1;
  for (const scale of SCALES) {
    const room = (1 - scale) / 2;
    const near = scale === 1 ? edges : cropped(edges, { x: room, y: room, width: scale, height: scale });
    const small = shrunk(near, COMPARED.across, COMPARED.down);
    for (const dx of SHIFTS)
      for (const dy of SHIFTS) best = Math.max(best, ssim(evened(shifted(small, dx, dy)), wanted));
  }
  return { ssim: best, hashDistance: hashDistance(perceptualHash(photo), perceptualHash(reference)) };
}

/** How steep a picture is at each pixel: what it shows without its light. */
function edgesOf(picture: Grey): Grey {
  const { across: width, down: height } = EDGED_AT;
  const { luma } = shrunk(picture, width, height);
  const steep = new Float32Array(width * height);
  for (let y = 1; y < height - 1; y += 1) {
    for (let x = 1; x < width - 1; x += 1) {
      const at = y * width + x;
      const across = (luma[at + 1] as number) - (luma[at - 1] as number);
      const down = (luma[at + width] as number) - (luma[at - width] as number);
      // A bright edge counts no more than four dim ones.
      steep[at] = Math.sqrt(Math.max(0, Math.hypot(across, down) - GRAIN));
    }
  }
  return { width, height, luma: steep };
}

/** Less is no edge at this size, in steps of 255 over two pixels. */
const GRAIN = 6;

/** The same mean and contrast, so that light counts for nothing. */
function evened(grey: Grey): Grey {
  const n = grey.luma.length;
  const mean = grey.luma.reduce((sum, value) => sum + value, 0) / n;
  const deviation = Math.sqrt(grey.luma.reduce((sum, value) => sum + (value - mean) ** 2, 0) / n) || 1;
  return { ...grey, luma: grey.luma.map((value) => 128 + (40 * (value - mean)) / deviation) };
}

/** Moved by shares of its size; its own edge fills what comes in. */
function shifted(grey: Grey, dx: number, dy: number): Grey {
  const [across, down] = [Math.round(dx * grey.width), Math.round(dy * grey.height)];
  const luma = new Float32Array(grey.luma.length);
  for (let y = 0; y < grey.height; y += 1) {
    const from = Math.min(grey.height - 1, Math.max(0, y + down));
    for (let x = 0; x < grey.width; x += 1) {
      const at = Math.min(grey.width - 1, Math.max(0, x + across));
      luma[y * grey.width + x] = grey.luma[from * grey.width + at] as number;
    }
  }
  return { ...grey, luma };
}

/*
 * Set on drawn pictures of many parts, taken again in other light and from a little beside, and mixed up; see the test. A
 * hash may differ in more bits where the edges agree, as they do when the light has changed.
 */
const BITS_FOR_EDGES = 40;
const MOST_BITS = 11.5;

/** Whether a photo shows something else, or the same from elsewhere. */
export function showsOther({ ssim: alike, hashDistance: bits }: Likeness): boolean {
  return bits - BITS_FOR_EDGES * alike > MOST_BITS;
}
