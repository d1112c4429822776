import { useQuery } from '@tanstack/react-query';
import { Fragment } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { latestRun } from '#core/job/latest-run';
import type { StepRun } from '#core/job/state';
import { sayProof } from '#core/language/en/proofs';
import { confirmationOf } from '#core/model/confirmation';
import type { Step } from '#core/model/procedure';
import { meanOf } from '#core/proving/run';
import { preferred } from '#core/quantity/preference';
import type { OpenJob } from '../../../server/store/jobs';
import { answer, api, photoUrl } from '../../ground/api';
import { showDuration, showMoment, showQuantity } from '../../ground/format';
import { useReader } from '../../state/reader';
import { JobPhoto } from '../bench/photo/JobPhoto';
import { RunVerdicts } from '../bench/run/RunVerdicts';
import styles from './Record.module.css';

/** The head of the seal and the key it was signed with, as they are printed; the page that checks both is one press away. */
export function Signature({ jobId, fallback }: { jobId: string; fallback: string | null }) {
  const { t } = useTranslation();
  const { data } = useQuery({
    queryKey: ['seal', jobId],
    queryFn: () => answer(api.jobs[':id'].seal.$get({ param: { id: jobId } })),
  });
  return (
    <>
      <div className={styles.seal}>
        <dt>{t('record.seal')}</dt>
        <dd className="number quiet">{data?.seal?.head ?? fallback}</dd>
      </div>
      {data?.seal && (
        <div className={styles.seal}>
          <dt>{t('record.key')}</dt>
          <dd>
            <span className="number quiet">{data.seal.publicKey}</span> <Link to="/verify">{t('record.verify')}</Link>
          </dd>
        </div>
      )}
    </>
  );
}

/** What was looked at and measured, with what was found. */
export function Findings({
  step,
  run,
  placeName,
}: {
  step: Step;
  run: StepRun;
  placeName: (positionId: string | null) => string | undefined;
}) {
  const { t } = useTranslation();
  const units = useReader((state) => state.units);
  return (
    <>
      {(step.looks ?? []).flatMap((look) =>
        run.looked
          .filter(({ lookId }) => lookId === look.id)
          .map(({ positionId, faultId, other, photo }) => {
            const fault = other ?? look.faults.find(({ id }) => id === faultId);
            return (
              <span key={`${look.id}-${positionId}`}>
                {[placeName(positionId), look.at].filter(Boolean).join(', ')}
                {': '}
                <span className={fault ? styles.out : styles.within}>
                  {fault ? `${fault.sign}, ${t(`consequence.${fault.follows}`)}` : t('look.isSound')}
                </span>
                {photo && (
                  <a href={photoUrl(photo)} target="_blank" rel="noreferrer">
                    {t('look.photo')}
                  </a>
                )}
              </span>
            );
          }),
      )}
      {(step.measurements ?? []).flatMap((measurement) =>
        run.measured
          .filter(({ measurementId }) => measurementId === measurement.id)
          .map(({ positionId, point, direction, reading, verdict }) => (
            <span key={`${measurement.id}-${positionId}-${point}-${direction}`}>
              {[
                placeName(positionId),
                measurement.what,
                point,
                measurement.directions === 2 && t(`measure.way.w${direction}`),
              ]
                .filter(Boolean)
                .join(', ')}
              {': '}
              <b className="number">{showQuantity(preferred(reading, units), 6)}</b>{' '}
              <span className={verdict === 'within' ? styles.within : styles.out}>
                {t(`measure.verdict.${verdict}`)}
              </span>
            </span>
          )),
      )}
    </>
  );
}

interface SaidProps {
  readonly step: Step;
  readonly run: StepRun;
  readonly job: OpenJob;
  readonly name: (personId: string | null) => string;
  readonly placeName: (positionId: string | null) => string | undefined;
}

/** Confirmed by name, checked by a second person, gauged, run, and what the trainer answered. */
export function Said({ step, run, job, name, placeName }: SaidProps) {
  const { t } = useTranslation();
  const asked = confirmationOf(step);
  const { series } = job.release.workbook;
  const latest = latestRun(step, run, series);
  return (
    <>
      {asked && run.doneAt && (
        <span className={run.isConfirmed ? styles.within : styles.out}>
          {t(run.isConfirmed ? `record.confirmed.${asked}` : 'record.notConfirmed', { name: name(run.doneBy) })}
        </span>
      )}
      {run.approved && (
        <span className={styles.within}>
          {t('bench.hold.approved', { name: name(run.approved.by), at: showMoment(run.approved.at) })}
        </span>
      )}
      {run.gauged.map(({ measurementId, positionId, gap }) => (
        <span key={`${measurementId} ${positionId}`}>
          {[placeName(positionId), t('record.byRing')].filter(Boolean).join(', ')}
          {': '}
          <span className={gap === 'none' ? styles.within : styles.out}>{t(`measure.ring.${gap}`)}</span>
        </span>
      ))}
      {latest && (
        <>
          <RunVerdicts judged={latest.judged} mean={meanOf(latest.test.samples)} />
          {latest.test.instrument && (
            <span className="quiet">{t('record.byBench', { number: latest.test.instrument })}</span>
          )}
        </>
      )}
      {run.proved.map(({ proof, verdict, at }) => (
        <span key={at} className={verdict === 'good' ? styles.within : styles.out}>
          {sayProof(proof, verdict)}
        </span>
      ))}
      {run.problems.map(({ entryId, photo }) => {
        const reply = job.replies.find((one) => one.entryId === entryId);
        return (
          <Fragment key={entryId}>
            {photo && <JobPhoto photo={photo} isThumb alt={t('bench.problem.photo')} />}
            {reply && (
              <span>
                {t('bench.problem.answered', { name: name(reply.by), at: showMoment(reply.at) })} {reply.text}
              </span>
            )}
          </Fragment>
        );
      })}
    </>
  );
}

export function When({ at, who, took }: { at: string; who: string; took?: number | undefined }) {
  const { t } = useTranslation();
  return (
    <span className={styles.when}>
      {who}
      <br />
      {showMoment(at)}
      {took !== undefined && (
        <>
          <br />
          {t('record.took', { time: showDuration(took) })}
        </>
      )}
    </span>
  );
}

export function Fact({ label, value }: { label: string; value: string }) {
  return (
    <div>
      <dt>{label}</dt>
      <dd>{value}</dd>
    </div>
  );
}
