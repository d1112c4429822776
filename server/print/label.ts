import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import { INK, renderDefinition } from './document';
import { FIRST_FONT } from './letters';
import { WORDS } from './words';

const POINTS = 72 / 25.4;
/** A common size of label printers, in millimetres. */
const LABEL = { width: 62, height: 29, code: 25 };

/** A label to stick on a pump: its serial number, and the code that opens its page at `address`. */
export function labelPdf(serial: string, series: string, address: string): Promise<Buffer> {
  const definition: TDocumentDefinitions = {
    info: { title: `${WORDS.label}: ${serial}`, creator: 'Fukusa' },
    pageSize: { width: LABEL.width * POINTS, height: LABEL.height * POINTS },
    pageMargins: [2 * POINTS, 2 * POINTS, 2 * POINTS, 0],
    defaultStyle: { font: FIRST_FONT, color: INK.text, fontSize: 8 },
    content: [
      {
        columns: [
          { qr: address, fit: LABEL.code * POINTS, width: LABEL.code * POINTS },
          { stack: [{ text: WORDS.serial, fontSize: 7 }, { text: serial, bold: true, fontSize: 13 }, series] },
        ],
        columnGap: 2 * POINTS,
      },
    ],
  };
  return renderDefinition(definition);
}
