import { useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { useTranslation } from 'react-i18next';
import { SIGNERS } from '#core/job/entry-words';
import { summaryOf } from '#core/record/summary';
import { DrawnSignature } from '../../../drawings/DrawnSignature';
import { usePerson } from '../../../frame/SignedIn';
import type { BenchJob } from '../../../sync/bench-job';
import frame from '../Bench.module.css';
import { openSignature } from '../forms/open';
import styles from './End.module.css';

/** It says in words what was found; not needed before a job ends. */
const Summary = lazy(async () => ({ default: (await import('../../../parts/Summary')).Summary }));

/** All steps are done: signed by hand where that is wanted, then sealed. */
export function AllDone({ bench, inHand }: { bench: BenchJob; inHand: boolean }) {
  const { t } = useTranslation();
  const person = usePerson();
  const queries = useQueryClient();
  const { job, state } = bench;
  const summary = summaryOf(job.release.workbook, state, bench.entries, job.startedAt);
  const finish = async () => {
    // The bench goes on to the record by itself; to go anywhere else meanwhile would stop it on its way.
    await bench.enter({ kind: 'finished' });
    await queries.invalidateQueries();
  };
  return (
    <main className={frame.end}>
      <h1>
        {state.phase === 'finished'
          ? t('bench.finishing')
          : t('bench.allDone', { count: job.release.workbook.procedure.steps.length })}
      </h1>
      <p>{t('bench.allDoneBody')}</p>
      <div className={styles.signatures}>
        {SIGNERS.map((as) => {
          const signed = state.signatures.find((one) => one.as === as);
          const name = as === 'technician' ? person.name : '';
          return (
            <div key={as} className={styles.signature}>
              <h2>{t(`bench.signature.${as}`)}</h2>
              {signed && <DrawnSignature strokes={signed.strokes} label={signed.name} />}
              {signed && <p>{signed.name}</p>}
              {inHand && (
                <button
                  type="button"
                  className={frame.medium}
                  onClick={() => openSignature(bench, as, signed?.name ?? name)}
                >
                  {t(signed ? 'bench.signature.again' : 'bench.signature.sign')}
                </button>
              )}
            </div>
          );
        })}
      </div>
      {inHand && (
        <button type="button" className={`${frame.big} ${frame.go}`} onClick={finish}>
          {t('bench.finish')}
        </button>
      )}
      <Suspense fallback={null}>
        <Summary summary={summary} nameOf={(id) => job.people[id] ?? ''} />
      </Suspense>
    </main>
  );
}
