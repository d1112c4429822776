import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { StepRun } from '#core/job/job';
import type { Step } from '#core/model/procedure';
import { answer, api } from '../../ground/api';
import { showDuration, showMoment, showNumber } from '../../ground/format';
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
  return (
    <>
      {(step.looks ?? []).flatMap((look) =>
        run.looked
          .filter(({ lookId }) => lookId === look.id)
          .map(({ positionId, faultId }) => {
            const fault = look.faults.find(({ id }) => id === faultId);
            return (
              <span key={`${look.id}-${positionId}`}>
                {[placeName(positionId), look.at].filter(Boolean).join(', ')}
                {': '}
                <span className={fault ? styles.out : styles.within}>
                  {fault ? `${fault.sign}, ${t(`consequence.${fault.follows}`)}` : t('look.isSound')}
                </span>
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
              <b className="number">{`${showNumber(reading.value, 6)} ${reading.unit}`}</b>{' '}
              <span className={verdict === 'within' ? styles.within : styles.out}>
                {t(`measure.verdict.${verdict}`)}
              </span>
            </span>
          )),
      )}
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
