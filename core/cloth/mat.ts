/**
 * The cloth as a mat for the real bench. All lengths in millimetres, as they come out of the printer at full size.
 */
export const PAPERS = ['A2', 'A3', 'A4-tiles'] as const;
export type Paper = (typeof PAPERS)[number];

/** ISO 216 sheet sizes, landscape. */
const SHEETS: Readonly<Record<Paper, { width: number; height: number }>> = {
  A2: { width: 594, height: 420 },
  A3: { width: 420, height: 297 },
  'A4-tiles': { width: 297, height: 210 },
};
/** What common printers leave blank on every side. */
const MARGIN = 10;
/** Neighbouring tiles share this much, to be laid over one another and glued. */
export const TILE_OVERLAP = 8;
/** Title, code and scale line along the top. */
const HEAD = 34;
const GAP = 4;
/** A cell has to hold a part and still show its number. */
const SMALLEST_CELL = 44;
const LARGEST_CELL = 130;

/** The line that tells whether the printer kept the scale. */
export const SCALE_LINE = 100;

export interface MatLayout {
  /** The paper, landscape. */
  readonly sheet: { readonly width: number; readonly height: number };
  /** The mat itself, over all tiles. */
  readonly width: number;
  readonly height: number;
  /** The upper left corner on the mat of what each sheet of paper shows. */
  readonly tiles: readonly { readonly x: number; readonly y: number }[];
  readonly cell: { readonly width: number; readonly height: number };
  /** The cells, mat by mat where one does not hold them all. */
  readonly mats: readonly (readonly { readonly index: number; readonly x: number; readonly y: number }[])[];
}

/** Lays out `cells` cells as large as the paper allows; on more mats than one when they would get too small. */
export function layOutMat(cells: number, paper: Paper): MatLayout {
  const sheet = SHEETS[paper];
  const seen = { width: sheet.width - 2 * MARGIN, height: sheet.height - 2 * MARGIN };
  const across = paper === 'A4-tiles' ? 2 : 1;
  const width = across * seen.width - (across - 1) * TILE_OVERLAP;
  const height = across * seen.height - (across - 1) * TILE_OVERLAP;
  const tiles = Array.from({ length: across * across }, (_, i) => ({
    x: (i % across) * (seen.width - TILE_OVERLAP),
    y: Math.floor(i / across) * (seen.height - TILE_OVERLAP),
  }));
  const most = fitting(width, SMALLEST_CELL) * fitting(height - HEAD, SMALLEST_CELL);
  const perMat = Math.max(1, Math.min(cells, most));
  const { columns, rows } = bestGrid(perMat, width, height - HEAD);
  const cell = {
    width: Math.min(LARGEST_CELL, (width - (columns + 1) * GAP) / columns),
    height: Math.min(LARGEST_CELL, (height - HEAD - (rows + 1) * GAP) / rows),
  };
  const mats = Array.from({ length: Math.max(1, Math.ceil(cells / perMat)) }, (_unused, mat) =>
    Array.from({ length: Math.min(perMat, cells - mat * perMat) }, (_cell, i) => ({
      index: mat * perMat + i,
      x: GAP + (i % columns) * (cell.width + GAP),
      y: HEAD + GAP + Math.floor(i / columns) * (cell.height + GAP),
    })),
  );
  return { sheet, width, height, tiles, cell, mats };
}

/** How many cells of at least this side fit along a length. */
function fitting(length: number, side: number): number {
  return Math.max(1, Math.floor((length - GAP) / (side + GAP)));
}

/** The grid whose cells have the longest short side. */
function bestGrid(cells: number, width: number, height: number): { columns: number; rows: number } {
  let best = { columns: 1, rows: cells, side: 0 };
  for (let columns = 1; columns <= cells; columns += 1) {
    const rows = Math.ceil(cells / columns);
    const side = Math.min((width - GAP) / columns, (height - GAP) / rows);
    if (side > best.side) best = { columns, rows, side };
  }
  return best;
}
