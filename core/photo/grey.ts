/** A picture without colour: luma from 0 to 255, row by row. */
export interface Grey {
  readonly width: number;
  readonly height: number;
  readonly luma: Float32Array;
}

/** A part of a picture, in shares of its width and height. */
export interface Region {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Luma by ITU-R BT.601 (recalled from memory), from bytes of red, green, blue and opacity. */
export function greyOf(rgba: ArrayLike<number>, width: number, height: number): Grey {
  const luma = new Float32Array(width * height);
  for (let i = 0, at = 0; i < luma.length; i += 1, at += 4)
    luma[i] = 0.299 * (rgba[at] as number) + 0.587 * (rgba[at + 1] as number) + 0.114 * (rgba[at + 2] as number);
  return { width, height, luma };
}

/** The part of a picture in a region, at least one pixel. */
export function cropped({ width, height, luma }: Grey, region: Region | undefined): Grey {
  if (!region) return { width, height, luma };
  const left = clamp(Math.round(region.x * width), 0, width - 1);
  const top = clamp(Math.round(region.y * height), 0, height - 1);
  const across = clamp(Math.round(region.width * width), 1, width - left);
  const down = clamp(Math.round(region.height * height), 1, height - top);
  const part = new Float32Array(across * down);
  for (let y = 0; y < down; y += 1)
    part.set(luma.subarray((top + y) * width + left, (top + y) * width + left + across), y * across);
  return { width: across, height: down, luma: part };
}

/** A smaller picture of this size: each pixel is the mean of what it covers. */
export function shrunk({ width, height, luma }: Grey, across: number, down: number): Grey {
  const columns = coverOf(width, across);
  const rows = coverOf(height, down);
  const narrow = new Float32Array(across * height);
  for (let y = 0, row = 0; y < height; y += 1, row += width) {
    for (let x = 0; x < across; x += 1) {
      const { from, shares } = columns[x] as Cover;
      let sum = 0;
      for (let i = 0; i < shares.length; i += 1) sum += (shares[i] as number) * (luma[row + from + i] as number);
      narrow[y * across + x] = sum;
    }
  }
  const small = new Float32Array(across * down);
  for (let y = 0; y < down; y += 1) {
    const { from, shares } = rows[y] as Cover;
    for (let i = 0; i < shares.length; i += 1) {
      const share = shares[i] as number;
      const row = (from + i) * across;
      for (let x = 0; x < across; x += 1)
        small[y * across + x] = (small[y * across + x] as number) + share * (narrow[row + x] as number);
    }
  }
  return { width: across, height: down, luma: small };
}

/** Which pixels one pixel of the smaller picture covers, and how much of each; the shares add up to one. */
interface Cover {
  readonly from: number;
  readonly shares: Float32Array;
}

function coverOf(length: number, parts: number): Cover[] {
  return Array.from({ length: parts }, (_, part) => {
    const [start, end] = [(part * length) / parts, ((part + 1) * length) / parts];
    const from = Math.floor(start);
    const until = Math.min(length, Math.ceil(end - 1e-9));
    const shares = new Float32Array(until - from);
    for (let i = 0; i < shares.length; i += 1)
      shares[i] = (Math.min(from + i + 1, end) - Math.max(from + i, start)) / (end - start);
    return { from, shares };
  });
}

function clamp(value: number, least: number, most: number): number {
  return Math.min(most, Math.max(least, value));
}
