import { type Grey, shrunk } from './grey';

/** How far edges are smeared in a direction, as the deviation of a Gaussian in pixels. */
export interface Blur {
  /** Across and down, and along both diagonals. */
  readonly across: number;
  readonly down: number;
  readonly falling: number;
  readonly rising: number;
}

/** The longer side at which sharpness is judged: grain is averaged away, and what is soft here is soft on a tablet. */
const LONGEST = 512;
/** Tiles along the longer side. */
const TILES = 10;
const DIRECTIONS = [
  ['across', 1, 0],
  ['down', 0, 1],
  ['falling', 1, 1],
  ['rising', 1, -1],
] as const;

/** In one direction: mean squares of the first and the second derivative over the pixels that lie on an edge. */
interface Energy {
  readonly slope: number;
  readonly bend: number;
  readonly edge: number;
}

/**
 * The blur of a picture: the energy of the second derivative (the variance of the Laplacian, taken by direction) over that
 * of the first, along the edges of the tiles that have most of them; an edge smeared by a Gaussian of deviation s bends
 * by about 1 / s of its slope. A sharp part may lie on a bench that is out of focus, so the other tiles do not count.
 */
export function blurOf(picture: Grey): Blur | undefined {
  const share = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
  const grey = shrunk(picture, Math.round(picture.width * share), Math.round(picture.height * share));
  const by = DIRECTIONS.map(([, dx, dy]) => {
    const tiles = tilesOf(grey, dx, dy).filter(({ edge }) => edge > 0);
    const edged = tiles.toSorted((a, b) => b.slope - a.slope).slice(0, Math.max(1, Math.ceil(tiles.length * EDGED)));
    const slope = edged.reduce((sum, tile) => sum + tile.slope, 0);
    const bend = edged.reduce((sum, tile) => sum + tile.bend, 0);
    const pixels = edged.reduce((sum, tile) => sum + tile.edge, 0);
    if (pixels < LEAST_EDGE) return undefined;
    return Math.hypot(dx, dy) * Math.sqrt(slope / Math.max(bend, slope * 1e-4));
  });
  const known = by.filter((value) => value !== undefined);
  if (known.length === 0) return undefined;
  // A direction without edges says nothing, and is as sharp as the others.
  const [across = 0, down = 0, falling = 0, rising = 0] = by.map((value) => value ?? Math.min(...known));
  return { across, down, falling, rising };
}

const EDGED = 0.3;
/** Less is grain. In steps of 255 for each pixel. */
const LEAST_SLOPE = 7;
/** So many pixels make an edge. */
const LEAST_EDGE = 24;

function tilesOf({ width, height, luma }: Grey, dx: number, dy: number): Energy[] {
  const size = Math.max(8, Math.floor(Math.max(width, height) / TILES));
  const by = dy * width + dx;
  const tiles: Energy[] = [];
  for (let top = 1; top + size < height; top += size) {
    for (let left = 1; left + size < width; left += size) {
      let [slope, bend, edge] = [0, 0, 0];
      for (let y = top; y < top + size; y += 1) {
        for (let x = left; x < left + size; x += 1) {
          const at = y * width + x;
          const before = luma[at - by] as number;
          const after = luma[at + by] as number;
          const rise = (after - before) / 2;
          if (rise * rise < LEAST_SLOPE * LEAST_SLOPE) continue;
          const turn = after - 2 * (luma[at] as number) + before;
          slope += rise * rise;
          bend += turn * turn;
          edge += 1;
        }
      }
      tiles.push({ slope, bend, edge });
    }
  }
  return tiles;
}

/* Limits set on drawn pictures, blurred and moved step by step; see the test. In pixels at the size judged. */
const BLURRED = 1.55;
/** So many times more in one direction than in another is no lack of focus. */
const MOVED = 1.4;

export type BlurFault = 'blurred' | 'moved';

export function blurFault(blur: Blur): BlurFault | undefined {
  const by = Object.values(blur) as number[];
  const [least, most] = [Math.min(...by), Math.max(...by)];
  if (most < BLURRED) return undefined;
  return most > MOVED * least ? 'moved' : 'blurred';
}
