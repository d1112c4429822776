import { Textarea } from '@mantine/core';
import i18next from 'i18next';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { PROBLEM_PLACES, type ProblemPlace } from '#core/job/entry-words';
import type { StepRun } from '#core/job/state';
import { showMoment } from '../../../ground/format';
import { modals } from '../../../ground/overlays';
import type { BenchJob } from '../../../sync/bench-job';
import frame from '../Bench.module.css';
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

export function openProblem(bench: BenchJob, stepId: string): void {
  modals.open({
    title: i18next.t('bench.wrongTitle'),
    size: 'lg',
    children: <ProblemForm bench={bench} stepId={stepId} />,
  });
}

const SHORTEST = 3;

function ProblemForm({ bench, stepId }: { bench: BenchJob; stepId: string }) {
  const { t } = useTranslation();
  const [about, setAbout] = useState<ProblemPlace>();
  const [note, setNote] = useState('');
  const [photo, setPhoto] = useState<File>();
  const [fault, setFault] = useState('');
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (note.trim().length < SHORTEST) return setFault(t('bench.reasonShort'));
    await bench.enterProblem({ stepId, note: note.trim(), ...(about && { about }) }, photo);
    modals.closeAll();
  };
  return (
    <form onSubmit={submit} className={styles.form}>
      <p>{t('bench.wrongBody')}</p>
      <fieldset className={styles.places}>
        <legend>{t('bench.problem.where')}</legend>
        {PROBLEM_PLACES.map((place) => (
          <button
            key={place}
            type="button"
            className={`${frame.medium} ${about === place ? frame.chosen : ''}`}
            aria-pressed={about === place}
            onClick={() => setAbout(about === place ? undefined : place)}
          >
            {t(`bench.problem.about.${place}`)}
          </button>
        ))}
      </fieldset>
      <Textarea
        size="lg"
        label={t('bench.reason')}
        value={note}
        error={fault}
        maxLength={600}
        minRows={3}
        autosize
        onChange={(event) => setNote(event.currentTarget.value)}
        data-autofocus
      />
      <label className={`${frame.medium} ${styles.take}`}>
        {photo ? t('bench.problem.photoTaken') : t('bench.problem.takePhoto')}
        <input
          type="file"
          accept="image/jpeg,image/png,image/webp"
          capture="environment"
          onChange={(event) => setPhoto(event.currentTarget.files?.[0])}
        />
      </label>
      <button type="submit" className={`${frame.medium} ${frame.go}`}>
        {t('bench.wrongGo')}
      </button>
    </form>
  );
}
