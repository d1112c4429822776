import { Button, Group, Menu, Text, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { OVERRIDABLE } from '#core/job/entry-words';
import { foundIn } from '#core/job/found';
import { foldJob, runOf } from '#core/job/job';
import { type Unusual, unusualEntries } from '#core/job/origin';
import type { StepRun } from '#core/job/state';
import { isToDo } from '#core/job/to-do';
import { readBy } from '#core/job/wrenches';
import { sayAside, sayReadBy } from '#core/language/en/devices';
import { sayFound } from '#core/language/en/found';
import { photoShows, sayKeptPhoto } from '#core/language/en/photo';
import { sayStep } from '#core/language/en/sentence';
import { placeNameOf } from '#core/model/lookup';
import type { Step } from '#core/model/procedure';
import { STAGES } from '#core/model/verbs';
import { preferred } from '#core/quantity/preference';
import { photoPairs } from '#core/record/photo-pairs';
import { summaryOf } from '#core/record/summary';
import { stepTimes } from '#core/timing/clock';
import { DrawnSignature } from '../../drawings/DrawnSignature';
import { FaultNotice, Loading, Notice } from '../../frame/Fallbacks';
import { Page, TopBar } from '../../frame/Shell';
import { answer, api, photoUrl } from '../../ground/api';
import { showDay, showDuration, showMoment, showNumber, showQuantity, zoneHere } from '../../ground/format';
import { tellFault } from '../../ground/notify';
import { Summary } from '../../parts/Summary';
import { Tag } from '../../parts/Tag';
import type { TableFormat } from '../../parts/table-file';
import { useReader } from '../../state/reader';
import { JobPhoto } from '../bench/photo/JobPhoto';
import { JointChart } from './JointChart';
import { JointReadings } from './JointReadings';
import { Pairs } from './Pairs';
import styles from './Record.module.css';
import { Fact, Findings, Said, Signature, When } from './RecordParts';

/** The sealed result of a job: what was done, found, measured and photographed. */
export function RecordScreen() {
  const { t } = useTranslation();
  const { id = '' } = useParams();
  const units = useReader((state) => state.units);
  const query = useQuery({ queryKey: ['job', id], queryFn: () => answer(api.jobs[':id'].$get({ param: { id } })) });
  if (query.error) return <FaultNotice error={query.error} />;
  if (!query.data) return <Loading />;
  const job = query.data;
  if (!job.finishedAt) return <Notice title={t('record.notYet')} body={t('record.notYetBody')} />;

  const { series, procedure } = job.release.workbook;
  const state = foldJob(job.release.workbook, job.startedBy, job.entries);
  const name = (personId: string | null) => (personId ? (job.people[personId] ?? '') : '');
  const placeName = (positionId: string | null) => placeNameOf(series, positionId);
  const odd = procedure.steps.flatMap((step, index) =>
    oddities(step, runOf(state, step.id)).map((oddity) => ({ ...oddity, index })),
  );

  const times = stepTimes(job.entries, job.startedAt);
  const saveAs = async (format: TableFormat) => {
    // Loaded when asked for: the bench comes with this screen and writes no tables.
    const [{ saveTable }, { recordTable }] = await Promise.all([
      import('../../parts/table-file'),
      import('#core/language/en/record-table'),
    ]);
    const table = recordTable(job.release.workbook, state, name);
    await saveTable(table, t('record.title', { number: job.number }), format);
  };
  const pdf = (reader: 'workshop' | 'customer') =>
    `/api/jobs/${id}/record.pdf?${new URLSearchParams({ reader, units, zone: zoneHere() })}`;
  const unusual = unusualEntries(job.entries);
  const unusualText = ({ is, count, sentBy, behindMinutes = 0 }: Unusual) =>
    is === 'clock'
      ? t(behindMinutes > 0 ? 'record.clockBehind' : 'record.clockAhead', {
          count,
          by: showDuration(Math.abs(behindMinutes)),
        })
      : t('record.sentBy', { count, name: name(sentBy ?? null) });

  function oddities(step: Step, run: StepRun) {
    return [
      ...OVERRIDABLE.flatMap((what) =>
        run.overrides[what] ? [{ label: t(`record.overridden.${what}`), noted: run.overrides[what] }] : [],
      ),
      ...run.readings.flatMap(({ accepted, reading }) =>
        accepted
          ? [
              {
                label: t('record.accepted'),
                noted: { ...accepted, text: `${showQuantity(reading)}: ${accepted.text}` },
              },
            ]
          : [],
      ),
      ...run.photos.flatMap(({ doubts = [], reason, at, by }) =>
        reason === undefined
          ? []
          : [{ label: t('record.photoKept'), noted: { at, by, text: sayKeptPhoto(doubts, reason) } }],
      ),
      ...run.problems.map((noted) => ({ label: t('record.problem'), noted })),
      ...foundIn(step, run, series).map((one) => ({
        label: t(`consequence.${one.follows}`),
        noted: {
          at: one.at,
          by: one.by,
          text: `${[placeName(one.positionId), one.where].filter(Boolean).join(', ')}: ${sayFound(one)}`,
        },
      })),
    ];
  }

  return (
    <>
      <TopBar />
      <Page>
        <Group align="baseline">
          <Title order={1} size={28}>
            {t('record.title', { number: job.number })}
          </Title>
          <Text className="quiet">
            {t('jobs.releaseLabel', {
              series: `${series.name} ${series.code}`,
              title: procedure.title,
              number: job.release.number,
            })}
          </Text>
          <span style={{ flex: 1 }} />
          <Button component={Link} to="/jobs" variant="default">
            {t('record.all')}
          </Button>
          <Menu position="bottom-end">
            <Menu.Target>
              <Button variant="default">{t('record.export')}</Button>
            </Menu.Target>
            <Menu.Dropdown>
              <Menu.Item component="a" href={`/api/jobs/${id}/record.json`}>
                {t('record.json')}
              </Menu.Item>
              {(['csv', 'xlsx'] as const).map((format) => (
                <Menu.Item key={format} onClick={() => void saveAs(format).catch(tellFault)}>
                  {t(`torque.${format}`)}
                </Menu.Item>
              ))}
            </Menu.Dropdown>
          </Menu>
          <Button component="a" href={pdf('customer')} target="_blank" variant="default">
            {t('record.printCustomer')}
          </Button>
          <Button component="a" href={pdf('workshop')} target="_blank">
            {t('record.print')}
          </Button>
        </Group>
        <dl className={styles.facts}>
          <Fact label={t('jobs.workOrder')} value={job.workOrder} />
          <Fact label={t('jobs.serial')} value={job.pumpSerial} />
          <Fact label={t('jobs.customer')} value={job.customer} />
          <Fact label={t('record.started')} value={`${showMoment(job.startedAt)}, ${name(job.startedBy)}`} />
          <Fact label={t('record.finished')} value={`${showMoment(job.finishedAt)}, ${name(state.holder)}`} />
          {job.hours !== undefined && (
            <Fact label={t('record.hours')} value={t('pump.hours', { hours: showNumber(job.hours, 7) })} />
          )}
          <Signature jobId={id} fallback={job.seal} />
        </dl>
        <Summary summary={summaryOf(job.release.workbook, state, job.entries, job.startedAt)} nameOf={name} />
        <Pairs pairs={photoPairs(job.release.workbook, state)} workbook={job.release.workbook} />
        {state.signatures.length > 0 && (
          <div className={styles.signatures}>
            {state.signatures.map(({ as, name: signer, strokes, at }) => (
              <figure key={as}>
                <DrawnSignature strokes={strokes} label={signer} />
                <figcaption>{`${t(`bench.signature.${as}`)}: ${signer}, ${showMoment(at)}`}</figcaption>
              </figure>
            ))}
          </div>
        )}
        <Title order={2} size="h4" mt="xl" mb="xs">
          {t('record.odd')}
        </Title>
        {unusual.map((one) => (
          <div key={`${one.is}-${one.from}-${one.by}`} className={styles.step}>
            <span />
            <span>
              <Tag tone="ochre">{t(`record.unusual.${one.is}`)}</Tag> {unusualText(one)}
            </span>
            <When at={one.from} who={name(one.by)} />
          </div>
        ))}
        {state.setAside.map((aside) => (
          <div key={`${aside.at}-${aside.wrench.reading}`} className={styles.step}>
            <span />
            <span>
              <Tag tone="ochre">{t('record.aside')}</Tag> {sayAside(aside)}
            </span>
            <When at={aside.at} who={name(aside.by)} />
          </div>
        ))}
        {odd.length + unusual.length + state.setAside.length === 0 && (
          <Text className="quiet">{t('record.nothingOdd')}</Text>
        )}
        {odd.map(({ label, noted, index }) => (
          <div key={`${index}-${noted.at}-${label}`} className={styles.step}>
            <span className="number">{index + 1}</span>
            <span>
              <Tag tone="kaki">{label}</Tag> {noted.text}
            </span>
            <When at={noted.at} who={name(noted.by)} />
          </div>
        ))}
        {STAGES.map((stage) => {
          const steps = procedure.steps
            .map((step, index) => ({ step, index }))
            .filter(({ step }) => step.stage === stage);
          if (steps.length === 0) return null;
          return (
            <section key={stage}>
              <Title order={2} size="h4" mt="xl" mb="xs">
                {t(`stage.${stage}`)}
              </Title>
              {steps.map(({ step, index }) => {
                const run = runOf(state, step.id);
                return (
                  <div key={step.id} className={styles.step}>
                    <span className="number">{index + 1}</span>
                    <div className={styles.lines}>
                      <span>{sayStep(step, series)}</span>
                      {run.doneMethodId && (
                        <span>
                          {t('record.method')}
                          <b>{step.methods?.find(({ id: method }) => method === run.doneMethodId)?.name}</b>
                        </span>
                      )}
                      {run.answers.map(({ answerId, positionId }) => (
                        <span key={positionId ?? ''}>
                          {`${[placeName(positionId), step.decision?.question].filter(Boolean).join(': ')} `}
                          <b>{step.decision?.answers.find(({ id: answer }) => answer === answerId)?.text}</b>
                        </span>
                      ))}
                      <JointReadings step={step} run={run} workbook={job.release.workbook} />
                      {readBy(run).map((one) => (
                        <span key={`${one.number} ${one.calibratedUntil}`} className="quiet">
                          {sayReadBy(one, showDay)}
                        </span>
                      ))}
                      <JointChart step={step} run={run} workbook={job.release.workbook} />
                      {run.readings
                        .filter(({ spot }) => !spot)
                        .map((reading) => (
                          <span key={reading.entryId}>
                            {placeName(reading.positionId) && `${placeName(reading.positionId)}: `}
                            <b className="number">{showQuantity(preferred(reading.reading, units))}</b>{' '}
                            <span className={reading.verdict === 'within' ? styles.within : styles.out}>
                              {t(`verdict.${reading.verdict}`)}
                            </span>
                          </span>
                        ))}
                      <Findings step={step} run={run} placeName={placeName} />
                      {run.placesDone.length > 0 && (
                        <span className="quiet">
                          {run.placesDone
                            .map(({ positionId, at }) => `${placeName(positionId) ?? ''} ${showMoment(at)}`)
                            .join(', ')}
                        </span>
                      )}
                      <Said run={run} step={step} job={job} name={name} placeName={placeName} />
                      {run.photos.length > 0 && (
                        <div className={styles.photos}>
                          {run.photos.map(({ hash, marks }, i) => (
                            <a key={hash} href={photoUrl(hash)} target="_blank" rel="noreferrer">
                              <JobPhoto
                                photo={hash}
                                marks={marks}
                                isThumb
                                alt={t('record.photoAlt', { number: i + 1, shows: photoShows(step, series) })}
                              />
                            </a>
                          ))}
                        </div>
                      )}
                    </div>
                    {run.doneAt ? (
                      <When at={run.doneAt} who={name(run.doneBy)} took={times.get(step.id)?.worked} />
                    ) : (
                      <span className={styles.when}>
                        {!isToDo(step, state.answers, job.release.workbook) && t('record.otherWay')}
                      </span>
                    )}
                  </div>
                );
              })}
            </section>
          );
        })}
      </Page>
    </>
  );
}
