import pdfmake from 'pdfmake';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { FIRST_FONT, FONTS, lettered, numberOf } from './letters';
import { WORDS } from './words';

/** Ink and lines of the printed page; the same palette as the screens. */
export const INK = {
  text: '#1d2b45',
  soft: '#4a5670',
  hair: '#cfc7b5',
  indigo: '#24406e',
  kaki: '#b8481a',
  moss: '#4c6b2f',
  linen: '#ece6d8',
  ochre: '#8f6a0b',
};

pdfmake.setFonts(FONTS);
// Nothing on a page is fetched from anywhere.
pdfmake.setUrlAccessPolicy(() => false);
const shipped = new Set(Object.values(FONTS).flatMap((faces) => Object.values(faces)));
pdfmake.setLocalAccessPolicy((path: string) => shipped.has(path));

/** An A4 page in the look of the product, with the title and page numbers at its foot. */
export async function renderPdf(title: string, content: Content): Promise<Buffer> {
  const definition: TDocumentDefinitions = {
    info: { title, creator: 'Fukusa' },
    pageSize: 'A4',
    pageMargins: [48, 44, 48, 52],
    defaultStyle: { font: FIRST_FONT, fontSize: 10, lineHeight: 1.25, color: INK.text },
    styles: {
      title: { fontSize: 20, bold: true },
      under: { fontSize: 11, color: INK.soft },
      section: { fontSize: 13, bold: true, margin: [0, 14, 0, 4] },
      soft: { color: INK.soft },
    },
    content,
    footer: (page, pages) => ({
      margin: [48, 14, 48, 0],
      columns: [
        { ...(lettered({ text: title }).content as { text: string }), color: INK.soft, fontSize: 8 },
        { text: `${page} / ${pages}`, alignment: 'right', color: INK.soft, fontSize: 8 },
      ],
    }),
  };
  return renderDefinition(definition);
}

/**
 * The pages of a definition. Signs that no font of this program has stand as their numbers, and the first page says
 * which they are, so that whoever prints knows before it is on paper.
 */
export function renderDefinition(definition: TDocumentDefinitions): Promise<Buffer> {
  const { content, missing } = lettered(definition.content);
  const notice: Content[] =
    missing.length === 0
      ? []
      : [
          {
            text: `${WORDS.missingSigns} ${missing.map((sign) => numberOf(sign)).join(' ')}`,
            color: INK.kaki,
            fontSize: 9,
            margin: [0, 0, 0, 8],
          },
        ];
  return pdfmake.createPdf({ ...definition, content: [...notice, content] }).getBuffer();
}

/** Label and value pairs in two quiet columns. */
export function facts(pairs: readonly (readonly [string, string])[]): Content {
  return {
    margin: [0, 8, 0, 4],
    table: { widths: [100, '*'], body: pairs.map(([label, value]) => [{ text: label, style: 'soft' }, value]) },
    layout: HAIRLINES,
  };
}

export const HAIRLINES = {
  hLineWidth: () => 0.6,
  vLineWidth: () => 0,
  hLineColor: () => INK.hair,
  paddingLeft: () => 0,
  paddingRight: () => 8,
  paddingTop: () => 4,
  paddingBottom: () => 4,
};

/** As hairlines, for many rows of a line each. */
export const CLOSE_HAIRLINES = { ...HAIRLINES, paddingTop: () => 2, paddingBottom: () => 2 };
