import { Button, FileButton, List, Menu, Text } from '@mantine/core';
import { nanoid } from 'nanoid';
import Papa from 'papaparse';
import { useTranslation } from 'react-i18next';
import type { Series } from '#core/model/series';
import { readSheetRows, SHEET_COLUMNS, writeSheetRows } from '#core/torque-sheet/rows';
import { withGroup } from '#core/torque-sheet/sheet';
import { tellFault } from '../../ground/notify';
import { modals, notifications } from '../../ground/overlays';
import { saveTable, TABLE_FORMATS, type TableFormat, unmasked } from '../../parts/table-file';

interface SheetFilesProps {
  readonly series: Series;
  readonly change: ((series: Series) => void) | undefined;
}

/** The torque sheet as a table in a file, out and in. */
export function SheetFiles({ series, change }: SheetFilesProps) {
  const { t } = useTranslation();
  const name = `${series.code} ${t('torque.title')}`;
  const write = (format: TableFormat) => saveTable(writeSheetRows(series), name, format);
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
          {TABLE_FORMATS.map((format) => (
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
