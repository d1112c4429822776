import { Loader, Table, Text } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { type PastReading, type Spread, spreadBy, spreadOf } from '#core/torque/history';
import { WindowChart } from '../../drawings/WindowChart';
import { answer, api } from '../../ground/api';
import { showDay, showFixed } from '../../ground/format';
import { faultText } from '../../ground/notify';
import styles from './TorqueSheet.module.css';

/** What was read on these fasteners in finished jobs: how it spreads, and whether a wrench or a hand drifts. */
export function PastReadings({ seriesId, componentId }: { seriesId: string; componentId: string }) {
  const { t } = useTranslation();
  const { data, error } = useQuery({
    queryKey: ['readings', seriesId, componentId],
    queryFn: () => answer(api.series[':id'].readings[':componentId'].$get({ param: { id: seriesId, componentId } })),
  });
  return (
    <section className={styles.ways} aria-label={t('torque.past.title')}>
      <div className={styles.waysHead}>
        <strong>{t('torque.past.title')}</strong>
        <Text size="sm" className="quiet">
          {t('torque.past.about')}
        </Text>
      </div>
      {error && <Text className={styles.wrong}>{faultText(error).what}</Text>}
      {!data && !error && <Loader size="sm" aria-label={t('app.loading')} />}
      {data?.readings.length === 0 && <Text className="quiet">{t('torque.past.none')}</Text>}
      {data && data.readings.length > 0 && <Readings readings={data.readings} />}
    </section>
  );
}

function Readings({ readings }: { readings: readonly PastReading[] }) {
  const { t } = useTranslation();
  const whole = spreadOf(readings);
  const byWrench = spreadBy(readings, 'wrench');
  const named = (name: string | undefined) => name ?? t('torque.past.typed');
  // In the order in which they were read: a month without a job takes no room.
  const places = new Map(readings.map((reading, i) => [reading, i + 1]));
  const rows = [
    { key: 'all', name: t('torque.past.all'), spread: whole },
    ...byWrench.map(({ name, spread }) => ({ key: `w ${name}`, name: named(name), spread })),
    ...spreadBy(readings, 'by').map(({ name, spread }) => ({ key: `p ${name}`, name: name ?? '', spread })),
  ];
  return (
    <>
      <WindowChart
        label={t('torque.past.chart', { count: whole.count, jobs: whole.jobs })}
        series={byWrench.map(({ name }) => ({
          name: named(name),
          points: readings
            .filter(({ wrench }) => wrench === name)
            .map((reading) => ({ x: places.get(reading) ?? 0, y: reading.offPercent })),
        }))}
        tolerance={Math.max(...readings.map(({ tolerancePercent }) => tolerancePercent))}
        from={0.5}
        to={readings.length + 0.5}
        at={(x) => showDayAt(readings[Math.round(x) - 1])}
      />
      <Table>
        <Table.Thead>
          <Table.Tr>
            {(['who', 'readings', 'outside', 'mean', 'deviation', 'cp', 'cpk', 'drift'] as const).map((column) => (
              <Table.Th key={column}>{t(`torque.past.column.${column}`)}</Table.Th>
            ))}
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {rows.map(({ key, name, spread }) => (
            <SpreadRow key={key} name={name} spread={spread} />
          ))}
        </Table.Tbody>
      </Table>
      <Text size="sm" className="quiet">
        {t('torque.past.explain')}
      </Text>
    </>
  );
}

function SpreadRow({ name, spread }: { name: string; spread: Spread }) {
  const { t } = useTranslation();
  const { count, jobs, outside, mean, deviation, cp, cpk, drift } = spread;
  const figure = (value: number | undefined) => (value === undefined ? '' : showFixed(value));
  return (
    <Table.Tr>
      <Table.Th scope="row">{name}</Table.Th>
      <Table.Td>{t('torque.past.inJobs', { count, jobs })}</Table.Td>
      <Table.Td className={outside > 0 ? styles.wrong : undefined}>{outside}</Table.Td>
      <Table.Td className="number">{figure(mean)}</Table.Td>
      <Table.Td className="number">{figure(deviation)}</Table.Td>
      <Table.Td className="number">{figure(cp)}</Table.Td>
      <Table.Td className={cpk !== undefined && cpk < CAPABLE ? `number ${styles.wrong}` : 'number'}>
        {figure(cpk)}
      </Table.Td>
      <Table.Td className="number">{figure(drift)}</Table.Td>
    </Table.Tr>
  );
}

/** From this on a process is called capable. Common practice. */
const CAPABLE = 1.33;

function showDayAt(reading: PastReading | undefined): string {
  return reading ? showDay(reading.at) : '';
}
