import type { Column, Content } from 'pdfmake/interfaces';
import type { DrawnSignature, TakenPhoto } from '#core/job/state';
import { capital } from '#core/language/en/counted';
import type { SummarySection } from '#core/language/en/summary';
import { arrowsAsSvg } from '#core/model/pictures/mark-shapes';
import type { PhotoPair } from '#core/record/photo-pairs';
import { INK } from './document';
import { WORDS } from './words';

/** A photo as it can be printed: its bytes as a data address, and its size. */
export interface PrintedPhoto {
  readonly url: string;
  readonly width: number;
  readonly height: number;
}

/** The first page: what was done, found, renewed, measured and tightened. */
export function summaryLines(sections: readonly SummarySection[]): Content[] {
  return sections.map(
    ({ title, lines, isOdd }): Content => ({
      columns: [
        { text: title, bold: true, width: 100, color: isOdd ? INK.kaki : INK.text },
        { stack: lines.map((text): Content => ({ text, margin: [0, 0, 0, 2] })), width: '*' },
      ],
      margin: [0, 4, 0, 4],
    }),
  );
}

/** A photo with the step that it was taken at, counted from 0. */
export type NumberedPhoto = PhotoPair['before'];

/** Before and after side by side, two pairs to a row. */
export function pairLines(pairs: readonly PhotoPair[], printed: ReadonlyMap<string, PrintedPhoto>): Content[] {
  if (pairs.length === 0) return [];
  const sides = pairs.flatMap(({ before, after }) => [
    pictured(before, printed, `${WORDS.pair.before}, `),
    pictured(after, printed, `${WORDS.pair.after}, `),
  ]);
  return underHeading(WORDS.beforeAfter, inRows(sides));
}

/** Photos of several steps in a grid. */
export function photoGrid(taken: readonly NumberedPhoto[], printed: ReadonlyMap<string, PrintedPhoto>): Content[] {
  if (taken.length === 0) return [];
  return underHeading(WORDS.photos, inRows(taken.map((one) => pictured(one, printed, ''))));
}

function pictured({ index, photo }: NumberedPhoto, printed: ReadonlyMap<string, PrintedPhoto>, label: string): Column {
  return {
    stack: [
      markedPhoto(photo, printed, [118, 88]),
      { text: capital(`${label}${WORDS.step} ${index + 1}`), color: INK.soft, fontSize: 8 },
    ],
    width: 120,
  };
}

/** A heading goes to the next page with the row below it. */
function underHeading(text: string, [first = [], ...rest]: readonly Content[]): Content[] {
  return [{ stack: [{ text, style: 'section' }, first], unbreakable: true }, ...rest];
}

const IN_A_ROW = 4;

function inRows(pictures: readonly Column[]): Content[] {
  const rows = Array.from({ length: Math.ceil(pictures.length / IN_A_ROW) }, (_, row) =>
    pictures.slice(row * IN_A_ROW, (row + 1) * IN_A_ROW),
  );
  return rows.map(
    (columns) => ({ columns: [...columns], columnGap: 8, margin: [0, 4, 0, 4], unbreakable: true }) as Content,
  );
}

/** A photo with what is drawn on it, no larger than this. */
export function markedPhoto(
  { hash, marks = [] }: TakenPhoto,
  printed: ReadonlyMap<string, PrintedPhoto>,
  fit: [number, number],
): Content {
  const photo = printed.get(hash);
  if (!photo) return { text: WORDS.missingPhoto, color: INK.kaki };
  const { url, width, height } = photo;
  if (marks.length === 0) return { image: url, fit };
  const scale = Math.min(fit[0] / width, fit[1] / height);
  const drawn = arrowsAsSvg(marks, { width, height });
  return {
    svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}"><image href="${url}" x="0" y="0" width="${width}" height="${height}"/>${drawn}</svg>`,
    width: width * scale,
    height: height * scale,
  };
}

/** Signatures as they were drawn on the tablet. */
export function signatureLines(signatures: readonly DrawnSignature[], moment: (iso: string) => string): Content[] {
  if (signatures.length === 0) return [];
  return [
    {
      columns: signatures.map(
        ({ as, name, strokes, at }): Column => ({
          stack: [
            { svg: strokesAsSvg(strokes), width: 200, height: 60 },
            { canvas: [{ type: 'line', x1: 0, y1: 0, x2: 200, y2: 0, lineWidth: 0.6, lineColor: INK.text }] },
            { text: `${WORDS.signers[as]}: ${name}, ${moment(at)}`, fontSize: 8, color: INK.soft },
          ],
          width: '*',
        }),
      ),
      columnGap: 20,
      margin: [0, 18, 0, 0],
      unbreakable: true,
    } as Content,
  ];
}

/** The sheet that was signed on is 1000 by 300. */
function strokesAsSvg(strokes: readonly (readonly number[])[]): string {
  const paths = strokes.map((stroke) => {
    const points = Array.from(
      { length: Math.floor(stroke.length / 2) },
      (_, i) => `${stroke[2 * i]} ${stroke[2 * i + 1]}`,
    );
    return `<path d="M${points.join('L')}" fill="none" stroke="${INK.text}" stroke-width="6" stroke-linecap="round" stroke-linejoin="round"/>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 300">${paths.join('')}</svg>`;
}
