import { IconAdjustments } from '@tabler/icons-react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { WAITS_FOR } from '#core/job/entry-words';
import { runOf } from '#core/job/job';
import { isToDo } from '#core/job/to-do';
import type { Step } from '#core/model/procedure';
import { NewVersionNote } from '../../frame/NewVersionNote';
import { usePerson } from '../../frame/SignedIn';
import { openWaiting, WaitingNote } from '../../frame/WaitingNote';
import { mayWorkAtBench } from '../../ground/session';
import { Tag } from '../../parts/Tag';
import type { BenchJob } from '../../sync/bench-job';
import styles from './Bench.module.css';
import { openSafety } from './dialogs';
import { ReadAloud } from './hands/ReadAloud';
import { openView } from './hands/View';

export function BenchTop({ bench, step }: { bench: BenchJob; step: Step | undefined }) {
  const { t } = useTranslation();
  const person = usePerson();
  const { job, state } = bench;
  const { series, procedure } = job.release.workbook;
  const running = state.phase === 'running' && state.holder === person.id;
  return (
    <header className={styles.top}>
      <span className={styles.where}>
        <Link to="/jobs">{t('jobs.title')}</Link>
        <b>{t('jobs.number', { number: job.number })}</b>
      </span>
      <span className={styles.about}>
        {t('bench.about', {
          series: `${series.name} ${series.code}`,
          serial: job.pumpSerial,
          title: procedure.title,
          number: job.release.number,
        })}
      </span>
      <span className={styles.grow} />
      <NewVersionNote atBench />
      <WaitingNote atBench />
      {step && <ReadAloud step={step} series={series} />}
      <button
        type="button"
        className={styles.medium}
        onClick={openView}
        aria-label={t('bench.view.title')}
        title={t('bench.view.title')}
      >
        <IconAdjustments size={26} aria-hidden />
      </button>
      <button type="button" className={styles.medium} onClick={() => openSafety(job.release.workbook, state.setting)}>
        {t('safety.short')}
      </button>
      {running && (
        <button type="button" className={styles.medium} onClick={() => bench.enter({ kind: 'paused' })}>
          {t('bench.pause')}
        </button>
      )}
      <span className={styles.person}>
        <Tag>{person.name}</Tag>
      </span>
    </header>
  );
}

/** The stitched edge along the top: one stitch a step. */
export function Hem({ bench }: { bench: BenchJob }) {
  const { t } = useTranslation();
  const { job, state } = bench;
  const { workbook } = job.release;
  const { steps } = workbook.procedure;
  return (
    <div
      className={styles.hem}
      role="img"
      aria-label={t('bench.progress', { done: state.cursor, steps: steps.length })}
    >
      {steps.map((step, index) => {
        if (!isToDo(step, state.answers, workbook) && index < state.cursor) return null;
        const run = runOf(state, step.id);
        const odd = run.problems.length > 0 || Object.values(run.overrides).some((noted) => noted !== undefined);
        const proved = run.photos.length + run.readings.length + run.measured.length + run.looked.length > 0;
        const look =
          index === state.cursor
            ? styles.hand
            : run.doneAt === null
              ? ''
              : odd
                ? styles.odd
                : proved
                  ? styles.proved
                  : styles.done;
        return <i key={step.id} className={look} />;
      })}
    </div>
  );
}

/** Why nothing can be entered just now, and what to do about it. */
export function BenchNotice({ bench }: { bench: BenchJob }) {
  const { t } = useTranslation();
  const person = usePerson();
  const { job, state, waiting } = bench;
  const refused = waiting.filter((entry) => entry.refused);
  if (refused.length > 0) {
    return (
      <div className={styles.notice} role="alert">
        <span>{t('bench.refused', { count: refused.length, reason: refused[0]?.refused })}</span>
        <button type="button" className={styles.medium} onClick={() => openWaiting(true)}>
          {t('bench.lookAtWaiting')}
        </button>
      </div>
    );
  }
  if (!mayWorkAtBench(person)) return <div className={styles.notice}>{t('bench.onlyLooking')}</div>;
  if (state.phase !== 'finished' && state.holder !== person.id) {
    return (
      <div className={styles.notice}>
        <span>{t('bench.heldBy', { name: job.people[state.holder] ?? '' })}</span>
        <button type="button" className={styles.medium} onClick={() => bench.enter({ kind: 'taken-over' })}>
          {t('bench.takeOver')}
        </button>
      </div>
    );
  }
  if (state.phase === 'paused') {
    return (
      <div className={styles.notice}>
        <span>{t('bench.isPaused')}</span>
        <span>{t('bench.waitsFor')}</span>
        {WAITS_FOR.map((what) => (
          <button
            key={what}
            type="button"
            className={`${styles.medium} ${state.waitsFor === what ? styles.chosen : ''}`}
            aria-pressed={state.waitsFor === what}
            onClick={() => bench.enter({ kind: 'paused', ...(state.waitsFor !== what && { waitsFor: what }) })}
          >
            {t(`jobs.waits.${what}`)}
          </button>
        ))}
        <span className={styles.grow} />
        <button type="button" className={styles.medium} onClick={() => bench.enter({ kind: 'resumed' })}>
          {t('bench.resume')}
        </button>
      </div>
    );
  }
  return <span />;
}
