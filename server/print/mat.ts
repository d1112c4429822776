import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { replay, type Timeline } from '#core/bench/replay';
import { layOutMat, type MatLayout, type Paper, SCALE_LINE } from '#core/cloth/mat';
import { silhouetteOf } from '#core/cloth/shapes';
import { SILHOUETTE_BOX } from '#core/cloth/silhouettes';
import { cellName } from '#core/language/en/cells';
import type { Workbook } from '#core/model/procedure';
import { INK, renderDefinition } from './document';
import { FIRST_FONT } from './letters';
import { WORDS } from './words';

const POINTS = 72 / 25.4;
const MARGIN = 10;
const CODE_SIZE = 24;

/** The bench mat of a procedure: numbered cells at full size, with a code that opens it at `address`. */
export async function matPdf(workbook: Workbook, paper: Paper, address: string): Promise<Buffer> {
  const { series, procedure } = workbook;
  const timeline = replay(workbook);
  const layout = layOutMat(timeline.cells.length, paper);
  const title = `${series.name} ${series.code}: ${procedure.title}`;
  const sheets = layout.mats.flatMap((_cells, mat) => layout.tiles.map((_tile, tile) => ({ mat, tile })));
  const content = sheets.map(({ mat, tile }, page): Content => {
    const corner = layout.tiles[tile] ?? { x: 0, y: 0 };
    const seen = { width: layout.sheet.width - 2 * MARGIN, height: layout.sheet.height - 2 * MARGIN };
    const stack: Content[] = [
      {
        svg: matSvg(timeline, layout, mat, title, corner, seen),
        width: seen.width * POINTS,
        height: seen.height * POINTS,
        absolutePosition: { x: MARGIN * POINTS, y: MARGIN * POINTS },
      },
    ];
    const last = tile === (layout.tiles.length === 1 ? 0 : 1);
    if (last) {
      const x = MARGIN + layout.width - corner.x - CODE_SIZE - 4;
      stack.push({
        qr: address,
        fit: CODE_SIZE * POINTS,
        absolutePosition: { x: x * POINTS, y: (MARGIN + 4) * POINTS },
      });
    }
    return { stack, ...(page > 0 && { pageBreak: 'before' as const }) };
  });
  const definition: TDocumentDefinitions = {
    info: { title: `${WORDS.mat}: ${title}`, creator: 'Fukusa' },
    pageSize: { width: layout.sheet.width * POINTS, height: layout.sheet.height * POINTS },
    pageMargins: 0,
    defaultStyle: { font: FIRST_FONT, color: INK.text },
    content,
  };
  return renderDefinition(definition);
}

/** What one sheet of paper shows of a mat: a window of the drawing, in millimetres. */
function matSvg(
  timeline: Timeline,
  layout: MatLayout,
  mat: number,
  title: string,
  corner: { x: number; y: number },
  seen: { width: number; height: number },
): string {
  const { cell } = layout;
  const text = (x: number, y: number, size: number, words: string, more = '') =>
    `<text x="${x}" y="${y}" font-family="Atkinson" font-size="${size}" fill="${INK.text}" ${more}>${escaped(words)}</text>`;
  const cells = (layout.mats[mat] ?? []).map(({ index, x, y }) => {
    const entry = timeline.cells[index];
    if (!entry) return '';
    const part = timeline.structure.components.get(entry.componentId) ?? { kind: 'other' as const, name: '' };
    const step = timeline.workbook.procedure.steps.findIndex(({ id }) => id === entry.openedBy) + 1;
    const side = Math.min(cell.width, cell.height) * 0.5;
    const scale = side / SILHOUETTE_BOX;
    const drawing = `<path transform="translate(${x + (cell.width - side) / 2} ${y + (cell.height - side) / 2 - 2}) scale(${scale})" d="${silhouetteOf(part)}" fill="${INK.hair}" fill-rule="evenodd"/>`;
    const names = lines(cellName(timeline, entry), Math.floor(cell.width / 2.6));
    return [
      `<rect x="${x}" y="${y}" width="${cell.width}" height="${cell.height}" rx="2" fill="none" stroke="${INK.indigo}" stroke-width="0.5" stroke-dasharray="3 2"/>`,
      drawing,
      text(x + 3, y + 9, 9, String(entry.number), 'font-weight="bold"'),
      ...(step > 0 ? [text(x + cell.width - 3, y + 6, 4, `${WORDS.step} ${step}`, 'text-anchor="end"')] : []),
      ...names.map((name, i) =>
        text(x + cell.width / 2, y + cell.height - 4 - (names.length - 1 - i) * 5, 4.6, name, 'text-anchor="middle"'),
      ),
    ].join('');
  });
  const sheetOf = layout.mats.length > 1 ? `, ${WORDS.mat.toLowerCase()} ${mat + 1} / ${layout.mats.length}` : '';
  const head = [
    text(4, 11, 8, title, 'font-weight="bold"'),
    text(4, 18, 4.6, `${WORDS.matHint}${sheetOf}`),
    `<path d="M4 25v4M4 27h${SCALE_LINE}M${4 + SCALE_LINE} 25v4" stroke="${INK.text}" stroke-width="0.4" fill="none"/>`,
    text(4 + SCALE_LINE + 3, 28.4, 4, WORDS.scaleLine),
  ];
  const edge = `<rect x="0.4" y="0.4" width="${layout.width - 0.8}" height="${layout.height - 0.8}" fill="none" stroke="${INK.indigo}" stroke-width="0.8"/>`;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${corner.x} ${corner.y} ${seen.width} ${seen.height}">${edge}${head.join('')}${cells.join('')}</svg>`;
}

/** Breaks words over lines of at most this many letters. */
function lines(words: string, most: number): string[] {
  const done: string[] = [];
  for (const word of words.split(' ')) {
    const last = done.at(-1);
    if (last !== undefined && last.length + word.length < most) done[done.length - 1] = `${last} ${word}`;
    else done.push(word);
  }
  return done;
}

function escaped(text: string): string {
  return text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');
}
