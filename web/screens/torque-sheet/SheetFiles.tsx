import { Button, FileButton, List, Menu, Text } from '@mantine/core';
import { modals } from '@mantine/modals';
import { notifications } from '@mantine/notifications';
import { nanoid } from 'nanoid';
import Papa from 'papaparse';
import { useTranslation } from 'react-i18next';
import type { Series } from '#core/model/series';
import { readSheetRows, SHEET_COLUMNS, writeSheetRows } from '#core/torque-sheet/rows';
import { withGroup } from '#core/torque-sheet/sheet';
import { tellFault } from '../../ground/notify';

interface SheetFilesProps {
  readonly series: Series;
  readonly change: ((series: Series) => void) | undefined;
}

/** The torque sheet as a table in a file, out and in. */
export function SheetFiles({ series, change }: SheetFilesProps) {
  const { t } = useTranslation();
  const name = `${series.code} ${t('torque.title')}`;
  const write = async (format: 'csv' | 'xlsx') => {
    const rows = writeSheetRows(series).map((row) => row.map(harmless));
    if (format === 'csv') save(new Blob([`﻿${Papa.unparse(rows)}`], { type: 'text/csv' }), `${name}.csv`);
    else {
      const { default: writeXlsx } = await import('write-excel-file/browser');
      save(await writeXlsx(rows.map((row) => row.map((value) => ({ value, type: String })))).toBlob(), `${name}.xlsx`);
    }
  };
  const read = async (file: File | null) => {
    if (!file || !change) return;
    const rows = await rowsOf(file);
    const { groups, added, changed, faults } = readSheetRows(rows, series, () => nanoid(10));
    if (faults.length === 0) {
      change(groups.reduce(withGroup, series));
      notifications.show({ message: t('torque.imported', { added, changed }) });
      return;
    }
    modals.open({
      title: t('torque.importFaults', { count: faults.length }),
      size: 'lg',
      children: (
        <List>
          {faults.map(({ row, column, text, problem }) => (
            <List.Item key={`${row}-${column}`}>
              <strong>{t('torque.importAt', { row, column: SHEET_COLUMNS[column] })}</strong>
              {t(`torque.problem.${problem}`, { text })}
            </List.Item>
          ))}
        </List>
      ),
    });
  };
  return (
    <>
      {change && (
        <FileButton accept=".csv,.tsv,.txt,.xlsx" onChange={(file) => void read(file).catch(unreadable)}>
          {(props) => (
            <Button {...props} variant="default">
              {t('torque.import')}
            </Button>
          )}
        </FileButton>
      )}
      <Menu position="bottom-end">
        <Menu.Target>
          <Button variant="default">{t('torque.export')}</Button>
        </Menu.Target>
        <Menu.Dropdown>
          {(['csv', 'xlsx'] as const).map((format) => (
            <Menu.Item key={format} onClick={() => void write(format).catch(tellFault)}>
              {t(`torque.${format}`)}
            </Menu.Item>
          ))}
        </Menu.Dropdown>
      </Menu>
    </>
  );

  function unreadable(): void {
    modals.open({ title: t('torque.import'), children: <Text>{t('torque.unreadable')}</Text> });
  }
}

async function rowsOf(file: File): Promise<string[][]> {
  if (!/\.xlsx$/i.test(file.name)) {
    const { data } = Papa.parse<string[]>((await file.text()).replace(/^﻿/, '').trim(), { skipEmptyLines: 'greedy' });
    return data.map((row) => row.map(unmasked));
  }
  const { readSheet } = await import('read-excel-file/browser');
  const rows = await readSheet(file);
  return rows.map((row) => row.map((cell) => unmasked(cell === null ? '' : String(cell))));
}

/** A cell that begins with a sign would be taken for a formula; it gets a quote before it, and loses it again. */
function harmless(text: string): string {
  return /^[=+\-@\t]/.test(text) ? `'${text}` : text;
}

function unmasked(text: string): string {
  return /^'[=+\-@\t]/.test(text) ? text.slice(1) : text;
}

function save(blob: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
