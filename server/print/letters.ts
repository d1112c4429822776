import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { type Font, openSync } from 'fontkit';
import type { Content, TFontDictionary } from 'pdfmake/interfaces';

/**
 * The fonts of printed pages. The first is the one of the screens and knows the letters of Western Europe; the second
 * knows Latin in full, Greek, Cyrillic, arrows and the signs of the trade, and stands in for what the first has not.
 */
const require = createRequire(import.meta.url);
const atkinson = (weight: 400 | 700, style: 'normal' | 'italic') =>
  join(
    dirname(require.resolve('@fontsource/atkinson-hyperlegible-next/package.json')),
    'files',
    `atkinson-hyperlegible-next-latin-${weight}-${style}.woff`,
  );
const dejavu = (face: string) =>
  join(dirname(require.resolve('dejavu-fonts-ttf/package.json')), 'ttf', `DejaVuSans${face}.ttf`);

export const FIRST_FONT = 'Atkinson';
const SECOND_FONT = 'DejaVu';
export const FONTS: TFontDictionary = {
  [FIRST_FONT]: {
    normal: atkinson(400, 'normal'),
    bold: atkinson(700, 'normal'),
    italics: atkinson(400, 'italic'),
    bolditalics: atkinson(700, 'italic'),
  },
  [SECOND_FONT]: {
    normal: dejavu(''),
    bold: dejavu('-Bold'),
    italics: dejavu('-Oblique'),
    bolditalics: dejavu('-BoldOblique'),
  },
};

let known: { readonly first: ReadonlySet<number>; readonly second: ReadonlySet<number> } | undefined;

function covered() {
  const lettersOf = (path: string) => new Set((openSync(path) as Font).characterSet);
  known ??= { first: lettersOf(atkinson(400, 'normal')), second: lettersOf(dejavu('')) };
  return known;
}

type FontOf = typeof FIRST_FONT | typeof SECOND_FONT | 'none';

function fontOf(sign: string): FontOf {
  const code = sign.codePointAt(0) ?? 0;
  if (code < 0x20 || covered().first.has(code)) return FIRST_FONT;
  return covered().second.has(code) ? SECOND_FONT : 'none';
}

/** What stands for a sign that no font has: its number, as Unicode writes it. */
export function numberOf(sign: string): string {
  return `[U+${(sign.codePointAt(0) ?? 0).toString(16).toUpperCase().padStart(4, '0')}]`;
}

/** A page with every letter in a font that has it, and the signs that none has. */
export interface Lettered {
  readonly content: Content;
  /** Printed as their numbers, since no font here has them. */
  readonly missing: readonly string[];
}

export function lettered(content: Content): Lettered {
  const missing = new Set<string>();
  return { content: visit(content) as Content, missing: [...missing] };

  function visit(node: unknown): unknown {
    if (typeof node === 'string') return runs(node) ?? node;
    if (Array.isArray(node)) return node.map(visit);
    if (typeof node !== 'object' || node === null) return node;
    const { text, svg, stack, columns, ul, ol, table, ...rest } = node as Record<string, unknown>;
    return {
      ...rest,
      ...(text !== undefined && { text: textOf(text) }),
      ...(typeof svg === 'string' && { svg: drawing(svg) }),
      ...(stack !== undefined && { stack: visit(stack) }),
      ...(columns !== undefined && { columns: visit(columns) }),
      ...(ul !== undefined && { ul: visit(ul) }),
      ...(ol !== undefined && { ol: visit(ol) }),
      ...(table !== undefined && { table: rows(table as { body: unknown[] }) }),
    };
  }

  function rows(table: { body: unknown[] }) {
    return { ...table, body: visit(table.body) };
  }

  function textOf(text: unknown): unknown {
    if (typeof text === 'string') return runs(text)?.text ?? text;
    return Array.isArray(text)
      ? text.map((part) => (typeof part === 'string' ? (runs(part) ?? part) : visit(part)))
      : text;
  }

  /** Stretches of one font; undefined where the first font has it all. */
  function runs(text: string): { text: unknown[] } | undefined {
    const parts: { font: FontOf; text: string }[] = [];
    for (const sign of text) {
      const font = fontOf(sign);
      if (font === 'none') missing.add(sign);
      const shown = font === 'none' ? { font: FIRST_FONT as FontOf, text: numberOf(sign) } : { font, text: sign };
      const last = parts.at(-1);
      if (last?.font === shown.font) last.text += shown.text;
      else parts.push(shown);
    }
    const plain = parts.length === 0 || (parts.length === 1 && parts[0]?.text === text && parts[0].font === FIRST_FONT);
    return plain ? undefined : { text: parts.map((part) => ({ text: part.text, font: part.font })) };
  }

  /** A label of a drawing is in one font throughout. */
  function drawing(svg: string): string {
    return svg.replace(/<text ([^>]*)>([^<]*)<\/text>/g, (whole, attributes: string, label: string) => {
      const fonts = new Set([...label].map(fontOf));
      if (fonts.size === 1 && fonts.has(FIRST_FONT)) return whole;
      const shown = [...label]
        .map((sign) => {
          if (fontOf(sign) !== 'none') return sign;
          missing.add(sign);
          return numberOf(sign);
        })
        .join('');
      return `<text ${attributes} font-family="${SECOND_FONT}">${shown}</text>`;
    });
  }
}
