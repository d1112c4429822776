import { useTranslation } from 'react-i18next';
import { RUN_UNITS, type RunJudged, type Sample } from '#core/proving/run';
import { showNumber } from '../../../ground/format';
import styles from './Run.module.css';

/** Whether the pump does what is asked, value by value, and why a run says nothing. */
export function RunVerdicts({ judged: { values, faults }, mean }: { judged: RunJudged; mean: Sample }) {
  const { t } = useTranslation();
  return (
    <ul className={styles.verdicts}>
      {values.map(({ what, value, from, to, verdict }) => (
        <li key={what} className={verdict === 'within' ? styles.within : styles.out}>
          <b>{t(`run.${what}`)}</b>
          <span className="number">{`${showNumber(value, 4)} ${RUN_UNITS[what]}`}</span>
          <span>
            {from === undefined
              ? t('run.atMost', { to: showNumber(to, 3) })
              : t('run.between', { from: showNumber(from, 3), to: showNumber(to, 3) })}
          </span>
          <span>{t(`run.verdict.${verdict}`)}</span>
        </li>
      ))}
      {faults.map((fault) => (
        <li key={fault} className={styles.out}>
          {t(`run.fault.${fault}`)}
        </li>
      ))}
      {values.length > 0 && (
        <li className="quiet">
          {t('run.readAt', { speed: showNumber(mean.speed ?? 0, 4), pressure: showNumber(mean.pressure ?? 0, 4) })}
        </li>
      )}
    </ul>
  );
}
