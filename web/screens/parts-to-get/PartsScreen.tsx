import { Button, Group, Table, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { FaultNotice, Loading } from '../../frame/Fallbacks';
import { Crumbs, Page, TopBar } from '../../frame/Shell';
import { answer, api } from '../../ground/api';
import { tellFault } from '../../ground/notify';

const COLUMNS = ['count', 'part', 'number', 'job', 'serial', 'why', 'step'] as const;

/** What the office has to get: pieces that jobs in hand need and no kit holds, with the step that waits for each. */
export function PartsScreen() {
  const { t } = useTranslation();
  const query = useQuery({ queryKey: ['parts-to-get'], queryFn: () => answer(api.parts.$get()) });
  if (query.error) return <FaultNotice error={query.error} />;
  if (!query.data) return <Loading />;
  const { parts } = query.data;
  const cells = parts.map((one) => [
    String(one.count),
    one.part,
    one.partNumber ?? '',
    t('partsToGet.job', { number: one.job.number, order: one.job.workOrder, customer: one.job.customer }),
    one.pumpSerial,
    one.why,
    one.step ? t('partsToGet.step', { number: one.step.number, text: one.step.text }) : '',
  ]);
  const save = async () => {
    const { saveTable } = await import('../../parts/table-file');
    await saveTable(
      [COLUMNS.map((column) => t(`partsToGet.column.${column}`)), ...cells],
      t('partsToGet.title'),
      'csv',
    );
  };
  return (
    <>
      <TopBar path={<Crumbs to={[{ label: t('jobs.title'), href: '/jobs' }]} here={t('partsToGet.title')} />} />
      <Page>
        <Group mb="md">
          <Title order={1} size={26}>
            {t('partsToGet.title')}
          </Title>
          <span style={{ flex: 1 }} />
          {parts.length > 0 && (
            <Button variant="default" onClick={() => void save().catch(tellFault)}>
              {t('torque.csv')}
            </Button>
          )}
        </Group>
        {parts.length === 0 ? (
          <p className="quiet">{t('partsToGet.none')}</p>
        ) : (
          <Table verticalSpacing={7} bg="var(--sheet)" withTableBorder>
            <Table.Thead>
              <Table.Tr>
                {COLUMNS.map((column) => (
                  <Table.Th key={column}>{t(`partsToGet.column.${column}`)}</Table.Th>
                ))}
              </Table.Tr>
            </Table.Thead>
            <Table.Tbody>
              {parts.map((one, i) => (
                <Table.Tr key={`${one.job.id} ${one.part}`}>
                  {(cells[i] ?? []).map((text, column) => (
                    <Table.Td key={COLUMNS[column]} className={COLUMNS[column] === 'number' ? 'number' : ''}>
                      {COLUMNS[column] === 'job' ? <Link to={`/jobs/${one.job.id}`}>{text}</Link> : text}
                    </Table.Td>
                  ))}
                </Table.Tr>
              ))}
            </Table.Tbody>
          </Table>
        )}
      </Page>
    </>
  );
}
