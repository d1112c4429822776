import { Button, Group, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { sayFound } from '#core/language/en/found';
import { unitOf } from '#core/quantity/units';
import { FaultNotice, Loading } from '../../frame/Fallbacks';
import { Crumbs, Page, TopBar } from '../../frame/Shell';
import { answer, api } from '../../ground/api';
import { showDay, showNumber, showQuantity } from '../../ground/format';
import { Tag } from '../../parts/Tag';
import styles from './Pump.module.css';
import { WearCharts } from './WearCharts';

const fetchPump = (serial: string) => answer(api.pumps[':serial'].$get({ param: { serial } }));
type PumpJob = Awaited<ReturnType<typeof fetchPump>>['jobs'][number];

/** Everything that was done to one pump, by its serial number. */
export function PumpScreen() {
  const { t } = useTranslation();
  const { serial = '' } = useParams();
  const query = useQuery({ queryKey: ['pump', serial], queryFn: () => fetchPump(serial) });
  if (query.error) return <FaultNotice error={query.error} />;
  if (!query.data) return <Loading />;
  const { jobs } = query.data;
  const [latest] = jobs;
  return (
    <>
      <TopBar path={<Crumbs to={[{ label: t('jobs.title'), href: '/jobs' }]} here={serial} />} />
      <Page>
        <Group>
          <Title order={1} size={26}>
            {t('pump.title', { serial })}
          </Title>
          <span style={{ flex: 1 }} />
          <Button
            component="a"
            href={`/api/pumps/${encodeURIComponent(serial)}/label.pdf`}
            target="_blank"
            variant="default"
          >
            {t('pump.label')}
          </Button>
        </Group>
        <p className={`quiet ${styles.about}`}>
          {latest
            ? t('pump.about', { count: jobs.length, series: latest.seriesName, customer: latest.customer })
            : t('pump.none')}
        </p>
        <WearCharts jobs={jobs} />
        <div className={styles.jobs}>
          {jobs.map((job) => (
            <PumpJobCard key={job.id} job={job} />
          ))}
        </div>
      </Page>
    </>
  );
}

type MeasuredOne = PumpJob['measured'][number];

function sizeOf({ reading }: MeasuredOne): number {
  return reading.value * unitOf(reading.unit).factor;
}

/** The sizes of each part together. */
function partsOf(measured: PumpJob['measured']): [MeasuredOne, ...MeasuredOne[]][] {
  const parts = new Map<string, [MeasuredOne, ...MeasuredOne[]]>();
  for (const one of measured) {
    const key = `${one.componentId} ${one.what} ${one.positionId}`;
    const known = parts.get(key);
    if (known) known.push(one);
    else parts.set(key, [one]);
  }
  return [...parts.values()];
}

function PumpJobCard({ job }: { job: PumpJob }) {
  const { t } = useTranslation();
  const { found, measured, renewed, problems } = job;
  const isPlain = found.length + measured.length + renewed.length + problems.length === 0;
  return (
    <article className={styles.job} aria-label={t('jobs.number', { number: job.number })}>
      <header>
        <Link to={job.finishedAt ? `/jobs/${job.id}/record` : `/jobs/${job.id}`}>
          {t('jobs.number', { number: job.number })}
        </Link>
        <span>{showDay(job.startedAt.slice(0, 10))}</span>
        {job.hours !== null && <span className="number">{t('pump.hours', { hours: showNumber(job.hours, 6) })}</span>}
        <span>{job.title}</span>
        <span className="quiet">{job.workOrder}</span>
        {!job.finishedAt && <Tag tone="ochre">{t('pump.open')}</Tag>}
      </header>
      {isPlain && <p className="quiet">{t('pump.plain')}</p>}
      {renewed.length > 0 && <p>{t('pump.renewed', { parts: renewed.join(', ') })}</p>}
      {found.map((one) => (
        <Group key={`${one.part} ${one.where} ${one.positionId}`} gap={8}>
          <Tag tone="kaki">{t(`consequence.${one.follows}`)}</Tag>
          {[one.part, one.place, one.where].filter(Boolean).join(', ')}
          {`: ${sayFound(one)}`}
        </Group>
      ))}
      {measured.length > 0 && (
        <table className={styles.measured}>
          <tbody>
            {partsOf(measured).map(([first, ...others]) => {
              const all = [first, ...others].toSorted((a, b) => sizeOf(a) - sizeOf(b));
              const [least = first, most = first] = [all[0], all.at(-1)];
              const odd = all.find(({ verdict }) => verdict === 'under' || verdict === 'over');
              return (
                <tr key={`${first.componentId} ${first.what} ${first.positionId}`}>
                  <th scope="row">{[first.part, first.place].filter(Boolean).join(', ')}</th>
                  <td>{first.what}</td>
                  <td className="number">
                    {sizeOf(least) === sizeOf(most)
                      ? showQuantity(least.reading, 6)
                      : t('pump.sizes', { least: showQuantity(least.reading, 6), most: showQuantity(most.reading, 6) })}
                  </td>
                  <td>{t(`measure.verdict.${(odd ?? first).verdict}`)}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {problems.map((text) => (
        <Group key={text} gap={8}>
          <Tag tone="ochre">{t('record.problem')}</Tag>
          {text}
        </Group>
      ))}
    </article>
  );
}
