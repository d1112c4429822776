import { Button, Group, Table, Text, Title } from '@mantine/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { answer, api } from '../../ground/api';
import { showMoment, showNumber } from '../../ground/format';
import { tellFault } from '../../ground/notify';
import { Tag } from '../../parts/Tag';

const BACKUPS = ['backups'];

/** When the last backup was made, and that it was read back; for the lead. */
export function Backups() {
  const { t } = useTranslation();
  const queries = useQueryClient();
  const kept = useQuery({ queryKey: BACKUPS, queryFn: () => answer(api.backups.$get()) });
  const [busy, setBusy] = useState(false);
  const make = async () => {
    setBusy(true);
    try {
      await answer(api.backups.$post());
      await queries.invalidateQueries({ queryKey: BACKUPS });
    } catch (error) {
      tellFault(error);
    } finally {
      setBusy(false);
    }
  };
  if (!kept.data) return null;
  const { plan, backups } = kept.data;
  return (
    <section aria-label={t('backups.title')}>
      <Group mt="xl" mb="xs">
        <Title order={2} size="h4">
          {t('backups.title')}
        </Title>
        <span style={{ flex: 1 }} />
        <Button variant="default" loading={busy} onClick={() => void make()}>
          {t('backups.make')}
        </Button>
      </Group>
      <Text className="quiet" mb="sm">
        {plan.everyHours > 0 ? t('backups.plan', { count: plan.everyHours, keep: plan.keep }) : t('backups.noPlan')}{' '}
        {t('backups.elsewhere')}
      </Text>
      {backups.length === 0 ? (
        <Text>{t('backups.none')}</Text>
      ) : (
        <Table>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t('backups.madeAt')}</Table.Th>
              <Table.Th>{t('backups.size')}</Table.Th>
              <Table.Th>{t('backups.readBack')}</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {backups.map(({ name, madeAt, bytes, readBack }) => (
              <Table.Tr key={name}>
                <Table.Td>{showMoment(madeAt)}</Table.Td>
                <Table.Td>{t('backups.megabytes', { size: showNumber(bytes / 1e6, 3) })}</Table.Td>
                <Table.Td>
                  {!readBack ? (
                    <Tag>{t('backups.notYet')}</Tag>
                  ) : readBack.problem === null ? (
                    <Group gap="xs">
                      <Tag tone="moss">{t('backups.whole')}</Tag>
                      {t('backups.found', { count: readBack.jobs ?? 0, entries: readBack.entries ?? 0 })}
                    </Group>
                  ) : (
                    <Group gap="xs">
                      <Tag tone="kaki">{t('backups.broken')}</Tag>
                      {readBack.problem}
                    </Group>
                  )}
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
    </section>
  );
}
