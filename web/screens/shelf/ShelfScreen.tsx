import { Button, Group, Menu, TextInput } from '@mantine/core';
import { IconSearch } from '@tabler/icons-react';
import { useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { FaultNotice, Loading } from '../../frame/Fallbacks';
import { Page, TopBar } from '../../frame/Shell';
import { usePerson } from '../../frame/SignedIn';
import { answer, api } from '../../ground/api';
import { showMoment } from '../../ground/format';
import { tellFault } from '../../ground/notify';
import { modals } from '../../ground/overlays';
import { mayWorkAtBench, mayWrite } from '../../ground/session';
import { MoreButton } from '../../parts/MoreButton';
import { Tag } from '../../parts/Tag';
import { useList } from '../../parts/useList';
import { openStartJob } from '../jobs/StartJob';
import { Guide } from './Guide';
import { openImport } from './ImportPackage';
import { openNewProcedure, openNewSeries } from './NewDocuments';
import styles from './Shelf.module.css';
import { SHELF } from './shelf';

const fetchShelf = (asked: { search?: string; after?: string }) => answer(api.shelf.$get({ query: asked }));
type ShelfPage = Awaited<ReturnType<typeof fetchShelf>>;
type ShelfSeries = ShelfPage['series'][number];

/** Some procedure was changed a moment ago, and what stops it is still looked for. */
const isChecking = (pages: readonly ShelfPage[]) =>
  pages.some(({ series }) => series.some(({ procedures }) => procedures.some(({ checked }) => !checked)));

/** All series with their procedures, and what each still needs. */
export function ShelfScreen() {
  const { t } = useTranslation();
  const person = usePerson();
  const shelf = useList(SHELF, fetchShelf, isChecking);
  const writes = mayWrite(person);
  const all = shelf.pages.flatMap(({ series }) => series);
  const [first] = shelf.pages;
  if (shelf.error) return <FaultNotice error={shelf.error} />;
  return (
    <>
      <TopBar />
      <Page>
        <div className={styles.head}>
          <h1>{t('shelf.title')}</h1>
          {first && <span className="quiet">{t('shelf.count', { count: first.count })}</span>}
          <span className={styles.grow} />
          <TextInput
            aria-label={t('shelf.search')}
            placeholder={t('shelf.search')}
            leftSection={<IconSearch size={16} />}
            value={shelf.search}
            onChange={(event) => shelf.setSearch(event.currentTarget.value)}
            w={280}
          />
          {writes && (
            <Group gap="xs">
              <Button variant="default" onClick={openImport}>
                {t('shelf.import')}
              </Button>
              <Button onClick={openNewSeries}>{t('shelf.newSeries')}</Button>
            </Group>
          )}
        </div>
        {shelf.isPending && <Loading />}
        {first && writes && !shelf.searched && <Guide series={all} />}
        {first && all.length === 0 && (
          <p className={styles.empty}>
            {shelf.searched ? t('app.nothingFound', { search: shelf.searched }) : t('shelf.empty')}
          </p>
        )}
        {all.map((series) => (
          <SeriesCard key={series.id} series={series} writes={writes} />
        ))}
        <MoreButton more={shelf.more} busy={shelf.isBringing} />
      </Page>
    </>
  );
}

function SeriesCard({ series, writes }: { series: ShelfSeries; writes: boolean }) {
  const { t } = useTranslation();
  const queries = useQueryClient();
  const remove = () =>
    modals.openConfirmModal({
      title: t('shelf.deleteSeries'),
      children: t('shelf.deleteSeriesAsk', { name: `${series.name} ${series.code}` }),
      labels: { confirm: t('app.delete'), cancel: t('app.cancel') },
      confirmProps: { color: 'kaki' },
      onConfirm: () =>
        answer(api.series[':id'].$delete({ param: { id: series.id } })).then(
          () => queries.invalidateQueries({ queryKey: SHELF }),
          tellFault,
        ),
    });
  return (
    <section className={styles.series} aria-label={`${series.name} ${series.code}`}>
      <div className={styles.seriesHead}>
        <h2>
          <Link to={`/series/${series.id}`}>
            {series.name} {series.code}
          </Link>
        </h2>
        <span className="quiet">
          {[
            t(`pumpType.${series.pumpType}`),
            ...series.positions.map((p) => t('shelf.positions', { count: p.count, name: p.name })),
          ].join(', ')}
        </span>
        <span className={styles.grow} />
        {writes && (
          <>
            {series.procedures.length === 0 && (
              <Button variant="subtle" color="kaki" size="compact-sm" onClick={remove}>
                {t('app.delete')}
              </Button>
            )}
            <Button variant="default" onClick={() => openNewProcedure(series)}>
              {t('shelf.newProcedure')}
            </Button>
          </>
        )}
      </div>
      {series.procedures.length === 0 && <p className={styles.empty}>{t('shelf.noProcedures')}</p>}
      {series.procedures.map((procedure) => (
        <ProcedureRow key={procedure.id} procedure={procedure} writes={writes} />
      ))}
    </section>
  );
}

function ProcedureRow({ procedure, writes }: { procedure: ShelfSeries['procedures'][number]; writes: boolean }) {
  const { t } = useTranslation();
  const person = usePerson();
  const queries = useQueryClient();
  const { release } = procedure;
  const remove = () =>
    modals.openConfirmModal({
      title: t('shelf.deleteProcedure'),
      children: t('shelf.deleteProcedureAsk', { title: procedure.title, count: procedure.steps }),
      labels: { confirm: t('app.delete'), cancel: t('app.cancel') },
      confirmProps: { color: 'kaki' },
      onConfirm: () =>
        answer(api.procedures[':id'].$delete({ param: { id: procedure.id } })).then(
          () => queries.invalidateQueries({ queryKey: SHELF }),
          tellFault,
        ),
    });
  return (
    <div className={styles.row}>
      <Link className={styles.title} to={`/procedures/${procedure.id}`}>
        {procedure.title}
      </Link>
      <span className="quiet">{t('shelf.steps', { count: procedure.steps })}</span>
      <span>
        {release ? (
          <Tag tone={procedure.changedSinceRelease ? 'ochre' : 'moss'}>
            {procedure.changedSinceRelease
              ? t('shelf.changedSince', { number: release.number })
              : t('shelf.released', { number: release.number })}
          </Tag>
        ) : (
          <Tag>{t('shelf.draft')}</Tag>
        )}
      </span>
      {procedure.stops > 0 ? (
        <span className={styles.stop}>
          {procedure.stops === 1 ? procedure.firstStop : t('shelf.stops', { count: procedure.stops })}
        </span>
      ) : (
        <span className="quiet">{t('shelf.changed', { when: showMoment(procedure.changedAt) })}</span>
      )}
      <Group gap="xs" wrap="nowrap" justify="flex-end">
        {release && mayWorkAtBench(person) && (
          <Button onClick={() => openStartJob(release.id)}>{t('jobs.start')}</Button>
        )}
        <Menu position="bottom-end">
          <Menu.Target>
            <Button variant="default" aria-label={t('shelf.more', { title: procedure.title })}>
              {t('app.more')}
            </Button>
          </Menu.Target>
          <Menu.Dropdown>
            <Menu.Item component={Link} to={`/procedures/${procedure.id}`}>
              {writes ? t('shelf.edit') : t('shelf.read')}
            </Menu.Item>
            {release && (
              <Menu.Item component="a" href={`/api/releases/${release.id}/pdf`} target="_blank">
                {t('release.print', { number: release.number })}
              </Menu.Item>
            )}
            {writes && !release && (
              <Menu.Item color="kaki" onClick={remove}>
                {t('app.delete')}
              </Menu.Item>
            )}
          </Menu.Dropdown>
        </Menu>
      </Group>
    </div>
  );
}
