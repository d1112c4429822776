import { useTranslation } from 'react-i18next';
import type { StepRun } from '#core/job/state';
import { showMoment } from '../../../ground/format';
import type { BenchJob } from '../../../sync/bench-job';
import { JobPhoto } from '../photo/JobPhoto';
import styles from './Problems.module.css';

/** What was wrong at this step, and what the trainer answered. */
export function Problems({ bench, run }: { bench: BenchJob; run: StepRun }) {
  const { t } = useTranslation();
  const { replies = [], people } = bench.job;
  return (
    <>
      {run.problems.map(({ entryId, text, about, photo }) => {
        const reply = replies.find((one) => one.entryId === entryId);
        return (
          <div key={entryId} className={styles.problem}>
            {about && <b>{t(`bench.problem.about.${about}`)}</b>}
            <p>{text}</p>
            {photo && <JobPhoto bench={bench} photo={photo} isThumb alt={t('bench.problem.photo')} />}
            {reply ? (
              <p className={styles.reply} role="status">
                {t('bench.problem.answered', { name: people[reply.by] ?? '', at: showMoment(reply.at) })}
                <br />
                {reply.text}
                {reply.correctedIn !== null && ` ${t('bench.problem.corrected', { number: reply.correctedIn })}`}
              </p>
            ) : (
              <p className="quiet">{t('bench.problem.waits')}</p>
            )}
          </div>
        );
      })}
    </>
  );
}
