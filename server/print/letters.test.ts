import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { Content } from 'pdfmake/interfaces';
import { renderPdf } from './document';

/** What a general-purpose reader finds on the pages. */
async function read(content: Content, title = 'Signs'): Promise<string> {
  const pdf = await renderPdf(title, content);
  const document = await getDocument({ data: new Uint8Array(pdf), useSystemFonts: false, verbosity: 0 }).promise;
  let text = '';
  for (let n = 1; n <= document.numPages; n += 1) {
    const { items } = await (await document.getPage(n)).getTextContent();
    text += items.map((item) => ('str' in item ? item.str : '')).join('');
  }
  return text;
}

test.each([
  ['Latin of all Europe', 'Łódź, Žďár, Győr, Åsa, Şişli, Đà Nẵng, Ħal, Þór'],
  ['Greek', 'Ἀντλία αντλία ΩΣΔ'],
  ['Cyrillic', 'Насос Київ Љубљана'],
  ['signs of the trade', 'Ω µ μ ≤ ≥ → ← √ ⌀ ″ ′ ± × · ° ½ ∅ ⊥ ∥ № ™ ✓'],
])('%s comes back from the page letter by letter', async (_what, said) => {
  // A font may draw two signs that mean the same with one shape, as the micro sign and mu: they count as one (NFKC).
  const text = await read([{ text: said }, { text: said, bold: true }, { text: said, italics: true }]);
  expect(text.normalize('NFKC').split(said.normalize('NFKC'))).toHaveLength(4);
});

test('wherever a text stands it keeps its letters: tables, lists, columns, footers, bare strings', async () => {
  const text = await read(
    [
      'Łódź bare',
      { ul: ['Żuraw listed'] },
      { columns: [{ text: 'Ωμέγα beside' }, 'x'] },
      { table: { body: [['Насос in a cell', { stack: ['⌀ 12 ≤ 13'] }]] } },
      { text: ['mixed ', { text: 'žluť', bold: true }, ' in one line'] },
    ],
    'Łódź title',
  );
  for (const said of [
    'Łódź bare',
    'Żuraw listed',
    'Ωμέγα beside',
    'Насос in a cell',
    '⌀ 12 ≤ 13',
    'žluť',
    'Łódź title',
  ])
    expect(text).toContain(said);
});

test('a sign that no font has stands as its number, and the first page says so', async () => {
  const text = await read({ text: 'Customer 株式会社' });
  expect(text).toContain('Customer [U+682A][U+5F0F][U+4F1A][U+793E]');
  expect(text).toContain('missing from the fonts');
});
