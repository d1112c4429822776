import { Button, Group, Progress, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { FaultNotice, Loading } from '../../frame/Fallbacks';
import { Page, TopBar } from '../../frame/Shell';
import { usePerson } from '../../frame/SignedIn';
import { answer, api } from '../../ground/api';
import { showMoment } from '../../ground/format';
import { mayWorkAtBench } from '../../ground/session';
import { Tag } from '../../parts/Tag';
import styles from './Jobs.module.css';
import { openStartJob } from './StartJob';

const useJobs = () => useQuery({ queryKey: ['jobs'], queryFn: () => answer(api.jobs.$get()) });
type JobRow = NonNullable<ReturnType<typeof useJobs>['data']>['jobs'][number];

/** Jobs in hand first, then the records of finished ones. */
export function JobsScreen() {
  const { t } = useTranslation();
  const person = usePerson();
  const jobs = useJobs();
  if (jobs.error) return <FaultNotice error={jobs.error} />;
  const open = jobs.data?.jobs.filter((job) => job.phase !== 'finished') ?? [];
  const finished = jobs.data?.jobs.filter((job) => job.phase === 'finished') ?? [];
  return (
    <>
      <TopBar />
      <Page>
        <Group mb="md">
          <Title order={1} size={26}>
            {t('jobs.title')}
          </Title>
          <span style={{ flex: 1 }} />
          {mayWorkAtBench(person) && <Button onClick={() => openStartJob()}>{t('jobs.start')}</Button>}
        </Group>
        {jobs.isPending && <Loading />}
        <Title order={2} size="h4" mb="xs">
          {t('jobs.open')}
        </Title>
        <div className={styles.list}>
          {open.map((job) => (
            <JobCard key={job.id} job={job} />
          ))}
          {jobs.data && open.length === 0 && <p className="quiet">{t('jobs.noneOpen')}</p>}
        </div>
        <Title order={2} size="h4" mt="xl" mb="xs">
          {t('jobs.finished')}
        </Title>
        <div className={styles.list}>
          {finished.map((job) => (
            <JobCard key={job.id} job={job} />
          ))}
          {jobs.data && finished.length === 0 && <p className="quiet">{t('jobs.noneFinished')}</p>}
        </div>
      </Page>
    </>
  );
}

function JobCard({ job }: { job: JobRow }) {
  const { t } = useTranslation();
  const person = usePerson();
  const finished = job.phase === 'finished';
  return (
    <article className={styles.job} aria-label={t('jobs.number', { number: job.number })}>
      <span className={`number ${styles.number}`}>{job.number}</span>
      <div>
        <div className={styles.name}>{t('jobs.what', { series: job.seriesName, title: job.title })}</div>
        <div className="quiet">{t('jobs.release', { number: job.releaseNumber })}</div>
      </div>
      <div>
        <div>{job.customer}</div>
        <div className="quiet">{t('jobs.labels', { order: job.workOrder, serial: job.pumpSerial })}</div>
      </div>
      <div className={styles.progress}>
        {finished ? (
          <span className="quiet">{t('jobs.finishedAt', { when: showMoment(job.finishedAt ?? job.startedAt) })}</span>
        ) : (
          <>
            <span className="quiet">
              {t('jobs.progress', { done: job.done, steps: job.steps, name: job.holder.name })}
            </span>
            <Progress value={(100 * job.done) / job.steps} aria-label={t('jobs.progressLabel')} />
          </>
        )}
      </div>
      <Group gap="xs" wrap="nowrap" justify="flex-end">
        {job.phase === 'paused' && <Tag tone="ochre">{t('jobs.paused')}</Tag>}
        {job.problems > 0 && <Tag tone="kaki">{t('jobs.problems', { count: job.problems })}</Tag>}
        <Button
          component={Link}
          to={finished ? `/jobs/${job.id}/record` : `/jobs/${job.id}`}
          variant={finished ? 'default' : 'filled'}
        >
          {finished ? t('record.open') : job.holder.id === person.id ? t('jobs.goOn') : t('jobs.look')}
        </Button>
      </Group>
    </article>
  );
}
