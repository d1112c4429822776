import nlp from 'compromise';
import mammoth from 'mammoth';
import { marked, type Token } from 'marked';
import { parseText, type VTTCue } from 'media-captions';
import type { Passage } from '../model/narration';

/** The kinds of file that a narration can be read from, by the end of their names. */
export const SOURCE_KINDS = ['txt', 'md', 'docx', 'vtt', 'srt'] as const;
export type SourceKind = (typeof SOURCE_KINDS)[number];

type Piece = Omit<Passage, 'id'>;

/** Why a file cannot be read as a narration. */
export class SourceFault extends Error {
  constructor(readonly problem: 'kind' | 'broken' | 'empty') {
    super(problem);
  }
}

export function sourceKind(name: string): SourceKind | undefined {
  const end = /\.([a-z0-9]+)$/i.exec(name)?.[1]?.toLowerCase() ?? '';
  const kind = end === 'markdown' ? 'md' : end === 'text' ? 'txt' : end;
  return SOURCE_KINDS.find((known) => known === kind);
}

/**
 * Reads the passages of a file, one for each sentence. `content` is its text, or its bytes where it is a DOCX. Throws a
 * `SourceFault`.
 */
export async function readSource(name: string, content: string | Uint8Array): Promise<Passage[]> {
  const kind = sourceKind(name);
  if (!kind) throw new SourceFault('kind');
  const pieces = await piecesOf(kind, content).catch((error: unknown) => {
    throw error instanceof SourceFault ? error : new SourceFault('broken');
  });
  return numbered(pieces);
}

/** Reads what was pasted. Text that looks like captions is read as such. */
export async function readPasted(text: string): Promise<Passage[]> {
  const kind = /^\s*WEBVTT/.test(text) ? 'vtt' : /^\s*\d+\s+\d\d:\d\d:\d\d,\d{3} -->/.test(text) ? 'srt' : 'txt';
  return readSource(`pasted.${kind}`, text);
}

function numbered(pieces: readonly Piece[]): Passage[] {
  const passages = pieces.flatMap(({ text, ...rest }): Piece[] => {
    const clean = text.replace(/\s+/g, ' ').trim().slice(0, 2000);
    return /[\p{L}\d]/u.test(clean) ? [{ text: clean, ...rest }] : [];
  });
  if (passages.length === 0) throw new SourceFault('empty');
  return passages.map((piece, i) => ({ id: `p${i + 1}`, ...piece }));
}

async function piecesOf(kind: SourceKind, content: string | Uint8Array): Promise<Piece[]> {
  if (typeof content !== 'string') {
    if (kind !== 'docx') throw new SourceFault('kind');
    return ofPlainText(await textOfDocx(content));
  }
  const text = content.replace(/^\uFEFF/, '');
  if (text.includes('\u0000')) throw new SourceFault('broken');
  if (kind === 'md') return ofMarkdown(text);
  if (kind === 'vtt' || kind === 'srt') return ofCaptions(text, kind);
  if (kind === 'docx') throw new SourceFault('broken');
  return ofPlainText(text);
}

async function textOfDocx(bytes: Uint8Array): Promise<string> {
  const arrayBuffer = bytes.slice().buffer;
  // The library reads one in the browser and the other in Node.
  const buffer = (globalThis as { Buffer?: { from(bytes: Uint8Array): unknown } }).Buffer?.from(bytes);
  const { value } = await mammoth.extractRawText({ arrayBuffer, ...(buffer ? { buffer } : {}) } as Parameters<
    typeof mammoth.extractRawText
  >[0]);
  return value;
}

/** Paragraphs and list items; lines that only wrap are one paragraph. */
function ofPlainText(text: string): Piece[] {
  const lines = text.split(/\r?\n/);
  const paragraphs: string[] = [];
  let open = false;
  for (const line of lines) {
    const words = line.trim();
    if (words === '') open = false;
    else if (open && !ITEM.test(words) && !/[.!?:]$/.test(paragraphs.at(-1) ?? ''))
      paragraphs.push(`${paragraphs.pop()} ${words}`);
    else {
      paragraphs.push(words);
      open = true;
    }
  }
  return paragraphs.flatMap((paragraph) => sentencesOf(paragraph.replace(ITEM, '')).map((said) => ({ text: said })));
}

/** "1.", "2)", "Step 3:", "-": what a list puts before its items. */
const ITEM = /^(?:(?:step\s+)?\d{1,3}(?:\.\d{1,3})*\s*[.):]|step\s+\d{1,3}\b|[-*•–])\s+/i;

function ofMarkdown(text: string): Piece[] {
  return marked.lexer(text).flatMap(ofToken);
}

function ofToken(token: Token): Piece[] {
  switch (token.type) {
    case 'heading':
      return [{ text: plainOf(token), heading: true }];
    case 'list':
      return (token.items as Token[]).flatMap((item) =>
        ('tokens' in item && item.tokens ? item.tokens : []).flatMap(ofToken),
      );
    case 'blockquote':
      return (token.tokens ?? []).flatMap(ofToken);
    case 'table': {
      const rows = token.rows as { tokens: Token[] }[][];
      return rows.map((cells) => ({ text: cells.map((cell) => cell.tokens.map(plainOf).join('')).join(' ') }));
    }
    case 'paragraph':
    case 'text':
      return sentencesOf(plainOf(token)).map((said) => ({ text: said }));
    default:
      return [];
  }
}

/** The words of a piece of Markdown without its marks. */
function plainOf(token: Token): string {
  if ('tokens' in token && token.tokens) return token.tokens.map(plainOf).join('');
  if (token.type === 'br') return ' ';
  return token.type === 'image' || token.type === 'html' ? '' : 'text' in token ? String(token.text) : '';
}

async function ofCaptions(text: string, type: 'vtt' | 'srt'): Promise<Piece[]> {
  const { cues } = await parseText(text, { type });
  const said = cues.map((cue: VTTCue) => ({
    from: cue.startTime,
    to: cue.endTime,
    text: cue.text
      .replace(/<[^>]*>/g, '')
      // What is heard beside the words: "[applause]", "(music)".
      .replace(/\[[^\]]*\]|\([^)]*\)/g, '')
      .replace(/\s+/g, ' ')
      .trim(),
  }));
  const spoken = said.filter((cue, i) => cue.text !== '' && cue.text !== said[i - 1]?.text);
  const ends = spoken.filter(({ text: words }) => /[.!?]["']?$/.test(words)).length;
  // Captions made by a machine have no full stops: then each stands by itself.
  return ends * 6 < spoken.length ? spoken : asSentences(spoken);
}

/** Sentences that run over several captions, each from where it begins to where it ends. */
function asSentences(cues: readonly { from: number; to: number; text: string }[]): Piece[] {
  const starts: { at: number; cue: (typeof cues)[number] }[] = [];
  let whole = '';
  for (const cue of cues) {
    const at = whole === '' ? 0 : whole.length + 1;
    whole = whole === '' ? cue.text : `${whole} ${cue.text}`;
    starts.push({ at, cue });
  }
  const timeAt = (offset: number, isEnd: boolean) => {
    const { at, cue } = starts.findLast((start) => (isEnd ? start.at < offset : start.at <= offset)) ?? {
      at: 0,
      cue: cues[0],
    };
    if (!cue) return 0;
    const share = cue.text.length === 0 ? 0 : Math.min(1, (offset - at) / cue.text.length);
    return Math.round((cue.from + share * (cue.to - cue.from)) * 10) / 10;
  };
  let offset = 0;
  return sentencesOf(whole).map((said) => {
    const start = Math.max(offset, whole.indexOf(said, offset));
    offset = start + said.length;
    return { text: said, from: timeAt(start, false), to: timeAt(offset, true) };
  });
}

function sentencesOf(text: string): string[] {
  const said = nlp.tokenize(text).sentences().out('array') as string[];
  return said.length > 0 ? said : [text];
}
