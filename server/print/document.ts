import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import pdfmake from 'pdfmake';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';

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

const fonts = dirname(createRequire(import.meta.url).resolve('@fontsource/atkinson-hyperlegible-next/package.json'));
const font = (weight: 400 | 700, style: 'normal' | 'italic') =>
  join(fonts, 'files', `atkinson-hyperlegible-next-latin-${weight}-${style}.woff`);

pdfmake.setFonts({
  Atkinson: {
    normal: font(400, 'normal'),
    bold: font(700, 'normal'),
    italics: font(400, 'italic'),
    bolditalics: font(700, 'italic'),
  },
});
// Nothing on a page is fetched from anywhere.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path: string) => path.startsWith(fonts));

/** An A4 page in the look of the product, with the title and page numbers at its foot. */
export async function renderPdf(title: string, content: Content): Promise<Buffer> {
  const definition: TDocumentDefinitions = {
    info: { title, creator: 'Fukusa' },
    pageSize: 'A4',
    pageMargins: [48, 44, 48, 52],
    defaultStyle: { font: 'Atkinson', fontSize: 10, lineHeight: 1.25, color: INK.text },
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
        { text: title, color: INK.soft, fontSize: 8 },
        { text: `${page} / ${pages}`, alignment: 'right', color: INK.soft, fontSize: 8 },
      ],
    }),
  };
  return renderDefinition(definition);
}

export function renderDefinition(definition: TDocumentDefinitions): Promise<Buffer> {
  return pdfmake.createPdf(definition).getBuffer();
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
