import type { Context } from 'hono';

export function answerPdf(c: Context, name: string, pdf: Uint8Array): Response {
  const file = name
    .replace(/[^\w .-]+/g, '')
    .replace(/\s+/g, '-')
    .toLowerCase();
  return c.body(new Uint8Array(pdf), 200, {
    'Content-Type': 'application/pdf',
    'Content-Disposition': `inline; filename="${file}.pdf"`,
  });
}
