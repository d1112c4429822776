import { useTranslation } from 'react-i18next';
import { demandsOf } from '#core/job/demands';
import { showMoment } from '../../../ground/format';
import frame from '../Bench.module.css';
import type { DemandsProps } from '../Demands';
import { openSecondPerson } from '../forms/open';
import styles from './Confirming.module.css';

/** The job goes on only when a second person has looked and signed on this tablet with their own password. */
export function HoldPoint({ bench, step, run, inHand }: DemandsProps) {
  const { t } = useTranslation();
  if (!step.holdPoint) return null;
  const { approved } = run;
  const open = demandsOf(step, run, bench.job.release.workbook);
  const isNext = open.every(({ what }) => what === 'approval' || what === 'place');
  return (
    <div className={styles.panel}>
      <h2>{t('bench.hold.title')}</h2>
      {step.holdPoint.checks && <p>{step.holdPoint.checks}</p>}
      {approved ? (
        <p className={styles.approved} role="status">
          {t('bench.hold.approved', { name: bench.job.people[approved.by] ?? '', at: showMoment(approved.at) })}
        </p>
      ) : (
        <button
          type="button"
          className={frame.medium}
          disabled={!inHand || !isNext}
          onClick={() => openSecondPerson(bench, step.id)}
        >
          {t(isNext ? 'bench.hold.sign' : 'bench.hold.later')}
        </button>
      )}
    </div>
  );
}
