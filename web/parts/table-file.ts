import Papa from 'papaparse';

export const TABLE_FORMATS = ['csv', 'xlsx'] as const;
export type TableFormat = (typeof TABLE_FORMATS)[number];

/** Saves a table as a file; what a spreadsheet would take for a formula is made harmless. */
export async function saveTable(
  table: readonly (readonly string[])[],
  name: string,
  format: TableFormat,
): Promise<void> {
  const rows = table.map((row) => row.map(harmless));
  // The mark at the start tells spreadsheets that it is Unicode.
  if (format === 'csv') return save(new Blob([`\uFEFF${Papa.unparse(rows)}`], { type: 'text/csv' }), `${name}.csv`);
  const { default: writeXlsx } = await import('write-excel-file/browser');
  save(await writeXlsx(rows.map((row) => row.map((value) => ({ value, type: String })))).toBlob(), `${name}.xlsx`);
}

/** A cell that begins with a sign would be taken for a formula; it gets a quote before it. */
function harmless(text: string): string {
  return /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
}

/** A cell as it was before it was made harmless. */
export function unmasked(text: string): string {
  return /^'[=+\-@\t\r]/.test(text) ? text.slice(1) : text;
}

function save(blob: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
