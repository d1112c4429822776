import { Button, Group, Progress, SegmentedControl, Select, TextInput, Title } from '@mantine/core';
import { IconQrcode, IconSearch } from '@tabler/icons-react';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { WAITS_FOR, type WaitsFor } from '#core/job/entry-words';
import { FaultNotice, Loading } from '../../frame/Fallbacks';
import { Page, TopBar } from '../../frame/Shell';
import { usePerson } from '../../frame/SignedIn';
import { answer, api } from '../../ground/api';
import { showMoment } from '../../ground/format';
import { mayWorkAtBench } from '../../ground/session';
import { MoreButton } from '../../parts/MoreButton';
import { Tag } from '../../parts/Tag';
import { useList } from '../../parts/useList';
import styles from './Jobs.module.css';
import { openScanPump } from './ScanPump';
import { openStartJob } from './StartJob';

type JobGroup = 'open' | 'finished';
type Order = 'number' | 'changed' | 'customer';
const ORDERS: readonly Order[] = ['number', 'changed', 'customer'];

const fetchJobs = (asked: { group: JobGroup; order: Order; waits?: WaitsFor; search?: string; after?: string }) =>
  answer(api.jobs.$get({ query: asked }));
type JobRow = Awaited<ReturnType<typeof fetchJobs>>['jobs'][number];

/** Jobs in hand, or the records of finished ones; searched and ordered by the server, a page at a time. */
export function JobsScreen() {
  const { t } = useTranslation();
  const person = usePerson();
  const [group, setGroup] = useState<JobGroup>('open');
  const [order, setOrder] = useState<Order>('number');
  const [waits, setWaits] = useState<WaitsFor | null>(null);
  const list = useList(['jobs', group, order, waits], (asked) =>
    fetchJobs({ group, order, ...(waits && group === 'open' && { waits }), ...asked }),
  );
  if (list.error) return <FaultNotice error={list.error} />;
  const jobs = list.pages.flatMap((page) => page.jobs);
  return (
    <>
      <TopBar />
      <Page>
        <Group mb="md">
          <Title order={1} size={26}>
            {t('jobs.title')}
          </Title>
          <span style={{ flex: 1 }} />
          <Button component={Link} to="/parts" variant="default">
            {t('partsToGet.title')}
          </Button>
          <Button variant="default" leftSection={<IconQrcode size={18} aria-hidden />} onClick={openScanPump}>
            {t('scan.short')}
          </Button>
          {mayWorkAtBench(person) && <Button onClick={() => openStartJob()}>{t('jobs.start')}</Button>}
        </Group>
        <Group mb="sm">
          <SegmentedControl
            aria-label={t('jobs.which')}
            value={group}
            onChange={(chosen) => setGroup(chosen as JobGroup)}
            data={[
              { value: 'open', label: t('jobs.open') },
              { value: 'finished', label: t('jobs.finished') },
            ]}
          />
          <TextInput
            aria-label={t('jobs.search')}
            placeholder={t('jobs.search')}
            leftSection={<IconSearch size={16} />}
            value={list.search}
            onChange={(event) => list.setSearch(event.currentTarget.value)}
            w={320}
          />
          <span style={{ flex: 1 }} />
          {group === 'open' && (
            <Select
              aria-label={t('jobs.whichWait')}
              placeholder={t('jobs.whichWait')}
              value={waits}
              onChange={(chosen) => setWaits(chosen as WaitsFor | null)}
              data={WAITS_FOR.map((value) => ({ value, label: t(`jobs.waits.${value}`) }))}
              clearable
              w={180}
            />
          )}
          <Select
            aria-label={t('jobs.order')}
            value={order}
            onChange={(chosen) => setOrder((chosen ?? 'number') as Order)}
            data={ORDERS.map((value) => ({ value, label: t(`jobs.orders.${value}`) }))}
            allowDeselect={false}
            w={190}
          />
        </Group>
        {list.isPending && <Loading />}
        <div className={styles.list}>
          {jobs.map((job) => (
            <JobCard key={job.id} job={job} />
          ))}
          {!list.isPending && jobs.length === 0 && (
            <p className="quiet">
              {list.searched
                ? t('app.nothingFound', { search: list.searched })
                : t(group === 'open' ? 'jobs.noneOpen' : 'jobs.noneFinished')}
            </p>
          )}
        </div>
        <MoreButton more={list.more} busy={list.isBringing} />
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
        <div className="quiet">
          {`${job.workOrder}, `}
          <Link to={`/pumps/${encodeURIComponent(job.pumpSerial)}`} title={t('jobs.pump')}>
            {t('jobs.serialIs', { serial: job.pumpSerial })}
          </Link>
        </div>
      </div>
      <div className={styles.progress}>
        {finished ? (
          <span className="quiet">{t('jobs.finishedAt', { when: showMoment(job.finishedAt ?? job.startedAt) })}</span>
        ) : (
          <>
            <span className="quiet">
              {t('jobs.progress', { done: job.done, steps: job.steps, name: job.holder.name })}
            </span>
            <Progress value={(100 * job.done) / Math.max(job.steps, 1)} aria-label={t('jobs.progressLabel')} />
          </>
        )}
      </div>
      <Group gap="xs" wrap="nowrap" justify="flex-end">
        {job.phase === 'paused' && !job.waitsFor && <Tag tone="ochre">{t('jobs.paused')}</Tag>}
        {job.waitsFor && (
          <Tag tone="ochre">{t('jobs.waitsFor', { what: t(`jobs.waits.${job.waitsFor}`).toLowerCase() })}</Tag>
        )}
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
