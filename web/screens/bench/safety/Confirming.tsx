import { useTranslation } from 'react-i18next';
import { locksToCheck, type StillOpen, stillOpen } from '#core/job/confirming';
import { listing, sayStep } from '#core/language/en/sentence';
import { confirmationOf } from '#core/model/confirmation';
import { componentById } from '#core/model/lookup';
import type { Step } from '#core/model/procedure';
import { usePerson } from '../../../frame/SignedIn';
import { timelineOn } from '../../../state/ways';
import type { BenchJob } from '../../../sync/bench-job';
import frame from '../Bench.module.css';
import styles from './Confirming.module.css';

interface ConfirmProps {
  readonly bench: BenchJob;
  readonly step: Step;
  readonly inHand: boolean;
  readonly isConfirmed: boolean;
  readonly onConfirm: (confirmed: boolean) => void;
}

/** Said by name before a step is done that makes the pump safe, or gives the energy back. */
export function ConfirmDemand({ bench, step, inHand, isConfirmed, onConfirm }: ConfirmProps) {
  const { t } = useTranslation();
  const person = usePerson();
  const { job, state } = bench;
  const { workbook } = job.release;
  const asked = confirmationOf(step);
  if (!asked) return null;
  const open = asked === 'closed' && stillOpen(timelineOn(workbook, state.answers), state.cursor);
  return (
    <div className={styles.panel}>
      <h2>{t(`bench.confirm.${asked}`)}</h2>
      {open && <Open open={open} bench={bench} />}
      <button
        type="button"
        className={`${frame.medium} ${isConfirmed ? styles.confirmed : ''}`}
        aria-pressed={isConfirmed}
        disabled={!inHand}
        onClick={() => onConfirm(!isConfirmed)}
      >
        {t(isConfirmed ? 'bench.confirm.said' : 'bench.confirm.say', { name: person.name })}
      </button>
    </div>
  );
}

/** What the job still has out or loose when the energy is to be given back. */
function Open({ open, bench }: { open: StillOpen; bench: BenchJob }) {
  const { t } = useTranslation();
  const { series } = bench.job.release.workbook;
  const names = (ids: readonly string[]) => listing(ids.flatMap((id) => componentById(series, id)?.name ?? []));
  return (
    <>
      {open.out.length > 0 && (
        <p className={styles.open} role="alert">
          {t('bench.confirm.stillOut', { parts: names(open.out) })}
        </p>
      )}
      {open.loose.length > 0 && (
        <p className={styles.open} role="alert">
          {t('bench.confirm.stillLoose', { parts: names(open.loose) })}
        </p>
      )}
    </>
  );
}

/** After a job was taken over: the locks that hold, to be checked before anything is done. */
export function LocksToCheck({ bench }: { bench: BenchJob }) {
  const { t } = useTranslation();
  const person = usePerson();
  const { workbook } = bench.job.release;
  const locks = locksToCheck(workbook, bench.state);
  if (locks.length === 0) return null;
  return (
    <section className={styles.locks} role="alert">
      <h2>{t('bench.locks.title')}</h2>
      <p>{t('bench.locks.body')}</p>
      <ul>
        {locks.map((step) => (
          <li key={step.id}>{sayStep(step, workbook.series)}</li>
        ))}
      </ul>
      <button
        type="button"
        className={`${frame.medium} ${frame.go}`}
        onClick={() => bench.enter({ kind: 'locks-checked' })}
      >
        {t('bench.locks.checked', { name: person.name })}
      </button>
    </section>
  );
}
